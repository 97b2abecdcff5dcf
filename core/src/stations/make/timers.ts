import { notUndone, type RunEvent } from './run.ts';

/** Something that dries or sets, counted from the press that began it. */
export interface Timer {
  /** Of the press; to take it back is to stop it. */
  readonly id: string;
  readonly stepId: string | null;
  readonly minutes: number;
  /** Milliseconds since 1970. */
  readonly endsAt: number;
}

const MINUTE_MS = 60_000;

/**
 * The timers of a run that somebody still waits for, the first to end first. A step has one at most, its newest; one
 * whose step is done is over.
 */
export function timersOf(events: readonly RunEvent[]): readonly Timer[] {
  const standing = notUndone(events);
  const done = new Set(standing.flatMap(({ kind, stepId }) => (kind === 'step' && stepId ? [stepId] : [])));
  const byStep = new Map<string | null, Timer>();
  const begun = standing
    .filter(({ kind, at }) => kind === 'timer' && at !== null)
    .sort((a, b) => Date.parse(a.at!) - Date.parse(b.at!));
  for (const { id, stepId, at, detail } of begun) {
    if (detail?.kind !== 'timer' || (stepId !== null && done.has(stepId))) continue;
    byStep.set(stepId, { id, stepId, minutes: detail.minutes, endsAt: Date.parse(at!) + detail.minutes * MINUTE_MS });
  }
  return [...byStep.values()].sort((a, b) => a.endsAt - b.endsAt);
}
