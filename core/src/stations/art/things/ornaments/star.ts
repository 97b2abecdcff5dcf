import type { Ornament } from './types.ts';

export const star: Ornament = {
  id: 'star',
  name: 'Star',
  drawing: 'M50 4L60 39L96 50L60 61L50 96L40 61L4 50L40 39Z',
};
