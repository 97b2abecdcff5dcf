import type { HandTool } from '../../ground/fold/types.ts';
import type { Box, Point } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { JobChange } from '../../job/decide.ts';
import type { StationPlan } from '../../job/findings.ts';
import type { Trimmer } from '../../workshop/types.ts';
import type { ThroughCreases } from '../sheet/layout/throughCreases.ts';
import type { CornerCut } from './cornerCuts.ts';
import type { MachinePlan, OnMachine } from './planMachine.ts';

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
  readonly fallsOff: 'waste' | 'card' | 'strip' | 'part';
  readonly makesTrueEdge: boolean;
  /** What is cut: the sheet, or a part that an earlier move made. */
  readonly piece: string;
  /** Names of the two parts a move makes, when it makes parts. */
  readonly stays: string | null;
  readonly comesOff: string | null;
  /** What lies beyond the blade, for every piece that goes through this setting, on the whole sheet, front up. */
  readonly beyond: readonly Box[];
  /** Where it runs on the whole sheet, front up. */
  readonly line: readonly [Point, Point];
  /** Pieces that go through this setting, one sheet’s worth. */
  readonly piecesPerSheet: number;
  readonly strokes: number;
  readonly text: string;
  /** The same without the distance, for where that stands large beside it. */
  readonly how: string;
}

/** How pieces that are no cards come out of their sheets. */
export interface PieceCuts {
  /** At a fence, until the box round every piece lies free; none by machine. */
  readonly moves: readonly CutMove[];
  /** Over the run. */
  readonly strokes: number;
  /** What is then cut off each box; none for a rectangle, and none by machine. */
  readonly corners: readonly CornerCut[];
  /** What a cutting machine does instead. */
  readonly machine: MachineWork | null;
}

/** A machine’s work on one kind of sheet, and all that its file is drawn from. */
export interface MachineWork extends MachinePlan {
  readonly on: OnMachine;
}

/** How one kind of layer is cut from its sheets. */
export interface LayerCuts extends PieceCuts {
  readonly pieceId: string;
  readonly name: string;
  readonly stockName: string;
}

/** A cut that no fence guides. */
export interface OutlineCut {
  readonly id: string;
  readonly title: string;
  /** The marks, or what to follow. */
  readonly big: string;
  readonly text: string;
  readonly perCell: number;
  /** A slit, hole or window, and not the outline. */
  readonly isWithin: boolean;
  readonly tool: HandTool;
}

export interface CutOrder {
  readonly now: 'cutFirst' | 'scoreFirst';
  readonly why: string;
  /** Creases across the whole sheet, where they can be scored before it is cut. */
  readonly through: ThroughCreases;
}

export interface CutPlan extends StationPlan {
  readonly trimmer: Trimmer;
  readonly moves: readonly CutMove[];
  /** The same for layers, each on its own sheets. */
  readonly layers: readonly LayerCuts[];
  /** Slopes and curves, once the cells are free. */
  readonly outlines: readonly OutlineCut[];
  /** The sheets on the shelf side by side, with and without bleed, along the grain and either way. */
  readonly choices: readonly SheetChoiceRow[];
  /** What is left of every sheet in pieces worth keeping. */
  readonly offcuts: readonly Offcut[];
  /** What a cutting machine does instead of moves at a fence. */
  readonly machine: MachinePlan | null;
  /** Which comes first, and why; and whether the other would do. */
  readonly order: CutOrder;
  /** How far the trims of every placement stray, in the sheet’s order. */
  readonly drift: {
    readonly repeatabilityMm: Mm;
    /** Pieces measured at the bench that it comes of; none where it is the usual. */
    readonly readings: number;
    readonly pieces: readonly PieceDrift[];
    readonly worst: EdgeDrift;
  };
  /** Times the sheet is turned between moves. */
  readonly turns: number;
  readonly sheetsAtOnce: number;
  readonly settings: number;
  readonly strokes: number;
  readonly minutes: number;
}

/** How far one edge of a piece may land from its place, as a standard deviation. */
export interface EdgeDrift {
  /** Every distance taken from a true edge. */
  readonly fromTrueMm: Mm;
  /** The same cuts, each measured from the cut before it. */
  readonly chainedMm: Mm;
}

export type PieceDrift = Readonly<Record<Edge, EdgeDrift>>;

/** One way to lay the job out, beside the others. */
export interface SheetChoiceRow {
  readonly id: string;
  readonly stockName: string;
  readonly bleed: boolean;
  /** Kept along the fold, or whichever gives most. */
  readonly grain: 'respect' | 'ignore';
  readonly up: number;
  readonly sheets: number;
  /** Of sheets; a pack’s sheets need not come to whole minor units. */
  readonly costMinor: number;
  /** None where no fence guides the cuts: a machine’s, or those round a shape. */
  readonly strokes: number | null;
  /** The largest piece left of each sheet that is worth keeping, or nothing. */
  readonly offcut: Offcut | null;
  readonly isNow: boolean;
  readonly changes: readonly JobChange[];
}

export interface Offcut {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly perSheet: number;
}
