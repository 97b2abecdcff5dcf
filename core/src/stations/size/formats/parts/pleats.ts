import type { FoldedForm } from '../../../../ground/fold/types.ts';
import type { Polygon } from '../../../../ground/geometry/polygon.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import { form, strip, type StripCrease } from './strip.ts';

/** Pleats stand with this much turned at every crease. */
const PLEAT_STANDING_DEG = 75;
const ORDINAL = [
  'first',
  'second',
  'third',
  'fourth',
  'fifth',
  'sixth',
  'seventh',
  'eighth',
  'ninth',
  'tenth',
  'eleventh',
];

/** Crease i of a zigzag folds away for odd i, towards for even, so the first panel’s outside is the front. */
export function pleats(n: number, widthMm: Mm, heightMm: Mm, outline?: Polygon): FoldedForm {
  const ids = Array.from({ length: n }, (_, i) => (i === 0 ? 'front' : `panel${i + 1}`));
  const creaseIds = ids.slice(1).map((_, i) => `fold${i + 1}`);
  const blank = strip(
    ids.map((id, i) => ({ id, name: `Panel ${i + 1}`, widthMm })),
    creaseIds.map((id, i): StripCrease => ({ id, direction: i % 2 === 0 ? 'mountain' : 'valley' })),
    heightMm,
    outline ? { outline } : {},
  );
  const face = (i: number): string => (i === 0 ? 'front' : `outside${i + 1}`);
  return form(blank, {
    // From the far end inwards, so that the front is the last to be laid on the pile.
    steps: [...creaseIds].reverse().map((id, i) => ({
      creaseIds: [id],
      says: `Fold the ${ORDINAL[n - 2 - i]!} crease ${(n - 2 - i) % 2 === 0 ? 'away from' : 'towards'} the printed front.`,
    })),
    opens: 'together',
    front: 'front',
    rests: 'front',
    standing: Object.fromEntries(creaseIds.map((id) => [id, PLEAT_STANDING_DEG])),
    faces: [
      ...ids.map((panelId, i) => ({
        id: face(i),
        name: i === 0 ? 'Front' : `Outside ${i + 1}`,
        panelId,
        side: 'outside' as const,
        shut: i === 0,
        readFrom: 'front' as const,
      })),
      ...[...ids].reverse().map((panelId, i) => ({
        id: `inside${n - i}`,
        name: `Reverse ${n - i}`,
        panelId,
        side: 'inside' as const,
        shut: false,
        readFrom: 'behind' as const,
      })),
    ],
  });
}
