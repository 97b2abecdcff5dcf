import type { ReactNode } from 'react';
import { useState } from 'react';
import styled from 'styled-components';
import type { Job } from '@zippy/core';
import { useJob } from '../stores/job.ts';
import { differences } from './differences.ts';
import { DoNow, Press } from '../ui/Press.tsx';
import { Sheet } from '../ui/Sheet.tsx';

const MOST_SHOWN = 12;

/** Two copies of a job were changed at once: both are shown, and whichever is chosen, neither is lost. */
export function TwoCopies(): ReactNode {
  const { save, job, theirs, keepMine, takeTheirs } = useJob();
  const [problem, setProblem] = useState<string | null>(null);
  if (save !== 'conflict' || !job || !theirs) return null;
  const found = differences(job, theirs.document);
  const settle = (work: () => Promise<void>) => () =>
    work().catch((why: unknown) => setProblem((why as Error).message));
  return (
    <Sheet title="This job was changed in two places" isOpen wide>
      <p>Both copies are whole. Choose the one to go on with; the other is kept beside it as a job of its own.</p>
      <Table>
        <thead>
          <tr>
            <th scope="col">Where they differ</th>
            <th scope="col">Here</th>
            <th scope="col">The other copy</th>
          </tr>
        </thead>
        <tbody>
          {found.slice(0, MOST_SHOWN).map((row) => (
            <tr key={row.place}>
              <th scope="row">{row.place}</th>
              <td>{row.mine}</td>
              <td>{row.theirs}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      {found.length > MOST_SHOWN && <p>… and {found.length - MOST_SHOWN} more places.</p>}
      {problem && <p role="alert">{problem}</p>}
      <Choices>
        <DoNow onPress={() => void settle(keepMine)()}>Go on with what is here: {titleOf(job)}</DoNow>
        <Press onPress={() => void settle(takeTheirs)()}>Go on with the other copy: {titleOf(theirs.document)}</Press>
      </Choices>
    </Sheet>
  );
}

const titleOf = (job: Job): string => job.brief.title;

const Table = styled.table`
  border-collapse: collapse;
  font-size: 14px;
  th,
  td {
    padding: 4px 8px;
    border-bottom: 1px solid ${({ theme }) => theme.colour.rule};
    text-align: left;
    vertical-align: top;
    overflow-wrap: anywhere;
  }
`;
const Choices = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
`;
