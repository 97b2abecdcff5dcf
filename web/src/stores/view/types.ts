import type { PaperSide } from '@zippy/core';

/** How whatever lies on the bench is looked at, at any station. */
export interface BenchSlice {
  readonly side: PaperSide;
  /** Front and back together, as held to the light. */
  readonly light: boolean;
  /** 1 fits the bench. */
  readonly zoom: number;
  /** Of a list of moves, counted from nought. */
  readonly step: number;
  /** The sheet it lies on, instead of the piece alone. */
  readonly onSheet: boolean;
  turnOver(): void;
  toggleLight(): void;
  zoomTo(zoom: number): void;
  goToStep(step: number): void;
  showOnSheet(onSheet: boolean): void;
  /** Front up, not held to the light, fitting the bench: how a page begins. */
  lieFrontUp(): void;
}

/** How the folded card is held. */
export interface FoldedSlice {
  readonly folded: boolean;
  /** 0 shut, 1 flat open. */
  readonly open: number;
  /** Steps of the folding that are made; null while the slider opens and shuts the card. */
  readonly folds: number | null;
  /** Standing on a table, and not as its reader holds it. */
  readonly stands: boolean;
  readonly yawDeg: number;
  readonly pitchDeg: number;
  /** The pop-up in hand, by its layer’s id: its parts stand out and its measures are drawn. */
  readonly popUpInHand: string | null;
  /** What pops up is drawn from the end of the fold. */
  readonly sideOn: boolean;
  takePopUp(layerId: string | null): void;
  lookSideOn(sideOn: boolean): void;
  showFolded(folded: boolean): void;
  /** Shows it folded; shut or open, whichever it is not, where it was folded already. */
  toggleOpen(): void;
  openTo(open: number): void;
  foldTo(folds: number): void;
  standUp(stands: boolean): void;
  /** Shut and straight on, as it is handed over. */
  holdShut(): void;
  turnTo(yawDeg: number, pitchDeg: number): void;
}

/** Which face is in hand at Art, and what on it. */
export interface ArtSlice {
  readonly face: string;
  /** Words and objects that are picked out, in the order they were. */
  readonly itemIds: readonly string[];
  /** Another face, with these things on it picked out. */
  pickFace(face: string, itemIds?: readonly string[]): void;
  pickItems(itemIds: readonly string[]): void;
}

/** Which of many cards and sheets is looked at; the plan is asked for them. */
export interface RunSlice {
  /** Of a list of names, counted from nought. */
  readonly card: number;
  /** From one. */
  readonly sheetNumber: number;
  /** The steps that make them, twenty cards as they would come out, or what runs have come to. */
  readonly atMake: 'steps' | 'rehearsal' | 'log';
  showAtMake(what: RunSlice['atMake']): void;
  showCard(card: number): void;
  showSheet(sheetNumber: number): void;
  showFirst(): void;
}

/** What is followed at Cut, and what the blade would leave. */
export interface CutSlice {
  /** Where trims may land, instead of the moves that make them. */
  readonly drift: boolean;
  /** Moves checked off, by number. */
  readonly cutsDone: readonly number[];
  toggleDrift(): void;
  /** A move, counted from nought, and no drift. */
  showMove(step: number): void;
  /** Checks a move off, or takes that back, and goes on to the next. */
  checkCut(number: number, of: number): void;
}

/** A card that is known to fit, measured with a rule; all text, as typed. */
export interface Sample {
  readonly width: string;
  readonly height: string;
  readonly thickness: string;
}

export interface SizeSlice {
  readonly sample: Sample;
  typeSample(part: keyof Sample, text: string): void;
}

export interface EnvelopeSlice {
  /** What of the envelope lies on the bench: its blank, its front as it is read, its liner, or every style beside the others. */
  readonly shows: 'blank' | 'front' | 'liner' | 'styles';
  show(what: EnvelopeSlice['shows']): void;
}

/** How things are being looked at: nothing here is part of a job. A slice for the bench, and one for each station’s own. */
export type View = BenchSlice &
  FoldedSlice &
  ArtSlice &
  RunSlice &
  CutSlice &
  SizeSlice &
  EnvelopeSlice & {
    /** As a job is opened: front up, unfolded, its front in hand, nothing checked off. */
    openJob(): void;
  };
