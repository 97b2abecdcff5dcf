import styled from 'styled-components';
import { Scroll } from './namesLook.ts';

export const Chooser = styled.div`
  display: grid;
  gap: 12px;
  .asks,
  .foot {
    display: flex;
    flex-wrap: wrap;
    gap: 10px 18px;
    align-items: end;
    justify-content: space-between;
  }
  .foot p {
    flex: 1 1 300px;
  }
  .react-aria-SearchField {
    flex: 1 1 200px;
  }
`;

/** A list as it stands in its file, as tall as the screen lets it be; what is not taken steps back. */
export const Grid = styled(Scroll)`
  max-height: 48vh;
  tr {
    cursor: default;
  }
  th {
    z-index: 1;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-weight: 400;
  }
  td {
    white-space: pre-line;
  }
  tr[data-is='above'] td,
  td[data-left] {
    color: ${({ theme }) => theme.colour.inkQuiet};
    text-decoration: line-through;
  }
  tr[data-is='above'] td:first-child,
  tr[data-is='heading'] td {
    text-decoration: none;
  }
  tr[data-is='heading'] td {
    background: ${({ theme }) => theme.colour.ochreWash};
    font-weight: 700;
  }
  .pick {
    accent-color: ${({ theme }) => theme.colour.plum};
    display: flex;
    gap: 8px;
    align-items: center;
    min-height: 26px;
    cursor: pointer;
    font-weight: 400;
  }
  .tick {
    display: grid;
    place-items: center;
    width: 26px;
    height: 26px;
    cursor: pointer;
  }
  .tick i {
    display: grid;
    place-items: center;
    width: 20px;
    height: 20px;
    border: 1px solid ${({ theme }) => theme.colour.inkQuiet};
    border-radius: 4px;
    font-style: normal;
    line-height: 1;
  }
  .tick[data-selected] i {
    border-color: ${({ theme }) => theme.colour.plum};
    background: ${({ theme }) => theme.colour.plum};
    color: ${({ theme }) => theme.colour.white};
  }
  .tick[data-focus-visible] i {
    outline: 3px solid ${({ theme }) => theme.colour.marigold};
    outline-offset: 1px;
  }
`;
