import { fixed } from '../../ground/length/rounding.ts';
import { apply } from '../../ground/geometry/affine.ts';
import { grow, evenSides } from '../../ground/geometry/box.ts';
import { boxPath, polygon } from '../../ground/geometry/path.ts';
import type { Box } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { Scene, Shape } from '../../ground/scene/types.ts';
import type { SheetPlan } from '../sheet/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { CutView } from './drawCuts.ts';
import { SPREADS_OF_95 } from './planDrift.ts';
import { type CutPlan, type Edge, type EdgeDrift, EDGES } from './types.ts';

/** Bands are drawn so many times as wide as they are, or nobody could see them; the numbers are true. */
export const DRAWN_WIDER = 4;

/** The sheet with a band at every trim: there the blade lands, 95 times in 100. */
export function drawDrift(
  size: SizePlan,
  sheet: SheetPlan,
  cut: CutPlan,
  view: CutView,
  measured: 'fromTrue' | 'chained',
): Scene {
  const page: Box = { xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
  const { blank } = size.form;
  const halfOf = ({ fromTrueMm, chainedMm }: EdgeDrift): Mm =>
    SPREADS_OF_95 * (measured === 'fromTrue' ? fromTrueMm : chainedMm);
  const bands: Shape[] = [];
  /** Half widths by where the cut runs, for the numbers along the edges. */
  const numbers = { upright: new Map<Mm, Mm>(), level: new Map<Mm, Mm>() };
  sheet.cells.forEach(({ trim }, i) => {
    for (const edge of EDGES) {
      const half = halfOf(cut.drift.pieces[i]![edge]);
      if (half === 0) continue;
      const { at, box } = bandAt(trim, edge, half * DRAWN_WIDER);
      bands.push({ kind: 'path', role: 'waste', path: boxPath(box), fill: BAND, fillOpacity: 0.62 });
      const own = edge === 'left' || edge === 'right' ? numbers.upright : numbers.level;
      const key = Math.round(at * 100) / 100;
      own.set(key, Math.max(own.get(key) ?? 0, half));
    }
  });
  return {
    box: grow(page, evenSides(view.textMm * 4)),
    symbols: { card: { box: { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm }, shapes: view.art } },
    shapes: [
      { kind: 'path', role: 'sheet', path: boxPath(page), fill: view.stockColour },
      ...sheet.placements.map(({ toSheet }): Shape => ({ kind: 'use', symbol: 'card', transform: toSheet })),
      ...bands,
      ...sheet.placements.map(({ toSheet }): Shape => ({
        kind: 'path',
        role: 'trim',
        path: polygon(blank.outline.map((p) => apply(toSheet, p))),
      })),
      ...along(numbers.upright, view.textMm, true),
      ...along(numbers.level, view.textMm, false),
    ],
  };
}

const BAND = '#e8674f';

/** One edge’s place, and the band about it. */
function bandAt({ xMm, yMm, widthMm, heightMm }: Box, edge: Edge, half: Mm): { readonly at: Mm; readonly box: Box } {
  const at = { left: xMm, right: xMm + widthMm, top: yMm, bottom: yMm + heightMm }[edge];
  return {
    at,
    box:
      edge === 'left' || edge === 'right'
        ? { xMm: at - half, yMm, widthMm: 2 * half, heightMm }
        : { xMm, yMm: at - half, widthMm, heightMm: 2 * half },
  };
}

/** Numbers along an edge of the sheet; near neighbours step outwards in turn, so that none covers another. */
function along(halves: ReadonlyMap<Mm, Mm>, textMm: Mm, upright: boolean): readonly Shape[] {
  const small = textMm * 0.9;
  const sorted = [...halves].sort(([a], [b]) => a - b);
  return sorted.map(([at, half], i): Shape => {
    const row = i % 2;
    return {
      kind: 'label',
      role: 'dimension',
      text: `±${fixed(half, 1)}`,
      at: upright
        ? { xMm: at, yMm: -small * (0.5 + row * 1.15) }
        : { xMm: -small * (0.5 + row * 2.6), yMm: at + small * 0.3 },
      sizeMm: small,
      anchor: upright ? 'middle' : 'end',
    };
  });
}
