import { drawEnvelopeSheet } from '@zippy/core';
import type { Draft, Exporter } from '../types.ts';

/** The made envelope on its sheet. */
export const envelope: Exporter<'pdf' | 'svg' | 'dxf' | 'png'> = ({ plan, job }, format, name): readonly Draft[] => {
  const page = drawEnvelopeSheet(plan.envelope);
  const titled = { stem: `${name}-envelope`, title: `${job.brief.title}: envelope` };
  return [
    format === 'pdf'
      ? { kind: 'pages', ...titled, pages: [{ page }], total: 1 }
      : { kind: 'drawing', ...titled, scene: page.scene, layers: format !== 'png' },
  ];
};
