import { trimmingPriceOf } from '../../workshop/putOn.ts';
import { sheetPriceOf } from '../../workshop/sheetPrice.ts';
import { LIMITS } from '../../job/limits.ts';
import type { Context } from '../../job/context.ts';
import { decide } from '../../job/decide.ts';
import { wantedOf } from '../../job/namesList.ts';
import { count, figure, length, money, plural, share, words } from '../../job/figures.ts';
import { sayExactly, sayMoney, type WrittenForm } from '../../ground/money.ts';
import { envelopeOnHand } from '../../job/pick.ts';
import type { Figure, FigureValue, Snag, StationPlan } from '../../job/findings.ts';
import type { Job } from '../../job/types.ts';
import type { Minor } from '../../ground/money.ts';
import { fixed } from '../../ground/length/rounding.ts';
import { piecesOf } from '../envelope/piecesOf.ts';
import type { EnvelopePlan } from '../envelope/planEnvelope.ts';
import { sayAmount } from '../make/joins.ts';
import type { MakePlan } from '../make/types.ts';
import { printCostMinor, sidesPrinted, stockCostMinor, type PieceOnSheets, type PieceRole } from '../sheet/pieces.ts';
import type { SheetPlan } from '../sheet/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockPlan } from '../stock/planStock.ts';
import { unpriced } from './unpriced.ts';

export interface CostPart {
  readonly id:
    'sheets' | 'layers' | 'ink' | 'envelope' | 'post' | 'time' | 'extras' | 'trimmings' | 'ribbon' | 'adhesive';
  readonly label: string;
  /** For one good card, not rounded. */
  readonly perCardMinor: number;
  /** Rounded so that the parts add up to the rounded cost. */
  readonly shownMinor: Minor;
}

export interface SellPlan extends StationPlan {
  readonly parts: readonly CostPart[];
  readonly costMinor: number;
  readonly singlePriceMinor: Minor;
  readonly packPriceMinor: Minor;
  readonly margin: number;
  readonly packMargin: number;
}

/** Suggested prices are rounded up to a step that looks like a price. */
const PRICE_STEP_MINOR = 5;

/** What is used up, and the time that it takes. */
export interface SellContext extends Context {
  readonly size: SizePlan;
  readonly stock: StockPlan;
  readonly sheet: SheetPlan;
  readonly envelope: EnvelopePlan;
  readonly make: MakePlan;
}

/**
 * What a good card costs, in fractions of minor units and in whole ones that add up, and what a single and a pack are
 * sold for and leave.
 */
export function planSell(context: SellContext): SellPlan {
  const { job, workshop, sheet } = context;
  const cost = costOf(context);
  const prices = pricesOf(job, cost.costMinor);
  const giving = job.brief.purpose === 'give';
  return {
    parts: cost.parts,
    costMinor: cost.costMinor,
    ...prices,
    ...wordsOf(cost.costMinor, prices, { giving, fits: sheet.up > 0, form: workshop }),
    figures: [...costFigures(context, cost), ...(giving ? [] : priceFigures(job, workshop, cost.costMinor, prices))],
    snags: [...(giving ? [] : priceSnags(job, workshop, cost.costMinor, prices)), ...unpriced(context)],
  };
}

/** What a good card uses up, and what that is worked out from. */
interface Cost {
  readonly parts: readonly CostPart[];
  readonly costMinor: number;
  readonly wanted: number;
  readonly sides: number;
  /** Anything is printed on layers, and what that costs for the whole run. */
  readonly panelsPrinted: boolean;
  readonly layersInkMinor: number;
}

