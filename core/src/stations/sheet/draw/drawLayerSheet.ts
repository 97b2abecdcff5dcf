import type { PanelArt } from '../../art/types.ts';
import { apply, IDENTITY } from '../../../ground/geometry/affine.ts';
import { boxAround, corners, evenSides, grow } from '../../../ground/geometry/box.ts';
import { cutPath } from '../../../ground/fold/blankCuts.ts';
import { boxPath, polygon, polyline } from '../../../ground/geometry/path.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { Page, Scene, Shape } from '../../../ground/scene/types.ts';
import { drawSlug, drawTicks, shortTitle, ticksClearOf } from './drawMarks.ts';
import { creaseRole } from '../../../ground/scene/creaseRole.ts';
import { drawMark, markRoom } from '../layout/machineMarks.ts';
import type { LayerSheet } from '../layout/layerSheets.ts';
import { foilPlate } from '../../../ground/scene/foil.ts';
import { whitePlate } from '../../../ground/scene/whitePlate.ts';
import { laidMap } from '../layout/layOut.ts';
import { sayPlate, type PlateKind } from '../layout/passes.ts';

/**
 * Pieces of one layer on a sheet of their stock, with what is printed on them and the fold of an insert.
 * @param isToner a foil’s toner is seen as it was printed, before the foil is laid
 */
export function drawLayerSheet(layer: LayerSheet, art: PanelArt | undefined, { isToner = false } = {}): Scene {
  const { blank, stock, laid } = layer;
  const box = { xMm: 0, yMm: 0, widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
  const shapes: Shape[] = [{ kind: 'path', role: 'sheet', path: boxPath(box), fill: stock.colour }];
  const page = layer.print && art ? drawPanelPage(layer, art, null).scene : null;
  const printed = page && isToner ? foilPlate(page) : page;
  const white = printed && layer.print?.white ? whitePlate(printed, '#ffffff') : null;
  if (printed)
    shapes.push({
      ...{ kind: 'group', transform: IDENTITY, children: [...(white?.shapes ?? []), ...printed.shapes] },
      // Inks let the stock through; white and foil cover it.
      ...(white || layer.piece.foil ? {} : { blend: 'multiply' }),
    });
  for (const lies of laid) {
    const map = laidMap(lies, blank.heightMm);
    shapes.push({ kind: 'path', role: 'trim', path: polygon(blank.outline.map((p) => apply(map, p))) });
    for (const cut of blank.cuts)
      shapes.push({
        kind: 'path',
        role: 'trim',
        path: cutPath({ ...cut, points: cut.points.map((p) => apply(map, p)) }),
      });
    for (const { from, to, way } of blank.creases)
      shapes.push({ kind: 'path', role: creaseRole(way), path: polyline([from, to].map((p) => apply(map, p))) });
  }
  return { box, symbols: { ...printed?.symbols, ...white?.symbols }, shapes };
}

export interface PanelLabel {
  readonly title: string;
  readonly date: string | null;
  readonly sheetNumber: number;
  /** Which ink the page is of, where white is a pass of its own. */
  readonly plate?: PlateKind;
}

/**
 * A sheet of one layer as it is printed: the same panel at every place, ticks round them all and a slug.
 * @param label null leaves the slug off
 * @throws RangeError for a layer that nothing is printed on, which would be our mistake
 */
export function drawPanelPage(layer: LayerSheet, art: PanelArt, label: PanelLabel | null): Page {
  const { piece, blank, laid, print, sheets, machineMarks } = layer;
  // Several layers’ sheets may share a file, where a symbol’s name stands for one drawing.
  const symbol = `panel-${piece.id}`;
  if (!print) throw new RangeError(`drawPanelPage: nothing is printed on ${piece.id}`);
  const box = { xMm: 0, yMm: 0, widthMm: piece.stock.sheetWidthMm, heightMm: piece.stock.sheetHeightMm };
  const around = (boxes: readonly Box[]): Box => (boxes.length > 0 ? boxAround(boxes.flatMap((b) => corners(b))) : box);
  const trims = laid.map(({ trim }) => trim);
  const bleedBox = around(trims.map((trim) => grow(trim, evenSides(piece.bleedMm))));
  const block = { bleedBox, printable: print.printable };
  const folds = laid.flatMap((lies) =>
    blank.creases.map(({ from, to }) => ({
      line: boxAround([from, to].map((p) => apply(laidMap(lies, blank.heightMm), p))),
      piece: lies.trim,
    })),
  );
  const plate = label && sayPlate(label.plate ?? 'colours', print.white);
  const ticks = print.marks ? drawTicks(trims, folds, block) : [];
  const text = label
    ? [
        shortTitle(label.title),
        piece.name.toLowerCase(),
        ...(plate ? [plate] : []),
        `sheet ${label.sheetNumber} of ${sheets}`,
        ...(label.date ? [label.date] : []),
      ].join(' · ')
    : null;
  return {
    scene: {
      box,
      symbols: { [symbol]: { box: boxAround(piece.bleedOutline), shapes: art.shapes } },
      shapes: [
        ...laid.map((lies): Shape => ({ kind: 'use', symbol, transform: laidMap(lies, blank.heightMm) })),
        ...machineMarks.map(drawMark),
        ...ticksClearOf(machineMarks, ticks),
        ...(print.marks && text ? drawSlug(text, block, { ticks, keepClear: machineMarks.map(markRoom) }) : []),
      ],
    },
    trimBox: around(trims),
    bleedBox,
  };
}
