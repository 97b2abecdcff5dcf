/** What can be written of a job, and in which formats. */
export const EXPORTS = {
  sheets: ['pdf', 'svg', 'png', 'csv'],
  panels: ['pdf'],
  cut: ['svg', 'dxf', 'csv'],
  envelope: ['pdf', 'svg', 'dxf', 'png'],
  printedEnvelopes: ['pdf', 'png', 'csv'],
  ticket: ['pdf', 'csv'],
  face: ['pdf', 'svg', 'png'],
  side: ['pdf'],
  press: ['pdf'],
  template: ['pdf', 'svg', 'dxf'],
  guides: ['pdf'],
  proof: ['pdf'],
} as const;
export type ExportWhat = keyof typeof EXPORTS;
/** The formats of one piece of work, or of any. */
export type ExportFormat<What extends ExportWhat = ExportWhat> = (typeof EXPORTS)[What][number];

/** True when this piece of work can be written this way. */
export const canExport = (what: string, format: string): what is ExportWhat =>
  Object.hasOwn(EXPORTS, what) && (EXPORTS[what as ExportWhat] as readonly string[]).includes(format);

/** Where a file that was asked for stands: it waits for a worker, is being written, or has come to an end. */
export const EXPORT_STATES = ['waiting', 'working', 'done', 'failed', 'cancelled'] as const;
export type ExportState = (typeof EXPORT_STATES)[number];

/** A file that was asked for, and what has been written of it. */
export interface ExportRow {
  readonly id: string;
  readonly what: string;
  readonly format: string;
  readonly state: ExportState;
  /** How many of its pages are written, of how many; nought of nought while nobody knows. */
  readonly done: number;
  readonly total: number;
  /** Why it failed, in a sentence for the maker. */
  readonly message: string | null;
  /** It waits, and no worker is at hand to take it. */
  readonly waitsInVain?: boolean;
  readonly files: readonly {
    readonly number: number;
    readonly name: string;
    readonly mime: string;
    readonly size: number;
  }[];
}
