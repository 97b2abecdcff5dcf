import type { Affine } from '../../ground/geometry/affine.ts';
import type { Point } from '../../ground/geometry/types.ts';

/** A scan in shades of grey: 0 black to 255 white, row by row. */
export interface GreyImage {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly grey: Uint8Array | Uint8ClampedArray;
}

/**
 * From dots of a scan to millimetres: how long a dot is each way, and how far the scanner’s two ways are from square. Of
 * a scanner that was not looked at, its own word for both.
 */
export type ScanFrame = Affine;

/** One straight edge of paper: a point of it and the way it runs, in millimetres of the scan. */
export interface Edge {
  readonly at: Point;
  /** Of length one. */
  readonly along: Point;
  /** Root mean square of what it leaves, mm. */
  readonly leftMm: number;
}

export const SHEET_EDGES = ['left', 'right', 'top', 'bottom'] as const;
export type SheetEdge = (typeof SHEET_EDGES)[number];

/** A piece of paper on a dark ground; an edge that runs off the scan is null. */
export interface FoundPaper {
  readonly edges: Readonly<Record<SheetEdge, Edge | null>>;
  /** Round it, in millimetres of the scan. */
  readonly box: { readonly xMm: number; readonly yMm: number; readonly widthMm: number; readonly heightMm: number };
}

export type ScanRead<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly why: string };
