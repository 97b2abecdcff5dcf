import type { Mm } from '../../../ground/length/types.ts';
import type { FormatOptions } from '../../../job/format.ts';
import { pleats } from './parts/pleats.ts';
import { panels } from './parts/inputs.ts';
import type { Format } from './types.ts';

const lowestOf = ({ frontHeightMm }: FormatOptions, heightMm: Mm): Mm => frontHeightMm ?? Math.round(heightMm * 0.55);

/** The top falls in one straight line from the last panel’s far edge to the first panel’s near edge. */
export const cascade: Format = {
  id: 'cascade',
  name: 'Cascade',
  says: 'A zigzag cut on a slope: every panel shows behind the last. One sloped cut makes two.',
  family: 'Doors, rolls and pleats',
  mark: 'M4 21V13L12 10V21M12 10L20 7V21M20 7L28 4V21M4 21H28',
  inputs: [
    panels(3, 6),
    {
      id: 'frontHeightMm',
      label: 'Lowest edge',
      says: 'Left empty, a little over half the height.',
      kind: 'length',
      mayBeNull: true,
      limits: ({ heightMm }) => [Math.min(10, heightMm * 0.2), heightMm - 2],
    },
  ],
  form: ({ widthMm, heightMm }, options) => {
    const longMm = options.panels * widthMm;
    const low = lowestOf(options, heightMm);
    return pleats(options.panels, widthMm, heightMm, [
      { xMm: 0, yMm: heightMm - low },
      { xMm: longMm, yMm: 0 },
      { xMm: longMm, yMm: heightMm },
      { xMm: 0, yMm: heightMm },
    ]);
  },
};
