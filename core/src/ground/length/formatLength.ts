import { fixed } from './rounding.ts';
import { MM_PER_INCH, type LengthUnit, type Mm } from './types.ts';

/** A thirty-second of an inch is a whole number of nanometres. */
const NM_PER_32ND = (MM_PER_INCH * 1e6) / 32;
/** A residue under this much is below what a ruler or a blade can hold, so it is not shown. */
const RESIDUE_SHOWN_MM = 0.1;

/**
 * Writes a length for a maker: millimetres to one decimal, or inches to the nearest 1/32 in lowest terms,
 * with what is left over in millimetres when it is over 0.1 mm.
 * @example formatLength(139.7, 'in') === '5 1/2 in'
 */
export function formatLength(mm: Mm, unit: LengthUnit): string {
  if (unit === 'mm') return `${trimZero(fixed(mm, 1))} mm`;
  const nanometres = Math.round(Math.abs(mm) * 1e6);
  // Every sixteenth is a thirty-second too, and the fraction is written in its lowest terms.
  const parts = Math.floor((nanometres + NM_PER_32ND / 2) / NM_PER_32ND);
  const residueMm = (nanometres - parts * NM_PER_32ND) / 1e6;
  const sign = mm < 0 && nanometres > 0 ? '−' : '';
  const residue =
    Math.abs(residueMm) > RESIDUE_SHOWN_MM ? ` ${residueMm > 0 ? '+' : '−'} ${fixed(Math.abs(residueMm), 1)} mm` : '';
  return `${sign}${fraction(parts)} in${residue}`;
}

/** Two lengths with one unit between them, as sizes are spoken: `4 1/4 × 5 1/2 in`. */
export function formatSize(widthMm: Mm, heightMm: Mm, unit: LengthUnit): string {
  const [width, height] = [formatLength(widthMm, unit), formatLength(heightMm, unit)];
  return width.endsWith(` ${unit}`) && height.endsWith(` ${unit}`)
    ? `${width.slice(0, -unit.length - 1)} × ${height}`
    : `${width} × ${height}`;
}

function trimZero(text: string): string {
  const plain = text.replace(/\.0$/, '');
  return plain === '-0' ? '0' : plain.replace('-', '−');
}

/** Thirty-seconds in lowest terms. */
function fraction(parts: number): string {
  const whole = Math.floor(parts / 32);
  let top = parts % 32;
  if (top === 0) return String(whole);
  let bottom = 32;
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  return whole === 0 ? `${top}/${bottom}` : `${whole} ${top}/${bottom}`;
}