function costOf({ job, workshop, size, sheet, envelope, make }: SellContext): Cost {
  const wanted = wantedOf(job);
  const per = (total: number): number => (wanted === 0 ? 0 : total / wanted);
  const bought = envelopeOnHand(job, workshop)?.shelf;
  const pieces = piecesOf({ sheet, envelope });
  const inRole = (role: PieceRole): readonly PieceOnSheets[] => pieces.filter((piece) => piece.role === role);
  const sum = (of: readonly PieceOnSheets[], worth: (piece: PieceOnSheets) => number): number =>
    of.reduce((n, piece) => n + worth(piece), 0);
  const layers = inRole('layer');
  const envelopeMinor =
    per(sum([...inRole('envelope'), ...inRole('liner')], stockCostMinor)) +
    (envelope.made ? 0 : (bought?.priceMinor ?? 0));
  const timeMinor = (make.workMinutes / 60) * workshop.hourlyMinor;
  const trimmingsMinor = size.trimmings.placed.reduce((sum, { trimming }) => sum + trimmingPriceOf(trimming), 0);
  const { ribbon } = size;
  const ribbonMinor = ribbon ? (ribbon.cutMm / 1000 / ribbon.choice.roll.metres) * ribbon.choice.roll.priceMinor : 0;
  const adhesiveMinor = make.adhesives.reduce((sum, { perCardMinor }) => sum + perCardMinor, 0);
  const extrasMinor = job.sell.extras.reduce((n, e) => n + e.perCardMinor, 0);
  const exact: Omit<CostPart, 'shownMinor'>[] = [
    { id: 'sheets', label: 'Card', perCardMinor: per(sum(inRole('card'), stockCostMinor)) },
    ...(layers.length > 0
      ? [{ id: 'layers' as const, label: 'Layers', perCardMinor: per(sum(layers, stockCostMinor)) }]
      : []),
    { id: 'ink', label: 'Printing', perCardMinor: per(sum(pieces, printCostMinor) + fedMinor(envelope)) },
    { id: 'envelope', label: 'Envelope', perCardMinor: envelopeMinor },
    ...(isPosted({ job, envelope })
      ? [{ id: 'post' as const, label: 'Post', perCardMinor: envelope.posted!.priceMinor }]
      : []),
    ...(trimmingsMinor > 0 ? [{ id: 'trimmings' as const, label: 'Trimmings', perCardMinor: trimmingsMinor }] : []),
    ...(ribbonMinor > 0 ? [{ id: 'ribbon' as const, label: 'Ribbon', perCardMinor: ribbonMinor }] : []),
    ...(adhesiveMinor > 0 ? [{ id: 'adhesive' as const, label: 'Adhesive', perCardMinor: adhesiveMinor }] : []),
    { id: 'extras', label: 'Extras', perCardMinor: extrasMinor },
    { id: 'time', label: 'Your time', perCardMinor: per(timeMinor) },
  ];
  const shown = roundTogether(exact.map((p) => p.perCardMinor));
  return {
    parts: exact.map((p, i) => ({ ...p, shownMinor: shown[i]! })),
    costMinor: exact.reduce((n, p) => n + p.perCardMinor, 0),
    ...{ wanted, sides: sum(inRole('card'), sidesPrinted), layersInkMinor: sum(layers, printCostMinor) },
    panelsPrinted: layers.some(({ print }) => print),
  };
}

/** The maker pays for post, and knows what. */
const isPosted = ({ job, envelope }: Pick<SellContext, 'job' | 'envelope'>): boolean =>
  job.envelope.post?.paid === true && envelope.posted !== null;

/** Ready envelopes are printed one by one, on no sheet. */
const fedMinor = ({ print, fedPages }: EnvelopePlan): number => fedPages * (print?.printer.sidePriceMinor ?? 0);

type Prices = Pick<SellPlan, 'singlePriceMinor' | 'packPriceMinor' | 'margin' | 'packMargin'>;

/** As typed, or as the wanted margin asks; and what they leave. */
function pricesOf({ sell }: Job, costMinor: number): Prices {
  const asked = (cards: number): Minor => roundUp(hundredths(costMinor * cards) / (1 - sell.wantedMargin));
  const singlePriceMinor = sell.singlePriceMinor ?? asked(1);
  const packPriceMinor = sell.packPriceMinor ?? asked(sell.packOf);
  return {
    singlePriceMinor,
    packPriceMinor,
    margin: marginOf(singlePriceMinor, costMinor),
    packMargin: marginOf(packPriceMinor, costMinor * sell.packOf),
  };
}

