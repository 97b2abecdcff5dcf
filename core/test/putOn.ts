import { newAdhesive } from '../src/workshop/newThings.ts';
import type { Adhesive, Trimming, Workshop } from '../src/workshop/types.ts';

const trimming = (
  id: string,
  kind: Trimming['kind'],
  [widthMm, heightMm, thickMm]: readonly [number, number, number],
  [pieces, priceMinor]: readonly [number, number],
  facts: Pick<Trimming, 'grams' | 'onShelf'>,
): Trimming => ({
  ...{ id, kind, name: id[0]!.toUpperCase() + id.slice(1), colour: '#7b2869' },
  ...{ widthMm, heightMm, thickMm, pack: { pieces, priceMinor } },
  ...facts,
});

const adhesive = (id: string, kind: Adhesive['kind'], name: string, holds: number, priceMinor: number): Adhesive => ({
  ...{ id, ...newAdhesive(kind), name },
  pack: { holds, priceMinor },
});

/** A workshop whose shelf has three trimmings and four ways of holding them, with figures that sums are easy with. */
export const shelfOf = (workshop: Workshop): Workshop => ({
  ...workshop,
  trimmings: [
    trimming('bow', 'bow', [42, 26, 6], [20, 480], { grams: 0.9, onShelf: 46 }),
    trimming('button', 'button', [11, 11, 2.4], [50, 360], { grams: 0.5, onShelf: 140 }),
    trimming('gem', 'gem', [5, 5, 1.8], [200, 300], { grams: 0.06, onShelf: 500 }),
  ],
  adhesives: [
    adhesive('glue', 'wet', 'Quay glue', 125, 420),
    adhesive('tape', 'strongTape', 'Tape', 50, 560),
    adhesive('pads', 'foam', 'Pads', 400, 310),
    adhesive('dots', 'dots', 'Dots', 200, 350),
  ],
});
