import type { Sides } from '../ground/geometry/types.ts';
import type { Mm, Nm } from '../ground/length/types.ts';

export interface SharedKind {
  readonly id: string;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly wanted: number;
  readonly mayTurn: boolean;
  /** Sheets that it may be cut from; any of the order’s when left out. */
  readonly sheetIds?: readonly string[];
}

/** Pieces of several kinds wanted from sheets of one size. */
export interface SharedOrder {
  readonly sheetWidthMm: Mm;
  readonly sheetHeightMm: Mm;
  readonly marginsMm: Sides;
  readonly bleedMm: Mm;
  /** Least distance between neighbouring trims. */
  readonly gutterMm: Mm;
  readonly pieces: readonly SharedKind[];
}

/** One size of sheet that an order may be cut from. */
export interface SharedSheet {
  readonly id: string;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly marginsMm: Sides;
  /** What one of them costs, above nought: 1 each to use as few as can be, or its price. */
  readonly cost: number;
  /** No more than so many are to be had; null for sheets that can be bought. */
  readonly most: number | null;
  /** Laid here a quarter turn clockwise from how it is fed, so that its fibres run upright. */
  readonly quarterTurned?: boolean;
}

/** Pieces of several kinds wanted from sheets of one or several sizes, at the least cost. */
export interface MixedOrder {
  readonly sheets: readonly SharedSheet[];
  readonly bleedMm: Mm;
  readonly gutterMm: Mm;
  readonly pieces: readonly SharedKind[];
}

export interface MixedPattern extends SharedPattern {
  readonly sheetId: string;
}

/** A plan that meets the order, though a better one may yet be found. */
export interface MixedPlan {
  readonly cost: number;
  readonly sheets: number;
  /** No plan of edge-to-edge cuts costs less; nought while nothing is proven. */
  readonly bound: number;
  readonly patterns: readonly MixedPattern[];
}

export type MixedAnswer = ({ readonly ok: true } & MixedPlan) | { readonly ok: false; readonly why: string };

export interface SharedPlacement {
  readonly id: string;
  readonly xMm: Mm;
  readonly yMm: Mm;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly turned: boolean;
}

export interface SharedPattern {
  readonly times: number;
  readonly placements: readonly SharedPlacement[];
}

export type SharedAnswer =
  | {
      readonly ok: true;
      readonly sheets: number;
      /** No plan of edge-to-edge cuts needs fewer. */
      readonly bound: number;
      readonly patterns: readonly SharedPattern[];
    }
  | { readonly ok: false; readonly why: string };

/** A piece grown by one gutter, in one of the ways it may lie; whole nanometres. */
export interface Lying {
  readonly piece: number;
  readonly widthNm: Nm;
  readonly heightNm: Nm;
  readonly turned: boolean;
}

/** One sheet’s worth: where each piece lies in the usable area grown by a gutter. */
export interface Layout {
  readonly laid: readonly { readonly lying: Lying; readonly xNm: Nm; readonly yNm: Nm }[];
  /** How many of each piece. */
  readonly counts: readonly number[];
}

/** A layout on one of the order’s sheets. */
export interface Column extends Layout {
  readonly sheet: number;
}

/** A layout and how many sheets of it. */
export interface Used {
  readonly column: Column;
  readonly times: number;
}

/** min Σ costs·x over x ≥ 0, with the sum of each row within its limits. */
export interface Programme {
  readonly costs: readonly number[];
  /** What each x adds to the rows that it has a part in. */
  readonly columns: readonly (readonly { readonly row: number; readonly value: number }[])[];
  readonly rows: readonly { readonly least: number; readonly most: number }[];
  /** Whether every x is a whole number. */
  readonly integer: boolean;
}

/**
 * What a linear or integer programme is solved by; the core writes the programme and brings no solver.
 * `target` is good enough for an integer programme: nothing under it is possible.
 * Where nothing was found that keeps every limit, there are no columns and the objective is infinite.
 */
export type SolveProgramme = (
  programme: Programme,
  options?: { readonly target?: number },
) => {
  readonly objective: number;
  readonly columns: readonly number[];
  /** Shadow price of each row; empty for an integer programme. */
  readonly duals: readonly number[];
};
