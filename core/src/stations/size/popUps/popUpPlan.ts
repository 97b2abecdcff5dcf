import type { Deg, Mm } from '../../../ground/length/types.ts';
import type { Moment } from '../../../ground/linkage/types.ts';
import type { PopUp } from '../../../job/popUps.ts';
import type { ShutPiece } from './bodies.ts';
import type { Bulk } from './bulkOf.ts';
import type { CutIn } from './cutIns.ts';
import type { GlueSpot } from './glueSpots.ts';
import type { Spread } from './spread.ts';
import type { PopUpBand, PopUpFan, PopUpPart, Seat } from './types.ts';

/** Everything that moves as the card opens; lengths mm on the open pages, motion from shut to flat. */
export interface PopUpPlan {
  readonly spread: Spread;
  readonly parts: readonly PopUpPart[];
  readonly bands: readonly PopUpBand[];
  readonly fans: readonly PopUpFan[];
  /** In the order in which they carry each other: as they are put together. */
  readonly order: readonly {
    readonly layer: number;
    readonly layerId: string;
    readonly popUp: PopUp;
    readonly name: string;
    readonly partIds: readonly string[];
  }[];
  readonly motion: readonly Moment[];
  /** Past this something tears or buckles; 180 where nothing does. */
  readonly opensDeg: Deg;
  readonly shut: readonly ShutPiece[];
  readonly bulk: Bulk;
  /** What it adds to the shut card. */
  readonly addedMm: Mm;
  readonly spots: readonly GlueSpot[];
  /** What of these parts is cut from the card itself. */
  readonly cutIns: readonly CutIn[];
  /** Every place that something is glued to, by what offers it. */
  readonly seats: readonly { readonly layerId: string | null; readonly id: string; readonly seat: Seat }[];
  /** What others can be put on, by the layer that offers it; null for the card. */
  readonly places: readonly {
    readonly layerId: string | null;
    readonly name: string;
    readonly gutters: readonly { readonly id: string; readonly name: string }[];
    readonly seats: readonly { readonly id: string; readonly name: string }[];
  }[];
}
