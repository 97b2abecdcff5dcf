import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { timesOf, type Workshop } from '@zippy/core';
import { BenchAndSlip } from '../bench/BenchAndSlip.tsx';
import { SlipPaper } from '../slip/parts.ts';
import { useNotice } from '../stores/notice.ts';
import { useWorkshop } from '../stores/workshop.ts';
import { SlateWall } from '../ui/SlateWall.ts';
import { TopBar } from '../ui/TopBar.tsx';
import { Evenings } from './Evenings.tsx';
import { JobSlip } from './JobSlip.tsx';
import { TonightSlip } from './TonightSlip.tsx';
import { useCalendar, wallClock } from './useCalendar.ts';

/** The jobs on the wall in the evenings that are free. */
export default function CalendarPage({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const problem = useWorkshop((s) => s.problem);
  const now = useCalendar(workshop);
  const [inHand, setInHand] = useState<string | null>(null);
  const [at] = useState(wallClock);
  const { jobs, outlook } = now;
  const job = jobs?.find(({ jobId }) => jobId === inHand);
  const begin = (jobId: string, day: string | null): void => void now.beginOn(jobId, day);
  const workOn = (day: string, minutes: number): void => {
    const before = timesOf(workshop);
    const { change } = useWorkshop.getState();
    const exceptions = [...before.exceptions.filter((one) => one.day !== day), { day, minutes }];
    void change({ ...workshop, times: { ...before, exceptions } });
    useNotice.getState().say('One more evening.', () => {
      const state = useWorkshop.getState();
      return state.change({ ...state.workshop!, times: before });
    });
  };
  return (
    <Layout>
      <TopBar />
      {(problem ?? now.problem) && <p role="alert">{problem ?? now.problem}</p>}
      <main>
        <SlateWall aria-label="Calendar">
          <h1>Calendar</h1>
          {outlook && jobs ? (
            <Evenings
              {...{
                outlook,
                jobs,
                times: timesOf(workshop),
                now: at,
                region: workshop.region,
                inHand,
                onTake: setInHand,
              }}
              onDrop={(jobId, day) => {
                setInHand(jobId);
                begin(jobId, day);
              }}
            />
          ) : (
            <p>Planning what is on the wall …</p>
          )}
        </SlateWall>
        <SlipPaper aria-label={job ? 'Job in hand' : 'Tonight'} key={job?.jobId}>
          {outlook && jobs && job ? (
            <JobSlip
              {...{ job, outlook, workshop, learnt: now.learnt }}
              onBegin={(day) => begin(job.jobId, day)}
              onBack={() => setInHand(null)}
            />
          ) : (
            outlook &&
            jobs && (
              <TonightSlip
                {...{ outlook, jobs, now: at, workshop, unplanned: now.unplanned, onTake: setInHand, onMore: workOn }}
              />
            )
          )}
        </SlipPaper>
      </main>
    </Layout>
  );
}

const Layout = styled(BenchAndSlip)`
  aside h3 {
    margin-top: 6px;
    font-size: 16px;
  }
`;
