import type { LengthUnit } from '../../ground/length/types.ts';
import type { Box } from '../../ground/geometry/types.ts';
import type { Stock, Trimmer } from '../../workshop/types.ts';
import type { LayOut } from '../sheet/layout/layOut.ts';
import type { DraftMove, Pitch } from './draftMoves.ts';
import { handiestMoves, sheetsAtOnce, strokesOf } from './handiestMoves.ts';
import { numberMoves } from './numberMoves.ts';
import type { CutMove } from './types.ts';

/** How what is cut apart lies: copies of one cell in blocks, or pieces of several kinds wherever they fitted. */
export type Lying =
  | { readonly kind: 'blocks'; readonly layOut: Pick<LayOut, 'tree' | 'origin'>; readonly pitch: Pitch }
  /** In the order that parts them, as partKinds drafts it. */
  | { readonly kind: 'kinds'; readonly drafts: readonly DraftMove[] };

export interface CutRun {
  readonly page: Box;
  readonly sheets: number;
  readonly stock: Stock;
  readonly trimmer: Trimmer;
  readonly unit: LengthUnit;
  /** What a piece is called when it comes off; a card where nothing is said. */
  readonly comesOff?: string;
  /** Round an outline no fence helps: such pieces are parted roughly, and nothing is measured. */
  readonly shaped: boolean;
}

/** The cuts at a fence of a run of sheets, what they come to, and what they leave. */
export interface DraftedCuts {
  /** None where a machine or scissors go round outlines instead. */
  readonly drafts: readonly DraftMove[];
  readonly sheetsAtOnce: number;
  readonly strokes: number;
  /** What falls off and is no part of a piece, in mm on the sheet. */
  readonly waste: readonly Box[];
}

/** The same, numbered and put into words. */
export interface FenceCuts extends DraftedCuts {
  readonly moves: readonly CutMove[];
}

/** The one reckoning of cuts, for the sheet in force, for sheets that it might be, and for shared sheets. */
export function draftsFor(lying: Lying, { page, sheets, stock, trimmer, shaped }: Omit<CutRun, 'unit'>): DraftedCuts {
  const atOnce = sheetsAtOnce(trimmer, stock);
  const drafts =
    trimmer.machine || shaped
      ? []
      : lying.kind === 'blocks'
        ? handiestMoves(lying.layOut, page, lying.pitch, trimmer)
        : lying.drafts;
  return {
    drafts,
    sheetsAtOnce: atOnce,
    strokes: drafts.reduce((n, move) => n + strokesOf(move, sheets, atOnce), 0),
    waste: drafts.filter((move) => move.fallsOff === 'waste').flatMap((move) => move.beyond),
  };
}

/** Those cuts as they are made, one after the other. */
export function movesFor(lying: Lying, run: CutRun): FenceCuts {
  const drafted = draftsFor(lying, run);
  return { ...drafted, moves: numberMoves(drafted.drafts, { ...run, sheetsAtOnce: drafted.sheetsAtOnce }) };
}
