import { decide } from '@zippy/core';
import sharp from 'sharp';
import type { FaceArt, JobChange } from '@zippy/core';

/** One kind of art on a card. */
export interface Case {
  readonly front?: Partial<FaceArt>;
  readonly inside?: Partial<FaceArt>;
  readonly changes?: readonly JobChange[];
  /** Its cards lie turned by a quarter on their sheet. */
  readonly turned?: true;
  /** A picture that a panel of a printed layer can carry as well. */
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

/** Every kind of art. */
export const CASES: Readonly<Record<string, Case>> = {
  'a plain picture': { front: placed('photo'), onPanel: true },
  'a plain drawing': { front: placed('drawing'), onPanel: true },
  'a transparent picture over a colour': { front: { background: GROUND, ...placed('clear') }, onPanel: true },
  'a drawing with clear parts over a colour': { front: { background: GROUND, ...placed('round') }, onPanel: true },
  'a grey picture': { front: placed('photo', { grey: true }), onPanel: true },
  'a grey transparent picture': { front: { background: GROUND, ...placed('clear', { grey: true }) } },
  'a tinted picture': { front: placed('photo', { tint: '#7b2869' }), onPanel: true },
  'a tinted drawing with clear parts': { front: { background: GROUND, ...placed('round', { tint: '#7b2869' }) } },
  'a faded picture': { front: placed('photo', { fade: 0.5 }), onPanel: true },
  'a faded transparent picture': { front: { background: GROUND, ...placed('clear', { fade: 0.4 }) } },
  'a picture turned by a quarter': { front: placed('photo', { quarterTurns: 1, zoom: 1.2 }), onPanel: true },
  'a drawing turned by three quarters': { front: placed('drawing', { quarterTurns: 3 }), onPanel: true },
  'a picture shown whole, beside its middle': { front: placed('photo', { fit: 'whole', focusX: 0, focusY: 0.2 }) },
  'a picture in a frame': {
    front: {
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
  'a pattern': { front: { pattern: { pictureId: 'drawing', tileMm: 14, brick: false, fade: 0 } } },
  'a faded pattern with clear parts, as bricks': {
    front: { background: GROUND, pattern: { pictureId: 'round', tileMm: 11, brick: true, fade: 0.3 } },
  },
  'a picture over two panels': { front: placed('photo', { across: ['front', 'back'] }) },
  'a gradient': { front: { gradient: { from: '#f4c9a0', to: '#2a5d68', angleDeg: 30 } } },
  'a border, grown and inset': {
    front: { background: GROUND, border: { widthMm: 4, insetMm: 0, colour: '#7b2869' } },
    inside: { border: { widthMm: 2, insetMm: 5, colour: '#0b7f86' } },
  },
  'a code, an ornament and a rule': {
    front: {
      objects: [
        square('code', 'c', 15, 8, 30),
        square('ornament', 'o', 8, 50, 20),
        { kind: 'rule', id: 'r', colour: '#0b7f86', weightPt: 3, leftMm: 6, topMm: 44, widthMm: 48, heightMm: 4 },
      ],
    },
  },
  'words, on an arc and in a row': {
    front: {
      texts: [words('Lantern', { id: 'a', topMm: 12, arcMm: 40 }), words('at ebb', { id: 'b', topMm: 50 })],
    },
  },
  'a picture on cards that lie turned on the sheet': {
    front: { ...placed('photo'), texts: [words('turned')] },
    changes: [on('shell-300-a4-short', 'gull', 'rear')],
    turned: true,
  },
  'a face inside, on cards that lie turned': {
    inside: { background: GROUND, ...placed('clear') },
    changes: [on('shell-300-a4-short', 'gull', 'rear')],
    turned: true,
  },
  'a face inside': { inside: { background: GROUND, ...placed('clear'), texts: [words('within', { topMm: 60 })] } },
  'names of a list': {
    front: { background: GROUND, texts: [words('{name}')] },
    changes: [decide((job) => job.names, { columns: ['name'], rows: [['Wren'], ['Tove'], ['Idris'], ['Maud']] })],
  },
  'ink on a coloured card': {
    front: { ...placed('photo', { fade: 0.2 }), texts: [words('reed', { colour: '#7b2869' })] },
    changes: [on('reed-120-a4', 'gull', 'rear')],
  },
  'white on a coloured card': {
    front: {
      texts: [words('Night', { colour: '#ffffff', sizePt: 30 })],
      objects: [square('ornament', 'o', 18, 4, 24)],
    },
    changes: [on('night-270-a4', 'skua', 'tray')],
  },
  'a transparent picture on a dark card, white under it': {
    front: placed('clear'),
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
