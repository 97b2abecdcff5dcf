import type { ReactNode } from 'react';
import styled from 'styled-components';

export function Waiting({ text, children }: { readonly text: string; readonly children?: ReactNode }): ReactNode {
  return (
    <Middle>
      <img src="/mark.svg" alt="" width={72} height={72} />
      <p role="status">{text}</p>
      {children}
    </Middle>
  );
}

const Middle = styled.main`
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 12px;
  height: 100%;
  font-size: 18px;
`;
