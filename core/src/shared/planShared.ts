import type { Nm } from '../ground/length/types.ts';
import { randomFrom } from '../ground/random.ts';
import { mostPieces } from '../stations/sheet/layout/guillotine.ts';
import { bestLayout, cutPoints, type CutPoints } from './bestLayout.ts';
import { bestOfRest } from './bestOfRest.ts';
import { chooseWhole } from './chooseWhole.ts';
import { dive } from './dive.ts';
import { greedyLayout } from './greedyLayout.ts';
import { limitsOf, programme, SLIGHT } from './programme.ts';
import type {
  Column,
  SharedAnswer,
  SharedOrder,
  SharedKind,
  SharedPlacement,
  SharedSheet,
  Layout,
  Lying,
  MixedAnswer,
  MixedOrder,
  MixedPlan,
  SolveProgramme,
  Used,
} from './types.ts';

const nm = (mm: number): Nm => Math.round(mm * 1e6);
/** Places to cut along one side, and how many rounds of pricing over them: quick ones first, then thorough ones. */
const ROUNDS = [
  { places: 110, most: 80 },
  { places: 240, most: 40 },
  { places: 420, most: 24 },
] as const;
/** Steps along the longer side of the coarser sheet that a bound is found on where places to cut are too many. */
const COARSE_STEPS = 560;
/**
 * Places to cut along one side that the dives for a whole plan price with, in pairs: after each pair whole numbers are
 * picked of all the layouts found. A quick pair serves most orders; for the others more places find more layouts.
 */
const DIVES: readonly number[] = [130, 130, 240, 240, 240, 240, 240, 240, 240, 240];
/** Layouts that are looked for at swayed prices where too few are known to pick whole numbers of, and how far they sway. */
const SWAYED = { times: 40, by: 0.05 } as const;
/** Places for layouts with no more of a piece than is left, which take longer to find. */
const REST_PLACES = 60;
/** Fillings tried for what the rounded programme leaves over. */
const TRIES = 60;

/**
 * The fewest sheets of one size for pieces of several kinds.
 * @param seed starts the tries at filling odd sheets; the same seed gives the same plan
 */
export function planShared(order: SharedOrder, solve: SolveProgramme, seed = 1): SharedAnswer {
  const { sheetWidthMm, sheetHeightMm, marginsMm, ...rest } = order;
  const sheet: SharedSheet = {
    id: 'sheet',
    widthMm: sheetWidthMm,
    heightMm: sheetHeightMm,
    marginsMm,
    cost: 1,
    most: null,
  };
  const answer = planMixed({ ...rest, sheets: [sheet] }, solve, { seed });
  if (!answer.ok) return answer;
  const { sheets, bound, patterns } = answer;
  return {
    ok: true,
    sheets,
    bound: Math.ceil(bound - 1e-6),
    patterns: patterns.map(({ times, placements }) => ({ times, placements })),
  };
}

/** A sheet ready to be filled: its usable area grown by a gutter, and the ways pieces lie in it. */
interface Ground {
  readonly sheet: SharedSheet;
  readonly widthNm: Nm;
  readonly heightNm: Nm;
  readonly ways: readonly Lying[];
}

/**
 * The least cost for pieces of several kinds. Layouts are columns of a linear programme that asks for every
 * piece at the price of its sheet; its shadow prices say what each piece is worth, and the most valuable layout
 * of each sheet at those prices is the next column, until none is worth more than its sheet. The programme’s
 * value is then a bound, and whole numbers of the layouts found are chosen by an integer programme.
 * Source: Gilmore and Gomory, A linear programming approach to the cutting-stock problem, 1961 and 1965
 * @param onBest hears of every plan that is better than the last, the first of them almost at once
 */
