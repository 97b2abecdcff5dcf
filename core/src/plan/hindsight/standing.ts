import { changeJob } from '../../job/changeJob.ts';
import { figure, length, ratio, words } from '../../job/figures.ts';
import { stockOf } from '../../job/pick.ts';
import { sortedBy } from '../../job/sorted.ts';
import type { Figure, Remedy, Snag } from '../../job/findings.ts';
import { decide, type JobChange } from '../../job/decide.ts';
import type { Job } from '../../job/types.ts';
import type { Stock } from '../../workshop/types.ts';
import type { SheetPlan } from '../../stations/sheet/types.ts';
import { fibresUpright, mayLieForGrain } from '../../stations/sheet/layout/question.ts';
import { tryOut } from '../../stations/sheet/layout/tryOut.ts';
import type { OpenCard } from '../../stations/size/openCard.ts';
import type { SheetContext } from '../../stations/sheet/planSheet.ts';
import { pathRefusals, type StockPlan } from '../../stations/stock/planStock.ts';
import { selfBucklingHeightMm, standWord, type StandWord } from '../../stations/stock/standing.ts';
import type { StiffnessFrom } from '../../workshop/measuring/measuredStock.ts';
import { sayWeight } from '../../workshop/stockLabel.ts';

interface Standing {
  readonly bucklesMm: number;
  readonly from: StiffnessFrom;
  readonly score: number;
  readonly word: StandWord;
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
function standingOf(job: Job, card: OpenCard, stock: Stock, cells: readonly { readonly turned: boolean }[]): Standing {
  const { asDrawn, turned } = mayLieForGrain(card, stock);
  const asAsked = job.sheet.grain === 'respect' ? [!asDrawn && turned] : [false, true];
  const ways = cells.length > 0 ? cells.map(({ turned: way }) => way) : asAsked;
  const upright = ways.every((way) => fibresUpright(stock, way));
  const { mm: bucklesMm, from } = selfBucklingHeightMm(stock, upright ? 'along' : 'across');
  const score = bucklesMm / job.size.finishedHeightMm;
  return { bucklesMm, from, score, word: standWord(score), upright };
}

/** The stock’s plan with whether the card stands, which is known only once it lies on its sheet. */
export function withStanding(context: SheetContext & { readonly sheet: SheetPlan }): StockPlan {
  const { job, size, stock: facts, sheet } = context;
  const { stock } = facts;
  const stands = standingOf(job, size, stock, sheet.cells);
  const { word: stand, score: standScore } = stands;
  const folds = size.form.blank.creases.length > 0;
  const verdict = {
    id: 'stand',
    good: stand !== 'flops' || !folds,
    text: !folds
      ? 'It lies flat, so it need not stand.'
      : stand === 'flops'
        ? 'It will flop: the panel is too tall for this card to hold itself up.'
        : stand === 'sturdy'
          ? 'It stands sturdily.'
          : 'It stands, but not through a draught.',
  };
  const standing: readonly Figure[] = folds
    ? [
        figure(
          'stand',
          'Standing score',
          ratio(standScore),
          'height at which it buckles under its own weight ÷ panel height; under 1.3 flops, over 2 is sturdy',
          {
            'Buckles at': length(stands.bucklesMm),
            'Panel height': length(size.finishedHeightMm),
            Grain: words(stands.upright ? 'upright' : 'level'),
            Stiffness: words(FROM[stands.from]),
          },
        ),
      ]
    : [];
  const says = stand === 'flops' ? 'it flops' : stand === 'sturdy' ? 'it stands sturdily' : 'it stands';
  return {
    ...facts,
    standScore,
    stand,
    verdicts: facts.verdicts.toSpliced(2, 0, verdict),
    figures: facts.figures.toSpliced(3, 0, ...standing),
    verdict:
      folds && facts.takes
        ? `${stock.name}, ${sayWeight(stock.gsm, stock.grade)}: ${facts.needsScore ? 'score it, ' : ''}${says}.`
        : facts.verdict,
    snags: folds && stand === 'flops' ? [...facts.snags, flops(context)] : facts.snags,
  };
}

function flops({ job, workshop, size, art, stock: { stock, path } }: SheetContext): Snag {
  const heavier = sortedBy(
    workshop.stocks.filter((other) => other.gsm > stock.gsm && pathRefusals(path, other, workshop).length === 0),
    (other) => other.gsm,
    (other) => other.caliperMicron,
  );
  /** A remedy only where the card then stands, and still comes out of its sheet. */
  const tried = (label: string, changes: readonly JobChange[]): readonly Remedy[] => {
    const on = tryOut(job, workshop, art.ink, changes);
    const then = changeJob(job, changes);
    const stands =
      on.comesOut > 0 && standingOf(then, on.card, stockOf(then, workshop), on.laid.pieces).word !== 'flops';
    return stands ? [{ label: `${label}: ${on.comesOut} up`, changes }] : [];
  };
  const other = job.sheet.grain === 'respect' ? 'ignore' : 'respect';
  return {
    id: 'stock-flops',
    station: 'stock',
    level: 'warn',
    title: 'The card will not stand',
    why: `${size.formatName} panels this tall bend under their own weight in ${stock.name}.`,
    remedies: [
      ...heavier.flatMap((one) => tried(`Use ${one.name}`, [decide((job) => job.stock.stockId, one.id)])).slice(0, 2),
      ...tried(other === 'ignore' ? 'Let the grain run across the fold' : 'Keep the grain along the fold', [
        decide((job) => job.sheet.grain, other),
      ]),
    ],
  };
}
