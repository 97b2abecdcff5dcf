import type { ReactNode } from 'react';
import styled from 'styled-components';
import { SPOIL_CAUSES, type SpoilCause } from '@zippy/core';
import { PlainButton } from '../ui/buttons.tsx';
import { ModalDialog } from '../ui/ModalDialog.tsx';

/** Why a card was lost; asked at once, while it is known. */
export function SpoilDialog({
  isOpen,
  onCause,
  onClose,
}: {
  readonly isOpen: boolean;
  readonly onCause: (cause: SpoilCause) => void;
  readonly onClose: () => void;
}): ReactNode {
  return (
    <ModalDialog title="What spoiled it?" isOpen={isOpen} onClose={onClose}>
      <Causes>
        {SPOIL_CAUSES.map((cause) => (
          <PlainButton
            key={cause}
            onPress={() => {
              onCause(cause);
              onClose();
            }}
          >
            {cause}
          </PlainButton>
        ))}
      </Causes>
    </ModalDialog>
  );
}

const Causes = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  button {
    min-height: 64px;
    font-size: 20px;
  }
`;
