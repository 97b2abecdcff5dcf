import { FORMAT_IDS, type FormatId, type FormatOptions } from '../../../job/format.ts';
import { type FormatEntry, type FormatInput } from './types.ts';

/** Where every option starts; each stands here and nowhere else. */
export const OPTION_DEFAULTS: FormatOptions = {
  panels: 4,
  gapMm: 0,
  shortFrontMm: 0,
  shortenMm: null,
  spineMm: 8,
  frontHeightMm: null,
  shape: 'oval',
  path: '',
  hinge: 'left',
  hingeInsetMm: null,
  lid: false,
  legWidthMm: null,
  leanDeg: 18,
};

const panels = (least: number, most: number): FormatInput => ({
  id: 'panels',
  label: 'Panels',
  kind: 'number',
  unit: 'panels',
  whole: true,
  limits: () => [least, most],
});
const shortFront = (along: 'widthMm' | 'heightMm'): FormatInput => ({
  id: 'shortFrontMm',
  label: 'Front shorter by',
  says: 'The inside shows past the front’s free edge.',
  kind: 'length',
  mayBeNull: false,
  limits: (finish) => [0, finish[along] * 0.7],
});
const shorten: FormatInput = {
  id: 'shortenMm',
  label: 'Shorten each wrap by',
  says: 'Left empty, it follows the card’s thickness.',
  kind: 'length',
  mayBeNull: true,
  limits: ({ widthMm }) => [0, widthMm * 0.1],
};
const spine = (label: string, most: (widthMm: number) => number): FormatInput => ({
  id: 'spineMm',
  label,
  kind: 'length',
  mayBeNull: false,
  limits: ({ widthMm }) => [1, most(widthMm)],
});

const ENTRIES: Readonly<Record<FormatId, Omit<FormatEntry, 'id'>>> = {
  flat: { name: 'Flat', says: 'One panel, no fold: postcards, tags, notelets.', inputs: [] },
  sideFold: {
    name: 'Side fold',
    says: 'Opens like a book: the fold is on the left.',
    inputs: [shortFront('widthMm')],
  },
  tentFold: {
    name: 'Tent fold',
    says: 'The fold is on top: it stands on its two long feet.',
    inputs: [shortFront('heightMm')],
  },
  placeCard: { name: 'Place card', says: 'A small tent that is read from both sides of the table.', inputs: [] },
  quarterFold: {
    name: 'Quarter fold',
    says: 'One printed side folded twice: nothing to turn over in the printer.',
    inputs: [],
  },
  gateFold: {
    name: 'Gate fold',
    says: 'Two doors that meet in the middle, or leave a gap.',
    inputs: [
      {
        id: 'gapMm',
        label: 'Gap between the doors',
        kind: 'length',
        mayBeNull: false,
        limits: ({ widthMm }) => [0, widthMm * 0.8],
      },
    ],
  },
  doubleGate: {
    name: 'Double gate',
    says: 'A gate that shuts once more down its middle.',
    inputs: [{ ...shorten, label: 'Doors shorter by' }],
  },
  rollFold: {
    name: 'Roll fold',
    says: 'Each panel rolls inside the one before it.',
    inputs: [panels(3, 6), shorten],
  },
  zigzag: { name: 'Zigzag', says: 'Equal panels, folded to and fro.', inputs: [panels(3, 12)] },
  cascade: {
    name: 'Cascade',
    says: 'A zigzag cut on a slope: every panel shows behind the last. One sloped cut makes two.',
    inputs: [
      panels(3, 6),
      {
        id: 'frontHeightMm',
        label: 'Lowest edge',
        says: 'Left empty, a little over half the height.',
        kind: 'length',
        mayBeNull: true,
        limits: ({ heightMm }) => [Math.min(10, heightMm * 0.2), heightMm - 2],
      },
    ],
  },
  spineFold: {
    name: 'Spine',
    says: 'Two creases side by side make room for something thick inside.',
    inputs: [spine('Spine', (w) => w * 0.6)],
  },
  gusset: {
    name: 'Gusset',
    says: 'A pleated spine: opens like a bag, shuts flat.',
    inputs: [spine('Gusset', (w) => w * 0.9)],
  },
  hingedShape: {
    name: 'Hinged shape',
    says: 'A shape on a straight hinge: oval, arch, shell, heart or your own.',
    inputs: [
      {
        id: 'shape',
        label: 'Shape',
        kind: 'choice',
        choices: [
          { id: 'oval', name: 'Circle or oval' },
          { id: 'arch', name: 'Arch' },
          { id: 'scallop', name: 'Scallop' },
          { id: 'heart', name: 'Heart' },
          { id: 'roundedSquare', name: 'Rounded square' },
          { id: 'own', name: 'Your own path' },
        ],
      },
      {
        id: 'path',
        label: 'Your path',
        says: 'SVG path data of one closed outline, such as M0 0 L40 0 L20 30 Z.',
        kind: 'path',
      },
      {
        id: 'hinge',
        label: 'Hinge',
        kind: 'choice',
        choices: [
          { id: 'left', name: 'On the left' },
          { id: 'top', name: 'On top' },
        ],
      },
      {
        id: 'hingeInsetMm',
        label: 'Hinge set in by',
        says: 'Left empty, just enough for a sound hinge.',
        kind: 'length',
        mayBeNull: true,
        limits: ({ widthMm, heightMm }) => [0, Math.min(widthMm, heightMm) * 0.45],
      },
      { id: 'lid', label: 'Lid above a fixed back: two creases', kind: 'yesNo' },
    ],
  },
  easel: {
    name: 'Easel',
    says: 'One face on a leg folded back from its top edge: it stands leaning.',
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
  },
};

/** Every format, in the order a maker meets them. */
export const FORMATS: readonly FormatEntry[] = FORMAT_IDS.map((id) => ({ id, ...ENTRIES[id] }));

export const formatEntry = (id: FormatId): FormatEntry => FORMATS.find((entry) => entry.id === id)!;

export const isOf = (format: FormatId, option: keyof FormatOptions): boolean =>
  ENTRIES[format].inputs.some((input) => input.id === option);
