import { inSpace } from '../../../ground/fold/foldBlank.ts';
import { chain, move, turn, turnAbout, type Pose, type Vec3 } from '../../../ground/fold/space.ts';
import { standOnTable } from '../../../ground/fold/stand.ts';
import type { Panel } from '../../../ground/fold/types.ts';
import { boxAround, evenSides, grow } from '../../../ground/geometry/box.ts';
import { contains, distanceToEdge, edgesOf } from '../../../ground/geometry/polygon.ts';
import { polygon, polyline } from '../../../ground/geometry/path.ts';
import { TOLERANCE_MM, type Point } from '../../../ground/geometry/types.ts';
import { formatLength } from '../../../ground/length/formatLength.ts';
import { fixed } from '../../../ground/length/rounding.ts';
import type { LengthUnit, Mm } from '../../../ground/length/types.ts';
import type { Colour, Scene, Shape } from '../../../ground/scene/types.ts';
import type { FoldedPiece } from '../../size/planSize.ts';
import { BOW_STEPS } from './plateStands.ts';
import type { StandingCard, StandingPanel } from './types.ts';

const YAW_DEG = -34;
const PITCH_DEG = 12;
/** Ribs drawn on each panel, up and across, so that a bow is seen. */
const RIBS = 4;

export interface StandingLook {
  readonly stockColour: Colour;
  readonly unit: LengthUnit;
  readonly textMm: Mm;
}

/**
 * The card on a table as its own weight leaves it, seen from in front and a little above: panels bowed to the same scale
 * as everything else, with ribs across and up, and how far from flat beside the one that bows the most.
 */
export function drawStanding(
  { form, folding }: Pick<FoldedPiece, 'form' | 'folding'>,
  card: StandingCard,
  { stockColour, unit, textMm }: StandingLook,
): Scene {
  const poses = standOnTable(form, folding)!;
  const turnIt = (yawDeg: number): Pose =>
    chain(
      turnAbout([0, 0, 0], [1, 0, 0], (PITCH_DEG * Math.PI) / 180),
      turnAbout([0, 0, 0], [0, 1, 0], (yawDeg * Math.PI) / 180),
    );
  const camera = turnIt(YAW_DEG);
  const flat = (v: Vec3): Point => {
    const [x, y] = move(camera, v);
    return { xMm: x, yMm: -y };
  };
  const panels = form.blank.panels
    .map((panel) => {
      const stands = card.panels.find(({ panelId }) => panelId === panel.id);
      const pose = poses.get(panel.id)!;
      const at = (p: Point): Point => {
        const [x, y] = inSpace(p);
        return flat(move(pose, [x, y, stands ? bowAt(stands, p) : 0]));
      };
      const { box } = panel;
      const middle = move(
        chain(camera, pose),
        inSpace({ xMm: box.xMm + box.widthMm / 2, yMm: box.yMm + box.heightMm / 2 }),
      );
      return { panel, stands, at, depth: middle[2], facing: Math.abs(turn(chain(camera, pose), [0, 0, 1])[2]) };
    })
    .sort((a, b) => a.depth - b.depth);
  const outlines = panels.map(({ panel, at }) => bentOutline(panel).map(at));
  const feet = form.blank.panels
    .flatMap(({ id, outline }) => outline.map((p) => move(poses.get(id)!, inSpace(p))))
    .filter(([, y]) => y < 1);
  const shapes = panels.flatMap(({ panel, stands, at, facing }, i): readonly Shape[] => {
    const path = polygon(outlines[i]!);
    const dark = 0.3 * (1 - facing);
    return [
      { kind: 'path', role: 'stock', path, fill: stockColour },
      ...(dark > 0.005 ? [{ kind: 'path' as const, role: 'shade' as const, path, fillOpacity: dark }] : []),
      ...(stands
        ? ribs(panel, stands).map((rib): Shape => ({ kind: 'path', role: 'printable', path: polyline(rib.map(at)) }))
        : []),
      { kind: 'path', role: 'dimension', path },
    ];
  });
  const around = boxAround(outlines.flat());
  const { bowed, falls } = card;
  const lines = [
    ...(bowed ? [`${bowed.name}: ${formatLength(bowed.bowMm, unit)} from flat`] : []),
    falls.deg > 0 ? `falls when tilted ${fixed(falls.deg, 0)}°` : 'falls over',
  ];
  return {
    box: grow(around, { ...evenSides(textMm * 1.5), bottom: textMm * (2 + 1.4 * lines.length) }),
    symbols: {},
    shapes: [
      ...(feet.length > 2 ? [table(feet, flat)] : []),
      ...shapes,
      ...lines.map((text, i): Shape => ({
        ...{ kind: 'label', role: 'dimension', text, sizeMm: textMm, anchor: 'middle' },
        at: { xMm: around.xMm + around.widthMm / 2, yMm: around.yMm + around.heightMm + textMm * (2 + 1.4 * i) },
      })),
    ],
  };
}

