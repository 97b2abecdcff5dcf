import type { ReactNode } from 'react';
import type { Run } from '@zippy/core';
import { BenchButton, ButtonLink } from '../ui/buttons.tsx';

/** The way back, how far the run is, and whether all of it is on the server. */
export function BenchSteps({
  run,
  stepsDone,
  step,
  kept,
  isKeptHere,
  sound,
  onGo,
}: {
  readonly run: Run;
  readonly stepsDone: ReadonlySet<string>;
  /** The one that is looked at; null when all are done. */
  readonly step: Run['steps'][number] | null;
  readonly kept: string;
  /** It goes on without the server, and through a page that is loaded anew. */
  readonly isKeptHere: boolean;
  readonly sound: { readonly isOn: boolean; readonly setOn: (on: boolean) => void };
  readonly onGo: (stepId: string) => void;
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
            <button type="button" tabIndex={-1} title={s.title} onClick={() => onGo(s.id)}>
              <span>{s.title}</span>
            </button>
          </li>
        ))}
      </ol>
      <BenchButton aria-pressed={sound.isOn} onPress={() => sound.setOn(!sound.isOn)}>
        Sound {sound.isOn ? 'on' : 'off'}
      </BenchButton>
      <span role="status" className="kept">
        <span>{kept}</span>
        {isKeptHere && <small>works without the server</small>}
      </span>
    </header>
  );
}
