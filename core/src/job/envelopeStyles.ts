/** Names of the ways of making an envelope, as job files write them; what each is stands in a file of its own at Envelope. */
export const ENVELOPE_STYLE_IDS = ['sideSeam', 'squareFlap', 'pointed', 'pocket', 'deep', 'ownShape'] as const;
/** Faces of an envelope that may carry art, beside those of the card. */
export const ENVELOPE_FACE_IDS = [
  'envelopeFront',
  'envelopeBack',
  'envelopeFlap',
  'envelopeFlapInside',
  'envelopeLiner',
] as const;
/** Flaps of envelopes that are bought, by how they narrow from the fold to the tip. */
export const BOUGHT_FLAPS = ['leaning', 'square', 'pointed'] as const;
export type BoughtFlapShape = (typeof BOUGHT_FLAPS)[number];
export type EnvelopeStyleId = (typeof ENVELOPE_STYLE_IDS)[number];
