import { MM_PER_INCH, type Mm } from '../ground/length/types.ts';
import { american, ISO_C6, isoA } from './namedSizes.ts';
import type { Papers } from './region.ts';
import { gsmOf, MICRON_PER_POINT } from './stockLabel.ts';
import type {
  Adhesive,
  AdhesiveKind,
  Board,
  FeedPath,
  MachineFacts,
  Printer,
  ShelfEnvelope,
  Stock,
  Tool,
  ToolKind,
  Trimmer,
  TrimmerKind,
  Trimming,
  TrimmingKind,
} from './types.ts';

/*
 * What a thing begins with before its owner has looked: our starting values, each to be corrected at its own fields.
 * Every one keeps to the cautious side of what such things can do.
 */

type Begun<Thing> = Thing extends unknown ? Omit<Thing, 'id'> : never;

const inches = (n: number): Mm => n * MM_PER_INCH;
const MARGIN_MM = 5;
const evenly = (mm: Mm): FeedPath['marginsMm'] => ({ top: mm, right: mm, bottom: mm, left: mm });

/** Upright, as a sheet is fed. */
const sheetOf = (papers: Papers): Pick<Stock, 'sheetWidthMm' | 'sheetHeightMm'> => {
  const { widthMm, heightMm } = papers === 'iso' ? isoA(4) : american('letter', 8.5, 11);
  return { sheetWidthMm: widthMm, sheetHeightMm: heightMm };
};

/** White card of the size that a region buys, of a weight and thickness that are sold together there. */
export const newStock = (papers: Papers): Begun<Stock> => ({
  ...(papers === 'iso'
    ? { name: 'White card, A4', gsm: 250, caliperMicron: 300 }
    : { name: 'White card, letter', gsm: gsmOf(80, 'cover'), caliperMicron: 11 * MICRON_PER_POINT }),
  ...{ grade: 'cover', coating: 'uncoated', grain: 'long', colour: '#ffffff', colourName: 'white' },
  ...sheetOf(papers),
  ...{ sheetPriceMinor: 0, onShelf: 0 },
});

/** Envelopes that lie as they are written on. */
const lying = ({ insideWidthMm, insideHeightMm }: typeof ISO_C6): Pick<ShelfEnvelope, keyof typeof ISO_C6> => ({
  insideWidthMm: insideHeightMm,
  insideHeightMm: insideWidthMm,
});

/** A pack of scored cards of the size that a region's announcements have, opened to twice their width, with envelopes. */
export function newBlanks(papers: Papers): Begun<Stock> {
  const card = papers === 'iso' ? isoA(6) : american('A7', 5, 7);
  return {
    ...newStock(papers),
    name: `Ready-cut cards, ${card.name}${papers === 'iso' ? '' : ` (${card.system})`}`,
    ...{ sheetWidthMm: 2 * card.widthMm, sheetHeightMm: card.heightMm, grain: 'short' },
    pack: { sheets: 50, priceMinor: 0 },
    readyCut: {
      ...{ fold: 'side', state: 'scored' },
      envelope: papers === 'iso' ? lying(ISO_C6) : { insideWidthMm: inches(7.25), insideHeightMm: inches(5.25) },
    },
  };
}

/** C6, or what a 4¼ × 5½ in card is put in: 4⅜ × 5¾ in. Source: ISO 269; North American announcement sizes. */
export const newEnvelope = (papers: Papers): Begun<ShelfEnvelope> => ({
  ...(papers === 'iso'
    ? { name: 'C6 envelope (ISO)', ...lying(ISO_C6) }
    : { name: 'A2 envelope (North American)', insideWidthMm: inches(5.75), insideHeightMm: inches(4.375) }),
  ...{ colour: '#fffdf8', priceMinor: 0, onShelf: 0 },
});

/** Home printers take letter and A4 both, and legal for length. */
const largest = { widestMm: inches(8.5), longestMm: inches(14) };

