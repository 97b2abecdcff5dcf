import { changeJob } from '../../job/changeJob.ts';
import { count, figure, length, ratio, words } from '../../job/figures.ts';
import { stockOf } from '../../job/pick.ts';
import { sortedBy } from '../../job/sorted.ts';
import type { Figure, Remedy, Snag } from '../../job/findings.ts';
import { decide, type JobChange } from '../../job/decide.ts';
import type { Job } from '../../job/types.ts';
import type { FeedPath, Stock, Workshop } from '../../workshop/types.ts';
import { formatSize } from '../../ground/length/formatLength.ts';
import { fixed } from '../../ground/length/rounding.ts';
import type { SheetPlan } from '../../stations/sheet/types.ts';
import { fibresUpright, mayLieForGrain } from '../../stations/sheet/layout/question.ts';
import { tryOut } from '../../stations/sheet/layout/tryOut.ts';
import type { SheetContext } from '../../stations/sheet/planSheet.ts';
import type { SizePlan } from '../../stations/size/planSize.ts';
import { NO_TRIMMINGS } from '../../stations/size/trimmings.ts';
import { pathRefusals, type StockPlan } from '../../stations/stock/planStock.ts';
import { STANDS, standWord, type StandWord } from '../../stations/stock/standing.ts';
import { WAVY } from '../../stations/stock/stands/plateStands.ts';
import { standingCard } from '../../stations/stock/stands/standingCard.ts';
import type { StandingCard, StandingPanel } from '../../stations/stock/stands/types.ts';
import { bendingLengthMm, type StiffnessFrom } from '../../workshop/measuring/measuredStock.ts';
import { sayWeight } from '../../workshop/stockLabel.ts';

interface Standing {
  /** Null for what only lies. */
  readonly card: StandingCard | null;
  readonly word: StandWord | null;
  /** Fibres run up and down in every card of the sheet as it stands. */
  readonly upright: boolean;
}

/** Whose stiffness it goes by. */
const FROM: Readonly<Record<StiffnessFrom, string>> = {
  measured: 'measured on this stock',
  otherWay: 'measured on this stock the other way',
  starting: 'of card at large: measure yours on its own page in Workshop',
};

/**
 * How cards stand as they really lie on the sheet: a panel’s fibres run up or across by the way its blank was laid, and
 * where some lie one way and some the other the weaker counts.
 */
function standingOf(job: Job, size: SizePlan, stock: Stock, cells: readonly { readonly turned: boolean }[]): Standing {
  const { asDrawn, turned } = mayLieForGrain(size, stock);
  const asAsked = job.sheet.grain === 'respect' ? [!asDrawn && turned] : [false, true];
  const ways = cells.length > 0 ? cells.map(({ turned: way }) => way) : asAsked;
  const ups = [...new Set(ways.map((way) => fibresUpright(stock, way)))];
  const found = ups.map((up) => ({ up, card: standingCard(size, stock, up) }));
  const [{ up, card }] = found.sort((a, b) => (a.card?.score ?? 0) - (b.card?.score ?? 0)) as [(typeof found)[0]];
  return { card, word: card?.score == null ? null : standWord(card.score), upright: up };
}

/** What leans less than this before it falls goes over at a touch. Our starting value. */
const TIPS_UNDER_DEG = 6;

/** The stock’s plan with whether the card stands, which is known only once it lies on its sheet. */
export function withStanding(context: SheetContext & { readonly sheet: SheetPlan }): Omit<StockPlan, 'recipes'> {
  const { job, size, stock: facts, sheet } = context;
  const { stock } = facts;
  const stands = standingOf(job, size, stock, sheet.cells);
  const { word: stand, card } = stands;
  const tips = stand !== null && card !== null && card.falls.deg < TIPS_UNDER_DEG;
  const says =
    stand === 'flops' ? 'it flops' : tips ? 'it falls over' : stand === 'sturdy' ? 'it stands sturdily' : 'it stands';
  return {
    ...facts,
    ...{ standing: card, stand },
    verdicts: facts.verdicts.toSpliced(2, 0, sayStand(size, stand, tips)),
    figures: facts.figures.toSpliced(3, 0, ...(card ? standFigures(context, stands, card) : [])),
    verdict:
      stand && facts.takes
        ? `${stock.name}, ${sayWeight(stock.gsm, stock.grade)}: ${facts.needsScore ? 'score it, ' : ''}${says}.`
        : facts.verdict,
    snags: [
      ...facts.snags,
      ...(stand === 'flops' ? [flops(context, card!)] : []),
      ...(tips && stand !== 'flops' ? [tipsOver(context, card)] : []),
    ],
  };
}

function sayStand(size: SizePlan, stand: StandWord | null, tips: boolean): StockPlan['verdicts'][number] {
  const text =
    stand === null
      ? size.form.blank.creases.length === 0
        ? 'It lies flat, so it need not stand.'
        : 'It is made to lie, so it need not stand.'
      : stand === 'flops'
        ? 'It will flop: a panel is too large for this card to hold itself up.'
        : tips
          ? 'Its panels hold, but it falls over at a touch.'
          : stand === 'sturdy'
            ? 'It stands sturdily.'
            : 'It stands, but not through a draught.';
  return { id: 'stand', good: stand !== 'flops' && !tips, text };
}

