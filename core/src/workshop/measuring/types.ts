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

/** What a maker has measured of a stock, each reading as it was taken. */
export interface Measurings {
  readonly stacks: readonly StackReading[];
  readonly weights: readonly WeightReading[];
  readonly overhangs: readonly OverhangReading[];
}
