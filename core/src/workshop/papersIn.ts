import { DEFAULT_REGION } from '../ground/money.ts';
import { papersOf, type Papers } from './region.ts';
import type { Workshop } from './types.ts';

/** Whose sheets and weights a studio buys: as it says, or as is usual where it is. */
export const papersIn = ({ papers, region = DEFAULT_REGION }: Pick<Workshop, 'papers' | 'region'>): Papers =>
  papers ?? papersOf(region);
