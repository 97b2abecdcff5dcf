import styled from 'styled-components';

/** The page beside its choices. */
export const Halves = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 22px;
  .page {
    display: grid;
    place-items: center;
    min-height: calc(60vh + 24px);
    padding: 12px;
    border-radius: 4px;
    background: ${({ theme }) => theme.colour.slate};
    color: ${({ theme }) => theme.colour.onSlate};
    text-align: center;
  }
  svg {
    max-width: 100%;
    max-height: 60vh;
    background: ${({ theme }) => theme.colour.white};
  }
  .part {
    fill: none;
    stroke: ${({ theme }) => theme.colour.plum};
  }
  text {
    fill: ${({ theme }) => theme.colour.plum};
    stroke: ${({ theme }) => theme.colour.white};
    paint-order: stroke;
    font-weight: 700;
  }
  .choose {
    display: grid;
    align-content: start;
    gap: 12px;
  }
`;