// eslint-disable-next-line max-lines-per-function -- one search: its columns, its prices and its count of steps are shared by all that it tries
export function planMixed(
  order: MixedOrder,
  solve: SolveProgramme,
  { seed = 1, onBest }: { readonly seed?: number; readonly onBest?: (plan: MixedPlan) => void } = {},
): MixedAnswer {
  const { pieces } = order;
  const grounds = order.sheets.map((sheet) => groundOf(order, sheet));
  const isOn = (piece: number, ground: Ground): boolean => ground.ways.some((way) => way.piece === piece);
  const lost = pieces.find((_, i) => !grounds.some((ground) => isOn(i, ground)));
  if (lost) {
    const where = grounds.length === 1 ? 'the sheet' : 'any of the sheets';
    return {
      ok: false,
      why: `piece ${lost.id} does not fit on ${where} with its bleed inside the margins; use a larger sheet or a smaller piece`,
    };
  }
  const endless = grounds.filter(({ sheet }) => sheet.most === null);
  const scarce = pieces.find((_, i) => !endless.some((ground) => isOn(i, ground)));
  if (scarce)
    return {
      ok: false,
      why: `piece ${scarce.id} fits only on sheets that may run out; add a sheet that can be bought and is large enough for it`,
    };
  const wanted = pieces.map((piece) => piece.wanted);
  const most = grounds.map((ground) =>
    pieces.map((piece, i) =>
      isOn(i, ground)
        ? mostPieces({
            widthNm: ground.widthNm,
            heightNm: ground.heightNm,
            pieceWidthNm: nm(piece.widthMm) + nm(order.gutterMm),
            pieceHeightNm: nm(piece.heightMm) + nm(order.gutterMm),
            asDrawn: true,
            turned: piece.mayTurn,
          })
        : { count: 0, bound: 0 },
    ),
  );
  const random = randomFrom(seed);
  const columns = new Map<string, Column>();
  const keep = (sheet: number, layout: Layout): boolean => {
    const key = `${sheet} ${layout.counts.join(' ')}`;
    if (columns.has(key) || layout.laid.length === 0) return false;
    columns.set(key, { ...layout, sheet });
    return true;
  };
  const fill = (g: number, left: readonly number[], shuffled: boolean): Layout => {
    const { widthNm, heightNm, ways } = grounds[g]!;
    const worth = pieces.map((p) => p.widthMm * p.heightMm * (shuffled ? 0.4 + random() : 1));
    const sorted = pieces.map((_, i) => i).sort((a, b) => worth[b]! - worth[a]!);
    return greedyLayout(widthNm, heightNm, ways, left, sorted, () => !shuffled || random() < 0.6);
  };
  /** The sheet that gives most paper for its cost, among those that can be bought and lay something of what is left. */
  const handiest = (left: readonly number[]): number => {
    const useful = grounds.flatMap((ground, g) =>
      ground.sheet.most === null && left.some((n, i) => n > 0 && isOn(i, ground)) ? [g] : [],
    );
    const paper = (g: number): number => (grounds[g]!.widthNm * grounds[g]!.heightNm) / grounds[g]!.sheet.cost;
    return useful.reduce((a, b) => (paper(b) > paper(a) ? b : a));
  };
  // To begin with: each kind alone, and sheets filled in turn until the order is met.
  grounds.forEach((ground, g) =>
    pieces.forEach((_, i) => {
      if (isOn(i, ground))
        keep(
          g,
          fill(
            g,
            wanted.map((n, k) => (k === i ? Math.max(n, most[g]![i]!.count) : 0)),
            false,
          ),
        );
    }),
  );
  const first: Used[] = [];
  for (let left: readonly number[] = wanted; left.some((n) => n > 0);) {
    const g = handiest(left);
    const layout = fill(g, left, false);
    keep(g, layout);
    const times = timesOf(left, layout.counts);
    first.push({ column: { ...layout, sheet: g }, times });
    left = without(left, layout.counts);
  }
  const planOf = (used: readonly Used[], bound: number): MixedPlan => ({
    cost: used.reduce((sum, { column, times }) => sum + times * order.sheets[column.sheet]!.cost, 0),
    sheets: used.reduce((sum, { times }) => sum + times, 0),
    bound,
    patterns: used.map(({ column, times }) => ({
      times,
      sheetId: order.sheets[column.sheet]!.id,
      placements: placed(order, order.sheets[column.sheet]!, column),
    })),
  });
  onBest?.(planOf(first, 0));
  const relax = () => solve(programme([...columns.values()], order, false));
  let relaxed = relax();
  const prices = (): readonly number[] => pieces.map((_, i) => Math.max(0, relaxed.duals[i] ?? 0));
  /** What a sheet that may run out costs beyond its price, because there are no more of it. */
  const rents = (): readonly number[] =>
    limitsOf(order).reduce<number[]>(
      (all, { sheet }, k) => {
        all[sheet] = Math.max(0, -(relaxed.duals[pieces.length + k] ?? 0));
        return all;
      },
      order.sheets.map(() => 0),
    );
  const [{ cost: sheetCost }] = order.sheets as [SharedSheet];
  const oneCost = order.sheets.every(({ cost }) => cost === sheetCost);
  /** Sheets all of one cost come in whole numbers of it. */
  const whole = (bound: number): number => (oneCost ? Math.ceil(bound / sheetCost - 1e-6) * sheetCost : bound);
  let proven = 0;
  /** The shadow prices that proved it. */
  let steady: readonly number[] = [];
  /** Whole sheets between what the columns so far reach and what is proven. */
  const gap = (): number => whole(relaxed.objective) - whole(proven);
  for (const { places, most: rounds } of ROUNDS) {
    const points = grounds.map((ground) => placesOf(ground, ground.ways, places));
    const complete = points.flat().every((axis) => axis.complete);
    let steadied = false;
    for (let round = 0; round < rounds && (proven === 0 || gap() > SLIGHT); round += 1) {
      const [now, rent] = [prices(), rents()];
      const worth: readonly number[] = steadied ? now.map((price, i) => (price + steady[i]!) / 2) : now;
      const tries = grounds.map(({ ways }, g) => bestLayout(...points[g]!, ways, worth));
      if (complete) {
        const ratios = tries.map(({ value }, g) => value / order.sheets[g]!.cost);
        const fair = fairWorth(worth, wanted, ratios);
        if (fair > proven) [proven, steady] = [fair, worth];
      }
      const better = tries.filter(
        ({ layout }, g) =>
          layout.counts.reduce((sum, n, i) => sum + n * now[i]!, 0) > order.sheets[g]!.cost + rent[g]! + SLIGHT &&
          keep(g, layout),
      );
      if (better.length > 0) relaxed = relax();
      else if (!steadied) break;
      // Shadow prices swing from round to round; half way back to those that proved most, they swing less.
      steadied = complete && proven > 0 && (better.length > 0 || !steadied);
    }
  }
  if (Math.ceil(proven - SLIGHT) < Math.ceil(relaxed.objective - SLIGHT)) {
    const worth = prices();
    const ratios = grounds.map((g) => coarseValue(g, worth, pieces) / g.sheet.cost);
    proven = Math.max(proven, fairWorth(worth, wanted, ratios));
  }
  const gutter = nm(order.gutterMm);
  const area = pieces.reduce((sum, p) => sum + (nm(p.widthMm) + gutter) * (nm(p.heightMm) + gutter) * p.wanted, 0);
  const bound = whole(
    Math.max(
      area * Math.min(...grounds.map((g) => g.sheet.cost / (g.widthNm * g.heightNm))),
      ...pieces.map(
        (piece, i) =>
          piece.wanted *
          Math.min(...grounds.map((g, k) => (most[k]![i]!.bound > 0 ? g.sheet.cost / most[k]![i]!.bound : Infinity))),
      ),
      proven,
    ),
  );
  // Whole parts of the relaxed plan, and many ways to fill the sheets that are left over.
  const all = [...columns.values()];
  const left = wanted.map((n, i) =>
    Math.max(0, n - relaxed.columns.reduce((sum, x, j) => sum + Math.floor(x + SLIGHT) * (all[j]?.counts[i] ?? 0), 0)),
  );
  for (let k = 0; k < TRIES; k += 1)
    for (let rest: readonly number[] = left; rest.some((n) => n > 0);) {
      const useful = grounds.flatMap((ground, g) => (rest.some((n, i) => n > 0 && isOn(i, ground)) ? [g] : []));
      const g = k < 2 ? handiest(rest) : useful[Math.floor(random() * useful.length)]!;
      const layout = fill(g, rest, k > 0);
      keep(g, layout);
      rest = without(rest, layout.counts);
    }
  // A solver that gave up may have nothing to show; the first plan always stands.
  let plan = planOf(first, bound);
  const better = (used: readonly Used[]): void => {
    const found = planOf(used, bound);
    const within = limitsOf(order).every(
      ({ sheet, most: held }) => used.reduce((n, one) => n + (one.column.sheet === sheet ? one.times : 0), 0) <= held,
    );
    if (!within || !meets(used, wanted) || found.cost >= plan.cost - SLIGHT) return;
    plan = found;
    onBest?.(plan);
  };
  // Dive by dive most of the relaxed plan is kept, and what is left is priced anew until nothing is. Whole numbers of
  // all the layouts found on the way are chosen only where two more dives have not reached the bound.
  const missing = (): boolean => plan.cost - bound > SLIGHT;
  /** What a plan may cost to be better than the one there is. */
  const nextBetter = (): number => plan.cost - (oneCost ? sheetCost : SLIGHT);
  const known = (): readonly Column[] => [...columns.values()];
  const price = (places: number, prices: readonly number[], rest: readonly number[]): readonly Column[] =>
    grounds.flatMap((ground, g) => {
      const ways = ground.ways.filter(({ piece }) => rest[piece]! > 0);
      if (ways.length === 0) return [];
      return [
        { ...bestOfRest(...placesOf(ground, ways, REST_PLACES), ways, prices, rest), sheet: g },
        { ...bestLayout(...placesOf(ground, ways, places), ways, prices).layout, sheet: g },
      ];
    });
  const sway = (prices: readonly number[], mayServe: (column: Column) => boolean): void => {
    const points = grounds.map((ground) => placesOf(ground, ground.ways, DIVES.at(-1)!));
    for (let n = 0; n < SWAYED.times; n += 1) {
      const swayed = prices.map((worth) => worth * (1 + SWAYED.by * (2 * random() - 1)));
      for (const [g, { ways }] of grounds.entries()) {
        const { layout } = bestLayout(...points[g]!, ways, swayed);
        if (mayServe({ ...layout, sheet: g })) keep(g, layout);
      }
    }
  };
  for (const [k, places] of DIVES.entries()) {
    if (!missing()) break;
    better(
      dive({
        ...{ order, solve, random, columns: known },
        price: (prices, rest) => price(places, prices, rest),
        keep: (column) => keep(column.sheet, column),
        relaxed: relaxed.columns,
        // The first keeps all it can; the more have failed, the more is laid anew.
        loosened: k,
      }),
    );
    if (k % 2 === 0 || !missing()) continue;
    better(chooseWhole({ ...{ order, solve, bound, most: nextBetter(), columns: known }, more: k > 1 ? sway : null }));
  }
  onBest?.(plan);
  return { ok: true, ...plan };
}

