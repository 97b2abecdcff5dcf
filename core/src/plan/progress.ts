import type { Station } from '../job/stations.ts';
import { hasPrint } from '../stations/art/faces/drawCard.ts';
import { allSnags, type Plan } from './planJob.ts';

/** The station a job waits at, and why, in a few words for a wall of jobs. */
export interface Progress {
  readonly station: Station;
  readonly reason: string;
  readonly level: 'stop' | 'go' | 'done';
}

/** What has happened on the bench, counted over a job's runs. */
export interface BenchCount {
  readonly good: number;
  readonly open: boolean;
}

/** Where the work stands: a stop first, then a bare card, then the bench, then the price. */
export function progressOf(plan: Plan, wanted: number, bench: BenchCount): Progress {
  if (bench.open) return { station: 'make', reason: `${bench.good} of ${wanted} good`, level: 'go' };
  if (bench.good >= wanted) return { station: 'sell', reason: 'made', level: 'done' };
  const stop = allSnags(plan).find((snag) => snag.level === 'stop');
  if (stop) return { station: stop.station, reason: stop.title, level: 'stop' };
  // Bare card is made too, and the wall says so in a word.
  if (!plan.art.faces.some(hasPrint)) return { station: 'art', reason: 'Bare: nothing is printed', level: 'go' };
  return { station: 'make', reason: 'Ready to print', level: 'go' };
}
