import ical, { ICalCalendarMethod, ICalEventBusyStatus } from 'ical-generator';
import { sayMinutes } from '../job/figures.ts';
import { dayAt } from './evenings.ts';
import { onEvening, type Outlook } from './outlook.ts';
import { sayStageWork } from './sayStageWork.ts';
import type { JobWork, Minute } from './types.ts';

/** As the wall clock shows it, wherever the calendar is read. */
const wall = (minute: Minute): Date => new Date(minute * 60_000);

/**
 * Evenings with what they hold, and the days on which jobs are due, as a file that calendars take in. Source: RFC 5545;
 * times are floating, since an evening is an evening where the bench stands. Taken in again it moves what it brought before.
 * @param made when the file was, ISO 8601
 */
export function iCalendar(
  { evenings, plan, jobs: outlooks }: Outlook,
  jobs: readonly JobWork[],
  { studio, made }: { readonly studio: string; readonly made: string },
): string {
  const titles = new Map(jobs.map(({ jobId, title }) => [jobId, title]));
  const calendar = ical({
    name: `${studio}: making`,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Zippy Crease', product: 'Calendar' },
  });
  for (const { day } of evenings) {
    const blocks = onEvening({ plan }, day);
    if (blocks.length === 0) continue;
    const ends = Math.max(...blocks.map(({ to }) => to));
    const work = [...new Set(blocks.map(({ jobId }) => jobId))];
    calendar.createEvent({
      ...{ id: `evening-${day}@zippy-crease`, stamp: new Date(made), floating: true },
      ...{ start: wall(Math.round(blocks[0]!.from)), end: wall(Math.ceil(ends)) },
      summary: work.map((jobId) => titles.get(jobId)!).join(', '),
      description: blocks
        .map(({ jobId, stage, from, to }) => `${titles.get(jobId)!}: ${sayStageWork(stage)}, ${sayMinutes(to - from)}`)
        .join('\n'),
    });
  }
  for (const { jobId, dueAt } of jobs) {
    if (dueAt === null) continue;
    const begin = outlooks.find((one) => one.jobId === jobId)?.startBy ?? null;
    calendar.createEvent({
      ...{ id: `due-${jobId}@zippy-crease`, stamp: new Date(made), allDay: true, floating: true },
      ...{ start: wall(dueAt - 1440), busystatus: ICalEventBusyStatus.FREE },
      summary: `Due: ${titles.get(jobId)!}`,
      ...(begin === null ? {} : { description: `To be begun by ${dayAt(begin)}.` }),
    });
  }
  return calendar.toString();
}
