import { STAGES, type Stage } from '../../workshop/stages.ts';
import type { StageLosses } from '../../workshop/learnt/types.ts';
import { notUndone, type RunEvent } from './run.ts';
import { stageOf } from './stageOf.ts';
import type { MakeStep } from './types.ts';

/** A run as far as it tells where cards are lost. */
export interface LoggedRun {
  readonly steps: readonly Pick<MakeStep, 'id' | 'kind'>[];
  readonly events: readonly Pick<RunEvent, 'id' | 'kind' | 'cards' | 'cause' | 'stepId' | 'undoes'>[];
  /** Which tool did each stage; nothing said is none. */
  readonly tools: Readonly<Partial<Record<Stage, string>>>;
}

/** Where a card is spoiled by a cause that belongs to one stage, whenever it is seen. */
const CAUSED_AT: Readonly<Record<string, Stage>> = {
  misfeed: 'print',
  smudge: 'print',
  'wrong face': 'print',
  'upside-down': 'print',
  miscut: 'cut',
  crack: 'crease',
};

/** Where a card was lost: where its cause belongs, or else at the step that was on. */
export function lostAt(
  { cause, stepId }: Pick<RunEvent, 'cause' | 'stepId'>,
  steps: readonly Pick<MakeStep, 'id' | 'kind'>[],
): Stage {
  const step = steps.find(({ id }) => id === stepId);
  const here = (step && stageOf(step)) ?? 'pack';
  // Ink that lies off is seen at the printer, or as the blade comes down.
  if (cause === 'drift') return here === 'print' ? 'print' : 'cut';
  return (cause && CAUSED_AT[cause]) || here;
}

/** Cards that came to each stage of runs and were lost there, tool by tool. A card lost earlier never came. */
export function countLosses(runs: readonly LoggedRun[]): readonly StageLosses[] {
  const counted = new Map<
    string,
    { stage: Stage; toolId: string | null; came: number; lost: number; causes: Record<string, number> }
  >();
  for (const { steps, events, tools } of runs) {
    const standing = notUndone(events as readonly RunEvent[]);
    const good = standing.reduce((n, { kind, cards }) => n + (kind === 'good' ? cards : 0), 0);
    const spoiled = standing.filter(({ kind }) => kind === 'spoiled');
    const gone = new Set<Stage>(steps.flatMap((step) => stageOf(step) ?? []));
    const at = spoiled.map((event) => ({
      stage: lostAt(event, steps),
      cards: event.cards,
      cause: event.cause ?? 'other',
    }));
    for (const { stage } of at) gone.add(stage);
    gone.add('pack');
    let left = good + at.reduce((n, { cards }) => n + cards, 0);
    for (const stage of STAGES) {
      if (!gone.has(stage) || left === 0) continue;
      const toolId = tools[stage] ?? null;
      const key = `${stage} ${toolId}`;
      const row = counted.get(key) ?? { stage, toolId, came: 0, lost: 0, causes: {} };
      row.came += left;
      for (const { stage: where, cards, cause } of at) {
        if (where !== stage) continue;
        row.lost += cards;
        row.causes[cause] = (row.causes[cause] ?? 0) + cards;
        left -= cards;
      }
      counted.set(key, row);
    }
  }
  return [...counted.values()];
}
