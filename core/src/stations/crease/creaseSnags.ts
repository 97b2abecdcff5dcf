import { decide } from '../../job/decide.ts';
import { fixed } from '../../ground/length/rounding.ts';
import { hasArt } from '../art/faces/drawCard.ts';
import type { ArtPlan } from '../art/types.ts';
import { pressedLines } from '../../ground/fold/pressedLines.ts';
import type { Blank } from '../../ground/fold/types.ts';
import { sortedBy } from '../../job/sorted.ts';
import type { Board, Workshop } from '../../workshop/types.ts';
import type { Job } from '../../job/types.ts';
import type { Remedy, Snag } from '../../job/findings.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { SheetPlan } from '../sheet/types.ts';
import { tryOut } from '../sheet/layout/tryOut.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockPlan } from '../stock/planStock.ts';
import { sayShare } from '../stock/recipe.ts';
import { hasSkin } from '../../workshop/folding/cracks.ts';
import type { FriendlySize } from './boardFriendly.ts';
import { ERROR_SHOWN_MM, worstErrorMm } from './creaseLines.ts';
import type { CreaseLine } from './types.ts';

/** From this much off a card no longer goes into the envelope that it was sized for. Our starting value. */
const ERROR_BAD_MM = 1;
/** From this share of cracked folds it is more than a note. Our starting value. */
const WARNS_FROM = 0.2;
/** The other school is offered where it leaves less than this share of the cracks. Our starting value. */
const HELPS = 0.8;

export interface CreaseFindings {
  /** What lies on the board. */
  readonly piece: Blank;
  readonly size: SizePlan;
  readonly art: ArtPlan;
  readonly stock: StockPlan;
  readonly sheet: SheetPlan;
  readonly board: Board;
  readonly lines: readonly CreaseLine[];
  readonly worst: CreaseLine;
  readonly friendly: readonly FriendlySize[];
  readonly byEnds: boolean;
}

export const takeFriendly = ({ field, mm, byMm }: FriendlySize, unit: Workshop['unit']): Remedy => ({
  label: `Make the card ${formatLength(mm, unit)} ${field === 'finishedWidthMm' ? 'wide' : 'high'}, ${formatLength(Math.abs(byMm), 'mm')} ${byMm < 0 ? 'less' : 'more'}`,
  changes: [decide((job) => job.size[field], mm)],
});

export const creaseSnags = (job: Job, workshop: Workshop, found: CreaseFindings): readonly Snag[] => [
  ...(found.byEnds ? [] : [...grooveSnags(workshop, found), ...boardSnags(workshop, found)]),
  ...mixedSnags(found),
  ...crackSnags(job, workshop, found),
];

/** A crease that is half mountain and half valley has no face that is right for all of it. */
function mixedSnags({ piece, lines }: CreaseFindings): readonly Snag[] {
  const directionOf = (id: string) => pressedLines(piece).find((crease) => crease.id === id)!.direction;
  const mixed = lines.find(({ creaseIds }) => new Set(creaseIds.map(directionOf)).size > 1);
  if (!mixed) return [];
  return [
    {
      id: 'crease-mixed',
      station: 'crease',
      level: 'note',
      title: `Half of crease ${mixed.number} bends the other way`,
      why: 'Pressed from one side in the open card, that half has its groove on the wrong side and may crack. Fold the crease across it first and press this one through both layers; or press each half from a side of its own.',
      remedies: [],
    },
  ];
}

function grooveSnags(workshop: Workshop, { piece, board, worst, friendly }: CreaseFindings): readonly Snag[] {
  if (Math.abs(worst.errorMm) <= ERROR_SHOWN_MM) return [];
  const others = workshop.boards.filter((b) => b.id !== board.id && worstErrorMm(piece, b) <= ERROR_SHOWN_MM);
  const [better] = sortedBy(others, (b) => worstErrorMm(piece, b));
  return [
    {
      id: 'crease-groove',
      station: 'crease',
      level: Math.abs(worst.errorMm) > ERROR_BAD_MM ? 'warn' : 'note',
      title: `No groove lands on ${piece.creases.length === 1 ? 'the fold' : `crease ${worst.number}`}: ${fixed(Math.abs(worst.errorMm), 1)} mm off`,
      why: `The fold is ${formatLength(worst.fromStopMm, 'mm')} from the stop; the nearest groove of ${board.name} is at ${formatLength(worst.grooveAtMm, workshop.unit)}.`,
      remedies: [
        ...friendly.slice(0, 2).map((f) => takeFriendly(f, workshop.unit)),
        ...(better
          ? [{ label: `Crease on ${better.name}`, changes: [decide((job) => job.crease.boardId, better.id)] }]
          : []),
      ],
    },
  ];
}

