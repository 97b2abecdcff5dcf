import type { Restored } from './restoreBackup.ts';

const of = (count: number, one: string, many: string): string => `${count} ${count === 1 ? one : many}`;

/** What came of bringing a backup back, in sentences. */
export function sayRestored({ jobs, same, beside, pictures, runs, things, lost }: Restored): string {
  const back = jobs + pictures + runs + things + beside > 0;
  return [
    !back && 'Nothing of it was missing here.',
    back &&
      `${of(jobs, 'job', 'jobs')}, ${of(pictures, 'picture', 'pictures')} and ${of(runs, 'run', 'runs')} came back.`,
    same > 0 && `${of(same, 'job is', 'jobs are')} here already as in the backup.`,
    beside > 0 &&
      `${of(beside, 'job says', 'jobs say')} something else here now: the backup’s stands beside as “(from the backup)”.`,
    things > 0 && `${of(things, 'thing was', 'things were')} added to the workshop.`,
    lost.length > 0 && `${of(lost.length, 'picture', 'pictures')} could not be read any more; place them again.`,
  ]
    .filter((sentence) => sentence !== false)
    .join(' ');
}
