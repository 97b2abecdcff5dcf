import { drawGuides, templatePage } from '@zippy/core';
import type { Draft, Exporter } from '../types.ts';

/** The blank with what is to be kept clear, to lay under one’s own art in a drawing program. */
export const guides: Exporter<'pdf'> = ({ plan: { size }, job }, _, name): readonly Draft[] => [
  {
    kind: 'pages',
    stem: `${name}-guides`,
    title: `${job.brief.title}: guides`,
    pages: [{ page: templatePage(size, drawGuides(size)) }],
    total: 1,
  },
];
