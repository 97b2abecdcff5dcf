import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { Fate, OnStock, Stock, WhiteWay } from '@zippy/core';

const SAYS: Readonly<Record<Fate, string>> = {
  bare: 'the card’s own, left bare',
  shows: 'prints as it is',
  shifts: 'comes out as',
  vanishes: 'cannot be seen',
};

/** Where the white stands among the files, by how its feed path lays it. */
const WHITE: Readonly<Record<WhiteWay, string>> = {
  inPass: 'an ink of its own in the page, named White.',
  before: 'a file of its own, printed before the colours.',
  after: 'a file of its own, printed after the colours.',
};

/** Every colour of the art as it is asked for and as it comes out on a coloured card. */
export function InksOnStock({
  onStock,
  stock,
  white,
}: {
  readonly onStock: OnStock;
  readonly stock: Stock;
  readonly white: WhiteWay | null;
}): ReactNode {
  return (
    <Box aria-label="Inks on this card">
      <p>
        <b>On {stock.colourName.toLowerCase()} card</b>
        {white
          ? `: white goes under every colour; on the sheets it is ${WHITE[white]}`
          : ': inks let the card through, and nothing is lighter than the card.'}
      </p>
      <ul>
        {onStock.inks.map(({ colour, printed, fate, where }) => (
          <li key={colour} data-fate={fate}>
            <i style={{ background: colour }} aria-hidden />
            <span aria-hidden>→</span>
            <i style={{ background: fate === 'bare' ? stock.colour : printed }} aria-hidden />
            <span>
              {SAYS[fate]}
              {fate === 'shifts' ? ` ${printed}` : ''} <small>{where.join(', ')}</small>
            </span>
          </li>
        ))}
      </ul>
    </Box>
  );
}

const Box = styled.div.attrs({ role: 'group' })`
  display: grid;
  gap: 6px;
  ul {
    display: grid;
    gap: 6px;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 26px 16px 26px 1fr;
    gap: 6px;
    align-items: center;
    line-height: 1.25;
  }
  li[data-fate='vanishes'] span:last-child {
    color: ${({ theme }) => theme.colour.coral};
    font-weight: 700;
  }
  i {
    height: 22px;
    border: 1px solid ${({ theme }) => theme.colour.inkQuiet};
    border-radius: 4px;
  }
  small {
    display: block;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13px;
    font-weight: 400;
  }
`;
