import type { Deg, Mm } from '../../ground/length/types.ts';
import type { CreaseRecipe, Fibres, FoldInk, FoldReading } from '../measuring/types.ts';
import type { Coating, Printer, Stock } from '../types.ts';
import { chances, learn, type Judged, type Learnt, type Prior } from './ordinal.ts';

/** A fold as it is made. */
export interface Fold extends CreaseRecipe {
  readonly fibres: Fibres;
  readonly ink: FoldInk;
  /** How far the panels turn towards each other. */
  readonly closesDeg: Deg;
}

/** A stock, or as much of one as cracks. */
export type Foldable = Pick<Stock, 'caliperMicron' | 'coating' | 'measured'>;

/** Shares of folds. */
export interface Cracks {
  readonly cracked: number;
  /** Rough or worse. */
  readonly rough: number;
  readonly strain: number;
  /** Folds of this stock that its maker judged. */
  readonly judged: number;
}

/** A bare fold spreads over this many calipers by itself. Our starting value. */
const BARE_SPREAD = 1.5;

/**
 * How much longer the outside of a fold becomes, as a share. Derivation: a crease as wide as its tool and half as wide
 * again as the card is thick turns through the angle on an arc about the middle of the card, so the radius there is
 * width ÷ angle, and the outside is half a caliper farther out.
 * @param closesDeg 180 for a card that shuts
 */
export function outerStrain(caliperMm: Mm, tipMm: Mm, closesDeg: Deg): number {
  const angle = (closesDeg * Math.PI) / 180;
  return (caliperMm * angle) / (2 * (tipMm + BARE_SPREAD * caliperMm));
}

/** What a coating adds to the scale: a skin of its own that splits before fibres do. Our starting values. */
const COATING_ADDS: Readonly<Record<Coating, number>> = {
  uncoated: 0,
  textured: 0.1,
  matte: 0.1,
  gloss: 0.3,
  pearl: 0.4,
};
const INK_ADDS: Readonly<Record<FoldInk, number>> = { bare: 0, print: 0.4, solid: 1 };
/** Toner lies on the card as a film; ink soaks in. */
const TONER_ADDS = 1.5;
/** A light pass presses half as much as a firm one. */
const PRESSES: Readonly<Record<CreaseRecipe['school'], number>> = { firm: 1, light: 0.5 };
const USUAL_CALIPER_MM = 0.25;

/**
 * The scale of cracking: what each thing weighs, and how sure we are before a maker has folded anything. All are our
 * starting values, set so that folds come out as makers say: a bare fold of 170 gsm cracks as often as it holds; three firm
 * passes are enough for a board of 250 µm and four for one of 370; glossy card wants a wide tip and light passes.
 */
const PRIOR = {
  /** The stock itself. */
  offset: { mean: 2.05, spread: 1 },
  /** ln of strain. */
  strain: { mean: 3, spread: 0.8 },
  /** ln of caliper over a usual one: thicker card has more layers to part. */
  caliper: { mean: 0.8, spread: 0.3 },
  coating: { mean: 1, spread: 0.3 },
  across: { mean: 1.5, spread: 0.7 },
  /** −ln(1 + how much it was pressed). */
  pressed: { mean: 0.68, spread: 0.3 },
  /** Firm passes on a skin. */
  skinPressed: { mean: 0.5, spread: 0.25 },
  ink: { mean: 0.5, spread: 0.3 },
  damp: { mean: -0.8, spread: 0.5 },
  intoGroove: { mean: 0.3, spread: 0.4 },
} as const satisfies Record<string, Prior>;

export const hasSkin = (coating: Coating): boolean => coating === 'gloss' || coating === 'pearl';

function featuresOf(
  { caliperMicron, coating }: Foldable,
  { school, passes, tipMm, bead, damp, fibres, ink, closesDeg }: Fold,
  by: Printer['ink'] | null,
): Readonly<Record<keyof typeof PRIOR, number>> {
  const caliperMm = caliperMicron / 1000;
  // What is not pressed has neither passes nor a groove.
  const pressed = tipMm > 0 ? passes * PRESSES[school] : 0;
  return {
    offset: 1,
    strain: Math.log(outerStrain(caliperMm, tipMm, closesDeg)),
    caliper: Math.log(caliperMm / USUAL_CALIPER_MM),
    coating: COATING_ADDS[coating],
    across: fibres === 'across' ? 1 : 0,
    pressed: -Math.log(1 + pressed),
    skinPressed: hasSkin(coating) && school === 'firm' && tipMm > 0 ? passes : 0,
    ink: INK_ADDS[ink] * (by === 'laser' ? TONER_ADDS : 1),
    damp: damp ? 1 : 0,
    intoGroove: tipMm > 0 && bead === 'intoGroove' ? 1 : 0,
  };
}

const NAMES = Object.keys(PRIOR) as readonly (keyof typeof PRIOR)[];
const inOrder = (features: Readonly<Record<keyof typeof PRIOR, number>>): readonly number[] =>
  NAMES.map((name) => features[name]);

/** The maker’s own folds are of a strip folded flat, printed by whatever was at hand. */
const asJudged = (stock: Foldable, reading: FoldReading): Judged => ({
  features: inOrder(featuresOf(stock, { ...reading, closesDeg: 180 }, null)),
  rank: ({ clean: 0, rough: 1, cracked: 2 } as const)[reading.judged],
});

/** The scale of a stock, as its own folds correct it. */
export function crackScale(stock: Foldable): { readonly learnt: Learnt; readonly judged: number } {
  const folds = stock.measured?.folds ?? [];
  return {
    learnt: learn(
      NAMES.map((name) => PRIOR[name]),
      folds.map((one) => asJudged(stock, one)),
    ),
    judged: folds.length,
  };
}

/**
 * Shares of folds of a stock that come out rough and cracked.
 * @param by what prints it; null where nothing does
 */
export function cracksOf(
  stock: Foldable,
  fold: Fold,
  by: Printer['ink'] | null,
  scale: ReturnType<typeof crackScale> = crackScale(stock),
): Cracks {
  const [rough, cracked] = chances(scale.learnt, inOrder(featuresOf(stock, fold, by)));
  return {
    rough,
    cracked,
    judged: scale.judged,
    strain: outerStrain(stock.caliperMicron / 1000, fold.tipMm, fold.closesDeg),
  };
}
