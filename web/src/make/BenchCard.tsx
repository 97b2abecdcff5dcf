import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useParams } from 'react-router';
import { countRun, measurableAt, timersOf, type MakeStep, type Run, type RunCount, type Workshop } from '@zippy/core';
import { useRun } from '../stores/run.ts';
import { useWorkshop } from '../stores/workshop.ts';
import { DoNow, KeyCap, PlainButton, ButtonLink } from '../ui/buttons.tsx';
import { Waiting } from '../ui/Waiting.tsx';
import { AtStep } from './AtStep.tsx';
import { Card } from './benchLook.ts';
import { BenchSteps } from './BenchSteps.tsx';
import { Finished } from './Finished.tsx';
import { NoteDialog } from './NoteDialog.tsx';
import { SpoilDialog } from './SpoilDialog.tsx';
import { Timers, useServerNow } from './Timers.tsx';
import { useBenchKept } from './useBenchKept.ts';
import { useBenchPresses, type BenchPresses } from './useBenchPresses.ts';
import { useBenchSound } from './useBenchSound.ts';
import { useKeepAwake } from './useKeepAwake.ts';
import { useWhoWorks } from './useWhoWorks.ts';

/** How often it is looked whether another device has pressed something. */
const LOOK_EVERY_MS = 5000;

/** One step at a time, to be read at arm’s length with a blade in one hand. */
export default function BenchCard({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const { runId } = useParams();
  const { run, open, lookAgain, problem, add, undo, unsent, away, aheadMs } = useRun();
  useEffect(() => void open(runId!), [open, runId]);
  useEffect(() => {
    const timer = setInterval(() => document.visibilityState === 'visible' && void lookAgain(), LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [lookAgain]);
  const count = useMemo(() => (run ? countRun(run.events) : null), [run]);
  const timers = useMemo(() => (run ? timersOf(run.events) : []), [run]);
  const finished = run?.finishedAt != null;
  const now = useServerNow(timers.length > 0, aheadMs);
  const sound = useBenchSound();
  const kept = useBenchKept(run);
  const [who, setWho] = useWhoWorks();
  useKeepAwake(!finished);
  // What was pressed here is what the next plan goes by.
  const { recount } = useWorkshop.getState();
  useEffect(() => () => void recount(), [recount]);

  const steps = run?.steps ?? NO_STEPS;
  const stepsDone = count?.stepsDone ?? NONE_DONE;
  const first = steps.find((s) => !stepsDone.has(s.id)) ?? null;
  const [chosen, setChosen] = useState<string | null>(null);
  const step = (first && steps.find(({ id }) => id === chosen && !stepsDone.has(id))) ?? first;

  const [dialog, setDialog] = useState<'spoil' | 'measure' | 'note' | null>(null);
  const shut = useCallback(() => setDialog(null), []);
  const presses = useMemo((): BenchPresses => {
    const beside = (by: 1 | -1): void => {
      const left = steps.filter(({ id }) => !stepsDone.has(id));
      const at = left.findIndex((one) => one === step);
      setChosen(left[at + by]?.id ?? chosen);
    };
    return {
      done: () => {
        if (!step) return;
        add({ kind: 'step', stepId: step.id });
        setChosen(null);
      },
      good: () => add({ kind: 'good', stepId: step?.id ?? null }),
      spoiled: () => setDialog('spoil'),
      measure: () => setDialog(step && run && measurableAt(step, run.document) ? 'measure' : null),
      note: () => setDialog('note'),
      before: () => beside(-1),
      after: () => beside(1),
      back: undo,
    };
  }, [steps, stepsDone, step, run, chosen, add, undo]);
  useBenchPresses(dialog === null && !finished, presses);
  const startTimer = (minutes: number): void => {
    sound.ready();
    add({ kind: 'timer', stepId: step?.id ?? null, detail: { kind: 'timer', minutes } });
  };

  if (problem && !run)
    return (
      <Waiting text={problem}>
        <ButtonLink href="/">All jobs</ButtonLink>
      </Waiting>
    );
  if (!run || !count) return <Waiting text="Setting out the bench …" />;
  return (
    <Card>
      <BenchSteps
        {...{ run, stepsDone, sound }}
        step={finished ? null : step}
        kept={away ? `Server away: ${unsent.length} kept here` : unsent.length > 0 ? 'Saving …' : 'Saved'}
        isKeptHere={kept === 'kept'}
        onGo={setChosen}
      />
      <div className="under">
        <Timers
          {...{ timers, steps, now }}
          onEnd={sound.ring}
          onGo={setChosen}
          onStop={({ id }) => add({ kind: 'undo', undoes: id })}
          onDone={(stepId) => add({ kind: 'step', stepId })}
        />
      </div>
      <main aria-live="polite">
        {finished ? (
          <Finished run={run} count={count} workshop={workshop} />
        ) : step ? (
          <AtStep
            key={step.id}
            {...{ run, step, workshop, stepsDone, now, who, add }}
            isAhead={step !== first}
            timer={timers.find(({ stepId }) => stepId === step.id)}
            onWho={setWho}
            measuring={dialog === 'measure'}
            setMeasuring={(on) => setDialog(on ? 'measure' : null)}
            onStart={startTimer}
            onGo={setChosen}
          />
        ) : (
          <>
            <small>All steps done</small>
            <h1>
              {count.good} of {run.wanted}
            </h1>
            <p>Count what is left, write down what to do differently, then finish the run.</p>
            <DoNow onPress={() => add({ kind: 'finish' })}>Finish the run</DoNow>
          </>
        )}
      </main>
      {!finished && <BenchFooter {...{ run, count, presses }} hasStep={step !== null} />}
      <SpoilDialog
        isOpen={dialog === 'spoil'}
        steps={steps}
        at={step}
        onClose={shut}
        onCause={(cause, stepId) => add({ kind: 'spoiled', cause, stepId })}
      />
      <NoteDialog
        isOpen={dialog === 'note'}
        onClose={shut}
        onNote={(about, text) => add({ kind: 'note', stepId: step?.id ?? null, detail: { kind: 'note', about, text } })}
      />
    </Card>
  );
}

const NO_STEPS: readonly MakeStep[] = [];
const NONE_DONE: ReadonlySet<string> = new Set();

function BenchFooter({
  run,
  count,
  presses,
  hasStep,
}: {
  readonly run: Run;
  readonly count: RunCount;
  readonly presses: BenchPresses;
  readonly hasStep: boolean;
}): ReactNode {
  return (
    <footer>
      <div className="count">
        <b>{count.good}</b>
        <span>good of {run.wanted}</span>
        <b className="lost">{count.spoiled}</b>
        <span>spoiled</span>
      </div>
      <PlainButton className="big" onPress={presses.note}>
        Note <KeyCap>N</KeyCap>
      </PlainButton>
      <PlainButton className="big" onPress={presses.back} isDisabled={run.events.length === 0}>
        Take back <KeyCap>⌫</KeyCap>
      </PlainButton>
      <PlainButton className="big" onPress={presses.spoiled}>
        Spoiled <KeyCap>B</KeyCap>
      </PlainButton>
      <PlainButton className="big" onPress={presses.good}>
        Good <KeyCap>G</KeyCap>
      </PlainButton>
      <DoNow className="big step" onPress={presses.done} isDisabled={!hasStep}>
        Step done <KeyCap>space</KeyCap>
      </DoNow>
    </footer>
  );
}
