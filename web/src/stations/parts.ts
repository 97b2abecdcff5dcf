import { useMemo } from 'react';
import { seenSide, type Job, type PaperSide, type Plan, type Shape, type Spoken, type Workshop } from '@zippy/core';

/** What every station's two parts are given. */
export interface StationProps {
  readonly job: Job;
  readonly plan: Plan;
  readonly workshop: Workshop;
}

export const spokenOf = ({ unit, currency }: Workshop): Spoken => ({ unit, currency });

/** Printed art of both sides, in the blank's frame. */
export function useSides(plan: Plan): Readonly<Record<PaperSide, readonly Shape[]>> {
  return useMemo(() => {
    const { colour } = plan.stock.stock;
    return { outside: seenSide(plan.art, 'outside', colour), inside: seenSide(plan.art, 'inside', colour) };
  }, [plan.art, plan.stock]);
}
