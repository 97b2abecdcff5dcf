import { useState, type ReactNode } from 'react';
import { sayMoney, WORKSHOP_LIMITS, type Stock, type Workshop } from '@zippy/core';
import { More } from '../slip/More.tsx';
import { Lines } from '../slip/parts.ts';
import { useWorkshop } from '../stores/workshop.ts';
import { PlainButton, Quiet } from '../ui/buttons.tsx';
import { MoneyField } from '../ui/fields/MoneyField.tsx';
import { NumberField } from '../ui/fields/NumberField.tsx';

/** Packs that a stock is sold in beside its usual one: what is short is covered by the cheapest of all. */
export function OtherPacks({ stock, workshop }: { readonly stock: Stock; readonly workshop: Workshop }): ReactNode {
  const [sheets, setSheets] = useState(50);
  const [priceMinor, setPrice] = useState<number | null>(null);
  const packs = stock.alsoSoldAs ?? [];
  const keep = (alsoSoldAs: NonNullable<Stock['alsoSoldAs']>): void =>
    useWorkshop.getState().alter('stocks', stock.id, { alsoSoldAs });
  return (
    <More label="Other packs it is sold in">
      <Lines aria-label="Other packs">
        {packs.map((pack, i) => (
          // Two may be alike.
          <li key={i}>
            <span>
              {pack.sheets} for {sayMoney(pack.priceMinor, workshop)}
            </span>
            <Quiet
              aria-label={`Take out ${pack.sheets} for ${sayMoney(pack.priceMinor, workshop)}`}
              onPress={() => keep(packs.toSpliced(i, 1))}
            >
              Take out
            </Quiet>
          </li>
        ))}
      </Lines>
      <NumberField label="Sheets in a pack" value={sheets} {...WORKSHOP_LIMITS.packSheets} onCommit={setSheets} />
      <MoneyField label="Price of a pack" minor={priceMinor} onCommit={setPrice} />
      {packs.length >= WORKSHOP_LIMITS.otherPacks ? (
        <p>{WORKSHOP_LIMITS.otherPacks} other packs are kept at most: take one out first.</p>
      ) : (
        <PlainButton
          isDisabled={priceMinor === null || priceMinor === 0}
          onPress={() => {
            keep([...packs, { sheets, priceMinor: priceMinor! }]);
            setPrice(null);
          }}
        >
          Keep this pack
        </PlainButton>
      )}
    </More>
  );
}
