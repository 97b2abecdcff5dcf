import { useMemo } from 'react';
import {
  seenPanels,
  seenSide,
  type Job,
  type LayerPrints,
  type PaperSide,
  type Plan,
  type Shape,
  type Spoken,
  type Workshop,
} from '@zippy/core';

/** What every station's two parts are given. */
export interface StationProps {
  readonly job: Job;
  readonly plan: Plan;
  readonly workshop: Workshop;
}

export const spokenOf = ({ unit, currency, region }: Workshop): Spoken => ({ unit, currency, region });

/** Printed art of both sides, in the blank's frame. */
export function useSides(plan: Plan): Readonly<Record<PaperSide, readonly Shape[]>> {
  return useMemo(() => {
    const { colour } = plan.stock.stock;
    return { outside: seenSide(plan.art, 'outside', colour), inside: seenSide(plan.art, 'inside', colour) };
  }, [plan.art, plan.stock]);
}

/** The same of the envelope. */
export function useEnvelopeSides({ envelope }: Plan, isLiner = false): Readonly<Record<PaperSide, readonly Shape[]>> {
  const art = (isLiner && envelope.liner?.art) || envelope.art;
  return useMemo(
    () => ({ outside: seenSide(art, 'outside', art.colour), inside: seenSide(art, 'inside', art.colour) }),
    [art],
  );
}

/** Printed art of mats, panels and inserts, each in its own frame. */
export function useSeenPanels({ art: { panels }, sheet: { layers } }: Plan): LayerPrints {
  return useMemo(() => seenPanels({ art: { panels }, sheet: { layers } }), [panels, layers]);
}
