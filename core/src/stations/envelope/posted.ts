import { areaOf } from '../../ground/geometry/polygon.ts';
import { cardAreaMm2 } from '../../ground/fold/blankCuts.ts';
import type { FlatBlank } from '../../ground/fold/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { Minor } from '../../ground/money.ts';
import { gramsOf } from '../../workshop/gramsOf.ts';
import type { PostBand, PostExtra, Stock, Tariff } from '../../workshop/types.ts';
import type { LayerPiece } from '../size/layers.ts';
import type { RibbonPlan } from '../size/ribbon.ts';
import type { Trimmings } from '../size/trimmings.ts';

/** A part of what is posted, and what it weighs. */
export interface Weighed {
  readonly name: string;
  readonly grams: number;
}

/** A packed piece as the post sees it. */
export interface Packed {
  readonly parts: readonly Weighed[];
  readonly grams: number;
  readonly longMm: Mm;
  readonly shortMm: Mm;
  /** Where it is thickest. */
  readonly thickMm: Mm;
  readonly extras: readonly PostExtra[];
}

/** What it costs; null where no band of the tariff takes it. */
export interface Posted {
  readonly band: PostBand;
  readonly priceMinor: Minor;
  /** Of that, for what is asked more for. */
  readonly extraMinor: Minor;
}

/** Sides within a twentieth of each other count as square. Our starting value: ask the local post. */
const SQUARE_WITHIN = 1.05;
/** Machines sort what is even: a piece that stands out by more is lumpy. Our starting value: ask the local post. */
export const LUMPY_MM = 1;
/** What an envelope that was bought is taken to weigh and measure. Our starting values, of common ones. */
export const BOUGHT_ENVELOPE = { gsm: 100, caliperMm: 0.12 } as const;
/** An envelope’s blank is about so many times its front. Derivation: front, back, and half as much of flap and seams. */
const BLANK_OF_FRONT = 2.5;

/** A blank’s card, without the pieces that its cuts let fall. */
const areaOfBlank = ({ outline, cuts }: FlatBlank): number => cardAreaMm2({ outline, cuts });

/** What is put together: the card, what is glued on it or laid in it, its envelope and what lines that. Ink is left out. */
export interface ToPack {
  readonly card: {
    readonly blank: FlatBlank;
    readonly stock: Stock;
    readonly thickMm: Mm;
    /** Shut. */
    readonly widthMm: Mm;
    readonly heightMm: Mm;
  };
  readonly layers: readonly Pick<LayerPiece, 'name' | 'blank' | 'stock' | 'perCards'>[];
  /** Of what the card holds. */
  readonly contentGrams: number;
  readonly trimmings: Trimmings;
  readonly ribbon: RibbonPlan | null;
  readonly envelope: {
    readonly insideWidthMm: Mm;
    readonly insideHeightMm: Mm;
    /** Between walls; nought for one that lies flat. */
    readonly depthMm: Mm;
    /** Null for one that was bought. */
    readonly made: { readonly blank: FlatBlank; readonly stock: Stock } | null;
  } | null;
  readonly liner: { readonly blank: FlatBlank; readonly stock: Stock } | null;
  readonly says: { readonly stiff: boolean; readonly lumpy: boolean; readonly transparent: boolean };
}