const meets = (used: readonly Used[], wanted: readonly number[]): boolean =>
  wanted.every((n, i) => used.reduce((sum, { column, times }) => sum + times * column.counts[i]!, 0) >= n);

function groundOf({ bleedMm, gutterMm, pieces }: MixedOrder, sheet: SharedSheet): Ground {
  const { marginsMm: m } = sheet;
  const gutter = nm(gutterMm);
  const widthNm = nm(sheet.widthMm) - nm(m.left) - nm(m.right) - 2 * nm(bleedMm) + gutter;
  const heightNm = nm(sheet.heightMm) - nm(m.top) - nm(m.bottom) - 2 * nm(bleedMm) + gutter;
  const ways = pieces.flatMap((piece, i): readonly Lying[] => {
    const [w, h] = [nm(piece.widthMm) + gutter, nm(piece.heightMm) + gutter];
    const drawn: Lying = { piece: i, widthNm: w, heightNm: h, turned: false };
    const over: Lying = { piece: i, widthNm: h, heightNm: w, turned: true };
    if (piece.sheetIds && !piece.sheetIds.includes(sheet.id)) return [];
    return (piece.mayTurn && w !== h ? [drawn, over] : [drawn]).filter(
      (way) => way.widthNm <= widthNm && way.heightNm <= heightNm,
    );
  });
  return { sheet, widthNm, heightNm, ways };
}

