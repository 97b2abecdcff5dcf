import { useCallback, useEffect, useState, type ReactNode } from 'react';
import { useParams } from 'react-router';
import styled from 'styled-components';
import { countRun, SPOIL_CAUSES, type Workshop } from '@zippy/core';
import { BENCH_KEYS } from '../keys/table.ts';
import { StepDrawing, StepView } from './StepView.tsx';
import { useRun } from '../stores/run.ts';
import { DoNow, KeyCap, PlainButton, ButtonLink } from '../ui/buttons.tsx';
import { ModalDialog } from '../ui/ModalDialog.tsx';
import { Waiting } from '../ui/Waiting.tsx';

/** One step at a time, to be read at arm’s length with a blade in one hand. */
export default function BenchCard({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const { runId } = useParams();
  const { run, open, problem, add, undo, unsent, away } = useRun();
  const [asking, setAsking] = useState(false);
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

  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      // A key that is held counts once.
      if (asking || finished || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      // A focused button answers space itself; everywhere else space is the step.
      const onButton = event.target instanceof Element && event.target.closest('button, a') !== null;
      const act = BENCH_KEYS.find(({ key }) => key === event.key.toLowerCase())?.act;
      if (!act || (act === 'done' && onButton)) return;
      event.preventDefault();
      if (act === 'done') done();
      else if (act === 'good') good();
      else if (act === 'spoiled') setAsking(true);
      else undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [asking, finished, done, good, undo]);

  if (problem && !run)
    return (
      <Waiting text={problem}>
        <ButtonLink href="/">All jobs</ButtonLink>
      </Waiting>
    );
  if (!run || !count) return <Waiting text="Setting out the bench …" />;
  const number = step ? steps.indexOf(step) + 1 : steps.length;
  const next = step ? steps[number] : null;
  return (
    <Card>
      <header>
        <ButtonLink href={`/jobs/${run.jobId}/make`}>Leave the bench</ButtonLink>
        <ol aria-label="Steps">
          {steps.map((s) => (
            <li
              key={s.id}
              className={stepsDone!.has(s.id) ? 'done' : s === step ? 'now' : ''}
              aria-current={s === step ? 'step' : undefined}
            >
              <span>{s.title}</span>
            </li>
          ))}
        </ol>
        <span role="status" className="kept">
          {away ? `Server away: ${unsent.length} kept here` : unsent.length > 0 ? 'Saving …' : 'Saved'}
        </span>
      </header>
      <main aria-live="polite">
        {finished ? (
          <>
            <small>Finished</small>
            <h1>{count.good} good</h1>
            <p>{sayLosses(count.spoiled, count.causes)}</p>
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
      <ModalDialog title="What spoiled it?" isOpen={asking} onClose={() => setAsking(false)}>
        <Causes>
          {SPOIL_CAUSES.map((cause) => (
            <PlainButton
              key={cause}
              onPress={() => {
                add({ kind: 'spoiled', cause, stepId: step?.id ?? null });
                setAsking(false);
              }}
            >
              {cause}
            </PlainButton>
          ))}
        </Causes>
      </ModalDialog>
    </Card>
  );
}

function sayLosses(spoiled: number, causes: Readonly<Record<string, number>>): string {
  if (spoiled === 0) return 'None spoiled.';
  return `${spoiled} spoiled: ${Object.entries(causes)
    .sort((a, b) => b[1] - a[1])
    .map(([cause, n]) => `${n} ${cause}`)
    .join(', ')}.`;
}

const Card = styled.div`
  display: grid;
  grid-template-rows: auto 1fr auto;
  height: 100%;
  background: ${({ theme }) => theme.colour.paper};
  header {
    display: flex;
    align-items: center;
    gap: 16px;
    padding: 10px 18px;
    background: ${({ theme }) => theme.colour.slate};
    color: ${({ theme }) => theme.colour.onSlate};
  }
  header ol {
    display: flex;
    flex: 1;
    gap: 4px;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  header li {
    flex: 1;
    height: 14px;
    border: 1px solid ${({ theme }) => theme.colour.onSlateQuiet};
    border-radius: 2px;
  }
  header li span {
    position: absolute;
    clip-path: inset(50%);
  }
  header li.done {
    background: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  header li.now {
    background: ${({ theme }) => theme.colour.marigold};
    border-color: ${({ theme }) => theme.colour.marigold};
  }
  .kept {
    min-width: 70px;
    text-align: right;
  }
  main {
    display: grid;
    align-content: center;
    justify-items: start;
    gap: 18px;
    min-height: 0;
    padding: 20px clamp(20px, 4vw, 56px);
    overflow: auto;
  }
  .step-view {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 32px;
    align-items: center;
    width: 100%;
    height: 100%;
    min-height: 0;
  }
  .say {
    display: grid;
    gap: 18px;
    justify-items: start;
  }
  .drawing {
    display: grid;
    grid-template-rows: minmax(0, 1fr);
    align-self: stretch;
    width: clamp(240px, 36vw, 560px);
    min-height: 0;
    padding: 20px;
    border-radius: 6px;
    background: ${({ theme }) => theme.colour.slate};
  }
  .drawing svg {
    width: 100%;
    height: 100%;
    min-height: 0;
    max-height: 68vh;
    overflow: visible;
  }
  .drawing svg text[data-role='dimension'] {
    fill: ${({ theme }) => theme.colour.onSlate};
  }
  .drawing svg path[data-role='dimension'] {
    stroke: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  main small {
    font-size: 26px;
    color: ${({ theme }) => theme.colour.plum};
  }
  main h1 {
    font: 700 clamp(72px, 11vw, 150px) / 1 ${({ theme }) => theme.font.mono};
    letter-spacing: -0.03em;
    word-spacing: -0.35em;
  }
  main p {
    max-width: 34em;
    font-size: clamp(22px, 2.4vw, 30px);
    line-height: 1.4;
  }
  main .caution {
    padding: 12px 18px;
    border: 2px solid ${({ theme }) => theme.colour.ink};
    border-left: 16px solid ${({ theme }) => theme.colour.marigold};
    font-size: 21px;
  }
  main .next {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 21px;
  }
  main .timer {
    font: 700 52px/1.2 ${({ theme }) => theme.font.mono};
  }
  footer {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 12px;
    padding: 14px 18px;
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
    background: ${({ theme }) => theme.colour.linen};
  }
  .big {
    min-height: 68px;
    padding: 8px 22px;
    font-size: 21px;
  }
  .step {
    min-width: 220px;
  }
  @media (max-width: 900px) {
    .step-view {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: auto minmax(240px, 1fr);
    }
    .drawing {
      width: 100%;
    }
    .drawing svg {
      max-height: 40vh;
    }
    main h1 {
      font-size: 116px;
    }
    main p {
      font-size: 28px;
    }
    .big {
      min-height: 84px;
    }
    .step {
      flex: 1 1 100%;
    }
  }
  .count {
    display: grid;
    grid-template-columns: auto auto;
    gap: 0 10px;
    align-items: baseline;
    margin-right: auto;
    font-size: 18px;
  }
  .count b {
    font: 700 30px/1.1 ${({ theme }) => theme.font.mono};
    text-align: right;
  }
  .count .lost {
    color: ${({ theme }) => theme.colour.coral};
  }
`;
const Causes = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  button {
    min-height: 64px;
    font-size: 20px;
  }
`;
