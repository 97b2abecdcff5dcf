import { isOwnTypeface, TYPEFACES, type Job, type Mood } from '@zippy/core';
import type { OwnTypefaceRow } from '@zippy/core/contract';
import type { PickOption } from '../../../ui/Pick.tsx';

const MOODS: Readonly<Record<Mood, string>> = {
  display: 'Display',
  serif: 'Serif',
  plain: 'Plain',
  script: 'Script',
  hand: 'Hand',
};

interface Section {
  readonly heading: string;
  readonly options: readonly PickOption[];
}

/** Typefaces that ship, under what they are for. */
const SHIPPED: readonly Section[] = (Object.keys(MOODS) as Mood[]).map((mood) => ({
  heading: MOODS[mood],
  options: TYPEFACES.filter((t) => t.mood === mood).map((t) => ({ id: t.id, name: t.name })),
}));

/** What is picked to bring another. */
export const BRING = 'bring';

/** Typefaces to pick from: the maker’s own first, with those that the job names and the studio has no more. */
export function typefaceSections(own: readonly OwnTypefaceRow[], named: Job['typefaces'] = {}): readonly Section[] {
  const gone = Object.entries(named).filter(([id]) => isOwnTypeface(id) && !own.some((one) => one.id === id));
  return [
    {
      heading: 'Your own',
      options: [
        ...own.map(({ id, name }) => ({ id, name })),
        ...gone.map(([id, { name }]) => ({ id, name, note: 'not here' })),
        { id: BRING, name: 'Bring a typeface …' },
      ],
    },
    ...SHIPPED,
  ];
}
