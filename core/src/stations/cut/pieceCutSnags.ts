import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import { decide } from '../../job/decide.ts';
import type { Snag } from '../../job/findings.ts';
import type { Trimmer, Workshop } from '../../workshop/types.ts';
import { longestCutMm } from './handiestMoves.ts';
import type { CutMove } from './types.ts';

/** Cuts of a layer, an envelope’s blank or a liner that this tool is too short for. */
export function pieceCutSnags(
  {
    id,
    station,
    name,
    moves,
  }: {
    readonly id: string;
    readonly station: Snag['station'];
    readonly name: string;
    readonly moves: readonly CutMove[];
  },
  trimmer: Trimmer,
  workshop: Workshop,
): readonly Snag[] {
  const need = longestCutMm(moves);
  if (moves.length === 0 || need <= trimmer.longestCutMm + TOLERANCE_MM) return [];
  const say = (mm: number): string => formatLength(mm, workshop.unit);
  return [
    {
      id: `cut-layer-too-long-${id}`,
      station,
      level: 'warn',
      title: `${trimmer.name} is too short for the sheet of ${name.toLowerCase()}`,
      why: `The longest cut is ${say(need)}; it cuts ${say(trimmer.longestCutMm)}.`,
      remedies: workshop.trimmers
        .filter((t) => t.longestCutMm >= need && t.id !== trimmer.id)
        .map((t) => ({ label: `Cut with ${t.name}`, changes: [decide((job) => job.cut.trimmerId, t.id)] })),
    },
  ];
}
