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
  /** Its pleats do not reach from page to page at this opening: the fan has gone taut and tears. */
  readonly taut: boolean;
}

type Fan = Pick<PopUpFan, 'pleats' | 'pleatMm' | 'lengthMm'>;

const HALVINGS = 50;
const toDeg = (radians: number): Deg => (radians * 180) / Math.PI;

/** Pleats that open: the first and the last lie on the pages. */
export const freePleats = ({ pleats }: Pick<PopUpFan, 'pleats'>): number => pleats - 2;

/**
 * How a fan spreads when neighbouring creases are `h` apart along the gutter at its rim. Inner ends are gathered on the
 * gutter a pleat’s width p apart. A crease keeps its length R, so that it reaches r = √(R² − ((p − h)/2)²); a pleat keeps its
 * width at the rim, so that its chord is √(p² − h²), and of a pleat beside a page, whose glued crease stays p/2 off, the root
 * of p² − ((p + h)/2)². Angles follow from the chords. Pleats twist a little, as paper does; their edges keep their length.
 * Derived here.
 */
function spreadOf({ pleats, pleatMm: p, lengthMm: R }: Fan, h: Mm) {
  const reachMm = Math.sqrt(Math.max(0, R * R - ((p - h) / 2) ** 2));
  const chord = Math.sqrt(Math.max(0, p * p - h * h));
  const endChord = Math.sqrt(Math.max(0, p * p - ((p + h) / 2) ** 2));
  const innerDeg = toDeg(2 * Math.asin(Math.min(1, chord / (2 * reachMm))));
  const cosine = (R * R + reachMm * reachMm - endChord * endChord) / (2 * R * reachMm);
  const endDeg = toDeg(Math.acos(Math.min(1, Math.max(-1, cosine))));
  const free = freePleats({ pleats });
  return { reachMm, innerDeg, endDeg, allDeg: 2 * endDeg + (free - 2) * innerDeg };
}

/** A fan at an opening: the wider it is open, the nearer its creases come to each other along the gutter. */
export function fanAt(fan: Fan, openDeg: Deg): FanShape {
  const { pleatMm } = fan;
  let [low, high] = [0, pleatMm];
  const taut = spreadOf(fan, 0).allDeg < openDeg;
  for (let i = 0; i < HALVINGS && !taut; i += 1) {
    const middle = (low + high) / 2;
    if (spreadOf(fan, middle).allDeg > openDeg) low = middle;
    else high = middle;
  }
  const apart = taut ? 0 : high;
  const { reachMm, innerDeg, endDeg } = spreadOf(fan, apart);
  const free = freePleats(fan);
  return {
    taut,
    creases: Array.from({ length: free + 1 }, (_, i): FanCrease => {
      const way = i % 2 === 0 ? 1 : -1;
      const isGlued = i === 0 || i === free;
      return {
        deg: i === 0 ? 0 : i === free ? openDeg : endDeg + (i - 1) * innerDeg,
        innerMm: (way * pleatMm) / 2,
        outerMm: (way * (isGlued ? pleatMm : apart)) / 2,
        reachMm: isGlued ? fan.lengthMm : reachMm,
      };
    }),
  };
}

/** How far it opens before it is taut; flat where it opens that far. */
export const fanOpensDeg = (fan: Fan): Deg => Math.min(180, spreadOf(fan, 0).allDeg);

/** The fewest pleats of such a size that reach round half a circle. */
export function pleatsFor(fan: Fan): number {
  const { innerDeg, endDeg } = spreadOf(fan, 0);
  return 4 + Math.max(0, Math.ceil((180 - 2 * endDeg) / innerDeg - 1e-9));
}
