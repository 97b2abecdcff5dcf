import styled from 'styled-components';

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

/** As wide and long as it is, in a window of its own; what is not taken steps back. */
export const Grid = styled.div`
  max-height: 48vh;
  overflow: auto;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: 6px;
  background: ${({ theme }) => theme.colour.white};
  font-size: 14px;
  table {
    min-width: 100%;
    border-collapse: collapse;
  }
  th {
    position: sticky;
    z-index: 1;
    top: 0;
    padding: 6px 10px;
    background: ${({ theme }) => theme.colour.paperShade};
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-weight: 400;
    text-align: left;
  }
  td {
    padding: 4px 10px;
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
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
