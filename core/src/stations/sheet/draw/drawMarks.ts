import { boxAround, evenSides, grow, overlaps } from '../../../ground/geometry/box.ts';
import { segment } from '../../../ground/geometry/path.ts';
import { TOLERANCE_MM, type Box, type Point } from '../../../ground/geometry/types.ts';
import { cutText } from '../../../job/cutText.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { Shape } from '../../../ground/scene/types.ts';
import { markRoom } from '../layout/machineMarks.ts';
import { CLEAR_MM, SHORTEST_TICK_MM, TICK_MM } from '../layout/marks.ts';

const SLUG_MM = 2.4;
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

/** A machine’s marks want white about them, or they are not found. */
export const ticksClearOf = (marks: readonly Point[], ticks: readonly Shape[]): readonly Shape[] =>
  ticks.filter((shape) => {
    if (shape.kind !== 'path') return true;
    const reach = boxAround(shape.path.flatMap((part) => (part.kind === 'close' ? [] : [part.to])));
    return !marks.some((mark) => overlaps(markRoom(mark), grow(reach, evenSides(CLEAR_MM))));
  });

/** A place that the slug may take: where its baseline starts, how far it may run and how much room is beside it. */
interface SlugPlace {
  readonly at: Point;
  readonly turnDeg: number;
  readonly runMm: Mm;
  readonly roomMm: Mm;
}

/**
 * A line of words along the roomiest edge that holds it, clear of what must stay white and, where an edge has room
 * for that, of the ticks that the blade is laid to; shortened where none is long enough, and left out where no edge
 * has room for a line at all.
 * @param keepClear a machine’s marks, with the white about them
 */
export function drawSlug(
  text: string,
  block: Block,
  { ticks, keepClear = [] }: { readonly ticks: readonly Shape[]; readonly keepClear?: readonly Box[] },
): readonly Shape[] {
  const offTicks = slugPlaces(block, [...keepClear, ...ticks.flatMap(reachOf)]);
  const clear = offTicks.filter(({ runMm }) => runMm >= slugWidthMm(text));
  const places = clear.length > 0 ? clear : slugPlaces(block, keepClear);
  const holds = places.filter(({ runMm }) => runMm >= slugWidthMm(text));
  const [best] = [...(holds.length > 0 ? holds : places)].sort((a, b) =>
    holds.length > 0 ? b.roomMm - a.roomMm : b.runMm - a.runMm,
  );
  if (!best) return [];
  return [
    {
      ...{ kind: 'label', role: 'mark', sizeMm: SLUG_MM, anchor: 'start' },
      text: cutToRun(text, best.runMm),
      at: best.at,
      ...(best.turnDeg === 0 ? {} : { turnDeg: best.turnDeg }),
    },
  ];
}

const reachOf = (shape: Shape): readonly Box[] =>
  shape.kind === 'path' ? [boxAround(shape.path.flatMap((part) => (part.kind === 'close' ? [] : [part.to])))] : [];

/** Every edge that has room for a line of words. */
function slugPlaces({ bleedBox: block, printable }: Block, keepClear: readonly Box[]): readonly SlugPlace[] {
  const [right, foot] = [printable.xMm + printable.widthMm, printable.yMm + printable.heightMm];
  const strip = (box: Box, turned: boolean, roomMm: Mm, place: (from: Mm) => Point): readonly SlugPlace[] =>
    clearRuns(box, turned, keepClear).map(([from, runMm]) => ({
      at: place(from),
      turnDeg: turned ? -90 : 0,
      runMm,
      roomMm,
    }));
  const tall = SLUG_MM * 1.3;
  const level = (yMm: Mm): Box => ({ xMm: printable.xMm, yMm, widthMm: printable.widthMm, heightMm: tall });
  const upright: Box = { xMm: printable.xMm, yMm: printable.yMm, widthMm: tall, heightMm: printable.heightMm };
  const below = foot - block.yMm - block.heightMm;
  const [above, before, after] = [
    block.yMm - printable.yMm,
    block.xMm - printable.xMm,
    right - block.xMm - block.widthMm,
  ];
  return [
    ...strip(level(foot - tall), false, below, (xMm) => ({ xMm, yMm: foot - SLUG_MM * 0.3 })),
    ...strip(level(printable.yMm), false, above, (xMm) => ({ xMm, yMm: printable.yMm + SLUG_MM })),
    // Read from the right: it begins at the foot of its run.
    ...strip(upright, true, before, (yMm) => ({ xMm: printable.xMm + SLUG_MM, yMm })),
    ...strip({ ...upright, xMm: right - tall }, true, after, (yMm) => ({ xMm: right - SLUG_MM * 0.3, yMm })),
  ].filter(({ roomMm, runMm }) => roomMm >= SLUG_ROOM_MM && runMm > SHORTEST_SLUG_MM);
}

/** Stretches of a strip that touch nothing which must stay white: where each begins, as it is read, and its length. */
function clearRuns(strip: Box, turned: boolean, keepClear: readonly Box[]): readonly (readonly [Mm, Mm])[] {
  const [start, size] = turned ? [strip.yMm, strip.heightMm] : [strip.xMm, strip.widthMm];
  const taken = keepClear
    .filter((box) => overlaps(box, strip))
    .map((box): readonly [Mm, Mm] => (turned ? [box.yMm, box.yMm + box.heightMm] : [box.xMm, box.xMm + box.widthMm]))
    .sort((a, b) => a[0] - b[0]);
  const runs: (readonly [Mm, Mm])[] = [];
  let from = start;
  for (const [a, b] of [...taken, [start + size, start + size] as const]) {
    // Clear of it, and of whatever lies just round the corner, by a tick’s length.
    const [p, q] = [from + TICK_MM, a - TICK_MM];
    if (q > p) runs.push(turned ? [q, q - p] : [p, q - p]);
    from = Math.max(from, b);
  }
  return runs;
}

/** Under this a run holds no words worth reading. */
const SHORTEST_SLUG_MM = 20;

/** No letter of the label’s typeface is wider than what its kind is given here, in type sizes. */
const widestEm = (char: string): number =>
  /[ .,:;'’|!ijlIt·()[\]-]/.test(char) ? 0.42 : /[a-z0-9“”"/]/.test(char) && !/[mw]/.test(char) ? 0.68 : 1.05;

/** At least as wide as a line of the slug comes out. */
export const slugWidthMm = (text: string): Mm => [...text].reduce((sum, char) => sum + widestEm(char), 0) * SLUG_MM;

function cutToRun(text: string, runMm: Mm): string {
  if (slugWidthMm(text) <= runMm) return text;
  const letters = [...text];
  while (letters.length > 0 && slugWidthMm(`${letters.join('')}…`) > runMm) letters.pop();
  return `${letters.join('').trimEnd()}…`;
}

/** A long title must not run the slug off the sheet. */
export const shortTitle = (title: string): string => (title.length > 48 ? `${cutText(title, 47)}…` : title);
