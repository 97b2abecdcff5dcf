import { create } from 'zustand';
import { STAND_IN_PRINTER, type PrinterTruth } from '@zippy/core';

/** The stand-in printer: whether sheets are shown as it would print them, and what is wrong with it. */
interface StandInState {
  readonly on: boolean;
  readonly truth: PrinterTruth;
  toggle(): void;
  setTruth(part: Partial<PrinterTruth>): void;
}

export const useStandIn = create<StandInState>()((set) => ({
  on: false,
  truth: STAND_IN_PRINTER,
  toggle: () => set((s) => ({ on: !s.on })),
  setTruth: (part) => set((s) => ({ truth: { ...s.truth, ...part } })),
}));
