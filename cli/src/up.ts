import {
  draftMoves,
  insideMargins,
  layOutOnePiece,
  turnedClockwise,
  type FromEdges,
  type LayOutQuestion,
} from '@zippy/core';
import { UsageError } from './errors.ts';
import { readLength, readMargins, readSize } from './lengths.ts';

export interface UpOptions {
  readonly sheet?: string | undefined;
  readonly margins?: string | undefined;
  readonly piece?: string | undefined;
  readonly bleed?: string | undefined;
  readonly ink?: string | undefined;
  readonly gutter?: string | undefined;
  readonly 'no-turn'?: boolean | undefined;
}

type Sides = ReturnType<typeof readMargins>;

/** Beyond this a sheet is not one that anybody feeds or cuts by hand. */
const LARGEST_MM = 10_000;
const SMALLEST_PIECE_MM = 2;
/** Nobody is typing here, so the proof may take a second or two. */
const PATIENT_POINTS = 900;

function question(options: UpOptions): LayOutQuestion {
  const sheet = readSize('--sheet', options.sheet);
  const piece = readSize('--piece', options.piece);
  const marginsMm = readMargins('--margins', options.margins);
  const bleedMm = readLength('--bleed', options.bleed);
  const gutterMm = readLength('--gutter', options.gutter);
  if (options.ink !== undefined && bleedMm > 0)
    throw new UsageError(
      '--ink says that art ends inside the piece and --bleed that it runs off it; give one of them.',
    );
  if (Math.max(sheet.widthMm, sheet.heightMm) > LARGEST_MM)
    throw new UsageError(`--sheet wants sides of at most ${LARGEST_MM} mm; got ${options.sheet}.`);
  if (Math.min(piece.widthMm, piece.heightMm) < SMALLEST_PIECE_MM)
    throw new UsageError(`--piece wants sides of at least ${SMALLEST_PIECE_MM} mm; got ${options.piece}.`);
  if (
    marginsMm.left + marginsMm.right + 2 * bleedMm >= sheet.widthMm ||
    marginsMm.top + marginsMm.bottom + 2 * bleedMm >= sheet.heightMm
  )
    throw new UsageError('--margins and --bleed leave nothing of the sheet; make them smaller or the sheet larger.');
  return {
    sheetWidthMm: sheet.widthMm,
    sheetHeightMm: sheet.heightMm,
    fromEdgesMm: options.ink === undefined ? insideMargins(marginsMm, bleedMm) : offInk(marginsMm, options.ink),
    pieceWidthMm: piece.widthMm,
    pieceHeightMm: piece.heightMm,
    gutterMm,
    mayLie: { asDrawn: true, turned: options['no-turn'] !== true },
  };
}

/** Ink that ends so far inside the piece’s edges stays off the margins; its trim need not. */
function offInk(marginsMm: Sides, text: string): FromEdges {
  const inset = readMargins('--ink', text);
  const away = ({ top, right, bottom, left }: Sides): Sides => ({
    top: Math.max(0, marginsMm.top - top),
    right: Math.max(0, marginsMm.right - right),
    bottom: Math.max(0, marginsMm.bottom - bottom),
    left: Math.max(0, marginsMm.left - left),
  });
  return { asDrawn: away(inset), turned: away(turnedClockwise(inset)) };
}

/** To the nanometre that the packer counts in: sums of halves leave 1e-14 behind. */
const tidy = (mm: number): number => Math.round(mm * 1e6) / 1e6;

/** The most of one piece on one sheet, with its proof and its cuts, as JSON. */
export function up(options: UpOptions): string {
  const asked = question(options);
  const laid = layOutOnePiece(asked, PATIENT_POINTS);
  if (laid.up === 0)
    throw new UsageError(
      `--piece ${options.piece} does not fit on --sheet ${options.sheet} with ${options.ink === undefined ? 'its bleed' : 'its ink'} inside the margins; use a larger sheet, a smaller piece or less ${options.ink === undefined ? 'bleed' : 'ink'}.`,
    );
  const page = { xMm: 0, yMm: 0, widthMm: asked.sheetWidthMm, heightMm: asked.sheetHeightMm };
  const pitch = { widthMm: asked.pieceWidthMm, heightMm: asked.pieceHeightMm, gutterMm: asked.gutterMm };
  const [first, second] = (['across', 'down'] as const).map((axis) => draftMoves(laid, page, pitch, axis));
  const strokes = (moves: typeof first): number => moves!.reduce((n, move) => n + move.piecesPerSheet, 0);
  const moves = strokes(second) < strokes(first) ? second! : first!;
  return JSON.stringify(
    {
      up: laid.up,
      bound: laid.bound,
      proven: laid.bound === laid.up,
      placements: laid.pieces.map(({ trim, turned }) => ({
        x: tidy(trim.xMm),
        y: tidy(trim.yMm),
        w: tidy(trim.widthMm),
        h: tidy(trim.heightMm),
        turned,
      })),
      cuts: moves.map(({ piece, atFence, fenceMm, fallsOff, line: [a, b] }) => ({
        piece,
        atFence,
        fence: tidy(fenceMm),
        fallsOff,
        from: { x: tidy(a.xMm), y: tidy(a.yMm) },
        to: { x: tidy(b.xMm), y: tidy(b.yMm) },
      })),
    },
    null,
    2,
  );
}
