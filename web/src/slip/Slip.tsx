import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { Spoken, StationPlan } from '@zippy/core';
import { Figures } from './Figures.tsx';
import { Decisions, SlipPaper, Verdict } from './parts.ts';
import { Snags } from './Snags.tsx';

/** The right-hand slip: a sentence, a few decisions, then the figures; and what is wrong at its foot, always in sight. */
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
    <Whole aria-label={`${title}: decisions`}>
      <div className="read">
        <h2>{title}</h2>
        <Verdict aria-live="polite">{part.verdict}</Verdict>
        <Decisions>{children}</Decisions>
        <Figures figures={part.figures} spoken={spoken} />
        {after}
      </div>
      <Snags snags={part.snags} />
    </Whole>
  );
}

const Whole = styled(SlipPaper)`
  gap: 0;
  padding: 0;
  overflow: hidden;
  > .read {
    position: relative;
    flex: 1;
    display: flex;
    flex-direction: column;
    gap: 14px;
    min-height: 0;
    overflow: auto;
    padding: 18px 20px 28px;
  }
  @media (max-width: 900px) {
    overflow: visible;
    > .read {
      overflow: visible;
    }
  }
`;
