import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { SpoilCause } from '@zippy/core';

const CARD = 'M12 8h40v48h-40z';

/** What each cause looks like on a card, so that it is found without reading. */
const MARKS: Readonly<Record<SpoilCause, ReactNode>> = {
  misfeed: (
    <>
      <path d={CARD} transform="rotate(9 32 32)" />
      <path d="M20 20h26M20 27h26M20 34h26" className="ink" />
    </>
  ),
  drift: (
    <>
      <path d={CARD} />
      <path d="M17 13h39v47h-39z" className="ink" />
    </>
  ),
  crack: (
    <>
      <path d={CARD} />
      <path d="M32 8l-3 6 5 5-4 7 5 6-5 7 4 6-3 5 2 6" className="ink" />
    </>
  ),
  smudge: (
    <>
      <path d={CARD} />
      <path d="M20 40c6-9 8 3 13-5s7 2 12-6" className="thick" />
    </>
  ),
  miscut: (
    <>
      <path d="M12 8h40v48l-40-9z" />
      <path d="M8 46l48 11" className="ink" />
    </>
  ),
  'wrong face': (
    <>
      <path d={CARD} />
      <path d="M22 32a10 10 0 0 1 18-6m2-6v8h-8M42 34a10 10 0 0 1-18 6m-2 6v-8h8" className="ink" />
    </>
  ),
  'upside-down': (
    <>
      <path d={CARD} />
      <path d="M24 20l8 22 8-22M27 28h10" className="ink" />
    </>
  ),
  other: (
    <>
      <path d={CARD} strokeDasharray="5 4" />
      <path d="M24 32h.1M32 32h.1M40 32h.1" className="thick" />
    </>
  ),
};

export const CauseMark = ({ cause }: { readonly cause: SpoilCause }): ReactNode => (
  <Mark viewBox="0 0 64 64" aria-hidden="true">
    {MARKS[cause]}
  </Mark>
);

const Mark = styled.svg`
  flex: none;
  width: 52px;
  height: 52px;
  fill: none;
  stroke: ${({ theme }) => theme.colour.inkQuiet};
  stroke-width: 2.5;
  stroke-linecap: round;
  stroke-linejoin: round;
  .ink {
    stroke: ${({ theme }) => theme.colour.coral};
  }
  .thick {
    stroke: ${({ theme }) => theme.colour.coral};
    stroke-width: 6;
  }
`;