function boardSnags({ unit }: Workshop, { piece, board, lines }: CreaseFindings): readonly Snag[] {
  const long = lines.find(({ lengthMm, fromStopMm }) => Math.min(lengthMm, fromStopMm) > board.longestMm);
  const far = lines.find(({ fromStopMm }) => fromStopMm > board.longestMm);
  if (long)
    return [
      {
        id: 'crease-board-short',
        station: 'crease',
        level: 'warn',
        title: `${board.name} is shorter than the crease`,
        why: `The crease is ${formatLength(long.lengthMm, unit)} long and the board ${formatLength(board.longestMm, unit)}: slide the card along and go over it in two overlapping parts.`,
        remedies: [],
      },
    ];
  if (far && piece.creases.length > 1)
    return [
      {
        id: 'crease-board-far',
        station: 'crease',
        level: 'note',
        title: `Crease ${far.number} lies beyond ${board.name}`,
        why: `It is ${formatLength(far.fromStopMm, unit)} from the edge and the board has ${formatLength(board.longestMm, unit)}. Fold the creases before it first, then measure from that fold.`,
        remedies: [],
      },
    ];
  return [];
}

/** More folds would crack than may, however they are pressed; what would help is offered where it does. */
function crackSnags(job: Job, workshop: Workshop, { art, stock, sheet }: CreaseFindings): readonly Snag[] {
  const { recipes } = stock;
  // Light card that nobody has folded is not warned of: our scale knows little of it.
  if (!recipes || recipes.inForce.keeps || (!stock.needsScore && recipes.inForce.cracks.judged === 0)) return [];
  const { inForce, other } = recipes;
  const inkOver = hasArt(art, 'outside');
  const { coating } = stock.stock;
  const across = sheet.grainAlongFold === false;
  const along = [decide((job) => job.sheet.grain, 'respect')];
  // Along its grain a card may not come out of this sheet at all.
  const up = across ? tryOut(job, workshop, art.ink, along).comesOut : 0;
  const share = sayShare(inForce.cracks.cracked);
  const why = across
    ? `Fibres across the fold break rather than bend${inkOver ? ', and ink over the fold shows the break' : ''}.`
    : hasSkin(coating)
      ? `A ${coating} skin splits before its fibres do${inkOver ? ', and ink over it shows white' : ''}.`
      : inkOver
        ? 'Ink over the fold shows every break.'
        : 'The card is thick for its crease.';
  return [
    {
      id: across ? 'crease-across-grain' : hasSkin(coating) ? 'crease-skin' : 'crease-cracks',
      station: 'crease',
      level: across || inForce.cracks.cracked > WARNS_FROM ? 'warn' : 'note',
      title: across
        ? `This fold runs across the grain: ${share} would crack`
        : hasSkin(coating)
          ? `A ${coating} skin may show white at the fold: ${share} would crack`
          : `${share} of these folds would crack`,
      why: `${why} ${inForce.cracks.judged > 0 ? 'So your own folds of it say.' : 'Fold a test card first, or three strips on the stock’s own page: then this goes by your card.'}`,
      remedies: [
        ...(up > 0 ? [{ label: `Keep the grain along the fold: ${up} up`, changes: along }] : []),
        ...(other.keeps || other.cracks.cracked < inForce.cracks.cracked * HELPS
          ? [
              {
                label: `Press ${other.school === 'firm' ? 'firmly' : 'lightly'}: ${sayShare(other.cracks.cracked)}`,
                changes: [decide((job) => job.crease.pressure, other.school)],
              },
            ]
          : []),
        ...(job.crease.bead === 'intoGroove'
          ? [{ label: 'Put the bead inside the fold', changes: [decide((job) => job.crease.bead, 'inside')] }]
          : []),
      ],
    },
  ];
}
