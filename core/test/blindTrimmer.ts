import type { CutMove } from '../src/stations/cut/types.ts';

export interface Piece {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/**
 * A trimmer that knows only what a maker does: an edge of a piece at the fence, a distance to the blade.
 * Every piece whose edge at the fence allows the cut is cut; nothing is looked up on the plan.
 */
function trim(pieces: readonly Piece[], move: CutMove): readonly Piece[] {
  return pieces.flatMap((p) => {
    const across = move.atFence === 'left' || move.atFence === 'right';
    const extent = across ? p.right - p.left : p.bottom - p.top;
    if (move.fenceMm >= extent - 1e-6) return [p];
    switch (move.atFence) {
      case 'left':
        return [
          { ...p, right: p.left + move.fenceMm },
          { ...p, left: p.left + move.fenceMm },
        ];
      case 'right':
        return [
          { ...p, left: p.right - move.fenceMm },
          { ...p, right: p.right - move.fenceMm },
        ];
      case 'top':
        return [
          { ...p, bottom: p.top + move.fenceMm },
          { ...p, top: p.top + move.fenceMm },
        ];
      case 'bottom':
        return [
          { ...p, top: p.bottom - move.fenceMm },
          { ...p, bottom: p.bottom - move.fenceMm },
        ];
    }
  });
}

/** Follows the plan; what is not at the fence when a piece comes off is set aside until it is turned for the other axis. */
export function run(
  moves: readonly CutMove[],
  sheet: Piece,
  hears: (move: CutMove, fell: readonly Piece[]) => void = () => {},
): readonly Piece[] {
  /** What a maker has in hand under each name that the plan has given. */
  const hands = new Map<string, { work: readonly Piece[]; done: Piece[]; axis: boolean | null }>([
    ['the sheet', { work: [sheet], done: [], axis: null }],
  ]);
  for (const move of moves) {
    const hand = hands.get(move.piece);
    if (!hand) throw new Error(`the plan cuts “${move.piece}”, which nobody has`);
    const across = move.atFence === 'left' || move.atFence === 'right';
    if (hand.axis !== null && across !== hand.axis) {
      hand.work = [...hand.work, ...hand.done];
      hand.done = [];
    }
    hand.axis = across;
    const cut = hand.work.map((piece) => trim([piece], move));
    // The first of each pair stays at the fence; the other falls off.
    hand.work = cut.map(([kept]) => kept!);
    const fell = cut.flatMap(([, off]) => (off ? [off] : []));
    hears(move, fell);
    if (move.fallsOff !== 'part') {
      hand.done.push(...fell);
      continue;
    }
    // What fell off before was waste round the sheet; the two parts go on under names of their own.
    hands.set(move.stays!, { work: hand.work, done: [], axis: null });
    hands.set(move.comesOff!, { work: fell, done: [], axis: null });
    hand.work = [];
  }
  return [...hands.values()].flatMap(({ work, done }) => [...work, ...done]);
}

/** Where a piece lies, to a micron. */
export const key = (p: Piece): string => [p.left, p.top, p.right, p.bottom].map((n) => n.toFixed(3)).join(' ');
