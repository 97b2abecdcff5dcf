import type { Colour } from '../../../ground/scene/types.ts';

/** Plain names of colours by hue, from red round to red, in degrees up to which each goes. */
const HUES: readonly (readonly [upToDeg: number, name: string])[] = [
  [15, 'red'],
  [45, 'orange'],
  [68, 'yellow'],
  [160, 'green'],
  [195, 'teal'],
  [255, 'blue'],
  [290, 'violet'],
  [340, 'pink'],
  [360, 'red'],
];

/** What a colour is called by someone who looks at it: a hue and how dark it is, or a grey. */
export function nameOfColour(colour: Colour): string {
  const [r, g, b] = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16) / 255) as [number, number, number];
  const [most, least] = [Math.max(r, g, b), Math.min(r, g, b)];
  const light = (most + least) / 2;
  const spread = most - least;
  if (spread < 0.08)
    return light > 0.94
      ? 'white'
      : light < 0.12
        ? 'black'
        : light > 0.7
          ? 'pale grey'
          : light < 0.35
            ? 'dark grey'
            : 'grey';
  const turn = most === r ? ((g - b) / spread + 6) % 6 : most === g ? (b - r) / spread + 2 : (r - g) / spread + 4;
  const hue = HUES.find(([upTo]) => turn * 60 <= upTo)![1];
  if (light > 0.88) return hue === 'yellow' || hue === 'orange' ? 'cream' : `pale ${hue}`;
  if (hue === 'orange' && light < 0.45) return 'brown';
  if (hue === 'blue' && light < 0.25) return 'navy';
  return light > 0.68 ? `light ${hue}` : light < 0.3 ? `dark ${hue}` : hue;
}

const HUE_WORDS = [...new Set(HUES.map(([, name]) => name)), 'white', 'black', 'grey', 'cream', 'brown', 'navy'];

/** True where a name says a hue that the colour is not: “navy” for a red card. */
export function namesAnother(name: string, colour: Colour): boolean {
  const said = HUE_WORDS.filter((word) => new RegExp(`\\b${word}\\b`, 'i').test(name));
  return said.length > 0 && !said.some((word) => nameOfColour(colour).includes(word));
}
