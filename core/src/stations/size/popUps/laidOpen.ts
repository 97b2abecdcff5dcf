import { chain, turnAbout, undo, type Pose } from '../../../ground/fold/space.ts';
import { lifted } from '../../../ground/linkage/placeParts.ts';
import type { PopUpPlan } from './popUpPlan.ts';
import { openingOf } from './standing.ts';

/** Opened by so little, a card with an upright fold still lies on its back; farther, it lies on its spine like a book. */
const BOOK_FROM_DEG = 60;

/** The gutter’s plane before its reader: a level fold goes across, an upright one away. */
const ACROSS: Pose = {
  rows: [
    [0, -1, 0],
    [0, 0, 1],
    [-1, 0, 0],
  ],
  shift: [0, 0, 0],
};
const AWAY: Pose = {
  rows: [
    [1, 0, 0],
    [0, 0, 1],
    [0, -1, 0],
  ],
  shift: [0, 0, 0],
};

/**
 * The card on a table before who opens it: over a level fold the lower page lies and the other rises behind it, over an
 * upright one both rise like a book’s.
 * @param poses of its panels anyhow in space, x right, y up, z towards the reader
 */
export function laidOpen(
  { spread }: Pick<PopUpPlan, 'spread'>,
  poses: ReadonlyMap<string, Pose>,
): ReadonlyMap<string, Pose> {
  const onto = lifted(spread.toBlank);
  const [a, b] = [chain(poses.get(spread.panelIds.a)!, onto), chain(poses.get(spread.panelIds.b)!, onto)];
  const openDeg = openingOf(a, b);
  const shutDeg = 180 - openDeg;
  // Of the second page of a book; the first has the rest.
  const raisedDeg = (shutDeg / 2) * Math.min(1, openDeg / BOOK_FROM_DEG);
  const turned = spread.isLevel
    ? ACROSS
    : chain(AWAY, turnAbout([0, 0, 0], [0, 1, 0], ((shutDeg - raisedDeg) * Math.PI) / 180));
  const laid = chain(turned, undo(a));
  return new Map([...poses].map(([id, pose]) => [id, chain(laid, pose)]));
}
