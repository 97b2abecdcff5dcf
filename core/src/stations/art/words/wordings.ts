import type { TextBlock } from '../../../job/types.ts';
import { MM_PER_POINT } from '../../../ground/length/types.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import { PAIRINGS } from './typefaces.ts';

/** How much a line weighs: the one that is read first, what it says, and what comes with it. */
type Weight = 'large' | 'plain' | 'small';

export interface Wording {
  readonly id: string;
  readonly name: string;
  readonly occasion: string;
  readonly lines: readonly (readonly [Weight, string])[];
}

/** Words to begin with, by occasion; whatever stands in braces can come from a list of names. */
export const WORDINGS: readonly Wording[] = [
  {
    id: 'birthday',
    occasion: 'Birthday',
    name: 'Another lap of the bay',
    lines: [
      ['small', 'another lap of the bay'],
      ['large', 'Happy Birthday'],
      ['plain', 'may the wind be kind'],
    ],
  },
  {
    id: 'birthday-name',
    occasion: 'Birthday',
    name: 'To somebody by name',
    lines: [
      ['small', 'a very happy day to'],
      ['large', '{name}'],
      ['plain', 'with love from all of us'],
    ],
  },
  {
    id: 'thanks',
    occasion: 'Thank you',
    name: 'A plain thank you',
    lines: [
      ['large', 'Thank You'],
      ['plain', 'for everything, and for the cake'],
    ],
  },
  {
    id: 'thanks-inside',
    occasion: 'Thank you',
    name: 'Inside: what it meant',
    lines: [
      ['plain', 'Dear {name},'],
      ['plain', 'thank you so much for'],
      ['large', 'your kindness'],
      ['small', 'It made all the difference.'],
    ],
  },
  {
    id: 'supper',
    occasion: 'Invitation',
    name: 'A supper by lantern light',
    lines: [
      ['small', 'please come to'],
      ['large', 'Supper'],
      ['plain', 'Saturday, seven o’clock'],
      ['small', '{place}'],
    ],
  },
  {
    id: 'supper-name',
    occasion: 'Invitation',
    name: 'Invited by name',
    lines: [
      ['small', 'we should be so glad if'],
      ['large', '{name}'],
      ['plain', 'would join us at the long table'],
      ['small', 'Saturday, seven o’clock'],
    ],
  },
  {
    id: 'home',
    occasion: 'New home',
    name: 'We have moved',
    lines: [
      ['small', 'the kettle is unpacked'],
      ['large', 'We Have Moved'],
      ['plain', '{place}'],
    ],
  },
  {
    id: 'baby',
    occasion: 'New arrival',
    name: 'Hello, little one',
    lines: [
      ['small', 'hello'],
      ['large', 'Little One'],
      ['plain', 'we have been looking forward to you'],
    ],
  },
  {
    id: 'well',
    occasion: 'Get well',
    name: 'Calmer water',
    lines: [
      ['large', 'Calmer Water'],
      ['plain', 'soon, and until then plenty of soup'],
    ],
  },
  {
    id: 'sorry',
    occasion: 'Sympathy',
    name: 'Thinking of you',
    lines: [
      ['small', 'with all our hearts we are'],
      ['large', 'Thinking of You'],
    ],
  },
  {
    id: 'winter',
    occasion: 'Winter',
    name: 'Lights in the harbour',
    lines: [
      ['small', 'the lights are up in the harbour'],
      ['large', 'Warm Winter Wishes'],
      ['plain', 'from our door to yours'],
    ],
  },
  {
    id: 'hello',
    occasion: 'For no reason',
    name: 'Just a wave',
    lines: [
      ['large', 'Just a Wave'],
      ['plain', 'to say we miss you'],
    ],
  },
  {
    id: 'luck',
    occasion: 'Good luck',
    name: 'Fair winds',
    lines: [
      ['large', 'Fair Winds'],
      ['plain', 'we are all on the quay, cheering'],
    ],
  },
  {
    id: 'place',
    occasion: 'Place card',
    name: 'A name and a table',
    lines: [
      ['large', '{name}'],
      ['small', 'table {table}'],
    ],
  },
  {
    id: 'voucher',
    occasion: 'Voucher',
    name: 'Good for one',
    lines: [
      ['small', 'this is good for'],
      ['large', 'One Boat Trip'],
      ['plain', 'round the lighthouse and home for tea'],
      ['small', 'ask at the net loft'],
    ],
  },
];

/** Type sizes of the weights against the plain one, and the space before a line in its own size. */
const SIZES: Readonly<Record<Weight, { readonly scale: number; readonly before: number }>> = {
  large: { scale: 2.6, before: 0.35 },
  plain: { scale: 1, before: 0.9 },
  small: { scale: 0.8, before: 0.9 },
};
const LINE = 1.25;
/** Words fill this much of the safe height at the most, and no plain line is larger than this. */
const FILLS = 0.72;
/** Swashes of a script reach out of the width that a line is set to. */
const WIDE = 0.9;
const LARGEST_PLAIN_PT = 17;
const SMALLEST_PT = 7;

/**
 * Blocks of words that stand in the middle of a face’s safe box, one a line, the important one larger and in the
 * pairing’s display face. Every line shrinks rather than break, so that names of any length keep the order of things.
 */
export function wordFace(
  { lines }: Wording,
  safe: Box,
  {
    pairing = PAIRINGS[0]!,
    colour,
    idOf,
  }: { readonly pairing?: (typeof PAIRINGS)[number]; readonly colour: string; readonly idOf: (i: number) => string },
): readonly TextBlock[] {
  const ems = lines.reduce(
    (sum, [weight], i) => sum + SIZES[weight].scale * (LINE + (i > 0 ? SIZES[weight].before : 0)),
    0,
  );
  const plainPt = Math.max(
    SMALLEST_PT / SIZES.small.scale,
    Math.min(LARGEST_PLAIN_PT, (safe.heightMm * FILLS) / (ems * MM_PER_POINT), safe.widthMm / 16 / MM_PER_POINT / 1.6),
  );
  const roundPt = (pt: number): number => Math.max(SMALLEST_PT, Math.round(pt * 2) / 2);
  const sizes = lines.map(([weight]) => roundPt(plainPt * SIZES[weight].scale));
  const heights = sizes.map((pt, i) => {
    const size = pt * MM_PER_POINT;
    return { before: i > 0 ? size * SIZES[lines[i]![0]].before : 0, line: size * LINE };
  });
  const whole = heights.reduce((sum, { before, line }) => sum + before + line, 0);
  let y = safe.yMm + (safe.heightMm - whole) / 2;
  return lines.map(([weight, text], i): TextBlock => {
    y += heights[i]!.before;
    const topMm = Math.round(y * 10) / 10;
    y += heights[i]!.line;
    return {
      id: idOf(i),
      text,
      typefaceId: weight === 'large' ? pairing.large : pairing.plain,
      sizePt: sizes[i]!,
      align: 'centre',
      lineSpacing: LINE,
      colour,
      leftMm: safe.xMm + (safe.widthMm * (1 - WIDE)) / 2,
      topMm,
      widthMm: safe.widthMm * WIDE,
      fit: 'shrink',
      ...(weight === 'small' ? { letterSpacingEm: 0.04 } : {}),
    };
  });
}
