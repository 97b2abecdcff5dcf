import type { Box, Point } from '../geometry/types.ts';
import type { Deg, Mm } from '../length/types.ts';

/** Which way a crease stands when the outside of the blank faces you. */
export type CreaseDirection = 'mountain' | 'valley';
export type PaperSide = 'outside' | 'inside';

export interface Panel {
  readonly id: string;
  readonly name: string;
  /** On the flat blank, outside up. */
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

/** A flat outline before folding, drawn with its outside up. */
export interface Blank {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly panels: readonly Panel[];
  readonly creases: readonly Crease[];
}

/** How far each crease is folded, 0 flat to 1 shut; a crease not named is flat. */
export type FoldState = Readonly<Record<string, number>>;

/** One face of one panel and how a reader comes to see it. */
export interface FaceRule {
  readonly id: string;
  readonly name: string;
  readonly panelId: string;
  readonly side: PaperSide;
  /** The card is shut for some faces and open for others. */
  readonly readWhen: 'shut' | 'open';
  /** From the front, or after turning the card like a page. */
  readonly readFrom: 'front' | 'behind';
}

/** A way of folding: the blank, which panel greets the reader, which one stays on the table. */
export interface FoldedForm {
  readonly blank: Blank;
  readonly frontPanelId: string;
  readonly restingPanelId: string;
  readonly faces: readonly FaceRule[];
}
