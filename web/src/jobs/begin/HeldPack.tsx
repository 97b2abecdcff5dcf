import type { ReactNode } from 'react';
import { Radio } from 'react-aria-components';
import { formatEntry, formatSize, readyCard, type Workshop } from '@zippy/core';
import { useNewCard } from '../../stores/newCard.ts';
import { ButtonLink } from '../../ui/buttons.tsx';
import { StockStack } from '../../workshop/wall/stacks.tsx';
import { Sheet, Tiles } from './tiles.ts';

/** A pack of cards that are cut already, of those in the workshop. */
export function HeldPack({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const { blankId, set } = useNewCard();
  const blanks = workshop.stocks.flatMap((stock) => {
    const card = readyCard(stock);
    return card ? [{ stock, card }] : [];
  });
  if (blanks.length === 0)
    return (
      <Sheet>
        <p>
          There are none in the workshop yet. Add the pack there with what its label says, and come back: nothing is cut
          then, and the card is as large as the pack has it.
        </p>
        <ButtonLink href="/workshop">To the workshop</ButtonLink>
      </Sheet>
    );
  return (
    <Tiles aria-label="Pack of ready-cut cards" value={blankId} onChange={(id) => set({ blankId: id })}>
      <span className="label">Nothing is cut: the card is as large as the pack has it.</span>
      {blanks.map(({ stock, card }) => (
        <Radio key={stock.id} value={stock.id}>
          <span className="drawn">
            <StockStack stock={stock} />
          </span>
          <span>
            {stock.name}
            <small>
              {formatEntry(card.format).name.toLowerCase()},{' '}
              {formatSize(card.finishedWidthMm, card.finishedHeightMm, workshop.unit)}, {stock.onShelf} there
            </small>
          </span>
        </Radio>
      ))}
    </Tiles>
  );
}
