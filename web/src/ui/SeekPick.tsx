import type { ReactNode } from 'react';
import { Button, ComboBox, Input, Label, ListBox, ListBoxItem } from 'react-aria-components';
import styled from 'styled-components';
import { Option, Sheet } from './pickStyles.ts';

export interface SeekOption {
  readonly id: string;
  readonly name: string;
  readonly note?: string;
}

/** One of very many, found by typing a part of its name. */
export function SeekPick({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly options: readonly SeekOption[];
  readonly onChange: (id: string) => void;
}): ReactNode {
  return (
    <Frame
      defaultItems={options}
      selectedKey={value}
      onSelectionChange={(key) => key !== null && onChange(String(key))}
      menuTrigger="focus"
    >
      <Label>{label}</Label>
      <div>
        <Input />
        <Button aria-label={`All of ${label}`}>
          <span aria-hidden>▾</span>
        </Button>
      </div>
      <Sheet>
        <ListBox<SeekOption>>
          {({ id, name, note }) => (
            <ListBoxItem id={id} textValue={name}>
              <Option>
                <span>{name}</span>
                {note && <small>{note}</small>}
              </Option>
            </ListBoxItem>
          )}
        </ListBox>
      </Sheet>
    </Frame>
  );
}

const Frame = styled(ComboBox<SeekOption>)`
  display: grid;
  gap: 3px;
  min-width: 0;
  label {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  > div {
    display: flex;
    min-height: 38px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: ${({ theme }) => theme.radius};
    background: ${({ theme }) => theme.colour.white};
  }
  input {
    flex: 1;
    min-width: 0;
    padding: 6px 10px;
    border: 0;
    border-radius: inherit;
    background: none;
  }
  button {
    padding: 0 12px;
    border: 0;
    border-radius: inherit;
    background: none;
    cursor: pointer;
  }
`;
