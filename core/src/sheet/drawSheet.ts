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
import { boxAround, evenSides, grow, mapBox } from '../geometry/box.ts';
import { segment } from '../geometry/path.ts';
import { TOLERANCE_MM, type Box } from '../geometry/types.ts';
import type { PaperSide } from '../fold/types.ts';
import type { Mm } from '../length/types.ts';
import type { Page, Scene, Shape } from '../scene/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import { drawMark, MARK_ROOM_MM, markRoom, overlaps } from './machineMarks.ts';
import { CLEAR_MM, SHORTEST_TICK_MM, TICK_MM } from './marks.ts';
import type { SheetPlan, SheetSide } from './planSheet.ts';

const SLUG_MM = 2.4;

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
      ...(sheet.marks ? slug(sheet, side, around(bleeds), label) : []),
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

const printableOn = (sheet: SheetPlan, side: SheetSide): Box => mapBox(pageMap(sheet, side), sheet.printable);

/**
 * Trim and fold ticks round the whole block, in line with every trim and crease, between the bleed and
 * the printable edge. None is drawn between cards: it would lie in a neighbour's bleed.
 */
function ticks(size: SizePlan, sheet: SheetPlan, side: SheetSide): readonly Shape[] {
  if (sheet.placements.length === 0) return [];
  const map = pageMap(sheet, side);
  const bleeds = sheet.cells.map(({ trim }) => mapBox(map, grow(trim, evenSides(size.bleedMm))));
  const block = boxAround(
    bleeds.flatMap((b) => [
      { xMm: b.xMm, yMm: b.yMm },
      { xMm: b.xMm + b.widthMm, yMm: b.yMm + b.heightMm },
    ]),
  );
  const printable = printableOn(sheet, side);
  const trimXs = new Set<number>();
  const trimYs = new Set<number>();
  const foldXs = new Set<number>();
  const foldYs = new Set<number>();
  const key = (mm: Mm): number => Math.round(mm / TOLERANCE_MM) * TOLERANCE_MM;
  for (const { trim } of sheet.cells) {
    const t = mapBox(map, trim);
    for (const x of [t.xMm, t.xMm + t.widthMm]) trimXs.add(key(x));
    for (const y of [t.yMm, t.yMm + t.heightMm]) trimYs.add(key(y));
  }
  for (const { toSheet } of sheet.placements)
    for (const crease of size.form.blank.creases) {
      const [a, b] = [crease.from, crease.to].map((p) => apply(compose(map, toSheet), p));
      if (Math.abs(a!.xMm - b!.xMm) < TOLERANCE_MM) foldXs.add(key(a!.xMm));
      else foldYs.add(key(a!.yMm));
    }
  const right = block.xMm + block.widthMm;
  const bottom = block.yMm + block.heightMm;
  const rooms = {
    left: block.xMm - printable.xMm,
    right: printable.xMm + printable.widthMm - right,
    top: block.yMm - printable.yMm,
    bottom: printable.yMm + printable.heightMm - bottom,
  };
  const tick = (role: 'mark' | 'creaseAway', x1: Mm, y1: Mm, x2: Mm, y2: Mm): Shape => ({
    kind: 'path',
    role,
    path: segment(x1, y1, x2, y2),
  });
  const marks: Shape[] = [];
  const reach = (room: Mm): Mm => Math.min(TICK_MM, room - CLEAR_MM);
  for (const [xs, role] of [
    [trimXs, 'mark'],
    [foldXs, 'creaseAway'],
  ] as const)
    for (const x of xs) {
      if (reach(rooms.top) >= SHORTEST_TICK_MM)
        marks.push(tick(role, x, block.yMm - CLEAR_MM, x, block.yMm - CLEAR_MM - reach(rooms.top)));
      if (reach(rooms.bottom) >= SHORTEST_TICK_MM)
        marks.push(tick(role, x, bottom + CLEAR_MM, x, bottom + CLEAR_MM + reach(rooms.bottom)));
    }
  for (const [ys, role] of [
    [trimYs, 'mark'],
    [foldYs, 'creaseAway'],
  ] as const)
    for (const y of ys) {
      if (reach(rooms.left) >= SHORTEST_TICK_MM)
        marks.push(tick(role, block.xMm - CLEAR_MM, y, block.xMm - CLEAR_MM - reach(rooms.left), y));
      if (reach(rooms.right) >= SHORTEST_TICK_MM)
        marks.push(tick(role, right + CLEAR_MM, y, right + CLEAR_MM + reach(rooms.right), y));
    }
  // A machine’s marks want white about them, or they are not found.
  return marks.filter((shape) => {
    if (shape.kind !== 'path') return true;
    const reach = boxAround(shape.path.flatMap((part) => (part.kind === 'close' ? [] : [part.to])));
    return !sheet.machineMarks.some((mark) => overlaps(markRoom(mark), grow(reach, evenSides(CLEAR_MM))));
  });
}

/** Job, side, sheet and day along the roomiest edge; left out where no edge has room for it. */
function slug(sheet: SheetPlan, side: SheetSide, block: Box, label: SheetLabel): readonly Shape[] {
  // A long title must not run the slug off the sheet.
  const title = label.title.length > 48 ? `${label.title.slice(0, 47)}…` : label.title;
  const text = [
    title,
    sheet.onePlate ? 'both sides' : side,
    `sheet ${label.sheetNumber} of ${sheet.sheets}`,
    ...(label.date ? [label.date] : []),
  ].join(' · ');
  const printable = printableOn(sheet, side);
  const bottomRoom = printable.yMm + printable.heightMm - block.yMm - block.heightMm;
  const topRoom = block.yMm - printable.yMm;
  const leftRoom = block.xMm - printable.xMm;
  const startMm = sheet.machineMarks.length > 0 ? printable.xMm + MARK_ROOM_MM + TICK_MM : block.xMm + TICK_MM;
  const base = { kind: 'label', role: 'mark', text, sizeMm: SLUG_MM } as const;
  // Beyond the ticks where there is room, so that the two never cross.
  const need = SLUG_MM * 1.25;
  if (bottomRoom >= need)
    return [
      {
        ...base,
        at: { xMm: startMm, yMm: printable.yMm + printable.heightMm - SLUG_MM * 0.3 },
        anchor: 'start',
      },
    ];
  if (topRoom >= need) return [{ ...base, at: { xMm: startMm, yMm: printable.yMm + SLUG_MM }, anchor: 'start' }];
  if (leftRoom >= need)
    return [
      {
        ...base,
        at: { xMm: printable.xMm + SLUG_MM, yMm: block.yMm + block.heightMm - TICK_MM },
        anchor: 'start',
        turnDeg: -90,
      },
    ];
  return [];
}
