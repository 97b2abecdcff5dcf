import type { ReactNode } from 'react';
import type { Spoken, StationPlan } from '@zippy/core';
import { Figures } from './Figures.tsx';
import { Decisions, SlipPaper, Verdict } from './parts.ts';
import { Snags } from './Snags.tsx';

/** The right-hand slip: a sentence, a few decisions, what is wrong, then the figures. */
export function Slip({
  title,
  part,
  spoken,
  children,
  after,
}: {
  readonly title: string;
  readonly part: StationPlan;
  readonly spoken: Spoken;
  readonly children: ReactNode;
  readonly after?: ReactNode;
}): ReactNode {
  return (
    <SlipPaper aria-label={`${title}: decisions`}>
      <h2>{title}</h2>
      <Verdict aria-live="polite">{part.verdict}</Verdict>
      <Snags snags={part.snags} />
      <Decisions>{children}</Decisions>
      <Figures figures={part.figures} spoken={spoken} />
      {after}
    </SlipPaper>
  );
}
