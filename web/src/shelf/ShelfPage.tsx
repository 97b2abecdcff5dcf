import { useMemo, type ReactNode } from 'react';
import { Navigate, useParams } from 'react-router';
import styled, { useTheme } from 'styled-components';
import { buyingList, countedOf, thingKey, type Counted, type CountedShelf, type Workshop } from '@zippy/core';
import { BenchAndSlip } from '../bench/BenchAndSlip.tsx';
import { SlipPaper } from '../slip/parts.ts';
import { useWorkshop } from '../stores/workshop.ts';
import { SlateWall } from '../ui/SlateWall.ts';
import { TopBar } from '../ui/TopBar.tsx';
import { BooksSlip } from './BooksSlip.tsx';
import { BuySlip } from './BuySlip.tsx';
import { Pile } from './Pile.tsx';
import { useShelf } from './useShelf.ts';

const BOARDS: Readonly<Record<CountedShelf, string>> = {
  stocks: 'Card and paper',
  envelopes: 'Envelopes',
  trimmings: 'To put on',
};

/** What there is of everything that is counted, what the jobs on the wall take of it, and what to buy. */
export default function ShelfPage({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const problem = useWorkshop((s) => s.problem);
  const { shelf, thingId } = useParams();
  const now = useShelf(workshop);
  const { colour } = useTheme();
  const things = useMemo(() => countedOf(workshop), [workshop]);
  const list = useMemo(() => now.needs && buyingList(now.needs, workshop), [now.needs, workshop]);
  const needOf = (thing: Counted) => now.needs?.find((need) => thingKey(need) === thingKey(thing));
  const inHand = things.find((thing) => thing.shelf === shelf && thing.thingId === thingId);
  const colourOf = (thing: Counted): string => {
    const own: readonly { readonly id: string; readonly colour: string }[] = workshop[thing.shelf];
    return own.find(({ id }) => id === thing.thingId)?.colour ?? colour.paper;
  };
  if (shelf !== undefined && !inHand) return <Navigate to="/shelf" replace />;
  return (
    <Layout>
      <TopBar />
      {(problem ?? now.problem) && <p role="alert">{problem ?? now.problem}</p>}
      <main>
        <Boards aria-label="Shelf">
          <h1>Shelf</h1>
          {(Object.keys(BOARDS) as CountedShelf[]).map((board) => {
            const own = things.filter((thing) => thing.shelf === board);
            const most = Math.max(...own.map((thing) => Math.max(thing.onShelf, needOf(thing)?.needed ?? 0)));
            return own.length === 0 ? null : (
              <section key={board} aria-label={BOARDS[board]}>
                <h2>{BOARDS[board]}</h2>
                <ul>
                  {own.map((thing) => (
                    <Pile
                      key={thing.thingId}
                      {...{ thing, colour: colourOf(thing), need: needOf(thing), most, isInHand: thing === inHand }}
                    />
                  ))}
                </ul>
              </section>
            );
          })}
        </Boards>
        <SlipPaper aria-label={inHand ? 'Books' : 'To buy'} key={`${shelf} ${thingId}`}>
          {inHand ? (
            <BooksSlip
              {...{ thing: inHand, need: needOf(inHand), workshop, onWritten: now.reload }}
              movements={now.movements && (now.movements.get(thingKey(inHand)) ?? [])}
            />
          ) : (
            <BuySlip {...{ list, unplanned: now.unplanned, workshop }} />
          )}
        </SlipPaper>
      </main>
    </Layout>
  );
}

const Layout = styled(BenchAndSlip)`
  aside h3 {
    margin-top: 6px;
    font-size: 16px;
  }
  /* Of the page only the list goes on paper. */
  @media print {
    display: block;
    height: auto;
    header,
    section[aria-label='Shelf'],
    aside button,
    aside p:last-child {
      display: none;
    }
    main,
    aside {
      display: block;
      overflow: visible;
      height: auto;
    }
  }
`;

const Boards = styled(SlateWall)`
  h2 {
    margin: 6px 0;
    font-size: 16px;
    color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  ul {
    display: flex;
    flex-wrap: wrap;
    margin: 0 0 14px;
    padding: 0;
    list-style: none;
  }
  a {
    color: inherit;
  }
`;
