import type { BlankCut, FlatBlank } from '../../ground/fold/types.ts';
import { boxAround } from '../../ground/geometry/box.ts';
import { between, chordsAt, edgesOf, transposed, type Polygon } from '../../ground/geometry/polygon.ts';
import type { Point } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { LidChoice, LidHinge } from '../../job/types.ts';
import { DEEPEST_SHARE, LEAST_HINGE_SHARE, SOUND_HINGE_SHARE } from './formats/parts/hinge.ts';
import { inset } from './inset.ts';

const HALVINGS = 40;
/** Two creases lie so many calipers apart, so that the lid lies back over its own thickness. */
const APART_CALIPERS = 2;
/** A smaller lid is not opened by a finger. Our starting value. */
const SMALLEST_LID_MM = 15;

/** A lid that is cut free of its piece but for its hinge; in the piece’s own frame. */
export interface Lid {
  /** From one end of the hinge round to the other. */
  readonly cut: BlankCut;
  /** Both open the lid towards who sees it. */
  readonly creases: FlatBlank['creases'];
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

export type LaidLid =
  { readonly ok: true; readonly lid: Lid } | { readonly ok: false; readonly why: 'small' | 'hinge' };

/** Hinges on the left in the frame that a lid is worked out in. */
const TURNS: Readonly<Record<LidHinge, (points: Polygon) => Polygon>> = {
  left: (points) => points,
  right: (points) => points.map(({ xMm, yMm }) => ({ xMm: -xMm, yMm })),
  top: transposed,
  foot: (points) => points.map(({ xMm, yMm }) => ({ xMm: -yMm, yMm: -xMm })),
};
/** Each of those turns is its own way back. */
const back = TURNS;

/**
 * The lid that opens inside a rim: the outline moved in by the rim, cut from one end of its hinge to the other, and two
 * creases side by side. On a shape the hinge is set in until it is a sound share of the lid. Derivation: shares grow with
 * the depth on any shape that is widest in its middle, so the least sound depth is halved to.
 */
export function lidOf(outline: Polygon, { rimMm, hinge }: LidChoice, caliperMm: Mm): LaidLid {
  const turned = inset(TURNS[hinge](outline), rimMm);
  if (!turned) return { ok: false, why: 'small' };
  const box = boxAround(turned);
  const [start, high] = [box.xMm, box.heightMm];
  if (Math.min(box.widthMm, high) < SMALLEST_LID_MM) return { ok: false, why: 'small' };
  const chord = (depth: Mm): readonly [Mm, Mm] =>
    chordsAt(turned, start + Math.max(depth, HAIR_MM)).reduce<readonly [Mm, Mm]>(
      (a, b) => (b[1] - b[0] > a[1] - a[0] ? b : a),
      [0, 0],
    );
  const long = (depth: Mm): Mm => chord(depth)[1] - chord(depth)[0];
  const isOne = (depth: Mm): boolean => chordsAt(turned, start + Math.max(depth, HAIR_MM)).length === 1;
  const isSound = (depth: Mm): boolean => isOne(depth) && long(depth) >= SOUND_HINGE_SHARE * high;
  let depth = 0;
  if (!isSound(0)) {
    let [low, deep] = [0, box.widthMm * DEEPEST_SHARE];
    if (!isOne(deep) || long(deep) < LEAST_HINGE_SHARE * high) return { ok: false, why: 'hinge' };
    for (let i = 0; i < HALVINGS; i += 1) {
      const middle = (low + deep) / 2;
      if (isSound(middle)) deep = middle;
      else low = middle;
    }
    depth = deep;
  }
  const at = start + depth;
  const free = between(turned, at, start + box.widthMm);
  const line = (xMm: Mm, [from, to]: readonly [Mm, Mm], id: string) => {
    const [a, b] = back[hinge]([
      { xMm, yMm: from },
      { xMm, yMm: to },
    ]);
    return { id, from: a!, to: b!, way: 'toward' as const };
  };
  const gap = APART_CALIPERS * caliperMm;
  const freeBox = boxAround(free);
  const isUpright = hinge === 'left' || hinge === 'right';
  return {
    ok: true,
    lid: {
      cut: cutRound(back[hinge](openFrom(free, at))),
      creases: [line(at, chord(depth), 'hinge1'), line(at + gap, chord(depth + gap), 'hinge2')],
      widthMm: isUpright ? freeBox.widthMm : freeBox.heightMm,
      heightMm: isUpright ? freeBox.heightMm : freeBox.widthMm,
    },
  };
}

/** Just inside the paper, so that a straight side is a hinge along all its length. */
const HAIR_MM = 1e-4;

/** The way round a figure that leaves its edge at a hinge out, from its one end to its other. */
function openFrom(free: Polygon, hingeAtMm: Mm): readonly Point[] {
  const isAt = (p: Point): boolean => Math.abs(p.xMm - hingeAtMm) < 1e-6;
  const edges = edgesOf(free);
  const after = edges.findIndex(([a, b]) => isAt(a) && isAt(b));
  return [...free.slice(after + 1), ...free.slice(0, after + 1)];
}

const cutRound = (points: Polygon): BlankCut => ({
  id: 'lid',
  kind: 'slit',
  name: 'Lid',
  byHand: {
    title: 'Cut round the lid',
    says: 'With a knife on a cutting mat, by the template: from one end of the hinge round to the other, the hinge left whole.',
    tool: 'knife',
  },
  points,
});
