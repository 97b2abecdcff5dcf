import type { Blank, Crease, Panel } from '../../../ground/fold/types.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Deg, Mm } from '../../../ground/length/types.ts';
import { form, outer } from './parts/strip.ts';
import type { Finish, Format, Paper } from './types.ts';

/** Ends that lie under a lid or over a foot are so much narrower than what they are folded from. Our starting value. */
const DUST_IN_MM = 1;
/** So much of its depth they reach in, and never past the middle. Our starting value. */
const DUST_SHARE = 0.8;
/** A flap lies this many calipers over the front: its own leaf, and the front’s. */
const OVER_LEAVES = 2;
/** The seam is this much shorter than its side at each end, so that none of it shows. Our starting value. */
const SEAM_IN_MM = 1.5;

/**
 * Back, side, front, side and a seam, one after the other, all square; a lid and a foot on the back, each with a flap that
 * comes over the front, and ends on both sides that go in under them.
 */
export const box: Format = {
  id: 'box',
  name: 'Box',
  says: 'A flat box for a pack of cards: its lid comes over the front and is kept shut there.',
  family: 'Folded twice, thick or shaped',
  mark: 'M6 9L12 4H34V16L28 21H6ZM6 9H28V21M28 9L34 4M12 9V13H22V9',
  inputs: [
    {
      id: 'bagDeepMm',
      label: 'Deep',
      says: 'What it holds and a little air.',
      kind: 'length',
      mayBeNull: false,
      limits: ({ widthMm, heightMm }) => [4, Math.min(widthMm, heightMm) * 0.75],
    },
    {
      id: 'closeMm',
      label: 'Flaps over the front',
      kind: 'length',
      mayBeNull: false,
      limits: ({ heightMm }) => [Math.min(10, heightMm * 0.2), heightMm * 0.45],
    },
    {
      id: 'wingMm',
      label: 'Seam it is glued by',
      kind: 'length',
      mayBeNull: false,
      limits: ({ widthMm, heightMm }) => [4, Math.min(widthMm, heightMm) * 0.3],
    },
  ],
  form: ({ widthMm, heightMm }, { bagDeepMm, closeMm, wingMm }, paper) =>
    boxForm({ widthMm, heightMm }, { deepMm: bagDeepMm, flapMm: closeMm, seamMm: wingMm }, paper),
};

const p = (xMm: Mm, yMm: Mm): Point => ({ xMm, yMm });

/** The way round one end of the body, from its left to its right, as it stands above the body; the foot mirrors it. */
interface End {
  readonly parts: readonly (readonly [id: string, name: string, outline: Polygon])[];
  readonly creases: readonly Crease[];
  readonly rim: Polygon;
}

