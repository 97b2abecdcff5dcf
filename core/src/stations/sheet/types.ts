import type { InForce } from '../../workshop/calibration/chooseCalibration.ts';
import type { PaperSide } from '../../ground/fold/types.ts';
import type { Affine, TurnOver } from '../../ground/geometry/affine.ts';
import type { Box, Point, Sides } from '../../ground/geometry/types.ts';
import type { StationPlan } from '../../job/findings.ts';
import type { WhiteWay } from '../../workshop/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { Shape } from '../../ground/scene/types.ts';
import type { Cell } from '../size/cell.ts';
import type { FromEdges, Lie } from './layout/edges.ts';
import type { LayerSheet } from './layout/layerSheets.ts';
import type { PieceOnSheets } from './pieces.ts';
import type { LayOut } from './layout/layOut.ts';
import type { PrintPass } from './layout/passes.ts';
import type { SheetSide } from './layout/reach.ts';

export interface Placement {
  readonly trim: Box;
  readonly turned: boolean;
  /** From the blank, outside up, to the sheet, front up. */
  readonly toSheet: Affine;
}

export interface SheetPlan extends StationPlan {
  readonly sheetWidthMm: Mm;
  readonly sheetHeightMm: Mm;
  readonly marginsMm: Sides;
  readonly printable: Box;
  /** Every blank. */
  readonly placements: readonly Placement[];
  /** Rectangles that the trimmer frees; a cell may hold two nested blanks. */
  readonly cells: readonly { readonly trim: Box; readonly turned: boolean; readonly toSheet: Affine }[];
  readonly cell: Cell;
  /** Cards from one sheet. */
  readonly up: number;
  /** No layout that can be cut apart edge to edge holds more. */
  readonly upBound: number;
  readonly layOut: Pick<LayOut, 'tree' | 'origin' | 'blocks'>;
  /** How near to the sheet’s edges a cell’s trim may come. */
  readonly fromEdgesMm: FromEdges;
  /** Ways to lie that were chosen among, once a grain that is preferred was kept or given up. */
  readonly mayLie: Readonly<Record<Lie, boolean>>;
  readonly gutterMm: Mm;
  /** Round every blank; none where no ink goes on past its trim. */
  readonly bleedMm: Mm;
  /** How white is laid under the colours; null where none is. */
  readonly white: WhiteWay | null;
  /** What goes through the printer, in its order; none where nothing is printed. */
  readonly passes: readonly PrintPass[];
  readonly spares: number;
  readonly sheets: number;
  /** Which sides of the sheet are printed. */
  readonly sides: readonly SheetSide[];
  /** How the sheet is turned over between its sides. */
  readonly turnOver: TurnOver;
  readonly bothSidesAtOnce: boolean;
  /** One plate for both sides, where the pieces allow it. */
  readonly workAndTurn: WorkAndTurn;
  /** Places of the fronts on that plate, when it is what is printed; null when each side has its own. */
  readonly onePlate: readonly number[] | null;
  /** Null when nothing is folded. */
  readonly grainAlongFold: boolean | null;
  readonly marks: boolean;
  /** Three marks by which a cutting machine finds the print; none for tools in the hand. */
  readonly machineMarks: readonly Point[];
  /** The calibration in force, and what it does to each page; null where none is. */
  readonly calibration: InForce | null;
  /** Names on the sheet that is looked at or written; null where every card is alike. */
  readonly named: NamedSheet | null;
  /** Mats, writing panels and inserts, each on sheets of its own stock. */
  readonly layers: readonly LayerSheet[];
  /** The card, and then its layers, each on its sheets. */
  readonly pieces: readonly PieceOnSheets[];
}

/** Whose names stand on one sheet. */
export interface NamedSheet {
  readonly sheetNumber: number;
  /** For every place the card of the list, counted from nought; null for a spare without a name. */
  readonly cards: readonly (number | null)[];
  /** For every place what is set from the list, in the blank’s frame. */
  readonly shapes: Readonly<Record<PaperSide, readonly (readonly Shape[])[]>>;
}

/** Which placements carry the front on a plate that is printed on both sides, and whether there can be one. */
export type WorkAndTurn =
  | {
      readonly ok: true;
      /** Places of the fronts; the backs lie where these fall when the sheet is turned. */ readonly fronts: readonly number[];
    }
  | { readonly ok: false; readonly why: string };
