import type { TextBlock } from '../../../job/types.ts';
import { MM_PER_POINT } from '../../../ground/length/types.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import { PAIRINGS } from './typefaces.ts';
import type { Weight, Wording } from './wordingSet.ts';

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
