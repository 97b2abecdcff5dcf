import type { ReactNode } from 'react';
import styled from 'styled-components';
import { STATIONS } from '@zippy/core';

const [WIDTH, HEIGHT, RISE] = [34, 58, 7];

/** A job as it is here: a strip that folds open, a panel for each station. */
export const FoldedStrip = (): ReactNode => (
  <Strip
    viewBox={`-1 -1 ${STATIONS.length * WIDTH + 2} ${HEIGHT + RISE + 2}`}
    role="img"
    aria-label={`A strip of ten panels: ${STATIONS.join(', ')}`}
  >
    {STATIONS.map((station, at) => {
      const [left, right] = [at * WIDTH, (at + 1) * WIDTH];
      const [from, to] = at % 2 === 0 ? [RISE, 0] : [0, RISE];
      return (
        <g key={station} className={at % 2 === 0 ? 'lit' : 'shade'}>
          <path d={`M${left} ${from}L${right} ${to}V${to + HEIGHT}L${left} ${from + HEIGHT}Z`} />
          <text x={left + WIDTH / 2} y={(from + to) / 2 + HEIGHT / 2} textAnchor="middle" dominantBaseline="central">
            {(at + 1) % 10}
          </text>
        </g>
      );
    })}
  </Strip>
);

const Strip = styled.svg`
  width: 100%;
  path {
    stroke: ${({ theme }) => theme.colour.rule};
  }
  .lit path {
    fill: ${({ theme }) => theme.colour.paper};
  }
  .shade path {
    fill: ${({ theme }) => theme.colour.linenDeep};
  }
  text {
    font: 15px ${({ theme }) => theme.font.mono};
    fill: ${({ theme }) => theme.colour.inkQuiet};
  }
`;
