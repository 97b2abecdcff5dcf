import { fixed } from '../../../ground/length/rounding.ts';
import { mapBox } from '../../../ground/geometry/box.ts';
import { EDGES, edgeReaches, reachOf, shortEdges, type FaceEdge } from '../faces/edges.ts';
import { isWholeOnFace, boxOf, type FacePlan } from '../faces/items.ts';
import { apply } from '../../../ground/geometry/affine.ts';
import { contains } from '../../../ground/geometry/polygon.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { normalFrom, randomFrom } from '../../../ground/random.ts';
import type { SizePlan } from '../../size/planSize.ts';

export type FaultCause = 'sliver' | 'border' | 'clipped';

/** What a drifting cut can spoil on one face. */
export interface DriftFacts {
  /** Edges that a blade makes; the others are folds. */
  readonly cut: readonly FaceEdge[];
  /** How far art goes on past the trim; null where the stock is bare there, so that nothing shows. */
  readonly bleedMm: Mm | null;
  /** Edges where some art ends sooner than the bleed does: how far past the trim, below nought where it ends inside. */
  readonly shortMm: Readonly<Partial<Record<FaceEdge, Mm>>>;
  /** The even band that the eye compares from side to side; null where there is none. */
  readonly bandMm: Mm | null;
  /** From each edge of the trim to the nearest words, codes and devices; null where nothing is. */
  readonly gapMm: Readonly<Record<FaceEdge, Mm | null>>;
}

/** Where the blade came down: out of the card is above nought, into it below, edge by edge. */
export type Landing = Readonly<Record<FaceEdge, Mm>>;

export interface Fault {
  readonly edge: FaceEdge;
  readonly cause: FaultCause;
  readonly byMm: Mm;
}

/** A band that is off by more than this share of its width is seen to be uneven. Our starting value. */
export const BAND_SHARE = 0.2;
/** A white line thinner than this is not seen. Our starting value: a twentieth of a millimetre, at arm’s length under a minute of arc. */
const SEEN_MM = 0.05;
/** Just outside an edge, where a fold has more card and a cut has none. */
const OUTSIDE_MM = 0.2;

export function driftFacts(face: FacePlan, size: SizePlan, bleedMm: Mm): DriftFacts {
  const { widthMm, heightMm } = face.face;
  const beyond: Readonly<Record<FaceEdge, { xMm: Mm; yMm: Mm }>> = {
    left: { xMm: -OUTSIDE_MM, yMm: heightMm / 2 },
    right: { xMm: widthMm + OUTSIDE_MM, yMm: heightMm / 2 },
    top: { xMm: widthMm / 2, yMm: -OUTSIDE_MM },
    bottom: { xMm: widthMm / 2, yMm: heightMm + OUTSIDE_MM },
  };
  const { outline } = size.form.blank;
  const { art } = face;
  const { border } = art;
  const toEdge =
    art.background !== null ||
    Boolean(art.gradient) ||
    Boolean(face.tiles && face.tiles.fade < 1) ||
    Boolean(face.picture && face.picture.placement.fade < 1 && !isWholeOnFace(face.picture.placement)) ||
    (border ? border.insetMm === 0 : false);
  const trim: Box = { xMm: 0, yMm: 0, widthMm, heightMm };
  // Boxes of all that is no ground: words must not be clipped; what touches the trim must go on past it.
  const { picture } = face;
  const whole =
    picture && picture.placement.fade < 1 && isWholeOnFace(picture.placement) ? [mapBox(picture.map, picture.box)] : [];
  const framed = face.items.flatMap((item) => (item.kind === 'picture' && item.laid ? [boxOf(item.object)] : []));
  const things = face.items.flatMap((item) =>
    item.kind === 'text' || item.kind === 'picture' ? [] : [boxOf(item.object)],
  );
  const words = face.items.flatMap((item) => (item.kind === 'text' && item.set.ink ? [item.set.ink] : []));
  const shortMm: Partial<Record<FaceEdge, Mm>> = {};
  for (const box of [...whole, ...framed, ...things]) {
    const reach = reachOf(box, trim);
    for (const edge of shortEdges(box, trim, face.bleed))
      shortMm[edge] = Math.min(shortMm[edge] ?? Infinity, reach[edge]);
  }
  /** What ends on the trim, or goes on past it, is judged as bleed and not as words. */
  const keptInside = (box: Box, edge: FaceEdge): boolean => edgeReaches(box, trim, face.bleed)[edge] === 'inside';
  const nearest = (edge: FaceEdge): Mm | null => {
    const kept = [...whole, ...things].filter((box) => keptInside(box, edge));
    const gaps = [...words, ...kept].map((box) => -reachOf(box, trim)[edge]);
    return gaps.length === 0 ? null : Math.min(...gaps);
  };
  // Bare stock round art that would fill the face is a band as a border is.
  const bands = [
    ...(border ? [border.insetMm > 0 ? border.insetMm : border.widthMm] : []),
    ...(toEdge && size.bareEdgeMm > 0 ? [size.bareEdgeMm] : []),
  ];
  return {
    cut: EDGES.filter((edge) => !contains(outline, apply(face.face.toBlank, beyond[edge]))),
    bleedMm: toEdge && size.bareEdgeMm === 0 ? bleedMm : null,
    shortMm,
    bandMm: bands.length > 0 ? Math.min(...bands) : null,
    gapMm: {
      left: nearest('left'),
      right: nearest('right'),
      top: nearest('top'),
      bottom: nearest('bottom'),
    },
  };
}

