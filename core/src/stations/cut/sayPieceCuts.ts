import { formatLength } from '../../ground/length/formatLength.ts';
import type { LengthUnit } from '../../ground/length/types.ts';
import type { Trimmer } from '../../workshop/types.ts';
import type { PieceCuts } from './types.ts';
import { sayCorners } from './sayCorners.ts';
import { sayMachine } from './sayMachine.ts';
import type { CutMove } from './types.ts';

/**
 * How a piece comes out of its sheet: what to set the fence or the rule to, and what is then cut off by marks; or what
 * the machine is sent. What a machine does not take, for its width or for want of marks, is cut by its template.
 * @param listedAt where moves are listed that are too many, or make parts, to be said in one line
 */
export function sayPieceCuts(
  { moves, corners, machine }: PieceCuts,
  trimmer: Trimmer,
  unit: LengthUnit,
  listedAt: string,
): readonly string[] {
  if (machine) return [sayMachine(machine, 'its own cut file', 'the bare sheet')];
  if (trimmer.kind === 'machine') return ['Cut round the outline by its template.'];
  const said = sayFence(moves, unit);
  const tool = trimmer.kind === 'knife' || trimmer.kind === 'scissors' ? 'Rule' : 'Fence';
  return [
    ...(moves.length === 0 ? [] : [said ? `${tool}: ${said}.` : `${moves.length} cuts, ${listedAt}.`]),
    ...sayCorners(corners, unit),
  ];
}

/** The settings of some moves one after the other, as they are read out; null where they make parts that want names. */
export function sayFence(moves: readonly CutMove[], unit: LengthUnit): string | null {
  if (moves.length === 0 || moves.some(({ stays }) => stays !== null)) return null;
  return moves
    .map(({ turn, atFence, fenceMm }, i) => {
      const turned = i === 0 || turn === 'No turn' ? '' : `${turn.toLowerCase()}, `;
      return `${turned}${formatLength(fenceMm, unit)} (${atFence})`;
    })
    .join('; ');
}
