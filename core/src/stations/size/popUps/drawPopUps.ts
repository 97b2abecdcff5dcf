import { apply, compose, type Affine } from '../../../ground/geometry/affine.ts';
import { boxAround, evenSides, grow } from '../../../ground/geometry/box.ts';
import { polygon, segment, type Path } from '../../../ground/geometry/path.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import { inSpace } from '../../../ground/fold/foldBlank.ts';
import { move, type Vec3 } from '../../../ground/fold/space.ts';
import { formatLength } from '../../../ground/length/formatLength.ts';
import type { Deg, LengthUnit, Mm } from '../../../ground/length/types.ts';
import { placeParts } from '../../../ground/linkage/placeParts.ts';
import { bodyKey, PAGES, type PageId } from '../../../ground/linkage/types.ts';
import type { Scene, Shape } from '../../../ground/scene/types.ts';
import type { PopUpPlan } from './popUpPlan.ts';
import { uprightDimension } from '../drawDimension.ts';
import { bentSheets, stateAt } from './standing.ts';

/**
 * On the open inside: where each part is glued, by its number, and what of it lies on the first page when the card is shut.
 * @param map from the card’s blank to what is looked at
 */
export function drawOnPages({ spread, spots, shut, parts }: PopUpPlan, map: Affine, textMm: Mm): readonly Shape[] {
  const seen = compose(map, spread.toBlank);
  const at = (points: readonly Point[]): Path => polygon(points.map((p) => apply(seen, p)));
  // What lies on the card’s outside is not between its shut pages.
  const behind = new Set(
    parts.filter(({ joints: [{ on, under }] }) => under && on.partId === null).map(({ id }) => id),
  );
  return [
    ...shut
      .filter(({ partId }) => !behind.has(partId))
      .map(({ outline }): Shape => ({ kind: 'path', role: 'direction', path: at(outline) })),
    ...spots
      // What is glued behind a page is not glued where it is looked at.
      .filter(({ on, under }) => on.partId === null && !under)
      .flatMap(({ area, number }): readonly Shape[] => {
        const { xMm, yMm, widthMm, heightMm } = boxAround(area.map((p) => apply(seen, p)));
        return [
          { kind: 'path', role: 'glue', path: at(area) },
          {
            ...{ kind: 'label', role: 'label', text: String(number), sizeMm: textMm, anchor: 'middle' },
            at: { xMm: xMm + widthMm / 2, yMm: yMm + heightMm / 2 + textMm * 0.35 },
          },
        ];
      }),
  ];
}

/**
 * The card from the end of its fold, opened so far: pages as lines, parts edge on; and of the one in hand how far from the
 * fold it is glued on either page, and how high it stands over the first.
 * @param layer whose measures are written; none where null
 */
export function drawEndOn(
  popUps: PopUpPlan,
  openDeg: Deg,
  { unit, textMm, layer }: { readonly unit: LengthUnit; readonly textMm: Mm; readonly layer: number | null },
): Scene {
  const poses = placeParts(popUps.parts, stateAt(popUps.motion, openDeg), openDeg);
  // Page a lies, page b rises: the end of the fold is looked at, the fold in the origin, up is up.
  const flat = ([x, , z]: Vec3): Point => ({ xMm: x, yMm: -z });
  const own = new Set(popUps.order.find((one) => one.layer === layer)?.partIds ?? []);
  const seen = (outline: Polygon, key: string): Polygon => outline.map((p) => flat(move(poses.get(key)!, inSpace(p))));
  const pages = PAGES.map((page) => seen(popUps.spread.outlines[page], page));
  const pieces: readonly { readonly partId: string; readonly outline: Polygon }[] = [
    ...popUps.parts.flatMap(({ id, blank, tabs, cutFrom }) =>
      blank.panels
        .filter((panel) => !cutFrom || !tabs.includes(panel.id))
        .map((panel) => ({
          partId: id,
          outline: seen(panel.outline, bodyKey({ partId: id, panelId: panel.id })),
        })),
    ),
    ...bentSheets(popUps, poses).flatMap(({ partId, quads }) =>
      quads.map((quad) => ({ partId, outline: quad.map(flat) })),
    ),
  ];
  const inHand = pieces.filter(({ partId }) => own.has(partId));
  const line = (role: 'trim' | 'dimension' | 'cut', outline: Polygon): Shape => ({
    ...{ kind: 'path', role, path: polygon(outline) },
  });
  const around = boxAround([...pages, ...pieces.map(({ outline }) => outline)].flat());
  return {
    box: grow(around, evenSides(textMm * 4)),
    symbols: {},
    shapes: [
      ...pages.map((outline) => line('trim', outline)),
      ...pieces.filter(({ partId }) => !own.has(partId)).map(({ outline }) => line('dimension', outline)),
      ...inHand.map(({ outline }) => line('cut', outline)),
      ...measures(popUps, own, openDeg, { unit, textMm }),
      ...heightOf(
        inHand.flatMap(({ outline }) => outline),
        { unit, textMm },
      ),
    ],
  };
}

