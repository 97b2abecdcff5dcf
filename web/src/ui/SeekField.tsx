import type { ReactNode } from 'react';
import { Input, Label, SearchField } from 'react-aria-components';
import styled from 'styled-components';

/** A word by which something is found in a long list. */
export function SeekField({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (sought: string) => void;
}): ReactNode {
  return (
    <Seek value={value} onChange={onChange}>
      <Label>{label}</Label>
      <Input />
    </Seek>
  );
}

const Seek = styled(SearchField)`
  display: grid;
  gap: 3px;
  label {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  input {
    min-height: 38px;
    padding: 6px 10px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: ${({ theme }) => theme.radius};
    background: ${({ theme }) => theme.colour.white};
  }
`;
