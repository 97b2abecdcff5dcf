import { apply, compose, IDENTITY, turnedOver, type Affine } from '../geometry/affine.ts';
import { boxAround, corners, evenSides, grow, mapBox, shrink } from '../geometry/box.ts';
import { boxPath, segment } from '../geometry/path.ts';
import { TOLERANCE_MM, type Box } from '../geometry/types.ts';
import type { Mm } from '../length/types.ts';
import type { Page, Shape } from '../scene/types.ts';
import type { SheetSide } from '../sheet/planSheet.ts';
import { CLEAR_MM, SHORTEST_TICK_MM, TICK_MM } from '../sheet/marks.ts';
import { onSharedSheet, type SharedPiece } from './sharedPieces.ts';
import type { GangSheet, MixedPattern } from './types.ts';

const SLUG_MM = 2.4;

export interface PatternLabel {
  /** Which of the plan’s patterns this is. */
  readonly number: number;
  readonly of: number;
  readonly date: string | null;
}

/** A shared sheet turned over, as seen afterwards. */
export const sharedPageMap = (sheet: GangSheet, side: SheetSide, flipEdge: 'long' | 'short'): Affine =>
  side === 'front' ? IDENTITY : turnedOver(sheet, flipEdge);

/**
 * One side of a mixed sheet as it is printed: the art of every card at its places, pale outlines of what is cut
 * from bare stock, ticks at the outermost trims, and a slug that says how many to print.
 */
export function drawPattern(
  pattern: MixedPattern,
  sheet: GangSheet,
  pieces: readonly SharedPiece[],
  side: SheetSide,
  flipEdge: 'long' | 'short',
  { number, of, date }: PatternLabel,
): Page {
  const box = { xMm: 0, yMm: 0, widthMm: sheet.widthMm, heightMm: sheet.heightMm };
  const map = sharedPageMap(sheet, side, flipEdge);
  const paper = side === 'front' ? 'outside' : 'inside';
  const used = pieces.filter((piece) => pattern.placements.some((p) => p.id === piece.id));
  const symbolOf = (piece: SharedPiece): string => `${paper}-${pieces.indexOf(piece)}`;
  const trims = pattern.placements.map((p) => mapBox(map, p));
  const bleeds = pattern.placements.map((p) =>
    mapBox(map, grow(p, evenSides(pieces.find((piece) => piece.id === p.id)!.bleedMm))),
  );
  const [trimBox, bleedBox] = [trims, bleeds].map((boxes) => boxAround(boxes.flatMap((b) => corners(b)))) as [
    typeof box,
    typeof box,
  ];
  const folds = pattern.placements.flatMap((place) => {
    const piece = pieces.find(({ id }) => id === place.id)!;
    const lies = compose(map, onSharedSheet(piece, place));
    return piece.folds.map(([from, to]) => boxAround([apply(lies, from), apply(lies, to)]));
  });
  const printable = mapBox(map, shrink(box, sheet.marginsMm));
  const text = [`Shared sheet ${number} of ${of}`, side, `print ${pattern.times}`, ...(date ? [date] : [])].join(' · ');
  return {
    scene: {
      box,
      symbols: Object.fromEntries(
        used.map((piece) => [symbolOf(piece), { box: piece.box, shapes: piece.shapes[paper] }]),
      ),
      shapes: [
        ...pattern.placements.map((place): Shape => {
          const piece = pieces.find(({ id }) => id === place.id)!;
          return { kind: 'use', symbol: symbolOf(piece), transform: compose(map, onSharedSheet(piece, place)) };
        }),
        ...ticks(trims, folds, bleedBox, printable),
        ...slug(text, bleedBox, printable),
      ],
    },
    trimBox,
    bleedBox,
  };
}

/** Along the roomiest of three edges; left out where none has room for it. */
function slug(text: string, block: Page['bleedBox'], printable: Page['trimBox']): readonly Shape[] {
  const need = SLUG_MM * 1.25;
  const below = printable.yMm + printable.heightMm - block.yMm - block.heightMm;
  const [above, before] = [block.yMm - printable.yMm, block.xMm - printable.xMm];
  const most = Math.max(below, above, before);
  if (most < need) return [];
  const base = { kind: 'label', role: 'mark', text, sizeMm: SLUG_MM, anchor: 'start' } as const;
  if (most === below)
    return [{ ...base, at: { xMm: block.xMm + TICK_MM, yMm: printable.yMm + printable.heightMm - SLUG_MM * 0.3 } }];
  if (most === above) return [{ ...base, at: { xMm: block.xMm + TICK_MM, yMm: printable.yMm + SLUG_MM } }];
  return [
    {
      ...base,
      at: { xMm: printable.xMm + SLUG_MM, yMm: block.yMm + block.heightMm - TICK_MM },
      turnDeg: -90,
    },
  ];
}

/**
 * In line with every trim that the outside of the block shows, where the margins leave room for a tick; and with
 * every fold that no other piece lies before, because a rule laid on it then crosses that card alone.
 */
function ticks(
  trims: readonly Page['trimBox'][],
  folds: readonly Box[],
  block: Page['bleedBox'],
  printable: Page['trimBox'],
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
  for (const fold of folds) {
    const upright = fold.widthMm < TOLERANCE_MM;
    if (!upright && fold.heightMm >= TOLERANCE_MM) continue;
    const over = (t: Box): boolean =>
      upright
        ? t.xMm < fold.xMm - TOLERANCE_MM && t.xMm + t.widthMm > fold.xMm + TOLERANCE_MM
        : t.yMm < fold.yMm - TOLERANCE_MM && t.yMm + t.heightMm > fold.yMm + TOLERANCE_MM;
    const middle = upright ? fold.yMm + fold.heightMm / 2 : fold.xMm + fold.widthMm / 2;
    const centres = trims.filter(over).map((t) => (upright ? t.yMm + t.heightMm / 2 : t.xMm + t.widthMm / 2));
    if (centres.every((c) => c >= middle - TOLERANCE_MM * 10))
      (upright ? top : left)('creaseAway', upright ? fold.xMm : fold.yMm);
    if (centres.every((c) => c <= middle + TOLERANCE_MM * 10))
      (upright ? foot : far)('creaseAway', upright ? fold.xMm : fold.yMm);
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

/** The sheet and its trims, for looking at on the bench. */
export const patternOutline = (pattern: MixedPattern, map: Affine): readonly Shape[] =>
  pattern.placements.map((p) => ({ kind: 'path', role: 'trim', path: boxPath(mapBox(map, p)) }));