/** Where one sheet may have to be cut across and down for pieces that lie in some ways. */
const placesOf = (
  { widthNm, heightNm }: Ground,
  ways: readonly Lying[],
  places: number,
): readonly [CutPoints, CutPoints] => [
  cutPoints([...new Set(ways.map((way) => way.widthNm))], widthNm, places),
  cutPoints([...new Set(ways.map((way) => way.heightNm))], heightNm, places),
];

/**
 * What an order is worth at prices at which no sheet is worth more than it costs: a bound on its cost.
 * @param ratios the most that each sheet is worth at the given prices, or more, for its cost
 * Source: Farley, A note on bounding a class of linear programming problems, including cutting stock
 * problems, 1990
 */
const fairWorth = (prices: readonly number[], wanted: readonly number[], ratios: readonly number[]): number =>
  prices.reduce((sum, price, i) => sum + price * wanted[i]!, 0) / Math.max(1, ...ratios);

/** At least the most that a sheet is worth: every side drawn in to a coarse grid, where all places can be tried. */
function coarseValue(
  { sheet, widthNm, heightNm, ways }: Ground,
  prices: readonly number[],
  pieces: readonly SharedKind[],
): number {
  const weights = ways.map(({ piece }) => pieces[piece]!.wanted * pieces[piece]!.widthMm * pieces[piece]!.heightMm);
  const longer = Math.max(widthNm, heightNm);
  const across = tightStep(
    ways.map((way) => way.widthNm),
    weights,
    widthNm,
    longer,
  );
  const down = tightStep(
    ways.map((way) => way.heightNm),
    weights,
    heightNm,
    longer,
  );
  const drawn = ways.map((way) => ({
    ...way,
    widthNm: Math.floor(way.widthNm / across),
    heightNm: Math.floor(way.heightNm / down),
  }));
  // A side that is drawn in to nothing has no place on the grid; the sheet’s own area bounds it elsewhere.
  if (drawn.some((way) => way.widthNm < 1 || way.heightNm < 1)) return Infinity;
  const coarse = { sheet, ways: drawn, widthNm: Math.floor(widthNm / across), heightNm: Math.floor(heightNm / down) };
  return bestLayout(...placesOf(coarse, drawn, Infinity), drawn, prices).value;
}

