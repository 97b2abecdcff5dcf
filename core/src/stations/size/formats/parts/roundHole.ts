import type { BlankCut } from '../../../../ground/fold/types.ts';
import { FLATNESS_MM } from '../../../../ground/geometry/polygon.ts';
import type { Point } from '../../../../ground/geometry/types.ts';
import type { Mm } from '../../../../ground/length/types.ts';

/** A hole’s own edge stays this far from every edge of the card, or it tears out. Our starting value. */
export const HOLE_CLEAR_MM = 6;

/** To hang a piece by. */
export const stringHole = (middle: Point, acrossMm: Mm): BlankCut =>
  roundHole({ id: 'string', name: 'String hole' }, middle, acrossMm);

/** A round hole; its chords stay within the flatness of the circle: sagitta = r(1 − cos(step/2)). */
export function roundHole({ id, name }: Pick<BlankCut, 'id' | 'name'>, middle: Point, acrossMm: Mm): BlankCut {
  const radiusMm = acrossMm / 2;
  const step = 2 * Math.acos(Math.max(0, 1 - FLATNESS_MM / radiusMm));
  // A corner at each end of both its middle lines, so that it measures what it says.
  const corners = Math.max(12, 4 * Math.ceil(Math.PI / 2 / step));
  return {
    id,
    kind: 'hole',
    name,
    byHand: {
      title: 'Punch the hole',
      says: 'With a punch on a cutting mat, front up, by the template; a paper punch does in light card.',
      tool: 'punch',
    },
    points: Array.from({ length: corners }, (_, i) => {
      const angle = (2 * Math.PI * i) / corners;
      return { xMm: middle.xMm + radiusMm * Math.cos(angle), yMm: middle.yMm + radiusMm * Math.sin(angle) };
    }),
  };
}
