import { apply, compose, invert } from '../../../ground/geometry/affine.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import { polygon } from '../../../ground/geometry/path.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { ReadFace } from '../../../ground/fold/readFaces.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { strokeDigits } from '../../../ground/scene/strokeDigits.ts';
import type { Colour, Shape } from '../../../ground/scene/types.ts';
import { PAGES } from '../../../ground/linkage/types.ts';
import type { PopUpPlan } from '../../size/popUps/popUpPlan.ts';

/** Pale enough not to show through the edge of a tab, dark enough to glue by. */
const INK: Colour = '#8a949a';
/** Kept inside the glue, so that a tab that is a little off still covers it. */
const INSIDE_MM = 1;
const CORNER_MM = 3;
const LINE_MM = 0.3;
const DIGIT_MM = 3;

/**
 * Where parts are glued to a page, printed under what is glued: corners of each place and its number, in the face’s frame.
 */
export function glueMarks(face: ReadFace, { spread, spots }: PopUpPlan): readonly Shape[] {
  const page = PAGES.find((id) => spread.faceIds[id] === face.id);
  if (!page) return [];
  const toFace = compose(invert(face.toBlank), spread.toBlank);
  return (
    spots
      // What lies on the outside is marked by the template alone: nothing there would hide it.
      .filter(({ on, under }) => on.partId === null && on.panelId === page && !under)
      .flatMap(({ area, number }) => {
        const seen = area.map((p) => apply(toFace, p));
        return [
          ...cornerMarks(seen),
          ...strokeDigits(number, middleOf(seen), DIGIT_MM).map(([p, q]) => stroke(p, q)),
        ].map(filled);
      })
  );
}

const filled = (outline: Polygon): Shape => ({ kind: 'path', role: 'art', path: polygon(outline), fill: INK });

const middleOf = (outline: Polygon): Point => {
  const { xMm, yMm, widthMm, heightMm } = boxAround(outline);
  return { xMm: xMm + widthMm / 2, yMm: yMm + heightMm / 2 };
};

/** Two strokes along the sides of every corner, moved in towards the middle. */
function cornerMarks(outline: Polygon): readonly Polygon[] {
  const middle = middleOf(outline);
  const corners = outline.map((p) => towards(p, middle, INSIDE_MM));
  return corners.flatMap((corner, i) => {
    const neighbours = [corners[(i + 1) % corners.length]!, corners[(i + corners.length - 1) % corners.length]!];
    return neighbours.map((next) => stroke(corner, towards(corner, next, Math.min(CORNER_MM, far(corner, next) / 3))));
  });
}

const far = (a: Point, b: Point): Mm => Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm);

function towards(from: Point, to: Point, mm: Mm): Point {
  const long = far(from, to) || 1;
  return { xMm: from.xMm + ((to.xMm - from.xMm) * mm) / long, yMm: from.yMm + ((to.yMm - from.yMm) * mm) / long };
}

function stroke(a: Point, b: Point): Polygon {
  const long = far(a, b) || 1;
  const [nx, ny] = [((b.yMm - a.yMm) / long) * (LINE_MM / 2), ((a.xMm - b.xMm) / long) * (LINE_MM / 2)];
  return [
    { xMm: a.xMm + nx, yMm: a.yMm + ny },
    { xMm: b.xMm + nx, yMm: b.yMm + ny },
    { xMm: b.xMm - nx, yMm: b.yMm - ny },
    { xMm: a.xMm - nx, yMm: a.yMm - ny },
  ];
}