/** The step, of about so many to the longer side, at which drawing in loses least of the pieces and most of the sheet. */
function tightStep(sides: readonly Nm[], weights: readonly number[], whole: Nm, longer: Nm): number {
  const kept = (length: Nm, step: number): number => (Math.floor(length / step) * step) / length;
  let best = { step: longer / COARSE_STEPS, worth: 0 };
  for (let steps = COARSE_STEPS * 0.7; steps <= COARSE_STEPS; steps += 0.25) {
    const step = longer / steps;
    const worth = sides.reduce((sum, side, i) => sum + weights[i]! * kept(side, step), 0) / kept(whole, step);
    if (worth > best.worth) best = { step, worth };
  }
  return best.step;
}

/** What is still wanted after as many sheets of one layout as are all of use. */
function without(left: readonly number[], counts: readonly number[]): readonly number[] {
  const times = timesOf(left, counts);
  return left.map((n, i) => Math.max(0, n - times * counts[i]!));
}

const timesOf = (left: readonly number[], counts: readonly number[]): number =>
  Math.max(1, Math.min(...counts.flatMap((c, i) => (c > 0 ? [Math.floor(left[i]! / c)] : []))));

/** From the grown usable area to the sheet, the whole in its middle where the margins allow. */
function placed(
  { bleedMm, gutterMm, pieces }: MixedOrder,
  sheetOf: SharedSheet,
  { laid }: Layout,
): readonly SharedPlacement[] {
  const { marginsMm: m } = sheetOf;
  const start = (axis: 'x' | 'y'): Nm => {
    const [sheet, near, far] =
      axis === 'x' ? [sheetOf.widthMm, m.left, m.right].map(nm) : [sheetOf.heightMm, m.top, m.bottom].map(nm);
    const reach = Math.max(
      ...laid.map(({ lying, xNm, yNm }) => (axis === 'x' ? xNm + lying.widthNm : yNm + lying.heightNm)),
    );
    const extent = reach - nm(gutterMm);
    const [least, greatest] = [near! + nm(bleedMm), sheet! - far! - nm(bleedMm) - extent];
    return Math.min(Math.max(Math.round((sheet! - extent) / 2), least), greatest);
  };
  const [x0, y0] = [start('x'), start('y')];
  return laid.map(({ lying, xNm, yNm }) => {
    const piece = pieces[lying.piece]!;
    return {
      id: piece.id,
      xMm: (x0 + xNm) / 1e6,
      yMm: (y0 + yNm) / 1e6,
      widthMm: lying.turned ? piece.heightMm : piece.widthMm,
      heightMm: lying.turned ? piece.widthMm : piece.heightMm,
      turned: lying.turned,
    };
  });
}
