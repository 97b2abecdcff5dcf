import type { Ornament } from './types.ts';

export const knot: Ornament = {
  id: 'knot',
  name: 'Knot',
  drawing:
    'M30 30C46 14 54 14 70 30C86 46 86 54 70 70C54 86 46 86 30 70C14 54 14 46 30 30ZM37 37C26 48 26 52 37 63C48 74 52 74 63 63C74 52 74 48 63 37C52 26 48 26 37 37ZM46 2L54 2L54 98L46 98ZM2 46L98 46L98 54L2 54Z',
};
