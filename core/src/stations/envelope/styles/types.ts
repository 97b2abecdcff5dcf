import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Deg, Mm } from '../../../ground/length/types.ts';
import type { EnvelopeStyleId } from '../../../job/envelopeStyles.ts';

/** What a style builds from. Its opening is on top, so the inside is as wide as the opening is long. */
export interface EnvelopeMeasures {
  readonly insideWidthMm: Mm;
  readonly insideHeightMm: Mm;
  /** Between front and back, for a style with walls. */
  readonly depthMm: Mm;
  /** What is glued of one part on another, across. */
  readonly seamMm: Mm;
  readonly flapMm: Mm;
  /** How far the back stops short of the opening, so that fingers find the card. */
  readonly throatMm: Mm;
  /** Radius of the free corners. */
  readonly cornerMm: Mm;
  /** Path data of an outline of one’s own; empty where there is none. */
  readonly path: string;
}

/**
 * A part of an envelope lying flat with its inside up, in the frame of the front: origin its top left, the opening on
 * top. Points run clockwise; the first two are the crease it hangs by, save for the front, which hangs by none.
 */
export interface EnvelopePanel {
  readonly id: string;
  readonly name: string;
  readonly outline: Polygon;
  readonly hangs: {
    readonly on: string;
    readonly crease: string;
    /** How far it is folded once the envelope holds its card. */
    readonly shutDeg: Deg;
    /** Away from who sees the inside only for a pleat. */
    readonly way: 'toward' | 'away';
  } | null;
}

/** A part glued on another: where they lie on each other, and on which of the two the glue goes. */
export interface Bond {
  readonly id: string;
  readonly name: string;
  /** Nearer to who looks at the back. */
  readonly over: string;
  readonly under: string;
  readonly glueOn: 'over' | 'under';
}

/** Something done at the bench, in order; what it folds, where it folds. */
export interface EnvelopeStep {
  readonly says: string;
  readonly folds?: readonly string[];
}

export interface EnvelopeParts {
  readonly panels: readonly EnvelopePanel[];
  /** Those that make it; the last closes it, and is glued once the card is in. */
  readonly bonds: readonly [Bond, ...Bond[]];
  readonly steps: readonly EnvelopeStep[];
}

/** What a style asks beside its contents and ease. */
export type EnvelopeAsk = 'seamMm' | 'flapMm' | 'throatMm' | 'path';

/** A way of making an envelope from one sheet: all there is to know of it, in one file. */
export interface EnvelopeStyle {
  readonly id: EnvelopeStyleId;
  readonly name: string;
  /** The same before “envelope”, within a sentence. */
  readonly inWords: string;
  readonly says: string;
  /** Its outline, flap up: SVG path data in a box of 40 × 24, drawn by us. */
  readonly mark: string;
  /** Which side of its inside the card goes in by. */
  readonly opens: 'long' | 'short';
  /** Has walls, so that the thickness of the card takes nothing of its width and height. */
  readonly walls: boolean;
  readonly asks: readonly EnvelopeAsk[];
  /** How deep the flap is where nothing is said, mm. */
  readonly flapMm: (of: Pick<EnvelopeMeasures, 'insideWidthMm' | 'insideHeightMm' | 'seamMm' | 'throatMm'>) => Mm;
  /** Total for any measures within the limits of a job. */
  readonly parts: (measures: EnvelopeMeasures) => EnvelopeParts;
  /** Cut on the slant from an upright square, where the front lies turned in it. */
  readonly turnDeg: Deg;
  /** How the blank’s size comes about, in words. */
  readonly working: string;
  /** Why an outline of one’s own cannot be used, as the end of a sentence; null where it can, or is not asked for. */
  readonly fault?: (measures: EnvelopeMeasures) => string | null;
}