/** How high the highest point stands over the first page, beside what stands. */
function heightOf(
  points: readonly Point[],
  { unit, textMm }: { readonly unit: LengthUnit; readonly textMm: Mm },
): readonly Shape[] {
  if (points.length === 0) return [];
  const { xMm, yMm } = boxAround(points);
  return yMm < -textMm ? uprightDimension(yMm, 0, xMm - textMm, formatLength(-yMm, unit), textMm) : [];
}

/** How far from the fold it is glued to a page, or hinged to it where it is cut from it; null where it is neither. */
function heldTo(popUps: PopUpPlan, own: ReadonlySet<string>, page: PageId): Mm | null {
  const glued = popUps.spots
    .filter(({ partId, on }) => own.has(partId) && on.partId === null && on.panelId === page)
    .flatMap(({ area }) => area);
  const cut = popUps.cutIns
    .filter(({ partId }) => own.has(partId))
    .flatMap(({ region }) => region.filter(({ xMm }) => (page === 'a' ? xMm < 0 : xMm > 0)));
  const points = [...glued, ...cut];
  return points.length === 0 ? null : Math.max(...points.map(({ xMm }) => Math.abs(xMm)));
}

/** From the fold to the far edge of what is glued, along its page. */
function measures(
  popUps: PopUpPlan,
  own: ReadonlySet<string>,
  openDeg: Deg,
  { unit, textMm }: { readonly unit: LengthUnit; readonly textMm: Mm },
): readonly Shape[] {
  const rad = (openDeg * Math.PI) / 180;
  return PAGES.flatMap((page): readonly Shape[] => {
    const far = heldTo(popUps, own, page);
    if (far === null) return [];
    const way = page === 'a' ? { x: -1, y: 0 } : { x: -Math.cos(rad), y: -Math.sin(rad) };
    // Off the page, on the side where nothing is.
    const off = page === 'a' ? { x: 0, y: 1 } : { x: Math.sin(rad), y: -Math.cos(rad) };
    const at = (along: Mm, aside: Mm): Point => ({
      xMm: way.x * along + off.x * aside,
      yMm: way.y * along + off.y * aside,
    });
    const line = textMm * 1.2;
    const [from, to] = [at(0, line), at(far, line)];
    const ticks = [0, far].flatMap((along): Path => {
      const [p, q] = [at(along, line - textMm * 0.35), at(along, line + textMm * 0.35)];
      return segment(p.xMm, p.yMm, q.xMm, q.yMm);
    });
    const turn = (Math.atan2(way.y, way.x) * 180) / Math.PI;
    return [
      { kind: 'path', role: 'dimension', path: [...segment(from.xMm, from.yMm, to.xMm, to.yMm), ...ticks] },
      {
        ...{ kind: 'label', role: 'dimension', text: formatLength(far, unit), sizeMm: textMm, anchor: 'middle' },
        at: at(far / 2, line + textMm * 1.2),
        turnDeg: Math.abs(turn) > 90 ? turn + 180 : turn,
      },
    ];
  });
}
