import type { BlankCut } from '../../ground/fold/types.ts';
import { corners } from '../../ground/geometry/box.ts';
import type { WindowChoice } from '../../job/types.ts';
import { shapeOutline } from '../size/formats/parts/shapes.ts';
import { rounded } from './styles/parts.ts';
import type { EnvelopeMeasures } from './styles/types.ts';

/** A window stays this far from the front’s folds, or what is left tears. Our starting value. */
export const WINDOW_EDGE_MM = 10;

/** The opening as a cut, in the front’s own frame with its inside up: left and right change places. */
export function windowCut(window: WindowChoice, { insideWidthMm }: Pick<EnvelopeMeasures, 'insideWidthMm'>): BlankCut {
  const { leftMm, topMm, widthMm, heightMm, cornerMm, shape = 'box', path = '' } = window;
  const [nw, ne, se, sw] = corners({ xMm: insideWidthMm - leftMm - widthMm, yMm: topMm, widthMm, heightMm });
  return {
    id: 'window',
    kind: 'window',
    name: 'Window',
    byHand: {
      title: 'Cut the window',
      says: 'With a knife on a cutting mat before anything is folded, inside up, by the template; corners first.',
      tool: 'knife',
    },
    points:
      shape === 'box'
        ? roundedBox([nw!, ne!, se!, sw!], cornerMm)
        : shapeOutline(shape, path, widthMm, heightMm).map(({ xMm, yMm }) => ({
            xMm: insideWidthMm - leftMm - xMm,
            yMm: topMm + yMm,
          })),
  };
}

/** Rounded all round: the corners that stay as they are while a part is rounded are put aside, where nothing turns. */
function roundedBox(box: Parameters<typeof rounded>[0], radiusMm: number): Parameters<typeof rounded>[0] {
  const [nw, ne] = [box[0]!, box[1]!];
  const at = (share: number) => ({ xMm: nw.xMm + (ne.xMm - nw.xMm) * share, yMm: nw.yMm });
  return radiusMm > 0 ? rounded([at(0.5), at(0.5), ...box.slice(1), nw], radiusMm) : box;
}

/** How far a window comes too near the front’s folds; nought where it does not. */
export function windowTooNearMm(
  { leftMm, topMm, widthMm, heightMm }: WindowChoice,
  { insideWidthMm, insideHeightMm }: Pick<EnvelopeMeasures, 'insideWidthMm' | 'insideHeightMm'>,
): number {
  const least = Math.min(leftMm, topMm, insideWidthMm - leftMm - widthMm, insideHeightMm - topMm - heightMm);
  return Math.max(0, WINDOW_EDGE_MM - least);
}

/** As near to what is wanted as the front has room for. */
export function windowWithin(
  window: WindowChoice,
  { insideWidthMm, insideHeightMm }: Pick<EnvelopeMeasures, 'insideWidthMm' | 'insideHeightMm'>,
): WindowChoice {
  const e = WINDOW_EDGE_MM;
  const widthMm = Math.max(5, Math.min(window.widthMm, insideWidthMm - 2 * e));
  const heightMm = Math.max(5, Math.min(window.heightMm, insideHeightMm - 2 * e));
  const into = (at: number, side: number, room: number): number => Math.max(e, Math.min(at, room - e - side));
  return {
    ...window,
    ...{ widthMm, heightMm },
    leftMm: into(window.leftMm, widthMm, insideWidthMm),
    topMm: into(window.topMm, heightMm, insideHeightMm),
  };
}
