import { apply } from '../geometry/affine.ts';
import { grow, evenSides } from '../geometry/box.ts';
import { boxPath, polygon } from '../geometry/path.ts';
import type { Box } from '../geometry/types.ts';
import type { Mm } from '../length/types.ts';
import type { Scene, Shape } from '../scene/types.ts';
import type { SheetPlan } from '../sheet/planSheet.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { CutView } from './drawCuts.ts';
import type { PieceDrift } from './planDrift.ts';
import { EDGES, type CutPlan, type Edge } from './types.ts';

/** Within so many spreads 95 cuts of 100 land. Source: the normal distribution’s 97.5th percentile */
export const SPREADS = 1.96;

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
  const shapes: Shape[] = [
    { kind: 'path', role: 'sheet', path: boxPath(page), fill: view.stockColour },
    ...sheet.placements.map(({ toSheet }): Shape => ({ kind: 'use', symbol: 'card', transform: toSheet })),
  ];
  sheet.cells.forEach(({ trim }, i) => {
    const drift = cut.drift.pieces[i];
    if (drift) for (const edge of EDGES) shapes.push(...band(trim, edge, drift, measured, view.textMm));
  });
  for (const { toSheet } of sheet.placements)
    shapes.push({ kind: 'path', role: 'trim', path: polygon(blank.outline.map((p) => apply(toSheet, p))) });
  return {
    box: grow(page, evenSides(view.textMm * 2.6)),
    symbols: { card: { box: { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm }, shapes: view.art } },
    shapes,
  };
}

/** One edge’s band, true to scale, and its half width in words where there is room. */
function band(
  { xMm, yMm, widthMm, heightMm }: Box,
  edge: Edge,
  drift: PieceDrift,
  measured: 'fromTrue' | 'chained',
  textMm: Mm,
): readonly Shape[] {
  const half = SPREADS * (measured === 'fromTrue' ? drift[edge].fromTrueMm : drift[edge].chainedMm);
  if (half === 0) return [];
  const upright = edge === 'left' || edge === 'right';
  const at = { left: xMm, right: xMm + widthMm, top: yMm, bottom: yMm + heightMm }[edge];
  const box: Box = upright
    ? { xMm: at - half, yMm, widthMm: 2 * half, heightMm }
    : { xMm, yMm: at - half, widthMm, heightMm: 2 * half };
  const inwards = edge === 'left' || edge === 'top' ? 1 : -1;
  const text = `±${half.toFixed(1)}`;
  const small = textMm * 0.85;
  if (Math.min(widthMm, heightMm) < small * 7) return [{ kind: 'path', role: 'bleed', path: boxPath(box) }];
  return [
    { kind: 'path', role: 'bleed', path: boxPath(box) },
    {
      kind: 'path',
      role: 'stock',
      path: boxPath(
        upright
          ? {
              xMm: at + inwards * (half + small * 1.8) - small * 1.5,
              yMm: yMm + heightMm / 2 - small * 0.8,
              widthMm: small * 3,
              heightMm: small * 1.4,
            }
          : {
              xMm: xMm + widthMm / 2 - small * 1.5,
              yMm: at + inwards * (half + small) - small * 0.8,
              widthMm: small * 3,
              heightMm: small * 1.4,
            },
      ),
      fillOpacity: 0.85,
    },
    {
      kind: 'label',
      role: 'label',
      text,
      at: upright
        ? { xMm: at + inwards * (half + small * 1.8), yMm: yMm + heightMm / 2 + small * 0.3 }
        : { xMm: xMm + widthMm / 2, yMm: at + inwards * (half + small) + small * 0.3 },
      sizeMm: small,
      anchor: 'middle',
    },
  ];
}
