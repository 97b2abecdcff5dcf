import { boxAround, corners } from '../../../ground/geometry/box.ts';
import type { Box, Point } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';

/** What things on a face line up with. */
export interface Ground {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly safe: Box;
}

export interface Snapped {
  readonly dxMm: Mm;
  readonly dyMm: Mm;
  /** Lines to show, from end to end. */
  readonly guides: readonly (readonly [Point, Point])[];
}

interface Span {
  readonly from: Mm;
  readonly size: Mm;
}
/** A shift along one axis that lines something up; `line` is where, or null where only gaps are made even. */
interface Pull {
  readonly by: Mm;
  readonly line: Mm | null;
}

/**
 * The small shift that lines a thing up with the face’s centre, its safe edges, or another thing’s edges and centre,
 * or makes the gaps to its neighbours even. Each axis for itself, the nearest first; none beyond the reach.
 */
export function snap(moving: Box, others: readonly Box[], ground: Ground, reachMm: Mm): Snapped {
  const across = pullOf(
    spanX(moving),
    others.map(spanX),
    others.filter((o) => overlaps(spanY(o), spanY(moving))).map(spanX),
    [ground.widthMm / 2],
    [ground.safe.xMm, ground.safe.xMm + ground.safe.widthMm],
    reachMm,
  );
  const down = pullOf(
    spanY(moving),
    others.map(spanY),
    others.filter((o) => overlaps(spanX(o), spanX(moving))).map(spanY),
    [ground.heightMm / 2],
    [ground.safe.yMm, ground.safe.yMm + ground.safe.heightMm],
    reachMm,
  );
  const guides: (readonly [Point, Point])[] = [];
  if (across && across.line !== null)
    guides.push([
      { xMm: across.line, yMm: 0 },
      { xMm: across.line, yMm: ground.heightMm },
    ]);
  if (down && down.line !== null)
    guides.push([
      { xMm: 0, yMm: down.line },
      { xMm: ground.widthMm, yMm: down.line },
    ]);
  return { dxMm: across?.by ?? 0, dyMm: down?.by ?? 0, guides };
}

const spanX = ({ xMm, widthMm }: Box): Span => ({ from: xMm, size: widthMm });
const spanY = ({ yMm, heightMm }: Box): Span => ({ from: yMm, size: heightMm });
const overlaps = (a: Span, b: Span): boolean => a.from < b.from + b.size && b.from < a.from + a.size;

function pullOf(
  own: Span,
  others: readonly Span[],
  beside: readonly Span[],
  centres: readonly Mm[],
  edges: readonly Mm[],
  reachMm: Mm,
): Pull | null {
  const middle = own.from + own.size / 2;
  const end = own.from + own.size;
  const pulls: Pull[] = [];
  const to = (line: Mm, at: readonly Mm[]): void => {
    for (const mm of at) pulls.push({ by: line - mm, line });
  };
  for (const line of centres) to(line, [middle]);
  for (const line of edges) to(line, [own.from, end]);
  for (const { from, size } of others) {
    to(from, [own.from, end]);
    to(from + size, [own.from, end]);
    to(from + size / 2, [middle]);
  }
  // Even gaps: in the middle between two, or as far from the last as it is from the one before.
  const sorted = [...beside].sort((a, b) => a.from - b.from);
  sorted.forEach((first, i) => {
    const second = sorted[i + 1];
    if (!second) return;
    const gap = second.from - first.from - first.size;
    if (gap <= 0) return;
    if (gap >= own.size) pulls.push({ by: first.from + first.size + (gap - own.size) / 2 - own.from, line: null });
    pulls.push({ by: second.from + second.size + gap - own.from, line: null });
    pulls.push({ by: first.from - gap - own.size - own.from, line: null });
  });
  return pulls
    .filter(({ by }) => Math.abs(by) <= reachMm)
    .reduce<Pull | null>((best, pull) => (!best || Math.abs(pull.by) < Math.abs(best.by) - 1e-9 ? pull : best), null);
}

export type Alignment = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';

