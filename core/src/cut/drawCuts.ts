import { apply } from '../geometry/affine.ts';
import { grow } from '../geometry/box.ts';
import { boxPath, polygon, polyline } from '../geometry/path.ts';
import type { Box } from '../geometry/types.ts';
import { formatLength } from '../length/formatLength.ts';
import type { LengthUnit, Mm } from '../length/types.ts';
import type { Colour, Scene, Shape } from '../scene/types.ts';
import type { SheetPlan } from '../sheet/planSheet.ts';
import { levelDimension, uprightDimension } from '../size/drawBlank.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { CutMove, CutPlan } from './types.ts';

export interface CutView {
  readonly unit: LengthUnit;
  readonly textMm: Mm;
  readonly stockColour: Colour;
  /** Art of the outside, in the blank's frame. */
  readonly art: readonly Shape[];
}

/** The sheet at one move: what is already off is pale, the fence is a bar, the line to cut now stands out. */
export function drawCutMove(size: SizePlan, sheet: SheetPlan, cut: CutPlan, index: number, view: CutView): Scene {
  const page: Box = { xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
  const { blank } = size.form;
  const move = cut.moves[index];
  const shapes: Shape[] = [
    { kind: 'path', role: 'sheet', path: boxPath(page), fill: view.stockColour },
    ...sheet.placements.map(({ toSheet }): Shape => ({ kind: 'use', symbol: 'card', transform: toSheet })),
    ...trims(size, sheet),
  ];
  if (move) {
    for (const gone of cut.moves.slice(0, index))
      if (gone.fallsOff === 'waste' || gone.fallsOff === 'strip') shapes.push(fallen(gone));
    for (const done of cut.moves.slice(0, index)) shapes.push({ kind: 'path', role: 'cut', path: polyline(done.line) });
    shapes.push(...fence(move, view));
    shapes.push({ kind: 'path', role: 'cutNow', path: polyline(move.line) });
  }
  return {
    box: grow(page, {
      top: view.textMm * 2.6,
      left: view.textMm * 2.6,
      right: view.textMm * 2.6,
      bottom: view.textMm * 2.6,
    }),
    symbols: { card: { box: { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm }, shapes: view.art } },
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

/** The true edge is where the fence sits: the first trim once its waste is off, else the sheet's own edge. */
function edgeAt(move: CutMove): Mm {
  const upright = move.line[0].xMm === move.line[1].xMm;
  const at = upright ? move.line[0].xMm : move.line[0].yMm;
  return move.atFence === 'left' || move.atFence === 'top' ? at - move.fenceMm : at + move.fenceMm;
}

const fallen = ({ beyond }: CutMove): Shape => ({
  kind: 'path',
  role: 'waste',
  path: beyond.flatMap((box) => boxPath(box)),
  fillOpacity: 0.72,
});

function fence(move: CutMove, view: CutView): readonly Shape[] {
  const edge = edgeAt(move);
  const thick = view.textMm * 0.7;
  const [a, b] = move.line;
  const upright = a.xMm === b.xMm;
  const outward = move.atFence === 'left' || move.atFence === 'top' ? -thick : 0;
  const bar: Box = upright
    ? { xMm: edge + outward, yMm: a.yMm, widthMm: thick, heightMm: b.yMm - a.yMm }
    : { xMm: a.xMm, yMm: edge + outward, widthMm: b.xMm - a.xMm, heightMm: thick };
  const at = upright ? a.xMm : a.yMm;
  const text = formatLength(move.fenceMm, view.unit);
  const [low, high] = [Math.min(edge, at), Math.max(edge, at)];
  const dimension = upright
    ? levelDimension(low, high, -view.textMm * 0.8, text, view.textMm * 1.2)
    : uprightDimension(low, high, -view.textMm * 0.8, text, view.textMm * 1.2);
  return [{ kind: 'path', role: 'fence', path: boxPath(bar) }, ...dimension];
}

/** Sheet, cut lines and crease lines in true size, one role each, for a file that other programs open. */
export function drawCutAndCrease(size: SizePlan, sheet: SheetPlan, cut: CutPlan): Scene {
  const page: Box = { xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
  const creases = sheet.placements.flatMap(({ toSheet }) =>
    size.form.blank.creases.map((crease): Shape => ({
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
      ...creases,
    ],
  };
}
