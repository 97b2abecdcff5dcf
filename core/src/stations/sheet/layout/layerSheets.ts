import { decide } from '../../../job/decide.ts';
import { wantedOf } from '../../../job/namesList.ts';
import { evenSides, shrink } from '../../../ground/geometry/box.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import { plural } from '../../../job/figures.ts';
import type { FeedPath, Printer, Stock, WhiteWay, Workshop } from '../../../workshop/types.ts';
import type { Job } from '../../../job/types.ts';
import type { Snag } from '../../../job/findings.ts';
import { formatSize } from '../../../ground/length/formatLength.ts';
import type { LayerPiece } from '../../size/layers.ts';
import type { SizePlan } from '../../size/planSize.ts';
import { pathRefusals } from '../../stock/planStock.ts';
import { whiteWayOf } from '../../stock/white.ts';
import { sheetsFor, type PieceOnSheets } from '../pieces.ts';
import { passesOf, type PrintPass } from './passes.ts';
import { insideMargins } from './edges.ts';
import { layOutOnePiece, type LaidPiece, type LayOut } from './layOut.ts';

/** One kind of layer on its sheets, and how it lies there. */
export interface LayerSheet extends PieceOnSheets {
  readonly piece: LayerPiece;
  readonly laid: readonly LaidPiece[];
  /** How its sheet comes apart. */
  readonly layOut: Pick<LayOut, 'tree' | 'origin'>;
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
  /** Why this path will not take the stock; empty where it does. */
  readonly refusals: readonly string[];
}

/**
 * Bare layers have no bleed and no printer’s margin, so pieces share their cuts; printed ones lie as cards do. They
 * lie as they are drawn unless more fit with some of them turned.
 */
export function planLayerSheets(job: Job, workshop: Workshop, size: SizePlan, spares: number): readonly LayerSheet[] {
  const made = wantedOf(job) + spares;
  return size.layers.map((piece) => {
    const { id, name, blank, stock, bleedMm } = piece;
    const print = piece.picture ? printOf(job, workshop, stock) : null;
    const question = {
      sheetWidthMm: stock.sheetWidthMm,
      sheetHeightMm: stock.sheetHeightMm,
      fromEdgesMm: insideMargins(print ? print.path.marginsMm : evenSides(0), bleedMm),
      pieceWidthMm: blank.widthMm,
      pieceHeightMm: blank.heightMm,
      gutterMm: 2 * bleedMm,
    };
    const upright = layOutOnePiece({ ...question, mayLie: { asDrawn: true, turned: false } });
    const either = layOutOnePiece({ ...question, mayLie: { asDrawn: true, turned: true } });
    const laid = either.up > upright.up ? either : upright;
    const { up } = laid;
    const onSheets = {
      made,
      up,
      sheets: sheetsFor(made, up),
      laid: laid.pieces,
      layOut: { tree: laid.tree, origin: laid.origin },
      print,
    };
    return { ...{ id, name, role: 'layer', blank, bleedMm, stock, piece }, ...onSheets };
  });
}

/** The card’s own feed path where it takes this stock too; or another of the same printer, or of any. */
function printOf({ stock: chosen, sheet: { marks } }: Job, workshop: Workshop, stock: Stock): LayerPrint | null {
  const near = (printer: Printer, path: FeedPath): number =>
    printer.id !== chosen.printerId ? 2 : path.id !== chosen.pathId ? 1 : 0;
  const paths = workshop.printers
    .flatMap((printer) =>
      printer.paths.map((path) => ({ printer, path, refusals: pathRefusals(path, stock, workshop) })),
    )
    .sort((a, b) => near(a.printer, a.path) - near(b.printer, b.path));
  const best = paths.find(({ refusals }) => refusals.length === 0) ?? paths[0];
  if (!best) return null;
  const sheet = { xMm: 0, yMm: 0, widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
  const white = whiteWayOf(best.printer, best.path, stock);
  return {
    ...best,
    marks,
    printable: shrink(sheet, best.path.marginsMm),
    white,
    passes: passesOf(['front'], false, white),
  };
}

export function layerSnags(layers: readonly LayerSheet[], { unit }: Workshop): readonly Snag[] {
  return layers.flatMap(({ piece, blank, stock, up, sheets, print }): readonly Snag[] => {
    const bare = {
      label: `Leave ${piece.name.toLowerCase()} bare`,
      changes: [decide((job) => job.size.layers.at(piece.layer).picture, null)],
    };
    if (print && print.refusals.length > 0)
      return [
        {
          id: `sheet-layer-path-${piece.id}`,
          station: 'sheet',
          level: 'stop',
          title: `No feed path takes ${stock.name}, which ${piece.name.toLowerCase()} is printed on`,
          why: `Through the ${print.path.name} of ${print.printer.name}: ${print.refusals.join('; ')}.`,
          remedies: [bare],
        },
      ];
    if (up === 0)
      return [
        {
          id: `sheet-layer-${piece.id}`,
          station: 'sheet',
          level: 'stop',
          title: `${piece.name} does not fit on its sheet`,
          why: `It is ${formatSize(blank.widthMm, blank.heightMm, unit)}${print ? ' and its bleed' : ''}, and ${stock.name} is ${formatSize(stock.sheetWidthMm, stock.sheetHeightMm, unit)}${print ? ' less what the printer cannot reach' : ''}.`,
          remedies: print && fitsBare(piece) ? [bare] : [],
        },
      ];
    const alone: readonly Snag[] =
      up === 1 && sheets > 1 && sheets <= stock.onShelf
        ? [
            {
              id: `sheet-layer-alone-${piece.id}`,
              station: 'sheet',
              level: 'note',
              title: `${piece.name}: one to a sheet`,
              why: `One comes out of ${stock.name}, and the rest of each sheet is left. Shared sheets lays pieces of several kinds and jobs on one.`,
              remedies: [],
            },
          ]
        : [];
    if (sheets <= stock.onShelf) return alone;
    return [
      {
        id: `sheet-layer-shelf-${piece.id}`,
        station: 'sheet',
        level: 'warn',
        title: `${sheets - stock.onShelf} ${plural(sheets - stock.onShelf, 'sheet')} short for ${piece.name.toLowerCase()}`,
        why: `It takes ${sheets}; the shelf holds ${stock.onShelf} of ${stock.name}.`,
        remedies: [],
      },
    ];
  });
}

/** A sheet holds the piece when nothing is printed on it, one way or the other. */
const fitsBare = ({ stock, blank: { widthMm, heightMm } }: LayerPiece): boolean =>
  Math.min(widthMm, heightMm) <= Math.min(stock.sheetWidthMm, stock.sheetHeightMm) &&
  Math.max(widthMm, heightMm) <= Math.max(stock.sheetWidthMm, stock.sheetHeightMm);
