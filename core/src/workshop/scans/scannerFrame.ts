import { MM_PER_INCH, type Mm } from '../../ground/length/types.ts';
import { findPaper } from './findPaper.ts';
import type { GreyImage, ScanFrame, ScanRead } from './types.ts';

/** Plastic cards of the usual size. Source: ISO/IEC 7810, ID-1 */
export const KNOWN_CARD_MM = { long: 85.6, short: 53.98 } as const;
/** Scanners that are farther off than this are not scanners, or the card is another. */
const MOST_OFF = 0.04;

/** What a scanner says of itself. */
export const frameOfDpi = (dpi: number): ScanFrame => [MM_PER_INCH / dpi, 0, 0, MM_PER_INCH / dpi, 0, 0];

/**
 * A scanner’s own scale, each way, and how far its two ways are from square, from a scan of one card of known size on a
 * dark ground: what it makes of the card is taken out of every later scan.
 */
export function scannerFrame(
  image: GreyImage,
  dpi: number,
  known: { readonly long: Mm; readonly short: Mm } = KNOWN_CARD_MM,
): ScanRead<ScanFrame> {
  const papers = findPaper(image, frameOfDpi(dpi));
  const [only] = papers;
  if (!only || papers.length > 1)
    return {
      ok: false,
      why: `One card of known size alone on a dark ground is wanted; ${papers.length} pieces were found.`,
    };
  const { left, right, top, bottom } = only.edges;
  if (!left || !right || !top || !bottom)
    return { ok: false, why: 'The card of known size must lie whole on the glass, with dark ground on all sides.' };
  const gap = (a: typeof left, b: typeof left): Mm => {
    const [dx, dy] = [b.at.xMm - a.at.xMm, b.at.yMm - a.at.yMm];
    const one = Math.abs(dy * a.along.xMm - dx * a.along.yMm);
    const two = Math.abs(dy * b.along.xMm - dx * b.along.yMm);
    return (one + two) / 2;
  };
  const [wide, high] = [gap(left, right), gap(top, bottom)];
  const [trueWide, trueHigh] = wide >= high ? [known.long, known.short] : [known.short, known.long];
  const [across, down] = [trueWide / wide, trueHigh / high];
  if (Math.abs(across - 1) > MOST_OFF || Math.abs(down - 1) > MOST_OFF)
    return {
      ok: false,
      why: `What lies there is ${wide.toFixed(1)} × ${high.toFixed(1)} mm by the scanner’s own word, and a card of ${known.long} × ${known.short} mm is wanted.`,
    };
  // Its edges are square; what they are short of it in the scan is the scanner’s.
  const upright = (left.along.xMm * Math.sign(left.along.yMm) + right.along.xMm * Math.sign(right.along.yMm)) / 2;
  const level = (top.along.yMm * Math.sign(top.along.xMm) + bottom.along.yMm * Math.sign(bottom.along.xMm)) / 2;
  const shear = upright + level;
  const dot = MM_PER_INCH / dpi;
  return { ok: true, value: [across * dot, 0, -shear * dot * across, down * dot, 0, 0] };
}
