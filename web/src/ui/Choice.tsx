import type { ReactNode } from 'react';
import { Label, Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';

/** A few choices side by side. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly id: T; readonly name: string }[];
  readonly onChange: (value: T) => void;
}): ReactNode {
  return (
    <Group value={value} onChange={(next) => onChange(next as T)} orientation="horizontal">
      <Label>{label}</Label>
      <div className="row">
        {options.map((option) => (
          <Radio key={option.id} value={option.id}>
            {option.name}
          </Radio>
        ))}
      </div>
    </Group>
  );
}

const Group = styled(RadioGroup)`
  display: grid;
  gap: 3px;
  > label,
  > span {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  .row {
    display: flex;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: ${({ theme }) => theme.radius};
    background: ${({ theme }) => theme.colour.white};
  }
  .row > * {
    flex: 1;
    display: grid;
    place-items: center;
    min-height: 36px;
    padding: 4px 8px;
    border-radius: 6px;
    text-align: center;
    line-height: 1.2;
    cursor: pointer;
  }
  .row > * + * {
    border-left: 1px solid ${({ theme }) => theme.colour.rule};
  }
  [data-selected] {
    background: ${({ theme }) => theme.colour.slate};
    color: ${({ theme }) => theme.colour.onSlate};
  }
`;
