import {
  apply,
  compose,
  IDENTITY,
  invert,
  translation,
  turnedLeftRight,
  type Affine,
} from '../../ground/geometry/affine.ts';
import { grow, mapBox } from '../../ground/geometry/box.ts';
import { polygon, polyline, type Path } from '../../ground/geometry/path.ts';
import { moved } from '../../ground/geometry/polygon.ts';
import type { Box, Point } from '../../ground/geometry/types.ts';
import { cardPath, cutPath, cutsOf, isOpening } from '../../ground/fold/blankCuts.ts';
import { pressedLines } from '../../ground/fold/pressedLines.ts';
import type { BlankCut, Crease, PaperSide } from '../../ground/fold/types.ts';
import type { ReadFace } from '../../ground/fold/readFaces.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
import type { Colour, Scene, Shape } from '../../ground/scene/types.ts';
import { plateOf } from '../../ground/scene/whitePlate.ts';
import { levelDimension, uprightDimension } from './drawDimension.ts';
import { drawTrimming } from './drawTrimming.ts';
import { foldsUpright } from './folds.ts';
import type { FoldedPiece } from './planSize.ts';
import { drawOnPages } from './popUps/drawPopUps.ts';

export interface BlankView {
  readonly side: PaperSide;
  readonly unit: LengthUnit;
  readonly stockColour: Colour;
  /** Height of lettering, so that it stays readable at any scale. */
  readonly textMm: Mm;
  /** Printed art of this side in the blank's frame (as drawSide gives it), or nothing for a bare plan. */
  readonly art: readonly Shape[];
  readonly names: boolean;
  readonly guides: boolean;
  /** What is printed on mats and panels, by their ids, in their own frames. */
  readonly prints?: LayerPrints;
}

/** Inks let the stock through, white under them or not; foil covers it. */
export type PrintLies = 'onStock' | 'onWhite' | 'asFoil';
export type LayerPrints = Readonly<
  Record<string, { readonly shapes: readonly Shape[]; readonly back?: readonly Shape[]; readonly lies: PrintLies }>
>;

/** From the blank seen from outside to what a maker sees with this side up. */
export const viewOf = (size: FoldedPiece, side: PaperSide): Affine =>
  side === 'outside' ? IDENTITY : turnedLeftRight(size.form.blank.widthMm);

/** The open blank, one side up: outline, bleed, safe, creases, names, reading direction and sizes. */
export function drawBlank(size: FoldedPiece, view: BlankView): Scene {
  const { blank } = size.form;
  const trim: Box = { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm };
  const map = viewOf(size, view.side);
  const at = (point: Point): Point => apply(map, point);
  const shapes: Shape[] = [];
  if (view.guides && size.bleedMm > 0)
    // On pale paper the hatch shows on any ground.
    for (const role of ['stock', 'bleed'] as const)
      shapes.push({ kind: 'path', role, path: polygon(size.bleedOutline.map(at)) });
  const outline = polygon(blank.outline.map(at));
  const cuts = blank.cuts.map((cut): BlankCut => ({ ...cut, points: cut.points.map(at) }));
  const card = cardPath(blank.outline.map(at), cuts);
  shapes.push({ kind: 'path', role: 'stock', path: card, fill: view.stockColour });
  // Only what has openings needs to be held back from them.
  const clip = cuts.some(isOpening) ? { clip: cardPath(blank.outline, blank.cuts) } : {};
  shapes.push({ kind: 'group', transform: map, ...clip, children: view.art });
  const faces = size.faces.filter((face) => face.side === view.side);
  // Where faces are named, their names are to be read.
  const laid = view.names ? drawPaper(size, view.side, view.prints) : drawLayers(size, view.side, view.prints);
  shapes.push({ kind: 'group', transform: map, children: laid });
  if (view.guides)
    for (const face of faces) {
      const { safe } = size.regions[face.id]!;
      if (safe)
        shapes.push({
          kind: 'group',
          transform: compose(map, face.toBlank),
          children: [{ kind: 'path', role: 'safe', path: polygon(safe.outline) }],
        });
    }
  // Words beside the signs only while they do not run into each other.
  const apart = Math.min(...blank.panels.map((p) => Math.min(p.box.widthMm, p.box.heightMm)));
  const isAway = ({ direction }: Pick<Crease, 'direction'>): boolean =>
    (direction === 'mountain') === (view.side === 'outside');
  for (const line of pressedLines(blank))
    shapes.push({
      ...{ kind: 'path', role: isAway(line) ? 'creaseAway' : 'creaseToward' },
      path: polyline([at(line.from), at(line.to)]),
    });
  if (view.guides)
    for (const crease of blank.creases)
      shapes.push(
        creaseSign(
          ...([at(crease.from), at(crease.to)] as const),
          ...([isAway(crease), size.bleedMm, view.textMm, apart > view.textMm * 8] as const),
        ),
      );
  if (view.guides) {
    shapes.push({ kind: 'path', role: 'trim', path: outline });
    for (const cut of cuts) shapes.push({ kind: 'path', role: 'cut', path: cutPath(cut) });
  }
  if (view.guides && view.side === 'inside' && size.popUps) shapes.push(...drawOnPages(size.popUps, map, view.textMm));
  if (view.names) for (const face of faces) shapes.push(...faceName(face, map, view.textMm));
  const room = size.bleedMm + view.textMm * 4;
  if (view.guides) shapes.push(...dimensions(size, view));
  return {
    box: grow(trim, {
      top: room,
      left: room,
      right: size.bleedMm + view.textMm * 1.5,
      bottom: size.bleedMm + view.textMm * 2.2,
    }),
    symbols: {},
    shapes,
  };
}

