import { compose, invert } from '../../../../ground/geometry/affine.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import { bodyKey } from '../../../../ground/linkage/types.ts';
import type { Gutter, Made, MadePopUp, PopUpPart } from '../types.ts';

/**
 * As much of the card beside a hinge as stands for all of it: what is cut in is reckoned as a strip that is glued on before
 * its hinges, and no more of that than shows where they are.
 */
export const HELD_MM: Mm = 1;

/**
 * A piece that lies in the plane of both sides when they are flat, as one that is never cut off them: its hinges are
 * creases of the card, and its gutters too can have something cut from them.
 * @param piece whose tabs lie before it
 */
export function cutFrom(piece: MadePopUp & { readonly parts: readonly [PopUpPart] }, gutter: Gutter): Made {
  const { inCard } = gutter;
  if (!inCard)
    return {
      ok: false,
      title: 'There is no card here to cut it from',
      why: 'It is cut from the card itself, over its fold or over what is cut in there; what is glued on has tabs in the way.',
      mends: [
        { label: 'Cut it over the card’s fold', part: { on: { layerId: null, at: 'fold' } } },
        { label: 'Glue on a box step', part: { mechanism: 'boxStep' } },
      ],
    };
  const [part] = piece.parts;
  const own = { ...gutter, inCard };
  return {
    ok: true,
    made: {
      ...piece,
      parts: [{ ...part, showing: [], carries: 'nothing', cutFrom: own }],
      gutters: Object.fromEntries(
        Object.entries(piece.gutters ?? {}).map(([id, one]) => [id, { ...one, inCard: planeOf(one, own) }]),
      ),
    },
  };
}

/** Where a gutter between a side of another and what is cut from there lies, with all of it flat. */
function planeOf({ a, b }: Gutter, from: NonNullable<PopUpPart['cutFrom']>) {
  const [side, same] = bodyKey(a.body) === bodyKey(from.a.body) ? [a, from.a] : [b, from.b];
  return compose(from.inCard, compose(invert(same.toBody), side.toBody));
}
