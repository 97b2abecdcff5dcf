import type { ReactNode } from 'react';
import styled from 'styled-components';

/** The number to set, large enough to read with a blade in one hand. */
export function Large({ big, children }: { readonly big: string; readonly children: ReactNode }): ReactNode {
  return (
    <Plate>
      <b>{big}</b>
      {children}
    </Plate>
  );
}

const Plate = styled.div`
  position: sticky;
  top: 34px;
  left: 40px;
  z-index: 1;
  display: inline-grid;
  margin: 34px 0 0 40px;
  padding: 10px 16px;
  border-radius: 6px;
  background: rgb(29 41 48 / 0.82);
  color: ${({ theme }) => theme.colour.onSlate};
  pointer-events: none;
  b {
    color: ${({ theme }) => theme.colour.marigold};
    font: 700 44px/1.05 ${({ theme }) => theme.font.mono};
  }
  span {
    font-size: 16px;
  }
`;
