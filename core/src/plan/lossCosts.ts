import type { Minor } from '../ground/money.ts';
import { STAGES, type Stage } from '../workshop/stages.ts';
import type { Workshop } from '../workshop/types.ts';
import type { CostPart } from '../stations/sell/planSell.ts';
import type { Plan } from './planJob.ts';

/** What is in a card by the time that a stage is done, beside the work. */
const IN_IT: Readonly<Record<CostPart['id'], Stage | null>> = {
  sheets: 'print',
  ink: 'print',
  layers: 'assemble',
  trimmings: 'assemble',
  ribbon: 'assemble',
  adhesive: 'assemble',
  // Lost with no card.
  envelope: null,
  post: null,
  extras: null,
  time: null,
};

export type LossCosts = Readonly<Record<Stage, Minor>>;

/** What a card has cost that is lost at a stage: all that is in it by then, and the work that went into it. */
export function lossCosts(
  { sell, make }: Pick<Plan, 'sell' | 'make'>,
  { hourlyMinor }: Pick<Workshop, 'hourlyMinor'>,
  cards: number,
): LossCosts {
  let sum = 0;
  const costs = STAGES.map((stage): [Stage, number] => {
    const stuff = sell.parts.reduce((n, part) => n + (IN_IT[part.id] === stage ? part.perCardMinor : 0), 0);
    const work = cards === 0 ? 0 : ((make.stageMinutes[stage] / 60) * hourlyMinor) / cards;
    sum += stuff + work;
    return [stage, sum];
  });
  return Object.fromEntries(costs) as LossCosts;
}
