import type { FoldedForm } from '../../../../ground/fold/types.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import { form, inner, outer, strip } from './strip.ts';

/** Standing cards are opened this far between front and back. */
const BOOK_OPEN_DEG = 70;
const TENT_OPEN_DEG = 50;

/** Two panels and one mountain between them: beside each other, or the back above the front. */
export function foldedOnce(how: {
  readonly axis: 'across' | 'down';
  readonly alongMm: Mm;
  readonly breadthMm: Mm;
  readonly shortMm: Mm;
  readonly insides: readonly [string, string] | null;
}): FoldedForm {
  const creaseId = how.axis === 'across' ? 'spine' : 'ridge';
  const blank = strip(
    [
      { id: 'back', name: 'Back panel', widthMm: how.alongMm },
      { id: 'front', name: 'Front panel', widthMm: how.alongMm - how.shortMm },
    ],
    [{ id: creaseId, direction: 'mountain' }],
    how.breadthMm,
    { axis: how.axis },
  );
  return form(blank, {
    steps: [{ creaseIds: [creaseId], says: 'Fold the front over the back, insides together.' }],
    front: 'front',
    rests: 'back',
    standing: { [creaseId]: 180 - (how.axis === 'across' ? BOOK_OPEN_DEG : TENT_OPEN_DEG) },
    faces: [
      outer('front', 'front', 'Front', 'front'),
      ...(how.insides
        ? [inner('front', 'insideFront', how.insides[0]), inner('back', 'insideBack', how.insides[1])]
        : []),
      outer('back', 'back', 'Back', 'behind'),
    ],
  });
}
