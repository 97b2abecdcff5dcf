import { useEffect, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { SPOIL_CAUSES, type MakeStep, type SpoilCause } from '@zippy/core';
import { PlainButton } from '../ui/buttons.tsx';
import { ModalDialog } from '../ui/ModalDialog.tsx';
import { Pick } from '../ui/Pick.tsx';
import { CauseMark } from './causeMarks.tsx';

/** Why a card was lost, and at which step it was seen; asked at once, while it is known. */
export function SpoilDialog({
  isOpen,
  steps,
  at,
  onCause,
  onClose,
}: {
  readonly isOpen: boolean;
  readonly steps: readonly MakeStep[];
  /** The step that is on. */
  readonly at: MakeStep | null;
  readonly onCause: (cause: SpoilCause, stepId: string | null) => void;
  readonly onClose: () => void;
}): ReactNode {
  const [stepId, setStepId] = useState<string | null>(null);
  const here = at?.id ?? steps.at(-1)?.id ?? null;
  useEffect(() => {
    if (isOpen) setStepId(null);
  }, [isOpen]);
  return (
    <ModalDialog title="What spoiled it?" isOpen={isOpen} onClose={onClose}>
      <Causes>
        {SPOIL_CAUSES.map((cause) => (
          <PlainButton
            key={cause}
            onPress={() => {
              onCause(cause, stepId ?? here);
              onClose();
            }}
          >
            <CauseMark cause={cause} />
            {cause}
          </PlainButton>
        ))}
      </Causes>
      {here !== null && (
        <Pick
          label="Seen at"
          value={stepId ?? here}
          sections={[
            { heading: null, options: steps.map(({ id, title }, i) => ({ id, name: `${i + 1} · ${title}` })) },
          ]}
          onChange={setStepId}
        />
      )}
    </ModalDialog>
  );
}

const Causes = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  button {
    justify-content: flex-start;
    min-height: 64px;
    font-size: 20px;
  }
`;
