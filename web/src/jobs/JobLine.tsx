import type { ReactNode } from 'react';
import styled from 'styled-components';
import { useJob, type SaveState } from '../stores/job.ts';
import { useWorkshop } from '../stores/workshop.ts';
import { KeyCap, PlainButton } from '../ui/buttons.tsx';

const SAVED: Readonly<Record<SaveState, string>> = {
  saved: 'Saved',
  unsaved: 'Saving …',
  saving: 'Saving …',
  away: 'Server away: kept here, sent when it is back',
  refused: 'Not saved',
  conflict: 'Two copies',
};

/** What the job is called, whether it is kept, and the way back and on. */
export function JobLine({ title, showKeys }: { readonly title: string; readonly showKeys: () => void }): ReactNode {
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
