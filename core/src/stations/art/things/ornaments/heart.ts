import type { Ornament } from './types.ts';

export const heart: Ornament = {
  id: 'heart',
  name: 'Heart',
  drawing: 'M50 92C14 62 4 46 4 30C4 14 16 6 28 6C38 6 46 12 50 20C54 12 62 6 72 6C84 6 96 14 96 30C96 46 86 62 50 92Z',
};
