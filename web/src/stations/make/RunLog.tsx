import { lazy, Suspense, useCallback, useMemo, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  fixed,
  lotsOfRun,
  paretoOf,
  plural,
  sayDay,
  sayMoney,
  type CauseLosses,
  type LotsTaken,
  type Workshop,
} from '@zippy/core';
import type { LoggedRunRow } from '@zippy/core/contract';
import { ABOUT_NAMES } from '../../make/NoteDialog.tsx';
import { useRepeat } from '../../make/useRepeat.ts';
import { Choice } from '../../ui/Choice.tsx';
import { ButtonLink, PlainButton } from '../../ui/buttons.tsx';
import { useRunLog, type RunLogNow } from './useRunLog.ts';

const ParetoChart = lazy(() => import('./ParetoChart.tsx'));

/** What is lost and what that costs, and every run with what it taught. */
export default function RunLog({
  jobId,
  workshop,
}: {
  readonly jobId: string;
  readonly workshop: Workshop;
}): ReactNode {
  const { runs, lots, problem } = useRunLog();
  const [of, setOf] = useState<'card' | 'all'>('card');
  const own = useMemo(() => (runs ?? []).filter((run) => of === 'all' || run.jobId === jobId), [runs, of, jobId]);
  return (
    <Paper aria-label="The log">
      <header>
        <h2>The log</h2>
        <Choice
          label="Runs of"
          value={of}
          options={[
            { id: 'card', name: 'This card' },
            { id: 'all', name: 'Every card' },
          ]}
          onChange={setOf}
        />
      </header>
      {problem && <p role="alert">{problem}</p>}
      {runs === null ? (
        !problem && <p>Looking up the log …</p>
      ) : own.length === 0 ? (
        <p>No run yet. Each run writes down here what came of it, what was lost to what, and your notes.</p>
      ) : (
        <>
          <Losses runs={own} workshop={workshop} />
          <Runs {...{ jobId, workshop, lots }} runs={own} named={of === 'all'} />
        </>
      )}
    </Paper>
  );
}

function Losses({
  runs,
  workshop,
}: {
  readonly runs: readonly LoggedRunRow[];
  readonly workshop: Workshop;
}): ReactNode {
  const pareto = useMemo(() => paretoOf(runs), [runs]);
  const { currency, region } = workshop;
  const money = useCallback(
    (minor: number) => sayMoney(Math.round(minor), { currency, ...(region ? { region } : {}) }),
    [currency, region],
  );
  const [worst] = pareto.causes;
  if (!worst) return <p>Nothing was lost in {runs.length === 1 ? 'this run' : `these ${runs.length} runs`}.</p>;
  const priced = pareto.costMinor > 0;
  const said = `${pareto.cards} ${plural(pareto.cards, 'card')} lost${priced ? `, ${money(pareto.costMinor)}` : ''}; ${worst.cause} ${priced ? 'cost' : 'took'} most, ${priced ? money(worst.costMinor) : worst.cards}.`;
  return (
    <section aria-labelledby="losses">
      <h3 id="losses">What cost most</h3>
      <p>{said}</p>
      <Suspense fallback={<p>Drawing the chart …</p>}>
        <ParetoChart
          {...{ pareto, money }}
          label={pareto.causes
            .map(({ cause, cards, costMinor }) => `${cause}: ${cards}${priced ? `, ${money(costMinor)}` : ''}`)
            .join('; ')}
        />
      </Suspense>
      {pareto.causes.map((cause) => {
        const changed = sayChange(cause, pareto.newest);
        return changed && <p key={cause.cause}>{changed}</p>;
      })}
      {pareto.unpriced > 0 && <p>{pareto.unpriced} of them are of older runs, which did not keep what a card cost.</p>}
    </section>
  );
}

/** A cause that became rarer or more common by so many in a hundred is told of. */
const TOLD_PER_HUNDRED = 0.5;

