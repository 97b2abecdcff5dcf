import { apply, compose, translation, turnedLeftRight, turnMap, type Affine } from '../../ground/geometry/affine.ts';
import { boxAround, corners, evenSides, grow, mapBox } from '../../ground/geometry/box.ts';
import { mapPath, polygon, polyline } from '../../ground/geometry/path.ts';
import type { Box } from '../../ground/geometry/types.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
import { laidMap, type LaidPiece } from '../sheet/layout/layOut.ts';
import { levelDimension, uprightDimension } from '../size/drawDimension.ts';
import type { Page, Scene, Shape } from '../../ground/scene/types.ts';
import type { EnvelopePlan } from './planEnvelope.ts';
import type { FlatBlank } from '../../ground/fold/types.ts';
import type { EnvelopeBlank } from './build/types.ts';
import { cutPath } from '../../ground/fold/blankCuts.ts';

const LABEL_MM = 3.2;
/** A letter is about so wide, in heights of its line. */
const LETTER = 0.6;

/** Lines of one blank: cut, creases, glue and names, inside up. */
function blankShapes(blank: EnvelopeBlank, textMm: Mm, fill: string | null): readonly Shape[] {
  return [
    ...(fill ? [{ kind: 'path', role: 'stock', path: polygon(blank.outline), fill } as const] : []),
    ...blank.glue.map((area): Shape => ({ kind: 'path', role: 'glue', path: area.path })),
    ...blank.creases.map((crease): Shape => ({
      kind: 'path',
      role: crease.way === 'toward' ? 'creaseToward' : 'creaseAway',
      path: polyline([crease.from, crease.to]),
    })),
    // What is within is cut while the piece is still held by all that surrounds it.
    ...blank.cuts.map((cut): Shape => ({ kind: 'path', role: 'cut', path: cutPath(cut) })),
    { kind: 'path', role: 'cut', path: polygon(blank.outline) },
    ...blank.labels
      .filter(({ roomMm, text }) => text !== '' && roomMm > textMm * Math.max(2, LETTER * text.length))
      .map((label): Shape => ({
        kind: 'label',
        role: 'label',
        text: label.text,
        at: label.at,
        sizeMm: textMm,
        anchor: 'middle',
      })),
  ];
}

/** Pale lines to cut and fold along, for a blank that shares a printed sheet. */
export const drawEnvelopeOutline = (blank: FlatBlank): readonly Shape[] => [
  { kind: 'path', role: 'printable', path: polygon(blank.outline) },
  ...blank.creases.map((crease): Shape => ({
    kind: 'path',
    role: 'printable',
    path: polyline([crease.from, crease.to]),
  })),
  ...blank.cuts.map((cut): Shape => ({ kind: 'path', role: 'printable', path: cutPath(cut) })),
];

/** The blank alone, inside up, with its sizes. */
export function drawEnvelopeBlank(
  { blank, stock, insideWidthMm, insideHeightMm, depthMm }: EnvelopePlan,
  textMm: Mm,
  unit: LengthUnit,
): Scene {
  const middle = boxAround(blank.front);
  const inside =
    depthMm > 0
      ? `inside ${formatSize(insideWidthMm, insideHeightMm, unit)}, ${formatLength(depthMm, unit)} deep`
      : `inside ${formatSize(insideWidthMm, insideHeightMm, unit)}`;
  const pleats = blank.creases.some(({ way }) => way === 'away');
  return {
    box: grow(
      { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm },
      { top: textMm * 2.4, left: textMm * 2.6, right: textMm, bottom: textMm * 2 },
    ),
    symbols: {},
    shapes: [
      ...blankShapes(blank, textMm, stock.colour),
      ...levelDimension(0, blank.widthMm, -textMm * 0.8, formatLength(blank.widthMm, unit), textMm),
      ...uprightDimension(0, blank.heightMm, -textMm * 0.8, formatLength(blank.heightMm, unit), textMm),
      {
        kind: 'label',
        role: 'label',
        text: inside,
        at: { xMm: middle.xMm + middle.widthMm / 2, yMm: middle.yMm + middle.heightMm / 2 + textMm * 1.6 },
        sizeMm: textMm,
        anchor: 'middle',
      },
      {
        kind: 'label',
        role: 'dimension',
        text: `▼ ${pleats ? 'creases fold toward you, pleats ▲ away' : 'every crease folds toward you'} · glue on the hatched areas`,
        at: { xMm: blank.widthMm / 2, yMm: blank.heightMm + textMm * 1.4 },
        sizeMm: textMm,
        anchor: 'middle',
      },
    ],
  };
}

/** Envelope blanks on their sheet; a page of the blank's own size when no sheet takes it. */
export function drawEnvelopeSheet(plan: EnvelopePlan): Page {
  const { blank, stock } = plan;
  const places: readonly LaidPiece[] = plan.places;
  const page: Box =
    places.length > 0
      ? { xMm: 0, yMm: 0, widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm }
      : grow({ xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm }, evenSides(10));
  // Places are those of the outside: the inside is met when the sheet is turned over.
  const mirrored = turnedLeftRight(blank.widthMm);
  const maps: readonly Affine[] =
    places.length > 0
      ? places.map((lies) => compose(turnMap(page, plan.turnOver), compose(laidMap(lies, blank.heightMm), mirrored)))
      : [translation(0, 0)];
  const drawn = blankShapes(blank, LABEL_MM, null);
  const scene: Scene = {
    box: page,
    symbols: {},
    // Written where they lie, so that a program that cuts by layer finds every line on its own.
    shapes: maps.flatMap((map) => drawn.map((shape) => laidShape(shape, map))),
  };
  const own = { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm };
  const around = boxAround(maps.flatMap((map) => corners(mapBox(map, own))));
  return { scene, trimBox: around, bleedBox: around };
}

/** A line or a name of the blank where it lies on the sheet; names stay level. */
function laidShape(shape: Shape, map: Affine): Shape {
  if (shape.kind === 'label') return { ...shape, at: apply(map, shape.at) };
  return shape.kind === 'path' ? { ...shape, path: mapPath(shape.path, map) } : shape;
}
