import { fixed } from '../../ground/length/rounding.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
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
    says: `${sayBeyond(correctionMm)} than ${formatLength(fenceMm, workshop.unit)}: on ${trimmer.name}, ${whose ? `${whose}’s pieces come` : 'pieces come'} out ${sayOff(biasMm)}, ${readings} measured.`,
  };
}

/** How far a piece is from what was wanted, in tenths, as a rule shows it. */
export const sayOff = (offMm: Mm): string => {
  const size = fixed(Math.abs(offMm), 1);
  return size === '0.0' ? 'true' : `${size} mm too ${offMm > 0 ? 'long' : 'short'}`;
};

const sayBeyond = (mm: Mm, unit: LengthUnit = 'mm'): string =>
  `${formatLength(Math.abs(mm), unit)} ${mm > 0 ? 'more' : 'less'}`;
