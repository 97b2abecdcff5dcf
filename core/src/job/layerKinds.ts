import type { Mm } from '../ground/length/types.ts';

/**
 * Paper beside the card’s own: what lies on its faces or in its fold, and what goes round it or hangs on it.
 * A mat decorates, a writing panel takes a pen, a lining is glued on whole and trimmed flush with the card, a lid opens
 * inside a rim that is glued down, an insert is a folded leaf, a pop-up moves as the card opens; a band goes round one card, a sleeve round a pack of them.
 */
export const LAYER_KINDS = ['mat', 'writing', 'lining', 'lid', 'insert', 'popUp', 'tag', 'band', 'sleeve'] as const;
export type LayerKind = (typeof LAYER_KINDS)[number];
/** A tag’s patch is a piece of its own. */
export type LayerPieceKind = LayerKind | 'patch';
export type WrapKind = Extract<LayerKind, 'tag' | 'band' | 'sleeve'>;

export const isWrap = (kind: LayerPieceKind): kind is WrapKind | 'patch' =>
  kind === 'tag' || kind === 'patch' || kind === 'band' || kind === 'sleeve';

/** What lies on a face of the card. */
export const isOnFace = (kind: LayerKind): boolean => !isWrap(kind) && kind !== 'insert' && kind !== 'popUp';

export const isWrapKind = (kind: LayerKind): kind is WrapKind => isWrap(kind);

/** What is asked of a tag, a band or a sleeve; each takes what is its own. */
export interface Wrap {
  /** Of a tag. */
  readonly widthMm: Mm;
  /** Of a tag, shut; of a band, along the card. */
  readonly heightMm: Mm;
  /** Across; none when nought. */
  readonly holeMm: Mm;
  /** Cut off at the head of a tag that is not folded. */
  readonly cornerMm: Mm;
  readonly folded: boolean;
  /** A ring of the same stock is glued round the hole. */
  readonly patch: boolean;
  /** What overlaps where the ends meet. */
  readonly lapMm: Mm;
  /** Room beside what it goes round. */
  readonly easeMm: Mm;
  /** Round the card from head to foot, and not from side to side. */
  readonly down: boolean;
}

const START: Wrap = {
  ...{ widthMm: 40, heightMm: 70, holeMm: 4, cornerMm: 10, folded: false, patch: false },
  ...{ lapMm: 15, easeMm: 1, down: false },
};
/** The rim of a lid, and which of its edges it hangs by: our starting values. */
export const LID_START = { rimMm: 10, hinge: 'left' } as const;

/** What they begin with: our starting values. */
export const WRAP_STARTS: Readonly<Record<WrapKind, Wrap>> = {
  tag: START,
  band: { ...START, heightMm: 35 },
  sleeve: { ...START, easeMm: 1.5 },
};
