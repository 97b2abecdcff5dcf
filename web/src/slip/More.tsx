import { useState, type ReactNode } from 'react';
import { Disclosure, DisclosurePanel, Heading, Button } from 'react-aria-components';
import styled from 'styled-components';
import { Decisions } from './parts.ts';

/** Settings that are right for most jobs and so stay folded. */
export function More({ label, children }: { readonly label: string; readonly children: ReactNode }): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <Fold isExpanded={open} onExpandedChange={setOpen}>
      <Heading level={3}>
        <Button slot="trigger">
          <span aria-hidden>{open ? '▾' : '▸'}</span> {label}
        </Button>
      </Heading>
      <DisclosurePanel>{open && <Decisions>{children}</Decisions>}</DisclosurePanel>
    </Fold>
  );
}

const Fold = styled(Disclosure)`
  h3 {
    font-size: 16px;
    font-weight: 400;
  }
  h3 > button {
    padding: 4px 0;
    border: 0;
    background: none;
    color: ${({ theme }) => theme.colour.teal};
    cursor: pointer;
  }
  &[data-expanded] h3 {
    margin-bottom: 8px;
  }
`;
