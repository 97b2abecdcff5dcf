import { isUprightBox } from '../../ground/geometry/polygon.ts';
import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { LengthUnit } from '../../ground/length/types.ts';
import { decide } from '../../job/decide.ts';
import type { Snag } from '../../job/findings.ts';
import type { Trimmer, Workshop } from '../../workshop/types.ts';
import type { SheetPlan } from '../sheet/types.ts';
import { longestCutMm } from './handiestMoves.ts';
import { movesFor } from './movesFor.ts';
import type { CutMove, LayerCuts } from './types.ts';

/**
 * The cuts at a fence that free each layer from sheets of its own stock, with strokes for the run. A layer whose outline
 * is no rectangle is cut out by its template, and beside a cutting machine layers are the maker’s own affair: neither is
 * listed.
 */
export function layerCuts(sheet: SheetPlan, trimmer: Trimmer, unit: LengthUnit): readonly LayerCuts[] {
  if (trimmer.kind === 'machine') return [];
  return sheet.layers
    .filter(({ up, blank }) => up > 0 && isUprightBox(blank.outline))
    .map(({ id, name, blank, bleedMm, stock, sheets, layOut }) => {
      const pitch = { widthMm: blank.widthMm, heightMm: blank.heightMm, gutterMm: 2 * bleedMm };
      const page = { xMm: 0, yMm: 0, widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
      const run = { page, sheets, stock, trimmer, unit, shaped: false, comesOff: 'piece' };
      const { moves, strokes } = movesFor({ kind: 'blocks', layOut, pitch }, run);
      return { pieceId: id, name, stockName: stock.name, moves, strokes };
    });
}

/** Cuts of layers that this tool is too short for. */
export const layerCutSnags = (layers: readonly LayerCuts[], trimmer: Trimmer, workshop: Workshop): readonly Snag[] =>
  layers.flatMap(({ pieceId, name, moves }): readonly Snag[] => {
    const need = longestCutMm(moves);
    if (need <= trimmer.longestCutMm + TOLERANCE_MM) return [];
    const say = (mm: number): string => formatLength(mm, workshop.unit);
    return [
      {
        id: `cut-layer-too-long-${pieceId}`,
        station: 'cut',
        level: 'warn',
        title: `${trimmer.name} is too short for the sheet of ${name.toLowerCase()}`,
        why: `The longest cut is ${say(need)}; it cuts ${say(trimmer.longestCutMm)}.`,
        remedies: workshop.trimmers
          .filter((t) => t.longestCutMm >= need && t.id !== trimmer.id)
          .map((t) => ({ label: `Cut with ${t.name}`, changes: [decide((job) => job.cut.trimmerId, t.id)] })),
      },
    ];
  });

/** The settings of some moves one after the other, as they are read out; null where they make parts that want names. */
export function sayFence(moves: readonly CutMove[], unit: LengthUnit): string | null {
  if (moves.length === 0 || moves.some(({ stays }) => stays !== null)) return null;
  return moves
    .map(({ turn, atFence, fenceMm }, i) => {
      const turned = i === 0 || turn === 'No turn' ? '' : `${turn.toLowerCase()}, `;
      return `${turned}${formatLength(fenceMm, unit)} (${atFence})`;
    })
    .join('; ');
}
