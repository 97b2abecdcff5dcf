import type { FormatInput } from '../types.ts';

/** How many panels, from the least to the most. */
export const panels = (least: number, most: number): FormatInput => ({
  id: 'panels',
  label: 'Panels',
  kind: 'number',
  unit: 'panels',
  whole: true,
  limits: () => [least, most],
});
export const shortFront = (along: 'widthMm' | 'heightMm'): FormatInput => ({
  id: 'shortFrontMm',
  label: 'Front shorter by',
  says: 'The inside shows past the front’s free edge.',
  kind: 'length',
  mayBeNull: false,
  limits: (finish) => [0, finish[along] * 0.7],
});
export const shorten: FormatInput = {
  id: 'shortenMm',
  label: 'Shorten each wrap by',
  says: 'Left empty, it follows the card’s thickness.',
  kind: 'length',
  mayBeNull: true,
  limits: ({ widthMm }) => [0, widthMm * 0.1],
};
export const spine = (label: string, most: (widthMm: number) => number): FormatInput => ({
  id: 'spineMm',
  label,
  kind: 'length',
  mayBeNull: false,
  limits: ({ widthMm }) => [1, most(widthMm)],
});
