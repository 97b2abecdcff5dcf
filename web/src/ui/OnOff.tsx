import type { ReactNode } from 'react';
import { Switch } from 'react-aria-components';
import styled from 'styled-components';

export function OnOff({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: boolean;
  readonly onChange: (on: boolean) => void;
}): ReactNode {
  return (
    <Toggle isSelected={value} onChange={onChange}>
      <span className="track" aria-hidden />
      <span>{label}</span>
    </Toggle>
  );
}

const Toggle = styled(Switch)`
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 34px;
  cursor: pointer;
  .track {
    flex: none;
    width: 40px;
    height: 22px;
    padding: 2px;
    border: 1px solid ${({ theme }) => theme.colour.inkQuiet};
    border-radius: 12px;
    background: ${({ theme }) => theme.colour.white};
  }
  .track::before {
    content: '';
    display: block;
    width: 16px;
    height: 16px;
    border-radius: 50%;
    background: ${({ theme }) => theme.colour.inkQuiet};
  }
  &[data-selected] .track {
    background: ${({ theme }) => theme.colour.slate};
  }
  &[data-selected] .track::before {
    margin-left: 18px;
    background: ${({ theme }) => theme.colour.marigold};
  }
  &[data-focus-visible] {
    border-radius: 6px;
  }
`;
