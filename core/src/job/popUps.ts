import type { Limits } from '../ground/limits.ts';
import type { Deg, Mm } from '../ground/length/types.ts';
import { LIMITS } from './limits.ts';
import type { WindowShape } from './windowShapes.ts';

/** Names of what moves as the card opens, as job files write them; each stands in a file of its own at Size. */
export const MECHANISM_IDS = [
  'boxStep',
  'cutIn',
  'cutInV',
  'tent',
  'bridge',
  'vFold',
  'angledFold',
  'floating',
  'fan',
  'figure',
  'lid',
  'pull',
  'wheel',
  'slider',
] as const;
export type MechanismId = (typeof MECHANISM_IDS)[number];

/** What is no piece of its own: it is cut from the card, wants no stock and no glue. */
export const isCutFromCard = (id: MechanismId): boolean => id === 'cutIn' || id === 'cutInV';

const SEEN_BEHIND: ReadonlySet<MechanismId> = new Set([
  ...(['boxStep', 'tent', 'bridge', 'vFold', 'angledFold', 'floating', 'figure', 'lid'] as const),
]);

/** What who walks round the open card sees from behind as well, and may be printed there. */
export const isSeenBehind = (id: MechanismId): boolean => SEEN_BEHIND.has(id);

/** A gutter, or a place to stand on: the card’s own where no layer is named. */
export interface PopUpPlace {
  /** A pop-up of this job that carries it; null for the card. */
  readonly layerId: string | null;
  /** Which of the carrier’s gutters or seats. */
  readonly at: string;
}

/** What is asked of a pop-up; each mechanism takes what is its own. */
export interface PopUp {
  readonly mechanism: MechanismId;
  /** Where it is put together with what carries it. */
  readonly on: PopUpPlace;
  /** From the gutter’s head to its upper edge, or to the point of a V; of a figure or a lid, from the middle of its seat. */
  readonly alongMm: Mm;
  /** Along the gutter; of a figure, a lid or a strap, across it. */
  readonly widthMm: Mm;
  /** From the gutter to where it is glued: on the first page, and on the second where that may differ. */
  readonly depthMm: Mm;
  readonly otherDepthMm: Mm;
  /** How high it stands: a box step’s wall, a tent’s first leg, a layer’s legs, a V’s middle crease, a figure, a lid. */
  readonly heightMm: Mm;
  /** How far a floating layer goes past its legs; how far above its seat’s foot a figure or a lid begins. */
  readonly pastMm: Mm;
  /** Width of what is glued down. */
  readonly tabMm: Mm;
  /** Behind the piece or before it. */
  readonly tabs: 'hidden' | 'showing';
  /** Between the gutter’s head and a V’s glue lines, on the first page and on the second. */
  readonly glueDeg: Deg;
  readonly otherGlueDeg: Deg;
  /** Between a V’s glue lines and its middle crease; of an angled fold, on the first page. */
  readonly pieceDeg: Deg;
  /** Along a V’s glue line. */
  readonly glueMm: Mm;
  /** A V’s crease comes up away from its glue lines’ head, or towards it. */
  readonly lean: 'fro' | 'to';
  /** Of a figure; a path of its own is SVG path data whose size does not matter. */
  readonly shape: WindowShape;
  readonly path: string;
  /** The path fills its figure’s box; or it is in pixels of the layer’s picture, which lies in it where it was traced. */
  readonly pathIn: 'itsBox' | 'picture';
  /** Card left round what was traced. */
  readonly rimMm: Mm;
  readonly pleats: number;
  readonly pleatMm: Mm;
  /** A strip folded in half across its pleats, or one that is gathered at its end. */
  readonly fan: 'half' | 'quarter';
  /** Where a strap’s other end is glued. */
  readonly to: PopUpPlace;
  /** From the foot of its seats to where a strap is glued, at its one end and its other. */
  readonly riseMm: Mm;
  readonly otherRiseMm: Mm;
  /** Between the ends of a strap; null is worked out from how far it is to lift. */
  readonly longMm: Mm | null;
  readonly liftDeg: Deg;
  /** What is looked through in a page, as it is read there, from which side of the card. */
  readonly windowWideMm: Mm;
  readonly windowHighMm: Mm;
  readonly seenFrom: 'outside' | 'inside';
  /** Of a wheel’s window, clockwise from above its pin as it is read. */
  readonly atDeg: Deg;
  /** Which edge of the page a slider is pulled at. */
  readonly pulls: 'fore' | 'head' | 'foot';
}

