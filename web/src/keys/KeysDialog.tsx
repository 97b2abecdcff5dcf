import type { ReactNode } from 'react';
import styled from 'styled-components';
import { DoNow, KeyCap } from '../ui/buttons.tsx';
import { ModalDialog } from '../ui/ModalDialog.tsx';
import { ART_KEYS, BENCH_KEYS, JOB_KEYS } from './table.ts';

const KEYS: readonly {
  readonly heading: string;
  readonly keys: readonly { readonly cap: string; readonly says: string }[];
}[] = [
  { heading: 'In a job', keys: JOB_KEYS },
  { heading: 'With something picked out at Art', keys: ART_KEYS },
  { heading: 'At the bench card', keys: BENCH_KEYS },
];

export function KeysDialog({ isOpen, onClose }: { readonly isOpen: boolean; readonly onClose: () => void }): ReactNode {
  return (
    <ModalDialog title="Keys" isOpen={isOpen} onClose={onClose}>
      {KEYS.map(({ heading, keys }) => (
        <List key={heading}>
          <h3>{heading}</h3>
          <dl>
            {keys.map(({ cap, says }) => (
              <div key={cap}>
                <dt>
                  <KeyCap>{cap}</KeyCap>
                </dt>
                <dd>{says}</dd>
              </div>
            ))}
          </dl>
        </List>
      ))}
      <DoNow onPress={onClose} autoFocus>
        Back to the bench
      </DoNow>
    </ModalDialog>
  );
}

const List = styled.div`
  dl {
    margin: 4px 0 0;
  }
  dl > div {
    display: grid;
    grid-template-columns: 130px 1fr;
    padding: 3px 0;
  }
  dd {
    margin: 0;
  }
`;
