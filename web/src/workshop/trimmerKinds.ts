import type { TrimmerKind } from '@zippy/core';

export const TRIMMER_NAMES: Readonly<Record<TrimmerKind, string>> = {
  sliding: 'Sliding or rotary trimmer',
  lever: 'Lever guillotine',
  knife: 'Knife and steel rule',
  scissors: 'Scissors',
  machine: 'Cutting machine',
};
