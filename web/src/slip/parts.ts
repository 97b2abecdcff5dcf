import styled from 'styled-components';

/** The right-hand sheet itself. */
export const SlipPaper = styled.aside`
  /* Hidden inputs of switches are placed against this; against the page they would make it scroll. */
  position: relative;
  display: flex;
  flex-direction: column;
  gap: 14px;
  min-height: 0;
  overflow: auto;
  padding: 18px 20px 28px;
  border-left: 1px solid ${({ theme }) => theme.colour.rule};
  background: ${({ theme }) => theme.colour.paper};
  h2 {
    font-size: 14px;
    font-weight: 700;
    color: ${({ theme }) => theme.colour.plum};
  }
`;
export const Verdict = styled.p`
  margin-top: -8px;
  font-size: 19px;
  line-height: 1.35;
`;
export const Decisions = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
`;

/** What is told a line each, with its figure at the end. */
export const Lines = styled.ul`
  display: grid;
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: 15px;
  li {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    gap: 10px;
    padding: 4px 0;
    border-bottom: 1px dotted ${({ theme }) => theme.colour.rule};
  }
  b {
    text-align: right;
  }
  small {
    display: block;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
`;
