import { useCallback, useEffect, useState, type ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import type { JobBench, Workshop } from '@zippy/core';
import type { JobPutAway, StoredJob } from '@zippy/core/contract';
import { api } from '../api/client.ts';
import { sendAllKept } from '../stores/job.ts';
import { DoNow, PlainButton } from '../ui/buttons.tsx';
import { TopBar } from '../ui/TopBar.tsx';
import { EmptyWall } from './EmptyWall.tsx';
import { JobCard } from './JobCard.tsx';
import { LookingRound } from './LookingRound.tsx';
import { PutAway } from './PutAway.tsx';

const TRY_AGAIN_MS = 2000;

/** Every job as a short strip: what it is, when it is due, where it waits. */
export function JobsWall({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const navigate = useNavigate();
  const [jobs, setJobs] = useState<readonly StoredJob[] | null>(null);
  const [bench, setBench] = useState<readonly JobBench[]>([]);
  const [putAway, setPutAway] = useState<readonly JobPutAway[]>([]);
  const [away, setAway] = useState<string | null>(null);
  const load = useCallback(async (): Promise<void> => {
    try {
      await sendAllKept();
      const found = await api.jobs();
      setJobs(found.jobs);
      setBench(found.bench);
      setPutAway(found.putAway);
      setAway(null);
    } catch (problem) {
      setAway((problem as Error).message);
      setTimeout(() => void load(), TRY_AGAIN_MS);
    }
  }, []);
  useEffect(() => void load(), [load]);
  const openFile = async (files: FileList | null): Promise<void> => {
    const file = files?.[0];
    if (!file) return;
    try {
      const id = crypto.randomUUID();
      await api.addJobFile(id, parseJson(await file.text(), file.name));
      await navigate(`/jobs/${id}/brief`);
    } catch (problem) {
      setAway((problem as Error).message);
    }
  };
  const soon = [...(jobs ?? [])].sort((a, b) =>
    (a.document.brief.dueDate ?? '9999').localeCompare(b.document.brief.dueDate ?? '9999'),
  );
  return (
    <Wall>
      <TopBar />
      <main>
        <div className="head">
          <div>
            <h1>{workshop.studioName}</h1>
            <p>{jobs === null ? 'Looking through the drawers …' : greeting(jobs.length)}</p>
          </div>
          <FileTrigger acceptedFileTypes={['application/json', '.json']} onSelect={(files) => void openFile(files)}>
            <PlainButton>Open a job file</PlainButton>
          </FileTrigger>
          {jobs?.length !== 0 && <DoNow onPress={() => void navigate('/new')}>New card</DoNow>}
        </div>
        <LookingRound />
        {away && <p role="alert">{away}</p>}
        {jobs?.length === 0 && <EmptyWall workshop={workshop} />}
        <ul>
          {soon.map((stored) => (
            <JobCard
              key={stored.id}
              stored={stored}
              bench={bench.find((b) => b.jobId === stored.id) ?? null}
              workshop={workshop}
              onChanged={() => void load()}
            />
          ))}
        </ul>
        <PutAway jobs={putAway} region={workshop.region} onChanged={() => void load()} />
      </main>
    </Wall>
  );
}

function parseJson(text: string, name: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new Error(`${name} is not a job file: it is not JSON. Choose a file that was saved here as a job.`);
  }
}

const greeting = (count: number): string =>
  count === 0 ? 'A clear bench.' : `${count} ${count === 1 ? 'job' : 'jobs'} on the wall. The soonest comes first.`;

const Wall = styled.div`
  min-height: 100%;
  background: ${({ theme }) => theme.colour.slate};
  main {
    max-width: 1320px;
    margin: 0 auto;
    padding: 26px 28px 60px;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 12px;
    margin-bottom: 22px;
    color: ${({ theme }) => theme.colour.onSlate};
  }
  .head > div {
    flex: 1;
  }
  h1 {
    font-size: 34px;
    line-height: 1.15;
    letter-spacing: -0.01em;
  }
  .head p {
    color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  [role='alert'] {
    margin-bottom: 16px;
    padding: 10px 14px;
    border-radius: 6px;
    background: ${({ theme }) => theme.colour.coralWash};
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(100%, 520px), 1fr));
    gap: 20px;
    margin: 0;
    padding: 0;
    list-style: none;
  }
`;
