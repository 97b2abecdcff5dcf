import { differenceCiede2000, modeLab65, modeRgb, useMode as addMode } from 'culori/fn';
import type { Colour } from '../../../ground/scene/types.ts';

// The difference is taken in this space, which the library only knows once it is told.
addMode(modeRgb);
addMode(modeLab65);

/** How far two colours are apart to the eye. Source: CIE 142-2001, CIEDE2000 */
export const colourDistance: (a: Colour, b: Colour) => number = differenceCiede2000();

/** A stock farther than this from white changes what is printed on it. */
const COLOURED_FROM = 10;

export const isColoured = (stock: Colour): boolean => colourDistance(stock, '#ffffff') > COLOURED_FROM;
