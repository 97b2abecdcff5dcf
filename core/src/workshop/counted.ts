/** Shelves of the workshop whose things are counted. */
export const COUNTED_SHELVES = ['stocks', 'envelopes', 'trimmings'] as const;
export type CountedShelf = (typeof COUNTED_SHELVES)[number];

/** Something on a shelf, by its place. */
export interface ThingRef {
  readonly shelf: CountedShelf;
  readonly thingId: string;
}
export const thingKey = ({ shelf, thingId }: ThingRef): string => `${shelf} ${thingId}`;

/** What cards take of one thing on the shelf. */
export interface Take extends ThingRef {
  /** Of a sheet so many cards are made, of anything else each card has so many. */
  readonly per: { readonly kind: 'sheet'; readonly cards: number } | { readonly kind: 'card'; readonly count: number };
}
