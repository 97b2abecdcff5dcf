import type { CreaseRecipe } from '../measuring/types.ts';
import type { Stock } from '../types.ts';

/** Tip widths in calipers of the three strips: the usual one twice, then a wide one. Our starting values. */
const TRIED = [
  { school: 'light', passes: 2, calipers: 1.75 },
  { school: 'firm', passes: 3, calipers: 1.75 },
  { school: 'firm', passes: 5, calipers: 2.5 },
] as const;

/** Three ways to press strips of a stock, from gentle to thorough: far enough apart that most stocks crack in one of them. */
export const foldTests = ({ caliperMicron }: Pick<Stock, 'caliperMicron'>): readonly CreaseRecipe[] =>
  TRIED.map(({ school, passes, calipers }) => ({
    ...{ school, passes, bead: 'inside', damp: false },
    tipMm: Math.round((calipers * caliperMicron) / 100) / 10,
  }));