function wordsOf(
  costMinor: number,
  { singlePriceMinor, margin }: Prices,
  { giving, fits, form }: { readonly giving: boolean; readonly fits: boolean; readonly form: WrittenForm },
): Pick<SellPlan, 'verdict' | 'telling'> {
  const say = (minor: number): string => sayMoney(roundHalfUp(minor), form);
  if (!fits) return { verdict: 'Nothing is priced until a card fits on the sheet.', telling: 'not yet' };
  if (giving)
    return {
      verdict: `Each card costs ${say(costMinor)} to make, your evening counted.`,
      telling: `${say(costMinor)} each`,
    };
  return {
    verdict:
      margin > 0
        ? `A single at ${say(singlePriceMinor)} costs ${say(costMinor)} and leaves ${Math.round(margin * 100)} %, with your time paid.`
        : `At ${say(singlePriceMinor)} a single loses ${say(costMinor - singlePriceMinor)}, your time counted.`,
    telling: `${say(singlePriceMinor)} · ${Math.round(margin * 100)} %`,
  };
}

// eslint-disable-next-line max-lines-per-function -- a contents page: one figure after another
function costFigures({ workshop, size, stock, sheet, envelope, make }: SellContext, cost: Cost): readonly Figure[] {
  const { parts, costMinor, wanted, sides, panelsPrinted, layersInkMinor } = cost;
  const envelopeInk = envelope.pieces.reduce((n, piece) => n + printCostMinor(piece), fedMinor(envelope));
  const besides = [
    ...(panelsPrinted ? ([['Printing of layers', layersInkMinor]] as const) : []),
    ...(envelope.print ? ([['Printing of envelopes', envelopeInk]] as const) : []),
  ];
  const exactly = (minor: number): FigureValue => words(sayExactly(minor, workshop));
  /** A part of the cost, with what it comes to before the parts are rounded together. */
  const partOf = (
    id: CostPart['id'],
    label: string,
    sum: string,
    inputs: Readonly<Record<string, FigureValue>>,
  ): Figure => {
    const { perCardMinor, shownMinor } = parts.find((p) => p.id === id)!;
    const nudge = shownMinor - roundHalfUp(hundredths(perCardMinor));
    const rounded =
      nudge === 0
        ? ', rounded'
        : `, rounded ${nudge > 0 ? 'up' : 'down'} and not to the nearest, so that the parts add up to the cost`;
    return figure(`cost-${id}`, label, money(shownMinor), `${sum}${rounded}`, {
      ...inputs,
      'Before rounding': exactly(perCardMinor),
    });
  };
  return [
    figure(
      'cost',
      'Cost of a good card',
      money(roundHalfUp(costMinor)),
      `${parts.map(({ label }) => label.toLowerCase()).join(' + ')}, for each good card; the parts are rounded so that they add up`,
      {
        ...Object.fromEntries(parts.map((p) => [p.label, money(p.shownMinor)])),
        'Before rounding': exactly(costMinor),
      },
    ),
    partOf('sheets', 'Card', 'sheets × price of a sheet ÷ good cards', {
      Sheets: count(sheet.sheets),
      'A sheet': exactly(sheetPriceOf(stock.stock)),
      'Good cards': count(wanted),
    }),
    partOf(
      'ink',
      'Printing',
      besides.length > 0
        ? `(printed sides × price of a side + ${besides.map(([label]) => label.toLowerCase()).join(' + ')}) ÷ good cards`
        : 'printed sides × price of a side ÷ good cards',
      {
        'Printed sides': count(sides),
        'A side': money(stock.printer.sidePriceMinor),
        ...Object.fromEntries(besides.map(([label, minor]) => [label, exactly(minor)])),
        'Good cards': count(wanted),
      },
    ),
    partOf(
      'envelope',
      'Envelope',
      envelope.made
        ? `envelope sheets × price of a sheet${envelope.liner ? ' + liner sheets × theirs' : ''} ÷ good cards`
        : `price on the shelf${envelope.liner ? ' + liner sheets × price of a sheet ÷ good cards' : ''}`,
      {
        ...(envelope.made ? { Sheets: count(envelope.sheets), 'A sheet': exactly(sheetPriceOf(envelope.stock)) } : {}),
        ...(envelope.liner
          ? {
              'Liner sheets': count(envelope.liner.sheets),
              'A liner sheet': exactly(sheetPriceOf(envelope.liner.stock)),
            }
          : {}),
        ...(envelope.made || envelope.liner ? { 'Good cards': count(wanted) } : {}),
      },
    ),
    ...(envelope.posted && parts.some(({ id }) => id === 'post')
      ? [partOf('post', 'Post', `as ${envelope.posted.band.name}, as worked out at Envelope`, {})]
      : []),
    ...(parts.some(({ id }) => id === 'trimmings')
      ? [
          partOf(
            'trimmings',
            'Trimmings',
            'one of each that is on the card, at its pack’s price ÷ pieces in the pack',
            Object.fromEntries(
              size.trimmings.placed.map(({ trimming, choice }, i) => [
                `${trimming.name}${size.trimmings.placed.slice(0, i).some((one) => one.trimming.name === trimming.name) ? `, ${choice.id}` : ''}`,
                exactly(trimmingPriceOf(trimming)),
              ]),
            ),
          ),
        ]
      : []),
    ...(parts.some(({ id }) => id === 'ribbon')
      ? [
          partOf('ribbon', 'Ribbon', 'one length ÷ what the roll holds × the roll’s price', {
            'One length': length(size.ribbon!.cutMm),
            'The roll holds': words(`${size.ribbon!.choice.roll.metres} m`),
            'The roll costs': money(size.ribbon!.choice.roll.priceMinor),
          }),
        ]
      : []),
    ...(parts.some(({ id }) => id === 'adhesive')
      ? [
          partOf(
            'adhesive',
            'Adhesive',
            'what one card takes × its pack’s price ÷ what the pack holds',
            Object.fromEntries(
              make.adhesives.map(({ adhesive, perCard, perCardMinor }) => [
                `${adhesive.name}, ${sayAmount(adhesive, perCard)}`,
                exactly(perCardMinor),
              ]),
            ),
          ),
        ]
      : []),
    partOf('time', 'Your time', 'minutes at work ÷ 60 × your hourly rate ÷ good cards', {
      'Minutes at work': words(String(Number(fixed(make.workMinutes, 4)))),
      'An hour': money(workshop.hourlyMinor),
      'Good cards': count(wanted),
    }),
    figure(
      'run-cost',
      'The whole run',
      money(roundHalfUp(costMinor * wanted)),
      'cost of a good card, before rounding, × good cards',
      { 'Cost before rounding': words(sayExactly(costMinor, workshop, 6)), 'Good cards': count(wanted) },
    ),
  ];
}

