import type { ReactNode } from 'react';
import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';

/** A sheet of paper laid over the bench for one thing that must be settled. */
export function ModalDialog({
  title,
  isOpen,
  onClose,
  children,
  wide = false,
}: {
  readonly title: string;
  readonly isOpen: boolean;
  readonly onClose?: () => void;
  readonly children: ReactNode;
  readonly wide?: boolean;
}): ReactNode {
  return (
    <Over
      isOpen={isOpen}
      isDismissable={onClose !== undefined}
      isKeyboardDismissDisabled={onClose === undefined}
      onOpenChange={(open) => !open && onClose?.()}
    >
      <Paper style={{ width: wide ? 'min(900px, 94vw)' : 'min(520px, 94vw)' }}>
        <Dialog>
          <Heading slot="title">{title}</Heading>
          {children}
        </Dialog>
      </Paper>
    </Over>
  );
}

const Over = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 40;
  display: grid;
  place-items: center;
  background: rgb(29 41 48 / 0.55);
`;
const Paper = styled(Modal)`
  max-height: 92vh;
  overflow: auto;
  border-radius: 4px;
  background: ${({ theme }) => theme.colour.paper};
  box-shadow: ${({ theme }) => theme.shadow};
  section {
    display: grid;
    gap: 14px;
    padding: 24px;
  }
  [role='alert'] {
    padding: 10px 14px;
    background: ${({ theme }) => theme.colour.coralWash};
  }
  h2 {
    font-size: 22px;
    line-height: 1.2;
  }
`;

export const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
`;
export const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  align-items: start;
`;
