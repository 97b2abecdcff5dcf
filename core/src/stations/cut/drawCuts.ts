import { isOpening } from '../../ground/fold/blankCuts.ts';
import { pressedLines } from '../../ground/fold/pressedLines.ts';
import { apply, translation } from '../../ground/geometry/affine.ts';
import { grow, mapBox } from '../../ground/geometry/box.ts';
import { boxPath, polygon, polyline, segment } from '../../ground/geometry/path.ts';
import type { Box } from '../../ground/geometry/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
import type { Colour, Scene, Shape } from '../../ground/scene/types.ts';
import type { SheetPlan } from '../sheet/types.ts';
import { levelDimension, uprightDimension } from '../size/drawDimension.ts';
import type { SizePlan } from '../size/planSize.ts';
import { cutsThrough, partsAfter, type Part } from './partsAfter.ts';
import type { CutMove, CutPlan } from './types.ts';

/** Pieces cut apart lie this many letter heights apart. */
const GAP = 0.55;

export interface CutView {
  readonly unit: LengthUnit;
  readonly textMm: Mm;
  readonly stockColour: Colour;
  /** Art of the outside, in the blank's frame. */
  readonly art: readonly Shape[];
}

/** The sheet at one move, come apart as far as it has: waste is pale, the fence is a bar, the line to cut now stands out. */
export function drawCutMove(size: SizePlan, sheet: SheetPlan, cut: CutPlan, index: number, view: CutView): Scene {
  const page: Box = { xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
  const { blank } = size.form;
  return drawMoves(
    {
      box: page,
      symbols: {
        card: { box: { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm }, shapes: view.art },
      },
      shapes: [
        { kind: 'path', role: 'sheet', path: boxPath(page), fill: view.stockColour },
        ...sheet.placements.map(({ toSheet }): Shape => ({ kind: 'use', symbol: 'card', transform: toSheet })),
        ...trims(size, sheet),
        ...within(size, sheet, 'trim'),
      ],
    },
    cut.moves,
    index,
    view,
  );
}

/** Any whole sheet, front up, as it lies at one of its moves. */
export function drawMoves(
  whole: Scene,
  moves: readonly CutMove[],
  index: number,
  view: Pick<CutView, 'unit' | 'textMm'>,
): Scene {
  const move = moves[index];
  const gapMm = view.textMm * GAP;
  const parts = partsAfter(whole.box, moves.slice(0, Math.max(0, index)));
  const shapes: Shape[] = [];
  for (const part of parts) {
    const shift = translation(part.gapsAcross * gapMm, part.gapsDown * gapMm);
    shapes.push({ kind: 'group', transform: shift, clip: boxPath(part.box), children: whole.shapes });
    const moved = mapBox(shift, part.box);
    if (part.isWaste) shapes.push({ kind: 'path', role: 'waste', path: boxPath(moved), fillOpacity: 0.72 });
    shapes.push({ kind: 'path', role: 'printable', path: boxPath(moved) });
  }
  // The number stands once, however many pieces go through this setting.
  if (move)
    parts
      .filter(({ box, isWaste }) => !isWaste && cutsThrough(move, box))
      .forEach((part, i) => shapes.push(...blade(move, part, gapMm, i === 0, view)));
  const far = parts.reduce(
    (most, { gapsAcross, gapsDown }) => ({ x: Math.max(most.x, gapsAcross), y: Math.max(most.y, gapsDown) }),
    { x: 0, y: 0 },
  );
  const room = view.textMm * 2.6;
  return {
    box: grow(whole.box, { top: room, left: room, right: room + far.x * gapMm, bottom: room + far.y * gapMm }),
    symbols: whole.symbols,
    shapes,
  };
}

/** The outline of every blank, where it lies on the sheet. */
const trims = ({ form: { blank } }: SizePlan, { placements }: SheetPlan): readonly Shape[] =>
  placements.map(({ toSheet }) => ({
    kind: 'path',
    role: 'trim',
    path: polygon(blank.outline.map((p) => apply(toSheet, p))),
  }));

/** What is cut within every card, where it lies on the sheet. */
const within = ({ form: { blank } }: SizePlan, { placements }: SheetPlan, role: 'cut' | 'trim'): readonly Shape[] =>
  placements.flatMap(({ toSheet }) =>
    blank.cuts.map((cut): Shape => ({
      kind: 'path',
      role,
      path: (isOpening(cut) ? polygon : polyline)(cut.points.map((p) => apply(toSheet, p))),
    })),
  );

/** The true edge is where the fence sits: the first trim once its waste is off, else the sheet's own edge. */
function edgeAt(move: CutMove): Mm {
  const upright = move.line[0].xMm === move.line[1].xMm;
  const at = upright ? move.line[0].xMm : move.line[0].yMm;
  return move.atFence === 'left' || move.atFence === 'top' ? at - move.fenceMm : at + move.fenceMm;
}

/** One piece under the blade: the fence at its true edge, the line to cut, and how far apart they are. */
function blade(
  move: CutMove,
  part: Part,
  gapMm: Mm,
  numbered: boolean,
  view: Pick<CutView, 'unit' | 'textMm'>,
): readonly Shape[] {
  const thick = view.textMm * 0.7;
  const { box } = part;
  const [dx, dy] = [part.gapsAcross * gapMm, part.gapsDown * gapMm];
  const upright = move.line[0].xMm === move.line[1].xMm;
  const shift = upright ? dx : dy;
  const at = (upright ? move.line[0].xMm : move.line[0].yMm) + shift;
  const edge = edgeAt(move) + shift;
  const outward = move.atFence === 'left' || move.atFence === 'top' ? -thick : 0;
  const bar: Box = upright
    ? { xMm: edge + outward, yMm: box.yMm + dy, widthMm: thick, heightMm: box.heightMm }
    : { xMm: box.xMm + dx, yMm: edge + outward, widthMm: box.widthMm, heightMm: thick };
  const line = upright
    ? segment(at, box.yMm + dy, at, box.yMm + dy + box.heightMm)
    : segment(box.xMm + dx, at, box.xMm + dx + box.widthMm, at);
  const text = formatLength(move.fenceMm, view.unit);
  const [low, high] = [Math.min(edge, at), Math.max(edge, at)];
  // Beside everything, where no waste lies under the number.
  const off = -view.textMm * 0.8;
  return [
    { kind: 'path', role: 'fence', path: boxPath(bar) },
    { kind: 'path', role: 'cutNow', path: line },
    ...(numbered ? (upright ? levelDimension : uprightDimension)(low, high, off, text, view.textMm * 1.2) : []),
  ];
}

/** Sheet, cut lines and crease lines in true size, one role each, for a file that other programs open. */
export function drawCutAndCrease(size: SizePlan, sheet: SheetPlan, cut: CutPlan): Scene {
  const page: Box = { xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
  const creases = sheet.placements.flatMap(({ toSheet }) =>
    pressedLines(size.form.blank).map((crease): Shape => ({
      kind: 'path',
      role: crease.direction === 'mountain' ? 'creaseAway' : 'creaseToward',
      path: polyline([apply(toSheet, crease.from), apply(toSheet, crease.to)]),
    })),
  );
  return {
    box: page,
    symbols: {},
    shapes: [
      { kind: 'path', role: 'sheet', path: boxPath(page) },
      ...cut.moves.map((move): Shape => ({ kind: 'path', role: 'cut', path: polyline(move.line) })),
      ...trims(size, sheet),
      ...within(size, sheet, 'cut'),
      ...creases,
    ],
  };
}
