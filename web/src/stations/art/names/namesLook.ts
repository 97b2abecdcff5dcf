import styled from 'styled-components';

/** The list, as long as it is, in a window of its own. */
export const Scroll = styled.div`
  position: relative;
  max-height: 220px;
  overflow: auto;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: 6px;
  background: ${({ theme }) => theme.colour.white};
  font-size: 14px;
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    position: sticky;
    top: 0;
    padding: 6px 10px;
    background: ${({ theme }) => theme.colour.paperShade};
    text-align: left;
  }
  th[data-used] {
    color: ${({ theme }) => theme.colour.plum};
    text-decoration: underline;
  }
  td {
    padding: 4px 10px;
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
  }
  tr {
    cursor: pointer;
  }
  tr[aria-current] td {
    background: ${({ theme }) => theme.colour.ochreWash};
    font-weight: 700;
  }
`;
