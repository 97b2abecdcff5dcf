import { apply, type Affine } from '../../ground/geometry/affine.ts';
import { boxAround, grow, evenSides } from '../../ground/geometry/box.ts';
import { cardPath, cutsOf } from '../../ground/fold/blankCuts.ts';
import { inSpace } from '../../ground/fold/foldBlank.ts';
import { atOpening, atStep } from '../../ground/fold/foldForm.ts';
import {
  chain,
  cross,
  directionOf,
  minus,
  move,
  turn,
  turnAbout,
  undo,
  type Pose,
  type Vec3,
} from '../../ground/fold/space.ts';
import type { BlankCut, PaperSide, Panel } from '../../ground/fold/types.ts';
import type { Colour, Scene, Shape } from '../../ground/scene/types.ts';
import { drawLayers, type LayerPrints } from './drawBlank.ts';
import { isUpright } from './folds.ts';
import type { FoldedPiece } from './planSize.ts';
import { artOfCutIn, pageLeft, partLeft } from './popUps/bentAway.ts';
import { isCutIn } from './popUps/cutIns.ts';
import { laidOpen } from './popUps/laidOpen.ts';
import { standing } from './popUps/standing.ts';

/** As far as a reader has opened it (0 shut, 1 flat), or after so many steps of the folding. */
export type FoldStage = { readonly open: number } | { readonly done: number };

export type FoldedView = FoldStage & {
  readonly stockColour: Colour;
  /** Art of each side in the blank's frame. */
  readonly art: Readonly<Record<PaperSide, readonly Shape[]>>;
  readonly prints?: LayerPrints;
  readonly yawDeg?: number;
  readonly pitchDeg?: number;
};

/** From so much higher one looks into a card with pop-ups. */
export const LOOKED_INTO_DEG = 16;
/** Up to this opening both panels of a tent lean alike; beyond it the front is lifted up to be read. */
const LEANS_UNTIL_DEG = 70;

/** Every panel at a stage. What has pop-ups is opened on a table, where they are looked into. */
export function posesAt({ form, folding, popUps }: FoldedPiece, stage: FoldStage): ReadonlyMap<string, Pose> {
  if (!('open' in stage)) return atStep(form, folding, stage.done);
  const poses = atOpening(form, folding, stage.open);
  return popUps ? laidOpen(popUps, poses) : poses;
}

/**
 * The card partly open, seen from a little to one side and above. A parallel view of a flat panel is an
 * affine map, so each panel's art is drawn exactly, without approximating it in pieces.
 */
export function drawFolded(size: FoldedPiece, view: FoldedView): Scene {
  const { form } = size;
  const { stockColour, art, yawDeg = -24, pitchDeg = 14 } = view;
  const above = size.popUps ? LOOKED_INTO_DEG : 0;
  const poses = posesAt(size, view);
  const body = chain(camera(yawDeg, pitchDeg + above), lean(size, view, poses));
  const layers = {
    outside: drawLayers(size, 'outside', view.prints),
    inside: drawLayers(size, 'inside', view.prints),
  };
  const onCard = { outside: [...art.outside, ...layers.outside], inside: [...art.inside, ...layers.inside] };
  const sheets: readonly Sheet[] = [
    ...form.blank.panels.flatMap((panel) =>
      (size.popUps ? pageLeft(size.popUps, panel) : [panel]).map((left) => ({
        ...{ panel: left, cuts: cutsOf(form.blank, panel), colour: stockColour, pose: poses.get(panel.id)! },
        ...{ art: onCard, lies: 'page' as const },
      })),
    ),
    ...popUpSheets(size, poses, view, onCard),
  ];
  const seen = sheets.map((sheet) => {
    const pose = chain(body, sheet.pose);
    const normal = turn(pose, [0, 0, 1]);
    const { box } = sheet.panel;
    const middle = move(pose, inSpace({ xMm: box.xMm + box.widthMm / 2, yMm: box.yMm + box.heightMm / 2 }));
    const side: PaperSide = normal[2] >= 0 ? 'outside' : 'inside';
    return {
      ...sheet,
      map: flatten(pose),
      side,
      depth: middle[2],
      facing: Math.abs(normal[2]),
      tilt: normal[1] * (side === 'outside' ? 1 : -1),
    };
  });
  // A page is wider than what stands on it, so the middles of the two do not tell which hides the other.
  const rank = size.popUps ? rankOf : () => 0;
  seen.sort((a, b) => rank(a) - rank(b) || a.depth - b.depth);
  const shapes: Shape[] = [];
  for (const { panel, cuts, colour, art: own, map, side, facing, tilt } of seen) {
    const outline = cardPath(
      panel.outline.map((p) => apply(map, p)),
      cuts.map((cut) => ({ ...cut, points: cut.points.map((p) => apply(map, p)) })),
    );
    shapes.push({ kind: 'path', role: 'stock', path: outline, fill: colour });
    shapes.push({ kind: 'group', transform: map, clip: cardPath(panel.outline, cuts), children: own[side] });
    // Light from above and in front: panels turned away or down are darker.
    const dark = Math.min(0.34, 0.26 * (1 - facing) + 0.12 * Math.max(0, -tilt));
    if (dark > 0.005) shapes.push({ kind: 'path', role: 'shade', path: outline, fillOpacity: dark });
    shapes.push({ kind: 'path', role: 'dimension', path: outline });
  }
  const around = boxAround(seen.flatMap(({ panel, map }) => panel.outline.map((p) => apply(map, p))));
  const pad = Math.max(around.widthMm, around.heightMm) * 0.06;
  return { box: grow(around, evenSides(pad)), symbols: {}, shapes };
}

