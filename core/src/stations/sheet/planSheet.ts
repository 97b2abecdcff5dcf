import { cardAreaMm2 } from '../../ground/fold/blankCuts.ts';
import type { Context } from '../../job/context.ts';
import { hasArt } from '../art/faces/drawCard.ts';
import type { ArtPlan } from '../art/types.ts';
import { compose, turnedOver, turnOf } from '../../ground/geometry/affine.ts';
import { mapBox, shrink } from '../../ground/geometry/box.ts';
import type { Sides } from '../../ground/geometry/types.ts';
import { count, figure, length, plural, share, words } from '../../job/figures.ts';
import { trimmerOf } from '../../job/pick.ts';
import type { Figure } from '../../job/findings.ts';
import type { MachineFacts, Workshop } from '../../workshop/types.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import type { Cell } from '../size/cell.ts';
import type { SizePlan } from '../size/planSize.ts';
import { whiteWayOf } from '../stock/white.ts';
import type { StockFacts } from '../stock/planStock.ts';
import { namesInUse, wantedOf } from '../../job/namesList.ts';
import { correctionsInForce } from '../../workshop/calibration/chooseCalibration.ts';
import { layerSnags, planLayerSheets } from './layout/layerSheets.ts';
import { laidMap, layOutOnePiece } from './layout/layOut.ts';
import { layOnSheet } from './layout/layOnSheet.ts';
import { isOwnPass, passesOf } from './layout/passes.ts';
import { mayLieForGrain } from './layout/question.ts';
import {
  bleedSnags,
  calibrationSnags,
  cutDownSnags,
  grainSnags,
  markSnags,
  noRoomForMachineMarks,
  plateSnags,
  sharedBleedSnags,
  shelfSnags,
  type Asked,
} from './snags/sheetSnags.ts';
import type { SheetSide } from './layout/reach.ts';
import { workAndTurn } from './layout/workAndTurn.ts';
import type { Placement, SheetPlan, WorkAndTurn } from './types.ts';
import { expectedSpoilShare, sparesFor } from './layout/spares.ts';

/** What is laid out: the blank, the sides that carry art, and the stock with the path it is fed through. */
export interface SheetContext extends Context {
  readonly size: SizePlan;
  readonly art: ArtPlan;
  readonly stock: StockFacts;
}

