import type { Minor } from '../ground/money.ts';
import type { Adhesive, AdhesiveKind, Pace, Trimming, Workshop } from './types.ts';

/** What is put on cards. Older workshops, as a browser or a run may have kept one, know none. */
export const trimmingsOf = ({ trimmings }: { readonly trimmings?: Workshop['trimmings'] }): readonly Trimming[] =>
  trimmings ?? [];
/** What holds pieces together; older workshops know none. */
export const adhesivesOf = ({ adhesives }: { readonly adhesives?: Workshop['adhesives'] }): readonly Adhesive[] =>
  adhesives ?? [];

/** What one costs, in parts of a minor unit. */
export const trimmingPriceOf = ({ pack }: Pick<Trimming, 'pack'>): Minor => pack.priceMinor / pack.pieces;
/** What a gram, a metre or a piece of it costs, in parts of a minor unit. */
export const adhesivePriceOf = ({ pack }: Pick<Adhesive, 'pack'>): Minor => pack.priceMinor / pack.holds;

/** In what an adhesive is counted. */
export const ADHESIVE_UNITS: Readonly<Record<AdhesiveKind, 'g' | 'm' | 'pieces'>> = {
  wet: 'g',
  spray: 'g',
  hot: 'g',
  strongTape: 'm',
  tape: 'm',
  foam: 'pieces',
  dots: 'pieces',
};

/** Minutes to fix one piece in its place. Our starting value, until a workshop has its own. */
const PER_PIECE_FIXED_MIN = 0.75;
export const perPieceFixed = ({ perPieceFixed: own }: Pick<Pace, 'perPieceFixed'>): number =>
  own ?? PER_PIECE_FIXED_MIN;
