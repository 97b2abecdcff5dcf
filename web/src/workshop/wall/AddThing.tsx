import type { ReactNode } from 'react';
import { Header, Menu, MenuItem, MenuSection, MenuTrigger, Popover } from 'react-aria-components';
import styled from 'styled-components';
import { BenchButton, PlainButton } from '../../ui/buttons.tsx';

export const AddOne = ({ label, onPress }: { readonly label: string; readonly onPress: () => void }): ReactNode => (
  <PlainButton onPress={onPress}>{label}</PlainButton>
);

/** One of several kinds of thing to add. */
export function AddMany({
  label,
  sections,
  onPick,
}: {
  readonly label: string;
  readonly sections: readonly {
    readonly heading: string;
    readonly options: readonly { readonly id: string; readonly name: string }[];
  }[];
  readonly onPick: (id: string) => void;
}): ReactNode {
  return (
    <MenuTrigger>
      <BenchButton>
        {label} <span aria-hidden>▾</span>
      </BenchButton>
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
