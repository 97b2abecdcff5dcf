import type { FoldedForm } from '../../../ground/fold/types.ts';
import type { FormatId, FormatOptions, OptionId } from '../../../job/format.ts';
import type { Mm } from '../../../ground/length/types.ts';

export interface Finish {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

/** A question a format asks, with limits that may follow the finished size. */
export type FormatInput = { readonly id: OptionId; readonly label: string; readonly says?: string } & (
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

/** A format as it is listed and asked about. */
export interface FormatEntry {
  readonly id: FormatId;
  readonly name: string;
  readonly says: string;
  readonly inputs: readonly FormatInput[];
}

/** What else a form may follow from: the paper’s own thickness. */
export interface Paper {
  readonly caliperMm: Mm;
}

/** Builds the blank and its folding for a finished size; total for options within their limits. */
export type FormOf = (finish: Finish, options: FormatOptions, paper: Paper) => FoldedForm;