/** Every edge cut by one blade that came down so far to the right and so far below its place. */
export const shifted = (rightMm: Mm, downMm: Mm): Landing => ({
  left: -rightMm,
  right: rightMm,
  top: -downMm,
  bottom: downMm,
});

/** What would be seen on one card. */
export function faultsOf({ cut, bleedMm, shortMm, bandMm, gapMm }: DriftFacts, landing: Landing): readonly Fault[] {
  return cut.flatMap((edge): readonly Fault[] => {
    const out = landing[edge];
    const gap = gapMm[edge];
    const ends = Math.min(bleedMm ?? Infinity, shortMm[edge] ?? Infinity);
    return [
      ...(out - ends > SEEN_MM ? [{ edge, cause: 'sliver', byMm: out - ends } as const] : []),
      ...(bandMm !== null && Math.abs(out) / bandMm > BAND_SHARE
        ? [{ edge, cause: 'border', byMm: Math.abs(out) } as const]
        : []),
      ...(gap !== null && -out > gap ? [{ edge, cause: 'clipped', byMm: -out - gap } as const] : []),
    ];
  });
}

/** A thousand cards, the same every time, so that a changed setting is seen and not another throw of the dice. */
export const DRIFT_RUN = { cards: 1000, seed: 20_261_126 } as const;
/** Cards with a visible fault that a maker would put up with, of all. */
export const WANTED_FAULT_SHARE = 0.01;

/** How a maker’s trims land: a bias that every card shares, and two spreads. */
export interface DriftModel {
  readonly biasRightMm: Mm;
  readonly biasDownMm: Mm;
  /** Standard deviation of one edge’s cut. */
  readonly cutSpreadMm: Mm;
  /** Standard deviation of where the print lies on the sheet, both ways. */
  readonly printSpreadMm: Mm;
}

export interface DriftRun {
  readonly cards: number;
  /** Share of cards with any fault that is seen. */
  readonly share: number;
  readonly perCause: Readonly<Record<FaultCause, number>>;
  readonly perEdge: Readonly<Record<FaceEdge, number>>;
  /** Share of cards with a white sliver, if the bleed were as large as this. */
  readonly byBleed: readonly (readonly [bleedMm: Mm, share: number])[];
  /** Share with clipped words, if nothing lay nearer to an edge than this. */
  readonly bySafe: readonly (readonly [safeMm: Mm, share: number])[];
  /** Share whose band is seen to be uneven, if it were as wide as this. */
  readonly byBand: readonly (readonly [bandMm: Mm, share: number])[];
  /** The least that keeps each of them to the wanted share. */
  readonly bleedMm: Mm;
  readonly safeMm: Mm;
  readonly bandMm: Mm;
}

/** Steps of a curve, and how far it goes. */
const CURVE = { stepMm: 0.25, mostMm: 8, mostBandMm: 16 } as const;

