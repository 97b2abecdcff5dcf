import type { FoldedForm } from '../../../ground/fold/types.ts';
import type { FormatId, FormatOptions, OptionId } from '../../../job/format.ts';
import type { Mm } from '../../../ground/length/types.ts';

export interface Finish {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

/** A question a format asks, with limits that may follow the finished size. */
export type FormatInput = {
  readonly id: OptionId;
  readonly label: string;
  readonly says?: string;
  /** Asked only where this holds of what else was chosen; always where nothing is said. */
  readonly when?: (chosen: FormatOptions) => boolean;
} & (
  | {
      readonly kind: 'length';
      /** Null is a choice: “worked out”. */
      readonly mayBeNull: boolean;
      readonly limits: (finish: Finish) => readonly [Mm, Mm];
    }
  | {
      readonly kind: 'number';
      readonly unit: string;
      readonly whole: boolean;
      readonly limits: (finish: Finish) => readonly [number, number];
    }
  | { readonly kind: 'choice'; readonly choices: readonly { readonly id: string; readonly name: string }[] }
  | { readonly kind: 'yesNo' }
  | { readonly kind: 'path' }
);

/** Under which heading a format is listed. */
export const FAMILIES = ['One panel or one fold', 'Doors, rolls and pleats', 'Folded twice, thick or shaped'] as const;
export type Family = (typeof FAMILIES)[number];

/** What else a form may follow from: the paper’s own thickness. */
export interface Paper {
  readonly caliperMm: Mm;
}

/** Builds the blank and its folding for a finished size; total for options within their limits. */
export type FormOf = (finish: Finish, options: FormatOptions, paper: Paper) => FoldedForm;

/** A way of folding: all there is to know of it, in one file. */
export interface Format {
  readonly id: FormatId;
  readonly name: string;
  readonly says: string;
  readonly family: Family;
  /**
   * The paper seen from its edge as a bent line, or its outline where that says more: SVG path data in a box of
   * 40 × 24, drawn by us.
   */
  readonly mark: string;
  /** A named size is offered lying, not upright. */
  readonly lies?: boolean;
  /** What it asks beside its finished size. */
  readonly inputs: readonly FormatInput[];
  /** Those that may give it other faces; any where nothing is said. It spares drawing every outline to name its faces. */
  readonly facesFollow?: readonly OptionId[];
  readonly form: FormOf;
}
