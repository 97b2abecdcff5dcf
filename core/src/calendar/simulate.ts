import type { Block, Evening, JobTimes, JobWork, Minute, Shared } from './types.ts';

export interface Course {
  readonly blocks: readonly Block[];
  readonly jobs: readonly JobTimes[];
}

interface Going {
  readonly job: JobWork;
  stage: number;
  /** Of that stage. */
  left: number;
  /** What came before has dried, and its day has come. */
  readyAt: Minute;
  dryingUntil: Minute;
  beganAt: Minute | null;
  endedAt: Minute | null;
}

/** Shorter than this nothing is begun, and what is left of a stage counts as done: a tenth of a second. */
const MOMENT = 1 / 600;

/**
 * What a list of jobs comes to where whoever is free takes the first that can go on: one person a stage, one run on a
 * printer, one at the bench for each pair of hands but one bench in all, no more runs begun than there are racks to dry
 * them. Work may be put down at the end of an evening, and for a job that stands earlier in the list.
 * @param inTurn jobs, the most pressing first
 */
export function simulate(inTurn: readonly JobWork[], evenings: readonly Evening[], { hands, racks }: Shared): Course {
  const going = inTurn.map((job): Going => ({
    ...{ job, stage: 0, left: job.stages[0]?.minutes ?? 0, readyAt: job.notBefore, dryingUntil: -Infinity },
    ...{ beganAt: null, endedAt: job.stages.length === 0 ? job.notBefore : null },
  }));
  const blocks: Block[] = [];
  for (const { from, to } of evenings) {
    let now = from;
    while (to - now > MOMENT) {
      const active = takeUp(going, now, { hands, racks });
      const next = Math.min(to, nextChange(going, now), ...active.map((one) => now + one.left));
      // Nobody can go on, and nothing changes before the evening is over.
      if (active.length === 0 && next === to) break;
      for (const one of active) {
        one.beganAt ??= now;
        put(blocks, { jobId: one.job.jobId, stage: one.job.stages[one.stage]!.stage, from: now, to: next }, hands);
        one.left -= next - now;
        if (one.left <= MOMENT) goOn(one, next);
      }
      now = next;
    }
    if (going.every((one) => one.endedAt !== null)) break;
  }
  return {
    blocks,
    jobs: going.map(({ job, beganAt, endedAt }) => ({
      ...{ jobId: job.jobId, beginsAt: beganAt, endsAt: endedAt },
      lateMinutes: job.dueAt === null ? 0 : endedAt === null ? Infinity : Math.max(0, endedAt - job.dueAt),
    })),
  };
}

/** When something becomes ready next, or leaves its rack. */
function nextChange(going: readonly Going[], now: Minute): Minute {
  let next = Infinity;
  for (const { readyAt, dryingUntil, endedAt } of going) {
    if (endedAt === null && readyAt > now && readyAt < next) next = readyAt;
    if (dryingUntil > now && dryingUntil < next) next = dryingUntil;
  }
  return next;
}

/** Who works on what from now on: the list is gone through once, and each takes what is free. */
function takeUp(going: readonly Going[], now: Minute, { hands, racks }: Shared): readonly Going[] {
  const active: Going[] = [];
  const busy = new Set<string>();
  // Runs on a printer, begun and put down, or drying, each have a rack.
  let onRacks = 0;
  for (const one of going) if (holdsRack(one, now)) onRacks += 1;
  for (const one of going) {
    if (active.length === hands) break;
    if (one.endedAt !== null || one.readyAt > now) continue;
    const { printerId } = one.job.stages[one.stage]!;
    const place = printerId ?? 'bench';
    const wantsRack = printerId !== null && !holdsRack(one, now);
    if (busy.has(place) || (wantsRack && onRacks >= racks)) continue;
    if (wantsRack) onRacks += 1;
    busy.add(place);
    active.push(one);
  }
  return active;
}

function holdsRack({ job, stage, left, dryingUntil, endedAt }: Going, now: Minute): boolean {
  if (dryingUntil > now && job.stages[stage - 1]!.printerId !== null) return true;
  return endedAt === null && job.stages[stage]!.printerId !== null && left < job.stages[stage]!.minutes;
}

function goOn(one: Going, now: Minute): void {
  const { waitMinutes } = one.job.stages[one.stage]!;
  one.dryingUntil = now + waitMinutes;
  one.readyAt = Math.max(now + waitMinutes, one.job.notBefore);
  one.stage += 1;
  if (one.stage === one.job.stages.length) one.endedAt = one.readyAt;
  else one.left = one.job.stages[one.stage]!.minutes;
}

/** Goes on with the block before, where it is the same work: no farther back than everybody’s last. */
function put(blocks: Block[], block: Block, hands: number): void {
  for (let i = blocks.length - 1; i >= 0 && i >= blocks.length - 2 * hands; i -= 1) {
    const before = blocks[i]!;
    if (before.to === block.from && before.jobId === block.jobId && before.stage === block.stage) {
      blocks[i] = { ...before, to: block.to };
      return;
    }
  }
  blocks.push(block);
}
