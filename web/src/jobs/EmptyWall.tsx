import type { ReactNode } from 'react';
import { Link } from 'react-aria-components';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { papersIn, showWeight, type Workshop } from '@zippy/core';
import { DoNow } from '../ui/buttons.tsx';

/** What to do next where nothing has been made yet. */
export function EmptyWall({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const navigate = useNavigate();
  const [stock] = workshop.stocks;
  const uncounted = workshop.stocks.length === 1 && stock!.onShelf === 0 ? stock! : null;
  return (
    <Empty>
      <p>Nothing on the wall yet.</p>
      {uncounted && (
        <p>
          On your shelf stands <Link href={`/workshop/stocks/${uncounted.id}`}>{uncounted.name}</Link>,{' '}
          {showWeight(uncounted.gsm, uncounted.grade, papersIn(workshop) === 'northAmerican')}, as a beginning. Put
          there what your pack says, its price and how many sheets you have; or do it later.
        </p>
      )}
      <p>
        Start with what you hold: an envelope, a card to match, a picture, or only an idea. Everything can be changed
        later.
      </p>
      <DoNow onPress={() => void navigate('/new')}>Make the first card</DoNow>
    </Empty>
  );
}

const Empty = styled.div`
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 560px;
  padding: 28px;
  border: 2px dashed ${({ theme }) => theme.colour.slateLine};
  border-radius: 8px;
  color: ${({ theme }) => theme.colour.onSlate};
  a {
    color: inherit;
    font-weight: 700;
  }
`;
