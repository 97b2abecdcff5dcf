import type { ReactNode } from 'react';
import styled from 'styled-components';

/** A sheet’s corner with its fibres, and what is done to it. */
const TESTS: readonly { readonly name: string; readonly says: string; readonly mark: string }[] = [
  {
    name: 'Bend',
    says: 'Bend the sheet gently one way, then the other, without folding. It gives more easily where the bend lies along the grain.',
    mark: 'M4 34 C14 34 16 12 30 12 C44 12 46 34 56 34 M4 40 C14 40 16 18 30 18 C44 18 46 40 56 40 M4 34 V40 M56 34 V40',
  },
  {
    name: 'Tear',
    says: 'Tear an offcut from each edge. Along the grain the tear runs straight; across it wanders and frays.',
    mark: 'M6 6 H54 V42 H6 Z M18 6 V30 M38 6 L34 12 L41 18 L36 25 L42 30',
  },
  {
    name: 'Damp strip',
    says: 'Wet one side of a small square. It curls into a tube, and the tube lies along the grain.',
    mark: 'M8 14 C8 6 20 6 20 14 C20 22 8 22 8 14 M14 8 H48 M14 20 H48 M48 8 C54 8 54 20 48 20',
  },
];

export function GrainTests(): ReactNode {
  return (
    <List>
      {TESTS.map(({ name, says, mark }) => (
        <li key={name}>
          <svg viewBox="0 0 60 48" width={60} height={48} aria-hidden>
            <path d={mark} />
          </svg>
          <p>
            <b>{name}.</b> {says}
          </p>
        </li>
      ))}
    </List>
  );
}

const List = styled.ul`
  display: grid;
  gap: 10px;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    grid-template-columns: 60px 1fr;
    gap: 12px;
    font-size: 15px;
  }
  path {
    fill: none;
    stroke: ${({ theme }) => theme.colour.ink};
    stroke-width: 1.6;
    stroke-linejoin: round;
  }
`;
