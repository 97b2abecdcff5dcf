import type { ReactNode } from 'react';
import styled from 'styled-components';
import { CAUTIONS, type CutPlan } from '@zippy/core';
import { Caution } from '../Stepper.tsx';

/** What no fence holds: slopes, curves and holes, each with its tool’s caution. */
export function ByHand({ cut }: { readonly cut: CutPlan }): ReactNode {
  if (cut.outlines.length === 0) return null;
  return (
    <Hand>
      <h3>{cut.moves.length > 0 ? 'Then by hand' : 'By hand'}</h3>
      {cut.outlines.map((outline) => (
        <div key={outline.id}>
          <b>{outline.big}</b>
          <p>{outline.text}</p>
        </div>
      ))}
      {[...new Set(cut.outlines.map(({ tool }) => tool))].map((tool) => (
        <Caution key={tool} role="note">
          {CAUTIONS[tool]}
        </Caution>
      ))}
    </Hand>
  );
}

const Hand = styled.section`
  display: grid;
  gap: 8px;
  h3 {
    font-size: 15px;
    color: ${({ theme }) => theme.colour.plum};
  }
  b {
    font: 700 18px/1.3 ${({ theme }) => theme.font.mono};
  }
  p {
    font-size: 14px;
    line-height: 1.35;
  }
`;