// eslint-disable-next-line max-lines-per-function -- one drawing: its parts and folds stand on each other’s edges
function boxForm(
  { widthMm: w, heightMm: h }: Finish,
  { deepMm: d, flapMm, seamMm }: { readonly deepMm: Mm; readonly flapMm: Mm; readonly seamMm: Mm },
  { caliperMm }: Paper,
): ReturnType<typeof form> {
  // Back, left, front, right.
  const edges = [0, w, w + d, 2 * w + d, 2 * w + 2 * d] as const;
  const lidMm = d + OVER_LEAVES * caliperMm;
  const top = lidMm + flapMm;
  const foot = top + h;
  const inMm = Math.min(SEAM_IN_MM, h / 10);
  const seamEnd = edges[4] + seamMm;
  const seam = [
    p(edges[4], top + inMm),
    p(seamEnd, top + 2 * inMm),
    p(seamEnd, foot - 2 * inMm),
    p(edges[4], foot - inMm),
  ];
  const side = (id: string, name: string, i: 0 | 1 | 2 | 3): readonly [string, string, Polygon] => [
    id,
    name,
    [
      ...[p(edges[i], top), p(edges[i + 1]!, top)],
      // The seam hangs on part of the last side’s edge.
      ...(i === 3 ? [seam[0]!, seam[3]!] : []),
      ...[p(edges[i + 1]!, foot), p(edges[i], foot)],
    ],
  ];
  const reach = { lidMm, flapMm, dustMm: Math.min(d * DUST_SHARE, w / 2 - DUST_IN_MM) };
  const [lid, under] = [
    endOf({ id: 'lid', name: 'Lid' }, edges, reach),
    endOf({ id: 'foot', name: 'Foot' }, edges, reach),
  ];
  const above = (at: Point): Point => p(at.xMm, top - at.yMm);
  const below = (at: Point): Point => p(at.xMm, foot + at.yMm);
  // A figure turned over runs the other way round.
  const placed = (end: End, map: (at: Point) => Point, isTurned: boolean) =>
    end.parts.map(([id, name, own]) => [id, name, isTurned ? [...own].reverse().map(map) : own.map(map)] as const);
  const upright = (id: string, i: number, joins: readonly [string, string], inset = 0): Crease => ({
    ...{ id, from: p(edges[i]!, top + inset), to: p(edges[i]!, foot - inset) },
    ...{ direction: 'mountain', shutDeg: 90, joins },
  });
  const moved =
    (map: (at: Point) => Point) =>
    (crease: Crease): Crease => ({
      ...crease,
      from: map(crease.from),
      to: map(crease.to),
    });
  const parts = [
    side('back', 'Back panel', 0),
    side('left', 'Left side', 1),
    side('front', 'Front panel', 2),
    side('right', 'Right side', 3),
    ['seam', 'Seam', seam] as const,
    ...placed(lid, above, false),
    ...placed(under, below, true),
  ];
  const outline: Polygon = [
    ...lid.rim.map(above),
    ...[p(edges[4], top), ...seam, p(edges[4], foot)],
    ...[...under.rim].reverse().map(below),
  ];
  const bounds = boxAround(outline);
  const blank: Blank = {
    ...{ widthMm: bounds.widthMm, heightMm: bounds.heightMm, outline, cuts: [] },
    panels: parts.map(([id, name, own]): Panel => ({ id, name, outline: own, box: boxAround(own) })),
    creases: [
      upright('backLeft', 1, ['back', 'left']),
      upright('frontLeft', 2, ['left', 'front']),
      upright('frontRight', 3, ['front', 'right']),
      upright('backRight', 4, ['right', 'seam'], inMm),
      ...lid.creases.map(moved(above)),
      ...under.creases.map(moved(below)),
    ],
  };
  return form(blank, {
    steps: [
      {
        creaseIds: ['backLeft', 'frontLeft', 'frontRight', 'backRight'],
        says: 'Fold all four sides square and glue the seam’s outside, 3 mm off every edge, to the inside of the back.',
      },
      { creaseIds: ['footLeft', 'footRight'], says: 'Fold both lower ends in.' },
      { creaseIds: ['foot'], says: 'Fold the foot over them.' },
      { creaseIds: ['footFlap'], says: 'Fold its flap up over the front and glue it there.' },
      { creaseIds: ['lidLeft', 'lidRight'], says: 'Fill it, and fold both upper ends in.' },
      { creaseIds: ['lid'], says: 'Fold the lid over them.' },
      { creaseIds: ['lidFlap'], says: 'Fold its flap down over the front, and keep it shut with a sticker or a band.' },
    ],
    opens: 'inTurn',
    front: 'front',
    rests: 'back',
    // On its foot, shut.
    standing: Object.fromEntries(blank.creases.map(({ id, shutDeg }) => [id, shutDeg])),
    glued: ['seam', 'footFlap'],
    faces: [
      outer('front', 'front', 'Front', 'front'),
      outer('back', 'back', 'Back', 'behind'),
      outer('lidFlap', 'flap', 'Flap of the lid', 'front'),
    ],
  });
}

/**
 * Lid or foot on the back with its flap, and an end on either side, as if they stood on the body’s edge at nought, upwards.
 */
function endOf(
  { id, name }: { readonly id: 'lid' | 'foot'; readonly name: string },
  [backFrom, backTo, frontFrom, frontTo, end]: readonly [Mm, Mm, Mm, Mm, Mm],
  { lidMm, flapMm, dustMm }: { readonly lidMm: Mm; readonly flapMm: Mm; readonly dustMm: Mm },
): End {
  const lean = Math.min(flapMm * 0.3, (backTo - backFrom) / 6);
  const lid: Polygon = [p(backFrom, 0), p(backFrom, lidMm), p(backTo, lidMm), p(backTo, 0)];
  const flap: Polygon = [
    p(backFrom, lidMm),
    p(backFrom + lean, lidMm + flapMm),
    p(backTo - lean, lidMm + flapMm),
    p(backTo, lidMm),
  ];
  const dust = (from: Mm, to: Mm): Polygon => {
    const inMm = Math.min(DUST_IN_MM, (to - from) / 8);
    const slant = Math.min(dustMm / 3, (to - from) / 4);
    return [p(from + inMm, 0), p(from + inMm + slant, dustMm), p(to - inMm - slant, dustMm), p(to - inMm, 0)];
  };
  const [left, right] = [dust(backTo, frontFrom), dust(frontTo, end)];
  const level = (
    creaseId: string,
    from: Point,
    to: Point,
    joins: readonly [string, string],
    shutDeg: Deg = 90,
  ): Crease => ({
    ...{ id: creaseId, from, to, direction: 'mountain', shutDeg, joins },
  });
  return {
    parts: [
      [id, name, lid],
      [`${id}Flap`, `${name}’s flap`, flap],
      [`${id}Left`, `${name}, left end`, left],
      [`${id}Right`, `${name}, right end`, right],
    ],
    creases: [
      level(id, p(backFrom, 0), p(backTo, 0), ['back', id]),
      level(`${id}Flap`, p(backFrom, lidMm), p(backTo, lidMm), [id, `${id}Flap`]),
      level(`${id}Left`, left[0]!, left[3]!, ['left', `${id}Left`]),
      level(`${id}Right`, right[0]!, right[3]!, ['right', `${id}Right`]),
    ],
    rim: [lid[0]!, lid[1]!, flap[1]!, flap[2]!, lid[2]!, lid[3]!, ...left, ...right],
  };
}
