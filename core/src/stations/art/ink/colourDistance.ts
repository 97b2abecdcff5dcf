import {
  convertLab65ToRgb,
  convertRgbToLab65,
  differenceCiede2000,
  interpolatorLinear,
  parseHex,
  useMode as addMode,
} from 'culori/fn';
import type { Colour } from '../../../ground/scene/types.ts';

/** The library’s own types know only the descriptions that it comes with. */
const tell = addMode as unknown as (space: object) => void;

// The difference is taken between two spaces, which the library only knows once it is told. They are told here as plainly
// as they are used: our colours are all of the form #rrggbb, and its own description would bring every name of a colour,
// and every way of writing one, into the plan’s worker.
tell({
  mode: 'rgb',
  channels: ['r', 'g', 'b', 'alpha'],
  parse: [parseHex],
  interpolate: { r: interpolatorLinear, g: interpolatorLinear, b: interpolatorLinear, alpha: interpolatorLinear },
});
tell({
  mode: 'lab65',
  channels: ['l', 'a', 'b', 'alpha'],
  parse: [],
  toMode: { rgb: convertLab65ToRgb },
  fromMode: { rgb: convertRgbToLab65 },
  interpolate: { l: interpolatorLinear, a: interpolatorLinear, b: interpolatorLinear, alpha: interpolatorLinear },
});

/** How far two colours are apart to the eye. Source: CIE 142-2001, CIEDE2000 */
export const colourDistance: (a: Colour, b: Colour) => number = differenceCiede2000();

/** ΔE00 from white from which a stock changes what is printed on it. Our starting value. */
const COLOURED_FROM = 10;

export const isColoured = (stock: Colour): boolean => colourDistance(stock, '#ffffff') > COLOURED_FROM;
