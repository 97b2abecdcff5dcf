import { apply, compose, IDENTITY, turnedOver, type Affine } from '../ground/geometry/affine.ts';
import { boxAround, corners, evenSides, grow, mapBox, shrink } from '../ground/geometry/box.ts';
import { boxPath } from '../ground/geometry/path.ts';
import type { Page, Shape } from '../ground/scene/types.ts';
import type { SheetSide } from '../stations/sheet/layout/reach.ts';
import { drawSlug, drawTicks } from '../stations/sheet/draw/drawMarks.ts';
import { onSharedSheet, type SharedPiece } from './sharedPieces.ts';
import type { SharedSheet, MixedPattern } from './types.ts';

export interface PatternLabel {
  /** Which of the plan’s patterns this is. */
  readonly number: number;
  readonly of: number;
  readonly date: string | null;
  /** Which ink the page is of, where white is a pass of its own. */
  readonly plate?: string | null;
}

/** A shared sheet turned over, as seen afterwards. */
export const sharedPageMap = (sheet: SharedSheet, side: SheetSide, flipEdge: 'long' | 'short'): Affine =>
  side === 'front' ? IDENTITY : turnedOver(sheet, flipEdge);

/**
 * One side of a mixed sheet as it is printed: the art of every card at its places, pale outlines of what is cut
 * from bare stock, ticks at the outermost trims, and a slug that says how many to print.
 */
export function drawPattern(
  pattern: MixedPattern,
  sheet: SharedSheet,
  pieces: readonly SharedPiece[],
  side: SheetSide,
  flipEdge: 'long' | 'short',
  { number, of, date, plate = null }: PatternLabel,
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
    return piece.folds.map(([from, to]) => ({
      line: boxAround([apply(lies, from), apply(lies, to)]),
      piece: mapBox(map, place),
    }));
  });
  const printable = mapBox(map, shrink(box, sheet.marginsMm));
  const text = [
    `Shared sheet ${number} of ${of}`,
    side,
    ...(plate ? [plate] : []),
    `print ${pattern.times}`,
    ...(date ? [date] : []),
  ].join(' · ');
  const ticks = drawTicks(trims, folds, { bleedBox, printable });
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
        ...ticks,
        ...drawSlug(text, { bleedBox, printable }, { ticks }),
      ],
    },
    trimBox,
    bleedBox,
  };
}

/** The sheet and its trims, for looking at on the bench. */
export const patternOutline = (pattern: MixedPattern, map: Affine): readonly Shape[] =>
  pattern.placements.map((p) => ({ kind: 'path', role: 'trim', path: boxPath(mapBox(map, p)) }));
