import type { Job } from '../job/types.ts';
import { wantedOf } from '../job/namesList.ts';
import type { Plan } from '../plan/planJob.ts';
import { piecesOf } from '../stations/envelope/piecesOf.ts';
import { countRun, type Run } from '../stations/make/run.ts';
import { thingKey, type Take, type ThingRef } from '../workshop/counted.ts';

/** Sums that come out whole may miss it by the last figure. */
const HAIR = 1e-9;

/** How much of a thing so many cards take. */
export const takenFor = ({ per }: Take, cards: number): number =>
  per.kind === 'sheet' ? Math.ceil(cards / per.cards - HAIR) : Math.ceil(cards * per.count - HAIR);

/** What the cards of a plan take: sheets of every piece, bought envelopes, what is put on them. */
export function takesOf(job: Job, plan: Pick<Plan, 'sheet' | 'envelope'>): readonly Take[] {
  const cards = wantedOf(job) + plan.sheet.spares;
  const { envelope } = job.brief;
  return [
    ...piecesOf(plan).flatMap(({ stock, up, made }): readonly Take[] =>
      up > 0 && made > 0
        ? [{ shelf: 'stocks', thingId: stock.id, per: { kind: 'sheet', cards: (up * cards) / made } }]
        : [],
    ),
    ...(envelope.kind === 'shelf' && !job.envelope.make
      ? [{ shelf: 'envelopes' as const, thingId: envelope.envelopeId, per: { kind: 'card' as const, count: 1 } }]
      : []),
    ...putOnEach(job),
  ];
}

/** What is put on each card. */
function putOnEach({ trimmings = [] }: Pick<Job, 'trimmings'>): readonly Take[] {
  const onEach = new Map<string, number>();
  for (const { trimmingId } of trimmings) onEach.set(trimmingId, (onEach.get(trimmingId) ?? 0) + 1);
  return [...onEach].map(([thingId, count]) => ({ shelf: 'trimmings', thingId, per: { kind: 'card', count } }));
}

/** What a run has taken of one thing: into good cards, and into spoiled ones. */
export interface Taken extends ThingRef {
  readonly made: number;
  readonly spoiled: number;
}

/** Spoiled cards are paper that is gone; their envelopes are not filled, and what was put on them comes off again. */
export function takenByRun(run: Pick<Run, 'document' | 'events' | 'takes'>): readonly Taken[] {
  const { good, spoiled } = countRun(run.events);
  // Of runs that were released before this was kept only what is put on cards is known.
  const takes = run.takes ?? putOnEach(run.document);
  const all = new Map<string, Taken>();
  for (const take of takes) {
    const made = takenFor(take, good);
    const lost = take.per.kind === 'sheet' ? takenFor(take, good + spoiled) - made : 0;
    const before = all.get(thingKey(take));
    all.set(thingKey(take), {
      ...{ shelf: take.shelf, thingId: take.thingId },
      made: (before?.made ?? 0) + made,
      spoiled: (before?.spoiled ?? 0) + lost,
    });
  }
  return [...all.values()];
}
