import type { ReactNode } from 'react';
import styled from 'styled-components';

export function Steps({ steps }: { readonly steps: readonly string[] }): ReactNode {
  return (
    <List>
      {steps.map((step) => (
        <li key={step}>{step}</li>
      ))}
    </List>
  );
}

const List = styled.ol`
  display: grid;
  gap: 4px;
  margin: 0;
  padding-left: 20px;
`;
