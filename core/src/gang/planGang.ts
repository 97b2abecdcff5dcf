import type { Nm } from '../length/types.ts';
import { mostPieces } from '../sheet/guillotine.ts';
import { bestLayout, cutPoints } from './bestLayout.ts';
import { greedyLayout } from './greedyLayout.ts';
import type { GangAnswer, GangOrder, GangPlacement, Layout, Lying, SolveProgramme } from './types.ts';

const nm = (mm: number): Nm => Math.round(mm * 1e6);
/** Places to cut along one side, and how many rounds of pricing over them: quick ones first, then thorough ones. */
const ROUNDS = [
  { places: 110, most: 80 },
  { places: 240, most: 40 },
  { places: 420, most: 12 },
] as const;
/** Steps along the longer side of the coarser sheet that a bound is found on where places to cut are too many. */
const COARSE_STEPS = 560;
/** Fillings tried for what the rounded programme leaves over. */
const TRIES = 60;
const SLIGHT = 1e-7;

/**
 * The fewest sheets for pieces of several kinds. Layouts are columns of a linear programme that asks for
 * every piece at the price of a sheet each; its shadow prices say what each piece is worth, and the most
 * valuable layout at those prices is the next column, until none is worth more than its sheet. The programme’s
 * value is then a bound, and whole numbers of the layouts found are chosen by an integer programme.
 * Source: Gilmore and Gomory, A linear programming approach to the cutting-stock problem, 1961 and 1965
 * @param seed starts the tries at filling odd sheets; the same seed gives the same plan
 */
export function planGang(order: GangOrder, solve: SolveProgramme, seed = 1): GangAnswer {
  const { marginsMm: m, bleedMm, gutterMm, pieces } = order;
  const gutter = nm(gutterMm);
  const widthNm = nm(order.sheetWidthMm) - nm(m.left) - nm(m.right) - 2 * nm(bleedMm) + gutter;
  const heightNm = nm(order.sheetHeightMm) - nm(m.top) - nm(m.bottom) - 2 * nm(bleedMm) + gutter;
  const ways = pieces.flatMap((piece, i): readonly Lying[] => {
    const [w, h] = [nm(piece.widthMm) + gutter, nm(piece.heightMm) + gutter];
    const drawn: Lying = { piece: i, widthNm: w, heightNm: h, turned: false };
    const over: Lying = { piece: i, widthNm: h, heightNm: w, turned: true };
    return (piece.mayTurn && w !== h ? [drawn, over] : [drawn]).filter(
      (way) => way.widthNm <= widthNm && way.heightNm <= heightNm,
    );
  });
  const lost = pieces.find((_, i) => !ways.some((way) => way.piece === i));
  if (lost)
    return {
      ok: false,
      why: `piece ${lost.id} does not fit on the sheet with its bleed inside the margins; use a larger sheet or a smaller piece`,
    };
  const wanted = pieces.map((piece) => piece.wanted);
  const most = pieces.map((piece) =>
    mostPieces({
      widthNm,
      heightNm,
      pieceWidthNm: nm(piece.widthMm) + gutter,
      pieceHeightNm: nm(piece.heightMm) + gutter,
      asDrawn: true,
      turned: piece.mayTurn,
    }),
  );
  const random = randomFrom(seed);
  const layouts = new Map<string, Layout>();
  const keep = (layout: Layout): boolean => {
    const key = layout.counts.join(' ');
    if (layouts.has(key) || layout.laid.length === 0) return false;
    layouts.set(key, layout);
    return true;
  };
  const fill = (left: readonly number[], shuffled: boolean): Layout => {
    const value = (i: number): number => pieces[i]!.widthMm * pieces[i]!.heightMm * (shuffled ? 0.4 + random() : 1);
    const worth = pieces.map((_, i) => value(i));
    const sorted = pieces.map((_, i) => i).sort((a, b) => worth[b]! - worth[a]!);
    return greedyLayout(widthNm, heightNm, ways, left, sorted, () => !shuffled || random() < 0.6);
  };
  // To begin with: each kind alone, and sheets filled in turn until the order is met.
  pieces.forEach((_, i) =>
    keep(
      fill(
        wanted.map((n, k) => (k === i ? Math.max(n, most[i]!.count) : 0)),
        false,
      ),
    ),
  );
  let left: readonly number[] = wanted;
  while (left.some((n) => n > 0)) {
    const layout = fill(left, false);
    keep(layout);
    left = without(left, layout.counts);
  }
  let relaxed = solve(programme([...layouts.values()], wanted, false));
  const prices = (): readonly number[] => relaxed.duals.map((d) => Math.max(0, d));
  let proven = 0;
  for (const { places, most: rounds } of ROUNDS) {
    const xs = cutPoints([...new Set(ways.map((way) => way.widthNm))], widthNm, places);
    const ys = cutPoints([...new Set(ways.map((way) => way.heightNm))], heightNm, places);
    for (let round = 0; round < rounds; round += 1) {
      const { value, layout } = bestLayout(xs, ys, ways, prices());
      if (xs.complete && ys.complete) proven = Math.max(proven, fairWorth(prices(), wanted, value));
      if (value <= 1 + SLIGHT || !keep(layout)) break;
      relaxed = solve(programme([...layouts.values()], wanted, false));
    }
  }
  if (Math.ceil(proven - SLIGHT) < Math.ceil(relaxed.objective - SLIGHT))
    proven = Math.max(proven, fairWorth(prices(), wanted, coarseValue(widthNm, heightNm, ways, prices())));
  const area = pieces.reduce((sum, p) => sum + (nm(p.widthMm) + gutter) * (nm(p.heightMm) + gutter) * p.wanted, 0);
  const bound = Math.max(
    Math.ceil(area / (widthNm * heightNm) - 1e-9),
    ...pieces.map((piece, i) => Math.ceil(piece.wanted / most[i]!.bound)),
    Math.ceil(proven - 1e-6),
  );
  // Whole parts of the relaxed plan, and many ways to fill the sheets that are left over.
  const all = [...layouts.values()];
  const whole = wanted.map((n, i) =>
    Math.max(0, n - relaxed.columns.reduce((sum, x, j) => sum + Math.floor(x + SLIGHT) * (all[j]?.counts[i] ?? 0), 0)),
  );
  for (let k = 0; k < TRIES; k += 1)
    for (let rest: readonly number[] = whole; rest.some((n) => n > 0);) {
      const layout = fill(rest, k > 0);
      keep(layout);
      rest = without(rest, layout.counts);
    }
  const final = [...layouts.values()];
  const chosen = solve(programme(final, wanted, true));
  const used = chosen.columns.map((x) => Math.round(x));
  return {
    ok: true,
    bound,
    sheets: used.reduce((a, b) => a + b, 0),
    patterns: used.flatMap((times, j) => (times > 0 ? [{ times, placements: placed(order, final[j]!) }] : [])),
  };
}

