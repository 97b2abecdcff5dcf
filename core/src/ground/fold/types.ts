import type { Polygon } from '../geometry/polygon.ts';
import type { Box, Point } from '../geometry/types.ts';
import type { Deg, Mm } from '../length/types.ts';

/** Which way a crease stands when the outside of the blank faces you. */
export type CreaseDirection = 'mountain' | 'valley';
export type PaperSide = 'outside' | 'inside';

/** A face between folds, on the flat blank with its outside up. */
export interface Panel {
  readonly id: string;
  readonly name: string;
  readonly outline: Polygon;
  /** The upright box round the outline. */
  readonly box: Box;
}

export interface Crease {
  readonly id: string;
  readonly from: Point;
  readonly to: Point;
  readonly direction: CreaseDirection;
  /** How far the panels turn towards each other when the card is shut. */
  readonly shutDeg: Deg;
  /** The two panels it joins. */
  readonly joins: readonly [string, string];
}

/** What a cut by hand is made with, and so what to be careful of. */
export type HandTool = 'knife' | 'punch';

/** A cut within the outline. */
export interface BlankCut {
  readonly id: string;
  /** Open, so that nothing falls out; closed, to hang, hold or grip by; or closed, to be looked through. */
  readonly kind: 'slit' | 'hole' | 'window';
  /** What it is, for people. */
  readonly name: string;
  /** How a maker without a machine cuts it, in a few words and in a sentence. */
  readonly byHand: { readonly title: string; readonly says: string; readonly tool: HandTool };
  /** From end to end, or once round without the first point repeated. */
  readonly points: Polygon;
}

/** What comes out of a sheet, lying flat: an outline, lines to fold along and cuts within; its box starts at the origin. */
export interface FlatBlank {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly outline: Polygon;
  readonly creases: readonly {
    readonly id: string;
    readonly from: Point;
    readonly to: Point;
    /** Toward who sees it as it is drawn; away where nothing is said. */
    readonly way?: 'toward' | 'away';
  }[];
  readonly cuts: readonly BlankCut[];
}

/** A line as a tool presses it, one way all along. */
export interface PressedLine extends Pick<Crease, 'id' | 'from' | 'to' | 'direction'> {
  /** It bends what is cut into the card, and none of its panels; what it is, for people. */
  readonly cutIn?: string;
}

/** A blank that the simulator folds, drawn with its outside up. */
export interface Blank extends FlatBlank {
  readonly panels: readonly Panel[];
  readonly creases: readonly Crease[];
  /** Where what is cut in parts a crease or brings its own: every line as it is pressed. The creases where left out. */
  readonly pressed?: readonly PressedLine[];
}

/** How far each crease is folded; a crease not named is flat. */
export type FoldState = Readonly<Record<string, Deg>>;

/** One movement of the hands on the way from flat to shut. */
export interface FoldStep {
  readonly creaseIds: readonly string[];
  /** What to do, as it is said at the bench. */
  readonly says: string;
}

/** One face of one panel and how a reader comes to see it. */
export interface FaceRule {
  readonly id: string;
  readonly name: string;
  readonly panelId: string;
  readonly side: PaperSide;
  /** Steps of the folding that are done when it is read: all of them for the front, none when flat open. */
  readonly afterSteps: number;
  /** From the front, or after turning the card like a page. */
  readonly readFrom: 'front' | 'behind';
}

/** A way of folding: the blank, the folding, which panel greets the reader and which stays on the table. */
export interface FoldedForm {
  readonly blank: Blank;
  readonly steps: readonly FoldStep[];
  /** A reader undoes the steps one by one, or pulls all creases open at once. */
  readonly opens: 'inTurn' | 'together';
  readonly frontPanelId: string;
  readonly restingPanelId: string;
  readonly faces: readonly FaceRule[];
  /** How its creases are bent when it stands on a table; null for what only lies. */
  readonly standing: FoldState | null;
  /** Panels that are glued to what they come to lie on; none when nothing is said. */
  readonly glued?: readonly string[];
}