/** A way of feeding the printer; straight ones carry heavier card. */
export const newPath = (bends = false): Begun<FeedPath> => ({
  name: bends ? 'cassette' : 'rear feed',
  ...(bends ? { heaviestGsm: 160, thickestMicron: 220 } : { heaviestGsm: 300, thickestMicron: 400 }),
  ...largest,
  bends,
  marginsMm: evenly(MARGIN_MM),
  printsBothSides: false,
});

export const PRINTER_KINDS = ['inkjetRear', 'inkjetCassette', 'laser'] as const;
/** Home printers by how card goes through them. */
export type PrinterKind = (typeof PRINTER_KINDS)[number];

export function newPrinter(kind: PrinterKind): Begun<Printer> {
  const straight = { id: 'rear', ...newPath() };
  const cassette = { id: 'cassette', ...newPath(true) };
  switch (kind) {
    case 'inkjetRear':
      return { name: 'inkjet with a rear feed', ink: 'inkjet', sidePriceMinor: 0, paths: [straight, cassette] };
    case 'inkjetCassette':
      return { name: 'inkjet with a cassette', ink: 'inkjet', sidePriceMinor: 0, paths: [cassette] };
    case 'laser':
      return {
        name: 'laser printer',
        ink: 'laser',
        sidePriceMinor: 0,
        paths: [
          { ...straight, id: 'bypass', name: 'bypass tray', heaviestGsm: 200, thickestMicron: 270 },
          { ...cassette, heaviestGsm: 120, thickestMicron: 160 },
        ],
      };
  }
}

/** Of a cutting machine that takes a 12 in mat. */
export const NEW_MACHINE: MachineFacts = {
  marginMm: 10,
  widestMm: inches(12),
  speedMmPerS: 50,
  passes: [
    { upToGsm: 160, passes: 1 },
    { upToGsm: 250, passes: 2 },
    { upToGsm: 400, passes: 3 },
  ],
};

const TRIMMERS: Readonly<Record<TrimmerKind, Omit<Begun<Trimmer>, 'kind'>>> = {
  sliding: { name: 'sliding trimmer', longestCutMm: 310, thickestStackMm: 0.6 },
  lever: { name: 'lever guillotine', longestCutMm: 320, thickestStackMm: 2 },
  knife: { name: 'knife and steel rule', longestCutMm: 450, thickestStackMm: 0.4 },
  scissors: { name: 'scissors and a pencil line', longestCutMm: 300, thickestStackMm: 0.4 },
  machine: { name: 'cutting machine', longestCutMm: 600, thickestStackMm: 0.5, machine: NEW_MACHINE },
};
export const newTrimmer = (kind: TrimmerKind): Begun<Trimmer> => ({ kind, ...TRIMMERS[kind] });

/** A groove every eighth of an inch on a foot of board, or every five millimetres on thirty centimetres. */
export const newBoard = (papers: Papers): Begun<Board> =>
  papers === 'iso'
    ? { name: 'scoring board', grooveEveryMm: 5, longestMm: 300 }
    : { name: 'scoring board', grooveEveryMm: inches(1 / 8), longestMm: inches(12) };

/** Where there is no board: a rule laid on the card, on a mat, read to the millimetre or to the 32nd of an inch. */
export const newRule = (papers: Papers): Begun<Board> => ({
  name: 'mat and rule',
  grooveEveryMm: papers === 'iso' ? 1 : inches(1 / 32),
  longestMm: 450,
});

/** A pouch laminator takes a short edge of letter or A4; a table press less; a hand punch a paper’s hole. */
export function newTool(kind: ToolKind): Begun<Tool> {
  switch (kind) {
    case 'laminator':
      return { kind, name: 'laminator', widestMm: 230, thickestMm: 0.6 };
    case 'press':
      return { kind, name: 'heat press', widestMm: 150, thickestMm: 5 };
    case 'punch':
      return { kind, name: 'hand punch', holesMm: [6], reachMm: 25, thickestMm: 1 };
  }
}

const TRIMMINGS: Readonly<
  Record<TrimmingKind, Pick<Trimming, 'name' | 'widthMm' | 'heightMm' | 'thickMm' | 'grams' | 'colour'>>
