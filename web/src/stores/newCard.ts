import { create } from 'zustand';
import { ISO_C6, type FormatId, type Job, type PictureRef } from '@zippy/core';
import type { StoredJob } from '@zippy/core/contract';

/** What a card can begin with. */
export const WAYS_IN = ['form', 'envelope', 'sample', 'pack', 'picture', 'earlier'] as const;
export type WayIn = (typeof WAYS_IN)[number];

interface NewCard {
  readonly way: WayIn;
  readonly title: string;
  readonly purpose: Job['brief']['purpose'];
  readonly wanted: number;
  readonly format: FormatId;
  /** One of the shelf’s; null where its inside is typed. */
  readonly envelopeId: string | null;
  readonly insideMm: { readonly widthMm: number; readonly heightMm: number };
  readonly sampleMm: { readonly widthMm: number; readonly heightMm: number };
  /** The pack of ready-cut cards. */
  readonly blankId: string | null;
  readonly picture: PictureRef | null;
  /** The job it is to be like, as it was when it was chosen. */
  readonly earlier: StoredJob | null;
  readonly withArt: boolean;
  readonly withCounts: boolean;
}

const BLANK: NewCard = {
  way: 'form',
  title: '',
  purpose: 'give',
  wanted: 12,
  format: 'sideFold',
  envelopeId: null,
  insideMm: { widthMm: ISO_C6.insideHeightMm, heightMm: ISO_C6.insideWidthMm },
  sampleMm: { widthMm: 105, heightMm: 148 },
  blankId: null,
  picture: null,
  earlier: null,
  withArt: true,
  withCounts: false,
};

/** The card that is being begun: kept while the maker looks elsewhere, and gone once it is a job. */
export const useNewCard = create<NewCard & { set(part: Partial<NewCard>): void; clear(): void }>()((set) => ({
  ...BLANK,
  set: (part) => set(part),
  clear: () => set(BLANK),
}));
