import { useCallback, useEffect, useState, type ReactNode } from 'react';
import { Navigate, useParams } from 'react-router';
import styled from 'styled-components';
import { STATIONS, type Station, type Workshop } from '@zippy/core';
import { KeysDialog } from '../keys/KeysDialog.tsx';
import { useJobKeys } from '../keys/useKeys.ts';
import { fetchOthers, useStation } from '../stations/stations.ts';
import { useJob } from '../stores/job.ts';
import { recallKnown } from '../stores/known.ts';
import { usePlan } from '../stores/plan.ts';
import { useView } from '../stores/view/index.ts';
import { Strip } from '../strip/Strip.tsx';
import { ButtonLink } from '../ui/buttons.tsx';
import { TopBar } from '../ui/TopBar.tsx';
import { Waiting } from '../ui/Waiting.tsx';
import { JobClashes } from './JobClashes.tsx';
import { JobLine } from './JobLine.tsx';

const isStation = (name: string | undefined): name is Station => STATIONS.includes(name as Station);

export default function JobPage({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const { id, station } = useParams();
  if (!isStation(station)) return <Navigate to={`/jobs/${id}/brief`} replace />;
  return <OpenJob key={id} id={id!} station={station} workshop={workshop} />;
}

function OpenJob({
  id,
  station,
  workshop,
}: {
  readonly id: string;
  readonly station: Station;
  readonly workshop: Workshop;
}): ReactNode {
  const { open, close, id: openId, job, bench, missing } = useJob();
  const { ask, plan, job: plannedJob, problem, clear } = usePlan();
  const card = useView((s) => s.card);
  const sheetNumber = useView((s) => s.sheetNumber);
  const parts = useStation(station);
  const planned = plan !== null;
  useEffect(() => {
    if (planned) void fetchOthers();
  }, [planned]);
  const [keysShown, setKeysShown] = useState(false);
  useJobKeys(
    id,
    useCallback(() => setKeysShown(true), []),
  );
  useEffect(() => {
    clear();
    useView.getState().openJob();
    recallKnown();
    void open(id);
    return close;
  }, [id, open, close, clear]);
  useEffect(() => {
    if (job && openId === id) ask(job, workshop, { card, sheetNumber });
  }, [job, openId, id, workshop, ask, card, sheetNumber]);
  useEffect(() => {
    const { goToStep, zoomTo } = useView.getState();
    goToStep(0);
    zoomTo(1);
  }, [station]);
  useEffect(() => {
    if (job) document.title = `${job.brief.title} · Zippy Crease`;
    return () => {
      document.title = 'Zippy Crease';
    };
  }, [job]);

  if (missing)
    return (
      <Waiting text={missing}>
        <ButtonLink href="/">All jobs</ButtonLink>
      </Waiting>
    );
  if (!job || !plan || !plannedJob)
    return (
      <Waiting text={problem ?? 'Unfolding the job …'}>{problem && <ButtonLink href="/">All jobs</ButtonLink>}</Waiting>
    );
  // The plan and the job it came from are shown together, so that no drawing mixes two moments.
  const props = { job: plannedJob, plan, workshop };
  return (
    <Layout>
      <TopBar>
        <JobLine title={job.brief.title} showKeys={() => setKeysShown(true)} />
      </TopBar>
      <Strip jobId={id} job={plannedJob} plan={plan} bench={bench} station={station} />
      {problem && (
        <p role="alert" className="problem">
          {problem}
        </p>
      )}
      <main>
        {parts ? (
          <>
            <parts.Bench {...props} />
            <parts.Slip key={station} {...props} job={job} />
          </>
        ) : (
          <Waiting text="Laying it out …" />
        )}
      </main>
      <JobClashes />
      <KeysDialog isOpen={keysShown} onClose={() => setKeysShown(false)} />
    </Layout>
  );
}

const Layout = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto auto auto 1fr;
  height: 100%;
  > main {
    grid-row: 4;
    display: grid;
    grid-template-columns: minmax(0, 1fr) ${({ theme }) => theme.size.slipPx}px;
    min-height: 0;
  }
  > .problem {
    padding: 8px 16px;
    background: ${({ theme }) => theme.colour.coralWash};
  }
  @media (max-width: 900px) {
    height: auto;
    min-height: 100%;
    > main {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: 62vh auto;
    }
  }
`;
