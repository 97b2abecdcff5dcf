import { TOLERANCE_MM } from '../geometry/types.ts';
import { capital, count, figure, length, minutes as minutesValue, plural, words } from '../job/figures.ts';
import { trimmerOf } from '../job/pick.ts';
import type { Job, Snag, Trimmer, Workshop } from '../job/types.ts';
import { formatLength } from '../length/formatLength.ts';
import type { LengthUnit, Mm } from '../length/types.ts';
import { isUprightBox } from '../geometry/polygon.ts';
import type { SheetPlan } from '../sheet/planSheet.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockPlan } from '../stock/planStock.ts';
import { draftMoves, type DraftMove } from './draftMoves.ts';
import { offcutsOf, sheetChoices } from './sheetChoices.ts';
import { EDGES, type CutMove, type CutPlan, type Edge, type OutlineCut } from './types.ts';

/** Straight cuts that free every card, each distance taken from a true edge and never from the last cut. */
export function planCuts(job: Job, workshop: Workshop, size: SizePlan, stock: StockPlan, sheet: SheetPlan): CutPlan {
  const trimmer = trimmerOf(job, workshop);
  const caliperMm = stock.stock.caliperMicron / 1000;
  const sheetsAtOnce = Math.max(1, Math.floor(trimmer.thickestStackMm / caliperMm));
  const page = { xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
  const pitch = { widthMm: sheet.cell.widthMm, heightMm: sheet.cell.heightMm, gutterMm: sheet.gutterMm };
  const orders = (['across', 'down'] as const).map((axis) => draftMoves(sheet.layOut, page, pitch, axis));
  // The axis that leaves fewer strips to handle goes first; its long cuts must fit the tool.
  const usable = orders.filter((moves) => longest(moves) <= trimmer.longestCutMm + TOLERANCE_MM);
  const passes = (moves: readonly DraftMove[]): number => moves.reduce((n, m) => n + m.piecesPerSheet, 0);
  const chosen = (usable.length > 0 ? usable : orders).reduce((a, b) => (passes(b) < passes(a) ? b : a));
  const moves = number(chosen, sheet.sheets, sheetsAtOnce, trimmer, workshop.unit);
  const strokes = moves.reduce((n, m) => n + m.strokes, 0);
  const settings = new Set(moves.map((m) => Math.round(m.fenceMm / TOLERANCE_MM))).size;
  const outlines = outlineCuts(workshop, size, sheet);
  const offcuts = offcutsOf(moves.filter((m) => m.fallsOff === 'waste').flatMap((m) => m.beyond));
  const byHand = outlines.reduce((n, o) => n + o.perCell, 0) * sheet.cells.length * sheet.sheets;
  const takes = workshop.pace.perStroke * (strokes + byHand);
  return {
    trimmer,
    moves,
    sheetsAtOnce,
    settings,
    strokes,
    minutes: takes,
    outlines,
    choices: sheetChoices(job, workshop, size, stock, trimmer, job.brief.wanted + sheet.spares),
    offcuts,
    outlinesAfterCrease: outlines.length > 0 && sheet.cell.slopes.length === 0 && size.form.blank.creases.length > 0,
    verdict:
      moves.length === 0
        ? sheet.up === 0
          ? 'There is nothing to cut until a card fits on the sheet.'
          : 'The card is the whole sheet: there is nothing to cut.'
        : `${moves.length} moves at ${settings} fence ${plural(settings, 'setting')}, ${strokes} ${plural(strokes, 'stroke')} for the run; ${outlines.length > 0 ? 'then the outline by hand' : 'cut first, then crease single cards against the board’s stop'}.`,
    telling: moves.length === 0 ? 'no cuts' : `${settings} ${plural(settings, 'setting')}`,
    figures: [
      figure('settings', 'Fence settings', count(settings), 'different distances among the moves', {
        Moves: count(moves.length),
      }),
      figure('stack', 'Sheets at once', count(sheetsAtOnce), 'the tool’s thickest stack ÷ caliper, rounded down', {
        'Thickest stack': length(trimmer.thickestStackMm),
        Caliper: words(`${stock.stock.caliperMicron} µm`),
      }),
      figure('strokes', 'Strokes', count(strokes), 'for every move, pieces ÷ pieces at once, rounded up', {
        Sheets: count(sheet.sheets),
      }),
      figure('minutes', 'Cutting time', minutesValue(takes), 'strokes, and cuts by hand, × your minutes for a stroke', {
        Strokes: count(strokes),
        'Cuts by hand': count(byHand),
        'Minutes for a stroke': words(String(workshop.pace.perStroke)),
      }),
    ],
    snags: cutSnags(job, workshop, trimmer, chosen, moves.length > 0),
  };
}

const spanLength = (m: DraftMove): Mm => Math.hypot(m.line[1].xMm - m.line[0].xMm, m.line[1].yMm - m.line[0].yMm);
const longest = (moves: readonly DraftMove[]): Mm => Math.max(0, ...moves.map(spanLength));

function number(
  drafts: readonly DraftMove[],
  sheets: number,
  sheetsAtOnce: number,
  trimmer: Trimmer,
  unit: LengthUnit,
): readonly CutMove[] {
  let atFence: Edge | null = null;
  const mixed = drafts.some((move) => move.fallsOff === 'part');
  return drafts.map((move, i) => {
    const turn = sayTurn(atFence, move.atFence);
    atFence = move.atFence;
    const strokes = Math.ceil((sheets * move.piecesPerSheet) / sheetsAtOnce);
    const set = trimmer.kind === 'knife' ? 'Lay the rule' : 'Set the fence';
    const at = trimmer.kind === 'knife' ? `from the ${move.atFence} edge` : `, ${move.atFence} edge against it`;
    const falls = move.makesTrueEdge
      ? 'The waste falls off and the cut is a true edge.'
      : move.fallsOff === 'waste'
        ? 'The waste falls off.'
        : move.fallsOff === 'part'
          ? `The rest is now ${move.stays}; what comes off is ${move.comesOff}, with its edges true. Keep both.`
          : `A ${move.fallsOff} comes off; keep it.`;
    const whose = mixed && !move.makesTrueEdge ? `${capital(move.piece)}: ` : '';
    return {
      ...move,
      number: i + 1,
      turn,
      strokes,
      text: `${whose}${whose ? set.charAt(0).toLowerCase() + set.slice(1) : set} ${trimmer.kind === 'knife' ? `${formatLength(move.fenceMm, unit)} ${at}` : `to ${formatLength(move.fenceMm, unit)}${at}`}, front up. ${falls}`,
    };
  });
}

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
        perCell: 1,
      };
    });
  if (isUprightBox(blank.outline)) return [];
  return [
    {
      id: 'outline',
      title: 'Cut out the outline',
      big: 'Round the line',
      text:
        blank.creases.length > 0
          ? 'After creasing, while the piece still has straight edges. Follow the outline with scissors or a knife, or have a cutting machine follow the template; leave the hinge whole.'
          : 'Follow the outline with scissors or a knife, or have a cutting machine follow the template.',
      perCell: 1,
    },
  ];
}

function sayTurn(from: Edge | null, to: Edge): string {
  if (from === null) return 'To begin';
  const quarters = (EDGES.indexOf(from) - EDGES.indexOf(to) + 4) % 4;
  return ['No turn', 'Quarter turn clockwise', 'Half turn', 'Quarter turn anticlockwise'][quarters]!;
}

function cutSnags(
  job: Job,
  workshop: Workshop,
  trimmer: Trimmer,
  moves: readonly DraftMove[],
  any: boolean,
): readonly Snag[] {
  if (!any) return [];
  const need = longest(moves);
  if (need <= trimmer.longestCutMm + TOLERANCE_MM) return [];
  const { unit } = workshop;
  return [
    {
      id: 'cut-too-long',
      station: 'cut',
      level: 'stop',
      title: `${trimmer.name} is too short for this sheet`,
      why: `The longest cut is ${formatLength(need, unit)}; it cuts ${formatLength(trimmer.longestCutMm, unit)}.`,
      remedies: workshop.trimmers
        .filter((t) => t.longestCutMm >= need && t.id !== job.cut.trimmerId)
        .map((t) => ({ label: `Cut with ${t.name}`, changes: [{ path: ['cut', 'trimmerId'], value: t.id }] })),
    },
  ];
}
