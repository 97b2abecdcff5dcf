import { wantedOf } from '../../../job/namesList.ts';
import { evenSides, shrink } from '../../../ground/geometry/box.ts';
import type { Box, Point } from '../../../ground/geometry/types.ts';
import { inkMargins } from '../../../workshop/borderless.ts';
import type { FeedPath, Printer, WhiteWay, Workshop } from '../../../workshop/types.ts';
import { trimmerOf } from '../../../job/pick.ts';
import type { Job } from '../../../job/types.ts';
import type { LayerPiece } from '../../size/layers.ts';
import type { SizePlan } from '../../size/planSize.ts';
import { sortedBy } from '../../../job/sorted.ts';
import { pathRefusals } from '../../stock/planStock.ts';
import { whiteWayOf } from '../../stock/white.ts';
import { sheetsFor, type PieceOnSheets } from '../pieces.ts';
import { passesOf, type PrintPass } from './passes.ts';
import { turnOf, type TurnOver } from '../../../ground/geometry/affine.ts';
import { outOfReach, type SheetSide } from './reach.ts';
import { alongHinges } from './alongHinges.ts';
import { layBlank } from './layBlank.ts';
import type { LaidPiece, LayOut } from './layOut.ts';

/** One kind of layer on its sheets, and how it lies there. */
export interface LayerSheet extends PieceOnSheets {
  readonly piece: LayerPiece;
  readonly laid: readonly LaidPiece[];
  /** How its sheet comes apart. */
  readonly layOut: Pick<LayOut, 'tree' | 'origin'>;
  /** Three where a machine cuts what is printed and finds them; none else. */
  readonly machineMarks: readonly Point[];
  /** What prints them and how far it reaches; null for bare stock. */
  readonly print: LayerPrint | null;
}

export interface LayerPrint {
  readonly printer: Printer;
  readonly path: FeedPath;
  readonly printable: Box;
  /** Ticks and a slug outside the pieces. */
  readonly marks: boolean;
  /** How white is laid under the colours of this stock; null where none is. */
  readonly white: WhiteWay | null;
  readonly passes: readonly PrintPass[];
  /** How its sheets are turned over between their sides, where both are printed. */
  readonly turnOver: TurnOver;
  /** Why this path will not take the stock; empty where it does. */
  readonly refusals: readonly string[];
}

/**
 * Bare layers have no bleed and no printer’s margin, so pieces share their cuts; printed ones lie as cards do. They
 * lie as they are drawn unless more fit with some of them turned.
 */
export function planLayerSheets(job: Job, workshop: Workshop, size: SizePlan, spares: number): readonly LayerSheet[] {
  const cards = wantedOf(job) + spares;
  const { machine } = trimmerOf(job, workshop);
  return size.layers.map((piece) => {
    const { id, name, blank, stock, bleedMm, perCards = 1 } = piece;
    const made = Math.ceil(cards / perCards);
    const print = piece.picture ? printOf(job, workshop, piece) : null;
    const question = {
      sheet: { widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm },
      marginsMm: print
        ? outOfReach(
            inkMargins(print.path, bleedMm),
            { widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm },
            job.sheet.flipEdge,
            sidesOf(piece),
          )
        : evenSides(0),
      ...{ blank, bleedMm, isPrinted: print !== null },
    };
    const way = alongHinges(piece);
    const along = way && layBlank({ ...question, mayLie: way }, machine);
    // Fibres along the hinges come before a part or two more from a sheet.
    const hinged = along && along.laid.up > 0 ? along : null;
    const upright = hinged ?? layBlank({ ...question, mayLie: { asDrawn: true, turned: false } }, machine);
    const either = hinged ?? layBlank({ ...question, mayLie: { asDrawn: true, turned: true } }, machine);
    // What a machine finds is worth more than one more that has to be cut by hand.
    const found = Math.sign(either.machineMarks.length - upright.machineMarks.length);
    const { laid, machineMarks } = found > 0 || (found === 0 && either.laid.up > upright.laid.up) ? either : upright;
    const { up } = laid;
    const onSheets = {
      made,
      up,
      sheets: sheetsFor(made, up),
      laid: laid.pieces,
      layOut: { tree: laid.tree, origin: laid.origin },
      machineMarks,
      print,
    };
    return { ...{ id, name, role: 'layer', blank, bleedMm, stock, piece }, ...onSheets };
  });
}

/** Sides of a sheet of it that are printed. */
const sidesOf = ({ back }: LayerPiece): readonly SheetSide[] => (back ? ['front', 'back'] : ['front']);

/** A way of a stock through a printer, and why it will not go. */
export interface WayThrough {
  /** The printer’s and the path’s, with a stroke between. */
  readonly id: string;
  readonly printer: Printer;
  readonly path: FeedPath;
  readonly refusals: readonly string[];
}

/**
 * Every way of a panel through a printer, the nearest to the card’s own path first: that path where it takes this stock
 * too, another of the same printer, or of any. Foil wants toner, so its ways through other printers come last.
 */
export function waysOf(
  { stock: chosen }: Pick<Job, 'stock'>,
  workshop: Workshop,
  { stock, foil }: Pick<LayerPiece, 'stock' | 'foil'>,
): readonly WayThrough[] {
  const ways = workshop.printers.flatMap((printer) =>
    printer.paths.map((path): WayThrough => {
      const refusals = pathRefusals(path, stock, workshop);
      return { id: `${printer.id}/${path.id}`, printer, path, refusals };
    }),
  );
  return sortedBy(
    ways,
    ({ printer }) => Number(foil !== null && !holdsFoil(printer)),
    ({ refusals }) => Number(refusals.length > 0),
    ({ printer, path }) => (printer.id !== chosen.printerId ? 2 : path.id !== chosen.pathId ? 1 : 0),
  );
}

export const holdsFoil = ({ ink }: Pick<Printer, 'ink'>): boolean => ink === 'laser';

/** The way that the maker chose, whether or not it takes the stock; or the nearest that does. */
function printOf(job: Job, workshop: Workshop, piece: LayerPiece): LayerPrint | null {
  const { stock, foil } = piece;
  const ways = waysOf(job, workshop, piece);
  const feed = job.size.layers[piece.layer]?.feed;
  const best = ways.find(({ id }) => id === (feed && `${feed.printerId}/${feed.pathId}`)) ?? ways[0];
  if (!best) return null;
  const { printer, path, refusals } = best;
  const sheet = { xMm: 0, yMm: 0, widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
  // Foil covers what it lies on, so it needs no white under it.
  const white = foil ? null : whiteWayOf(printer, path, stock);
  return {
    ...{ printer, path, refusals },
    marks: job.sheet.marks,
    turnOver: turnOf(sheet, job.sheet.flipEdge),
    printable: shrink(sheet, path.marginsMm),
    white,
    passes: foil ? [{ plate: 'foil', sides: ['front'] }] : passesOf(sidesOf(piece), path.printsBothSides, white),
  };
}
