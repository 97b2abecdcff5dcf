import { sheetPriceOf } from '../workshop/sheetPrice.ts';
import { drawSide, printedBox } from '../stations/art/faces/drawCard.ts';
import { namesInUse } from '../job/namesList.ts';
import { drawEnvelopeOutline } from '../stations/envelope/drawEnvelope.ts';
import { drawEnvelopeArt } from '../stations/envelope/drawEnvelopePrint.ts';
import { apply, compose, IDENTITY, translation, type Affine } from '../ground/geometry/affine.ts';
import { polygon } from '../ground/geometry/path.ts';
import type { Box, Point } from '../ground/geometry/types.ts';
import type { Job } from '../job/types.ts';
import type { Stock } from '../workshop/types.ts';
import type { Mm } from '../ground/length/types.ts';
import type { Plan } from '../plan/planJob.ts';
import type { PaperSide } from '../ground/fold/types.ts';
import type { Shape } from '../ground/scene/types.ts';
import { hingesUpright } from '../stations/sheet/layout/alongHinges.ts';
import { outOfReach, type SheetSide } from '../stations/sheet/layout/reach.ts';
import { foldsUpright } from '../stations/size/folds.ts';
import { piecesOf } from '../stations/envelope/piecesOf.ts';
import type { PieceOnSheets, PieceRole } from '../stations/sheet/pieces.ts';
import type { SharedKind, SharedSheet } from './types.ts';

/** Something of a job that can be cut from a sheet that other jobs share. */
export interface SharedPiece extends SharedKind {
  readonly jobId: string;
  readonly name: string;
  readonly kind: PieceRole | 'own';
  /** What the job would be cut from by itself. */
  readonly stockId: string;
  readonly bleedMm: Mm;
  /** What is printed on each side, in the piece’s own frame; nothing but a pale outline for what is cut from bare stock. */
  readonly box: Box;
  readonly shapes: Readonly<Record<PaperSide, readonly Shape[]>>;
  /** Folds, from end to end, in that frame. */
  readonly folds: readonly (readonly [Point, Point])[];
  /** What is left to do by hand once it is free. */
  readonly after?: readonly string[];
  /** From that frame to the piece as it lies when it is not turned: grain may want a quarter turn first. */
  readonly toPiece: Affine;
}

const QUARTER = (heightMm: Mm): Affine => [0, 1, -1, 0, heightMm, 0];

/**
 * Every piece of a job, each as many times as it is made. Sheets are laid with their fibres upright (see uprightGrain),
 * so a card whose folds do not run upright is given a quarter turn.
 */
export function sharedPieces(jobId: string, job: Job, plan: Plan, grain: 'respect' | 'ignore'): readonly SharedPiece[] {
  // Every copy on a shared sheet is alike, so words from a list are left off, and the name says so.
  const title = namesInUse(job) ? `${job.brief.title}, without names` : job.brief.title;
  return piecesOf(plan).map((piece): SharedPiece => {
    const lies = liesAs(piece, job, plan, grain);
    const { widthMm, heightMm, quarterTurned } = lies;
    return {
      id: `${jobId}/${piece.id}`,
      jobId,
      name:
        piece.role === 'card'
          ? `${title}${lies.together > 1 ? ', in pairs' : ''}`
          : `${title}: ${piece.name.toLowerCase()}`,
      kind: piece.role,
      stockId: piece.stock.id,
      widthMm: quarterTurned ? heightMm : widthMm,
      heightMm: quarterTurned ? widthMm : heightMm,
      wanted: Math.ceil(piece.made / lies.together),
      mayTurn: lies.mayTurn,
      bleedMm: piece.bleedMm,
      box: printedBox(widthMm, heightMm, piece.bleedMm),
      shapes: {
        outside: ownPictures(jobId, lies.shapes.outside),
        inside: ownPictures(jobId, lies.shapes.inside),
      },
      folds: lies.folds,
      toPiece: quarterTurned ? QUARTER(heightMm) : translation(0, 0),
      ...(lies.after ? { after: lies.after } : {}),
    };
  });
}

/** A piece in its own frame, before it is turned for the grain. */
interface Lies {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly shapes: SharedPiece['shapes'];
  readonly folds: SharedPiece['folds'];
  readonly mayTurn: boolean;
  readonly quarterTurned: boolean;
  /** So many of the blank are one piece: two where they interlock. */
  readonly together: number;
  readonly after?: readonly string[];
}

function liesAs(piece: PieceOnSheets, job: Job, plan: Plan, grain: 'respect' | 'ignore'): Lies {
  const { widthMm, heightMm } = piece.blank;
  const plain = { widthMm, heightMm, folds: [], mayTurn: true, quarterTurned: false, together: 1 };
  const shown = (outside: readonly Shape[]): Lies => ({ ...plain, shapes: { outside, inside: [] } });
  switch (piece.role) {
    case 'card':
      return cardLies(job, plan, grain);
    case 'layer':
      return layerLies(piece, plan, grain);
    case 'envelope':
      return plan.envelope.print?.on === 'blank'
        ? { ...plain, shapes: drawEnvelopeArt(plan.envelope, namesInUse(job) ? 'shared' : 'all') }
        : shown(drawEnvelopeOutline(piece.blank));
    case 'liner': {
      const { liner } = plan.envelope;
      return liner?.print
        ? shown(drawSide(liner.art, 'outside', namesInUse(job) ? 'shared' : 'all'))
        : shown(drawEnvelopeOutline(piece.blank));
    }
  }
}

