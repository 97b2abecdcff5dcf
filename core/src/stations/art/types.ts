import type { StationPlan } from '../../job/findings.ts';
import type { Shape } from '../../ground/scene/types.ts';
import type { LayerPiece } from '../size/layers.ts';
import type { InkOnBlank } from './faces/inkOnBlank.ts';
import type { FacePlan, LaidPicture } from './faces/items.ts';
import type { OnStock } from './ink/onStock.ts';

/** The list in use and the card of it that is shown. */
export interface NamesPlan {
  readonly cards: number;
  readonly shown: number;
}

export interface ArtPlan extends StationPlan {
  readonly faces: readonly FacePlan[];
  /** Where ink ends on the open card. */
  readonly ink: InkOnBlank;
  readonly names: NamesPlan | null;
  /** What is printed on layers, by the id of the piece. */
  readonly panels: Readonly<Record<string, PanelArt>>;
  /** What the stock’s own colour does to the art. */
  readonly onStock: OnStock;
}

/** What is printed on a mat, a writing panel or an insert before it is cut, in the piece’s own frame. */
export interface PanelArt {
  readonly piece: LayerPiece;
  readonly picture: LaidPicture;
  /** Out to the bleed, and no farther. */
  readonly shapes: readonly Shape[];
  /** What is printed behind it, in the same frame, mirrored as it is through the paper; null where nothing is. */
  readonly back: { readonly picture: LaidPicture; readonly shapes: readonly Shape[] } | null;
}
