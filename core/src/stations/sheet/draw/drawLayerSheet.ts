import type { PanelArt } from '../../art/types.ts';
import { apply, compose, IDENTITY, turnMap, type Affine } from '../../../ground/geometry/affine.ts';
import { boxAround, corners, evenSides, grow, mapBox } from '../../../ground/geometry/box.ts';
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
import { laidMap, type LaidPiece } from '../layout/layOut.ts';
import type { SheetSide } from '../layout/reach.ts';
import { sayPlate, type PlateKind } from '../layout/passes.ts';

/**
 * Pieces of one layer on a sheet of their stock, with what is printed on them and the fold of an insert.
 * @param isToner a foil’s toner is seen as it was printed, before the foil is laid
 */
export function drawLayerSheet(
  layer: LayerSheet,
  art: PanelArt | undefined,
  { isToner = false, side = 'front' }: { readonly isToner?: boolean; readonly side?: SheetSide } = {},
): Scene {
  const { blank, stock, laid } = layer;
  const box = { xMm: 0, yMm: 0, widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
  const shapes: Shape[] = [{ kind: 'path', role: 'sheet', path: boxPath(box), fill: stock.colour }];
  const page = layer.print && art ? drawPanelPage(layer, art, null, side).scene : null;
  const printed = page && isToner ? foilPlate(page) : page;
  const white = printed && layer.print?.white ? whitePlate(printed, '#ffffff') : null;
  if (printed)
    shapes.push({
      ...{ kind: 'group', transform: IDENTITY, children: [...(white?.shapes ?? []), ...printed.shapes] },
      // Inks let the stock through; white and foil cover it.
      ...(white || layer.piece.foil ? {} : { blend: 'multiply' }),
    });
  for (const lies of laid) {
    const map = compose(pageOf(layer, side), laidMap(lies, blank.heightMm));
    shapes.push({ kind: 'path', role: 'trim', path: polygon(blank.outline.map((p) => apply(map, p))) });
    for (const cut of blank.cuts)
      shapes.push({
        kind: 'path',
        role: 'trim',
        path: cutPath({ ...cut, points: cut.points.map((p) => apply(map, p)) }),
      });
    for (const { from, to, way } of blank.creases)
      shapes.push({
        ...{ kind: 'path', role: creaseRole(side === 'back' ? OTHER_WAY[way ?? 'away'] : way) },
        path: polyline([from, to].map((p) => apply(map, p))),
      });
  }
  return { box, symbols: { ...printed?.symbols, ...white?.symbols }, shapes };
}

/** What comes towards who sees the front goes away from who sees the back. */
const OTHER_WAY = { toward: 'away', away: 'toward' } as const;

/** A sheet as seen from its front to the page of a side: the back is the front turned over. */
function pageOf({ print, stock }: LayerSheet, side: SheetSide): Affine {
  if (side === 'front' || !print) return IDENTITY;
  return turnMap({ widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm }, print.turnOver);
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
 * @param side of the sheet; its back as it lies when the sheet is turned over
 * @throws RangeError for a layer that nothing is printed on, or not on that side, which would be our mistake
 */
export function drawPanelPage(
  layer: LayerSheet,
  art: PanelArt,
  label: PanelLabel | null,
  side: SheetSide = 'front',
): Page {
  const { piece, blank, laid, print, sheets, machineMarks } = layer;
  // Several layers’ sheets may share a file, where a symbol’s name stands for one drawing.
  const symbol = `panel-${piece.id}${side === 'back' ? '-back' : ''}`;
  const { shapes: drawn } = side === 'back' ? (art.back ?? { shapes: null }) : art;
  const page = pageOf(layer, side);
  const onPage = (lies: LaidPiece): Affine => compose(page, laidMap(lies, blank.heightMm));
  if (!print || !drawn) throw new RangeError(`drawPanelPage: nothing is printed on the ${side} of ${piece.id}`);
  const box = { xMm: 0, yMm: 0, widthMm: piece.stock.sheetWidthMm, heightMm: piece.stock.sheetHeightMm };
  const around = (boxes: readonly Box[]): Box => (boxes.length > 0 ? boxAround(boxes.flatMap((b) => corners(b))) : box);
  const trims = laid.map(({ trim }) => mapBox(page, trim));
  const bleedBox = around(trims.map((trim) => grow(trim, evenSides(piece.bleedMm))));
  const block = { bleedBox, printable: print.printable };
  const folds = laid.flatMap((lies) =>
    blank.creases.map(({ from, to }) => ({
      line: boxAround([from, to].map((p) => apply(onPage(lies), p))),
      piece: mapBox(page, lies.trim),
    })),
  );
  // A machine finds the print by its front.
  const seenMarks = side === 'front' ? machineMarks : [];
  const plate = label && sayPlate(label.plate ?? 'colours', print.white);
  const ticks = print.marks ? drawTicks(trims, folds, block) : [];
  const text = label
    ? [
        shortTitle(label.title),
        piece.name.toLowerCase(),
        ...(art.back ? [side] : []),
        ...(plate ? [plate] : []),
        `sheet ${label.sheetNumber} of ${sheets}`,
        ...(label.date ? [label.date] : []),
      ].join(' · ')
    : null;
  return {
    scene: {
      box,
      symbols: { [symbol]: { box: boxAround(piece.bleedOutline), shapes: drawn } },
      shapes: [
        ...laid.map((lies): Shape => ({ kind: 'use', symbol, transform: onPage(lies) })),
        ...seenMarks.map(drawMark),
        ...ticksClearOf(seenMarks, ticks),
        ...(print.marks && text ? drawSlug(text, block, { ticks, keepClear: seenMarks.map(markRoom) }) : []),
      ],
    },
    trimBox: around(trims),
    bleedBox,
  };
}
