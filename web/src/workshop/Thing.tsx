import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { FieldPlace, TypedField } from '../ui/fields/TypedField.tsx';
import { Quiet } from '../ui/buttons.tsx';
import { Row } from '../ui/ModalDialog.tsx';
import { WORKSHOP_LIMITS, cutText } from '@zippy/core';

export function Name({
  value,
  onCommit,
}: {
  readonly value: string;
  readonly onCommit: (name: string) => void;
}): ReactNode {
  return (
    <TypedField
      label="Name"
      figures={false}
      value={value}
      show={(t) => t}
      read={(t) =>
        t.trim()
          ? { ok: true, value: cutText(t.trim(), WORKSHOP_LIMITS.nameLetters) }
          : { ok: false, why: 'Name wants a word or two.' }
      }
      onCommit={(name) => name !== value && onCommit(name)}
    />
  );
}

/** One thing the maker owns, folded until it is to be changed. */
export function Thing({
  id,
  title,
  facts,
  colour,
  count,
  children,
}: {
  /** Its fields are told from those of other things by this, whatever it is called. */
  readonly id: string;
  readonly title: string;
  readonly facts: string;
  readonly colour?: string;
  readonly count?: string;
  readonly children?: ReactNode;
}): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <Paper className={open ? 'open' : ''}>
      <Row>
        {colour && <i style={{ background: colour }} aria-hidden />}
        <strong>{title}</strong>
        {count && <span className="count">{count}</span>}
      </Row>
      <p>{facts}</p>
      {children && (
        <Quiet
          aria-expanded={open}
          aria-label={open ? `Done with ${title}` : `Change ${title}`}
          onPress={() => setOpen(!open)}
        >
          {open ? 'Done' : 'Change'}
        </Quiet>
      )}
      {open && (
        <div className="edit">
          <FieldPlace value={id}>{children}</FieldPlace>
        </div>
      )}
    </Paper>
  );
}

const Paper = styled.div`
  display: grid;
  gap: 4px;
  justify-items: start;
  padding: 14px 16px;
  border-radius: 4px;
  background: ${({ theme }) => theme.colour.paper};
  box-shadow: 0 1px 3px rgb(29 41 48 / 0.18);
  > div {
    width: 100%;
  }
  i {
    width: 22px;
    height: 22px;
    border: 1px solid ${({ theme }) => theme.colour.inkQuiet};
    border-radius: 3px;
  }
  strong {
    font-size: 17px;
  }
  .count {
    margin-left: auto;
    font: 700 15px ${({ theme }) => theme.font.mono};
  }
  p {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  .edit {
    display: grid;
    gap: 10px;
    margin-top: 8px;
  }
`;
