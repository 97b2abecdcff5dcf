import type { ReactNode } from 'react';
import {
  Button,
  Header,
  Label,
  ListBox,
  ListBoxItem,
  ListBoxSection,
  Popover,
  Select,
  SelectValue,
} from 'react-aria-components';
import styled from 'styled-components';
import { formatEntry, type FormatEntry, type FormatId } from '@zippy/core';
import { FOLD_MARKS } from './foldMarks.ts';

const SECTIONS: readonly { readonly heading: string; readonly ids: readonly FormatId[] }[] = [
  { heading: 'One panel or one fold', ids: ['flat', 'sideFold', 'tentFold', 'placeCard', 'easel'] },
  { heading: 'Doors, rolls and pleats', ids: ['gateFold', 'doubleGate', 'rollFold', 'zigzag', 'cascade'] },
  { heading: 'Folded twice, thick or shaped', ids: ['quarterFold', 'spineFold', 'gusset', 'hingedShape'] },
];

/** Every way of folding, with a small drawing of the paper from its edge. */
export function FormatPick({
  value,
  onChange,
}: {
  readonly value: FormatId;
  readonly onChange: (format: FormatId) => void;
}): ReactNode {
  return (
    <Frame selectedKey={value} onSelectionChange={(key) => onChange(key as FormatId)}>
      <Label>Format</Label>
      <Button>
        <SelectValue>{() => <Entry entry={formatEntry(value)} />}</SelectValue>
        <span aria-hidden>▾</span>
      </Button>
      <Sheet>
        <ListBox>
          {SECTIONS.map(({ heading, ids }) => (
            <ListBoxSection key={heading} aria-label={heading}>
              <Header>{heading}</Header>
              {ids.map((id) => (
                <ListBoxItem key={id} id={id} textValue={formatEntry(id).name}>
                  <Entry entry={formatEntry(id)} />
                </ListBoxItem>
              ))}
            </ListBoxSection>
          ))}
        </ListBox>
      </Sheet>
    </Frame>
  );
}

function Entry({ entry }: { readonly entry: FormatEntry }): ReactNode {
  return (
    <Line>
      <svg viewBox="0 0 40 24" width={40} height={24} aria-hidden>
        <path d={FOLD_MARKS[entry.id]} />
      </svg>
      <span>
        <b>{entry.name}</b>
        <small>{entry.says}</small>
      </span>
    </Line>
  );
}

const Line = styled.span`
  display: flex;
  gap: 12px;
  align-items: center;
  text-align: left;
  svg {
    flex: none;
  }
  path {
    fill: none;
    stroke: ${({ theme }) => theme.colour.plum};
    stroke-width: 1.8;
    stroke-linejoin: round;
    stroke-linecap: round;
  }
  b {
    display: block;
    line-height: 1.2;
  }
  small {
    display: block;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13.5px;
    font-weight: 400;
    line-height: 1.25;
  }
`;
const Frame = styled(Select)`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 3px;
  > label,
  > span {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  > button {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 8px;
    padding: 8px 12px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: ${({ theme }) => theme.radius};
    background: #fff;
    cursor: pointer;
  }
`;
const Sheet = styled(Popover)`
  width: min(400px, 94vw);
  overflow: auto;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: ${({ theme }) => theme.radius};
  background: ${({ theme }) => theme.colour.paper};
  box-shadow: ${({ theme }) => theme.shadow};
  .react-aria-Header {
    padding: 9px 14px 3px;
    color: ${({ theme }) => theme.colour.plum};
    font-size: 13px;
    font-weight: 700;
  }
  [role='option'] {
    padding: 7px 14px;
    cursor: pointer;
  }
  [role='option'][data-focused] {
    background: ${({ theme }) => theme.colour.paperShade};
  }
  [role='option'][data-selected] {
    box-shadow: inset 4px 0 ${({ theme }) => theme.colour.marigold};
  }
`;
