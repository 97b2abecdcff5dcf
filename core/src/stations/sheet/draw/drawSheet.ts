import { drawSide, printedBox } from '../../art/faces/drawCard.ts';
import type { ArtPlan } from '../../art/types.ts';
import {
  compose,
  determinant,
  IDENTITY,
  turnedLeftRight,
  turnedTopBottom,
  apply,
  type Affine,
} from '../../../ground/geometry/affine.ts';
import { boxAround, corners, evenSides, grow, mapBox } from '../../../ground/geometry/box.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { PaperSide } from '../../../ground/fold/types.ts';
import type { Page, Scene, Shape } from '../../../ground/scene/types.ts';
import type { SizePlan } from '../../size/planSize.ts';
import { drawMark, markRoom } from '../layout/machineMarks.ts';
import { drawSlug, drawTicks, shortTitle, ticksClearOf, type Block } from './drawMarks.ts';
import { sayPiles } from './nameSheet.ts';
import { sayPlate, type PlateKind } from '../layout/passes.ts';
import type { SheetPlan } from '../types.ts';
import type { SheetSide } from '../layout/reach.ts';

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
  /** Which ink the page is of, where white is a pass of its own. */
  readonly plate?: PlateKind;
}

/** What every sheet of a side has in common; a file of hundreds asks for it hundreds of times. */
interface SheetFrame extends Block {
  readonly laid: readonly { readonly symbol: PaperSide; readonly transform: Affine }[];
  readonly trimBox: Box;
  readonly symbols: Scene['symbols'];
  readonly ticks: readonly Shape[];
  /** Cards, ticks and a machine’s marks. */
  readonly shapes: readonly Shape[];
}

const frames = new WeakMap<object, Map<string, SheetFrame>>();

/** Kept for as long as the plan’s placements are. */
function frameOf(size: SizePlan, art: ArtPlan, sheet: SheetPlan, side: SheetSide): SheetFrame {
  const part = sheet.named ? 'shared' : 'all';
  const key = [side, part, sheet.marks, sheet.turnOver, sheet.machineMarks.length, sheet.onePlate?.join()].join(' ');
  let own = frames.get(sheet.placements);
  if (!own) frames.set(sheet.placements, (own = new Map<string, SheetFrame>()));
  let frame = own.get(key);
  if (!frame) own.set(key, (frame = drawFrame(size, art, sheet, side, part)));
  return frame;
}

function drawFrame(
  size: SizePlan,
  art: ArtPlan,
  sheet: SheetPlan,
  side: SheetSide,
  part: 'all' | 'shared',
): SheetFrame {
  const { blank } = size.form;
  const laid = artOn(sheet, side);
  const trims = sheet.cells.map(({ trim }) => mapBox(pageMap(sheet, side), trim));
  const box = printedBox(blank.widthMm, blank.heightMm, size.bleedMm);
  const ticks = sheet.marks ? ticksOf(size, sheet, side) : [];
  return {
    ...blockOf(sheet, side),
    laid,
    ticks,
    trimBox: trims.length > 0 ? boxAround(trims.flatMap((t) => corners(t))) : pageBox(sheet),
    symbols: Object.fromEntries(
      [...new Set(laid.map(({ symbol }) => symbol))].map((symbol) => [
        symbol,
        { box, shapes: drawSide(art, symbol, part) },
      ]),
    ),
    shapes: [
      ...laid.map((use): Shape => ({ kind: 'use', ...use })),
      ...ticks,
      ...(side === 'front' ? sheet.machineMarks.map(drawMark) : []),
    ],
  };
}

const pageBox = ({ sheetWidthMm, sheetHeightMm }: SheetPlan): Box => ({
  xMm: 0,
  yMm: 0,
  widthMm: sheetWidthMm,
  heightMm: sheetHeightMm,
});

/**
 * One side of one sheet: the card's symbol at every place, marks and slug outside all art.
 * @param gathered what all sheets of the side share as one symbol, which a file of many pages writes once
 */
export function drawSheetPage(
  size: SizePlan,
  art: ArtPlan,
  sheet: SheetPlan,
  side: SheetSide,
  label: SheetLabel,
  { gathered = false }: { readonly gathered?: boolean } = {},
): Page {
  const frame = frameOf(size, art, sheet, side);
  const page = pageBox(sheet);
  const whole = `sheet-${side}`;
  // Ink may go past the sheet, and comes onto the page where this is sent smaller.
  const box = boxAround([...corners(page), ...corners(frame.bleedBox)]);
  const shared: Pick<Scene, 'symbols' | 'shapes'> = gathered
    ? {
        symbols: { ...frame.symbols, [whole]: { box, shapes: frame.shapes } },
        shapes: [{ kind: 'use', symbol: whole, transform: IDENTITY }],
      }
    : frame;
  return {
    scene: {
      box: page,
      symbols: shared.symbols,
      shapes: [
        ...shared.shapes,
        ...frame.laid.flatMap(({ symbol, transform }, place): readonly Shape[] => {
          const own = sheet.named?.shapes[symbol][place] ?? [];
          return own.length === 0 ? [] : [{ kind: 'group', transform, children: own }];
        }),
        ...(sheet.marks ? slug(sheet, side, frame, label) : []),
      ],
    },
    trimBox: frame.trimBox,
    bleedBox: frame.bleedBox,
  };
}

const ticksOf = (size: SizePlan, sheet: SheetPlan, side: SheetSide): readonly Shape[] => {
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
  return ticksClearOf(sheet.machineMarks, drawTicks(cells, folds, blockOf(sheet, side)));
};

/** Job, side, ink, sheet and day. */
function slug(sheet: SheetPlan, side: SheetSide, frame: SheetFrame, label: SheetLabel): readonly Shape[] {
  const plate = sayPlate(label.plate ?? 'colours', sheet.white);
  const rest = [
    sheet.onePlate ? 'both sides' : side,
    ...(plate ? [plate] : []),
    `sheet ${label.sheetNumber} of ${sheet.sheets}`,
    ...(sheet.named ? [sayPiles(sheet)] : []),
    ...(label.date ? [label.date] : []),
  ];
  return drawSlug([shortTitle(label.title), ...rest].join(' · '), frame, {
    ticks: frame.ticks,
    keepClear: sheet.machineMarks.map(markRoom),
  });
}

/** Every bleed of a page, and where its printer reaches. */
function blockOf(sheet: SheetPlan, side: SheetSide): Block {
  const map = pageMap(sheet, side);
  const bleeds = sheet.cells.map(({ trim }) => mapBox(map, grow(trim, evenSides(sheet.bleedMm))));
  return {
    bleedBox: bleeds.length > 0 ? boxAround(bleeds.flatMap((b) => corners(b))) : pageBox(sheet),
    printable: mapBox(map, sheet.printable),
  };
}
