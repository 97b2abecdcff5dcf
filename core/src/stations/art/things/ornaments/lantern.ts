import type { Ornament } from './types.ts';

export const lantern: Ornament = {
  id: 'lantern',
  name: 'Lantern',
  drawing:
    'M44 4L56 4L56 12L66 20L34 20L44 12ZM30 24L70 24L76 78L24 78ZM36 30L33 72L46 72L46 30ZM54 30L54 72L67 72L64 30ZM28 82L72 82L66 94L34 94Z',
};
