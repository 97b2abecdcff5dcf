import { pleats } from './parts/pleats.ts';
import { panels } from './parts/inputs.ts';
import type { Format } from './types.ts';

export const zigzag: Format = {
  id: 'zigzag',
  name: 'Zigzag',
  says: 'Equal panels, folded to and fro.',
  family: 'Doors, rolls and pleats',
  mark: 'M3 20L11 4L19 20L27 4L35 20',
  inputs: [panels(3, 12)],
  form: ({ widthMm, heightMm }, { panels: n }) => pleats(n, widthMm, heightMm),
};
