import { evenSides } from '../ground/geometry/box.ts';
import type { Sides } from '../ground/geometry/types.ts';
import type { MachineFacts } from './types.ts';

/** What a cutting machine does not reach of a sheet as it is loaded: on each side its own, or the same all round. */
export const machineMargins = ({ marginMm, marginsMm }: Pick<MachineFacts, 'marginMm' | 'marginsMm'>): Sides =>
  marginsMm ?? evenSides(marginMm);

/** The same machine with other margins; the widest stands where only one is asked for. */
export function withMargins(machine: MachineFacts, marginsMm: Sides): MachineFacts {
  const { top, right, bottom, left } = marginsMm;
  return { ...machine, marginsMm, marginMm: Math.max(top, right, bottom, left) };
}
