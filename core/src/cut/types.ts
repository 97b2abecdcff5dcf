import type { Point } from '../geometry/types.ts';
import type { Mm } from '../length/types.ts';
import type { StationPlan, Trimmer } from '../job/types.ts';

/** Edges as they lie on the sheet with its front up; clockwise, so that turns can be counted. */
export const EDGES = ['top', 'right', 'bottom', 'left'] as const;
export type Edge = (typeof EDGES)[number];

export interface CutMove {
  readonly number: number;
  /** Distance from the fence to the blade. */
  readonly fenceMm: Mm;
  readonly atFence: Edge;
  readonly turn: string;
  /** What lies beyond the blade once it is cut. */
  readonly fallsOff: 'waste' | 'card' | 'strip';
  readonly makesTrueEdge: boolean;
  /** Where it runs on the whole sheet, front up. */
  readonly line: readonly [Point, Point];
  /** Pieces that go through this setting, one sheet’s worth. */
  readonly piecesPerSheet: number;
  readonly strokes: number;
  readonly text: string;
}

/** A cut that no fence guides. */
export interface OutlineCut {
  readonly id: string;
  readonly title: string;
  /** The marks, or what to follow. */
  readonly big: string;
  readonly text: string;
  readonly perCell: number;
}

export interface CutPlan extends StationPlan {
  readonly trimmer: Trimmer;
  readonly moves: readonly CutMove[];
  /** Slopes and curves, once the cells are free. */
  readonly outlines: readonly OutlineCut[];
  /** A shape is creased while its cell still has straight edges, and cut out then. */
  readonly outlinesAfterCrease: boolean;
  readonly sheetsAtOnce: number;
  readonly settings: number;
  readonly strokes: number;
  readonly minutes: number;
}