const START: PopUp = {
  mechanism: 'boxStep',
  on: { layerId: null, at: 'fold' },
  ...{ alongMm: 40, widthMm: 40, depthMm: 20, otherDepthMm: 20, heightMm: 30, pastMm: 0, tabMm: 8, tabs: 'hidden' },
  ...{ glueDeg: 45, otherGlueDeg: 45, pieceDeg: 90, glueMm: 30, lean: 'fro' },
  ...{ shape: 'box', path: '', pathIn: 'itsBox', rimMm: 2 },
  ...{ pleats: 8, pleatMm: 20, fan: 'half' },
  to: { layerId: null, at: 'a' },
  ...{ riseMm: 10, otherRiseMm: 10, longMm: null, liftDeg: 70 },
  ...{ windowWideMm: 24, windowHighMm: 18, seenFrom: 'outside', atDeg: 0, pulls: 'fore' },
};

/** What each begins with: our starting values. */
export const POP_UP_STARTS: Readonly<Record<MechanismId, PopUp>> = {
  boxStep: START,
  cutIn: { ...START, mechanism: 'cutIn' },
  cutInV: { ...START, mechanism: 'cutInV', alongMm: 60 },
  tent: { ...START, mechanism: 'tent', depthMm: 25, otherDepthMm: 25, heightMm: 35 },
  bridge: { ...START, mechanism: 'bridge', depthMm: 35, otherDepthMm: 35, widthMm: 15 },
  vFold: { ...START, mechanism: 'vFold', heightMm: 40 },
  angledFold: { ...START, mechanism: 'angledFold', heightMm: 40, otherGlueDeg: 60, pieceDeg: 95 },
  floating: { ...START, mechanism: 'floating', depthMm: 30, heightMm: 12, pastMm: 5 },
  fan: { ...START, mechanism: 'fan', heightMm: 60, alongMm: 0 },
  figure: { ...START, mechanism: 'figure', alongMm: 0, widthMm: 25, heightMm: 40, on: { layerId: null, at: 'b' } },
  lid: { ...START, mechanism: 'lid', alongMm: 0, heightMm: 40, pastMm: 20, on: { layerId: null, at: 'b' } },
  pull: { ...START, mechanism: 'pull', widthMm: 8, alongMm: 0, on: { layerId: null, at: 'a' } },
  wheel: {
    ...{ ...START, mechanism: 'wheel', alongMm: 0, pastMm: 45, widthMm: 76, riseMm: 22 },
    on: { layerId: null, at: 'a' },
  },
  slider: {
    ...{ ...START, mechanism: 'slider', alongMm: 0, pastMm: 66, windowWideMm: 20, windowHighMm: 30 },
    on: { layerId: null, at: 'a' },
  },
};

/** Names of what is measured alike. */
const ALIKE: Readonly<Partial<Record<keyof PopUp, keyof PopUp>>> = {
  ...{ otherDepthMm: 'depthMm', otherGlueDeg: 'glueDeg', otherRiseMm: 'riseMm' },
};

/** How far a measure of a pop-up may go. */
export function popUpLimits(id: keyof PopUp): Limits {
  const limits = (LIMITS.size.popUp as Readonly<Record<string, unknown>>)[ALIKE[id] ?? id];
  if (typeof limits !== 'object') throw new RangeError(`popUpLimits: “${id}” is no measure`);
  return limits as Limits;
}
