import type { ReactNode } from 'react';
import { Checkbox, CheckboxGroup, Label } from 'react-aria-components';
import styled from 'styled-components';

/** Any of several, each with a box to tick. */
export function Ticks({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: readonly string[];
  readonly options: readonly { readonly id: string; readonly name: string; readonly note?: string }[];
  readonly onChange: (ids: readonly string[]) => void;
}): ReactNode {
  return (
    <Group value={[...value]} onChange={onChange}>
      <Label>{label}</Label>
      <div className="ticks">
        {options.map(({ id, name, note }) => (
          <Checkbox key={id} value={id}>
            {({ isSelected }) => (
              <>
                <i aria-hidden>{isSelected ? '✓' : ''}</i>
                <span>
                  {name}
                  {note && <small>{note}</small>}
                </span>
              </>
            )}
          </Checkbox>
        ))}
      </div>
    </Group>
  );
}

const Group = styled(CheckboxGroup)`
  > span,
  > label:first-child {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  .ticks {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 2px 10px;
    max-height: 230px;
    overflow: auto;
  }
  .react-aria-Checkbox {
    display: flex;
    gap: 7px;
    align-items: flex-start;
    padding: 3px 2px;
    font-size: 15px;
    line-height: 1.25;
    cursor: pointer;
  }
  .react-aria-Checkbox small {
    display: block;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13px;
  }
  .react-aria-Checkbox i {
    flex: none;
    display: grid;
    place-items: center;
    width: 18px;
    height: 18px;
    border: 1px solid ${({ theme }) => theme.colour.inkQuiet};
    border-radius: 3px;
    font-style: normal;
    line-height: 1;
  }
  .react-aria-Checkbox[data-selected] i {
    background: ${({ theme }) => theme.colour.slate};
    color: ${({ theme }) => theme.colour.onSlate};
  }
  .react-aria-Checkbox[data-focus-visible] i {
    outline: 3px solid ${({ theme }) => theme.colour.marigold};
  }
`;
