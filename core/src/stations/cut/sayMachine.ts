import { sayMinutes } from '../../job/figures.ts';
import type { MachinePlan } from './planMachine.ts';

/** What a machine is told before it cuts a sheet, and how long it takes over it. */
export function sayMachine({ marks, passes, force, secondsPerSheet }: MachinePlan, file: string, bare: string): string {
  const lies =
    marks.length > 0 ? 'front up, the corner without a mark at the bottom right' : `${bare} square in its corner`;
  return `Send ${file}, ${lies}. ${passes} ${passes === 1 ? 'pass' : 'passes'}${force === null ? '' : ` at force ${force}`}, about ${sayMinutes(secondsPerSheet / 60)} a sheet.`;
}
