import { machineMargins } from '../../workshop/machineMargins.ts';
import { cardAreaMm2 } from '../../ground/fold/blankCuts.ts';
import type { TurnOver } from '../../ground/geometry/affine.ts';
import type { Sides } from '../../ground/geometry/types.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import { fixed } from '../../ground/length/rounding.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { Context } from '../../job/context.ts';
import { count, figure, length, plural, share, words } from '../../job/figures.ts';
import type { Figure, FigureValue } from '../../job/findings.ts';
import { wantedOf } from '../../job/namesList.ts';
import type { InForce } from '../../workshop/calibration/chooseCalibration.ts';
import type { MachineFacts, Workshop } from '../../workshop/types.ts';
import type { ExpectedLoss, ExpectedLosses } from '../../workshop/learnt/expectLosses.ts';
import type { Stage } from '../../workshop/stages.ts';
import type { Cell } from '../size/cell.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockFacts } from '../stock/planStock.ts';
import type { LayerSheet } from './layout/layerSheets.ts';
import { layOutOnePiece, type LayOut, type LayOutQuestion } from './layout/layOut.ts';
import { mayLieForGrain } from './layout/question.ts';
import type { SheetSide } from './layout/reach.ts';
import { expectedSpoilShare } from './layout/spares.ts';

/** What the sheet comes to, before it is put into words. */
export interface FoundSheet {
  readonly sheet: { readonly widthMm: Mm; readonly heightMm: Mm };
  readonly sides: readonly SheetSide[];
  readonly cell: Cell;
  readonly question: LayOutQuestion;
  readonly laid: LayOut;
  readonly up: number;
  readonly marginsMm: Sides;
  readonly machine: MachineFacts | undefined;
  readonly spares: number;
  readonly sheets: number;
  readonly turnOver: TurnOver;
  readonly bleedMm: Mm;
  readonly grainAlongFold: boolean | null;
  readonly calibration: InForce | null;
  readonly layers: readonly LayerSheet[];
  /** What the log says of cards like these. */
  readonly losses: ExpectedLosses;
}

interface Figured extends Context {
  readonly size: SizePlan;
  readonly stock: StockFacts;
}

/** Every number of the sheet, with how it came about. */
export function sheetFigures(context: Figured, found: FoundSheet): readonly Figure[] {
  const { size, workshop, stock } = context;
  const { sheet, up, marginsMm, sides, turnOver, machine } = found;
  return [
    ...countFigures(context, found),
    ...(sides.length === 0 && !machine
      ? []
      : [marginsFigure(workshop, { marginsMm, sides, turnOver, path: stock.path, machine })]),
    figure(
      'used',
      'Sheet used',
      share((up * cardAreaMm2(size.form.blank)) / (sheet.widthMm * sheet.heightMm)),
      'area of the blanks ÷ area of the sheet',
      { 'Cards on a sheet': count(up) },
    ),
    ...grainFigure(context, found),
    ...calibrationFigure(context, found),
    ...layerFigures(context, found),
  ];
}

function countFigures(
  { job, workshop, size }: Figured,
  { cell, laid, question, bleedMm, up, sheets, spares, losses }: FoundSheet,
): readonly Figure[] {
  const { unit } = workshop;
  return [
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
        ...Object.fromEntries(losses.stages.map((loss) => [LOST_AT[loss.stage], words(sayLoss(loss))])),
        'Expected to spoil': share(expectedSpoilShare(losses)),
      },
    ),
  ];
}

const LOST_AT: Readonly<Record<Stage, string>> = {
  print: 'Lost at the printer',
  cut: 'Lost at the cut',
  crease: 'Lost at the crease',
  assemble: 'Lost in assembly',
  pack: 'Lost at the end',
};

const sayLoss = ({ share: lost, came, cause }: ExpectedLoss): string =>
  `${fixed(100 * lost, 1)} % of ${came}${cause ? `, mostly ${cause}` : ''}`;

function grainFigure({ size, stock }: Figured, { grainAlongFold, question, cell }: FoundSheet): readonly Figure[] {
  if (grainAlongFold === null) return [];
  const free = layOutOnePiece({ ...question, mayLie: { asDrawn: true, turned: true } });
  return [
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
  ];
}

const calibrationFigure = ({ stock }: Figured, { calibration }: FoundSheet): readonly Figure[] =>
  !calibration
    ? []
    : [
        figure(
          'calibration',
          'Corrected by',
          words(`the sheet of ${calibration.from.day}`),
          'scale, shift and turn fitted to your readings by least squares, and undone on every page before it is printed',
          { 'Measured at': words(`${calibration.from.gsm} gsm`), 'This stock': words(`${stock.stock.gsm} gsm`) },
        ),
      ];

const layerFigures = ({ workshop: { unit } }: Figured, { layers }: FoundSheet): readonly Figure[] =>
  layers.map(({ piece, up: layerUp, sheets: layerSheets, print, laid: lies }) =>
    figure(
      `layer-${piece.id}`,
      piece.name,
      words(`${layerUp} up · ${layerSheets} ${plural(layerSheets, 'sheet')}`),
      print
        ? 'pieces with their bleed, two bleeds between them, inside the margins; turned where more fit'
        : 'pieces edge to edge on its own stock, one for each card and spare',
      {
        Piece: words(formatSize(piece.blank.widthMm, piece.blank.heightMm, unit)),
        Stock: words(piece.stock.name),
        Turned: count(lies.filter(({ turned }) => turned).length),
        ...(print ? { 'Printed by': words(`${print.printer.name}, ${print.path.name}`) } : {}),
      },
    ),
  );

/** What of the sheet no ink, and no machine’s knife, may come to. */
function marginsFigure(
  { unit }: Workshop,
  found: Pick<FoundSheet, 'marginsMm' | 'sides' | 'turnOver'> & {
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
      ...(machine
        ? [
            `the edge that the machine keeps${machine.marginsMm ? '' : ' all round'}${printed ? ', where that is wider' : ''}`,
          ]
        : []),
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
      ...(machine ? { 'The machine keeps': machineKeeps(machine, unit) } : {}),
    },
  );
}

/** One length where it keeps the same all round. */
function machineKeeps(machine: MachineFacts, unit: Workshop['unit']): FigureValue {
  const { top, right, bottom, left } = machineMargins(machine);
  return [right, bottom, left].every((mm) => mm === top)
    ? length(top)
    : words(sayMargins({ top, right, bottom, left }, unit));
}

const sayMargins = ({ top, right, bottom, left }: Sides, unit: Workshop['unit']): string =>
  top === right && right === bottom && bottom === left
    ? `${formatLength(top, unit)} all round`
    : [top, right, bottom, left].map((mm) => formatLength(mm, unit)).join(', ');