function standFigures(
  { job, size, workshop, stock: { stock, path }, sheet }: SheetContext & { readonly sheet: SheetPlan },
  { upright }: Standing,
  { score, weakest, bowed, falls, panels }: StandingCard,
): readonly Figure[] {
  if (!weakest || !bowed || score === null) return [];
  const stiff = (['along', 'across'] as const).map((fibres) => bendingLengthMm(stock, fibres));
  const next = heavierThan(stock, workshop, path)[0];
  const then = next && standingOf(job, size, next, sheet.cells).card;
  return [
    figure(
      'stand',
      'Standing score',
      ratio(score),
      `how many times as large every way the weakest panel could be before it buckles under its own weight and what is on it; under ${STANDS.flopsUnder} flops, over ${STANDS.sturdyOver} is sturdy`,
      {
        'Weakest panel': words(weakest.name),
        'As a plate': words(formatSize(weakest.plate.widthMm, weakest.plate.heightMm, workshop.unit)),
        'Held by': words(sayHeld(weakest.plate)),
        'Could carry, times itself': ratio(weakest.margin),
        Grain: words(upright ? 'upright' : 'level'),
        'Bending length along and across': words(stiff.map(({ mm }) => `${fixed(mm, 0)} mm`).join(', ')),
        Stiffness: words(FROM[stiff[upright ? 0 : 1]!.from]),
      },
    ),
    figure(
      'bow',
      'Bows by',
      length(bowed.bowMm),
      `how far the panel that bows the most is from flat: its leaning weight, and a waviness of ${fixed(100 * WAVY, 1)} % of its height that the load makes larger`,
      { Panel: words(bowed.name), Leans: words(`${fixed(Math.abs(bowed.plate.leanDeg), 0)}°`) },
    ),
    figure(
      'tilt',
      'Falls when tilted',
      words(falls.deg > 0 ? `${fixed(falls.deg, 0)}°` : 'it does not stand'),
      'the angle at which its middle of weight is over the edge of its feet, the least of all ways',
      { 'Panels that stand': count(panels.length) },
    ),
    ...(then
      ? [
          figure(
            'stand-heavier',
            'In the next heavier',
            words(`${next.gsm} gsm: ${fixed(then.score ?? 0, 1)} instead of ${fixed(score, 1)}`),
            'the same sums for the next heavier stock on the shelf that this path takes',
            { Stock: words(next.name), 'Bows by': length(then.bowed?.bowMm ?? 0) },
          ),
        ]
      : []),
  ];
}

/** What keeps a panel in its plane, in words. */
function sayHeld({ held: { foot, left, right, atMm } }: StandingPanel['plate']): string {
  const folds = Number(left) + Number(right) + Number(atMm !== null);
  return [...(foot ? ['the table'] : []), ...(folds > 0 ? [folds === 1 ? 'one fold' : `${folds} folds`] : [])].join(
    ' and ',
  );
}

/** The stocks of the shelf that are heavier and that the path takes, the lightest first. */
const heavierThan = (stock: Stock, workshop: Workshop, path: FeedPath): readonly Stock[] =>
  sortedBy(
    workshop.stocks.filter((other) => other.gsm > stock.gsm && pathRefusals(path, other, workshop).length === 0),
    (other) => other.gsm,
    (other) => other.caliperMicron,
  );

function flops({ job, workshop, size, art, stock: { stock, path } }: SheetContext, { weakest }: StandingCard): Snag {
  /** A remedy only where the card then stands, and still comes out of its sheet. */
  const tried = (label: string, changes: readonly JobChange[]): readonly Remedy[] => {
    const on = tryOut(job, workshop, art.ink, changes);
    const then = changeJob(job, changes);
    const stands = on.comesOut > 0 && standingOf(then, size, stockOf(then, workshop), on.laid.pieces).word !== 'flops';
    return stands ? [{ label: `${label}: ${on.comesOut} up`, changes }] : [];
  };
  const other = job.sheet.grain === 'respect' ? 'ignore' : 'respect';
  return {
    id: 'stock-flops',
    station: 'stock',
    level: 'warn',
    title: 'The card will not stand',
    why: `${weakest!.name}, ${formatSize(weakest!.plate.widthMm, weakest!.plate.heightMm, workshop.unit)}, bends under what it carries in ${stock.name}.`,
    remedies: [
      ...heavierThan(stock, workshop, path)
        .flatMap((one) => tried(`Use ${one.name}`, [decide((job) => job.stock.stockId, one.id)]))
        .slice(0, 2),
      ...tried(other === 'ignore' ? 'Let the grain run across the fold' : 'Keep the grain along the fold', [
        decide((job) => job.sheet.grain, other),
      ]),
    ],
  };
}

/** What is fixed high up or in front is the usual reason; taking it off is a remedy only where the card then stands. */
function tipsOver(
  { job, size, stock: { stock }, sheet }: SheetContext & { readonly sheet: SheetPlan },
  { falls }: StandingCard,
): Snag {
  const bare = standingOf(job, { ...size, trimmings: NO_TRIMMINGS }, stock, sheet.cells).card;
  const helps = size.trimmings.placed.length > 0 && bare !== null && bare.falls.deg >= TIPS_UNDER_DEG;
  return {
    id: 'stock-tips',
    station: 'stock',
    level: 'note',
    title: falls.deg > 0 ? 'The card falls over at a touch' : 'The card falls over',
    why: `${falls.deg > 0 ? `Tilted ${fixed(falls.deg, 1)}° its middle of weight is past its feet` : 'Its middle of weight is past its feet'}${helps ? `: without what is fixed on it, ${fixed(bare.falls.deg, 0)}°. Move that lower or farther back` : ''}.`,
    remedies: helps ? [{ label: 'Take the trimmings off', changes: [decide((job) => job.trimmings, [])] }] : [],
  };
}
