import { evenSides } from '../geometry/box.ts';
import { plural } from '../job/figures.ts';
import type { Job, Snag, Workshop } from '../job/types.ts';
import { formatSize } from '../length/formatLength.ts';
import type { LayerPiece } from '../size/layers.ts';
import type { SizePlan } from '../size/planSize.ts';
import { layOutOnePiece, type LaidPiece } from './layOut.ts';

/** One kind of layer on sheets of its own stock. */
export interface LayerSheet {
  readonly piece: LayerPiece;
  readonly up: number;
  readonly sheets: number;
  readonly laid: readonly LaidPiece[];
}

/** Layers are cut from bare stock: no bleed, no printer’s margin, so pieces share their cuts. */
export function planLayerSheets(job: Job, size: SizePlan, spares: number): readonly LayerSheet[] {
  return size.layers.map((piece) => {
    const laid = layOutOnePiece({
      sheetWidthMm: piece.stock.sheetWidthMm,
      sheetHeightMm: piece.stock.sheetHeightMm,
      marginsMm: evenSides(0),
      pieceWidthMm: piece.widthMm,
      pieceHeightMm: piece.heightMm,
      bleedMm: 0,
      gutterMm: 0,
      mayLie: { asDrawn: true, turned: true },
    });
    const sheets = laid.up === 0 ? 0 : Math.ceil((job.brief.wanted + spares) / laid.up);
    return { piece, up: laid.up, sheets, laid: laid.pieces };
  });
}

export function layerSnags(layers: readonly LayerSheet[], { unit }: Workshop): readonly Snag[] {
  return layers.flatMap(({ piece, up, sheets }): readonly Snag[] => {
    const { stock } = piece;
    if (up === 0)
      return [
        {
          id: `sheet-layer-${piece.id}`,
          station: 'sheet',
          level: 'stop',
          title: `${piece.name} does not fit on its sheet`,
          why: `It is ${formatSize(piece.widthMm, piece.heightMm, unit)} and ${stock.name} is ${formatSize(stock.sheetWidthMm, stock.sheetHeightMm, unit)}.`,
          remedies: [],
        },
      ];
    if (sheets <= stock.onShelf) return [];
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
