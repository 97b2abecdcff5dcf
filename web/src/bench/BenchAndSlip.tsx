import styled from 'styled-components';

/** A place with a bench on the left and a slip on the right; one over the other on a tablet held upright. */
export const BenchAndSlip = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto auto 1fr;
  height: 100%;
  > main {
    grid-row: 3;
    display: grid;
    grid-template-columns: minmax(0, 1fr) ${({ theme }) => theme.size.slipPx + 28}px;
    min-height: 0;
  }
  > [role='alert'] {
    padding: 10px 16px;
    background: ${({ theme }) => theme.colour.coralWash};
  }
  aside h1 {
    font-size: 16px;
    color: ${({ theme }) => theme.colour.plum};
  }
  @media (max-width: 900px) {
    height: auto;
    min-height: 100%;
    > main {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: 62vh auto;
    }
  }
`;
