import type { Affine } from '../../../ground/geometry/affine.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { BodyRef, CreaseRef, LinkPart, PageId, Strap } from '../../../ground/linkage/types.ts';
import type { MechanismId, PopUp } from '../../../job/popUps.ts';
import type { Blank, BlankCut } from '../../../ground/fold/types.ts';

/** One side of a gutter: a body, and where the gutter’s plane lies on it. */
export interface GutterSide {
  readonly body: BodyRef;
  /** From the plane of the open gutter, seen by its reader, to the body’s own flat blank. */
  readonly toBody: Affine;
}

/** Two bodies that open about a line, which runs down x = 0 of the gutter’s plane; `a` lies left of it, `b` right. */
export interface Gutter {
  readonly a: GutterSide;
  readonly b: GutterSide;
  /** As it is offered to be put over. */
  readonly name: string;
  /** To the open pages, where both its sides are of the card’s own blank and lie flat in one plane when it does. */
  readonly inCard?: Affine;
}

/**
 * A place that a figure, a lid or a strap is glued to: the middle of its foot and which way is up, on a body’s blank with
 * that side up which is seen.
 */
export interface Seat {
  readonly body: BodyRef;
  readonly foot: Point;
  /** A unit vector on the blank; the reader sees its right hand to the right of it. */
  readonly up: Point;
  readonly name: string;
  /** Of a page of the card: all of it, and which way is up as its reader sees it. */
  readonly page?: { readonly outline: Polygon; readonly reads: Point };
}

/** A piece of a pop-up as it is cut and folded, and where it is glued. */
export interface PopUpPart extends LinkPart {
  readonly name: string;
  /** Panels that are glued down and carry nothing to be seen. */
  readonly tabs: readonly string[];
  /** Tabs that lie before the piece, where who looks sees them. */
  readonly showing: readonly string[];
  /** A picture of the layer goes on this one: upright on its blank, or as the pages are read. */
  readonly carries: 'nothing' | 'upright' | 'asRead';
  /** It is no piece of its own but freed by slits from what lies flat on both sides of this gutter; its tabs are left there. */
  readonly cutFrom?: Gutter & Required<Pick<Gutter, 'inCard'>>;
  /** Moved by hand: held by a pin or by what is glued over it, and glued to nothing itself. */
  readonly isLoose?: true;
  /** It lies over this part of its own pop-up, and not on the page itself. */
  readonly over?: string;
}

/** A hole or a window in a page. */
export interface Opening extends Pick<BlankCut, 'id' | 'kind' | 'name'> {
  readonly page: PageId;
  readonly outline: Polygon;
  /** It opens the page’s edge on purpose. */
  readonly isAtEdge?: true;
  readonly says: string;
}

/** A strip that bends: it is drawn from end to end, and lies in no plane. */
export interface PopUpBand extends Strap {
  readonly name: string;
  readonly blank: Blank;
  readonly widthMm: Mm;
  /** Which way is up on the bodies that it is glued to, at its one end and its other; unit vectors on their blanks. */
  readonly ups: readonly [Point, Point];
}

/** A pleated strip, gathered at a point of the gutter and opened into a sector. */
export interface PopUpFan {
  readonly id: string;
  readonly name: string;
  readonly gutter: Gutter;
  /** Where along the gutter its middle is. */
  readonly alongMm: Mm;
  /** Pleats that the sector has, of such a width and length. */
  readonly pleats: number;
  readonly pleatMm: Mm;
  readonly lengthMm: Mm;
  readonly blank: Blank;
}

/** A mechanism made for one place: its pieces, and what others may be put on. */
export interface MadePopUp {
  readonly parts: readonly PopUpPart[];
  readonly bands?: readonly PopUpBand[];
  readonly fans?: readonly PopUpFan[];
  readonly alike?: readonly (readonly [CreaseRef, CreaseRef])[];
  readonly gutters?: Readonly<Record<string, Gutter>>;
  readonly seats?: Readonly<Record<string, Seat>>;
  /** What is cut out of a page of the card for it, on that page. */
  readonly openings?: readonly Opening[];
  /** A crease that is bent by a strap only. */
  readonly lifts?: CreaseRef;
}

export type PopUpInput = {
  /** Asked only where this holds of what else was chosen; always where nothing is said. */
  readonly when?: (popUp: PopUp) => boolean;
  /** How far it may go stands with the job’s limits, under its own name. */
  readonly id: keyof PopUp;
  readonly label: string;
  readonly says?: string;
} & (
  | { readonly kind: 'length'; readonly mayBeNull?: boolean }
  | { readonly kind: 'angle' }
  | { readonly kind: 'number' }
  /** SVG path data. */
  | { readonly kind: 'path' }
  | { readonly kind: 'choice'; readonly choices: readonly { readonly id: string; readonly name: string }[] }
);

/** Where a mechanism is put: what it needs is there, or it cannot be made. */
export interface Site {
  readonly layerId: string;
  readonly gutter: Gutter | null;
  readonly seat: Seat | null;
  /** Where a strap’s other end goes. */
  readonly other: Seat | null;
}

/** A length in the maker’s unit. */
export type Far = (mm: Mm) => string;
/** A sentence, or one that tells lengths. */
export type Said = string | ((far: Far) => string);

/** What would mend it: tried before it is offered. */
export interface Mend {
  readonly label: Said;
  readonly part: Partial<PopUp>;
}

export type Made =
  | { readonly ok: true; readonly made: MadePopUp }
  | {
      readonly ok: false;
      readonly title: string;
      readonly why: Said;
      readonly mends: readonly Mend[];
    };

/** One way for paper to move as a card opens: all there is to know of it, in one file. */
export interface Mechanism {
  readonly id: MechanismId;
  readonly name: string;
  readonly says: string;
  /** It seen from its side, as SVG path data in a box of 40 × 24, drawn by us. */
  readonly mark: string;
  readonly sits: 'gutter' | 'seat' | 'seats';
  /** How its place is asked for, where it is neither put over nor glued to it. */
  readonly placed?: string;
  readonly inputs: readonly PopUpInput[];
  readonly make: (popUp: PopUp, site: Site) => Made;
  /** What lets it open flat, told by how much it is too short there. */
  readonly opensFlat?: (
    popUp: PopUp,
    shortMm: Mm,
  ) => readonly { readonly label: string; readonly part: Partial<PopUp> }[];
}