/** With what is printed on it, behind it too; a part that is hinged lies with its hinges along the fibres, which run upright. */
function layerLies({ id, blank }: PieceOnSheets, { art, size }: Plan, grain: 'respect' | 'ignore'): Lies {
  const { widthMm, heightMm } = blank;
  const printed = art.panels[id];
  const hinges = grain === 'respect' ? hingesUpright(size.layers.find((piece) => piece.id === id)!) : null;
  return {
    ...{ widthMm, heightMm, together: 1, mayTurn: hinges === null, quarterTurned: hinges === false },
    // They are creased by their template, once they are free.
    folds: [],
    shapes: {
      outside: printed?.shapes ?? [{ kind: 'path', role: 'printable', path: polygon(blank.outline) }],
      inside: printed?.back?.shapes ?? [],
    },
  };
}

/** Blanks that interlock go in as the pair that one cell holds, as they do on the job’s own sheets. */
function cardLies(job: Job, { size, sheet: { cell }, art, cut }: Plan, grain: 'respect' | 'ignore'): Lies {
  const { blank } = size.form;
  const part = namesInUse(job) ? 'shared' : 'all';
  const foldsWithGrain = grain === 'respect' && blank.creases.length > 0;
  const together = cell.blanks.length;
  const { widthMm, heightMm } = together > 1 ? cell : blank;
  // One alone lies as it is drawn, even where it lies head to foot on its own sheet.
  const maps = together > 1 ? cell.blanks : [IDENTITY];
  const inCell = (shapes: readonly Shape[]): readonly Shape[] =>
    together > 1 ? maps.map((transform): Shape => ({ kind: 'group', transform, children: shapes })) : shapes;
  return {
    ...{ widthMm, heightMm, together },
    shapes: { outside: inCell(drawSide(art, 'outside', part)), inside: inCell(drawSide(art, 'inside', part)) },
    folds: maps.flatMap((map) => blank.creases.map(({ from, to }) => [apply(map, from), apply(map, to)] as const)),
    mayTurn: !foldsWithGrain,
    quarterTurned: foldsWithGrain && !foldsUpright(size.form),
    after: cut.outlines.map(({ text }) => text),
  };
}

/** The same paper, whatever the size of its sheet. */
export const isSamePaper = (a: Stock, b: Stock): boolean =>
  a.gsm === b.gsm && a.colour === b.colour && a.coating === b.coating;

/**
 * A sheet turned so that its fibres run upright; what it costs is never nought, or it would be used without end.
 * @param marginsMm of any page as it is fed
 * @param sides that some piece prints; the edge that the sheet is turned over on says what the printer leaves of a back
 */
export function uprightGrain(
  stock: Stock,
  marginsMm: SharedSheet['marginsMm'],
  goal: 'sheets' | 'cost',
  { sides, flipEdge }: { readonly sides: readonly SheetSide[]; readonly flipEdge: 'long' | 'short' },
): SharedSheet {
  const longUpright = stock.sheetHeightMm >= stock.sheetWidthMm;
  const upright = (stock.grain === 'long') === longUpright;
  const fed = { widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
  const reach = outOfReach(marginsMm, fed, flipEdge, sides);
  const { top, right, bottom, left } = reach;
  return {
    id: stock.id,
    widthMm: upright ? stock.sheetWidthMm : stock.sheetHeightMm,
    heightMm: upright ? stock.sheetHeightMm : stock.sheetWidthMm,
    marginsMm: upright ? reach : { top: left, right: top, bottom: right, left: bottom },
    cost: goal === 'sheets' ? 1 : Math.max(sheetPriceOf(stock), FREE_MINOR),
    most: sheetPriceOf(stock) === 0 ? stock.onShelf : null,
    ...(upright ? {} : { quarterTurned: true }),
  };
}

/** Offcuts are paid for; a hair above nothing keeps an order from asking for more of them than it needs. */
const FREE_MINOR = 0.01;

/** Pictures of several jobs on one page are told apart by their job. */
export const sharedPictureId = (jobId: string, pictureId: string): string => `${jobId}-${pictureId}`;

function ownPictures(jobId: string, shapes: readonly Shape[]): readonly Shape[] {
  return shapes.map((shape) => {
    if (shape.kind === 'picture' || shape.kind === 'tiles')
      return { ...shape, pictureId: sharedPictureId(jobId, shape.pictureId) };
    if (shape.kind === 'group') return { ...shape, children: ownPictures(jobId, shape.children) };
    return shape;
  });
}

/** From a piece’s own frame to the sheet, front up. */
export const onSharedSheet = (
  piece: SharedPiece,
  { xMm, yMm, turned }: { readonly xMm: Mm; readonly yMm: Mm; readonly turned: boolean },
): Affine =>
  compose(turned ? compose(translation(xMm, yMm), QUARTER(piece.heightMm)) : translation(xMm, yMm), piece.toPiece);

/** Sides of a shared sheet that its pieces print; what is cut from bare stock has its outline on the front. */
export const sidesOf = (pieces: readonly SharedPiece[]): readonly SheetSide[] =>
  pieces.some(({ shapes }) => shapes.inside.length > 0) ? ['front', 'back'] : ['front'];