/** The blank’s cuts on one face, in the face’s own frame. */
export function cutsOnFace({ form: { blank } }: FoldedPiece, face: ReadFace): readonly Shape[] {
  const back = invert(face.toBlank);
  const panel = blank.panels.find(({ id }) => id === face.panelId)!;
  return cutsOf(blank, panel).map((cut): Shape => ({
    kind: 'path',
    role: 'trim',
    path: cutPath({ ...cut, points: cut.points.map((p) => apply(back, p)) }),
  }));
}

/** Mats, panels and trimmings on the faces of one side, in the blank’s frame. */
export const drawLayers = (size: FoldedPiece, side: PaperSide, prints: LayerPrints = {}): readonly Shape[] => [
  ...drawPaper(size, side, prints),
  ...drawTrimmings(size, side),
];

const drawTrimmings = (size: FoldedPiece, side: PaperSide): readonly Shape[] =>
  size.trimmings.placed
    .filter((one) => one.side === side)
    .map((one): Shape => ({
      kind: 'group',
      transform: size.faces.find(({ id }) => id === one.faceId)!.toBlank,
      children: drawTrimming(one),
    }));

function drawPaper(size: FoldedPiece, side: PaperSide, prints: LayerPrints = {}): readonly Shape[] {
  return size.layers.flatMap((piece): readonly Shape[] => {
    const face = size.faces.find((f) => f.id === piece.faceId && f.side === side);
    if (!face) return [];
    const path = polygon(piece.trimmedTo ?? moved(piece.blank.outline, piece.leftMm, piece.topMm));
    return [
      {
        kind: 'group',
        transform: face.toBlank,
        children: [
          { kind: 'path', role: 'stock', path, fill: piece.stock.colour },
          ...(prints[piece.id] ? [seenPrint(prints[piece.id]!, translation(piece.leftMm, piece.topMm), path)] : []),
          { kind: 'path', role: 'dimension', path },
        ],
      },
    ];
  });
}

/** A layer’s print as it comes out: over the white that is laid under it, or with the card let through by its inks. */
const seenPrint = ({ shapes, lies }: LayerPrints[string], transform: Affine, clip: Path): Shape => ({
  kind: 'group',
  transform: IDENTITY,
  clip,
  ...(lies === 'onStock' ? { blend: 'multiply' } : {}),
  children: [
    { kind: 'group', transform, children: lies === 'onWhite' ? [...plateOf(shapes, '#ffffff'), ...shapes] : shapes },
  ],
});

/** Below the end of a crease: a solid sign and words, so that nothing depends on colour. */
function creaseSign(a: Point, b: Point, away: boolean, bleedMm: Mm, textMm: Mm, inWords: boolean): Shape {
  const upright = Math.abs(a.xMm - b.xMm) < 1e-6;
  const sign = away ? '▲' : '▼';
  const text = inWords ? `${sign} folds ${away ? 'away' : 'toward'}` : sign;
  return upright
    ? {
        kind: 'label',
        role: 'dimension',
        text,
        at: { xMm: a.xMm, yMm: Math.max(a.yMm, b.yMm) + bleedMm + textMm * 1.4 },
        sizeMm: textMm,
        anchor: 'middle',
      }
    : {
        kind: 'label',
        role: 'dimension',
        text,
        at: { xMm: Math.max(a.xMm, b.xMm) + bleedMm + textMm * 1.1, yMm: a.yMm },
        sizeMm: textMm,
        anchor: 'middle',
        turnDeg: 90,
      };
}