/** Weighs and measures a packed piece, grams and mm. */
export function packUp({ card, contentGrams, layers, trimmings, ribbon, envelope, liner, says }: ToPack): Packed {
  const parts: Weighed[] = [
    { name: 'Card', grams: gramsOf(areaOfBlank(card.blank), card.stock) },
    ...(contentGrams > 0 ? [{ name: 'What it holds', grams: contentGrams }] : []),
    // What goes round a pack is no part of one card.
    ...layers
      .filter(({ perCards = 1 }) => perCards === 1)
      .map(({ name, blank, stock }) => ({ name, grams: gramsOf(areaOfBlank(blank), stock) })),
    ...trimmings.placed.map(({ trimming }) => ({ name: trimming.name, grams: trimming.grams })),
    ...(ribbon ? [{ name: ribbon.choice.name, grams: ribbon.grams }] : []),
  ];
  let thickMm = card.thickMm;
  let [longMm, shortMm] = longFirst(card.widthMm, card.heightMm);
  if (envelope) {
    const { made, depthMm, insideWidthMm, insideHeightMm } = envelope;
    parts.push({
      name: 'Envelope',
      grams: made
        ? gramsOf(areaOfBlank(made.blank), made.stock)
        : gramsOf(insideWidthMm * insideHeightMm * BLANK_OF_FRONT, BOUGHT_ENVELOPE),
    });
    const wallMm = made ? made.stock.caliperMicron / 1000 : BOUGHT_ENVELOPE.caliperMm;
    // Its front and its back; between walls it is as thick as these are high.
    thickMm = Math.max(thickMm, depthMm) + 2 * wallMm;
    [longMm, shortMm] = longFirst(insideWidthMm, insideHeightMm);
  }
  if (liner) {
    parts.push({ name: 'Liner', grams: gramsOf(areaOf(liner.blank.outline), liner.stock) });
    if (!envelope?.depthMm) thickMm += liner.stock.caliperMicron / 1000;
  }
  const extras: PostExtra[] = [
    ...(longMm < shortMm * SQUARE_WITHIN ? (['square'] as const) : []),
    ...(says.stiff ? (['stiff'] as const) : []),
    ...(says.lumpy || trimmings.addedMm + (ribbon?.addedMm ?? 0) > LUMPY_MM ? (['lumpy'] as const) : []),
    ...(says.transparent ? (['transparent'] as const) : []),
  ];
  return { parts, grams: parts.reduce((sum, part) => sum + part.grams, 0), longMm, shortMm, thickMm, extras };
}

const longFirst = (a: Mm, b: Mm): readonly [Mm, Mm] => (a >= b ? [a, b] : [b, a]);

/** By how much a piece is over each limit of a band; nought where it is within. */
export const overBand = (
  { grams, longMm, shortMm, thickMm }: Pick<Packed, 'grams' | 'longMm' | 'shortMm' | 'thickMm'>,
  band: PostBand,
) => ({
  grams: Math.max(0, grams - band.upToGrams),
  longMm: Math.max(0, longMm - band.upToLongMm),
  shortMm: Math.max(0, shortMm - band.upToShortMm),
  thickMm: Math.max(0, thickMm - band.upToThickMm),
});

/** A hundredth of a millimetre or of a gram over is nothing that a post could measure. */
const SLIGHT = 0.01;
const takes = (packed: Packed, band: PostBand): boolean =>
  Object.values(overBand(packed, band)).every((over) => over <= SLIGHT);

const extraMinorOf = ({ extras }: Tariff, asked: readonly PostExtra[]): Minor =>
  asked.reduce((sum, extra) => sum + (extras[extra] ?? 0), 0);

/** The cheapest band that takes a piece, with what its shape costs more; null where none does. */
export function postedAs(packed: Packed, tariff: Tariff): Posted | null {
  const [band] = tariff.bands.filter((one) => takes(packed, one)).sort((a, b) => a.priceMinor - b.priceMinor);
  if (!band) return null;
  const extraMinor = extraMinorOf(tariff, packed.extras);
  return { band, extraMinor, priceMinor: band.priceMinor + extraMinor };
}

/** The least change of one measure that makes a piece cheaper to post. */
export interface PostSaving {
  readonly of: 'grams' | 'longMm' | 'shortMm' | 'thickMm' | 'square';
  /** Grams or mm less; of a square, mm that one side is shorter. */
  readonly by: number;
  readonly savesMinor: Minor;
}

/** What would be saved by a little less of one thing, the largest saving of each first. */
export function postSavings(packed: Packed, tariff: Tariff): readonly PostSaving[] {
  const now = postedAs(packed, tariff);
  if (!now) return [];
  const cheaper = [...tariff.bands]
    .filter(({ priceMinor }) => priceMinor < now.band.priceMinor)
    .sort((a, b) => a.priceMinor - b.priceMinor);
  const found = cheaper.flatMap((band): readonly PostSaving[] => {
    const over = Object.entries(overBand(packed, band)).filter(([, by]) => by > SLIGHT);
    // More than one thing at once is another piece.
    if (over.length !== 1) return [];
    const [of, by] = over[0]! as [Exclude<PostSaving['of'], 'square'>, number];
    return [{ of, by, savesMinor: now.band.priceMinor - band.priceMinor }];
  });
  const square = packed.extras.includes('square') ? (tariff.extras.square ?? 0) : 0;
  return [
    ...found,
    ...(square > 0
      ? [{ of: 'square' as const, by: packed.shortMm - packed.longMm / SQUARE_WITHIN, savesMinor: square }]
      : []),
  ];
}
