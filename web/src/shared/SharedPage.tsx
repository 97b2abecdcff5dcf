import { useEffect, useMemo, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { OWN_JOB, ownPiece, type Workshop } from '@zippy/core';
import { Ground, Middle } from '../bench/Bench.tsx';
import { BenchAndSlip } from '../bench/BenchAndSlip.tsx';
import { useBenchKeys } from '../keys/useKeys.ts';
import { SlipPaper, Verdict } from '../slip/parts.ts';
import { useView } from '../stores/view/index.ts';
import { DoNow, PlainButton } from '../ui/buttons.tsx';
import { TopBar } from '../ui/TopBar.tsx';
import { CutApart } from './CutApart.tsx';
import { PatternList } from './PatternList.tsx';
import { sayShared } from './sayShared.ts';
import { movesOf, SharedBench } from './SharedBench.tsx';
import { SharedDecisions } from './SharedDecisions.tsx';
import { named, orderOf } from './sharedOrder.ts';
import { SharedPdf } from './SharedPdf.tsx';
import { useAskedJob } from './useAskedJob.ts';
import { feedsOf, useSharedChoice } from './useSharedChoice.ts';
import { useSharedJobs } from './useSharedJobs.ts';
import { useSharedPlan } from './useSharedPlan.ts';

/** Pieces of several jobs on the fewest sheets, or the cheapest. */
export default function SharedPage({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const feeds = feedsOf(workshop);
  const [choice, set] = useSharedChoice(workshop);
  useEffect(() => useView.getState().lieFrontUp(), []);
  useBenchKeys();
  const { pieces, pictures, problem } = useSharedJobs(workshop, choice.grain);
  useAskedJob(pieces, set);
  const solver = useSharedPlan();
  const [shown, setShown] = useState(0);
  const { path, feed } = feeds.find(({ id }) => id === choice.feed) ?? feeds[0]!;
  const all = useMemo(() => [...(pieces ?? []), ...choice.own.map(ownPiece)], [pieces, choice.own]);
  const { chosen, stocks, gutterMm, order } = orderOf(all, choice, path, workshop);
  const { plan, state } = solver;
  // What is shown belongs to what was asked; a changed order shows nothing until it is laid out again.
  const asked = JSON.stringify(solver.order) === JSON.stringify(order);
  const current = asked ? plan : null;
  const pattern = current?.patterns[Math.min(shown, current.patterns.length - 1)];
  const sheet = pattern && solver.order?.sheets.find(({ id }) => id === pattern.sheetId);
  const stock = pattern && workshop.stocks.find(({ id }) => id === pattern.sheetId);
  const trimmers = workshop.trimmers.filter((t) => !t.machine);
  const trimmer = trimmers.find((t) => t.id === choice.trimmerId) ?? trimmers[0]!;
  const moves = useMemo(
    () => (pattern && sheet && stock ? movesOf(pattern, sheet, gutterMm, all, stock, trimmer, workshop) : []),
    [pattern, sheet, gutterMm, all, stock, trimmer, workshop],
  );
  const ready = chosen.length > 0 && stocks.length > 0;
  return (
    <Layout>
      <TopBar />
      <main>
        {pattern && sheet && stock ? (
          <SharedBench
            pattern={pattern}
            sheet={sheet}
            stock={stock}
            pieces={all}
            pictures={pictures}
            moves={moves}
            flipEdge={choice.flipEdge}
            workshop={workshop}
            number={current.patterns.indexOf(pattern) + 1}
            of={current.patterns.length}
          />
        ) : (
          <Ground aria-label="Bench">
            <Middle>
              <Empty>
                {state === 'seeking'
                  ? 'Laying the pieces out …'
                  : 'Tick what is to be cut together: cards of one job and tags of another, mats beside envelopes. Then lay them out.'}
              </Empty>
            </Middle>
          </Ground>
        )}
        <SlipPaper aria-label="Shared sheets: decisions">
          <h1>Shared sheets</h1>
          <Verdict aria-live="polite">
            {problem ??
              (solver.problem && named(solver.problem, chosen)) ??
              sayShared(current, state, order, choice.goal, workshop)}
          </Verdict>
          {state === 'seeking' ? (
            <PlainButton onPress={solver.stop}>{plan ? 'Enough: keep the best so far' : 'Stop'}</PlainButton>
          ) : (
            <DoNow
              isDisabled={!ready}
              onPress={() => {
                setShown(0);
                useView.getState().lieFrontUp();
                solver.seek(order);
              }}
            >
              Lay them out
            </DoNow>
          )}
          {current && (
            <>
              <PatternList
                patterns={current.patterns}
                pieces={chosen}
                workshop={workshop}
                shown={current.patterns.indexOf(pattern!)}
                onShow={(i) => {
                  setShown(i);
                  useView.getState().goToStep(0);
                }}
              />
              {state !== 'seeking' && (
                <SharedPdf
                  order={{
                    jobIds: [...new Set(chosen.map((piece) => piece.jobId))].filter((id) => id !== OWN_JOB),
                    own: choice.own,
                    feed,
                    sheets: order.sheets,
                    patterns: current.patterns,
                    flipEdge: choice.flipEdge,
                    grain: choice.grain,
                  }}
                />
              )}
              <CutApart
                {...{ moves, chosen, trimmer }}
                pattern={pattern!}
                number={current.patterns.indexOf(pattern!) + 1}
              />
            </>
          )}
          <SharedDecisions {...{ pieces, choice, set, stocks, gutterMm, trimmers, trimmer, workshop }} />
        </SlipPaper>
      </main>
    </Layout>
  );
}

const Empty = styled.p`
  max-width: 440px;
  margin: auto;
  padding: 24px;
  color: ${({ theme }) => theme.colour.onSlate};
  font-size: 18px;
  line-height: 1.4;
  text-align: center;
`;
const Layout = styled(BenchAndSlip)`
  aside h2 {
    margin-top: 6px;
    padding-top: 10px;
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
    color: ${({ theme }) => theme.colour.ink};
    font-size: 16px;
  }
`;
