import { strip } from '../../formats/parts/strip.ts';
import type { Mechanism } from '../types.ts';

/** Two of a fan’s pleats lie on the pages; fewer than this leave nothing to open. */
export const LEAST_PLEATS = 4;

/**
 * A strip in pleats whose first and last are glued to the pages; it is gathered on the fold and opens to a sector as wide
 * as the card. Folded in half across its pleats, each half fans out by itself, and their facing edges are joined: twice
 * the pleats, and a radius of half a pleat’s length. Gathered at one end, the radius is the pleat’s length.
 */
export const fan: Mechanism = {
  id: 'fan',
  name: 'Fan of pleats',
  says: 'Pleats that fill the side between both pages, as in a bag.',
  mark: 'M20 22L2 20M20 22L5 10M20 22L13 4M20 22L27 4M20 22L35 10M20 22L38 20',
  sits: 'gutter',
  inputs: [
    { id: 'alongMm', label: 'Near edge from head', kind: 'length' },
    { id: 'heightMm', label: 'Radius', kind: 'length' },
    { id: 'pleatMm', label: 'Width of a pleat', kind: 'length' },
    { id: 'pleats', label: 'Pleats of the strip', kind: 'number' },
    {
      ...{ id: 'fan', label: 'Made from', kind: 'choice' },
      choices: [
        { id: 'half', name: 'A strip folded in half' },
        { id: 'quarter', name: 'A strip gathered at its end' },
      ],
    },
  ],
  make: ({ alongMm, heightMm, pleatMm, pleats, fan: from }, { layerId, gutter }) => {
    const isHalf = from === 'half';
    const longMm = isHalf ? 2 * heightMm : heightMm;
    const blank = strip(
      Array.from({ length: pleats }, (_, i) => ({ id: `pleat${i + 1}`, name: `Pleat ${i + 1}`, widthMm: pleatMm })),
      Array.from({ length: pleats - 1 }, (_, i) => ({
        id: `pleat${i + 1}`,
        direction: i % 2 === 0 ? ('mountain' as const) : ('valley' as const),
      })),
      longMm,
    );
    return {
      ok: true,
      made: {
        parts: [],
        fans: [
          {
            ...{ id: `${layerId}-1`, name: 'Fan', gutter: gutter!, alongMm: alongMm + pleatMm / 2, blank },
            ...{ pleats: isHalf ? 2 * pleats : pleats, pleatMm, lengthMm: heightMm },
          },
        ],
      },
    };
  },
};
