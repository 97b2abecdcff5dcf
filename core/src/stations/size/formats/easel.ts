import { form, outer, strip } from './parts/strip.ts';
import type { FoldedForm } from '../../../ground/fold/types.ts';
import type { FormatOptions } from '../../../job/format.ts';
import type { Finish, Format } from './types.ts';

export const easel: Format = {
  id: 'easel',
  name: 'Easel',
  says: 'One face on a leg folded back from its top edge: it stands leaning.',
  family: 'One panel or one fold',
  mark: 'M10 3L20 21M10 3L34 21M14 21H38',
  inputs: [
    {
      id: 'legWidthMm',
      label: 'Leg width at the fold',
      says: 'Left empty, half the card.',
      kind: 'length',
      mayBeNull: true,
      limits: ({ widthMm }) => [Math.min(15, widthMm * 0.4), widthMm],
    },
    { id: 'leanDeg', label: 'Leans back by', kind: 'number', unit: '°', whole: false, limits: () => [8, 35] },
  ],
  form: easelForm,
};

/**
 * A card standing on its own leg. With the card leaning back by λ and the leg by μ, both reach the table
 * from the same fold: h·cos λ = ℓ·cos μ. With μ = λ/2 the leg stays shorter than the card, so it hides
 * behind it when shut. Derivation: two sides of a triangle over a level base share their height.
 */
function easelForm({ widthMm, heightMm }: Finish, { legWidthMm, leanDeg }: FormatOptions): FoldedForm {
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
}
