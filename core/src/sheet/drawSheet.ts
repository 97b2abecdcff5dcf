import { drawSide, printedBox } from '../art/drawCard.ts';
import type { ArtPlan } from '../art/planArt.ts';
import {
  compose,
  determinant,
  IDENTITY,
  turnedLeftRight,
  turnedTopBottom,
  apply,
  type Affine,
} from '../geometry/affine.ts';
import { boxAround, corners, evenSides, grow, mapBox } from '../geometry/box.ts';
import type { Box } from '../geometry/types.ts';
import type { PaperSide } from '../fold/types.ts';
import type { Page, Scene, Shape } from '../scene/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import { drawMark, MARK_ROOM_MM, markRoom, overlaps } from './machineMarks.ts';
import { drawSlug, drawTicks, shortTitle, type Block } from './drawMarks.ts';
import { CLEAR_MM, TICK_MM } from './marks.ts';
import type { SheetPlan, SheetSide } from './planSheet.ts';

/** Sheet as seen from its front to the page of a side: the back is the front turned over. */
export function pageMap(sheet: SheetPlan, side: SheetSide): Affine {
  if (side === 'front') return IDENTITY;
  return sheet.turnOver === 'leftRight' ? turnedLeftRight(sheet.sheetWidthMm) : turnedTopBottom(sheet.sheetHeightMm);
}

/**
 * Where card art goes on a page: blank → sheet → page. Inside art is drawn mirrored, through the paper,
 * and the page of the back mirrors it again, so art on paper is never mirrored.
 * @throws RangeError when art would come out mirrored, which would be our mistake
 */
export function artMaps(sheet: SheetPlan, side: SheetSide): readonly Affine[] {
  return sheet.placements.map(({ toSheet }) => {
    const map = compose(pageMap(sheet, side), toSheet);
    if (determinant(map) > 0 !== (side === 'front')) throw new RangeError(`artMaps: ${side} art is mirrored`);
    return map;
  });
}

/** Art of one side’s page: which drawing of the blank goes where. */
function artOn(
  sheet: SheetPlan,
  side: SheetSide,
): readonly { readonly symbol: PaperSide; readonly transform: Affine }[] {
  if (!sheet.onePlate)
    return artMaps(sheet, side).map((transform) => ({ symbol: side === 'front' ? 'outside' : 'inside', transform }));
  // The same page for either side: each front at its place, its back where it falls when the sheet is turned.
  const [fronts, backs] = [artMaps(sheet, 'front'), artMaps(sheet, 'back')];
  return sheet.onePlate.flatMap((i) => [
    { symbol: 'outside' as const, transform: fronts[i]! },
    { symbol: 'inside' as const, transform: backs[i]! },
  ]);
}

export interface SheetLabel {
  readonly title: string;
  /** Nothing is written where no day is known. */
  readonly date: string | null;
  readonly sheetNumber: number;
}

