import { fixed } from '../../ground/length/rounding.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import { MM_PER_INCH, type LengthUnit, type Mm } from '../../ground/length/types.ts';
import { habitOn, type Habit } from '../../workshop/learnt/habits.ts';
import type { Trimmer, Workshop } from '../../workshop/types.ts';
import { repeatabilityOf } from './repeatability.ts';

/** How a trimmer cuts in these hands: its usual spread until pieces were measured. */
export const cutHabit = (
  { spoilLog }: Pick<Workshop, 'spoilLog'>,
  trimmer: Trimmer,
  by?: string,
): Habit & { readonly by: string | null } =>
  habitOn(spoilLog, {
    ...{ on: 'trimmers', toolId: trimmer.id, usualMm: repeatabilityOf(trimmer) },
    ...(by === undefined ? {} : { by }),
  });

/** What a fence is set to, so that pieces come out as they are wanted. */
export interface FenceSetting {
  readonly setMm: Mm;
  readonly correctionMm: Mm;
  /** Why it is not what is wanted; null where it is. */
  readonly says: string | null;
}

/**
 * A lasting bias is made up for at the fence. A machine goes by its marks, and is left alone.
 * @param by who cuts; anybody where nothing is said
 */
export function setFence(
  fenceMm: Mm,
  trimmer: Trimmer,
  workshop: Pick<Workshop, 'spoilLog' | 'unit'>,
  by?: string,
): FenceSetting {
  const { correctionMm, biasMm, readings, by: whose } = cutHabit(workshop, trimmer, by);
  // No fence goes below its own blade.
  if (trimmer.machine || correctionMm === 0 || fenceMm + correctionMm <= 0)
    return { setMm: fenceMm, correctionMm: 0, says: null };
  return {
    setMm: fenceMm + correctionMm,
    correctionMm,
    says: `${sayBeyond(correctionMm)} than ${formatLength(fenceMm, workshop.unit)}: on ${trimmer.name}, ${whose ? `${whose}’s pieces come` : 'pieces come'} out ${sayOff(biasMm, workshop.unit)}, ${readings} measured.`,
  };
}

/** How far a piece is from what was wanted, as a rule shows it: in tenths, or in sixty-fourths. */
export const sayOff = (offMm: Mm, unit: LengthUnit = 'mm'): string => {
  const size = unit === 'mm' ? tenths(Math.abs(offMm)) : sixtyFourths(Math.abs(offMm));
  return size === null ? 'true' : `${size} too ${offMm > 0 ? 'long' : 'short'}`;
};

const tenths = (mm: Mm): string | null => (fixed(mm, 1) === '0.0' ? null : `${fixed(mm, 1)} mm`);

function sixtyFourths(mm: Mm): string | null {
  let [top, bottom] = [Math.round((mm * 64) / MM_PER_INCH), 64];
  if (top === 0) return null;
  while (top % 2 === 0 && bottom > 1) [top, bottom] = [top / 2, bottom / 2];
  return bottom === 1 ? `${top} in` : `${top}/${bottom} in`;
}

const sayBeyond = (mm: Mm): string => `${fixed(Math.abs(mm), 1)} mm ${mm > 0 ? 'more' : 'less'}`;
