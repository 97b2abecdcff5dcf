import type { ArtPlan } from '../stations/art/types.ts';
import type { SheetPlan } from '../stations/sheet/types.ts';
import type { LayerPrints } from '../stations/size/drawBlank.ts';

/** What is printed on mats, panels and inserts, by their ids, and whether white goes under it on their own stock. */
export const seenPanels = ({
  art: { panels },
  sheet: { layers },
}: {
  readonly art: Pick<ArtPlan, 'panels'>;
  readonly sheet: Pick<SheetPlan, 'layers'>;
}): LayerPrints =>
  Object.fromEntries(
    Object.entries(panels).map(([id, { piece, shapes, back }]) => {
      const onWhite = layers.some((layer) => layer.piece.id === id && Boolean(layer.print?.white));
      return [
        id,
        {
          shapes,
          ...(back ? { back: back.shapes } : {}),
          lies: piece.foil ? 'asFoil' : onWhite ? 'onWhite' : 'onStock',
        },
      ];
    }),
  );
