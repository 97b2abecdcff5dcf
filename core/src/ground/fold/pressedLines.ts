import type { Blank, PressedLine } from './types.ts';

/** Every line that a tool presses: the creases, but for where what is cut into the card parts them. */
export const pressedLines = ({ pressed, creases }: Pick<Blank, 'pressed' | 'creases'>): readonly PressedLine[] =>
  pressed ?? creases;
