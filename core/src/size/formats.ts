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

const sideFold: Format = {
  id: 'sideFold',
  name: 'Side fold',
  says: 'Opens like a book: the fold is on the left.',
  layers: 2,
  form: (widthMm, heightMm) => ({
    blank: {
      widthMm: 2 * widthMm,
      heightMm,
      panels: [
        { id: 'back', name: 'Back panel', box: { xMm: 0, yMm: 0, widthMm, heightMm } },
        { id: 'front', name: 'Front panel', box: { xMm: widthMm, yMm: 0, widthMm, heightMm } },
      ],
      creases: [
        {
          id: 'spine',
          from: { xMm: widthMm, yMm: 0 },
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
      openInside('front', 'insideFront', 'Inside left'),
      openInside('back', 'insideBack', 'Inside right'),
      shutOutside('back', 'back', 'Back', 'behind'),
    ],
  }),
};

const tentFold: Format = {
  id: 'tentFold',
  name: 'Tent fold',
  says: 'The fold is on top: it stands on its two long feet.',
  layers: 2,
  form: (widthMm, heightMm) => ({
    blank: {
      widthMm,
      heightMm: 2 * heightMm,
      panels: [
        { id: 'back', name: 'Back panel', box: { xMm: 0, yMm: 0, widthMm, heightMm } },
        { id: 'front', name: 'Front panel', box: { xMm: 0, yMm: heightMm, widthMm, heightMm } },
      ],
      creases: [
        {
          id: 'ridge',
          from: { xMm: 0, yMm: heightMm },
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
      openInside('front', 'insideFront', 'Inside top'),
      openInside('back', 'insideBack', 'Inside bottom'),
      shutOutside('back', 'back', 'Back', 'behind'),
    ],
  }),
};

/** A new way of folding is one more line here. */
export const FORMATS: Readonly<Record<FormatId, Format>> = { flat, sideFold, tentFold };

export const formatOf = (size: SizeChoice): Format => FORMATS[size.format];
