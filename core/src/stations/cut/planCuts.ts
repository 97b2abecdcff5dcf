import type { Context } from '../../job/context.ts';
import { fixed } from '../../ground/length/rounding.ts';
import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import {
  capital,
  count,
  figure,
  length,
  minutes as minutesValue,
  plural,
  sayMinutes,
  words,
} from '../../job/figures.ts';
import { boardOf, trimmerOf } from '../../job/pick.ts';
import { isPlainRule } from '../../job/plainRule.ts';
import type { Figure } from '../../job/findings.ts';
import type { Job } from '../../job/types.ts';
import type { Stock, Trimmer, Workshop } from '../../workshop/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { Mm } from '../../ground/length/types.ts';
import { isUprightBox } from '../../ground/geometry/polygon.ts';
import type { SheetPlan } from '../sheet/types.ts';
import type { ArtPlan } from '../art/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockPlan } from '../stock/planStock.ts';
import { fenceSnags, heavySnags, lengthSnags, wideSnags } from './cutSnags.ts';
import { punchSnags, sayPunched } from './punchedHoles.ts';
import { layerCuts } from './layerCuts.ts';
import { pieceCutSnags } from './pieceCutSnags.ts';
import { isShaped } from './isShaped.ts';
import { movesFor, type FenceCuts } from './movesFor.ts';
import { planDrift, SPREADS_OF_95, worstDrift } from './planDrift.ts';
import type { CutOrder, CutPlan, OutlineCut, PieceDrift } from './types.ts';
import { cardsOnMachine, planMachine, type MachinePlan } from './planMachine.ts';
import { cutHabit, sayOff } from './setFence.ts';
import { throughCreases } from '../sheet/layout/throughCreases.ts';
import { offcutsOf, sheetChoices } from './sheetChoices.ts';

/** What is cut apart, and of what. */
export interface CutContext extends Context {
  readonly size: SizePlan;
  readonly art: ArtPlan;
  readonly stock: StockPlan;
  readonly sheet: SheetPlan;
}

/**
 * Straight cuts that free every card, each distance in mm from a true edge and never from the last cut, with strokes for
 * the run, how far trims stray, what a machine or hands do round outlines and within cards, and the same reckoning for
 * other sheets.
 */
export function planCuts({ job, workshop, size, art, stock, sheet }: CutContext): CutPlan {
  const trimmer = trimmerOf(job, workshop);
  const shaped = isShaped(size, sheet);
  const cuts = movesFor(
    {
      kind: 'blocks',
      layOut: sheet.layOut,
      pitch: { widthMm: sheet.cell.widthMm, heightMm: sheet.cell.heightMm, gutterMm: sheet.gutterMm },
    },
    {
      page: { xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm },
      sheets: sheet.sheets,
      stock: stock.stock,
      trimmer,
      unit: workshop.unit,
      shaped,
    },
  );
  const machine =
    trimmer.machine && sheet.up > 0 && (sheet.machineMarks.length > 0 || sheet.sides.length === 0)
      ? planMachine(cardsOnMachine(size, sheet), trimmer.machine, stock.stock.gsm)
      : null;
  const outlines = trimmer.machine
    ? []
    : [...cutsWithin(workshop, size, stock.stock, sheet), ...outlineCuts(workshop, size, sheet)];
  const byHand = outlines.reduce((n, o) => n + o.perCell, 0) * sheet.cells.length * sheet.sheets;
  const layers = layerCuts(sheet, trimmer, workshop.unit);
  const layerStrokes = layers.reduce((n, layer) => n + layer.strokes, 0);
  const found: Found = {
    ...{ trimmer, shaped, cuts, machine, outlines, byHand, layerStrokes },
    turns: cuts.moves.filter((m, i) => i > 0 && m.turn !== 'No turn').length,
    settings: new Set(cuts.moves.map((m) => Math.round(m.fenceMm / TOLERANCE_MM))).size,
    minutes: machine
      ? (machine.secondsPerSheet * sheet.sheets) / 60
      : workshop.pace.perStroke * (cuts.strokes + byHand + layerStrokes),
    order: orderOf(job, workshop, size, sheet),
    drift: driftOf(workshop, trimmer, shaped, cuts, sheet),
  };
  return {
    trimmer,
    moves: cuts.moves,
    layers,
    sheetsAtOnce: cuts.sheetsAtOnce,
    settings: found.settings,
    strokes: cuts.strokes,
    minutes: found.minutes,
    machine,
    order: found.order,
    turns: found.turns,
    drift: found.drift,
    outlines,
    choices: sheetChoices({ job, workshop, size, art, stock, sheet, trimmer }),
    offcuts: offcutsOf(cuts.waste, workshop.keepOffcutMm),
    verdict: `${verdictOf(found, size, sheet)}${cuts.moves.length > 0 ? saySet(workshop, trimmer) : ''}`,
    telling: tellingOf(found, sheet),
    figures: cutFigures(found, workshop, stock, sheet),
    snags: [
      ...fenceSnags(job, workshop, trimmer, cuts.moves),
      ...lengthSnags(job, workshop, trimmer, cuts.moves),
      ...layers.flatMap(({ pieceId, name, moves }) =>
        pieceCutSnags({ id: pieceId, station: 'cut', name, moves }, trimmer, workshop),
      ),
      ...(machine ? heavySnags(workshop, trimmer, stock) : []),
      ...(sheet.up > 0
        ? wideSnags(workshop, trimmer, { widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm })
        : []),
      ...(trimmer.machine ? [] : punchSnags(job, workshop, size.form.blank, stock.stock)),
    ],
  };
}

