import type { Colour } from './types.ts';

export type ParsedColour =
  | { readonly ok: true; readonly colour: Colour }
  /** Completes a sentence that begins with the field: “wants …”. */
  | { readonly ok: false; readonly why: string };

const WANTS = 'wants a colour such as #1d5a68, 29 90 104 for red, green and blue, or C80 M30 Y40 K20';
const refused: ParsedColour = { ok: false, why: WANTS };

/**
 * A colour as makers have it written down: `#1d5a68` or `1d5` as web pages have it, `29 90 104` or `rgb(29, 90, 104)` in
 * red, green and blue from 0 to 255, `C80 M30 Y40 K20` or `cmyk(80%, 30%, 40%, 20%)` in hundredths of ink.
 * @returns sRGB; inks by the plain formula, which is what a screen can say of them without knowing the press
 * Source: CSS Color Module Level 5, “Naively Converting Between CMYK and RGBA”
 */
export function parseColour(text: string): ParsedColour {
  const plain = text.trim().toLowerCase();
  const hex = /^#?([0-9a-f]{3}|[0-9a-f]{6})$/.exec(plain)?.[1];
  // Three numbers run together are hex: “123” is no colour of red, green and blue.
  if (hex) return { ok: true, colour: `#${hex.length === 3 ? [...hex].map((digit) => digit + digit).join('') : hex}` };
  const shape = /^(rgb|cmyk)?\s*\(?([^()]*)\)?$/.exec(plain);
  if (!shape) return refused;
  const inks = /^c\D*[\d.]+.*m\D*[\d.]+.*y\D*[\d.]+.*k\D*[\d.]+/.test(shape[2]!);
  const parts = shape[2]!
    .replace(/%/g, ' ')
    .replace(inks ? /[cmyk]/g : /[rgb]/g, ' ')
    .split(/[\s,;/]+/)
    .filter((part) => part !== '');
  if (parts.some((part) => !/^\d+(\.\d+)?$/.test(part))) return refused;
  const numbers = parts.map(Number);
  if (numbers.length === 3 && shape[1] !== 'cmyk' && numbers.every((n) => n <= 255))
    return { ok: true, colour: hexOf(numbers) };
  if (numbers.length === 4 && shape[1] !== 'rgb' && numbers.every((n) => n <= 100)) {
    const [c, m, y, k] = numbers.map((n) => n / 100) as [number, number, number, number];
    return { ok: true, colour: hexOf([c, m, y].map((ink) => 255 * (1 - Math.min(1, ink * (1 - k) + k)))) };
  }
  return refused;
}

const hexOf = (channels: readonly number[]): Colour =>
  `#${channels.map((n) => Math.round(n).toString(16).padStart(2, '0')).join('')}`;
