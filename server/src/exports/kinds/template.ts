import { drawLayerTemplate, drawTemplate, templatePage, type Page, type Scene } from '@zippy/core';
import type { Draft, Exporter } from '../types.ts';

/** The blank and every layer, each in true size: pages of one PDF, or one drawing each. */
export const template: Exporter<'pdf' | 'svg' | 'dxf'> = ({ plan: { size }, job }, format, name): readonly Draft[] => {
  const drawings = [
    { id: 'template', what: 'template', scene: drawTemplate(size) },
    ...size.layers.map((piece, i) => ({ id: `layer-${i + 1}`, what: piece.name, scene: drawLayerTemplate(piece) })),
  ];
  const title = (what: string): string => `${job.brief.title}: ${what}`;
  if (format !== 'pdf')
    return drawings.map(({ id, what, scene }) => ({
      ...{ kind: 'drawing', stem: `${name}-${id}`, title: title(what), scene, layers: true },
    }));
  const pages = drawings.map(({ scene }, i) => ({ page: i === 0 ? templatePage(size, scene) : plainPage(scene) }));
  return [{ kind: 'pages', stem: `${name}-template`, title: title('template'), pages, total: pages.length }];
};

const plainPage = (scene: Scene): Page => ({ scene, trimBox: scene.box, bleedBox: scene.box });
