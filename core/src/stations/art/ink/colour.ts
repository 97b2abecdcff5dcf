import type { Colour } from '../../../ground/scene/types.ts';

const channels = (colour: Colour): readonly number[] =>
  [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16) / 255);
const hex = (parts: readonly number[]): Colour =>
  `#${parts
    .map((v) =>
      Math.round(Math.min(1, Math.max(0, v)) * 255)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
const linear = (v: number): number => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
const encoded = (v: number): number => (v <= 0.0031308 ? v * 12.92 : 1.055 * v ** (1 / 2.4) - 0.055);

/** Relative luminance, 0 black to 1 white. Source: WCAG 2.2 */
export function luminance(colour: Colour): number {
  const [r, g, b] = channels(colour).map(linear) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** From 1, the same, to 21. Source: WCAG 2.2 */
export function contrast(a: Colour, b: Colour): number {
  const [low, high] = [luminance(a), luminance(b)].sort((p, q) => p - q) as [number, number];
  return (high + 0.05) / (low + 0.05);
}

/**
 * What an ink comes to on a coloured stock: the light that the ink lets through is sent back by the stock, so that
 * their reflectances multiply. White ink on a printer without white is no ink at all.
 */
export const printedOn = (ink: Colour, stock: Colour): Colour => {
  const paper = channels(stock).map(linear);
  return hex(channels(ink).map((v, i) => encoded(linear(v) * paper[i]!)));
};

/** What words are set in where nothing else is asked for: dark on pale grounds, pale on dark ones. */
export const INKS = { dark: '#1d2930', pale: '#fdf3d8' } as const;

/** Pale ink on a dark ground, dark on any other and on bare card. */
export const inkOn = (background: Colour | null): Colour =>
  background !== null && luminance(background) < 0.35 ? INKS.pale : INKS.dark;

/** A colour that a reader calls black: on a press it is black ink alone, so that nothing has to fall on anything else. */
export function isPressBlack(colour: Colour): boolean {
  const parts = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));
  return Math.max(...parts) <= 0x40 && Math.max(...parts) - Math.min(...parts) <= 0x20;
}
