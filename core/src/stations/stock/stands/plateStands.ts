import { integralTo, product, slopeOf, valueAt, type Polynomial } from './polynomial.ts';
import { cholesky, solveLower, type Matrix } from '../../../ground/linear/cholesky.ts';
import type { Bow, PlateStands, StandingPlate } from './types.ts';

/** Poisson’s ratio of board, the mean of both ways. Our starting value. */
const POISSON = 0.3;
/** Terms across and up: one more of either changes the load at which a plate buckles by less than one part in a hundred. */
const TERMS = { across: 4, up: 5 } as const;
/** The power method ends when a turn changes the load by less than this share, or after so many turns. */
const SETTLED = 1e-9;
const TURNS = 400;
/** No card is quite flat: its own waviness as a share of its height. Our starting value. */
export const WAVY = 0.005;
/** What has buckled is drawn sagging by this share of its height. */
const SAGS = 0.3;
/** Places each way at which a bow is told. */
export const BOW_STEPS = 12;

/**
 * Whether a standing panel carries itself, and how it bows.
 * Derivation: a thin plate that is stiffer one way than the other (twisting rigidity by M. T. Huber, 1923), its edges
 * resting on the table and on the folds that hold them, pressed along its slope by all that lies above and pushed out of its
 * plane by its own leaning weight. Rayleigh and Ritz: the offset is a sum of polynomials that vanish where it is held, so
 * stiffness K and pressing G are matrices; it buckles at the least λ of K·a = λ·G·a, and before that bows by
 * (K − G)·a = f + G·a₀, a₀ its own waviness in the shape it buckles to.
 * @returns null where it is not held enough to stand at all
 */
export function plateStands(plate: StandingPlate): PlateStands | null {
  // The panels of a card are often alike, and most changes of a job leave all of them as they were.
  const asked = JSON.stringify(plate);
  const known = KNOWN.get(asked);
  if (known !== undefined) return known;
  const found = workOut(plate);
  if (KNOWN.size >= MOST_KNOWN) KNOWN.delete(KNOWN.keys().next().value!);
  KNOWN.set(asked, found);
  return found;
}

const MOST_KNOWN = 64;
const KNOWN = new Map<string, PlateStands | null>();

function workOut(plate: StandingPlate): PlateStands | null {
  const { held, heightMm } = plate;
  if (Number(held.foot) + Number(held.left) + Number(held.right) + Number(held.atMm !== null) < 2) return null;
  const shapes = shapesOf(plate);
  const { stiffness, pressing, push } = matricesOf(plate, shapes);
  const lower = cholesky(stiffness);
  const { margin, mode } = firstBuckling(lower, pressing);
  const modeBow = bowOf(shapes, mode);
  const largest = farthest(modeBow);
  const pushed = pushedTowards(plate, mode, push, modeBow);
  const scale = (pushed * heightMm * (margin > 1 ? WAVY : SAGS)) / largest;
  if (margin <= 1) return told(margin, bowOf(shapes, mode, scale));
  const wavy = mode.map((a) => a * (scale / 1000));
  const force = times(pressing, wavy).map((f, i) => f + push[i]!);
  const left = stiffness.map((row, i) => row.map((k, j) => k - pressing[i]![j]!));
  const bent = solveLower(cholesky(left), force);
  return told(
    margin,
    bowOf(
      shapes,
      bent.map((a, i) => a + wavy[i]!),
      1000,
    ),
  );
}

const told = (margin: number, bow: Bow): PlateStands => ({ margin, bow, bowMm: farthest(bow) });
const farthest = (bow: Bow): number => Math.max(...bow.flat().map(Math.abs));
function times(matrix: Matrix, v: readonly number[]): number[] {
  return matrix.map((row) => {
    let sum = 0;
    for (let j = 0; j < row.length; j += 1) sum += row[j]! * v[j]!;
    return sum;
  });
}

/** It sags the way its weight pushes it, and of an upright one outwards. */
function pushedTowards(plate: StandingPlate, mode: readonly number[], push: readonly number[], bow: Bow): 1 | -1 {
  const by =
    plate.leanDeg === 0 ? bow.flat().reduce((sum, z) => sum + z, 0) : mode.reduce((s, a, i) => s + a * push[i]!, 0);
  return by < 0 ? -1 : 1;
}

/** Shapes across and up, in shares of width and height. */
interface Shapes {
  readonly across: readonly Polynomial[];
  readonly up: readonly Polynomial[];
}

function shapesOf({ held, heightMm }: StandingPlate): Shapes {
  const sides = [...(held.left ? [[0, 1]] : []), ...(held.right ? [[1, -1]] : [])];
  const levels = [...(held.foot ? [[0, 1]] : []), ...(held.atMm === null ? [] : [[held.atMm / heightMm, -1]])];
  const family = (zeros: readonly Polynomial[], terms: number): readonly Polynomial[] => {
    const all = [zeros.reduce(product, [1])];
    // Powers of 2x − 1 rather than of x: they differ more from each other, so fewer figures are lost.
    while (all.length < terms) all.push(product(all.at(-1)!, [-1, 2]));
    return all;
  };
  return { across: family(sides, TERMS.across), up: family(levels, TERMS.up) };
}