function priceFigures({ sell }: Job, form: WrittenForm, costMinor: number, prices: Prices): readonly Figure[] {
  const { singlePriceMinor, packPriceMinor, margin, packMargin } = prices;
  const exactly = (minor: number): FigureValue => words(sayExactly(minor, form));
  const suggested = `cost before rounding ÷ (1 − wanted margin), rounded up to a whole number of ${sayMoney(PRICE_STEP_MINOR, form)}`;
  const { packOf, wantedMargin } = sell;
  const priced = (id: string, label: string, price: Minor, typed: boolean, cost: number): Figure =>
    figure(id, label, money(price), typed ? 'as typed' : suggested, {
      'Cost before rounding': exactly(cost),
      ...(typed ? {} : { 'Wanted margin': words(`${Number(fixed(wantedMargin * 100, 2))} %`) }),
    });
  const left = (id: string, label: string, value: number, price: Minor, cost: number): Figure =>
    figure(id, label, share(value), '(price − cost before rounding) ÷ price', {
      Price: money(price),
      'Cost before rounding': exactly(cost),
    });
  return [
    priced('single', 'A single', singlePriceMinor, sell.singlePriceMinor !== null, costMinor),
    left('margin', 'Margin on a single', margin, singlePriceMinor, costMinor),
    priced('pack', `A pack of ${packOf}`, packPriceMinor, sell.packPriceMinor !== null, costMinor * packOf),
    left('pack-margin', 'Margin on a pack', packMargin, packPriceMinor, costMinor * packOf),
  ];
}

