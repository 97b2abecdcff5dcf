import styled from 'styled-components';

/** A place’s own drawing on slate, left of its slip; its name is there for who does not see it. */
export const SlateWall = styled.section`
  min-height: 0;
  overflow: auto;
  padding: 14px 20px 34px;
  background: ${({ theme }) => theme.colour.slate};
  color: ${({ theme }) => theme.colour.onSlate};
  h1 {
    position: absolute;
    clip-path: inset(50%);
  }
`;
