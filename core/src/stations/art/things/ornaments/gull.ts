import type { Ornament } from './types.ts';

export const gull: Ornament = {
  id: 'gull',
  name: 'Gull',
  drawing: 'M2 40C16 30 36 34 50 56C64 34 84 30 98 40C82 40 66 48 56 66C54 70 46 70 44 66C34 48 18 40 2 40Z',
};