/** How far a thing goes to stand at the safe edges, or in the middle of the face. */
export function alignmentShift(box: Box, how: Alignment, { widthMm, heightMm, safe }: Ground): Point {
  switch (how) {
    case 'left':
      return { xMm: safe.xMm - box.xMm, yMm: 0 };
    case 'centre':
      return { xMm: (widthMm - box.widthMm) / 2 - box.xMm, yMm: 0 };
    case 'right':
      return { xMm: safe.xMm + safe.widthMm - box.widthMm - box.xMm, yMm: 0 };
    case 'top':
      return { xMm: 0, yMm: safe.yMm - box.yMm };
    case 'middle':
      return { xMm: 0, yMm: (heightMm - box.heightMm) / 2 - box.yMm };
    case 'bottom':
      return { xMm: 0, yMm: safe.yMm + safe.heightMm - box.heightMm - box.yMm };
  }
}

/**
 * How far each of several things goes. Across, each stands at the edge or in the middle for itself, as lines of words
 * do; up and down they go as one, or they would all lie on each other.
 */
export function alignmentShifts(boxes: readonly Box[], how: Alignment, ground: Ground): readonly Point[] {
  if (how === 'left' || how === 'centre' || how === 'right')
    return boxes.map((box) => alignmentShift(box, how, ground));
  const together = alignmentShift(boxAround(boxes.flatMap((box) => corners(box))), how, ground);
  return boxes.map(() => together);
}

/**
 * What of a thing counts when gaps are made even. The eye reads words along their baselines, so tails below them make
 * no line sit lower: between words alone it goes from first baseline to last, beside other things from the top of the
 * letters to the last baseline.
 * @param ink box of what is seen, mm
 * @param baselinesMm down from the face’s top; none for what is not words
 */
export function evenSpan(ink: Box, baselinesMm: readonly Mm[], amongWords: boolean): Box {
  if (baselinesMm.length === 0) return ink;
  const [first, last] = [Math.min(...baselinesMm), Math.max(...baselinesMm)];
  const top = amongWords ? first : Math.min(ink.yMm, first);
  return { ...ink, yMm: top, heightMm: last - top };
}

/**
 * Top of a place inside safe where a new thing lies on no other, as near to the wanted one as there is; the wanted one
 * where the face is full.
 */
export function freeTop(taken: readonly Box[], safe: Box, want: { readonly topMm: Mm; readonly heightMm: Mm }): Mm {
  const lowest = safe.yMm + safe.heightMm - want.heightMm;
  const into = (top: Mm): Mm => Math.min(Math.max(top, safe.yMm), Math.max(safe.yMm, lowest));
  const apart = Math.min(2, want.heightMm / 4);
  const tops = [
    into(want.topMm),
    ...taken.flatMap((box) => [into(box.yMm + box.heightMm + apart), into(box.yMm - want.heightMm - apart)]),
  ];
  const isFree = (top: Mm): boolean =>
    taken.every((box) => top >= box.yMm + box.heightMm - 1e-9 || top + want.heightMm <= box.yMm + 1e-9);
  const free = tops.filter(isFree).sort((a, b) => Math.abs(a - want.topMm) - Math.abs(b - want.topMm));
  return free[0] ?? into(want.topMm);
}

/**
 * Shifts down that make the gaps between things even, the first and the last staying where they are.
 * Fewer than three have no gaps to make even.
 */
export function evenShifts(boxes: readonly Box[]): readonly Mm[] {
  const order = boxes.map((_, i) => i).sort((a, b) => boxes[a]!.yMm - boxes[b]!.yMm);
  const shifts = boxes.map(() => 0);
  if (order.length < 3) return shifts;
  const [first, last] = [boxes[order[0]!]!, boxes[order.at(-1)!]!];
  const between = order.slice(1, -1);
  const room = last.yMm - first.yMm - first.heightMm - between.reduce((sum, i) => sum + boxes[i]!.heightMm, 0);
  const gap = room / (order.length - 1);
  let y = first.yMm + first.heightMm + gap;
  for (const i of between) {
    shifts[i] = y - boxes[i]!.yMm;
    y += boxes[i]!.heightMm + gap;
  }
  return shifts;
}
