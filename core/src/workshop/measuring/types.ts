import type { Mm } from '../../ground/length/types.ts';

/** Which way a strip’s fibres run: with its length, or across it. */
export const FIBRES = ['along', 'across'] as const;
export type Fibres = (typeof FIBRES)[number];

/**
 * Lines of the gauge by how much of the overhang is the bending length: paper hangs down to the first, heavy card hardly
 * reaches the last.
 */
export const GAUGE_LINES = ['half', 'threeQuarters', 'whole'] as const;
export type GaugeLine = (typeof GAUGE_LINES)[number];

/** A stack pressed flat, as a ruler finds it. */
export interface StackReading {
  readonly sheets: number;
  readonly heightMm: Mm;
}

/** Sheets of one size on a scale, together. */
export interface WeightReading {
  readonly sheets: number;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly grams: number;
}

/** A strip pushed out over an edge until its end meets a line of the gauge. */
export interface OverhangReading {
  readonly fibres: Fibres;
  readonly line: GaugeLine;
  readonly overhangMm: Mm;
}

export const FOLD_JUDGED = ['clean', 'rough', 'cracked'] as const;
/** How a fold looks along its outside: whole, its fibres raised or its skin dull, or split. */
export type FoldJudged = (typeof FOLD_JUDGED)[number];

export const PRESSURES = ['firm', 'light'] as const;
export type Pressure = (typeof PRESSURES)[number];
export const BEADS = ['inside', 'intoGroove'] as const;
export type Bead = (typeof BEADS)[number];
/** What lies on the outside of a fold: nothing, print, or a solid that runs across it. */
export const FOLD_INKS = ['bare', 'print', 'solid'] as const;
export type FoldInk = (typeof FOLD_INKS)[number];

/** How a line is pressed before it is folded. */
export interface CreaseRecipe {
  readonly school: Pressure;
  readonly passes: number;
  /** Across the tool where it presses; nought for a bare fold. */
  readonly tipMm: Mm;
  readonly bead: Bead;
  /** Wetted along the line first. */
  readonly damp: boolean;
}

/** A strip folded flat by a recipe, and how it came out. */
export interface FoldReading extends CreaseRecipe {
  /** Which way its fibres run, seen along the fold. */
  readonly fibres: Fibres;
  readonly ink: FoldInk;
  readonly judged: FoldJudged;
}

/** What a maker has measured of a stock, each reading as it was taken. */
export interface Measurings {
  readonly stacks: readonly StackReading[];
  readonly weights: readonly WeightReading[];
  readonly overhangs: readonly OverhangReading[];
  /** Strips that were folded; older workshops say nothing, which is none. */
  readonly folds?: readonly FoldReading[];
}