/** What the cuts come to, before it is put into words. */
interface Found {
  readonly trimmer: Trimmer;
  readonly shaped: boolean;
  readonly cuts: FenceCuts;
  readonly machine: MachinePlan | null;
  readonly outlines: readonly OutlineCut[];
  /** Cuts round outlines and along slopes, over the run. */
  readonly byHand: number;
  /** Cuts at the fence of layers’ own sheets, over the run. */
  readonly layerStrokes: number;
  readonly turns: number;
  readonly settings: number;
  readonly minutes: number;
  readonly order: CutOrder;
  readonly drift: CutPlan['drift'];
}

function driftOf(
  workshop: Workshop,
  trimmer: Trimmer,
  shaped: boolean,
  { moves }: FenceCuts,
  sheet: SheetPlan,
): CutPlan['drift'] {
  const { spreadMm: repeatabilityMm, readings } = cutHabit(workshop, trimmer);
  const trims = sheet.cells.map(({ trim }) => trim);
  const pieces =
    trimmer.machine || shaped
      ? trims.map(() => evenDrift(shaped && !trimmer.machine ? Math.max(repeatabilityMm, BY_HAND_MM) : repeatabilityMm))
      : planDrift(moves, trims, repeatabilityMm);
  return { repeatabilityMm, readings, pieces, worst: worstDrift(pieces) };
}

/** What pieces measured at the bench ask of every setting. */
function saySet(workshop: Workshop, trimmer: Trimmer): string {
  const { correctionMm, biasMm, readings } = cutHabit(workshop, trimmer);
  if (trimmer.machine || correctionMm === 0) return '';
  return ` Set each ${fixed(Math.abs(correctionMm), 1)} mm ${correctionMm > 0 ? 'beyond' : 'short of'} what is said: on ${trimmer.name}, pieces come out ${sayOff(biasMm, workshop.unit)}, ${readings} measured. The bench says it at every cut.`;
}

function verdictOf(found: Found, size: SizePlan, sheet: SheetPlan): string {
  const { trimmer, machine, shaped, order, settings, outlines, cuts } = found;
  if (trimmer.machine)
    return machine
      ? `${capital(trimmer.name)} ${sheet.machineMarks.length > 0 ? 'finds three marks and cuts' : 'cuts bare card from its loaded corner, no marks to find:'} every outline in ${machine.passes} ${machine.passes === 1 ? 'pass' : 'passes'}, ${sayMinutes(machine.secondsPerSheet / 60)} a sheet.`
      : trimmer.machine.findsMarks === false
        ? `${capital(trimmer.name)} finds no marks: what is printed is cut with another tool.`
        : 'There is nothing to cut until cards and marks fit on the sheet together.';
  if (cuts.moves.length === 0)
    return sheet.up === 0
      ? 'There is nothing to cut until a card fits on the sheet.'
      : shaped
        ? `Part the cards roughly, then cut each out round its line by hand${order.now === 'scoreFirst' ? '; the sheet is scored first, while it has straight edges' : ''}.`
        : 'The card is the whole sheet: there is nothing to cut.';
  const then = outlines.some(({ isWithin }) => !isWithin)
    ? 'then the outline by hand'
    : outlines.length > 0
      ? 'then what is cut within each card by hand'
      : size.form.blank.creases.length === 0
        ? 'each card then lies ready'
        : order.now === 'scoreFirst'
          ? 'the sheet is scored first'
          : 'cut first, then crease single cards against the board’s stop';
  return `${cuts.moves.length} ${plural(cuts.moves.length, 'move')} at ${settings} fence ${plural(settings, 'setting')}, ${cuts.strokes} ${plural(cuts.strokes, 'stroke')} for the run; ${then}.`;
}

