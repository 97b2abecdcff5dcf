import type { Mm } from '../../ground/length/types.ts';
import type { BenchLog, MeasuredOn, ToolReading } from './types.ts';

/** How a tool works in this workshop’s hands. */
export interface Habit {
  /** Mean of how far pieces come out from where the tool is set; above nought is too far from the fence. */
  readonly biasMm: Mm;
  /** Standard deviation of one piece about that mean. */
  readonly spreadMm: Mm;
  readonly readings: number;
  /** Surely no chance: a fence is set against it. */
  readonly isLasting: boolean;
  /** To be added to what the fence is set to; nought unless the bias is lasting. */
  readonly correctionMm: Mm;
}

/** So many of the newest are looked at: a tool is sharpened, a fence is moved. */
export const NEWEST_READINGS = 30;
/** Before any reading the usual spread counts as so many of them. Our starting value. */
const BEFORE_READINGS = 4;
/** Fewer tell a bias from chance too badly. Our starting value. */
const LASTING_READINGS = 6;
/** A mean so many of its own standard errors from nought is no chance: the convention of control charts, ISO 7870-2. */
const LASTING_ERRORS = 3;
/** No fence is set nearer than a tenth, so a smaller bias is let be. */
const SETTABLE_PER_MM = 10;
export const SETTABLE_MM = 1 / SETTABLE_PER_MM;

/** Readings of one tool, the oldest first; of one pair of hands where it is named. */
export const readingsOf = (
  { pieces = [] }: Pick<BenchLog, 'pieces'>,
  on: MeasuredOn,
  toolId: string,
  by?: string,
): readonly ToolReading[] =>
  pieces.filter((one) => one.on === on && one.toolId === toolId && (by === undefined || one.by === by));

/** How far a piece came out from where its tool was set, whatever the fence made up for. */
export const strayed = ({ offMm, setBeyondMm }: Pick<ToolReading, 'offMm' | 'setBeyondMm'>): Mm => offMm - setBeyondMm;

/**
 * What readings teach: their mean, and a spread that starts from the usual one. With ν₀ readings’ worth of the usual
 * spread s₀ and n readings about their own mean, s² = (ν₀ s₀² + Σ(x − x̄)²) ÷ (ν₀ + n − 1).
 * Source: the normal model with a scaled inverse χ² prior of its variance.
 * @param strays mm, the oldest first
 * @param usualMm one standard deviation before any reading
 */
export function habitOf(strays: readonly Mm[], usualMm: Mm): Habit {
  const newest = strays.slice(-NEWEST_READINGS);
  const n = newest.length;
  if (n === 0) return { biasMm: 0, spreadMm: usualMm, readings: 0, isLasting: false, correctionMm: 0 };
  const biasMm = newest.reduce((a, b) => a + b, 0) / n;
  const squares = newest.reduce((sum, x) => sum + (x - biasMm) ** 2, 0);
  const spreadMm = Math.sqrt((BEFORE_READINGS * usualMm ** 2 + squares) / (BEFORE_READINGS + n - 1));
  const isLasting =
    n >= LASTING_READINGS &&
    Math.abs(biasMm) >= SETTABLE_MM &&
    Math.abs(biasMm) > (LASTING_ERRORS * spreadMm) / Math.sqrt(n);
  // Adding nought makes no minus nought of it.
  const correctionMm = isLasting ? -Math.round(biasMm * SETTABLE_PER_MM) / SETTABLE_PER_MM + 0 : 0;
  return { biasMm, spreadMm, readings: n, isLasting, correctionMm };
}

/**
 * How a tool works in these hands, or in all hands where these have not told enough.
 * @param by who works; anybody where nothing is said
 */
export function habitOn(
  log: Pick<BenchLog, 'pieces'>,
  {
    on,
    toolId,
    usualMm,
    by,
  }: { readonly on: MeasuredOn; readonly toolId: string; readonly usualMm: Mm; readonly by?: string },
): Habit & { readonly by: string | null } {
  const own = by === undefined ? [] : readingsOf(log, on, toolId, by);
  if (own.length >= LASTING_READINGS) return { ...habitOf(own.map(strayed), usualMm), by: by! };
  return { ...habitOf(readingsOf(log, on, toolId).map(strayed), usualMm), by: null };
}
