import { decide } from '../../job/decide.ts';
import type { Snag } from '../../job/findings.ts';
import { areaOf } from '../../ground/geometry/polygon.ts';
import { gramsOf } from '../../workshop/gramsOf.ts';
import type { Workshop } from '../../workshop/types.ts';
import { adhesiveSnag } from './adhesiveSnag.ts';
import { layUnder, type LayerPiece } from './layers.ts';

/** That what is to hold a layer does not fit under it, does not bear it, or cockles it; once for a choice. */
export function layerHoldSnags(workshop: Workshop, pieces: readonly LayerPiece[]): readonly Snag[] {
  const asked = new Set<number>();
  return pieces.flatMap((piece) => {
    const { adhesive, laying, glueArea, blank, stock, layer, name } = piece;
    if (!adhesive || !laying || !glueArea || asked.has(layer)) return [];
    const snags = adhesiveSnag(workshop, {
      ...{ id: `size-layer-holds-${layer}`, station: 'size', what: name, adhesive, laying },
      ...{ loadGrams: gramsOf(areaOf(blank.outline), stock), gsm: stock.gsm },
      wouldHold: (other) => layUnder(other, piece, glueArea).ok,
      use: (id) => [decide((job) => job.size.layers.at(layer).adhesiveId, id)],
    });
    if (snags.length > 0) asked.add(layer);
    return snags;
  });
}
