import { against, cutPath } from '../../ground/fold/blankCuts.ts';
import { pressedLines } from '../../ground/fold/pressedLines.ts';
import { boxAround, evenSides, grow } from '../../ground/geometry/box.ts';
import { polygon, polyline, segment } from '../../ground/geometry/path.ts';
import type { Box } from '../../ground/geometry/types.ts';
import { apply } from '../../ground/geometry/affine.ts';
import { strokeDigits } from '../../ground/scene/strokeDigits.ts';
import { creaseRole } from '../../ground/scene/creaseRole.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { Page, Scene, Shape } from '../../ground/scene/types.ts';
import type { LayerPiece } from './layers.ts';
import type { SizePlan } from './planSize.ts';

/** Round the bleed, so that a program that shows the page shows the whole template. */
const MARGIN_MM = 12;
const TICK_MM = 6;
const CLEAR_MM = 1.5;

/** The blank in true size, outside up: what is cut, creased, kept safe and bled, one role each. */
export function drawTemplate(size: SizePlan): Scene {
  const { blank } = size.form;
  const shapes: Shape[] = [];
  if (size.bleedMm > 0)
    shapes.push({
      kind: 'path',
      role: 'bleed',
      path: [...polygon(size.bleedOutline), ...polygon(against(blank.outline, size.bleedOutline))],
    });
  for (const face of size.faces) {
    const safe = size.regions[face.id]?.safe;
    // Both sides of a panel keep to the same inset; it is drawn once.
    if (safe && size.faces.find((f) => f.panelId === face.panelId) === face)
      shapes.push({ kind: 'path', role: 'safe', path: polygon(safe.outline.map((p) => apply(face.toBlank, p))) });
  }
  for (const crease of pressedLines(blank))
    shapes.push({
      kind: 'path',
      role: crease.direction === 'mountain' ? 'creaseAway' : 'creaseToward',
      path: polyline([crease.from, crease.to]),
    });
  shapes.push(...glueShapes(onPages(size)));
  // What is within is cut while the piece is still held by all that surrounds it.
  for (const cut of blank.cuts) shapes.push({ kind: 'path', role: 'cut', path: cutPath(cut) });
  shapes.push({ kind: 'path', role: 'cut', path: polygon(blank.outline) });
  return { box: pageBox(size), symbols: {}, shapes };
}

type GlueMarks = NonNullable<LayerPiece['glueMarks']>;
const DIGIT_MM = 3;

/** Where pop-ups are glued to the card, on its blank. */
const onPages = ({ popUps }: SizePlan): GlueMarks =>
  (popUps?.spots ?? [])
    .filter(({ on }) => on.partId === null)
    .map(({ number, area }) => ({ number, outline: area.map((p) => apply(popUps!.spread.toBlank, p)) }));

/** Each place that is glued, with its number in strokes that every kind of file carries. */
const glueShapes = (marks: GlueMarks): readonly Shape[] =>
  marks.flatMap(({ number, outline }): readonly Shape[] => {
    const { xMm, yMm, widthMm, heightMm } = boxAround(outline);
    const middle = { xMm: xMm + widthMm / 2, yMm: yMm + heightMm / 2 };
    return [
      { kind: 'path', role: 'glue', path: polygon(outline) },
      ...strokeDigits(number, middle, DIGIT_MM).map((stroke): Shape => ({
        ...{ kind: 'path', role: 'mark', path: polyline(stroke) },
      })),
    ];
  });

/** A mat, panel or insert to cut in true size. */
export function drawLayerTemplate({ blank, glueMarks = [] }: Pick<LayerPiece, 'blank' | 'glueMarks'>): Scene {
  const shapes: Shape[] = [];
  for (const { from, to, way } of blank.creases)
    shapes.push({ kind: 'path', role: creaseRole(way), path: polyline([from, to]) });
  shapes.push(...glueShapes(glueMarks));
  // What is within is cut while the piece is still held by all that surrounds it.
  for (const cut of blank.cuts) shapes.push({ kind: 'path', role: 'cut', path: cutPath(cut) });
  shapes.push({ kind: 'path', role: 'cut', path: polygon(blank.outline) });
  const box = grow({ xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm }, evenSides(MARGIN_MM));
  return { box, symbols: {}, shapes };
}

/**
 * Pale ticks that point at every corner of the trim and both ends of every crease from outside the bleed:
 * something to lay a rule on, with nothing printed on a face.
 */
export function drawGuides(size: SizePlan): Scene {
  const { blank } = size.form;
  const trim = boxAround(blank.outline);
  const off = size.bleedMm + CLEAR_MM;
  const [right, bottom] = [trim.widthMm, trim.heightMm];
  const xs = new Set([0, right]);
  const ys = new Set([0, bottom]);
  for (const { from, to } of blank.creases) {
    if (Math.abs(from.xMm - to.xMm) < 1e-6) xs.add(from.xMm);
    else ys.add(from.yMm);
  }
  const tick = (x1: Mm, y1: Mm, x2: Mm, y2: Mm): Shape => ({
    kind: 'path',
    role: 'printable',
    path: segment(x1, y1, x2, y2),
  });
  const shapes = [
    ...[...xs].flatMap((x) => [tick(x, -off, x, -off - TICK_MM), tick(x, bottom + off, x, bottom + off + TICK_MM)]),
    ...[...ys].flatMap((y) => [tick(-off, y, -off - TICK_MM, y), tick(right + off, y, right + off + TICK_MM, y)]),
  ];
  return { box: pageBox(size), symbols: {}, shapes };
}

/** A template as a page: the card’s own trim and bleed are its boxes. */
export function templatePage(size: SizePlan, scene: Scene): Page {
  return { scene, trimBox: boxAround(size.form.blank.outline), bleedBox: boxAround(size.bleedOutline) };
}

const pageBox = ({ bleedOutline }: SizePlan): Box => grow(boxAround(bleedOutline), evenSides(MARGIN_MM));
