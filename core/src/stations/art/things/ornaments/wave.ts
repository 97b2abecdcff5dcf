import type { Ornament } from './types.ts';

export const wave: Ornament = {
  id: 'wave',
  name: 'Wave',
  drawing:
    'M0 58C10 40 22 40 32 52C40 62 50 62 58 50C68 36 82 36 100 52L100 62C84 46 72 46 64 58C54 74 38 74 27 60C20 51 12 52 0 68Z',
};
