import type { Ornament } from './types.ts';

export const shell: Ornament = {
  id: 'shell',
  name: 'Shell',
  drawing:
    'M50 94L41 86L16 52C8 40 12 26 24 24C26 12 40 8 50 16C60 8 74 12 76 24C88 26 92 40 84 52L59 86ZM48 80L48 30L43 30L44 80ZM40 76L30 34L25 36L36 76ZM60 76L75 36L70 34L64 76ZM52 80L57 30L52 30Z',
};