function tellingOf({ machine, cuts, shaped, settings }: Found, { up }: SheetPlan): string {
  if (machine) return `${machine.passes} ${machine.passes === 1 ? 'pass' : 'passes'}`;
  if (cuts.moves.length > 0) return `${settings} ${plural(settings, 'setting')}`;
  return shaped && up > 0 ? 'by hand' : 'no cuts';
}

function cutFigures(found: Found, { pace }: Workshop, stock: StockPlan, { sheets }: SheetPlan): readonly Figure[] {
  const { trimmer, machine, cuts, settings, turns, byHand, layerStrokes, minutes, drift } = found;
  const moves = { Moves: count(cuts.moves.length) };
  return [
    figure('settings', 'Fence settings', count(settings), 'different distances among the moves', moves),
    ...(machine ? machineFigures(machine, trimmer, stock) : []),
    figure('turns', 'Turns', count(turns), 'moves that begin with another edge at the fence', moves),
    figure(
      'drift',
      '95 cuts in 100 land within',
      length(SPREADS_OF_95 * drift.worst.fromTrueMm),
      `${SPREADS_OF_95} × the spread of the worst trim: the tool’s own, and that of the true edge it is measured from, as squares`,
      {
        'One cut strays by (1 σ)': words(`${fixed(drift.repeatabilityMm, 2)} mm`),
        ...(drift.readings > 0 ? { 'Pieces measured at the bench': count(drift.readings) } : {}),
        'Measured from the last cut instead': length(SPREADS_OF_95 * drift.worst.chainedMm),
      },
    ),
    figure('stack', 'Sheets at once', count(cuts.sheetsAtOnce), 'the tool’s thickest stack ÷ caliper, rounded down', {
      'Thickest stack': length(trimmer.thickestStackMm),
      Caliper: words(`${stock.stock.caliperMicron} µm`),
    }),
    figure('strokes', 'Strokes', count(cuts.strokes), 'for every move, pieces ÷ pieces at once, rounded up', {
      Sheets: count(sheets),
    }),
    figure(
      'minutes',
      'Cutting time',
      minutesValue(minutes),
      layerStrokes > 0
        ? 'strokes, those of layers too, and cuts by hand, × your minutes for a stroke'
        : 'strokes, and cuts by hand, × your minutes for a stroke',
      {
        Strokes: count(cuts.strokes),
        'Cuts by hand': count(byHand),
        ...(layerStrokes > 0 ? { 'Strokes for layers': count(layerStrokes) } : {}),
        'Minutes for a stroke': words(String(pace.perStroke)),
      },
    ),
  ];
}

/** How far a knife or scissors stray from a line that the eye follows, one standard deviation; our starting value. */
const BY_HAND_MM = 0.5;

const evenDrift = (mm: Mm): PieceDrift => {
  const edge = { fromTrueMm: mm, chainedMm: mm };
  return { left: edge, right: edge, top: edge, bottom: edge };
};

function machineFigures(machine: MachinePlan, trimmer: Trimmer, { stock }: StockPlan): readonly Figure[] {
  return [
    figure('passes', 'Passes', count(machine.passes), 'by the stock’s weight, from what you keep for this machine', {
      Stock: words(`${stock.gsm} gsm`),
    }),
    ...(machine.force === null
      ? []
      : [
          figure(
            'force',
            'Force',
            count(machine.force),
            'by the stock’s weight, in the machine’s own units, as you keep it',
            {
              Stock: words(`${stock.gsm} gsm`),
            },
          ),
        ]),
    figure('path', 'Knife’s way on a sheet', length(machine.cutMm), 'every outline, once round'),
    figure(
      'machine-minutes',
      'Machine time for a sheet',
      minutesValue(machine.secondsPerSheet / 60),
      'loading and finding marks + outlines × passes ÷ speed + moves in the air at three times that',
      { Speed: words(`${trimmer.machine!.speedMmPerS} mm/s`), Passes: count(machine.passes) },
    ),
  ];
}

/**
 * Cut first, then crease single cards against the board’s stop: each crease is measured from its own card’s
 * edge. Score first, while the sheet is square: fewer lines to press, but print, score and cut must all agree.
 */