function sayChange({ cause, now, before }: CauseLosses, newest: number): string | null {
  if (before === null || Math.abs(now - before) < TOLD_PER_HUNDRED) return null;
  return `${cause}: ${fixed(now, 1)} of a hundred cards in the last ${newest} ${plural(newest, 'run')}, ${fixed(before, 1)} before. See what the notes of those runs changed.`;
}

function Runs({
  runs,
  jobId,
  workshop,
  lots,
  named,
}: {
  readonly runs: readonly LoggedRunRow[];
  readonly jobId: string;
  readonly workshop: Workshop;
  readonly lots: RunLogNow['lots'];
  readonly named: boolean;
}): ReactNode {
  const { repeat, problem } = useRepeat();
  const stocks = new Map(workshop.stocks.map(({ id, name }) => [id, name]));
  const sayStock = (id: string): string => (stocks.has(id) ? `${stocks.get(id)!}.` : '');
  const takenBy = (run: LoggedRunRow): readonly LotsTaken[] => (lots ? lotsOfRun(run.id, lots, workshop) : []);
  return (
    <section aria-labelledby="runs">
      <h3 id="runs">Runs, the last first</h3>
      {problem && <p role="alert">{problem}</p>}
      <ol>
        {runs
          .map((run) => [run, takenBy(run)] as const)
          .map(([run, taken]) => (
            <li key={run.id}>
              <b>{sayDay(run.startedAt.slice(0, 10), workshop.region)}</b>
              <span>
                {named && `${run.title}. `}
                {run.good} good of {run.wanted}
                {run.spoiled > 0 && `, ${run.spoiled} spoiled: ${sayCauses(run)}`}.{' '}
                {run.stockId && !taken.some(({ thingId }) => thingId === run.stockId) && sayStock(run.stockId)}
                {run.finishedAt === null && ' Still open.'}
              </span>
              {taken.map(({ thingId, said }) => (
                <span key={thingId} className="lots">
                  {said}
                </span>
              ))}
              {run.notes.map(({ about, text }, i) => (
                <span key={i} className="note">
                  {ABOUT_NAMES[about]}: {text}
                </span>
              ))}
              <div>
                <ButtonLink href={`/bench/${run.id}`}>{run.finishedAt === null ? 'Go on' : 'Look at it'}</ButtonLink>
                {run.finishedAt !== null && run.jobId === jobId && (
                  <PlainButton onPress={() => void repeat(run)}>Make it again, as it was</PlainButton>
                )}
              </div>
            </li>
          ))}
      </ol>
    </section>
  );
}

function sayCauses({ losses }: LoggedRunRow): string {
  const counts = new Map<string, number>();
  for (const { cause, cards } of losses) counts.set(cause, (counts.get(cause) ?? 0) + cards);
  return [...counts]
    .sort((a, b) => b[1] - a[1])
    .map(([cause, cards]) => `${cards} ${cause}`)
    .join(', ');
}

const Paper = styled.section`
  display: grid;
  gap: 14px;
  align-content: start;
  min-height: 0;
  padding: 24px 28px;
  overflow: auto;
  background: ${({ theme }) => theme.colour.paper};
  header {
    display: flex;
    justify-content: space-between;
    align-items: end;
    white-space: nowrap;
  }
  h2 {
    font-size: 22px;
  }
  h3 {
    font-size: 17px;
    color: ${({ theme }) => theme.colour.plum};
  }
  section {
    display: grid;
    gap: 8px;
  }
  ol {
    display: grid;
    gap: 8px;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 170px minmax(0, 1fr) auto;
    gap: 4px 14px;
    align-items: center;
    padding: 8px 0;
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
  }
  li .lots {
    grid-column: 2;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 15px;
  }
  li .note {
    grid-column: 2;
    padding: 2px 10px;
    border-left: 5px solid ${({ theme }) => theme.colour.teal};
    background: ${({ theme }) => theme.colour.tealWash};
  }
  li div {
    display: flex;
    gap: 8px;
    grid-column: 3;
    grid-row: 1;
  }
`;
