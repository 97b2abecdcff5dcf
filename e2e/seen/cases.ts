import { decide } from '@zippy/core';
import sharp from 'sharp';
import type { FaceArt, JobChange } from '@zippy/core';

/** What a face of a folded card carries. */
export type Faces = Readonly<Partial<Record<FaceOfCard, Partial<FaceArt>>>>;
export const FACES_OF_CARD = ['front', 'back', 'insideFront', 'insideBack'] as const;
export type FaceOfCard = (typeof FACES_OF_CARD)[number];

/** A card with art on some of its faces. */
export interface Case {
  readonly faces: Faces;
  readonly changes?: readonly JobChange[];
  /** Its cards lie turned by a quarter on their sheet. */
  readonly turned?: true;
  /** Faces whose picture a panel of a printed layer carries as well. */
  readonly onPanels?: readonly FaceOfCard[];
}

/** One kind of art of one face, and whether a panel can carry its picture. */
interface Kind {
  readonly art: Partial<FaceArt>;
  readonly onPanel?: boolean;
}

const placed = (pictureId: string, part: object = {}) => ({
  picture: { pictureId, zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false, ...part },
});
const words = (text: string, part: object = {}) => ({
  ...{ id: 'w', text, typefaceId: 'eb-garamond-400', sizePt: 22, align: 'centre' as const, lineSpacing: 1.2 },
  ...{ colour: '#1d2930', leftMm: 4, topMm: 30, widthMm: 52, ...part },
});
const square = (kind: 'ornament' | 'code', id: string, leftMm: number, topMm: number, side: number) => ({
  ...{ id, leftMm, topMm, widthMm: side, heightMm: side, colour: '#7b2869' },
  ...(kind === 'code'
    ? { kind, ground: '#ffffff', content: { kind: 'text', text: 'ebb and flow' } as const }
    : { kind, ornament: 'lantern' as const }),
});
const on = (stock: string, printer: string, path: string): JobChange =>
  decide((job) => job.stock, { stockId: stock, printerId: printer, pathId: path });
const GROUND = '#f2e6c8';

/** Every kind of art that a face of plain card can carry. */
const KINDS: Readonly<Record<string, Kind>> = {
  'a plain picture': { art: placed('photo'), onPanel: true },
  'a plain drawing': { art: placed('drawing'), onPanel: true },
  'a transparent picture over a colour': { art: { background: GROUND, ...placed('clear') }, onPanel: true },
  'a drawing with clear parts over a colour': { art: { background: GROUND, ...placed('round') }, onPanel: true },
  'a grey picture': { art: placed('photo', { grey: true }), onPanel: true },
  'a grey transparent picture': { art: { background: GROUND, ...placed('clear', { grey: true }) } },
  'a tinted picture': { art: placed('photo', { tint: '#7b2869' }), onPanel: true },
  'a tinted drawing with clear parts': { art: { background: GROUND, ...placed('round', { tint: '#7b2869' }) } },
  'a faded picture': { art: placed('photo', { fade: 0.5 }), onPanel: true },
  'a faded transparent picture': { art: { background: GROUND, ...placed('clear', { fade: 0.4 }) } },
  'a picture turned by a quarter': { art: placed('photo', { quarterTurns: 1, zoom: 1.2 }), onPanel: true },
  'a drawing turned by three quarters': { art: placed('drawing', { quarterTurns: 3 }), onPanel: true },
  'a picture shown whole, beside its middle': { art: placed('photo', { fit: 'whole', focusX: 0, focusY: 0.2 }) },
  'a picture in a frame': {
    art: {
      objects: [
        {
          kind: 'picture',
          id: 'p',
          leftMm: 8,
          topMm: 20,
          widthMm: 44,
          heightMm: 30,
          ...placed('photo', { zoom: 1.4 }),
        },
      ],
    },
  },
  'a pattern': { art: { pattern: { pictureId: 'drawing', tileMm: 14, brick: false, fade: 0 } } },
  'a faded pattern with clear parts, as bricks': {
    art: { background: GROUND, pattern: { pictureId: 'round', tileMm: 11, brick: true, fade: 0.3 } },
  },
  'a gradient': { art: { gradient: { from: '#f4c9a0', to: '#2a5d68', angleDeg: 30 } } },
  'a code, an ornament and a rule': {
    art: {
      objects: [
        square('code', 'c', 15, 8, 30),
        square('ornament', 'o', 8, 50, 20),
        { kind: 'rule', id: 'r', colour: '#0b7f86', weightPt: 3, leftMm: 6, topMm: 44, widthMm: 48, heightMm: 4 },
      ],
    },
  },
  'words, on an arc and in a row': {
    art: {
      texts: [words('Lantern', { id: 'a', topMm: 12, arcMm: 40 }), words('at ebb', { id: 'b', topMm: 50 })],
    },
  },
  'a border, grown to the bleed': {
    art: { background: GROUND, border: { widthMm: 4, insetMm: 0, colour: '#7b2869' } },
  },
  'a border, inset': { art: { border: { widthMm: 2, insetMm: 5, colour: '#0b7f86' } } },
};

