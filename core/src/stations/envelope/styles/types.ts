import type { FlatBlank } from '../../../ground/fold/types.ts';
import type { Path } from '../../../ground/geometry/path.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { EnvelopeStyleId } from '../../../job/envelopeStyles.ts';

/** Inside up: every crease folds towards you. */
export interface EnvelopeBlank extends FlatBlank {
  /** `outside` areas are on the other face of the blank. */
  readonly glue: readonly {
    readonly id: string;
    readonly name: string;
    readonly face: 'inside' | 'outside';
    readonly path: Path;
    readonly corners: readonly Point[];
  }[];
  readonly labels: readonly { readonly text: string; readonly at: Point }[];
}

export interface EnvelopeSize {
  readonly insideWidthMm: Mm;
  readonly insideHeightMm: Mm;
  readonly seamMm: Mm;
  readonly flapMm: Mm;
}

/** A way of making an envelope from one sheet: all there is to know of it, in one file. */
export interface EnvelopeStyle {
  readonly id: EnvelopeStyleId;
  readonly name: string;
  /** The same before “envelope”, within a sentence. */
  readonly inWords: string;
  readonly says: string;
  /** Its outline, flap up: SVG path data in a box of 40 × 24, drawn by us. */
  readonly mark: string;
  /** How deep the flap is where nothing is said, mm. */
  readonly flapMm: (insideHeightMm: Mm) => Mm;
  /** The least that still holds, and why it is that. */
  readonly leastFlap: { readonly mm: Mm; readonly why: string };
  readonly blank: (size: EnvelopeSize) => EnvelopeBlank;
  /** How the blank’s size comes about, in words. */
  readonly working: string;
  /** Folding and gluing, in order. */
  readonly steps: readonly string[];
}