function matricesOf(
  plate: StandingPlate,
  { across, up }: Shapes,
): { readonly stiffness: Matrix; readonly pressing: Matrix; readonly push: readonly number[] } {
  const [b, h] = [plate.widthMm / 1000, plate.heightMm / 1000];
  // A strip is free to curl across as it bends; a plate is not, and is stiffer by that.
  const [dUp, dAcross] = [plate.rigidityUpNm, plate.rigidityAcrossNm].map((strip) => strip / (1 - POISSON ** 2)) as [
    number,
    number,
  ];
  const mixed = Math.sqrt(dUp * dAcross);
  const [x, y] = [productsOf(across), productsOf(up)];
  const pressedUp = pressedProducts(plate, up);
  const pairs = across.flatMap((_, m) => up.map((__, n) => [m, n] as const));
  const area = b * h;
  const fill = (of: (m: number, p: number, n: number, q: number) => number): number[][] =>
    pairs.map(([m, n]) => pairs.map(([p, q]) => of(m, p, n, q)));
  const lean = (plate.leanDeg * Math.PI) / 180;
  const acrossWhole = across.map((one) => integralTo(one, 1));
  const pushedUp = up.map((one) =>
    plate.carries.reduce(
      (sum, { newtons, atMm }) => sum + newtons * valueAt(one, atMm / plate.heightMm),
      plate.weightNm2 * area * integralTo(one, 1),
    ),
  );
  return {
    stiffness: fill(
      (m, p, n, q) =>
        area *
        ((dAcross / b ** 4) * x[2][m]![p]! * y[0][n]![q]! +
          (dUp / h ** 4) * x[0][m]![p]! * y[2][n]![q]! +
          ((POISSON * mixed) / (b * h) ** 2) * (x.ends[m]![p]! * y.ends[q]![n]! + x.ends[p]![m]! * y.ends[n]![q]!) +
          ((2 * (1 - POISSON) * mixed) / (b * h) ** 2) * x[1][m]![p]! * y[1][n]![q]!),
    ),
    pressing: fill((m, p, n, q) => (b / h) * x[0][m]![p]! * pressedUp[n]![q]!),
    push: pairs.map(([m, n]) => Math.sin(lean) * acrossWhole[m]! * pushedUp[n]!),
  };
}

/** Integrals over 0 to 1 of products of the shapes, of their slopes and bends; `ends` of a bend with a shape. */
function productsOf(shapes: readonly Polynomial[]): {
  readonly 0: Matrix;
  readonly 1: Matrix;
  readonly 2: Matrix;
  readonly ends: Matrix;
} {
  const slopes = shapes.map(slopeOf);
  const bends = slopes.map(slopeOf);
  const table = (rows: readonly Polynomial[], columns: readonly Polynomial[]): Matrix =>
    rows.map((a) => columns.map((c) => integralTo(product(a, c), 1)));
  return { 0: table(shapes, shapes), 1: table(slopes, slopes), 2: table(bends, bends), ends: table(bends, shapes) };
}

/** The same of slopes up the plate, each place weighed by how hard it is pressed there, newtons a metre. */
function pressedProducts(plate: StandingPlate, up: readonly Polynomial[]): Matrix {
  const { heightMm, widthMm, weightNm2, carries, held } = plate;
  const [h, b] = [heightMm / 1000, widthMm / 1000];
  const lean = (plate.leanDeg * Math.PI) / 180;
  const slopes = up.map(slopeOf);
  const parts: { readonly upTo: number; readonly force: Polynomial }[] = [
    { upTo: 1, force: [1, -1].map((c) => c * weightNm2 * h * Math.cos(lean)) },
    ...carries.map(({ newtons, atMm }) => ({
      upTo: Math.min(1, atMm / heightMm),
      force: [(newtons / b) * Math.cos(lean)],
    })),
  ];
  if (held.atMm !== null && lean !== 0) {
    // What keeps it from falling pushes level at the fold, and so presses along the slope below it.
    const topples =
      Math.sin(Math.abs(lean)) *
      ((weightNm2 * h * h) / 2 + carries.reduce((sum, { newtons, atMm }) => sum + ((newtons / b) * atMm) / 1000, 0));
    const thrust = topples / ((held.atMm / 1000) * Math.cos(lean));
    parts.push({ upTo: held.atMm / heightMm, force: [thrust * Math.sin(Math.abs(lean))] });
  }
  return slopes.map((a) =>
    slopes.map((c) => {
      const both = product(a, c);
      return parts.reduce((sum, { upTo, force }) => sum + integralTo(product(both, force), upTo), 0);
    }),
  );
}

/** The least load, in shares of what it carries, and the shape it buckles to. Source: the power method on L⁻¹·G·L⁻ᵀ. */
function firstBuckling(lower: Matrix, pressing: Matrix): { readonly margin: number; readonly mode: readonly number[] } {
  let a: readonly number[] = lower.map((_, i) => 1 / (i + 1));
  let most = 0;
  for (let i = 0; i < TURNS; i += 1) {
    const next = solveLower(lower, times(pressing, a));
    const long = Math.hypot(...next);
    if (long === 0) break;
    const before = most;
    // What it was multiplied by: its length was one.
    most = i === 0 ? long / Math.hypot(...a) : long;
    a = next.map((v) => v / long);
    if (Math.abs(most - before) < SETTLED * most) break;
  }
  return { margin: 1 / most, mode: a };
}

function bowOf({ across, up }: Shapes, terms: readonly number[], scale = 1): Bow {
  const steps = Array.from({ length: BOW_STEPS + 1 }, (_, i) => i / BOW_STEPS);
  const xs = steps.map((x) => across.map((one) => valueAt(one, x)));
  return steps.map((y) => {
    const ys = up.map((one) => valueAt(one, y));
    return xs.map(
      (atX) =>
        scale *
        atX.reduce((sum, fx, m) => sum + fx * ys.reduce((s, fy, n) => s + terms[m * up.length + n]! * fy, 0), 0),
    );
  });
}
