import type { Context } from '../../job/context.ts';
import type { ArtPlan } from '../art/types.ts';
import { compose, turnedOver, turnOf } from '../../ground/geometry/affine.ts';
import { mapBox, shrink } from '../../ground/geometry/box.ts';
import { plural } from '../../job/figures.ts';
import { trimmerOf } from '../../job/pick.ts';
import type { Job } from '../../job/types.ts';
import { inkMargins } from '../../workshop/borderless.ts';
import type { WhiteWay } from '../../workshop/types.ts';
import type { LengthUnit } from '../../ground/length/types.ts';
import { formatSize } from '../../ground/length/formatLength.ts';
import type { Cell } from '../size/cell.ts';
import type { SizePlan } from '../size/planSize.ts';
import { whiteWayOf } from '../stock/white.ts';
import type { StockFacts } from '../stock/planStock.ts';
import { namesInUse, wantedOf } from '../../job/namesList.ts';
import { correctionsInForce } from '../../workshop/calibration/chooseCalibration.ts';
import { sheetsFor, type PieceOnSheets } from './pieces.ts';
import { planLayerSheets } from './layout/layerSheets.ts';
import { layerSnags } from './snags/layerSnags.ts';
import { laidMap } from './layout/layOut.ts';
import { sidesOf } from './layout/inkOnSheet.ts';
import { sheetInForce } from './layout/sheetInForce.ts';
import { layOnSheet } from './layout/layOnSheet.ts';
import { isOwnPass, passesOf } from './layout/passes.ts';
import { mayLieForGrain } from './layout/question.ts';
import {
  bleedSnags,
  calibrationSnags,
  cutDownSnags,
  grainSnags,
  markSnags,
  noMachineMarks,
  plateSnags,
  sharedBleedSnags,
  shelfSnags,
} from './snags/sheetSnags.ts';
import { offcutSnags } from './snags/offcutSnags.ts';
import { spillSnags } from './snags/spillSnags.ts';
import type { Asked } from './snags/asked.ts';
import type { SheetSide } from './layout/reach.ts';
import { workAndTurn } from './layout/workAndTurn.ts';
import type { Placement, SheetPlan, WorkAndTurn } from './types.ts';
import { sheetFigures, type FoundSheet } from './sheetFigures.ts';
import { sparesFor } from './layout/spares.ts';
import { stagesAhead } from './stagesAhead.ts';
import { expectLosses } from '../../workshop/learnt/expectLosses.ts';

/** What is laid out: the blank, the sides that carry art, and the stock with the path it is fed through. */
export interface SheetContext extends Context {
  readonly size: SizePlan;
  readonly art: ArtPlan;
  readonly stock: StockFacts;
}

/**
 * Cards on their sheet, in mm, front up, origin top left: the provable most that edge-to-edge cuts can free inside the
 * margins, how many sheets with spares, the passes through the printer, and the layers’ own sheets. No card at all is an
 * answer, with a stop and remedies.
 * Source: see layOut for the bound, and spares for the share that comes out good.
 */
