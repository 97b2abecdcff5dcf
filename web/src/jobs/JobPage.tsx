import { useCallback, useEffect, useState, type ReactNode } from 'react';
import { Navigate, useParams } from 'react-router';
import styled from 'styled-components';
import { STATIONS, type Station, type Workshop } from '@zippy/core';
import { KeysDialog } from '../keys/KeysDialog.tsx';
import { useJobKeys } from '../keys/useKeys.ts';
import { spokenOf } from '../stations/parts.ts';
import { fetchOthers, useStation } from '../stations/stations.ts';
import { useJob, type SaveState } from '../stores/job.ts';
import { usePlan } from '../stores/plan.ts';
import { useView } from '../stores/view/index.ts';
import { useWorkshop } from '../stores/workshop.ts';
import { Strip } from '../strip/Strip.tsx';
import { KeyCap, PlainButton, ButtonLink } from '../ui/buttons.tsx';
import { TopBar } from '../ui/TopBar.tsx';
import { Waiting } from '../ui/Waiting.tsx';
import ClashDialog from './ClashDialog.tsx';

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

const SAVED: Readonly<Record<SaveState, string>> = {
  saved: 'Saved',
  unsaved: 'Saving …',
  saving: 'Saving …',
  away: 'Server away: kept here, sent when it is back',
  refused: 'Not saved',
  conflict: 'Two copies',
};

function JobLine({ title, showKeys }: { readonly title: string; readonly showKeys: () => void }): ReactNode {
  const { save, refusal, past, future, undo, redo } = useJob();
  const unit = useWorkshop((s) => s.workshop!.unit);
  const toggleUnit = useWorkshop((s) => s.toggleUnit);
  return (
    <Line>
      <h1>{title}</h1>
      <span role="status" className={save}>
        {refusal ?? SAVED[save]}
      </span>
      <PlainButton aria-label="Undo" isDisabled={past.length === 0} onPress={undo}>
        ↶
      </PlainButton>
      <PlainButton aria-label="Do it again" isDisabled={future.length === 0} onPress={redo}>
        ↷
      </PlainButton>
      <PlainButton onPress={toggleUnit} aria-label={`Measured in ${unit === 'mm' ? 'millimetres' : 'inches'}; change`}>
        {unit} <KeyCap>U</KeyCap>
      </PlainButton>
      <PlainButton onPress={showKeys}>
        Keys <KeyCap>?</KeyCap>
      </PlainButton>
    </Line>
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
const Line = styled.div`
  display: flex;
  flex: 1;
  align-items: center;
  gap: 8px;
  min-width: 0;
  h1 {
    min-width: 0;
    margin-right: auto;
    padding-left: 12px;
    overflow: hidden;
    border-left: 2px solid ${({ theme }) => theme.colour.rule};
    font-size: 18px;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  [role='status'] {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  .away,
  .refused,
  .conflict {
    color: ${({ theme }) => theme.colour.coral};
  }
  button {
    min-height: 34px;
    padding: 3px 10px;
  }
  @media (max-width: 900px) {
    kbd {
      display: none;
    }
    [role='status'] {
      max-width: 120px;
      line-height: 1.1;
    }
  }
`;

/** The same decision of a job, made in two places at once. */
function JobClashes(): ReactNode {
  const { save, clashes, settleClashes, keepBoth } = useJob();
  const workshop = useWorkshop((s) => s.workshop!);
  if (save !== 'conflict') return null;
  return (
    <ClashDialog
      what="This job"
      clashes={clashes}
      spoken={spokenOf(workshop)}
      onSettle={settleClashes}
      onKeepBoth={keepBoth}
    />
  );
}
