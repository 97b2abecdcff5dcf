import type { FlatBlank, FoldedForm } from '../../../ground/fold/types.ts';
import type { Affine } from '../../../ground/geometry/affine.ts';
import type { Path } from '../../../ground/geometry/path.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';

/** Where glue goes on the flat blank. */
export interface GlueArea {
  readonly id: string;
  readonly name: string;
  /** `outside` areas are on the other face of a blank that lies inside up. */
  readonly face: 'inside' | 'outside';
  readonly path: Path;
  readonly corners: readonly Point[];
}

/** An envelope lying flat with its inside up. */
export interface EnvelopeBlank extends FlatBlank {
  readonly creases: readonly {
    readonly id: string;
    readonly from: Point;
    readonly to: Point;
    /** It folds toward who sees the inside; away only in a pleat. */
    readonly way: 'toward' | 'away';
  }[];
  readonly glue: readonly GlueArea[];
  /** Names of parts; where a part is narrower than its name, whoever draws leaves it out. */
  readonly labels: readonly { readonly text: string; readonly at: Point; readonly roomMm: Mm }[];
  /** The front, turned with the blank. */
  readonly front: Polygon;
}

/** How what is glued holds. */
export interface Held {
  readonly id: string;
  readonly name: string;
  readonly over: string;
  readonly under: string;
  /** Where the two lie on each other, less the inset: in the front’s frame, seen from outside in front. Null where they do not. */
  readonly glued: Polygon | null;
  /** A strip of glue that is wide enough to hold fits in it. */
  readonly holds: boolean;
}

/** An envelope with all that folding tells of it. */
export interface BuiltEnvelope {
  readonly blank: EnvelopeBlank;
  /** Outside up, its front upright. */
  readonly form: FoldedForm;
  /** From the form’s blank, outside up, to this blank, inside up: it mirrors. */
  readonly toBlank: Affine;
  readonly held: readonly Held[];
  /** Of the front that nothing covers once all is shut; none of it wider than a hair’s slit. */
  readonly gaps: readonly Polygon[];
  /** Parts that reach past the front’s edge once they are folded, and how far. */
  readonly past: readonly { readonly name: string; readonly byMm: Mm }[];
}