function orderOf(job: Job, workshop: Workshop, size: SizePlan, sheet: SheetPlan): CutOrder {
  const board = boardOf(job, workshop);
  const through = throughCreases(size, sheet);
  const wanted = job.cut.order ?? 'byTools';
  const room = Math.max(sheet.sheetWidthMm, sheet.sheetHeightMm);
  const fits = room <= board.longestMm + TOLERANCE_MM;
  const lines = through.ok ? through.creases.length : 0;
  const cards = size.form.blank.creases.length * sheet.up;
  const fewer = `${lines} ${plural(lines, 'line')} on the sheet instead of ${cards} on single cards`;
  const cutFirst = (why: string): CutOrder => ({ now: 'cutFirst', why, through });
  const scoreFirst = (why: string): CutOrder => ({ now: 'scoreFirst', why, through });
  if (cards === 0) return cutFirst('Nothing is scored.');
  const shaped = isShaped(size, sheet);
  if (!through.ok)
    return cutFirst(
      `Cut first: ${through.why}.${shaped ? ' Each card is then creased from end to end of its fold.' : ''}`,
    );
  if (!fits && wanted !== 'scoreFirst')
    return cutFirst(
      `Cut first: the sheet is ${formatLength(room, workshop.unit)} long and ${board.name} ${formatLength(board.longestMm, workshop.unit)}.`,
    );
  if (wanted === 'scoreFirst')
    return scoreFirst(
      fits
        ? `Score first, as you chose: ${fewer}.`
        : `Score first, as you chose; the sheet is longer than ${board.name}, so slide it along.`,
    );
  if (wanted === 'cutFirst')
    return cutFirst('Cut first, as you chose: every crease is measured from its own card’s edge.');
  if (shaped)
    return scoreFirst(
      `Score first, while the sheet is square: cut out, a shape has no straight edge to measure from; ${fewer}.`,
    );
  return !isPlainRule(board)
    ? cutFirst(
        `Cut first: ${board.name} has a stop, so every crease is measured from its own card’s edge and no error of print or trim comes in.`,
      )
    : scoreFirst(`Score first, while the sheet is square: the creases line up and it fits ${board.name}; ${fewer}.`);
}

/** Slits, holes and windows, before anything comes off the sheet. */
const cutsWithin = (
  workshop: Workshop,
  { form: { blank } }: SizePlan,
  stock: Stock,
  { cell, up }: SheetPlan,
): readonly OutlineCut[] =>
  up === 0
    ? []
    : blank.cuts.map((cut) => ({
        id: `within-${cut.id}`,
        title: cut.byHand.title,
        big: cut.name,
        text: (cut.byHand.tool === 'punch' ? sayPunched(cut, blank, stock, workshop) : null) ?? cut.byHand.says,
        perCell: cell.blanks.length,
        isWithin: true,
        tool: cut.byHand.tool,
      }));

const ROUND = { perCell: 1, isWithin: false, tool: 'knife' } as const;

/** What a straight fence cannot do: slopes between marks, and curves. */
function outlineCuts(
  { unit }: Workshop,
  { form: { blank } }: SizePlan,
  { cell, up }: SheetPlan,
): readonly OutlineCut[] {
  if (up === 0) return [];
  if (cell.slopes.length > 0)
    return cell.slopes.map(({ leftMm, rightMm }, i): OutlineCut => {
      const [left, right] = [formatLength(leftMm, unit), formatLength(rightMm, unit)];
      const same = Math.abs(leftMm + rightMm - cell.heightMm) < TOLERANCE_MM;
      return {
        id: `slope-${i + 1}`,
        title: cell.slopes.length === 1 ? 'Cut the slope' : `Cut slope ${i + 1} of ${cell.slopes.length}`,
        big: `${left} · ${right}`,
        text: same
          ? `Front up, creases upright. Mark ${left} down the left edge; turn the piece half round and mark ${left} down its left edge again. Cut from mark to mark with rule and knife: two bases.`
          : `Front up, creases upright. Mark ${left} down the left edge and ${right} down the right edge; cut from mark to mark with rule and knife.`,
        ...ROUND,
      };
    });
  if (isUprightBox(blank.outline)) return [];
  return [
    ...(up > 1
      ? [
          {
            id: 'apart',
            title: 'Part the cards',
            big: `${up} from a sheet`,
            text: 'Roughly, anywhere in the gaps between the outlines: nothing is measured from these cuts.',
            ...ROUND,
          },
        ]
      : []),
    {
      id: 'outline',
      title: 'Cut out the outline',
      big: 'Round the line',
      text: `Follow the outline with scissors or a knife, or have a cutting machine follow the template.${blank.creases.length > 0 ? ' Leave the hinge whole.' : ''}`,
      ...ROUND,
    },
  ];
}
