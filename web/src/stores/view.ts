import { create } from 'zustand';
import type { PaperSide } from '@zippy/core';

/** How the bench is being looked at: nothing here is part of a job. */
interface ViewState {
  readonly side: PaperSide;
  /** Front and back together, as held to the light. */
  readonly light: boolean;
  readonly folded: boolean;
  /** 0 shut, 1 flat open. */
  readonly open: number;
  /** Steps of the folding that are made; null while the slider opens and shuts the card. */
  readonly folds: number | null;
  /** How the folded card is looked at: as its reader holds it, or standing on a table. */
  readonly stands: boolean;
  readonly yawDeg: number;
  readonly pitchDeg: number;
  /** A card that is known to fit, measured with a rule; all text, as typed. */
  readonly sample: { readonly width: string; readonly height: string; readonly thickness: string };
  readonly zoom: number;
  readonly face: string;
  /** Words and objects that are picked out, in the order they were. */
  readonly itemIds: readonly string[];
  /** Card of a list of names that is looked at, counted from nought, and sheet, from one. */
  readonly card: number;
  readonly sheetNumber: number;
  readonly step: number;
  readonly onSheet: boolean;
  /** Where trims may land, instead of the moves that make them. */
  readonly drift: boolean;
  /** Moves checked off at the Cut station, by number. */
  readonly cutsDone: readonly number[];
  set(
    part: Partial<Omit<ViewState, 'set' | 'turnOver' | 'toggleLight' | 'toggleOpen' | 'toggleDrift' | 'checkCut'>>,
  ): void;
  turnOver(): void;
  toggleLight(): void;
  toggleOpen(): void;
  toggleDrift(): void;
  /** Checks a move off, or takes that back, and goes on to the next. */
  checkCut(number: number, of: number): void;
}

export const useView = create<ViewState>()((set) => ({
  side: 'outside',
  light: false,
  folded: false,
  open: 0.22,
  folds: null,
  stands: false,
  yawDeg: -24,
  pitchDeg: 14,
  sample: { width: '', height: '', thickness: '' },
  zoom: 1,
  face: 'front',
  itemIds: [],
  card: 0,
  sheetNumber: 1,
  step: 0,
  onSheet: false,
  drift: false,
  cutsDone: [],
  set: (part) => set(part),
  turnOver: () => set((s) => ({ side: s.side === 'outside' ? 'inside' : 'outside' })),
  toggleLight: () => set((s) => ({ light: !s.light })),
  toggleDrift: () => set((s) => ({ drift: !s.drift })),
  checkCut: (number, of) =>
    set((s) =>
      s.cutsDone.includes(number)
        ? { cutsDone: s.cutsDone.filter((n) => n !== number), step: number - 1 }
        : { cutsDone: [...s.cutsDone, number], step: Math.min(number, of - 1) },
    ),
  toggleOpen: () =>
    set((s) => ({ folded: true, folds: null, open: s.folded && s.open < 0.5 ? 1 : s.folded ? 0 : s.open })),
}));
