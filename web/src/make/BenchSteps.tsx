import type { ReactNode } from 'react';
import type { Run } from '@zippy/core';
import { ButtonLink } from '../ui/buttons.tsx';

/** The way back, how far the run is, and whether all of it is on the server. */
export function BenchSteps({
  run,
  stepsDone,
  step,
  kept,
}: {
  readonly run: Run;
  readonly stepsDone: ReadonlySet<string>;
  /** The one that is on; null when all are done. */
  readonly step: Run['steps'][number] | null;
  readonly kept: string;
}): ReactNode {
  return (
    <header>
      <ButtonLink href={`/jobs/${run.jobId}/make`}>Leave the bench</ButtonLink>
      <ol aria-label="Steps">
        {run.steps.map((s) => (
          <li
            key={s.id}
            className={stepsDone.has(s.id) ? 'done' : s === step ? 'now' : ''}
            aria-current={s === step ? 'step' : undefined}
          >
            <span>{s.title}</span>
          </li>
        ))}
      </ol>
      <span role="status" className="kept">
        {kept}
      </span>
    </header>
  );
}
