import type { Stage } from '../stages.ts';
import type { BenchLog } from './types.ts';

/** A stage that a job goes through, on one of the workshop’s tools. */
export interface StageOnTool {
  readonly stage: Stage;
  readonly toolId: string | null;
}

/** What the log says of one stage of a job. */
export interface ExpectedLoss extends StageOnTool {
  /** Share of the cards that come to it. */
  readonly share: number;
  /** Cards of the log that came to it, on any tool. */
  readonly came: number;
  /** Why most were lost there; null where none was. */
  readonly cause: string | null;
}

/** What cards like a job’s have come to. */
export interface ExpectedLosses {
  /** As if so many had been made and lost through just these stages and tools. */
  readonly good: number;
  readonly spoiled: number;
  readonly stages: readonly ExpectedLoss[];
}

/** Before a tool has told enough, all tools of its stage together count as so many cards of it. Our starting value. */
const BEFORE_CARDS = 25;

/**
 * What the log says of a job that goes through some stages on some tools. A tool’s share starts from that of its stage
 * on all tools; the shares that come through multiply. As many cards stand behind it as were begun
 * for the stage that the log knows least of. Where every run of the log went through the same, it is just what the log counted.
 */
export function expectLosses(log: BenchLog, stages: readonly StageOnTool[]): ExpectedLosses {
  const { losses = [] } = log;
  const known = stages.flatMap(({ stage, toolId }): readonly ExpectedLoss[] => {
    const all = losses.filter((one) => one.stage === stage);
    const came = sum(all, (one) => one.came);
    if (came === 0) return [];
    const own = all.filter((one) => one.toolId === toolId);
    const before = sum(all, (one) => one.lost) / came;
    const share = (sum(own, (one) => one.lost) + BEFORE_CARDS * before) / (sum(own, (one) => one.came) + BEFORE_CARDS);
    return [{ stage, toolId, share, came, cause: worstCause(all) }];
  });
  if (known.length === 0) return { good: log.good, spoiled: log.spoiled, stages: [] };
  // So many must have been begun for as many to come to a stage.
  let [cards, through] = [Infinity, 1];
  for (const { came, share } of known) {
    cards = Math.min(cards, came / through);
    through *= 1 - share;
  }
  return { good: cards * through, spoiled: cards * (1 - through), stages: known };
}

const sum = <T>(of: readonly T[], worth: (one: T) => number): number => of.reduce((n, one) => n + worth(one), 0);

function worstCause(losses: BenchLog['losses'] & {}): string | null {
  const counts = new Map<string, number>();
  for (const { causes } of losses)
    for (const [cause, cards] of Object.entries(causes)) counts.set(cause, (counts.get(cause) ?? 0) + cards);
  const worst = [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))[0];
  return worst && worst[1] > 0 ? worst[0] : null;
}