/**
 * What an order is worth at prices at which no sheet is worth more than one: a bound on its sheets.
 * @param value the most that any one sheet is worth at the given prices, or more
 * Source: Farley, A note on bounding a class of linear programming problems, including cutting stock
 * problems, 1990
 */
const fairWorth = (prices: readonly number[], wanted: readonly number[], value: number): number =>
  prices.reduce((sum, price, i) => sum + price * wanted[i]!, 0) / Math.max(1, value);

/** At least the most that a sheet is worth: every side drawn in to a coarse grid, where all places can be tried. */
function coarseValue(widthNm: Nm, heightNm: Nm, ways: readonly Lying[], prices: readonly number[]): number {
  const step = Math.max(widthNm, heightNm) / COARSE_STEPS;
  const drawn = ways.map((way) => ({
    ...way,
    widthNm: Math.floor(way.widthNm / step),
    heightNm: Math.floor(way.heightNm / step),
  }));
  // A side that is drawn in to nothing has no place on the grid; the sheet’s own area bounds it elsewhere.
  if (drawn.some((way) => way.widthNm < 1 || way.heightNm < 1)) return Infinity;
  const along = (sides: readonly Nm[], most: Nm) => cutPoints([...new Set(sides)], Math.floor(most / step), Infinity);
  const xs = along(
    drawn.map((way) => way.widthNm),
    widthNm,
  );
  const ys = along(
    drawn.map((way) => way.heightNm),
    heightNm,
  );
  return bestLayout(xs, ys, drawn, prices).value;
}

/** What is still wanted after as many sheets of one layout as are all of use. */
function without(left: readonly number[], counts: readonly number[]): readonly number[] {
  const times = Math.max(1, Math.min(...counts.flatMap((c, i) => (c > 0 ? [Math.floor(left[i]! / c)] : []))));
  return left.map((n, i) => Math.max(0, n - times * counts[i]!));
}

/** min Σ x, so many of each piece at least. */
function programme(layouts: readonly Layout[], wanted: readonly number[], integer: boolean): string {
  const names = layouts.map((_, j) => `x${j}`);
  const rows = wanted.map((n, i) => {
    const terms = layouts.flatMap(({ counts }, j) => (counts[i]! > 0 ? [`${counts[i]} x${j}`] : []));
    return ` r${i}: ${terms.join(' + ')} >= ${n}`;
  });
  return [
    'Minimize',
    ` obj: ${names.join(' + ')}`,
    'Subject To',
    ...rows,
    ...(integer ? ['General', ` ${names.join(' ')}`] : []),
    'End',
  ].join('\n');
}

/** From the grown usable area to the sheet, the whole in its middle where the margins allow. */
function placed(order: GangOrder, { laid }: Layout): readonly GangPlacement[] {
  const { marginsMm: m, bleedMm, gutterMm } = order;
  const start = (axis: 'x' | 'y'): Nm => {
    const [sheet, near, far] =
      axis === 'x' ? [order.sheetWidthMm, m.left, m.right].map(nm) : [order.sheetHeightMm, m.top, m.bottom].map(nm);
    const reach = Math.max(
      ...laid.map(({ lying, xNm, yNm }) => (axis === 'x' ? xNm + lying.widthNm : yNm + lying.heightNm)),
    );
    const extent = reach - nm(gutterMm);
    const [least, greatest] = [near! + nm(bleedMm), sheet! - far! - nm(bleedMm) - extent];
    return Math.min(Math.max(Math.round((sheet! - extent) / 2), least), greatest);
  };
  const [x0, y0] = [start('x'), start('y')];
  return laid.map(({ lying, xNm, yNm }) => {
    const piece = order.pieces[lying.piece]!;
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

/** A small generator of even numbers between 0 and 1. Source: mulberry32, Tommy Ettinger, public domain */
function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}