/** Behind the open pages, the pages, what stands on them, and over all that a page whose back is seen. */
function rankOf({ lies, side }: { readonly lies: Sheet['lies']; readonly side: PaperSide }): number {
  if (lies === 'page') return side === 'inside' ? 1 : 3;
  return lies === 'behind' ? 0 : 2;
}

/** A flat piece of paper in space, and what is on it. */
interface Sheet {
  readonly panel: Pick<Panel, 'outline' | 'box'>;
  readonly cuts: readonly BlankCut[];
  readonly colour: Colour;
  readonly pose: Pose;
  readonly art: Readonly<Record<PaperSide, readonly Shape[]>>;
  /** A page of the card, what stands on one, or what lies behind it. */
  readonly lies: 'page' | 'on' | 'behind';
}

/** What moves as the card opens, each panel where it stands, with what is printed on it. */
function popUpSheets(
  size: FoldedPiece,
  poses: ReadonlyMap<string, Pose>,
  { prints = {}, stockColour }: Pick<FoldedView, 'prints' | 'stockColour'>,
  onCard: Sheet['art'],
): readonly Sheet[] {
  const { popUps, layers } = size;
  if (!popUps) return [];
  const pieceOf = (partId: string) => layers.find(({ id }) => id === partId)!;
  const { panels, sheets } = standing(popUps, size, poses);
  return [
    ...panels.flatMap(({ partId, panelId, pose }): readonly Sheet[] => {
      const part = popUps.parts.find(({ id }) => id === partId)!;
      const panel = part.blank.panels.find(({ id }) => id === panelId)!;
      if (isCutIn(part)) {
        const art = artOfCutIn(popUps, part, onCard);
        return partLeft(popUps, part, panel).map((left): Sheet => ({
          ...{ panel: left, cuts: [], colour: stockColour, pose, art, lies: 'on' },
        }));
      }
      const { colour } = pieceOf(partId).stock;
      const [{ on, under }] = part.joints;
      return [
        {
          ...{ panel, cuts: part.blank.cuts, colour, pose, lies: under && on.partId === null ? 'behind' : 'on' },
          art: { outside: prints[partId]?.shapes ?? [], inside: prints[partId]?.back ?? [] },
        },
      ];
    }),
    ...sheets.flatMap(({ partId, quads }) => quads.flatMap((quad) => flatQuad(quad, pieceOf(partId).stock.colour))),
  ];
}

/** A bent piece is drawn as the plane through three of its corners. */
function flatQuad([p, q, r, s]: readonly [Vec3, Vec3, Vec3, Vec3], colour: Colour): readonly Sheet[] {
  const along = directionOf(minus(q, p));
  const normal = along && directionOf(cross(along, minus(r, p)));
  if (!along || !normal) return [];
  const up = cross(normal, along);
  const pose: Pose = {
    rows: [0, 1, 2].map((i): Vec3 => [along[i]!, up[i]!, normal[i]!]) as unknown as Pose['rows'],
    shift: p,
  };
  const back = undo(pose);
  const outline = [p, q, r, s].map((point) => {
    const [x, y] = move(back, point);
    return { xMm: x, yMm: -y };
  });
  return [
    {
      panel: { outline, box: boxAround(outline) },
      cuts: [],
      colour,
      pose,
      art: { outside: [], inside: [] },
      lies: 'on',
    },
  ];
}

function camera(yawDeg: number, pitchDeg: number): Pose {
  const rad = Math.PI / 180;
  return chain(turnAbout([0, 0, 0], [1, 0, 0], pitchDeg * rad), turnAbout([0, 0, 0], [0, 1, 0], yawDeg * rad));
}

/** Half the opening of a card with one level fold, about that fold, so that a tent stands evenly on both feet. */
function lean(size: FoldedPiece, view: FoldStage, poses: ReadonlyMap<string, Pose>): Pose {
  const still = turnAbout([0, 0, 0], [1, 0, 0], 0);
  const [crease] = size.form.blank.creases;
  if (size.popUps || !crease || size.form.blank.creases.length > 1 || isUpright(crease)) return still;
  const open = 'open' in view ? view.open : 1 - view.done;
  const rest = poses.get(size.form.restingPanelId)!;
  const at: Vec3 = move(rest, inSpace(crease.from));
  const opened = open * 180;
  const half =
    opened <= LEANS_UNTIL_DEG ? opened / 2 : (LEANS_UNTIL_DEG / 2) * ((180 - opened) / (180 - LEANS_UNTIL_DEG));
  // The panel that rests swings its half: back where it is the back, forward where it is the front itself.
  const sense = size.form.restingPanelId === size.form.frontPanelId ? -1 : 1;
  return turnAbout(at, [1, 0, 0], (sense * half * Math.PI) / 180);
}

/** Drops depth: space x right, y up becomes drawing x right, y down. */
function flatten(pose: Pose): Affine {
  const origin = move(pose, [0, 0, 0]);
  const x = turn(pose, [1, 0, 0]);
  const y = turn(pose, [0, -1, 0]);
  return [x[0], -x[1], y[0], -y[1], origin[0], -origin[1]];
}
