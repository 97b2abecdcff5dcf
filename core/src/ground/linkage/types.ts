import type { Affine } from '../geometry/affine.ts';
import type { Point } from '../geometry/types.ts';
import type { Deg, Mm } from '../length/types.ts';
import type { Blank, FoldState } from '../fold/types.ts';

/**
 * Two pages that open about a gutter, seen by their reader wide open: the gutter runs down x = 0, page a lies to its left,
 * page b to its right, y runs down. Page a keeps its place.
 */
export const PAGES = ['a', 'b'] as const;
export type PageId = (typeof PAGES)[number];

/** A rigid piece of card: a page, or a panel of a part. */
export interface BodyRef {
  /** Null for a page. */
  readonly partId: string | null;
  readonly panelId: string;
}

export const bodyKey = ({ partId, panelId }: BodyRef): string => (partId === null ? panelId : `${partId}/${panelId}`);

/** Card glued to card: a panel of a part lies flat on a page or on a panel of another part. */
export interface Joint {
  readonly id: string;
  readonly panelId: string;
  readonly on: BodyRef;
  /**
   * From the part’s flat blank to the other’s, where the two lie on each other: rigid, and mirrored where the part’s
   * outside is glued to what the other shows.
   */
  readonly onto: Affine;
  /** It lies under what carries it, where that one’s outside does not show it. */
  readonly under?: true;
}

/**
 * A piece of card with creases. Its first joint carries it, on a page or on a part before it; each further one closes a
 * loop, which rigid card may not be able to.
 */
export interface LinkPart {
  readonly id: string;
  readonly blank: Blank;
  readonly joints: readonly [Joint, ...Joint[]];
  /** Degrees by which its creases are folded between shut pages. */
  readonly shut: FoldState;
  /**
   * About what they come to with the pages flat: it only says which way each of them goes. One that says the same as shut
   * rests there until a strap pulls it.
   */
  readonly flat: FoldState;
}

/** A band that bends but does not stretch, from a point of one body to a point of another. */
export interface Strap {
  readonly id: string;
  readonly from: { readonly body: BodyRef; readonly at: Point };
  readonly to: { readonly body: BodyRef; readonly at: Point };
  readonly longMm: Mm;
}

export interface Linkage {
  /** What carries a part comes before it. */
  readonly parts: readonly LinkPart[];
  readonly straps: readonly Strap[];
  /** Creases that move alike where the card leaves them free to sway. */
  readonly alike: readonly (readonly [CreaseRef, CreaseRef])[];
}

export interface CreaseRef {
  readonly partId: string;
  readonly creaseId: string;
}

/** How far every crease of every part is folded. */
export type LinkState = Readonly<Record<string, FoldState>>;

/** One opening of the pages: 0 shut, 180 flat. */
export interface Moment {
  readonly openDeg: Deg;
  readonly state: LinkState;
  /**
   * By joint or strap, how far it is from where the glue holds it, mm: nothing where the loop closes, and what must
   * stretch, buckle or tear where it does not.
   */
  readonly gapsMm: Readonly<Record<string, Mm>>;
}
