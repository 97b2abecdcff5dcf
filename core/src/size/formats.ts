import type { FaceRule, FoldedForm } from '../fold/types.ts';
import type { FormatId, SizeChoice } from '../job/types.ts';
import type { Mm } from '../length/types.ts';

export interface Format {
  readonly id: FormatId;
  readonly name: string;
  readonly says: string;
  readonly layers: number;
  /** The blank and its faces for a finished size. */
  readonly form: (widthMm: Mm, heightMm: Mm) => FoldedForm;
}

const shutOutside = (panelId: string, id: string, name: string, readFrom: FaceRule['readFrom']): FaceRule => ({
  id,
  name,
  panelId,
  side: 'outside',
  readWhen: 'shut',
  readFrom,
});
const openInside = (panelId: string, id: string, name: string): FaceRule => ({
  id,
  name,
  panelId,
  side: 'inside',
  readWhen: 'open',
  readFrom: 'front',
});

const flat: Format = {
  id: 'flat',
  name: 'Flat',
  says: 'One panel, no fold: postcards, tags, notelets.',
  layers: 1,
  form: (widthMm, heightMm) => ({
    blank: {
      widthMm,
      heightMm,
      panels: [{ id: 'card', name: 'Card', box: { xMm: 0, yMm: 0, widthMm, heightMm } }],
      creases: [],
    },
    frontPanelId: 'card',
    restingPanelId: 'card',
    faces: [
      shutOutside('card', 'front', 'Front', 'front'),
      { id: 'back', name: 'Back', panelId: 'card', side: 'inside', readWhen: 'shut', readFrom: 'behind' },
    ],
  }),
};

/** Two equal panels and one mountain between them: beside each other, or the back above the front. */
function foldedOnce(
  about: Omit<Format, 'layers' | 'form'>,
  fold: { readonly upright: boolean; readonly creaseId: string; readonly insides: readonly [string, string] },
): Format {
  return {
    ...about,
    layers: 2,
    form: (widthMm, heightMm) => {
      const [alongX, alongY] = fold.upright ? [widthMm, 0] : [0, heightMm];
      return {
        blank: {
          widthMm: widthMm + alongX,
          heightMm: heightMm + alongY,
          panels: [
            { id: 'back', name: 'Back panel', box: { xMm: 0, yMm: 0, widthMm, heightMm } },
            { id: 'front', name: 'Front panel', box: { xMm: alongX, yMm: alongY, widthMm, heightMm } },
          ],
          creases: [
            {
              id: fold.creaseId,
              from: { xMm: alongX, yMm: alongY },
              to: { xMm: widthMm, yMm: heightMm },
              direction: 'mountain',
              shutDeg: 180,
              joins: ['back', 'front'],
            },
          ],
        },
        frontPanelId: 'front',
        restingPanelId: 'back',
        faces: [
          shutOutside('front', 'front', 'Front', 'front'),
          openInside('front', 'insideFront', fold.insides[0]),
          openInside('back', 'insideBack', fold.insides[1]),
          shutOutside('back', 'back', 'Back', 'behind'),
        ],
      };
    },
  };
}

const sideFold = foldedOnce(
  { id: 'sideFold', name: 'Side fold', says: 'Opens like a book: the fold is on the left.' },
  { upright: true, creaseId: 'spine', insides: ['Inside left', 'Inside right'] },
);

const tentFold = foldedOnce(
  { id: 'tentFold', name: 'Tent fold', says: 'The fold is on top: it stands on its two long feet.' },
  { upright: false, creaseId: 'ridge', insides: ['Inside top', 'Inside bottom'] },
);

/** A new way of folding is one more line here. */
export const FORMATS: Readonly<Record<FormatId, Format>> = { flat, sideFold, tentFold };

export const formatOf = (size: SizeChoice): Format => FORMATS[size.format];
