import { capital } from '../../job/figures.ts';
import type { Trimmer } from '../../workshop/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { LengthUnit } from '../../ground/length/types.ts';
import type { DraftMove } from './draftMoves.ts';
import { strokesOf } from './handiestMoves.ts';
import { EDGES, type CutMove, type Edge } from './types.ts';

/** Numbers drafted moves in their order, counts turns and strokes, and puts each into words. */
export function numberMoves(
  drafts: readonly DraftMove[],
  {
    sheets,
    sheetsAtOnce,
    trimmer,
    unit,
    comesOff = 'card',
  }: {
    readonly sheets: number;
    readonly sheetsAtOnce: number;
    readonly trimmer: Trimmer;
    readonly unit: LengthUnit;
    readonly comesOff?: string;
  },
): readonly CutMove[] {
  let atFence: Edge | null = null;
  const mixed = drafts.some((move) => move.fallsOff === 'part');
  return drafts.map((move, i) => {
    const turn = sayTurn(atFence, move.atFence);
    atFence = move.atFence;
    const strokes = strokesOf(move, sheets, sheetsAtOnce);
    const byRule = trimmer.kind === 'knife' || trimmer.kind === 'scissors';
    const set = byRule ? 'Lay the rule' : 'Set the fence';
    const at = byRule ? `from the ${move.atFence} edge` : `, ${move.atFence} edge against it`;
    const edge = byRule ? `measured from the ${move.atFence} edge` : `${move.atFence} edge against the fence`;
    const falls = move.makesTrueEdge
      ? 'The waste falls off and the cut is a true edge.'
      : move.fallsOff === 'waste'
        ? 'The waste falls off.'
        : move.fallsOff === 'part'
          ? `The rest is now ${move.stays}; what comes off is ${move.comesOff}, with its edges true. Keep both.`
          : `A ${move.fallsOff === 'card' ? comesOff : move.fallsOff} comes off; keep it.`;
    const whose = mixed && !move.makesTrueEdge ? `${capital(move.piece)}: ` : '';
    return {
      ...move,
      number: i + 1,
      turn,
      strokes,
      how: `${whose}${whose ? edge : capital(edge)}, front up. ${falls}`,
      text: `${whose}${whose ? set.charAt(0).toLowerCase() + set.slice(1) : set} ${byRule ? `${formatLength(move.fenceMm, unit)} ${at}` : `to ${formatLength(move.fenceMm, unit)}${at}`}, front up. ${falls}`,
    };
  });
}

function sayTurn(from: Edge | null, to: Edge): string {
  if (from === null) return 'To begin';
  const quarters = (EDGES.indexOf(from) - EDGES.indexOf(to) + 4) % 4;
  return ['No turn', 'Quarter turn clockwise', 'Half turn', 'Quarter turn anticlockwise'][quarters]!;
}
