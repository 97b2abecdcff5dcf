import { segment } from '../geometry/path.ts';
import { TOLERANCE_MM, type Box } from '../geometry/types.ts';
import type { Mm } from '../length/types.ts';
import type { Shape } from '../scene/types.ts';
import { CLEAR_MM, SHORTEST_TICK_MM, TICK_MM } from './marks.ts';

const SLUG_MM = 2.4;
/** Beyond the ticks where there is room, so that the two never cross. */
const SLUG_ROOM_MM = SLUG_MM * 1.25;

/** What lies on a page: everything printed, in one box, and how far the printer reaches. */
export interface Block {
  readonly bleedBox: Box;
  readonly printable: Box;
}

/** A fold on a page, as the thin box round it, and the piece that it belongs to. */
export interface FoldOnPage {
  readonly line: Box;
  readonly piece: Box;
}

/**
 * Ticks round a block, between the bleed and the printable edge: in line with every trim, and with every fold that
 * no other piece lies before, because a rule laid on it then crosses that piece alone. None is drawn between pieces:
 * it would lie in a neighbour’s bleed.
 */
export function drawTicks(
  trims: readonly Box[],
  folds: readonly FoldOnPage[],
  { bleedBox: block, printable }: Block,
): readonly Shape[] {
  const marks = new Map<string, Shape>();
  const tick = (role: 'mark' | 'creaseAway', x1: Mm, y1: Mm, x2: Mm, y2: Mm): void => {
    marks.set([x1, y1].map((mm) => mm.toFixed(2)).join(' '), { kind: 'path', role, path: segment(x1, y1, x2, y2) });
  };
  const [right, bottom] = [block.xMm + block.widthMm, block.yMm + block.heightMm];
  const reach = (room: Mm): Mm => Math.min(TICK_MM, room - CLEAR_MM);
  const above = reach(block.yMm - printable.yMm);
  const below = reach(printable.yMm + printable.heightMm - bottom);
  const before = reach(block.xMm - printable.xMm);
  const after = reach(printable.xMm + printable.widthMm - right);
  const top = (role: 'mark' | 'creaseAway', x: Mm): void => {
    if (above >= SHORTEST_TICK_MM) tick(role, x, block.yMm - CLEAR_MM, x, block.yMm - CLEAR_MM - above);
  };
  const foot = (role: 'mark' | 'creaseAway', x: Mm): void => {
    if (below >= SHORTEST_TICK_MM) tick(role, x, bottom + CLEAR_MM, x, bottom + CLEAR_MM + below);
  };
  const left = (role: 'mark' | 'creaseAway', y: Mm): void => {
    if (before >= SHORTEST_TICK_MM) tick(role, block.xMm - CLEAR_MM, y, block.xMm - CLEAR_MM - before, y);
  };
  const far = (role: 'mark' | 'creaseAway', y: Mm): void => {
    if (after >= SHORTEST_TICK_MM) tick(role, right + CLEAR_MM, y, right + CLEAR_MM + after, y);
  };
  const middleOf = (box: Box, upright: boolean): Mm =>
    upright ? box.yMm + box.heightMm / 2 : box.xMm + box.widthMm / 2;
  for (const { line, piece } of folds) {
    const upright = line.widthMm < TOLERANCE_MM;
    if (!upright && line.heightMm >= TOLERANCE_MM) continue;
    const over = (t: Box): boolean =>
      upright
        ? t.xMm < line.xMm - TOLERANCE_MM && t.xMm + t.widthMm > line.xMm + TOLERANCE_MM
        : t.yMm < line.yMm - TOLERANCE_MM && t.yMm + t.heightMm > line.yMm + TOLERANCE_MM;
    const own = middleOf(piece, upright);
    const centres = trims.filter(over).map((t) => middleOf(t, upright));
    const at = upright ? line.xMm : line.yMm;
    if (centres.every((c) => c >= own - TOLERANCE_MM * 10)) (upright ? top : left)('creaseAway', at);
    if (centres.every((c) => c <= own + TOLERANCE_MM * 10)) (upright ? foot : far)('creaseAway', at);
  }
  // Trims last: where one lies in line with a fold, it is the cut that must be found.
  for (const { xMm, yMm, widthMm, heightMm } of trims) {
    for (const x of [xMm, xMm + widthMm]) {
      top('mark', x);
      foot('mark', x);
    }
    for (const y of [yMm, yMm + heightMm]) {
      left('mark', y);
      far('mark', y);
    }
  }
  return [...marks.values()];
}

/**
 * A line of words along the roomiest of three edges; left out where none has room for it.
 * @param startMm where it begins on a level edge
 */
export function drawSlug(
  text: string,
  { bleedBox: block, printable }: Block,
  startMm = block.xMm + TICK_MM,
): readonly Shape[] {
  const below = printable.yMm + printable.heightMm - block.yMm - block.heightMm;
  const [above, before] = [block.yMm - printable.yMm, block.xMm - printable.xMm];
  const most = Math.max(below, above, before);
  if (most < SLUG_ROOM_MM) return [];
  const base = { kind: 'label', role: 'mark', text, sizeMm: SLUG_MM, anchor: 'start' } as const;
  if (most === below)
    return [{ ...base, at: { xMm: startMm, yMm: printable.yMm + printable.heightMm - SLUG_MM * 0.3 } }];
  if (most === above) return [{ ...base, at: { xMm: startMm, yMm: printable.yMm + SLUG_MM } }];
  return [
    {
      ...base,
      at: { xMm: printable.xMm + SLUG_MM, yMm: block.yMm + block.heightMm - TICK_MM },
      turnDeg: -90,
    },
  ];
}

/** A long title must not run the slug off the sheet. */
export const shortTitle = (title: string): string => (title.length > 48 ? `${title.slice(0, 47)}…` : title);