/** The table under its feet and somewhat round them. */
function table(feet: readonly Vec3[], flat: (v: Vec3) => Point): Shape {
  const [xs, zs] = [feet.map(([x]) => x), feet.map(([, , z]) => z)];
  const round = 12;
  const [left, right, back, front] = [
    Math.min(...xs) - round,
    Math.max(...xs) + round,
    Math.min(...zs) - round,
    Math.max(...zs) + round,
  ];
  const at = (x: number, z: number): Point => flat([x, 0, z]);
  return {
    ...{ kind: 'path', role: 'shade', fillOpacity: 0.22 },
    path: polygon([at(left, back), at(right, back), at(right, front), at(left, front)]),
  };
}

/** Its outline with a point every few steps, so that its edges bend with it. */
const bentOutline = ({ outline }: Panel): readonly Point[] =>
  edgesOf(outline).flatMap(([a, b]) => {
    const steps = outline.length > 2 * BOW_STEPS ? 1 : BOW_STEPS;
    return Array.from({ length: steps }, (_, i) => between(a, b, i / steps));
  });

const between = (a: Point, b: Point, share: number): Point => ({
  xMm: a.xMm + (b.xMm - a.xMm) * share,
  yMm: a.yMm + (b.yMm - a.yMm) * share,
});

/** Lines up and across its plate, as far as its outline goes. */
function ribs({ outline, box }: Panel, stands: StandingPanel): readonly (readonly Point[])[] {
  if (box.widthMm < 1) return [];
  const { corner, across, up, plate } = stands;
  const place = (x: number, y: number): Point => ({
    xMm: corner.xMm + across.xMm * x * plate.widthMm + up.xMm * y * plate.heightMm,
    yMm: corner.yMm + across.yMm * x * plate.widthMm + up.yMm * y * plate.heightMm,
  });
  const steps = Array.from({ length: BOW_STEPS + 1 }, (_, i) => i / BOW_STEPS);
  const lines = Array.from({ length: RIBS - 1 }, (_, i) => (i + 1) / RIBS).flatMap((share) => [
    steps.map((y) => place(share, y)),
    steps.map((x) => place(x, share)),
  ]);
  const reaches = (p: Point): boolean =>
    contains(outline, p) || edgesOf(outline).some((edge) => distanceToEdge(p, edge) < TOLERANCE_MM);
  return lines.map((line) => line.filter(reaches)).filter((line) => line.length > 1);
}

/** How far a place of the blank is from its panel’s plane, between the steps at which that is told. */
function bowAt({ corner, across, up, plate, bow }: StandingPanel, p: Point): Mm {
  const by: Point = { xMm: p.xMm - corner.xMm, yMm: p.yMm - corner.yMm };
  const share = (way: Point, long: Mm): number =>
    Math.min(1, Math.max(0, (by.xMm * way.xMm + by.yMm * way.yMm) / long)) * BOW_STEPS;
  const [x, y] = [share(across, plate.widthMm), share(up, plate.heightMm)];
  const [i, j] = [Math.min(BOW_STEPS - 1, Math.floor(x)), Math.min(BOW_STEPS - 1, Math.floor(y))];
  const [dx, dy] = [x - i, y - j];
  const at = (row: number, column: number): Mm => bow[row]![column]!;
  return (
    at(j, i) * (1 - dx) * (1 - dy) +
    at(j, i + 1) * dx * (1 - dy) +
    at(j + 1, i) * (1 - dx) * dy +
    at(j + 1, i + 1) * dx * dy
  );
}