/** About as wide as a letter of a name is, in heights of the lettering; names are a quarter larger. */
const NAME_LETTER_EM = 0.66;

/** The face's name where its reader finds it upright, under an arrow that points to the reader's up. */
export function faceName(
  face: ReadFace,
  map: Affine,
  textMm: Mm,
  scale = 1,
  /** Where it stands on the face, in the face’s own frame; its middle where nothing is said. */
  at: Point = { xMm: face.widthMm / 2, yMm: face.heightMm / 2 },
): readonly Shape[] {
  const read = compose(map, face.toBlank);
  // The arrow is drawn in the face’s own frame, which the map may scale; the lettering is not.
  const ownMm = textMm / scale;
  const upVector = { x: read[2] * -1, y: read[3] * -1 };
  const turnDeg = (Math.atan2(upVector.x, -upVector.y) * 180) / Math.PI;
  const [cx, cy] = [at.xMm, at.yMm];
  const arrowMm = Math.min(face.heightMm * 0.2, ownMm * 3);
  const tip: Point = { xMm: cx, yMm: cy - ownMm * 1.2 - arrowMm };
  const tail: Point = { xMm: cx, yMm: cy - ownMm * 1.2 };
  const head = ownMm * 0.55;
  // On a face that is narrower than its name the name runs along it, under the arrow.
  const longMm = face.name.length * ownMm * NAME_LETTER_EM;
  const along = longMm > face.widthMm && longMm < face.heightMm / 2;
  const name = apply(
    read,
    along ? { xMm: cx + ownMm * 0.4, yMm: cy + longMm / 2 } : { xMm: cx, yMm: cy + ownMm * 0.35 },
  );
  return [
    {
      kind: 'group',
      transform: read,
      children: [
        { kind: 'path', role: 'direction', path: polyline([tail, tip]) },
        {
          kind: 'path',
          role: 'direction',
          fill: '#36454f',
          path: polygon([
            tip,
            { xMm: cx - head, yMm: tip.yMm + head * 1.6 },
            { xMm: cx + head, yMm: tip.yMm + head * 1.6 },
          ]),
        },
      ],
    },
    {
      kind: 'label',
      role: 'label',
      text: face.name,
      at: name,
      sizeMm: textMm * 1.25,
      anchor: 'middle',
      turnDeg: along ? turnDeg - 90 : turnDeg,
    },
  ];
}

function dimensions(size: FoldedPiece, { unit, textMm, side }: BlankView): readonly Shape[] {
  const { blank } = size.form;
  const off = size.bleedMm + textMm * 0.9;
  const shapes: Shape[] = [
    ...levelDimension(0, blank.widthMm, -off, formatLength(blank.widthMm, unit), textMm),
    ...uprightDimension(0, blank.heightMm, -off, formatLength(blank.heightMm, unit), textMm),
  ];
  // Every panel along the way most folds divide, so that a rule can be laid from edge to edge.
  if (blank.panels.length > 1) {
    const map = viewOf(size, side);
    const upright = foldsUpright(size.form);
    const spans = new Map<string, readonly [Mm, Mm]>();
    const boxes = blank.panels.map(({ box }) => mapBox(map, box));
    for (const box of boxes) {
      const { xMm, yMm, widthMm, heightMm } = box;
      // What hangs below another panel, such as a pocket, would be measured through it.
      if (boxes.some((other) => hidesBehind(box, other, upright))) continue;
      const span = upright ? ([xMm, xMm + widthMm] as const) : ([yMm, yMm + heightMm] as const);
      spans.set(span.map((mm) => mm.toFixed(3)).join('|'), span);
    }
    const dimension = upright ? levelDimension : uprightDimension;
    for (const [from, to] of spans.values()) {
      const label = to - from > textMm * 4.5 ? formatLength(to - from, unit) : '';
      shapes.push(...dimension(from, to, -off - textMm * 1.9, label, textMm));
    }
  }
  return shapes;
}

/** A box that lies wholly beyond another, as seen from where panels are measured, with some of it behind that. */
function hidesBehind(box: Box, other: Box, upright: boolean): boolean {
  const HAIR_MM = 0.5;
  const [at, end, otherAt, otherEnd] = upright
    ? [box.xMm, box.xMm + box.widthMm, other.xMm, other.xMm + other.widthMm]
    : [box.yMm, box.yMm + box.heightMm, other.yMm, other.yMm + other.heightMm];
  const isBeyond = upright
    ? box.yMm > other.yMm + other.heightMm - HAIR_MM
    : box.xMm > other.xMm + other.widthMm - HAIR_MM;
  return isBeyond && at < otherEnd - HAIR_MM && end > otherAt + HAIR_MM;
}
