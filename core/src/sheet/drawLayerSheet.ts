import type { Affine } from '../geometry/affine.ts';
import { apply, translation } from '../geometry/affine.ts';
import { boxPath, polygon, polyline } from '../geometry/path.ts';
import type { Scene, Shape } from '../scene/types.ts';
import type { LayerSheet } from './layerSheets.ts';

/** Pieces of one layer on a sheet of their stock, with the fold of an insert. */
export function drawLayerSheet({ piece, laid }: LayerSheet): Scene {
  const { stock } = piece;
  const box = { xMm: 0, yMm: 0, widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
  const shapes: Shape[] = [{ kind: 'path', role: 'sheet', path: boxPath(box), fill: stock.colour }];
  for (const { trim, turned } of laid) {
    const map: Affine = turned ? [0, 1, -1, 0, trim.xMm + piece.heightMm, trim.yMm] : translation(trim.xMm, trim.yMm);
    shapes.push({ kind: 'path', role: 'trim', path: polygon(piece.outline.map((p) => apply(map, p))) });
    if (!piece.crease) continue;
    const { upright, atMm } = piece.crease;
    const ends = upright
      ? [
          { xMm: atMm, yMm: 0 },
          { xMm: atMm, yMm: piece.heightMm },
        ]
      : [
          { xMm: 0, yMm: atMm },
          { xMm: piece.widthMm, yMm: atMm },
        ];
    shapes.push({ kind: 'path', role: 'creaseAway', path: polyline(ends.map((p) => apply(map, p))) });
  }
  return { box, symbols: {}, shapes };
}
