import { drawProof } from '@zippy/core';
import type { Draft, Exporter } from '../types.ts';

/** One page that shows the card as it comes out, which way up each face is, and how it folds. */
export const proof: Exporter<'pdf'> = ({ plan, job, workshop }, _, name): readonly Draft[] => [
  {
    kind: 'pages',
    stem: `${name}-proof`,
    title: `${job.brief.title}: proof`,
    pages: [{ page: drawProof(plan, job.brief.title, workshop.unit) }],
    total: 1,
    forLooking: true,
  },
];
