import { useEffect, useState, type ReactNode } from 'react';
import { Radio } from 'react-aria-components';
import styled from 'styled-components';
import type { StoredJob } from '@zippy/core/contract';
import { api } from '../../api/client.ts';
import { useNewCard } from '../../stores/newCard.ts';
import { OnOff } from '../../ui/OnOff.tsx';
import { SeekField } from '../../ui/SeekField.tsx';
import { Tiles, Sheet } from './tiles.ts';

const MOST_SHOWN = 24;

/** A job that was made before, and how much of it is taken over. */
export function EarlierJob(): ReactNode {
  const { earlier, withArt, withCounts, set } = useNewCard();
  const [sought, setSought] = useState('');
  const jobs = useJobs().filter(({ document }) => document.brief.title.toLowerCase().includes(sought.toLowerCase()));
  const choose = (id: string): void => {
    const { title } = useNewCard.getState();
    const like = jobs.find((job) => job.id === id)!;
    set({ earlier: like, ...(title.trim() === '' ? { title: `${like.document.brief.title}, again` } : {}) });
  };
  return (
    <>
      <Sheet>
        <OnOff label="With its pictures and words" value={withArt} onChange={(on) => set({ withArt: on })} />
        <OnOff
          label="With how many were made, and its packs"
          value={withCounts}
          onChange={(on) => set({ withCounts: on })}
        />
        <SeekField label="Find a job" value={sought} onChange={setSought} />
      </Sheet>
      <List aria-label="Earlier job" value={earlier?.id ?? null} onChange={choose}>
        {jobs.length === 0 && <span className="label">No job of that name on the wall.</span>}
        {jobs.slice(0, MOST_SHOWN).map(({ id, document }) => (
          <Radio key={id} value={id}>
            <span>
              {document.brief.title}
              <small>{document.brief.wanted} cards</small>
            </span>
          </Radio>
        ))}
        {jobs.length > MOST_SHOWN && (
          <span className="label">and {jobs.length - MOST_SHOWN} more: type a part of the name.</span>
        )}
      </List>
    </>
  );
}

/** The jobs on the wall; none until the server has said. */
function useJobs(): readonly StoredJob[] {
  const [jobs, setJobs] = useState<readonly StoredJob[]>([]);
  useEffect(() => {
    api.jobs().then(
      (wall) => setJobs(wall.jobs),
      () => {
        // Without the server no earlier job can be copied; everything else can be begun.
      },
    );
  }, []);
  return jobs;
}

const List = styled(Tiles)`
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  label {
    grid-template-rows: auto;
    text-align: left;
  }
`;