/** One side of one sheet: the card's symbol at every place, marks and slug outside all art. */
export function drawSheetPage(
  size: SizePlan,
  art: ArtPlan,
  sheet: SheetPlan,
  side: SheetSide,
  label: SheetLabel,
): Page {
  const page: Box = { xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
  const { blank } = size.form;
  const laid = artOn(sheet, side);
  const bleeds = sheet.cells.map(({ trim }) => mapBox(pageMap(sheet, side), grow(trim, evenSides(size.bleedMm))));
  const trims = sheet.cells.map(({ trim }) => mapBox(pageMap(sheet, side), trim));
  const around = (boxes: readonly Box[]): Box =>
    boxes.length === 0
      ? page
      : boxAround(
          boxes.flatMap(({ xMm, yMm, widthMm, heightMm }) => [
            { xMm, yMm },
            { xMm: xMm + widthMm, yMm: yMm + heightMm },
          ]),
        );
  const scene: Scene = {
    box: page,
    symbols: Object.fromEntries(
      [...new Set(laid.map(({ symbol }) => symbol))].map((symbol) => [
        symbol,
        {
          box: printedBox(blank.widthMm, blank.heightMm, size.bleedMm),
          shapes: sideOf(art, symbol, sheet.named ? 'shared' : 'all'),
        },
      ]),
    ),
    shapes: [
      ...laid.map((use): Shape => ({ kind: 'use', ...use })),
      ...laid.flatMap(({ symbol, transform }, place): readonly Shape[] => {
        const own = sheet.named?.shapes[symbol][place] ?? [];
        return own.length === 0 ? [] : [{ kind: 'group', transform, children: own }];
      }),
      ...(sheet.marks ? ticksOf(size, sheet, side) : []),
      ...(side === 'front' ? sheet.machineMarks.map(drawMark) : []),
      ...(sheet.marks ? slug(size, sheet, side, label) : []),
    ],
  };
  return { scene, trimBox: around(trims), bleedBox: around(bleeds) };
}

/** Every sheet of a run carries the same art and the same ticks; a file of hundreds asks for them hundreds of times. */
const drawn = new WeakMap<object, Map<string, readonly Shape[]>>();
function once(owner: object, key: string, make: () => readonly Shape[]): readonly Shape[] {
  let own = drawn.get(owner);
  if (!own) drawn.set(owner, (own = new Map()));
  let shapes = own.get(key);
  if (!shapes) own.set(key, (shapes = make()));
  return shapes;
}
const sideOf = (art: ArtPlan, side: PaperSide, part: 'all' | 'shared'): readonly Shape[] =>
  once(art, `${side} ${part}`, () => drawSide(art, side, part));
const ticksOf = (size: SizePlan, sheet: SheetPlan, side: SheetSide): readonly Shape[] =>
  once(sheet.placements, side, () => ticks(size, sheet, side));

/** A machine’s marks want white about them, or they are not found. */
const ticks = (size: SizePlan, sheet: SheetPlan, side: SheetSide): readonly Shape[] => {
  if (sheet.placements.length === 0) return [];
  const map = pageMap(sheet, side);
  const cells = sheet.cells.map(({ trim }) => mapBox(map, trim));
  // A cell of several blanks is cut free as one.
  const perCell = sheet.placements.length / sheet.cells.length;
  const folds = sheet.placements.flatMap(({ toSheet }, i) =>
    size.form.blank.creases.map(({ from, to }) => ({
      line: boxAround([from, to].map((p) => apply(compose(map, toSheet), p))),
      piece: cells[Math.floor(i / perCell)]!,
    })),
  );
  return drawTicks(cells, folds, blockOf(size, sheet, side)).filter((shape) => {
    if (shape.kind !== 'path') return true;
    const reach = boxAround(shape.path.flatMap((part) => (part.kind === 'close' ? [] : [part.to])));
    return !sheet.machineMarks.some((mark) => overlaps(markRoom(mark), grow(reach, evenSides(CLEAR_MM))));
  });
};

/** Job, side, sheet and day. */
function slug(size: SizePlan, sheet: SheetPlan, side: SheetSide, label: SheetLabel): readonly Shape[] {
  const text = [
    shortTitle(label.title),
    sheet.onePlate ? 'both sides' : side,
    `sheet ${label.sheetNumber} of ${sheet.sheets}`,
    ...(label.date ? [label.date] : []),
  ].join(' · ');
  const block = blockOf(size, sheet, side);
  return sheet.machineMarks.length > 0
    ? drawSlug(text, block, block.printable.xMm + MARK_ROOM_MM + TICK_MM)
    : drawSlug(text, block);
}

/** Every bleed of a page, and where its printer reaches. */
function blockOf(size: SizePlan, sheet: SheetPlan, side: SheetSide): Block {
  const map = pageMap(sheet, side);
  const bleeds = sheet.cells.map(({ trim }) => mapBox(map, grow(trim, evenSides(size.bleedMm))));
  return {
    bleedBox: bleeds.length > 0 ? boxAround(bleeds.flatMap((b) => corners(b))) : mapBox(map, sheet.printable),
    printable: mapBox(map, sheet.printable),
  };
}
