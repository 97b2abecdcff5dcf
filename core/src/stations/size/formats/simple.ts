import type { FoldedForm } from '../../../ground/fold/types.ts';
import { form, inner, outer, strip } from './strip.ts';
import type { FormOf } from './types.ts';

/** Standing cards are opened this far between front and back. */
const BOOK_OPEN_DEG = 70;
const TENT_OPEN_DEG = 50;

export const flat: FormOf = ({ widthMm, heightMm }) =>
  form(strip([{ id: 'card', name: 'Card', widthMm }], [], heightMm), {
    steps: [],
    front: 'card',
    rests: 'card',
    standing: null,
    faces: [
      outer('card', 'front', 'Front', 'front'),
      { id: 'back', name: 'Back', panelId: 'card', side: 'inside', shut: true, readFrom: 'behind' },
    ],
  });

/** Two panels and one mountain between them: beside each other, or the back above the front. */
function foldedOnce(how: {
  readonly axis: 'across' | 'down';
  readonly alongMm: number;
  readonly breadthMm: number;
  readonly shortMm: number;
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

export const sideFold: FormOf = ({ widthMm, heightMm }, { shortFrontMm }) =>
  foldedOnce({
    axis: 'across',
    alongMm: widthMm,
    breadthMm: heightMm,
    shortMm: shortFrontMm,
    insides: ['Inside left', 'Inside right'],
  });

const tent = (insides: readonly [string, string] | null, short: boolean): FormOf =>
  function tentOf({ widthMm, heightMm }, { shortFrontMm }) {
    return foldedOnce({
      axis: 'down',
      alongMm: heightMm,
      breadthMm: widthMm,
      shortMm: short ? shortFrontMm : 0,
      insides,
    });
  };

export const tentFold = tent(['Inside top', 'Inside bottom'], true);
/** Only its two outsides are ever read. */
export const placeCard = tent(null, false);

/**
 * A card standing on its own leg. With the card leaning back by λ and the leg by μ, both reach the table
 * from the same fold: h·cos λ = ℓ·cos μ. With μ = λ/2 the leg stays shorter than the card, so it hides
 * behind it when shut. Derivation: two sides of a triangle over a level base share their height.
 */
export const easel: FormOf = ({ widthMm, heightMm }, { legWidthMm, leanDeg }) => {
  const lean = (leanDeg * Math.PI) / 180;
  const legMm = (heightMm * Math.cos(lean)) / Math.cos(lean / 2);
  const legWide = legWidthMm ?? widthMm / 2;
  // The leg narrows to three quarters, so that its edges never show past the card when it stands askew.
  const [wide, narrow] = [legWide / 2, (legWide * 0.75) / 2];
  const middle = widthMm / 2;
  // Across, then turned down: x runs from the leg’s foot to the card’s foot.
  const outline = [
    { xMm: 0, yMm: middle - narrow },
    ...(wide < middle - 1e-9 ? [{ xMm: legMm, yMm: middle - wide }] : []),
    { xMm: legMm, yMm: 0 },
    { xMm: legMm + heightMm, yMm: 0 },
    { xMm: legMm + heightMm, yMm: widthMm },
    { xMm: legMm, yMm: widthMm },
    ...(wide < middle - 1e-9 ? [{ xMm: legMm, yMm: middle + wide }] : []),
    { xMm: 0, yMm: middle + narrow },
  ];
  const blank = strip(
    [
      { id: 'leg', name: 'Leg', widthMm: legMm },
      { id: 'front', name: 'Front panel', widthMm: heightMm },
    ],
    [{ id: 'ridge', direction: 'mountain' }],
    widthMm,
    { axis: 'down', outline },
  );
  return form(blank, {
    steps: [{ creaseIds: ['ridge'], says: 'Fold the leg back behind the face.' }],
    front: 'front',
    rests: 'front',
    standing: { ridge: 180 - leanDeg * 1.5 },
    faces: [
      outer('front', 'front', 'Front', 'front'),
      { id: 'back', name: 'Back', panelId: 'front', side: 'inside', shut: false, readFrom: 'behind' },
      outer('leg', 'leg', 'Leg', 'behind'),
    ],
  });
};
