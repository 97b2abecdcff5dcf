import { sheetPriceOf } from '../workshop/sheetPrice.ts';
import { sortedBy } from './sorted.ts';
import type { FaceArt, Job } from './types.ts';
import type { Workshop } from '../workshop/types.ts';

/** Starting values a maker may change; each stands here and nowhere else. */
export const DEFAULTS = {
  bleedMm: 3,
  safeMm: 3,
  easeMm: 4,
  seamMm: 18,
  throatMm: 10,
  linerInsetMm: 3,
  /** Room for a stamp on top, and for what sorting machines print at the foot. */
  clearMm: { top: 40, right: 15, bottom: 18, left: 15 },
  dryMinutes: 10,
  wantedMargin: 0.5,
  lineSpacing: 1.25,
  textSizePt: 18,
  textColour: '#1d2930',
  /** A picture that just fills its place, its middle in the middle. */
  placement: { zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false },
} as const;

/** What a size begins with beside its measures; jobs kept by older versions lack it. */
export const NO_OPTIONS: Pick<Job['size'], 'options' | 'layers'> = { options: {}, layers: [] };

export const EMPTY_FACE: FaceArt = { background: null, picture: null, texts: [] };

/** First of a list the workshop must have. @throws RangeError when it is empty */
const first = <T>(things: readonly T[], what: string): T => {
  const [thing] = things;
  if (thing === undefined) throw new RangeError(`newJob: the workshop must have at least one ${what}`);
  return thing;
};

/** A job with every decision at its starting value, from what the workshop has. */
export function newJob(title: string, workshop: Workshop): Job {
  const printer = first(workshop.printers, 'printer');
  // What is cut from sheets comes first: a ready-cut blank is a card of its own size.
  const sheets = workshop.stocks.filter(({ readyCut }) => !readyCut);
  const stock = first(sheets.length > 0 ? sheets : workshop.stocks, 'stock');
  // A light stock of the shelf folds into an envelope better than the card itself.
  const lightest = sortedBy(sheets.length > 0 ? sheets : workshop.stocks, (s) => s.gsm, sheetPriceOf)[0]!;
  return {
    format: 'zippy-crease-job',
    version: 1,
    brief: { title, purpose: 'give', wanted: 12, dueDate: null, envelope: { kind: 'none' }, notes: '' },
    size: {
      format: 'sideFold',
      ...NO_OPTIONS,
      finishedWidthMm: 105,
      finishedHeightMm: 148,
      bleedMm: DEFAULTS.bleedMm,
      safeMm: DEFAULTS.safeMm,
    },
    pictures: {},
    art: { faces: {} },
    stock: { stockId: stock.id, printerId: printer.id, pathId: first(printer.paths, 'feed path').id },
    sheet: { cutDown: null, grain: 'prefer', flipEdge: 'long', spares: null, marks: true },
    cut: { trimmerId: first(workshop.trimmers, 'trimmer').id },
    crease: { boardId: first(workshop.boards, 'board').id, pressure: 'byCoating', bead: 'inside' },
    envelope: { make: false, stockId: lightest.id, easeMm: DEFAULTS.easeMm, seamMm: DEFAULTS.seamMm, flapMm: null },
    make: { dryMinutes: DEFAULTS.dryMinutes },
    sell: {
      extras: [],
      singlePriceMinor: null,
      packOf: 6,
      packPriceMinor: null,
      wantedMargin: DEFAULTS.wantedMargin,
    },
  };
}
