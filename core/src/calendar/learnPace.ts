import { notUndone, type RunEvent } from '../stations/make/run.ts';
import { stageOf } from '../stations/make/stageOf.ts';
import type { MakeStep } from '../stations/make/types.ts';
import { STRAYS } from './strays.ts';
import { STAGES, type Stage } from './types.ts';

/** A finished run, as far as it tells how long things take. */
export interface TimedRun {
  /** ISO 8601. */
  readonly startedAt: string;
  /** What the maker’s pace said of each stage, minutes, for all cards that were wanted. */
  readonly stageMinutes: Readonly<Record<Stage, number>>;
  readonly wanted: number;
  readonly steps: readonly Pick<MakeStep, 'id' | 'kind'>[];
  readonly events: readonly RunEvent[];
}

/** How long a stage takes beside what the maker’s pace says. */
export interface LearntStage {
  /** As many times as long. */
  readonly times: number;
  /** Standard deviation of its logarithm from one run to the next. */
  readonly strays: number;
  readonly runs: number;
}
export type LearntPace = Readonly<Partial<Record<Stage, LearntStage>>>;

/** Longer between two presses, and somebody went away: that stage of that run tells nothing. */
const AWAY_MINUTES = 240;
/** What is thought before counts as so many runs that went as the pace says. Our starting value. */
const BEFORE_RUNS = 1;
const MINUTE_MS = 60_000;

/**
 * What runs teach of the maker’s pace: from one step’s press to the next is how long that step took. The logarithm of what
 * a stage took over what it was to take is normal about its own mean; before any run that mean is nought and it strays by
 * our starting value, which counts as one run. Source: the normal model with a conjugate prior.
 */
export function learnPace(runs: readonly TimedRun[]): LearntPace {
  const ratios = new Map<Stage, number[]>();
  for (const run of runs)
    for (const [stage, minutes] of stagesTook(run)) {
      const said = run.stageMinutes[stage] * shareMade(run);
      if (said > 0 && minutes > 0) ratios.set(stage, [...(ratios.get(stage) ?? []), Math.log(minutes / said)]);
    }
  return Object.fromEntries(
    STAGES.flatMap((stage) => {
      const own = ratios.get(stage);
      if (!own) return [];
      const weight = own.length + BEFORE_RUNS;
      const mean = own.reduce((a, b) => a + b, 0) / weight;
      const squares = own.reduce((sum, one) => sum + (one - mean) ** 2, 0) + BEFORE_RUNS * (STRAYS ** 2 + mean ** 2);
      return [[stage, { times: Math.exp(mean), strays: Math.sqrt(squares / weight), runs: own.length }]];
    }),
  );
}

/** Cards that were made, good and spoiled, of those that were wanted. */
function shareMade({ events, wanted }: TimedRun): number {
  const made = notUndone(events).reduce(
    (n, { kind, cards }) => n + (kind === 'good' || kind === 'spoiled' ? cards : 0),
    0,
  );
  return made === 0 ? 1 : made / Math.max(1, wanted);
}

/** Minutes that each stage took; none of what was broken off in between, or was never pressed. */
function stagesTook({ startedAt, steps, events }: TimedRun): ReadonlyMap<Stage, number> {
  const kinds = new Map(steps.map(({ id, kind }) => [id, kind]));
  const presses = notUndone(events)
    .filter(({ kind, at }) => kind === 'step' && at !== null)
    .sort((a, b) => Date.parse(a.at!) - Date.parse(b.at!));
  const took = new Map<Stage, number>();
  const broken = new Set<Stage>();
  const seen = new Set<string>();
  let before = Date.parse(startedAt);
  for (const { stepId, at } of presses) {
    const now = Date.parse(at!);
    const kind = stepId === null ? undefined : kinds.get(stepId);
    const minutes = (now - before) / MINUTE_MS;
    before = now;
    const stage = kind ? stageOf({ kind }) : null;
    if (!stage || seen.has(stepId!)) continue;
    seen.add(stepId!);
    if (minutes > AWAY_MINUTES) broken.add(stage);
    took.set(stage, (took.get(stage) ?? 0) + minutes);
  }
  // A stage of which a step was never pressed has told only a part.
  for (const step of steps) {
    const stage = stageOf(step);
    if (stage && !seen.has(step.id)) broken.add(stage);
  }
  return new Map([...took].filter(([stage]) => !broken.has(stage)));
}
