/** A list as it stands in its file, before anybody has said which row names the columns. */
export interface Table {
  /** The sheet's own name; empty where a file has but one table. */
  readonly name: string;
  /** Cells as text, in the order of the file; every row of a spreadsheet has as many as the widest. */
  readonly rows: readonly (readonly string[])[];
}

/** What was found in a file, or why nothing could be. */
export type ReadTables =
  | {
      readonly ok: true;
      readonly tables: readonly Table[];
      /** Its rows are all of a list, the first of them names the columns, and a comma too many is a slip of the pen. */
      readonly plain: boolean;
      readonly note: string | null;
    }
  | Refused;

export interface Refused {
  readonly ok: false;
  readonly why: string;
}

/** How dates and yes or no are to be written in words, where a file keeps them as something else. */
export interface CellWords {
  /** Where the studio is, as in "GB"; the world’s English when left out. */
  readonly region?: string | undefined;
}

/** A kind of file that lists are kept in. */
export interface ListKind {
  /** Told by what stands in it, never by its name. */
  readonly knows: (bytes: Uint8Array) => boolean;
  readonly read: (bytes: Uint8Array, words: CellWords) => ReadTables | Promise<ReadTables>;
}
