import type { ReactNode } from 'react';
import { Header, Menu, MenuItem, MenuSection, MenuTrigger, Popover } from 'react-aria-components';
import styled from 'styled-components';
import { BenchButton, PlainButton } from './buttons.tsx';

/** One of several kinds of thing to add. */
export function AddMany({
  label,
  sections,
  onPick,
  isOnPaper = false,
}: {
  readonly label: ReactNode;
  readonly sections: readonly {
    readonly heading: string;
    readonly options: readonly { readonly id: string; readonly name: string }[];
  }[];
  readonly onPick: (id: string) => void;
  /** Where paper lies under it, and not the dark of a bench. */
  readonly isOnPaper?: boolean;
}): ReactNode {
  const Press = isOnPaper ? PlainButton : BenchButton;
  return (
    <MenuTrigger>
      <Press>
        {label} <span aria-hidden>▾</span>
      </Press>
      <Kinds placement="bottom end">
        <Menu onAction={(key) => onPick(String(key))}>
          {sections.map(({ heading, options }) => (
            <MenuSection key={heading}>
              <Header>{heading}</Header>
              {options.map(({ id, name }) => (
                <MenuItem key={id} id={id}>
                  {name}
                </MenuItem>
              ))}
            </MenuSection>
          ))}
        </Menu>
      </Kinds>
    </MenuTrigger>
  );
}

const Kinds = styled(Popover)`
  overflow: auto;
  padding: 4px 0;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: ${({ theme }) => theme.radius};
  background: ${({ theme }) => theme.colour.paper};
  box-shadow: ${({ theme }) => theme.shadow};
  header {
    padding: 8px 16px 2px;
    color: ${({ theme }) => theme.colour.plum};
    font-size: 13px;
    font-weight: 700;
  }
  [role='menuitem'] {
    padding: 8px 16px;
    cursor: pointer;
  }
  [role='menuitem'][data-focused] {
    background: ${({ theme }) => theme.colour.paperShade};
  }
`;
