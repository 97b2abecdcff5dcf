import { drawEnvelopeSheet, drawLinerSheet, type Page, type Scene } from '@zippy/core';
import type { Draft, Exporter } from '../types.ts';

/** The made envelope on its sheet, and its liner on theirs: where they are cut, creased and glued; of a lined one that is bought, the liner alone. */
export const envelope: Exporter<'pdf' | 'svg' | 'dxf' | 'png'> = ({ plan, job }, format, name): readonly Draft[] => {
  const { liner } = plan.envelope;
  const drawn: readonly { readonly what: string; readonly page: Page }[] = [
    ...(plan.envelope.made || !liner ? [{ what: 'envelope', page: drawEnvelopeSheet(plan.envelope) }] : []),
    ...(liner ? [{ what: 'liner', page: drawLinerSheet(liner) }] : []),
  ];
  const title = (what: string): string => `${job.brief.title}: ${what}`;
  if (format === 'pdf')
    return [
      {
        ...{ kind: 'pages', stem: `${name}-envelope`, title: title('envelope') },
        pages: drawn.map(({ page }) => ({ page })),
        total: drawn.length,
      },
    ];
  return drawn.map(({ what, page: { scene } }) => ({
    ...{ kind: 'drawing', stem: `${name}-${what}`, title: title(what), layers: format !== 'png' },
    scene: format === 'dxf' ? linesOf(scene) : scene,
  }));
};

/** Names of parts are for people; a drawing program is given lines alone. */
const linesOf = (scene: Scene): Scene => ({ ...scene, shapes: scene.shapes.filter(({ kind }) => kind === 'path') });
