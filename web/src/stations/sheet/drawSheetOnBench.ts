import {
  apply,
  boxPath,
  correctPage,
  drawSheetPage,
  evenSides,
  grow,
  IDENTITY,
  mapBox,
  pageMap,
  polygon,
  printSide,
  whitePlate,
  type Job,
  type Mm,
  type Plan,
  type Scene,
  type Shape,
  type SheetPlan,
  type SheetSide,
  type SizePlan,
} from '@zippy/core';
import type { useStandIn } from '../../stores/standIn.ts';

export interface SheetSeen {
  readonly side: SheetSide;
  /** Held to the light: the other side shows through. */
  readonly light: boolean;
  /** A stand-in printer that it came out of; null for the sheet as drawn. */
  readonly standIn: ReturnType<typeof useStandIn.getState>['truth'] | null;
}

/** One side of the sheet on its card, as it lies in front of the maker. */
export function drawSheetOnBench(
  { job, plan: { sheet, size, art, stock } }: { readonly job: Job; readonly plan: Plan },
  { side, light, standIn }: SheetSeen,
  textMm: Mm,
): Scene {
  const paper = { widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
  const label = { title: job.brief.title, date: null, sheetNumber: sheet.named?.sheetNumber ?? 1 };
  // As drawn; or as it comes out of the stand-in printer, corrected if this path is calibrated.
  const pageOf = (which: SheetSide, from: SheetPlan): Scene => {
    const page = drawSheetPage(size, art, from, which, label);
    return standIn
      ? printSide(correctPage(page, from.calibration, which), which, paper, job.sheet.flipEdge, standIn)
      : page.scene;
  };
  const scene = pageOf(side, sheet);
  const white = sheet.white ? whitePlate(scene, '#ffffff') : null;
  const map = pageMap(sheet, side);
  const other = light ? pageOf(side === 'front' ? 'back' : 'front', { ...sheet, marks: false }) : null;
  // The other side shows through turned over, as it does against a window.
  const through = other
    ? [{ kind: 'group', transform: pageMap(sheet, 'back'), blend: 'multiply', children: other.shapes } as const]
    : [];
  return {
    box: { xMm: 0, yMm: -textMm * 2, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm + textMm * 4 },
    symbols: { ...scene.symbols, ...white?.symbols, ...(other?.symbols ?? {}) },
    shapes: [
      { kind: 'path', role: 'sheet', path: boxPath(scene.box), fill: stock.stock.colour },
      ...(art.onStock.coloured && !art.onStock.white
        ? [{ kind: 'group', transform: IDENTITY, blend: 'multiply', children: scene.shapes } as const]
        : [...(white?.shapes ?? []), ...scene.shapes]),
      ...through,
      { kind: 'path', role: 'printable', path: boxPath(mapBox(map, sheet.printable)) },
      ...(sheet.up === 0 ? misfit(size, sheet) : []),
      ...sheet.placements.map(
        ({ toSheet }) =>
          ({
            kind: 'path',
            role: 'trim',
            path: polygon(size.form.blank.outline.map((p) => apply(map, apply(toSheet, p)))),
          }) as const,
      ),
      {
        kind: 'label',
        role: 'dimension',
        text: `${side} of the sheet${sheet.sides.length === 2 ? ` · turned over ${sheet.turnOver === 'leftRight' ? 'sideways' : 'top to bottom'}` : ''}`,
        at: { xMm: sheet.sheetWidthMm / 2, yMm: sheet.sheetHeightMm + textMm * 1.5 },
        sizeMm: textMm,
        anchor: 'middle',
      },
    ],
  };
}

/** What does not fit, over the sheet it does not fit on, so that the eye can see by how much. */
function misfit(size: SizePlan, sheet: SheetPlan): readonly Shape[] {
  const { widthMm, heightMm } = size.form.blank;
  const trim = {
    xMm: (sheet.sheetWidthMm - widthMm) / 2,
    yMm: (sheet.sheetHeightMm - heightMm) / 2,
    widthMm,
    heightMm,
  };
  return [
    { kind: 'path', role: 'bleed', path: boxPath(grow(trim, evenSides(sheet.bleedMm))) },
    { kind: 'path', role: 'trim', path: boxPath(trim), fill: '#ffffff', fillOpacity: 0.7 },
  ];
}
