import { formatLength } from '../../ground/length/formatLength.ts';
import { fixed } from '../../ground/length/rounding.ts';
import { MM_PER_INCH, type LengthUnit, type Mm } from '../../ground/length/types.ts';
import { measuredStock, type Bending, type Found } from '../../workshop/measuring/measuredStock.ts';
import type { Fibres } from '../../workshop/measuring/types.ts';
import type { Stock } from '../../workshop/types.ts';
import { cracksOf } from '../../workshop/folding/cracks.ts';
import { foldTests } from '../../workshop/folding/foldTests.ts';
import { sayShare } from './recipe.ts';
import { selfBucklingHeightMm, STANDS } from './standing.ts';

/** Readings that stray by more than this share of their mean are worth taking again. Our starting value. */
const STRAYS = 0.08;

/** What one kind of reading comes to, beside what it stands against. */
export interface SaidOfStock {
  readonly name: string;
  readonly figure: string;
  readonly beside: string;
}

export interface MeasuredInWords {
  /** What follows for cards, and what is worth measuring once more. */
  readonly verdict: readonly string[];
  readonly rows: readonly SaidOfStock[];
}

/** Give or take, where there is more than one reading. */
const say = ({ mean, spread }: Found, unit: string): string =>
  `${fixed(mean, 0)}${spread === null ? '' : ` ± ${fixed(spread, 0)}`} ${unit}`;

/** What readings of a stock come to: its thickness and weight beside the label’s, how it bends, how tall it stands. */
export function sayMeasured(stock: Stock, unit: LengthUnit): MeasuredInWords {
  const { caliperMicron: thick, gsm: heavy, along, across } = measuredStock(stock);
  const stray = [thick, heavy, along?.lengthMm, across?.lengthMm].some(
    (one) => one?.spread && one.spread / one.mean > STRAYS,
  );
  const bends = (name: string, found: Bending | null): readonly SaidOfStock[] =>
    found
      ? [
          {
            name,
            figure: say(found.lengthMm, 'mm'),
            beside: `${fixed(found.rigidityNm * 1000, 1)}${found.rigiditySpreadNm === null ? '' : ` ± ${fixed(found.rigiditySpreadNm * 1000, 1)}`} mN·m, ${fixed(found.modulusPa / 1e9, 1)} GPa`,
          },
        ]
      : [];
  return {
    verdict: [
      ...(along || across
        ? [
            `Held at its foot alone a strip stands up to ${sayHeight(stock, 'along', unit)} with fibres upright, ${sayHeight(stock, 'across', unit)} with fibres level; a folded card holds itself higher, and Stock says how high.`,
          ]
        : []),
      ...(along && across && along.lengthMm.mean < across.lengthMm.mean
        ? ['It is stiffer across than along: the grain may run the other way than is said. Try the three tests.']
        : []),
      ...(stray ? ['Some readings are far apart: take those once more.'] : []),
    ],
    rows: [
      ...(thick ? [{ name: 'A sheet', figure: say(thick, 'µm'), beside: `${stock.caliperMicron} µm in use` }] : []),
      ...(heavy ? [{ name: 'Weight', figure: say(heavy, 'gsm'), beside: `${stock.gsm} gsm in use` }] : []),
      ...bends('Bends along', along),
      ...bends('Bends across', across),
      ...cracks(stock),
    ],
  };
}

/** Bare folds along the grain by the usual recipe, once some of its folds were judged. */
function cracks(stock: Stock): readonly SaidOfStock[] {
  const judged = stock.measured?.folds?.length ?? 0;
  if (judged === 0) return [];
  const usual = foldTests(stock)[1]!;
  const share = (fibres: Fibres): string =>
    sayShare(cracksOf(stock, { ...usual, fibres, ink: 'bare', closesDeg: 180 }, null).cracked);
  return [
    {
      name: 'Cracks',
      figure: `${share('along')} along, ${share('across')} across`,
      beside: `${usual.passes} ${usual.school} passes, bare`,
    },
  ];
}

const sayHeight = (stock: Stock, fibres: Fibres, unit: LengthUnit): string =>
  formatLength(downTo(selfBucklingHeightMm(stock, fibres).mm / STANDS.flopsUnder, unit), unit);

/** Down to what is easily said, so that what is said still stands. */
const SAID_IN_MM: Readonly<Record<LengthUnit, Mm>> = { mm: 1, in: MM_PER_INCH / 8 };
const downTo = (mm: Mm, unit: LengthUnit): Mm => Math.floor(mm / SAID_IN_MM[unit]) * SAID_IN_MM[unit];