export function planSheet({ job, workshop, size, art, stock }: SheetContext): SheetPlan {
  const sides: readonly SheetSide[] = [
    ...(hasArt(art, 'outside') ? (['front'] as const) : []),
    ...(hasArt(art, 'inside') ? (['back'] as const) : []),
  ];
  const bare = sides.length === 0;
  const bleedMm = bare ? 0 : size.bleedMm;
  const white = bare ? null : whiteWayOf(stock.printer, stock.path, stock.stock);
  const sheet = job.sheet.cutDown ?? { widthMm: stock.stock.sheetWidthMm, heightMm: stock.stock.sheetHeightMm };
  const { machine } = trimmerOf(job, workshop);
  const { cell, question, laid, up, marginsMm, machineMarks } = layOnSheet(job, size, {
    stock: stock.stock,
    marginsMm: stock.path.marginsMm,
    sheet,
    machine,
    sides,
  });
  const spares = job.sheet.spares ?? sparesFor(wantedOf(job), workshop.spoilLog);
  const sheets = up === 0 ? 0 : Math.ceil((wantedOf(job) + spares) / up);
  const turnOver = turnOf(sheet, job.sheet.flipEdge);
  const free = layOutOnePiece({ ...question, mayLie: { asDrawn: true, turned: true } });
  const grainAlongFold =
    size.form.blank.creases.length === 0 || laid.up === 0
      ? null
      : laid.pieces.every(({ turned }) => mayLieForGrain(size, stock.stock)[turned ? 'turned' : 'asDrawn']);
  const cells = laid.pieces.map((piece) => ({ ...piece, toSheet: laidMap(piece, cell.heightMm) }));
  const placements = cells.flatMap((c) => place(c, cell, size));
  const oneForBoth: WorkAndTurn = namesInUse(job)
    ? { ok: false, why: 'every card carries words of its own, and one plate would print them on two' }
    : sides.length === 2
      ? workAndTurn(placements, size.form.blank.creases.length, turnedOver(sheet, job.sheet.flipEdge))
      : { ok: false, why: 'only one side is printed' };
  const onePlate = oneForBoth.ok && job.sheet.working === 'workAndTurn' ? oneForBoth.fronts : null;
  const layers = planLayerSheets(job, workshop, size, spares);
  const marksLost = machine !== undefined && !bare && machineMarks.length === 0;
  const asked: Asked = { job, workshop, sides, comesOut: marksLost ? 0 : up };
  const calibration = correctionsInForce(stock.path, stock.stock.gsm, sheet);
  const { unit } = workshop;
  const used = (up * cardAreaMm2(size.form.blank)) / (sheet.widthMm * sheet.heightMm);
  const figures: Figure[] = [
    figure(
      'up',
      'Cards on a sheet',
      count(up),
      cell.blanks.length > 1
        ? 'the most cells of two nested blanks that edge-to-edge cuts can free, gutter between, printed area inside the margins'
        : 'the most trims that edge-to-edge cuts can free, gutter between, printed area inside the margins',
      {
        'No cuttable layout holds more than': count(laid.bound * cell.blanks.length),
        'Uniform blocks': count(laid.blocks),
        Blank: words(formatSize(size.form.blank.widthMm, size.form.blank.heightMm, unit)),
        Gutter: length(question.gutterMm),
        Bleed: length(bleedMm),
      },
    ),
    figure('sheets', 'Sheets', count(sheets), '(wanted + spares) ÷ cards on a sheet, rounded up', {
      Wanted: count(wantedOf(job)),
      Spares: count(spares),
      'Cards on a sheet': count(up),
    }),
    figure(
      'spares',
      'Spares',
      count(spares, 'card'),
      job.sheet.spares === null
        ? 'the fewest for which enough come out good 95 times in 100, from your spoil log'
        : 'as typed',
      {
        'Good so far': count(workshop.spoilLog.good),
        'Spoiled so far': count(workshop.spoilLog.spoiled),
        'Expected to spoil': share(expectedSpoilShare(workshop.spoilLog)),
      },
    ),
    ...(bare && !machine ? [] : [marginsFigure(workshop, { marginsMm, sides, turnOver, path: stock.path, machine })]),
    figure('used', 'Sheet used', share(used), 'area of the blanks ÷ area of the sheet', {
      'Cards on a sheet': count(up),
    }),
  ];
  if (grainAlongFold !== null)
    figures.push(
      figure(
        'grain',
        'Grain',
        words(grainAlongFold ? 'along the fold' : 'across the fold'),
        'fibres along the fold crease cleanly; turning the blank on the sheet changes which way they run',
        {
          'Up with grain along the fold': count(
            layOutOnePiece({ ...question, mayLie: mayLieForGrain(size, stock.stock) }).up * cell.blanks.length,
          ),
          'Up either way': count(free.up * cell.blanks.length),
        },
      ),
    );
  if (calibration)
    figures.push(
      figure(
        'calibration',
        'Corrected by',
        words(`the sheet of ${calibration.from.day}`),
        'scale, shift and turn fitted to your readings by least squares, and undone on every page before it is printed',
        { 'Measured at': words(`${calibration.from.gsm} gsm`), 'This stock': words(`${stock.stock.gsm} gsm`) },
      ),
    );
  for (const { piece, up: layerUp, sheets: layerSheets, print, laid: lies } of layers)
    figures.push(
      figure(
        `layer-${piece.id}`,
        piece.name,
        words(`${layerUp} up · ${layerSheets} ${plural(layerSheets, 'sheet')}`),
        print
          ? 'pieces with their bleed, two bleeds between them, inside the margins; turned where more fit'
          : 'pieces edge to edge on its own stock, one for each card and spare',
        {
          Piece: words(formatSize(piece.widthMm, piece.heightMm, unit)),
          Stock: words(piece.stock.name),
          Turned: count(lies.filter(({ turned }) => turned).length),
          ...(print ? { 'Printed by': words(`${print.printer.name}, ${print.path.name}`) } : {}),
        },
      ),
    );
  return {
    sheetWidthMm: sheet.widthMm,
    sheetHeightMm: sheet.heightMm,
    marginsMm,
    printable: shrink({ xMm: 0, yMm: 0, ...sheet }, marginsMm),
    placements,
    cells,
    cell,
    up,
    upBound: laid.bound * cell.blanks.length,
    layOut: { tree: laid.tree, origin: laid.origin, blocks: laid.blocks },
    gutterMm: question.gutterMm,
    bleedMm,
    white,
    passes: passesOf(sides, stock.path.printsBothSides, white),
    spares,
    sheets,
    sides,
    turnOver,
    bothSidesAtOnce: stock.path.printsBothSides,
    workAndTurn: oneForBoth,
    onePlate,
    grainAlongFold,
    marks: job.sheet.marks,
    machineMarks,
    calibration,
    named: null,
    layers,
    verdict:
      up === 0
        ? `The open blank does not fit on a ${formatSize(sheet.widthMm, sheet.heightMm, unit)} sheet${bleedMm > 0 ? ' with its bleed' : ''}.`
        : `${up} up, ${sheets} ${plural(sheets, 'sheet')}: ${wantedOf(job)} wanted and ${spares} ${plural(spares, 'spare')}${bare ? ', nothing printed' : ''}${sides.length === 2 ? `, ${onePlate ? 'one plate printed on both sides' : 'printed both sides'}, turned on the ${job.sheet.flipEdge} edge` : ''}${isOwnPass(white) ? `; white goes on in a pass of its own, ${white} the colours` : ''}.`,
    telling: up === 0 ? 'does not fit' : `${up} up · ${sheets} ${plural(sheets, 'sheet')}`,
    figures,
    snags: [
      ...bleedSnags(asked, { ...size, bleedMm }, stock, question, laid, cell),
      ...grainSnags(asked, question, size.form.blank.creases.length > 0),
      ...shelfSnags(stock.stock, sheets),
      ...cutDownSnags(job, stock, workshop),
      ...(bare ? [] : markSnags(job, size, question, laid)),
      ...(marksLost && up > 0 ? [noRoomForMachineMarks(asked)] : []),
      ...(bare ? [] : sharedBleedSnags(asked, art, bleedMm)),
      ...plateSnags(job, oneForBoth, stock.path.printsBothSides, calibration !== null),
      ...calibrationSnags(job, stock, sheet, sides),
      ...layerSnags(layers, workshop),
    ],
  };
}

