import type { Context } from '../../job/context.ts';
import { decide } from '../../job/decide.ts';
import { wantedOf } from '../../job/namesList.ts';
import { count, figure, plural, sayDay, words } from '../../job/figures.ts';
import { envelopeOnHand } from '../../job/pick.ts';
import type { Snag, StationPlan } from '../../job/findings.ts';
import { formatSize } from '../../ground/length/formatLength.ts';

export interface BriefPlan extends StationPlan {
  /** Good cards that the job makes: typed, or as many as its list of names has. */
  readonly wanted: number;
  readonly envelopeName: string | null;
}

/** An ISO day; null where no clock is read. */
export interface BriefContext extends Context {
  readonly today: string | null;
}

/**
 * How many cards, for whom, by when and into which envelope, in words and counts.
 * @param context the day as ISO 8601, so that a due date can be late; null where no day is known
 */
export function planBrief({ job, workshop, today }: BriefContext): BriefPlan {
  const { title, purpose, dueDate } = job.brief;
  const wanted = wantedOf(job);
  const envelope = envelopeOnHand(job, workshop);
  const daysLeft = today && dueDate ? daysBetween(today, dueDate) : null;
  const snags: Snag[] = [];
  if (daysLeft !== null && daysLeft < 0)
    snags.push({
      id: 'brief-late',
      station: 'brief',
      level: 'warn',
      title: `The due date was ${-daysLeft} ${plural(-daysLeft, 'day')} ago`,
      why: `It was due on ${sayDay(dueDate!, workshop.region)}; today is ${sayDay(today!, workshop.region)}.`,
      remedies: [{ label: 'Make it without a date', changes: [decide((job) => job.brief.dueDate, null)] }],
    });
  const short = envelope?.shelf && !job.envelope.make ? wanted - envelope.shelf.onShelf : 0;
  if (envelope?.shelf && short > 0)
    snags.push({
      id: 'brief-envelopes-short',
      station: 'brief',
      level: 'warn',
      title: `${short} ${plural(short, 'envelope')} short`,
      why: `${wanted} cards are wanted and the shelf holds ${envelope.shelf.onShelf} of ${envelope.name}.`,
      remedies: [
        ...(envelope.shelf.onShelf > 0
          ? [
              {
                label: `Make ${envelope.shelf.onShelf} cards`,
                changes: [decide((job) => job.brief.wanted, envelope.shelf.onShelf)],
              },
            ]
          : []),
        { label: 'Make matching envelopes', changes: [decide((job) => job.envelope.make, true)] },
      ],
    });
  const forWhom = purpose === 'give' ? 'to give' : 'to sell';
  const when = dueDate ? ` by ${sayDay(dueDate, workshop.region)}` : '';
  return {
    wanted,
    envelopeName: envelope?.name ?? null,
    verdict: `${wanted} ${plural(wanted, 'card')} ${forWhom}${when}${envelope ? `, into ${envelope.name}` : ''}.`,
    telling: `${wanted} ${forWhom}`,
    figures: [
      figure(
        'wanted',
        'Good cards wanted',
        count(wanted),
        wanted === job.brief.wanted ? 'as typed for this job' : 'one for each card of the list of names, which decides',
      ),
      ...(daysLeft !== null && daysLeft >= 0
        ? [
            figure('days', 'Time left', count(daysLeft, 'day'), 'due date − today', {
              'Due date': words(sayDay(dueDate!, workshop.region)),
              Today: words(sayDay(today!, workshop.region)),
            }),
          ]
        : []),
      ...(envelope
        ? [
            figure(
              'envelope',
              'Envelope inside',
              words(formatSize(envelope.insideWidthMm, envelope.insideHeightMm, workshop.unit)),
              envelope.shelf ? 'as measured on the shelf' : 'as typed for this job',
              { Job: words(title) },
            ),
          ]
        : []),
    ],
    snags,
  };
}

const DAY_MS = 86_400_000;
const daysBetween = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
