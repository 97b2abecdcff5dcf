import { useState, type ReactNode } from 'react';
import { Button, Disclosure, DisclosurePanel, Heading } from 'react-aria-components';
import styled from 'styled-components';
import { localeOf } from '@zippy/core';
import type { JobPutAway } from '@zippy/core/contract';
import { api } from '../api/client.ts';
import { BenchButton } from '../ui/buttons.tsx';

/** Jobs that were put away, under the wall; each comes back as it was, with one press. */
export function PutAway({
  jobs,
  region,
  onChanged,
}: {
  readonly jobs: readonly JobPutAway[];
  readonly region?: string;
  readonly onChanged: () => void;
}): ReactNode {
  const [open, setOpen] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  if (jobs.length === 0) return null;
  const bringBack = async (id: string): Promise<void> => {
    try {
      await api.restoreJob(id);
      setFailed(null);
      onChanged();
    } catch (why) {
      setFailed((why as Error).message);
    }
  };
  return (
    <Drawer isExpanded={open} onExpandedChange={setOpen}>
      <Heading level={2}>
        <Button slot="trigger">
          <span aria-hidden>{open ? '▾' : '▸'}</span> Put away · {jobs.length}
        </Button>
      </Heading>
      <DisclosurePanel>
        {failed && <p role="alert">{failed}</p>}
        {open && (
          <ol>
            {jobs.map(({ id, title, putAwayAt }) => (
              <li key={id}>
                <b>{title}</b>
                <span>
                  {new Date(putAwayAt).toLocaleDateString(localeOf(region), {
                    day: 'numeric',
                    month: 'long',
                    year: 'numeric',
                  })}
                </span>
                <BenchButton aria-label={`Bring ${title} back`} onPress={() => void bringBack(id)}>
                  Bring back
                </BenchButton>
              </li>
            ))}
          </ol>
        )}
      </DisclosurePanel>
    </Drawer>
  );
}

const Drawer = styled(Disclosure)`
  margin-top: 28px;
  color: ${({ theme }) => theme.colour.onSlate};
  h2 > button {
    min-height: 38px;
    padding: 4px 0;
    border: 0;
    background: none;
    color: ${({ theme }) => theme.colour.onSlateQuiet};
    font-size: 16px;
    cursor: pointer;
  }
  ol {
    max-width: 720px;
    margin: 6px 0 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    align-items: center;
    gap: 16px;
    padding: 8px 0;
    border-top: 1px solid ${({ theme }) => theme.colour.slateLine};
  }
  li b {
    overflow: hidden;
    font-weight: 400;
    text-overflow: ellipsis;
  }
  li span {
    color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
`;
