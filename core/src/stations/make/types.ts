import type { StationPlan } from '../../job/findings.ts';
import type { AdhesiveUse } from './joins.ts';
import type { PlateKind } from '../sheet/layout/passes.ts';
import type { SheetSide } from '../sheet/layout/reach.ts';
import type { Mm } from '../../ground/length/types.ts';
import { STAGES, type Stage } from '../../workshop/stages.ts';

/** What is worked on at a step: all that a drawing of it needs to know. */
export type StepWork =
  /** A pass of the stack; of both sides at once, the front is looked at. */
  | {
      readonly kind: 'print';
      readonly side: SheetSide;
      readonly plate: PlateKind;
      /** Afterwards backs lie over fronts, and how true they lie can be measured. */
      readonly backsFronts?: true;
    }
  /** A small card of plain paper is folded, to see which way up every face is. */
  | { readonly kind: 'proof' }
  | { readonly kind: 'dry' }
  /** The move’s and the line’s place in the plan’s lists, from nought. */
  | {
      readonly kind: 'cut';
      readonly move: number;
      /** From the fence to the blade; steps that were laid out before this was kept say nothing. */
      readonly fenceMm?: Mm;
    }
  | {
      readonly kind: 'crease';
      readonly line: number;
      /** From the stop to the groove, where the piece lies at a stop. */
      readonly fromStopMm?: Mm;
    }
  /** Foil is laid on what was printed for it. */
  | { readonly kind: 'foil'; readonly pieceId: string }
  /** A layer is printed, or cut and put in its place. */
  | {
      readonly kind: 'layer';
      readonly pieceId: string;
      readonly plate: PlateKind | null;
      /** Of a pass over the backs. */
      readonly side?: SheetSide;
    }
  /** Something from the shelf is fixed on a face. */
  | { readonly kind: 'trimming'; readonly faceId: string }
  /** One of what moves as the card opens is glued in; the layer’s place in the job’s list. */
  | { readonly kind: 'popUp'; readonly layer: number }
  /** Envelopes are printed as blanks, cut, made, or printed when they are ready. */
  | { readonly kind: 'envelope'; readonly work: 'printBlanks' | 'cut' | 'make' | 'line' | 'printReady' }
  | { readonly kind: 'machine' | 'piles' | 'outline' | 'fold' | 'ribbon' | 'pack' };

export interface StepWords {
  readonly id: string;
  /** What to do, in a few words to be read across a bench. */
  readonly title: string;
  /** The one number or word that matters. */
  readonly big: string;
  readonly detail: string;
  readonly caution: string | null;
  readonly waitMinutes: number | null;
}

export type MakeStep = StepWords & StepWork;

export { STAGES, type Stage };

export interface MakePlan extends StationPlan {
  readonly steps: readonly MakeStep[];
  readonly workMinutes: number;
  /** The same by stage. */
  readonly stageMinutes: Readonly<Record<Stage, number>>;
  readonly waitMinutes: number;
  /** What holds the pieces of one card together, as far as the job says. */
  readonly adhesives: readonly AdhesiveUse[];
}
