import type { Deg } from '../length/types.ts';
import { inSpace } from '../fold/foldBlank.ts';
import { minus, move } from '../fold/space.ts';
import type { Panel } from '../fold/types.ts';
import type { Point } from '../geometry/types.ts';
import { dampedLeastSquares } from './dampedLeastSquares.ts';
import { linked } from './linked.ts';
import { gapOf, heldBy, placeParts, strapSpan, type Poses } from './placeParts.ts';
import { bodyKey, type Joint, type Linkage, type LinkState, type Moment, type Strap } from './types.ts';

/** The pages are opened by so much at a time, so that no crease can take the other way round. */
const STEP_DEG = 4.5;
const EVERY_OPENING: readonly Deg[] = Array.from({ length: 180 / STEP_DEG + 1 }, (_, i) => i * STEP_DEG);
/** What moves alike is told so much more softly than what glue holds. */
const SOFTLY = 1e-4;

/**
 * Opens the pages from shut to flat in small steps and finds at each how every crease is folded: angles that put every
 * glued panel where its glue holds it, or as near as rigid card can come.
 * @param openings those that are looked at, from shut on, each a small step after the one before
 * @throws RangeError when a joint’s map is not rigid, or what carries a part is not placed before it
 */
export function motionOf(linkage: Linkage, openings: readonly Deg[] = EVERY_OPENING): readonly Moment[] {
  const sets = linked(linkage).map((set) => known(set, openings));
  return openings.map((openDeg, i) => ({
    openDeg,
    state: Object.assign({}, ...sets.map((set) => set[i]!.state)) as LinkState,
    gapsMm: Object.assign({}, ...sets.map((set) => set[i]!.gapsMm)) as Moment['gapsMm'],
  }));
}

/** So many sets that move by themselves are remembered: a card that is worked on has some dozens, and one changes at a time. */
const MOST_KNOWN = 256;
const knownBy = new Map<string, readonly Moment[]>();

/** What moves by the same measures moves the same way, so that typing at one mechanism solves that one alone. */
function known(set: Linkage, openings: readonly Deg[]): readonly Moment[] {
  const key = JSON.stringify([
    set.parts.map(({ id, blank: { panels, creases }, joints, shut, flat }) => [
      ...[id, panels.map((panel) => [panel.id, panel.outline]), joints, shut, flat],
      creases.map(({ id: creaseId, from, to, direction, joins }) => [creaseId, from, to, direction, joins]),
    ]),
    ...[set.straps.map(({ id, from, to, longMm }) => [id, from, to, longMm]), set.alike, openings],
  ]);
  const found = knownBy.get(key) ?? openingsOf(set, openings);
  // The one asked for last goes last: the first is the one that was longest without use.
  knownBy.delete(key);
  knownBy.set(key, found);
  if (knownBy.size > MOST_KNOWN) knownBy.delete(knownBy.keys().next().value!);
  return found;
}

function openingsOf(set: Linkage, openings: readonly Deg[]): readonly Moment[] {
  const creases = set.parts.flatMap(({ id, blank }) =>
    blank.creases.map((crease) => ({ part: id, crease: crease.id })),
  );
  const shut = creases.map(({ part, crease }) => partOf(set, part).shut[crease] ?? 0);
  const flat = creases.map(({ part, crease }) => partOf(set, part).flat[crease] ?? 0);
  const stateOf = (degrees: readonly number[]): LinkState => {
    const state: Record<string, Record<string, Deg>> = Object.fromEntries(set.parts.map(({ id }) => [id, {}]));
    creases.forEach(({ part, crease }, i) => (state[part]![crease] = degrees[i]!));
    return state;
  };
  const loops = loopsOf(set);
  const found: { readonly openDeg: Deg; readonly degrees: readonly number[] }[] = [];
  for (const openDeg of openings) {
    const [before, last] = [found.at(-2), found.at(-1)];
    // First as the mechanism says, then on as it went; what rests until it is pulled begins at rest each time.
    const guess = shut.map((rest, i) => {
      if (!before || !last || rest === flat[i]) return rest + ((flat[i]! - rest) * openDeg) / 180;
      const [v, w] = [last.degrees[i]!, before.degrees[i]!];
      return v + ((v - w) * (openDeg - last.openDeg)) / (last.openDeg - before.openDeg);
    });
    // Pulled, it goes on from where it was pulled to.
    const pulled = guess.map((v, i) => (shut[i] === flat[i] ? (last?.degrees[i] ?? v) : v));
    const still = openDeg === 0 || creases.length === 0;
    const degrees = still ? guess : settle(set, loops, { guess, pulled }, stateOf, openDeg);
    found.push({ openDeg, degrees });
  }
  return found.map(({ openDeg, degrees }) => {
    const state = stateOf(degrees);
    return { openDeg, state, gapsMm: gapsOf(set, loops, placeParts(set.parts, state, openDeg)) };
  });
}

