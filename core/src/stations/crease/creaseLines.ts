import { sayEdgePlace } from '../../job/plainRule.ts';
import { pressedLines } from '../../ground/fold/pressedLines.ts';
import type { Blank, Crease, PressedLine } from '../../ground/fold/types.ts';
import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import type { Board } from '../../workshop/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { isUpright } from '../size/folds.ts';

/** Edges of the blank as it is drawn, outside up. */
export type BlankEdge = 'left' | 'right' | 'top' | 'bottom';
export type FaceUp = 'outside' | 'inside';

/** Creases that lie on one straight line are pressed as one. */
export interface StraightCrease {
  readonly creases: readonly PressedLine[];
  readonly upright: boolean;
  /** From the blank’s left or top edge. */
  readonly atMm: Mm;
  readonly lengthMm: Mm;
  /** Part of it folds one way and part the other, once an earlier fold is made. */
  readonly mixed: boolean;
  /** The tool is lifted on the way, for what is cut into the card. */
  readonly isParted: boolean;
}

/** The card’s own; what is cut into it is pressed along a rule, from slit to slit. */
export function straightCreases(blank: Pick<Blank, 'creases' | 'pressed'>): readonly StraightCrease[] {
  const lines = new Map<string, PressedLine[]>();
  for (const crease of pressedLines(blank).filter(({ cutIn }) => cutIn === undefined)) {
    const upright = isUpright(crease);
    const at = upright ? crease.from.xMm : crease.from.yMm;
    const key = `${upright ? 'x' : 'y'}${Math.round(at / TOLERANCE_MM)}`;
    lines.set(key, [...(lines.get(key) ?? []), crease]);
  }
  return [...lines.values()].map((own) => {
    const upright = isUpright(own[0]!);
    const ends = own.flatMap(({ from, to }) => (upright ? [from.yMm, to.yMm] : [from.xMm, to.xMm]));
    return {
      creases: own,
      upright,
      atMm: upright ? own[0]!.from.xMm : own[0]!.from.yMm,
      lengthMm: Math.max(...ends) - Math.min(...ends),
      mixed: own.some((c) => c.direction !== own[0]!.direction),
      isParted: new Set(own.map(({ id }) => id)).size < own.length,
    };
  });
}

export interface Landing {
  readonly edge: BlankEdge;
  readonly fromStopMm: Mm;
  readonly groove: number;
  readonly grooveAtMm: Mm;
  readonly errorMm: Mm;
}

/** The groove nearest to a line with each of its two parallel edges at the stop. */
export function landings(line: StraightCrease, blank: Blank, board: Board): readonly Landing[] {
  const extent = line.upright ? blank.widthMm : blank.heightMm;
  const [near, far]: readonly [BlankEdge, BlankEdge] = line.upright ? ['left', 'right'] : ['top', 'bottom'];
  return [
    { edge: near, fromStopMm: line.atMm },
    { edge: far, fromStopMm: extent - line.atMm },
  ].map(({ edge, fromStopMm }) => {
    const groove = Math.max(1, Math.round(fromStopMm / board.grooveEveryMm));
    const grooveAtMm = groove * board.grooveEveryMm;
    return { edge, fromStopMm, groove, grooveAtMm, errorMm: grooveAtMm - fromStopMm };
  });
}

/** A crease this far off shows as panels that do not match. Our starting value: what an eye sees along an edge. */
export const ERROR_SHOWN_MM = 0.25;

/** The least that any choice of edges leaves, at its worst line. */
export const worstErrorMm = (blank: Blank, board: Board): Mm =>
  Math.max(
    0,
    ...straightCreases(blank).map((line) => Math.min(...landings(line, blank, board).map((l) => Math.abs(l.errorMm)))),
  );

export interface OrderedLine extends Landing {
  readonly line: StraightCrease;
  readonly faceUp: FaceUp;
  /** How to get the piece there from the line before. */
  readonly turn: string;
}

/** Two edges that land this nearly alike leave the choice to the hands. */
const AS_GOOD_MM = 0.05;

/**
 * Chooses an edge for every line (the better landing, or either where both are as good) and an order of
 * all lines, so that the piece is turned as seldom as can be. Lines pressed with the same face up and the
 * same edge at the stop come together; the few groups are tried in every order.
 */
export function orderLines(
  blank: Blank,
  board: Board,
  faceUpOf: (direction: Crease['direction']) => FaceUp,
): readonly OrderedLine[] {
  const open = straightCreases(blank).map((line) => {
    const both = landings(line, blank, board);
    const best = Math.min(...both.map((l) => Math.abs(l.errorMm)));
    return {
      line,
      faceUp: faceUpOf(line.creases[0]!.direction),
      choices: both.filter((l) => Math.abs(l.errorMm) <= best + AS_GOOD_MM),
    };
  });
  let chosen: { readonly turns: number; readonly lines: readonly Omit<OrderedLine, 'turn'>[] } | null = null;
  for (const preferFar of [
    [false, false],
    [true, false],
    [false, true],
    [true, true],
  ] as const) {
    const lines = open.map(({ line, faceUp, choices }) => ({
      ...choices[preferFar[faceUp === 'outside' ? 0 : 1] ? choices.length - 1 : 0]!,
      line,
      faceUp,
    }));
    const groups = groupBy(lines, (l) => `${l.faceUp} ${l.edge}`);
    for (const order of ordersOf([...groups.values()])) {
      const flat = order.flatMap((group) => [...group].sort((a, b) => a.fromStopMm - b.fromStopMm));
      const turns = flat.slice(1).reduce((n, l, i) => n + turnsBetween(flat[i]!, l), 0);
      if (!chosen || turns < chosen.turns) chosen = { turns, lines: flat };
    }
  }
  return (chosen?.lines ?? []).map((line, i, all) => ({ ...line, turn: sayTurn(all[i - 1], line, board) }));
}

type Held = Pick<OrderedLine, 'faceUp' | 'edge'>;
const isLevelPair = (edge: BlankEdge): boolean => edge === 'left' || edge === 'right';

/** Turning over about either middle line is one movement; a quarter turn besides makes two. */
function turnsBetween(a: Held, b: Held): number {
  if (a.faceUp === b.faceUp) return a.edge === b.edge ? 0 : 1;
  return isLevelPair(a.edge) === isLevelPair(b.edge) ? 1 : 2;
}

function sayTurn(before: Held | undefined, now: Held, board: Board): string {
  if (!before) return 'To begin';
  const quarter = isLevelPair(before.edge) !== isLevelPair(now.edge);
  if (before.faceUp === now.faceUp) {
    if (before.edge === now.edge) return 'No turn';
    return quarter ? 'Quarter turn' : 'Half turn';
  }
  if (quarter) return 'Turn over, then a quarter turn';
  const { to, at } = sayEdgePlace(board);
  return before.edge === now.edge ? `Turn over, the same edge ${at}` : `Turn over, the other edge ${to}`;
}

function groupBy<T>(things: readonly T[], key: (thing: T) => string): ReadonlyMap<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const thing of things) groups.set(key(thing), [...(groups.get(key(thing)) ?? []), thing]);
  return groups;
}

/** At most eight groups (two faces, four edges), in practice one to four. */
function* ordersOf<T>(things: readonly T[]): Generator<readonly T[]> {
  if (things.length <= 1) yield things;
  else
    for (const [i, first] of things.entries())
      for (const rest of ordersOf([...things.slice(0, i), ...things.slice(i + 1)])) yield [first, ...rest];
}
