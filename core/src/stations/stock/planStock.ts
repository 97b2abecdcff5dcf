import { BORDERLESS_SHIFTS_FROM_GSM } from '../../workshop/borderless.ts';
import { isScored } from '../../workshop/readyCut.ts';
import { sheetPriceOf } from '../../workshop/sheetPrice.ts';
import type { Context } from '../../job/context.ts';
import { decide } from '../../job/decide.ts';
import { fixed } from '../../ground/length/rounding.ts';
import { capital, count, figure, money, words } from '../../job/figures.ts';
import { sayExactly } from '../../ground/money.ts';
import { pathOf, printerOf, stockOf } from '../../job/pick.ts';
import { sortedBy } from '../../job/sorted.ts';
import type { FeedPath, Printer, Stock, Workshop } from '../../workshop/types.ts';
import type { Figure, Remedy, Snag, StationPlan } from '../../job/findings.ts';
import type { Job } from '../../job/types.ts';
import { formatSize } from '../../ground/length/formatLength.ts';
import type { SizePlan } from '../size/planSize.ts';
import { pressing, SCORE_FROM_GSM, type Pressing } from './pressure.ts';
import type { StandWord } from './standing.ts';
import type { Recipes } from './recipe.ts';
import type { StandingCard } from './stands/types.ts';
import { sayWeight } from '../../workshop/stockLabel.ts';

/** What is known of a stock before it is laid out. */
export interface StockFacts extends StationPlan {
  readonly stock: Stock;
  readonly printer: Printer;
  readonly path: FeedPath;
  /** The feed path takes it. */
  readonly takes: boolean;
  readonly needsScore: boolean;
  readonly pressing: Pressing;
  /** One sentence each: the printer, the score, the pressing; the standing joins them. */
  readonly verdicts: readonly { readonly id: string; readonly good: boolean; readonly text: string }[];
}

export interface StockPlan extends StockFacts {
  /** On a table; null for what only lies. */
  readonly standing: StandingCard | null;
  readonly stand: StandWord | null;
  /** How the folds are pressed, and how many of them crack; null where nothing is. */
  readonly recipes: Recipes | null;
}

/** The card whose folds the stock is pressed at. */
export interface StockContext extends Context {
  readonly size: SizePlan;
}

/**
 * What the stock is and whether the path takes it, whether it is scored and how it is pressed; all but whether the card
 * stands, which is known only once it lies on its sheet. Weights in gsm, calipers in µm.
 */
// eslint-disable-next-line max-lines-per-function -- a contents page: verdicts, figures, snags
export function planStock({ job, workshop, size }: StockContext): StockFacts {
  const stock = stockOf(job, workshop);
  const printer = printerOf(job, workshop);
  const path = pathOf(job, workshop);
  const folds = size.form.blank.creases.length > 0;
  const scored = isScored(stock.readyCut);
  const needsScore = folds && !scored && stock.gsm >= SCORE_FROM_GSM;
  const pressed = pressing(stock.coating, stock.caliperMicron, job.crease.pressure);
  const refusals = pathRefusals(path, stock, workshop);
  const takes = refusals.length === 0;
  const where = `the ${path.name} of ${printer.name}`;
  const verdicts = [
    {
      id: 'path',
      good: takes,
      text: takes ? `${capital(where)} takes it.` : `${capital(where)} will not take it: ${refusals.join('; ')}.`,
    },
    {
      id: 'score',
      good: true,
      text: !folds
        ? 'Nothing is folded, so nothing is scored.'
        : scored
          ? 'It comes scored: only fold it.'
          : needsScore
            ? `Score before folding: at ${stock.gsm} gsm a bare fold cracks.`
            : `A bone folder alone will do: ${stock.gsm} gsm folds without a score.`,
    },
    {
      id: 'press',
      good: true,
      text:
        folds && !scored
          ? `Press ${pressed.school === 'firm' ? 'firmly' : 'lightly'}, ${pressed.passes} full-length passes, because ${pressed.why}.`
          : 'No pressing to do.',
    },
  ];
  const figures: Figure[] = [
    figure(
      'weight',
      'Weight',
      words(sayWeight(stock.gsm, stock.grade)),
      'grams per m² × area of 500 basis sheets ÷ grams per pound',
      {
        'Grams per m²': count(stock.gsm),
        Grade: words(stock.grade),
      },
    ),
    figure(
      'caliper',
      'Caliper',
      words(`${stock.caliperMicron} µm (${fixed(stock.caliperMicron / 25.4, 1)} pt)`),
      '1 point of caliper is a thousandth of an inch, 25.4 µm',
      {
        Bulk: words(`${fixed(stock.caliperMicron / stock.gsm, 2)} cm³/g`),
      },
    ),
    figure(
      'price',
      'One sheet',
      words(sayExactly(sheetPriceOf(stock), workshop)),
      stock.pack ? 'price of the pack ÷ its sheets' : 'as entered on the shelf',
      {
        ...(stock.pack ? { 'A pack': money(stock.pack.priceMinor), 'Sheets in it': count(stock.pack.sheets) } : {}),
        'On the shelf': count(stock.onShelf, 'sheet'),
      },
    ),
  ];
  if (folds)
    figures.push(
      figure(
        'tip',
        'Scoring tip',
        words(`${fixed(pressed.tipMm[0], 1)}–${fixed(pressed.tipMm[1], 1)} mm`),
        'from 1½ to 2 calipers, up to 3 where fewer folds crack so',
        {
          Caliper: words(`${stock.caliperMicron} µm`),
        },
      ),
    );
  return {
    stock,
    printer,
    path,
    needsScore,
    pressing: pressed,
    takes,
    verdicts,
    verdict: takes
      ? `${stock.name}, ${sayWeight(stock.gsm, stock.grade)}: lies flat.`
      : `${stock.name} will not go through ${where}.`,
    telling: `${stock.gsm} gsm`,
    figures,
    snags: stockSnags(job, workshop, { stock, printer, path, takes, refusals }),
  };
}