// eslint-disable-next-line max-lines-per-function -- a contents page: what it lists stands in rooms of its own
export function planSheet({ job, workshop, size, art, stock }: SheetContext): SheetPlan {
  const { ink } = art;
  const sides = sidesOf(ink);
  const bare = sides.length === 0;
  const white = bare ? null : whiteWayOf(stock.printer, stock.path, stock.stock);
  const { readyCut } = stock.stock;
  const sheet = sheetInForce(job, stock.stock);
  const { machine } = trimmerOf(job, workshop);
  const { cell, question, laid, up, bleedMm, marginsMm, machineMarks } = layOnSheet(job, size, {
    stock: stock.stock,
    marginsMm: inkMargins(stock.path, size.bleedMm),
    sheet,
    machine,
    ink,
  });
  const losses = expectLosses(workshop.spoilLog, stagesAhead({ job, workshop, size, stock }, sides.length > 0));
  const spares = job.sheet.spares ?? sparesFor(wantedOf(job), losses);
  const made = wantedOf(job) + spares;
  const sheets = sheetsFor(made, up);
  const turnOver = turnOf(sheet, job.sheet.flipEdge);
  const grainAlongFold =
    size.form.blank.creases.length === 0 || laid.up === 0
      ? null
      : laid.pieces.every(({ turned }) => mayLieForGrain(size, stock.stock)[turned ? 'turned' : 'asDrawn']);
  const cells = laid.pieces.map((piece) => ({ ...piece, toSheet: laidMap(piece, cell.heightMm) }));
  const placements = cells.flatMap((c) => place(c, cell, size));
  const oneForBoth = plateFor(job, size, sides, placements, sheet);
  const onePlate = oneForBoth.ok && job.sheet.working === 'workAndTurn' ? oneForBoth.fronts : null;
  const layers = planLayerSheets(job, workshop, size, spares);
  const passes = passesOf(sides, stock.path.printsBothSides, white);
  const card: PieceOnSheets = {
    ...{ id: 'card', name: job.brief.title, role: 'card', blank: size.form.blank, bleedMm, stock: stock.stock },
    ...{ made, up, sheets, print: bare ? null : { printer: stock.printer, passes } },
  };
  const marksLost = machine !== undefined && !bare && machineMarks.length === 0;
  const asked: Asked = { job, workshop, ink, comesOut: marksLost ? 0 : up };
  const calibration = correctionsInForce(stock.path, stock.stock.gsm, sheet);
  const found: FoundSheet = {
    ...{ sheet, sides, cell, question, laid, up, marginsMm, machine, spares, sheets, turnOver, bleedMm },
    ...{ grainAlongFold, calibration, layers, losses },
  };
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
    fromEdgesMm: question.fromEdgesMm,
    mayLie: question.mayLie,
    gutterMm: question.gutterMm,
    bleedMm,
    white,
    passes,
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
    pieces: [card, ...layers],
    verdict: verdictOf(found, job, {
      white,
      onePlate: onePlate !== null,
      readyCut: readyCut !== undefined,
      unit: workshop.unit,
    }),
    telling:
      up === 0 ? 'does not fit' : readyCut ? `${sheets} blanks` : `${up} up · ${sheets} ${plural(sheets, 'sheet')}`,
    figures: sheetFigures({ job, workshop, size, stock }, found),
    snags: [
      ...bleedSnags(asked, { ...size, bleedMm }, stock, { question, laid, cell, sheet }),
      // Which way its fibres run was settled where the blank was made.
      ...(readyCut ? [] : grainSnags(asked, question, size.form.blank.creases.length > 0)),
      ...shelfSnags(stock.stock, sheets),
      ...(readyCut ? [] : offcutSnags(asked, stock, made)),
      ...(readyCut ? [] : cutDownSnags(job, stock, workshop)),
      // A card that is its own sheet has nothing beside it to print ticks on, and no cut that would want them.
      ...(bare || readyCut ? [] : markSnags(job, { sheet, marginsMm, bleedMm, laid })),
      ...(marksLost && up > 0 ? [noMachineMarks(asked, machine)] : []),
      ...(bare ? [] : sharedBleedSnags(asked, art, bleedMm)),
      ...plateSnags(job, oneForBoth, stock.path.printsBothSides, calibration !== null),
      ...calibrationSnags(job, stock, sheet, sides),
      ...spillSnags(workshop, stock, { sheet, bleedMm, placements }),
      ...layerSnags(job, layers, workshop),
    ],
  };
}

/** Whether both sides can be printed from one plate, and why not. */
function plateFor(
  job: Job,
  size: SizePlan,
  sides: readonly SheetSide[],
  placements: readonly Placement[],
  sheet: FoundSheet['sheet'],
): WorkAndTurn {
  if (namesInUse(job))
    return { ok: false, why: 'every card carries words of its own, and one plate would print them on two' };
  return sides.length === 2
    ? workAndTurn(placements, size.form.blank.creases.length, turnedOver(sheet, job.sheet.flipEdge))
    : { ok: false, why: 'only one side is printed' };
}

function verdictOf(
  { sheet, sides, up, sheets, spares, bleedMm }: FoundSheet,
  job: Job,
  {
    white,
    onePlate,
    readyCut,
    unit,
  }: {
    readonly white: WhiteWay | null;
    readonly onePlate: boolean;
    readonly readyCut: boolean;
    readonly unit: LengthUnit;
  },
): string {
  if (up === 0)
    return `The open blank does not fit on a ${formatSize(sheet.widthMm, sheet.heightMm, unit)} sheet${bleedMm > 0 ? ' with its bleed' : ''}.`;
  const of = `${wantedOf(job)} wanted and ${spares} ${plural(spares, 'spare')}`;
  const counts = readyCut
    ? `${sheets} ready-cut ${plural(sheets, 'card')}, fed one at a time: ${of}`
    : `${up} up, ${sheets} ${plural(sheets, 'sheet')}: ${of}`;
  const turned = `${onePlate ? 'one plate printed on both sides' : 'printed both sides'}, turned on the ${job.sheet.flipEdge} edge`;
  return [
    `${counts}${sides.length === 0 ? ', nothing printed' : ''}`,
    sides.length === 2 ? `, ${turned}` : '',
    isOwnPass(white) ? `; white goes on in a pass of its own, ${white} the colours` : '',
    '.',
  ].join('');
}

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
