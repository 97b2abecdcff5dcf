import type { ReactNode } from 'react';
import { Link } from 'react-aria-components';
import styled from 'styled-components';
import { buyingCsv, plural, sayDay, sayMoney, sayPacks, type ToBuy, type Workshop } from '@zippy/core';
import { download } from '../api/download.ts';
import { Verdict } from '../slip/parts.ts';
import { DoNow, PlainButton } from '../ui/buttons.tsx';

/** What runs short for the jobs on the wall, by when, and the packs that cover it. */
export function BuySlip({
  list,
  unplanned,
  workshop,
}: {
  /** Null while jobs are planned. */
  readonly list: readonly ToBuy[] | null;
  readonly unplanned: readonly string[];
  readonly workshop: Workshop;
}): ReactNode {
  const soonest = list?.find(({ need }) => need.by !== null)?.need.by;
  const total = (list ?? []).reduce((sum, { cover }) => sum + (cover?.priceMinor ?? 0), 0);
  const unpriced = (list ?? []).filter(({ cover }) => !cover).length;
  const asCsv = (): void => {
    const url = URL.createObjectURL(
      new Blob(['\ufeff', buyingCsv(list!, workshop)], { type: 'text/csv;charset=utf-8' }),
    );
    download({ url, name: 'to-buy.csv' });
    URL.revokeObjectURL(url);
  };
  return (
    <>
      <h2>Shelf</h2>
      <Verdict aria-live="polite">
        {!list
          ? 'Counting what the jobs on the wall take …'
          : list.length === 0
            ? 'Everything on the wall can be made from what is here.'
            : `${list.length === 1 ? 'One thing runs' : `${list.length} things run`} short${soonest ? `, ${list.length === 1 ? '' : 'the first '}by ${sayDay(soonest, workshop.region)}` : ''}.`}
      </Verdict>
      {list && list.length > 0 && (
        <>
          <Rows className="print">
            {list.map(({ thing, need, cover }) => (
              <li key={`${thing.shelf} ${thing.thingId}`}>
                <Link href={`/shelf/${thing.shelf}/${thing.thingId}`}>{thing.name}</Link>
                <b>{cover ? sayMoney(cover.priceMinor, workshop) : 'no price'}</b>
                <span>
                  {need.short} {plural(need.short, thing.one)} short
                  {need.by ? ` by ${sayDay(need.by, workshop.region)}` : ''}
                </span>
                <span>{cover ? sayPacks(cover) : ''}</span>
                <small>
                  for{' '}
                  {need.jobs
                    .map(({ title, count, onBench }) => `${title} (${count}${onBench ? ', on the bench' : ''})`)
                    .join(', ')}
                </small>
              </li>
            ))}
            <li className="total">
              <span>
                Together{unpriced > 0 ? `, without ${unpriced} that ${unpriced === 1 ? 'has' : 'have'} no price` : ''}
              </span>
              <b>{sayMoney(total, workshop)}</b>
            </li>
          </Rows>
          <DoNow onPress={() => window.print()}>Print this list</DoNow>
          <PlainButton onPress={asCsv}>For a spreadsheet, CSV</PlainButton>
        </>
      )}
      {unplanned.length > 0 && <p>Not counted, since they cannot be planned: {unplanned.join(', ')}.</p>}
      <Quietly>Press a pile for its books: what came, what went, and to count it anew.</Quietly>
    </>
  );
}

const Quietly = styled.p`
  color: ${({ theme }) => theme.colour.inkQuiet};
  font-size: 15px;
`;

const Rows = styled.ul`
  display: grid;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 2px 10px;
    padding: 8px 0;
    border-bottom: 1px dotted ${({ theme }) => theme.colour.rule};
  }
  a {
    font-weight: 700;
  }
  li > :nth-child(2n) {
    text-align: right;
  }
  small {
    grid-column: 1 / -1;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  .total {
    border-bottom: 0;
    font-weight: 700;
  }
`;
