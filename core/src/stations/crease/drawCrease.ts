import { apply } from '../../ground/geometry/affine.ts';
import { evenSides, grow, mapBox } from '../../ground/geometry/box.ts';
import { boxPath, polygon, polyline, segment } from '../../ground/geometry/path.ts';
import type { Box, Point } from '../../ground/geometry/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
import { cutPath } from '../../ground/fold/blankCuts.ts';
import { pressedLines } from '../../ground/fold/pressedLines.ts';
import type { Blank, PaperSide } from '../../ground/fold/types.ts';
import { isPlainRule } from '../../job/plainRule.ts';
import type { Colour, Scene, Shape } from '../../ground/scene/types.ts';
import { levelDimension } from '../size/drawDimension.ts';
import type { SizePlan } from '../size/planSize.ts';
import { onBoard } from './onBoard.ts';
import type { CreaseLine, CreasePlan } from './types.ts';

const BOARD_SHOWN = 1.4;
const BOARD_COLOUR = '#222d34';

export interface CreaseView {
  readonly unit: LengthUnit;
  readonly textMm: Mm;
  readonly stockColour: Colour;
  readonly art: Readonly<Record<PaperSide, readonly Shape[]>>;
}

const lineRole = (piece: Blank, line: CreaseLine, side: PaperSide): 'creaseAway' | 'creaseToward' => {
  const crease = pressedLines(piece).find((c) => c.id === line.creaseIds[0])!;
  return (crease.direction === 'mountain') === (side === 'outside') ? 'creaseAway' : 'creaseToward';
};

/** The card on the board with its edge at the stop on the left, grooves below it, and the line to press; a plain rule has no grooves. */
// eslint-disable-next-line max-lines-per-function -- one drawing, from the board up
export function drawCreaseLine(size: SizePlan, crease: CreasePlan, index: number, view: CreaseView): Scene {
  const blank = crease.piece;
  const line = crease.lines[index];
  const side: PaperSide = line?.faceUp ?? 'outside';
  const toBoard = onBoard(blank, line?.edgeAtStop ?? 'left', side);
  const card = mapBox(toBoard, { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm });
  const outline = polygon(blank.outline.map((p) => apply(toBoard, p)));
  const { textMm } = view;
  const board: Box = {
    xMm: -textMm * 1.2,
    // Room for the length above the card.
    yMm: -textMm * 2.8,
    // A long rule runs on beyond the card; only as much of it is drawn as keeps the card large.
    widthMm: Math.min(Math.max(card.widthMm, crease.board.longestMm), card.widthMm * BOARD_SHOWN) + textMm * 2.4,
    heightMm: card.heightMm + textMm * 4.8,
  };
  const grooves: Shape[] = [];
  // Grooves too close to tell apart are drawn by the ten.
  const shownEvery = crease.board.grooveEveryMm * (crease.board.grooveEveryMm < textMm * 0.5 ? 10 : 1);
  const shownTo = isPlainRule(crease.board) ? 0 : board.widthMm - textMm * 2;
  for (let at = shownEvery; at < shownTo; at += shownEvery)
    grooves.push({
      kind: 'path',
      role: 'printable',
      path: segment(at, board.yMm + textMm * 0.6, at, board.yMm + board.heightMm - textMm * 0.6),
    });
  const fence: Shape = {
    ...{ kind: 'path', role: 'fence' },
    path: boxPath({ xMm: -textMm * 0.7, yMm: board.yMm, widthMm: textMm * 0.7, heightMm: board.heightMm }),
  };
  // Along a rule from slit to slit no edge is at the stop, and no groove is meant.
  const isRuled = line?.isByRule === true && !crease.byEnds;
  const shapes: Shape[] = [
    { kind: 'path', role: 'sheet', path: boxPath(board), fill: BOARD_COLOUR },
    ...(isRuled ? [] : [...grooves, fence]),
    { kind: 'path', role: 'stock', path: outline, fill: view.stockColour },
    {
      kind: 'group',
      transform: toBoard,
      clip: polygon(blank.outline),
      children: blank.art.map((transform): Shape => ({
        kind: 'group',
        transform,
        clip: polygon(size.form.blank.outline),
        children: view.art[side],
      })),
    },
    { kind: 'path', role: 'trim', path: outline },
    // Slits are there already.
    ...blank.cuts.map((cut): Shape => ({
      ...{ kind: 'path', role: 'trim' },
      path: cutPath({ ...cut, points: cut.points.map((p) => apply(toBoard, p)) }),
    })),
    // The other creases, as they bend with this face up.
    ...pressedLines(blank)
      .filter((c) => !line?.creaseIds.includes(c.id))
      .map((c): Shape => ({
        kind: 'path',
        role: (c.direction === 'mountain') === (side === 'outside') ? 'creaseAway' : 'creaseToward',
        path: polyline([apply(toBoard, c.from), apply(toBoard, c.to)]),
      })),
  ];
  if (line) {
    const upNote: Shape = {
      ...{ kind: 'label', role: 'dimension', text: `${side} up`, sizeMm: textMm, anchor: 'end' },
      at: { xMm: card.widthMm - textMm * 0.3, yMm: card.heightMm + textMm * 1.3 },
    };
    const role = lineRole(blank, line, side);
    const own = pressedLines(blank)
      .filter(({ id }) => line.creaseIds.includes(id))
      .map(({ from, to }) => [apply(toBoard, from), apply(toBoard, to)] as const);
    if (isRuled)
      return { box: roomy(board, textMm), symbols: {}, shapes: [...shapes, ...alongRule(own, role), upNote] };
    // The tool goes along these, a little past the ends of what goes from edge to edge.
    const over = line.isParted ? 0 : textMm * 0.6;
    const stretches = line.isParted
      ? own.map(([p, q]) => [Math.min(p.yMm, q.yMm), Math.max(p.yMm, q.yMm)] as const)
      : [[0, card.heightMm] as const];
    shapes.push(
      ...stretches.map(([from, to]): Shape => ({
        ...{ kind: 'path', role, path: segment(line.fromStopMm, from, line.fromStopMm, to) },
      })),
      ...stretches.map(([from, to]): Shape => ({
        ...{ kind: 'path', role: 'cutNow' },
        path: segment(line.grooveAtMm, from - over, line.grooveAtMm, to + over),
      })),
      ...levelDimension(0, line.grooveAtMm, -textMm * 0.7, formatLength(line.grooveAtMm, view.unit), textMm * 1.2),
      {
        kind: 'label',
        role: 'dimension',
        text: isPlainRule(crease.board) ? 'from here' : 'stop',
        at: { xMm: textMm * 0.2, yMm: board.yMm + board.heightMm - textMm * 0.5 },
        sizeMm: textMm,
        anchor: 'start',
      },
      upNote,
    );
  }
  return { box: roomy(board, textMm), symbols: {}, shapes };
}

const roomy = (board: Box, textMm: Mm): Box => grow(board, evenSides(textMm));

/** A crease of what is cut in, with a rule laid along it: no edge is at the stop. */
const alongRule = (own: readonly (readonly [Point, Point])[], role: 'creaseAway' | 'creaseToward'): readonly Shape[] =>
  own.flatMap(([p, q]): readonly Shape[] => [
    { kind: 'path', role, path: polyline([p, q]) },
    { kind: 'path', role: 'cutNow', path: polyline([p, q]) },
  ]);
