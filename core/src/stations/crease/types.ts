import type { Affine } from '../../ground/geometry/affine.ts';
import type { Blank } from '../../ground/fold/types.ts';
import type { Board } from '../../workshop/types.ts';
import type { StationPlan } from '../../job/findings.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { FriendlySize } from './boardFriendly.ts';
import type { BlankEdge, FaceUp } from './creaseLines.ts';

export interface CreaseLine {
  readonly number: number;
  /** Creases on this line; more than one where an earlier fold laid two parts over each other. */
  readonly creaseIds: readonly string[];
  readonly upright: boolean;
  /** The blank's own edge, outside up and as drawn, that goes to the board's stop. */
  readonly edgeAtStop: BlankEdge;
  readonly fromStopMm: Mm;
  readonly lengthMm: Mm;
  /** The groove nearest to the line, counted from the stop. */
  readonly groove: number;
  readonly grooveAtMm: Mm;
  readonly errorMm: Mm;
  readonly faceUp: FaceUp;
  /** From the line before. */
  readonly turn: string;
  readonly passes: number;
  /** The tool is lifted on the way, for what is cut into the card. */
  readonly isParted: boolean;
  /** Pressed along a rule from end to end, with no edge at a stop: all of a shape that is cut out, and what is cut in. */
  readonly isByRule: boolean;
  readonly text: string;
}

/** A flat piece with creases, and where card art lies on it. */
export interface CreasedPiece extends Blank {
  readonly art: readonly Affine[];
}

export interface CreasePlan extends StationPlan {
  readonly board: Board;
  /** In the order that turns the piece least. */
  readonly lines: readonly CreaseLine[];
  /** What lies on the board: one card’s blank, or the whole sheet when it is scored first. */
  readonly piece: CreasedPiece;
  readonly onSheet: boolean;
  /** A shape that is cut out already is creased from end to end of its folds, with no edge at a stop. */
  readonly byEnds: boolean;
  /** Folding by hand, after the creases are pressed. */
  readonly folding: readonly string[];
  /** What each school says, and why. */
  readonly schools: readonly { readonly id: string; readonly text: string }[];
  /** Sizes nearby whose creases land on this board’s grooves. */
  readonly friendly: readonly FriendlySize[];
  readonly minutes: number;
}
