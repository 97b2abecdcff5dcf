import { Popover, Select } from 'react-aria-components';
import styled from 'styled-components';

/** One line of the list, and of what is chosen. */
export const Option = styled.span`
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
  i {
    flex: none;
    width: 16px;
    height: 16px;
    border: 1px solid ${({ theme }) => theme.colour.inkQuiet};
    border-radius: 3px;
  }
  span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  svg {
    flex: none;
    margin-right: 4px;
  }
  path {
    fill: none;
    stroke: ${({ theme }) => theme.colour.plum};
    stroke-width: 1.8;
    stroke-linejoin: round;
    stroke-linecap: round;
  }
  .said {
    white-space: normal;
    line-height: 1.22;
  }
  .said b,
  .said small {
    display: block;
  }
  .said small {
    margin: 0;
    padding: 0;
    font-weight: 400;
    white-space: normal;
  }
  > small {
    margin-left: auto;
    padding-left: 8px;
    white-space: nowrap;
  }
  small {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13px;
  }
`;

/** Hears the keys of the picker inside it and is not there otherwise. */
export const Through = styled.div`
  display: contents;
`;
export const Frame = styled(Select)`
  /* Its press has the focus, and shows it. */
  &[data-focus-visible] {
    outline: none;
    box-shadow: none;
  }
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 3px;
  min-width: 0;
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
    width: 100%;
    min-height: 38px;
    padding: 6px 10px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: ${({ theme }) => theme.radius};
    background: ${({ theme }) => theme.colour.white};
    text-align: left;
    cursor: pointer;
  }
  .react-aria-SelectValue {
    flex: 1;
    min-width: 0;
  }
  .empty {
    color: ${({ theme }) => theme.colour.inkQuiet};
  }
`;

/** The list, folded out. */
export const Sheet = styled(Popover)`
  min-width: var(--trigger-width);
  max-width: min(460px, 92vw);
  overflow: auto;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: ${({ theme }) => theme.radius};
  background: ${({ theme }) => theme.colour.paper};
  box-shadow: ${({ theme }) => theme.shadow};
  .react-aria-Header {
    padding: 8px 12px 2px;
    color: ${({ theme }) => theme.colour.plum};
    font-size: 13px;
    font-weight: 700;
  }
  [role='option'] {
    padding: 8px 12px;
    cursor: pointer;
  }
  [role='option'][data-focused] {
    background: ${({ theme }) => theme.colour.paperShade};
  }
  [role='option'][data-selected] {
    font-weight: 700;
  }
`;
