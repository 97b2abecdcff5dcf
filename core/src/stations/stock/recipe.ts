import { fixed } from '../../ground/length/rounding.ts';
import type { Deg } from '../../ground/length/types.ts';
import type { CreaseChoice } from '../../job/types.ts';
import { cracksOf, crackScale, hasSkin, type Cracks } from '../../workshop/folding/cracks.ts';
import type { Fibres, FoldInk, Pressure } from '../../workshop/measuring/types.ts';
import type { Printer, Stock } from '../../workshop/types.ts';
import type { Pressing } from './pressure.ts';

/** Of a hundred folds as many may crack, where the job says nothing. Our starting value. */
export const CRACKS_UP_TO = 0.1;
/** Fewest passes of each school, and the most that anybody presses. */
const PASSES: Readonly<Record<Pressure, number>> = { firm: 3, light: 2 };
const MOST_PASSES = 6;
/** Tips in calipers, from and to: the usual one first. Our starting values. */
const TIPS = [
  [1.5, 2],
  [2, 2.5],
  [2.5, 3],
] as const;
/** What a step to a wider tip, and wetting the line, count for beside one pass more. Our starting values. */
const WIDER = { fibres: 1.2, skin: 0.6 } as const;
const WETTING = 4;

/** The folds of a card, all alike: the worst of what they are. */
export interface Folds {
  readonly fibres: Fibres;
  readonly ink: FoldInk;
  readonly closesDeg: Deg;
  /** Nothing is printed on either side that water would lift. */
  readonly mayWet: boolean;
}

export interface Recipe extends Pressing {
  readonly damp: boolean;
  readonly cracks: Cracks;
  /** Fewer crack than may. */
  readonly keeps: boolean;
}

/** The best that each school does, the one in force first. */
export interface Recipes {
  readonly inForce: Recipe;
  readonly other: Recipe;
}

/**
 * How the folds of a card are pressed: the gentlest way by which no more of them crack than may, and where there is none the
 * way by which the fewest do. The school is the coating’s or the maker’s; the other one’s best stands beside it.
 * @param usual what the coating and the maker’s choice ask for by themselves
 */
export function recipesFor(
  stock: Stock,
  folds: Folds,
  usual: Pressing,
  { bead, pressure, cracksUpTo = CRACKS_UP_TO }: CreaseChoice,
  by: Printer['ink'],
): Recipes {
  const scale = crackScale(stock);
  // Water spoils a skin as well as ink.
  const mayWet = folds.mayWet && (stock.coating === 'uncoated' || stock.coating === 'textured');
  const skin = hasSkin(stock.coating);
  const bestOf = (school: Pressure): Recipe => {
    const ways = [false, ...(mayWet ? [true] : [])].flatMap((damp) =>
      TIPS.flatMap(([from, to], wider) =>
        Array.from({ length: MOST_PASSES - PASSES[school] + 1 }, (_, more) => {
          const passes = PASSES[school] + more;
          const caliperMm = stock.caliperMicron / 1000;
          const tipMm = [from * caliperMm, to * caliperMm] as const;
          const recipe = { school, passes, bead, damp, tipMm: (tipMm[0] + tipMm[1]) / 2 };
          const cracks = cracksOf(stock, { ...recipe, ...folds }, by, scale);
          const effort = passes + wider * (skin ? WIDER.skin : WIDER.fibres) + (damp ? WETTING : 0);
          return { ...{ school, passes, damp, tipMm, cracks, effort }, keeps: cracks.cracked <= cracksUpTo };
        }),
      ),
    );
    const [best] = ways.sort((a, b) =>
      a.keeps !== b.keeps ? (a.keeps ? -1 : 1) : a.keeps ? a.effort - b.effort : a.cracks.cracked - b.cracks.cracked,
    );
    const { effort: _, ...recipe } = best!;
    return { ...recipe, why: school === usual.school ? usual.why : otherWhy(school) };
  };
  const [own, other] = [bestOf(usual.school), bestOf(usual.school === 'firm' ? 'light' : 'firm')];
  // Where the school is left to the coating, the other one’s way is taken if it alone keeps the folds whole.
  return pressure === 'byCoating' && !own.keeps && other.keeps
    ? { inForce: other, other: own }
    : { inForce: own, other };
}

const otherWhy = (school: Pressure): string =>
  school === 'firm'
    ? 'fewer of these folds crack than under light passes'
    : 'fewer of these folds crack than under firm passes';

export const sayTip = ({ tipMm: [from, to] }: Pick<Recipe, 'tipMm'>): string => `${fixed(from, 1)}–${fixed(to, 1)} mm`;
export const sayShare = (share: number): string => (share < 0.01 ? 'under 1 %' : `${fixed(share * 100, 0)} %`);