/** Kinds of art, one a face, on as few cards as hold them all: what is written is written of whole cards. */
const ofKinds = (): Readonly<Record<string, Case>> => {
  const kinds = Object.entries(KINDS);
  const cards = Array.from({ length: Math.ceil(kinds.length / FACES_OF_CARD.length) }, (_, card) =>
    kinds
      .slice(card * FACES_OF_CARD.length, (card + 1) * FACES_OF_CARD.length)
      .map((kind, i) => [FACES_OF_CARD[i]!, ...kind] as const),
  );
  return Object.fromEntries(
    cards.map((card) => [
      card.map(([face, name]) => `${name} (${face})`).join('; '),
      {
        faces: Object.fromEntries(card.map(([face, , { art }]) => [face, art])),
        onPanels: card.filter(([, , { onPanel }]) => onPanel).map(([face]) => face),
      },
    ]),
  );
};

/** Every kind of art, and every way that a card or its stock makes a difference to it. */
export const CASES: Readonly<Record<string, Case>> = {
  ...ofKinds(),
  'a picture over two panels': { faces: { front: placed('photo', { across: ['front', 'back'] }) } },
  'outside and inside, on cards that lie turned on the sheet': {
    faces: {
      front: { ...placed('photo'), texts: [words('turned')] },
      insideFront: { background: GROUND, ...placed('clear') },
    },
    changes: [on('shell-300-a4-short', 'gull', 'rear')],
    turned: true,
  },
  'words within': {
    faces: { insideFront: { background: GROUND, ...placed('clear'), texts: [words('within', { topMm: 60 })] } },
  },
  'names of a list': {
    faces: { front: { background: GROUND, texts: [words('{name}')] } },
    changes: [decide((job) => job.names, { columns: ['name'], rows: [['Wren'], ['Tove'], ['Idris'], ['Maud']] })],
  },
  'ink on a coloured card': {
    faces: { front: { ...placed('photo', { fade: 0.2 }), texts: [words('reed', { colour: '#7b2869' })] } },
    changes: [on('reed-120-a4', 'gull', 'rear')],
  },
  'white on a coloured card': {
    faces: {
      front: {
        texts: [words('Night', { colour: '#ffffff', sizePt: 30 })],
        objects: [square('ornament', 'o', 18, 4, 24)],
      },
    },
    changes: [on('night-270-a4', 'skua', 'tray')],
  },
  'a transparent picture on a dark card, white under it': {
    faces: { front: placed('clear') },
    changes: [on('night-270-a4', 'skua', 'tray')],
  },
};

const svg = (inner: string): Buffer =>
  Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="60" height="60">${inner}</svg>`);
const block = (width: number, height: number, background: string) => ({
  create: { width, height, channels: 4 as const, background },
});

/** Pictures by id, as a maker would bring them. None is like itself turned or mirrored. */
export const broughtPictures = async (): Promise<readonly (readonly [id: string, name: string, bytes: Buffer])[]> => [
  [
    'photo',
    'photo.png',
    await sharp(block(900, 700, '#c07040'))
      .composite([
        { input: block(300, 700, '#204060'), left: 0, top: 0 },
        { input: block(250, 180, '#e8d080'), left: 560, top: 60 },
      ])
      .png()
      .toBuffer(),
  ],
  [
    'clear',
    'clear.png',
    await sharp(block(600, 600, '#00000000'))
      .composite([
        { input: block(280, 480, '#804020'), left: 300, top: 100 },
        { input: block(200, 120, '#20408080'), left: 40, top: 60 },
      ])
      .png()
      .toBuffer(),
  ],
  [
    'drawing',
    'drawing.svg',
    svg(
      '<rect width="60" height="60" fill="#f4e2b8"/><circle cx="20" cy="22" r="12" fill="#a86400"/><path d="M30 58h28v-40z" fill="#0b7f86"/>',
    ),
  ],
  [
    'round',
    'round.svg',
    svg('<circle cx="40" cy="30" r="14" fill="#804020"/><path d="M4 56h30v-20z" fill="#204060" fill-opacity="0.5"/>'),
  ],
];
