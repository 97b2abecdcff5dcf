import { useCallback, useEffect, useState, type ReactNode } from 'react';
import { useParams } from 'react-router';
import { countedOf, countRun, plural, takenByRun, thingKey, type Run, type Workshop } from '@zippy/core';
import { useRun } from '../stores/run.ts';
import { DoNow, KeyCap, PlainButton, ButtonLink } from '../ui/buttons.tsx';
import { Waiting } from '../ui/Waiting.tsx';
import { Card } from './benchLook.ts';
import { BenchSteps } from './BenchSteps.tsx';
import { SpoilDialog } from './SpoilDialog.tsx';
import { StepDrawing, StepView } from './StepView.tsx';
import { useBenchPresses } from './useBenchPresses.ts';

/** One step at a time, to be read at arm’s length with a blade in one hand. */
export default function BenchCard({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const { runId } = useParams();
  const { run, open, problem, add, undo, unsent, away } = useRun();
  useEffect(() => void open(runId!), [open, runId]);
  const count = run ? countRun(run.events) : null;
  const stepsDone = count?.stepsDone;
  const steps = run?.steps ?? [];
  const step = steps.find((s) => !stepsDone?.has(s.id)) ?? null;
  const finished = run?.finishedAt != null;

  const done = useCallback(() => {
    if (step) add({ kind: 'step', stepId: step.id });
  }, [step, add]);
  const good = useCallback(() => add({ kind: 'good', stepId: step?.id ?? null }), [add, step]);

  const [asking, setAsking] = useState(false);
  const spoiled = useCallback(() => setAsking(true), []);
  useBenchPresses(!asking && !finished, { done, good, spoiled, undo });

  if (problem && !run)
    return (
      <Waiting text={problem}>
        <ButtonLink href="/">All jobs</ButtonLink>
      </Waiting>
    );
  if (!run || !count) return <Waiting text="Setting out the bench …" />;
  const number = step ? steps.indexOf(step) + 1 : steps.length;
  const next = step ? steps[number] : null;
  const taken = finished ? sayTaken(run, workshop) : null;
  return (
    <Card>
      <BenchSteps
        {...{ run, step }}
        stepsDone={count.stepsDone}
        kept={away ? `Server away: ${unsent.length} kept here` : unsent.length > 0 ? 'Saving …' : 'Saved'}
      />
      <main aria-live="polite">
        {finished ? (
          <>
            <small>Finished</small>
            <h1>{count.good} good</h1>
            <p>{sayLosses(count.spoiled, count.causes)}</p>
            {taken && <p>{taken}</p>}
            <ButtonLink href={`/jobs/${run.jobId}/sell`}>What it cost</ButtonLink>
          </>
        ) : step ? (
          <StepView
            step={step}
            number={number}
            of={steps.length}
            next={next?.title ?? null}
            drawing={<StepDrawing run={run} step={step} workshop={workshop} />}
          />
        ) : (
          <>
            <small>All steps done</small>
            <h1>
              {count.good} of {run.wanted}
            </h1>
            <p>Count what is left, then finish the run. The log keeps what went well and what did not.</p>
            <DoNow onPress={() => add({ kind: 'finish' })}>Finish the run</DoNow>
          </>
        )}
      </main>
      {!finished && (
        <footer>
          <div className="count">
            <b>{count.good}</b>
            <span>good of {run.wanted}</span>
            <b className="lost">{count.spoiled}</b>
            <span>spoiled</span>
          </div>
          <PlainButton className="big" onPress={undo} isDisabled={run.events.length === 0}>
            Take back <KeyCap>⌫</KeyCap>
          </PlainButton>
          <PlainButton className="big" onPress={() => setAsking(true)}>
            Spoiled <KeyCap>B</KeyCap>
          </PlainButton>
          <PlainButton className="big" onPress={good}>
            Good <KeyCap>G</KeyCap>
          </PlainButton>
          <DoNow className="big step" onPress={done} isDisabled={!step}>
            Step done <KeyCap>space</KeyCap>
          </DoNow>
        </footer>
      )}
      <SpoilDialog
        isOpen={asking}
        onClose={() => setAsking(false)}
        onCause={(cause) => add({ kind: 'spoiled', cause, stepId: step?.id ?? null })}
      />
    </Card>
  );
}

/** What the run’s cards are made of, which is no longer on the shelf. */
function sayTaken(run: Run, workshop: Workshop): string | null {
  const things = new Map(countedOf(run.workshop ?? workshop).map((thing) => [thingKey(thing), thing]));
  const taken = takenByRun(run).flatMap((one) => {
    const [thing, count] = [things.get(thingKey(one)), one.made + one.spoiled];
    if (!thing || count === 0) return [];
    // Trimmings are called by their names alone.
    const what = one.shelf === 'trimmings' ? '' : `${plural(count, thing.one)} of `;
    return [`${count} ${what}${thing.name}`];
  });
  return taken.length > 0 ? `Off the shelf: ${taken.join(', ')}.` : null;
}

function sayLosses(spoiled: number, causes: Readonly<Record<string, number>>): string {
  if (spoiled === 0) return 'None spoiled.';
  return `${spoiled} spoiled: ${Object.entries(causes)
    .sort((a, b) => b[1] - a[1])
    .map(([cause, n]) => `${n} ${cause}`)
    .join(', ')}.`;
}
