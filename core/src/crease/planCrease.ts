import { hasArt } from '../art/drawCard.ts';
import type { ArtPlan } from '../art/planArt.ts';
import type { Crease } from '../fold/types.ts';
import { count, figure, length, minutes as minutesValue, words } from '../job/figures.ts';
import { boardOf } from '../job/pick.ts';
import type { Board, Job, Snag, StationPlan, Workshop } from '../job/types.ts';
import { formatLength } from '../length/formatLength.ts';
import type { Mm } from '../length/types.ts';
import type { SheetPlan } from '../sheet/planSheet.ts';
import { isFinishable, type SizePlan } from '../size/planSize.ts';
import type { StockPlan } from '../stock/planStock.ts';

export interface CreaseLine {
  readonly number: number;
  readonly creaseId: string;
  /** The card's own edge, outside up and as drawn, that goes to the board's stop. */
  readonly edgeAtStop: 'left' | 'top';
  readonly fromStopMm: Mm;
  /** The groove nearest to the line, counted from the stop. */
  readonly groove: number;
  readonly grooveAtMm: Mm;
  readonly errorMm: Mm;
  readonly faceUp: 'outside' | 'inside';
  readonly passes: number;
  readonly text: string;
}

export interface CreasePlan extends StationPlan {
  readonly board: Board;
  readonly lines: readonly CreaseLine[];
  /** Folding by hand, after the creases are pressed. */
  readonly folding: readonly string[];
  readonly minutes: number;
}

/** A crease this far off shows as panels that do not match. */
const ERROR_SHOWN_MM = 0.25;
const ERROR_BAD_MM = 1;

export function planCrease(
  job: Job,
  workshop: Workshop,
  size: SizePlan,
  art: ArtPlan,
  stock: StockPlan,
  sheet: SheetPlan,
): CreasePlan {
  const board = boardOf(job, workshop);
  const { unit } = workshop;
  // Pressed into a groove, the card bulges away from the tool. Bead inside: the tool works on the outside.
  const faceUp = job.crease.bead === 'inside' ? 'outside' : 'inside';
  const lines = size.form.blank.creases.map((crease, i) =>
    creaseLine(crease, i + 1, board, faceUp, stock.pressing.passes, unit),
  );
  const cards = job.brief.wanted + sheet.spares;
  const takes =
    cards *
    (lines.reduce((n, l) => n + l.passes * workshop.pace.perCreasePass, 0) + lines.length * workshop.pace.perFold);
  const worst = Math.max(0, ...lines.map((l) => Math.abs(l.errorMm)));
  return {
    board,
    lines,
    folding: lines.length === 0 ? [] : foldingSteps(faceUp),
    minutes: takes,
    verdict:
      lines.length === 0
        ? 'Nothing to crease: the card stays flat.'
        : `Crease at ${formatLength(lines[0]!.grooveAtMm, unit)}, ${faceUp} up, ${lines[0]!.passes} ${stock.pressing.school} passes${worst > ERROR_SHOWN_MM ? `; the groove is ${worst.toFixed(1)} mm off the fold` : ''}.`,
    telling: lines.length === 0 ? 'no crease' : `crease at ${formatLength(lines[0]!.grooveAtMm, unit)}`,
    figures: lines.flatMap((line) => [
      figure(
        `groove-${line.creaseId}`,
        'Groove',
        words(formatLength(line.grooveAtMm, unit)),
        'the groove nearest to the fold, from the stop',
        {
          'Fold from the stop': length(line.fromStopMm),
          'A groove every': length(board.grooveEveryMm),
          'Groove number': count(line.groove),
        },
      ),
      figure(
        `error-${line.creaseId}`,
        'Off the fold by',
        words(`${Math.abs(line.errorMm).toFixed(2)} mm`),
        'groove − fold; the back panel comes out longer or shorter by twice this',
        {
          Groove: length(line.grooveAtMm),
          Fold: length(line.fromStopMm),
        },
      ),
      figure(
        'crease-minutes',
        'Creasing and folding',
        minutesValue(takes),
        '(wanted + spares) × (passes × your minutes for a pass + your minutes for a fold)',
        {
          Cards: count(cards),
          Passes: count(line.passes),
        },
      ),
    ]),
    snags: lines.length === 0 ? [] : creaseSnags(job, workshop, size, art, stock, sheet, board, lines),
  };
}

