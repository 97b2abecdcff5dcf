import { drawEnvelopeSheet } from '@zippy/core';
import type { Draft, Exporter } from '../types.ts';

/** The made envelope on its sheet: where it is cut, creased and glued. */
export const envelope: Exporter<'pdf' | 'svg' | 'dxf' | 'png'> = ({ plan, job }, format, name): readonly Draft[] => {
  const page = drawEnvelopeSheet(plan.envelope);
  const { scene } = page;
  // Names of parts are for people; a drawing program is given lines alone.
  const drawn = format === 'dxf' ? { ...scene, shapes: scene.shapes.filter(({ kind }) => kind === 'path') } : scene;
  const titled = { stem: `${name}-envelope`, title: `${job.brief.title}: envelope` };
  return [
    format === 'pdf'
      ? { kind: 'pages', ...titled, pages: [{ page }], total: 1 }
      : { kind: 'drawing', ...titled, scene: drawn, layers: format !== 'png' },
  ];
};
