import styled from 'styled-components';

/** A box on the slip for the one thing that is picked out on the bench. */
export const InHand = styled.div.attrs({ role: 'group' })`
  display: grid;
  gap: 10px;
  padding: 12px;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: 6px;
  background: ${({ theme }) => theme.colour.paperShade};
`;