/**
 * Whole minor units that add up to the rounded total: all are rounded down, then those that lost most get
 * one back. Source: the largest remainder method (Hamilton).
 */
export function roundTogether(amounts: readonly number[]): readonly Minor[] {
  const down = amounts.map(Math.floor);
  const short = roundHalfUp(amounts.reduce((a, b) => a + b, 0)) - down.reduce((a, b) => a + b, 0);
  const byLoss = amounts.map((_, i) => i).sort((a, b) => amounts[b]! - down[b]! - (amounts[a]! - down[a]!));
  const raised = new Set(byLoss.slice(0, short));
  return down.map((minor, i) => minor + (raised.has(i) ? 1 : 0));
}

/** Halves up, in millionths, so that a sum of binary fractions does not decide. */
const roundHalfUp = (minor: number): Minor => Number(fixed(minor, 0));
/** As a working shows it, so that what it shows gives the price. */
const hundredths = (minor: number): number => Number(fixed(minor, 2));
const roundUp = (minor: number): Minor => Math.ceil(minor / PRICE_STEP_MINOR - 1e-9) * PRICE_STEP_MINOR;
const marginOf = (price: number, cost: number): number => (price > 0 ? (price - cost) / price : -1);

function priceSnags(
  job: Job,
  form: WrittenForm,
  cost: number,
  { singlePriceMinor: single, packPriceMinor: pack }: Prices,
): readonly Snag[] {
  const snags: Snag[] = [];
  const { packOf } = job.sell;
  const below = (
    id: string,
    what: string,
    price: Minor,
    costs: number,
    field: 'singlePriceMinor' | 'packPriceMinor',
  ): void => {
    // Under half a minor unit is nothing that anybody could pay.
    if (price >= costs - 0.5) return;
    snags.push({
      id,
      station: 'sell',
      level: 'warn',
      title: `${what} sells for less than it costs`,
      why: `It costs ${sayMoney(roundHalfUp(costs), form)} with your time and is priced ${sayMoney(price, form)}.`,
      remedies: [{ label: 'Use the suggested price', changes: [decide((job) => job.sell[field], null)] }],
    });
  };
  below('sell-single-loss', 'A single', single, cost, 'singlePriceMinor');
  below('sell-pack-loss', `A pack of ${packOf}`, pack, cost * packOf, 'packPriceMinor');
  // Spares are there to be spoiled; what is sold is what was wanted.
  const wanted = wantedOf(job);
  const left = wanted % packOf;
  if (left > 0 && packOf > 1) {
    const even = evenPack(wanted, packOf);
    const more = wanted - left + packOf;
    const listed = wanted !== job.brief.wanted;
    snags.push({
      id: 'sell-pack-waste',
      station: 'sell',
      level: 'note',
      title: `Packs of ${packOf} leave ${left} of ${wanted} over`,
      why: `${wanted} good cards fill ${Math.floor(wanted / packOf)} ${plural(Math.floor(wanted / packOf), 'pack')}; the rest are sold singly, or wait for the next run.`,
      remedies: [
        ...(even ? [{ label: `Sell packs of ${even}`, changes: [decide((job) => job.sell.packOf, even)] }] : []),
        ...(listed ? [] : [{ label: `Make ${more} cards`, changes: [decide((job) => job.brief.wanted, more)] }]),
      ],
    });
  }
  return snags;
}

/** The pack nearest in size, no more than half as large again or half as small, that a run fills without a rest. */
function evenPack(wanted: number, packOf: number): number | null {
  const sizes = Array.from({ length: Math.min(wanted, LIMITS.sell.packOf.most) - 1 }, (_, i) => i + 2).filter(
    (n) => wanted % n === 0 && Math.abs(n - packOf) <= packOf / 2,
  );
  return sizes.sort((a, b) => Math.abs(a - packOf) - Math.abs(b - packOf))[0] ?? null;
}
