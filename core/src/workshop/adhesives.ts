import type { Mm } from '../ground/length/types.ts';
import { ADHESIVE_UNITS } from './putOn.ts';
import type { Adhesive } from './types.ts';

/** How an adhesive is laid on one area. */
export interface Laid {
  /** Lines, strips, pads or dots; one for what is sprayed. */
  readonly runs: number;
  /** Of one line or strip. */
  readonly runMm: Mm;
  /** Grams, metres or pieces, as this adhesive is counted. */
  readonly uses: number;
  /** What it holds for good, in grams. */
  readonly bearsGrams: number;
}

export type Laying =
  | ({ readonly ok: true } & Laid)
  /** No run of it fits on the area, which is so wide inside what is kept off its edges. */
  | { readonly ok: false; readonly reason: 'tooNarrow'; readonly roomMm: Mm }
  /** As much of it as the area takes holds less than the load. */
  | { readonly ok: false; readonly reason: 'tooHeavy'; readonly bearsGrams: number };

/** A card is dropped, shaken and posted: what holds a thing bears so many times its weight. Our starting value. */
export const LOAD_FACTOR = 3;
/** Strips of tape and lines of glue lie no further apart than this, and pads and dots no further than that. Our starting values. */
const STRIP_EVERY_MM = 60;
const PIECE_EVERY_MM = 40;
/** Of a side so small that the usual distance leaves nothing, this share is kept free instead. Our starting value. */
const OFF_EDGE_SHARE = 1 / 6;
/**
 * Grams on a square metre: a wet film of 0.2 mm, a molten bead of 1 mm, a misted coat; glue weighs about as much as water.
 * Our starting values.
 */
const GRAMS_PER_M2 = { wet: 200, hot: 1000, spray: 50 } as const;
const MM2_PER_M2 = 1e6;
const MM2_PER_CM2 = 100;
const MM_PER_M = 1000;

/**
 * Lays an adhesive on a box of so many mm, off its edges, with enough of it for a load.
 * @param box the area that is joined
 * @param loadGrams what hangs on it
 * @param whole all of the box is covered, out to its edges
 */
export function layAdhesive(
  adhesive: Adhesive,
  box: { readonly widthMm: Mm; readonly heightMm: Mm },
  loadGrams: number,
  { whole = false }: { readonly whole?: boolean } = {},
): Laying {
  const off = whole ? 0 : Math.min(adhesive.offEdgeMm, Math.min(box.widthMm, box.heightMm) * OFF_EDGE_SHARE);
  const [longMm, shortMm] = [box.widthMm, box.heightMm].map((mm) => mm - 2 * off).sort((a, b) => b - a) as [Mm, Mm];
  const bears = (areaMm2: number): number => (areaMm2 / MM2_PER_CM2) * adhesive.bearsGramsPerCm2;
  const { kind } = adhesive;
  if (kind === 'spray') {
    const areaMm2 = longMm * shortMm;
    const uses = (areaMm2 / MM2_PER_M2) * GRAMS_PER_M2.spray;
    return enough({ runs: 1, runMm: longMm, uses, bearsGrams: bears(areaMm2) }, loadGrams);
  }
  // A line of what flows is as thin as it must be.
  const flows = kind === 'wet' || kind === 'hot';
  const wide = flows ? Math.min(adhesive.widthMm, shortMm) : adhesive.widthMm;
  if (wide > shortMm + 1e-9) return { ok: false, reason: 'tooNarrow', roomMm: shortMm };
  const sideBySide = (mm: Mm): number => Math.floor(mm / wide + 1e-9);
  const isPieces = ADHESIVE_UNITS[kind] === 'pieces';
  const spread = (mm: Mm, every: Mm): number =>
    mm < 3 * wide ? 1 : Math.min(sideBySide(mm), 2 + Math.floor((mm - 2 * wide) / every));
  const runMm = isPieces ? wide : longMm;
  const most = isPieces ? sideBySide(longMm) * sideBySide(shortMm) : sideBySide(shortMm);
  const usual = whole
    ? most
    : isPieces
      ? spread(longMm, PIECE_EVERY_MM) * spread(shortMm, PIECE_EVERY_MM)
      : spread(shortMm, STRIP_EVERY_MM);
  const needed = Math.ceil((loadGrams * LOAD_FACTOR) / bears(runMm * wide) - 1e-9);
  const runs = Math.min(most, Math.max(usual, needed));
  const uses = isPieces
    ? runs
    : flows
      ? (runs * runMm * wide * GRAMS_PER_M2[kind]) / MM2_PER_M2
      : (runs * runMm) / MM_PER_M;
  return enough({ runs, runMm, uses, bearsGrams: runs * bears(runMm * wide) }, loadGrams);
}

const enough = (laid: Laid, loadGrams: number): Laying =>
  loadGrams * LOAD_FACTOR <= laid.bearsGrams + 1e-9
    ? { ok: true, ...laid }
    : { ok: false, reason: 'tooHeavy', bearsGrams: laid.bearsGrams };

/** Thin paper cockles and curls under what is wet. Our starting value. */
const COCKLES_UNDER_GSM = 120;
export const cockles = ({ kind }: Adhesive, gsm: number): boolean => kind === 'wet' && gsm < COCKLES_UNDER_GSM;
