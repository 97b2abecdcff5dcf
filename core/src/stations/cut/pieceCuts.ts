import type { Affine } from '../../ground/geometry/affine.ts';
import type { FlatBlank } from '../../ground/fold/types.ts';
import type { Polygon } from '../../ground/geometry/polygon.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
import type { Point } from '../../ground/geometry/types.ts';
import type { Stock, Trimmer } from '../../workshop/types.ts';
import { looksForMarks } from '../sheet/layout/machineMarks.ts';
import type { LayOut } from '../sheet/layout/layOut.ts';
import { cornerCuts } from './cornerCuts.ts';
import { isTooWide } from './cutSnags.ts';
import { movesFor } from './movesFor.ts';
import { planMachine, type OnMachine } from './planMachine.ts';
import type { MachineWork, PieceCuts } from './types.ts';

/** Pieces of one kind on sheets of their stock. */
export interface PiecesOnSheet {
  readonly blank: FlatBlank;
  /** Where corners are cut before they are rounded; the blank’s own outline where it is left out. */
  readonly cornersOf?: Polygon;
  readonly creases: OnMachine['creases'];
  readonly bleedMm: Mm;
  readonly stock: Stock;
  readonly sheets: number;
  readonly layOut: Pick<LayOut, 'tree' | 'origin'>;
  readonly places: readonly Affine[];
  readonly machineMarks: readonly Point[];
  readonly isPrinted: boolean;
}

/**
 * At a fence every piece’s box is freed, and its corners are told by marks; a machine cuts outlines and all that is
 * within them, unless the sheet is too wide for it or it has to find marks and cannot.
 */
export function pieceCuts(pieces: PiecesOnSheet, trimmer: Trimmer, unit: LengthUnit): PieceCuts {
  const { blank, bleedMm, stock, sheets, layOut } = pieces;
  const none = { moves: [], strokes: 0, corners: [], machine: null };
  if (pieces.places.length === 0) return none;
  if (trimmer.kind === 'machine') return { ...none, machine: machineWork(pieces, trimmer) };
  const pitch = { widthMm: blank.widthMm, heightMm: blank.heightMm, gutterMm: 2 * bleedMm };
  const page = { xMm: 0, yMm: 0, widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
  const run = { page, sheets, stock, trimmer, unit, shaped: false, comesOff: 'piece' };
  const { moves, strokes } = movesFor({ kind: 'blocks', layOut, pitch }, run);
  return { moves, strokes, corners: cornerCuts(pieces.cornersOf ?? blank.outline, blank), machine: null };
}

function machineWork(
  { blank, creases, places, machineMarks, isPrinted, stock }: PiecesOnSheet,
  { machine }: Trimmer,
): MachineWork | null {
  const sheet = { widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
  if (!machine || isTooWide(machine, sheet)) return null;
  if (isPrinted && (!looksForMarks(machine) || machineMarks.length === 0)) return null;
  const on: OnMachine = { blank, creases, places, marks: machineMarks, sheet };
  return { ...planMachine(on, machine, stock.gsm), on };
}