const partOf = ({ parts }: Linkage, id: string) => parts.find((part) => part.id === id)!;
const toDeg = (radians: number): Deg => (radians * 180) / Math.PI;
const toRad = (deg: Deg): number => (deg * Math.PI) / 180;

/** A joint after the first, with the corners of its panel by which it is held. */
interface Loop {
  readonly partId: string;
  readonly joint: Joint;
  readonly panel: Panel;
  readonly held: readonly Point[];
}

function loopsOf({ parts }: Linkage): readonly Loop[] {
  return parts.flatMap(({ id, blank, joints: [, ...others] }) =>
    others.map((joint) => {
      const panel = blank.panels.find((one) => one.id === joint.panelId);
      if (!panel) throw new RangeError(`motionOf: no panel “${joint.panelId}” on part “${id}”`);
      return { partId: id, joint, panel, held: threeOf(panel) };
    }),
  );
}

/** Three corners far from each other tell where a rigid panel is. */
function threeOf({ outline }: Panel): readonly Point[] {
  const far = (from: (p: Point) => number): Point => outline.reduce((best, p) => (from(p) > from(best) ? p : best));
  const first = outline[0]!;
  const second = far((p) => Math.hypot(p.xMm - first.xMm, p.yMm - first.yMm));
  const [dx, dy] = [second.xMm - first.xMm, second.yMm - first.yMm];
  const third = far((p) => Math.abs((p.xMm - first.xMm) * dy - (p.yMm - first.yMm) * dx));
  return [first, second, third];
}

/** Folds that fit best. A strap pulls only where its ends would be farther apart than it is long without it. */
function settle(
  set: Linkage,
  loops: readonly Loop[],
  { guess, pulled }: Readonly<Record<'guess' | 'pulled', readonly Deg[]>>,
  stateOf: (degrees: readonly Deg[]) => LinkState,
  openDeg: Deg,
): readonly Deg[] {
  const taut = new Set<Strap>();
  for (;;) {
    const strained = (radians: readonly number[]): readonly number[] =>
      residualsOf(set, { loops, taut }, stateOf(radians.map(toDeg)), openDeg);
    const degrees = dampedLeastSquares(strained, (taut.size > 0 ? pulled : guess).map(toRad)).unknowns.map(toDeg);
    const poses = placeParts(set.parts, stateOf(degrees), openDeg);
    const next = set.straps.find((strap) => !taut.has(strap) && strapSpan(strap, poses) > strap.longMm);
    if (!next) return degrees;
    taut.add(next);
  }
}

function residualsOf(
  set: Linkage,
  { loops, taut }: { readonly loops: readonly Loop[]; readonly taut: ReadonlySet<Strap> },
  state: LinkState,
  openDeg: Deg,
): readonly number[] {
  const poses = placeParts(set.parts, state, openDeg);
  return [
    ...loops.flatMap(({ partId, joint, held }) => {
      const [own, wanted] = [poses.get(bodyKey({ partId, panelId: joint.panelId }))!, heldBy(joint, poses)];
      return held.flatMap((p) => minus(move(own, inSpace(p)), move(wanted, inSpace(p))));
    }),
    ...[...taut].map((strap) => strapSpan(strap, poses) - strap.longMm),
    ...set.alike.map(([a, b]) => SOFTLY * (state[a.partId]![a.creaseId]! - state[b.partId]![b.creaseId]!)),
  ];
}

const gapsOf = (set: Linkage, loops: readonly Loop[], poses: Poses): Moment['gapsMm'] =>
  Object.fromEntries([
    ...loops.map(({ partId, joint, panel }) => [joint.id, gapOf(partId, joint, panel, poses)]),
    ...set.straps.map((strap) => [strap.id, Math.max(0, strapSpan(strap, poses) - strap.longMm)]),
  ]) as Moment['gapsMm'];
