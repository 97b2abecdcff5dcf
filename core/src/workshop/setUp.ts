import {
  newAdhesive,
  newBoard,
  newEnvelope,
  newPrinter,
  newRule,
  newStock,
  newTrimmer,
  type PrinterKind,
} from './newThings.ts';
import { papersOf, unitOf, type Papers } from './region.ts';
import { gsmOf } from './stockLabel.ts';
import type { Pace, Printer, Stock, TrimmerKind, Workshop } from './types.ts';

/** What a maker says before anything is on the shelves. */
export interface FirstAnswers {
  /** ISO 3166 alpha-2. */
  readonly region: string;
  /** ISO 4217: what is usual there, or what the maker says instead. */
  readonly currency: string;
  readonly printer: PrinterKind;
  readonly trimmers: readonly TrimmerKind[];
  readonly hasBoard: boolean;
}

/** Minutes of hands that have done it a few times; a maker corrects them by the clock. */
const PACE: Pace = {
  setUp: 10,
  perPrintedSide: 0.5,
  perStroke: 0.5,
  perCreasePass: 0.25,
  perFold: 0.25,
  perEnvelopeMade: 3,
  perCardPacked: 0.5,
};

/** What shops sell as plain white card, the heaviest first; smooth and uncoated. */
const WEIGHTS: Readonly<Record<Papers, readonly Pick<Stock, 'gsm' | 'grade'>[]>> = {
  iso: [250, 200, 160, 120].map((gsm) => ({ gsm, grade: 'cover' })),
  northAmerican: [
    { gsm: gsmOf(80, 'cover'), grade: 'cover' },
    { gsm: gsmOf(65, 'cover'), grade: 'cover' },
    { gsm: gsmOf(67, 'bristol'), grade: 'bristol' },
    { gsm: gsmOf(80, 'text'), grade: 'text' },
  ],
};
/** Of smooth uncoated card, cm³ per gram. */
const BULK = 1.2;

/** The heaviest white card that a printer takes by any of its ways, and the lightest of all where it takes none. */
function firstStock(papers: Papers, { paths }: Pick<Printer, 'paths'>): Stock {
  const cards = WEIGHTS[papers].map((weight) => ({ ...weight, caliperMicron: Math.round(weight.gsm * BULK) }));
  const goes = cards.find(({ gsm, caliperMicron }) =>
    paths.some((path) => gsm <= path.heaviestGsm && caliperMicron <= path.thickestMicron),
  );
  return { id: 'first-card', ...newStock(papers), ...(goes ?? cards.at(-1)!) };
}

/**
 * A workshop of one’s own to begin with: what was said, in the measures of where it is, with one card and one envelope
 * of the kind sold there. All that nobody has said yet is nought and can be corrected: no price, none on the shelf.
 */
export function setUpWorkshop({
  region,
  currency,
  printer,
  trimmers,
  hasBoard,
}: FirstAnswers): Omit<Workshop, 'spoilLog'> {
  const papers = papersOf(region);
  const own: Printer = { id: 'first-printer', ...newPrinter(printer) };
  return {
    studioName: 'My workshop',
    ...{ region, currency, papers, unit: unitOf(region) },
    ...{ hourlyMinor: 0, pace: PACE },
    stocks: [firstStock(papers, own)],
    envelopes: [{ id: 'first-envelope', ...newEnvelope(papers) }],
    printers: [own],
    trimmers: trimmers.map((kind) => ({ id: kind, ...newTrimmer(kind) })),
    boards: [{ id: 'first-board', ...(hasBoard ? newBoard(papers) : newRule(papers)) }],
    tools: [],
    trimmings: [],
    // One for layers and seams, one for what is heavier, one that lifts.
    adhesives: (['wet', 'strongTape', 'foam'] as const).map((kind) => ({ id: kind, ...newAdhesive(kind) })),
  };
}
