import { TYPEFACES, type Mood } from '@zippy/core';

const MOODS: Readonly<Record<Mood, string>> = {
  display: 'Display',
  serif: 'Serif',
  plain: 'Plain',
  script: 'Script',
  hand: 'Hand',
};

/** Typefaces to pick from, under what they are for. */
export const TYPEFACE_SECTIONS = (Object.keys(MOODS) as Mood[]).map((mood) => ({
  heading: MOODS[mood],
  options: TYPEFACES.filter((t) => t.mood === mood).map((t) => ({ id: t.id, name: t.name })),
}));
