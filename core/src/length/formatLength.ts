import { MM_PER_INCH, type LengthUnit, type Mm } from './types.ts';

/** A residue under this much is below what a ruler or a blade can hold, so it is not shown. */
const RESIDUE_SHOWN_MM = 0.1;

/**
 * Writes a length for a maker: millimetres to one decimal, or inches to the nearest 1/32 in lowest terms,
 * with what is left over in millimetres when it is over 0.1 mm.
 * @example formatLength(139.7, 'in') === '5 1/2 in'
 */
export function formatLength(mm: Mm, unit: LengthUnit): string {
  if (unit === 'mm') return `${trimZero(mm.toFixed(1))} mm`;
  const sign = mm < 0 ? '−' : '';
  const inches = Math.abs(mm) / MM_PER_INCH;
  // Every sixteenth is a thirty-second too, and the fraction is written in its lowest terms.
  const shown = Math.round(inches * 32) / 32;
  const residueMm = (inches - shown) * MM_PER_INCH;
  const residue =
    Math.abs(residueMm) > RESIDUE_SHOWN_MM ? ` ${residueMm > 0 ? '+' : '−'} ${Math.abs(residueMm).toFixed(1)} mm` : '';
  return `${sign}${fraction(shown)} in${residue}`;
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

function fraction(inches: number): string {
  const whole = Math.floor(inches + 1e-9);
  let top = Math.round((inches - whole) * 32);
  if (top === 0) return String(whole);
  let bottom = 32;
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  return whole === 0 ? `${top}/${bottom}` : `${whole} ${top}/${bottom}`;
}