/** What of the sheet no ink, and no machine’s knife, may come to. */
function marginsFigure(
  { unit }: Workshop,
  found: Pick<SheetPlan, 'marginsMm' | 'sides' | 'turnOver'> & {
    readonly path: StockFacts['path'];
    readonly machine: MachineFacts | undefined;
  },
): Figure {
  const { marginsMm, sides, turnOver, path, machine } = found;
  const printed = sides.length > 0;
  const fed = sides.length === 2 ? 'on either side, as each is fed, ' : 'as the printed side is fed, ';
  return figure(
    'margins',
    machine ? (printed ? 'Printer and machine cannot reach' : 'The machine cannot reach') : 'Printer cannot reach',
    words(sayMargins(marginsMm, unit)),
    [
      ...(printed
        ? [`the unprintable edge of this feed path ${fed}seen from the front; trim and bleed stay inside it`]
        : []),
      ...(machine ? [`the edge that the machine keeps all round${printed ? ', where that is wider' : ''}`] : []),
    ].join('; '),
    {
      ...(printed
        ? {
            'Top of a page': length(path.marginsMm.top),
            'Right of a page': length(path.marginsMm.right),
            'Bottom of a page': length(path.marginsMm.bottom),
            'Left of a page': length(path.marginsMm.left),
            ...(sides.length === 2
              ? { 'Turned over': words(turnOver === 'leftRight' ? 'left to right' : 'top to bottom') }
              : {}),
          }
        : {}),
      ...(machine ? { 'The machine keeps': length(machine.marginMm) } : {}),
    },
  );
}

const sayMargins = ({ top, right, bottom, left }: Sides, unit: Workshop['unit']): string =>
  top === right && right === bottom && bottom === left
    ? `${formatLength(top, unit)} all round`
    : [top, right, bottom, left].map((mm) => formatLength(mm, unit)).join(', ');

function place(
  { turned, toSheet }: SheetPlan['cells'][number],
  cell: Cell,
  { form: { blank } }: SizePlan,
): readonly Placement[] {
  return cell.blanks.map((inCell) => {
    const map = compose(toSheet, inCell);
    return {
      trim: mapBox(map, { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm }),
      turned,
      toSheet: map,
    };
  });
}
