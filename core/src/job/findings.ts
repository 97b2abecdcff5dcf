import type { Mm } from '../ground/length/types.ts';
import type { Minor } from '../ground/money.ts';
import type { JobChange } from './decide.ts';
import type { Station } from './stations.ts';

export interface Remedy {
  readonly label: string;
  readonly changes: readonly JobChange[];
}

export interface Snag {
  readonly id: string;
  readonly station: Station;
  readonly level: 'stop' | 'warn' | 'note';
  readonly title: string;
  readonly why: string;
  readonly remedies: readonly Remedy[];
}

export type FigureValue =
  | { readonly kind: 'length'; readonly mm: Mm }
  | { readonly kind: 'count'; readonly count: number; readonly of?: string }
  | { readonly kind: 'money'; readonly minor: Minor }
  | { readonly kind: 'share'; readonly share: number }
  | { readonly kind: 'minutes'; readonly minutes: number }
  | { readonly kind: 'ratio'; readonly ratio: number }
  | { readonly kind: 'text'; readonly text: string };

/** A derived number that can be pressed to see how it came about. */
export interface Figure {
  readonly id: string;
  readonly label: string;
  readonly value: FigureValue;
  readonly working: {
    /** The sum in words. */
    readonly sum: string;
    readonly inputs: readonly { readonly label: string; readonly value: FigureValue }[];
  };
}

/** What every station's part of the plan has in common. */
export interface StationPlan {
  /** One plain sentence. */
  readonly verdict: string;
  /** The one figure the strip shows. */
  readonly telling: string;
  readonly figures: readonly Figure[];
  readonly snags: readonly Snag[];
}
