import type { LengthUnit } from '../../ground/length/types.ts';
import { creaseRole } from '../../ground/scene/creaseRole.ts';
import type { Trimmer } from '../../workshop/types.ts';
import { laidMap } from '../sheet/layout/layOut.ts';
import type { LayerSheet } from '../sheet/layout/layerSheets.ts';
import type { SheetPlan } from '../sheet/types.ts';
import { pieceCuts, type PiecesOnSheet } from './pieceCuts.ts';
import type { LayerCuts } from './types.ts';

/**
 * How each layer comes out of sheets of its own stock: the cuts at a fence that free its box, what is then cut off that,
 * and strokes for the run; or what a cutting machine does.
 */
export const layerCuts = (sheet: SheetPlan, trimmer: Trimmer, unit: LengthUnit): readonly LayerCuts[] =>
  sheet.layers
    .filter(({ up }) => up > 0)
    .map((layer) => ({
      ...{ pieceId: layer.id, name: layer.name, stockName: layer.stock.name },
      ...pieceCuts({ ...layer, ...lying(layer), isPrinted: layer.print !== null }, trimmer, unit),
    }));

/** Where its copies lie, and its creases as they are seen on them. */
const lying = ({ blank, laid }: LayerSheet): Pick<PiecesOnSheet, 'places' | 'creases'> => ({
  places: laid.map((lies) => laidMap(lies, blank.heightMm)),
  creases: blank.creases.map(({ from, to, way }) => ({ from, to, role: creaseRole(way) })),
});