> = {
  bow: { name: 'ribbon bow', widthMm: 40, heightMm: 25, thickMm: 6, grams: 0.8, colour: '#7b2869' },
  button: { name: 'button', widthMm: 12, heightMm: 12, thickMm: 2.5, grams: 0.4, colour: '#e9e1cf' },
  gem: { name: 'gem', widthMm: 5, heightMm: 5, thickMm: 1.8, grams: 0.05, colour: '#9fc7cb' },
  brad: { name: 'brad', widthMm: 8, heightMm: 8, thickMm: 1.6, grams: 0.3, colour: '#b08d3e' },
  photograph: { name: 'photograph', widthMm: 60, heightMm: 45, thickMm: 0.25, grams: 0.6, colour: '#8d989d' },
  charm: { name: 'charm', widthMm: 15, heightMm: 20, thickMm: 2.2, grams: 1.5, colour: '#a5a7aa' },
  cutOut: { name: 'cut-out', widthMm: 40, heightMm: 40, thickMm: 0.3, grams: 0.4, colour: '#d9e6e3' },
  magnet: { name: 'disc magnet', widthMm: 10, heightMm: 10, thickMm: 1, grams: 0.6, colour: '#8f969b' },
  sticker: { name: 'clasp sticker', widthMm: 30, heightMm: 30, thickMm: 0.1, grams: 0.1, colour: '#d9b44a' },
  other: { name: 'trimming', widthMm: 20, heightMm: 20, thickMm: 1, grams: 0.5, colour: '#c9b38a' },
};

export const newTrimming = (kind: TrimmingKind): Begun<Trimming> => ({
  kind,
  ...TRIMMINGS[kind],
  pack: { pieces: 1, priceMinor: 0 },
  onShelf: 0,
});

const ADHESIVES: Readonly<Record<AdhesiveKind, Omit<Begun<Adhesive>, 'kind' | 'pack'> & { readonly holds: number }>> = {
  wet: {
    ...{ name: 'clear-drying wet glue', widthMm: 3, thickMm: 0, bearsGramsPerCm2: 400 },
    ...{ openMinutes: 2, dryMinutes: 20, offEdgeMm: 3, holds: 100 },
  },
  strongTape: {
    ...{ name: 'strong double-sided tape, 6 mm', widthMm: 6, thickMm: 0.15, bearsGramsPerCm2: 150 },
    ...{ openMinutes: 0, dryMinutes: 0, offEdgeMm: 3, holds: 50 },
  },
  tape: {
    ...{ name: 'double-sided tape, 12 mm', widthMm: 12, thickMm: 0.09, bearsGramsPerCm2: 40 },
    ...{ openMinutes: 0, dryMinutes: 0, offEdgeMm: 3, holds: 33 },
  },
  foam: {
    ...{ name: 'foam pads, 5 mm square', widthMm: 5, thickMm: 2, bearsGramsPerCm2: 60 },
    ...{ openMinutes: 0, dryMinutes: 0, offEdgeMm: 3, holds: 400 },
  },
  dots: {
    ...{ name: 'glue dots, 8 mm', widthMm: 8, thickMm: 0.3, bearsGramsPerCm2: 50 },
    ...{ openMinutes: 0, dryMinutes: 0, offEdgeMm: 1, holds: 200 },
  },
  spray: {
    ...{ name: 'spray glue', widthMm: 20, thickMm: 0, bearsGramsPerCm2: 15 },
    ...{ openMinutes: 1, dryMinutes: 10, offEdgeMm: 0, holds: 400 },
  },
  hot: {
    ...{ name: 'hot glue', widthMm: 5, thickMm: 0.8, bearsGramsPerCm2: 250 },
    ...{ openMinutes: 0.5, dryMinutes: 5, offEdgeMm: 3, holds: 250 },
  },
};

/** What its packet is likely to say, on the cautious side. */
export function newAdhesive(kind: AdhesiveKind): Begun<Adhesive> {
  const { holds, ...facts } = ADHESIVES[kind];
  return { kind, ...facts, pack: { holds, priceMinor: 0 } };
}