function creaseLine(
  crease: Crease,
  number: number,
  board: Board,
  faceUp: CreaseLine['faceUp'],
  passes: number,
  unit: Workshop['unit'],
): CreaseLine {
  const upright = crease.from.xMm === crease.to.xMm;
  const fromStopMm = upright ? crease.from.xMm : crease.from.yMm;
  const groove = Math.max(1, Math.round(fromStopMm / board.grooveEveryMm));
  const grooveAtMm = groove * board.grooveEveryMm;
  const edgeAtStop = upright ? 'left' : 'top';
  return {
    number,
    creaseId: crease.id,
    edgeAtStop,
    fromStopMm,
    groove,
    grooveAtMm,
    errorMm: grooveAtMm - fromStopMm,
    faceUp,
    passes,
    text: `Back panel’s open edge to the stop, ${faceUp} up. Groove at ${formatLength(grooveAtMm, unit)}: ${passes === 1 ? '1 pass' : `${passes} passes`}, the whole length, without running off the end.`,
  };
}

function foldingSteps(faceUp: CreaseLine['faceUp']): readonly string[] {
  return [
    faceUp === 'outside'
      ? 'Fold away from the groove you pressed, so the bead lies inside.'
      : 'Fold into the groove you pressed, so the bead lies outside.',
    'Match the corners before you press.',
    'Press the fold flat from the middle outwards; on coated card press, do not drag.',
  ];
}

function creaseSnags(
  job: Job,
  workshop: Workshop,
  size: SizePlan,
  art: ArtPlan,
  stock: StockPlan,
  sheet: SheetPlan,
  board: Board,
  lines: readonly CreaseLine[],
): readonly Snag[] {
  const { unit } = workshop;
  const snags: Snag[] = [];
  const line = lines[0]!;
  if (Math.abs(line.errorMm) > ERROR_SHOWN_MM) {
    const field = line.edgeAtStop === 'left' ? 'finishedWidthMm' : 'finishedHeightMm';
    const down = Math.floor(line.fromStopMm / board.grooveEveryMm) * board.grooveEveryMm;
    const better = workshop.boards.find((b) => {
      const off = Math.abs(Math.round(line.fromStopMm / b.grooveEveryMm) * b.grooveEveryMm - line.fromStopMm);
      return b.id !== board.id && off <= ERROR_SHOWN_MM;
    });
    snags.push({
      id: 'crease-groove',
      station: 'crease',
      level: Math.abs(line.errorMm) > ERROR_BAD_MM ? 'warn' : 'note',
      title: `No groove lands on the fold: ${Math.abs(line.errorMm).toFixed(1)} mm off`,
      why: `The fold is ${formatLength(line.fromStopMm, 'mm')} from the stop; the nearest groove of ${board.name} is at ${formatLength(line.grooveAtMm, unit)}.`,
      remedies: [
        ...(isFinishable(down)
          ? [
              {
                label: `Make the card ${formatLength(down, unit)} so that a groove lands on it`,
                changes: [{ path: ['size', field], value: down }],
              },
            ]
          : []),
        ...(better
          ? [{ label: `Crease on ${better.name}`, changes: [{ path: ['crease', 'boardId'], value: better.id }] }]
          : []),
      ],
    });
  }
  const edge = line.edgeAtStop === 'left' ? size.form.blank.widthMm : size.form.blank.heightMm;
  const along = line.edgeAtStop === 'left' ? size.form.blank.heightMm : size.form.blank.widthMm;
  if (Math.min(edge, along) > board.longestMm)
    snags.push({
      id: 'crease-board-short',
      station: 'crease',
      level: 'warn',
      title: `${board.name} is shorter than the crease`,
      why: `The crease is ${formatLength(along, unit)} long and the board ${formatLength(board.longestMm, unit)}: slide the card along and go over it in two overlapping parts.`,
      remedies: [],
    });
  const inkOver = hasArt(art, 'outside');
  if (sheet.grainAlongFold === false && stock.needsScore)
    snags.push({
      id: 'crease-across-grain',
      station: 'crease',
      level: 'warn',
      title: 'This fold runs across the grain',
      why: `Fibres across the fold break rather than bend${inkOver ? ', and ink over the fold shows the break' : ''}. Press a test card first.`,
      remedies: [{ label: 'Keep the grain along the fold', changes: [{ path: ['sheet', 'grain'], value: 'respect' }] }],
    });
  else if ((stock.stock.coating === 'gloss' || stock.stock.coating === 'pearl') && inkOver)
    snags.push({
      id: 'crease-skin',
      station: 'crease',
      level: 'note',
      title: `A ${stock.stock.coating} skin may show white at the fold`,
      why: 'Ink over a coated fold cracks first at the ends. Use a wide tip and light passes, and fold slowly.',
      remedies:
        job.crease.pressure === 'firm'
          ? [{ label: 'Press lightly', changes: [{ path: ['crease', 'pressure'], value: 'light' }] }]
          : [],
    });
  return snags;
}
