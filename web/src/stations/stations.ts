import { useEffect, type ComponentType } from 'react';
import { create } from 'zustand';
import { STATIONS, type Station } from '@zippy/core';
import { growingPauses } from '../stores/tryAgain.ts';
import type { StationProps } from './parts.ts';

/** What the bench and the slip show at a station. */
export interface StationParts {
  readonly Bench: ComponentType<StationProps>;
  readonly Slip: ComponentType<StationProps>;
}

/** Each station is a file of its own: the one that is opened comes first, the others while the maker looks at it. */
const FETCH: Readonly<Record<Station, () => Promise<StationParts>>> = {
  brief: () => import('./brief/Brief.tsx').then((m) => ({ Bench: m.BriefBench, Slip: m.BriefSlip })),
  size: () => import('./size/Size.tsx').then((m) => ({ Bench: m.SizeBench, Slip: m.SizeSlip })),
  art: () => import('./art/Art.tsx').then((m) => ({ Bench: m.ArtBench, Slip: m.ArtSlip })),
  stock: () => import('./stock/Stock.tsx').then((m) => ({ Bench: m.StockBench, Slip: m.StockSlip })),
  sheet: () => import('./sheet/Sheet.tsx').then((m) => ({ Bench: m.SheetBench, Slip: m.SheetSlip })),
  cut: () => import('./cut/Cut.tsx').then((m) => ({ Bench: m.CutBench, Slip: m.CutSlip })),
  crease: () => import('./crease/Crease.tsx').then((m) => ({ Bench: m.CreaseBench, Slip: m.CreaseSlip })),
  envelope: () => import('./envelope/Envelope.tsx').then((m) => ({ Bench: m.EnvelopeBench, Slip: m.EnvelopeSlip })),
  make: () => import('./make/Make.tsx').then((m) => ({ Bench: m.MakeBench, Slip: m.MakeSlip })),
  sell: () => import('./sell/Sell.tsx').then((m) => ({ Bench: m.SellBench, Slip: m.SellSlip })),
};

/** A store, so that parts that come between a drawing and what follows from it are not missed. */
const useHere = create<Readonly<Partial<Record<Station, StationParts>>>>(() => ({}));
const onTheWay = new Map<Station, Promise<void>>();

/** Fetches a station’s parts, and goes on trying while the server is away. */
function fetchStation(station: Station): Promise<void> {
  const asked = onTheWay.get(station);
  if (asked) return asked;
  const pauses = growingPauses();
  const fetched = (async () => {
    while (!useHere.getState()[station])
      try {
        useHere.setState({ [station]: await FETCH[station]() });
      } catch {
        await new Promise((done) => setTimeout(done, pauses.next()));
      }
  })();
  onTheWay.set(station, fetched);
  return fetched;
}

/** @returns null until they are here; then at once, however often a maker goes to and fro */
export function useStation(station: Station): StationParts | null {
  const parts = useHere((here) => here[station]);
  useEffect(() => void fetchStation(station), [station]);
  return parts ?? null;
}

/** Fetches all the others, one after another, so that going on never waits. */
export async function fetchOthers(): Promise<void> {
  for (const station of STATIONS) await fetchStation(station);
}
