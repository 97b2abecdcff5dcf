import type { Deg, Mm } from '../../../ground/length/types.ts';
import type { PopUpFan } from './types.ts';

/** One crease of an open fan: its angle from the first page, how far along the gutter its two ends are, and its reach. */
export interface FanCrease {
  readonly deg: Deg;
  readonly innerMm: Mm;
  readonly outerMm: Mm;
  readonly reachMm: Mm;
}

export interface FanShape {
  readonly creases: readonly FanCrease[];
  /** A pleat cannot reach from crease to crease at this opening: the fan has gone taut and tears. */
  readonly taut: boolean;
}

const ROUNDS = 40;

/** Pleats that open: the first and the last lie on the pages. */
export const freePleats = ({ pleats }: Pick<PopUpFan, 'pleats'>): number => pleats - 2;

/**
 * A fan at an opening θ: creases at equal angles, their inner ends gathered on the gutter a pleat’s width apart, their outer
 * ends as far apart along the gutter as leaves every pleat its own width at the rim: p² = h² + (2 r sin(θ/2n))², and every
 * crease its own length: R² = r² + ((p − h)/2)². Both are met in turn; each round only shortens the chord. Pleats twist a
 * little, as paper does; their four edges keep their length. Derived here.
 */
export function fanAt(
  { pleats, pleatMm, lengthMm }: Pick<PopUpFan, 'pleats' | 'pleatMm' | 'lengthMm'>,
  openDeg: Deg,
): FanShape {
  const free = freePleats({ pleats });
  const step = openDeg / free;
  let reach = lengthMm;
  let apart = pleatMm;
  let taut = false;
  for (let i = 0; i < ROUNDS; i += 1) {
    const chord = 2 * reach * Math.sin((step * Math.PI) / 360);
    taut = chord > pleatMm;
    apart = taut ? 0 : Math.sqrt(pleatMm * pleatMm - chord * chord);
    reach = Math.sqrt(Math.max(0, lengthMm * lengthMm - ((pleatMm - apart) / 2) ** 2));
  }
  return {
    taut,
    creases: Array.from({ length: free + 1 }, (_, i) => {
      const way = i % 2 === 0 ? 1 : -1;
      return { deg: i * step, innerMm: (way * pleatMm) / 2, outerMm: (way * apart) / 2, reachMm: reach };
    }),
  };
}

/** How far it opens before it is taut; flat where it opens that far. */
export function fanOpensDeg(fan: Pick<PopUpFan, 'pleats' | 'pleatMm' | 'lengthMm'>): Deg {
  let [low, high] = [0, 180];
  if (!fanAt(fan, high).taut) return high;
  for (let i = 0; i < ROUNDS; i += 1) {
    const middle = (low + high) / 2;
    if (fanAt(fan, middle).taut) high = middle;
    else low = middle;
  }
  return low;
}