/** Why a path will not take a stock, in the order a maker would check. */
export function pathRefusals(path: FeedPath, stock: Stock, { unit }: Workshop): readonly string[] {
  const refusals: string[] = [];
  if (stock.gsm > path.heaviestGsm) refusals.push(`${stock.gsm} gsm is over its ${path.heaviestGsm} gsm`);
  if (stock.caliperMicron > path.thickestMicron)
    refusals.push(`${stock.caliperMicron} µm is over its ${path.thickestMicron} µm`);
  const [narrow, long] = [
    Math.min(stock.sheetWidthMm, stock.sheetHeightMm),
    Math.max(stock.sheetWidthMm, stock.sheetHeightMm),
  ];
  if (narrow > path.widestMm || long > path.longestMm)
    refusals.push(
      `the ${formatSize(narrow, long, unit)} sheet is larger than its ${formatSize(path.widestMm, path.longestMm, unit)}`,
    );
  const [narrowest, shortest] = [path.narrowestMm ?? 0, path.shortestMm ?? 0];
  if (narrow < narrowest || long < shortest)
    refusals.push(
      `the ${formatSize(narrow, long, unit)} sheet is smaller than the ${formatSize(narrowest, shortest, unit)} that it can carry`,
    );
  return refusals;
}

function stockSnags(
  job: Job,
  workshop: Workshop,
  found: {
    readonly stock: Stock;
    readonly printer: Printer;
    readonly path: FeedPath;
    readonly takes: boolean;
    readonly refusals: readonly string[];
  },
): readonly Snag[] {
  const { stock, printer, path, takes, refusals } = found;
  const snags: Snag[] = [];
  if (!takes)
    snags.push({
      id: 'stock-path',
      station: 'stock',
      level: 'stop',
      title: `${printer.name} will not take ${stock.name} this way`,
      why: `Through the ${path.name}: ${refusals.join('; ')}.`,
      remedies: [...otherPaths(workshop, stock, path), ...otherStocks(workshop, path, stock)].slice(0, 4),
    });
  if (path.enlargesBy && stock.gsm >= BORDERLESS_SHIFTS_FROM_GSM)
    snags.push({
      id: 'stock-borderless-heavy',
      station: 'stock',
      level: 'warn',
      title: `${stock.name} may shift without a border`,
      why: `Nothing holds its edges on the ${path.name} of ${printer.name}, and at ${stock.gsm} gsm a sheet slips: backs miss their fronts by more than a driver says. Print a calibration sheet this way first, or leave a border.`,
      remedies: otherPaths(workshop, stock, path).slice(0, 3),
    });
  if (stock.coating === 'pearl' && printer.ink === 'inkjet' && job.make.dryMinutes < 60)
    snags.push({
      id: 'stock-slow-dry',
      station: 'stock',
      level: 'note',
      title: 'Ink dries slowly on pearl',
      why: 'Handled too soon it smears. An hour is usual; the pack or the printer’s instructions may say more.',
      remedies: [{ label: 'Let it dry for an hour', changes: [decide((job) => job.make.dryMinutes, 60)] }],
    });
  return snags;
}

/** Ways that take the stock, other than the one at hand and without its faults: for heavy card, with a border. */
function otherPaths(workshop: Workshop, stock: Stock, now: FeedPath): readonly Remedy[] {
  const holds = ({ enlargesBy = 0 }: FeedPath): boolean => enlargesBy === 0 || stock.gsm < BORDERLESS_SHIFTS_FROM_GSM;
  return workshop.printers.flatMap((printer) =>
    printer.paths
      .filter((path) => path !== now && holds(path) && pathRefusals(path, stock, workshop).length === 0)
      .map((path) => ({
        label: `Feed it through the ${path.name} of ${printer.name}`,
        changes: [decide((job) => job.stock.printerId, printer.id), decide((job) => job.stock.pathId, path.id)],
      })),
  );
}

/** The stock on the shelf nearest in weight that the path does take. */
function otherStocks(workshop: Workshop, path: FeedPath, stock: Stock): readonly Remedy[] {
  // A sheet does not stand in for a blank, nor the other way about.
  const alike = workshop.stocks.filter(
    (s) => s.id !== stock.id && (s.readyCut === undefined) === (stock.readyCut === undefined),
  );
  const takes = alike.filter((s) => pathRefusals(path, s, workshop).length === 0);
  const [nearest] = sortedBy(takes, (s) => Math.abs(s.gsm - stock.gsm), sheetPriceOf);
  return nearest
    ? [{ label: `Print on ${nearest.name} instead`, changes: [decide((job) => job.stock.stockId, nearest.id)] }]
    : [];
}