/**
 * A run of cards through the trimmer. The print of each lies as its sheet lay; each edge strays for itself.
 * @param wanted the share of cards that may show a fault of a kind
 */
export function simulateDrift(
  facts: DriftFacts,
  { biasRightMm, biasDownMm, cutSpreadMm, printSpreadMm }: DriftModel,
  { cards, wanted, seed }: { readonly cards: number; readonly wanted: number; readonly seed: number },
): DriftRun {
  const normal = normalFrom(randomFrom(seed));
  const perCause = { sliver: 0, border: 0, clipped: 0 };
  const perEdge = { left: 0, right: 0, top: 0, bottom: 0 };
  let faulty = 0;
  /** The farthest out, in and off of any edge, card by card. */
  const [out, into, off]: [number[], number[], number[]] = [[], [], []];
  for (let i = 0; i < cards; i += 1) {
    const [right, down] = [biasRightMm + printSpreadMm * normal(), biasDownMm + printSpreadMm * normal()];
    const own = shifted(right, down);
    const landing = Object.fromEntries(EDGES.map((edge) => [edge, own[edge] + cutSpreadMm * normal()])) as Record<
      FaceEdge,
      Mm
    >;
    const faults = faultsOf(facts, landing);
    if (faults.length > 0) faulty += 1;
    for (const cause of new Set(faults.map((f) => f.cause))) perCause[cause] += 1;
    for (const edge of new Set(faults.map((f) => f.edge))) perEdge[edge] += 1;
    const landed = facts.cut.map((edge) => landing[edge]);
    out.push(Math.max(...landed, 0));
    into.push(Math.max(...landed.map((mm) => -mm), 0));
    off.push(Math.max(...landed.map(Math.abs), 0));
  }
  for (const list of [out, into, off]) list.sort((a, b) => a - b);
  const over = (sorted: readonly number[], limit: number): number => {
    let [low, high] = [0, sorted.length];
    while (low < high) {
      const mid = (low + high) >> 1;
      if (sorted[mid]! > limit) high = mid;
      else low = mid + 1;
    }
    return (sorted.length - low) / Math.max(1, cards);
  };
  const least = (sorted: readonly number[]): number => sorted[Math.max(0, Math.ceil((1 - wanted) * cards) - 1)] ?? 0;
  const tenthUp = (mm: Mm): Mm => Math.max(0, Math.ceil(mm * 10 - 1e-9)) / 10;
  const steps = (most: Mm): readonly Mm[] =>
    Array.from({ length: Math.round(most / CURVE.stepMm) + 1 }, (_, i) => i * CURVE.stepMm);
  const share = (n: number): number => n / Math.max(1, cards);
  return {
    cards,
    share: share(faulty),
    perCause: { sliver: share(perCause.sliver), border: share(perCause.border), clipped: share(perCause.clipped) },
    perEdge: {
      left: share(perEdge.left),
      right: share(perEdge.right),
      top: share(perEdge.top),
      bottom: share(perEdge.bottom),
    },
    byBleed: steps(CURVE.mostMm).map((mm) => [mm, over(out, mm + SEEN_MM)] as const),
    bySafe: steps(CURVE.mostMm).map((mm) => [mm, over(into, mm)] as const),
    byBand: steps(CURVE.mostBandMm)
      .slice(1)
      .map((mm) => [mm, over(off, mm * BAND_SHARE)] as const),
    bleedMm: tenthUp(least(out)),
    safeMm: tenthUp(least(into)),
    bandMm: tenthUp(least(off) / BAND_SHARE),
  };
}

/** What a fault is called at the bench. */
export function sayFault({ edge, cause, byMm }: Fault): string {
  const where = { left: 'on the left', right: 'on the right', top: 'at the top', bottom: 'at the foot' }[edge];
  switch (cause) {
    case 'sliver':
      return `a white sliver of ${fixed(byMm, 1)} mm ${where}`;
    case 'border':
      return `the border uneven by ${fixed(byMm, 1)} mm ${where}`;
    case 'clipped':
      return `words clipped by ${fixed(byMm, 1)} mm ${where}`;
  }
}
