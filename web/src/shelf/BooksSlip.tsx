import { useId, useMemo, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import {
  keepBooks,
  offcutOf,
  plural,
  sayDay,
  sayExactly,
  sayMoney,
  type Counted,
  type Movement,
  type MovementCause,
  type Need,
  type Stock,
  type Workshop,
  WORKSHOP_LIMITS,
} from '@zippy/core';
import type { WrittenMovement } from '@zippy/core/contract';
import { api } from '../api/client.ts';
import { Decisions, Lines, Verdict } from '../slip/parts.ts';
import { More } from '../slip/More.tsx';
import { OtherPacks } from './OtherPacks.tsx';
import { useWorkshop } from '../stores/workshop.ts';
import { ButtonLink, DoNow, PlainButton } from '../ui/buttons.tsx';
import { Choice } from '../ui/Choice.tsx';
import { LengthField } from '../ui/fields/LengthField.tsx';
import { MoneyField } from '../ui/fields/MoneyField.tsx';
import { NumberField } from '../ui/fields/NumberField.tsx';
import { WordsField } from '../ui/fields/WordsField.tsx';

const CAUSES: Readonly<Record<MovementCause, string>> = {
  opening: 'here at the start',
  bought: 'bought',
  counted: 'counted anew',
  made: 'made into good cards',
  spoiled: 'spoiled',
  offcut: 'offcuts kept',
  other: 'otherwise',
  away: 'taken off the shelf',
};
const MOST = 100_000;
/** As many of the newest are shown at once. */
const SHOWN = 30;

/** The books of one thing: what is there by which lot, what came and went, and a line to write in them. */
export function BooksSlip({
  thing,
  need,
  movements,
  workshop,
  onWritten,
}: {
  readonly thing: Counted;
  readonly need: Need | undefined;
  /** Null until they are here. */
  readonly movements: readonly Movement[] | null;
  readonly workshop: Workshop;
  readonly onWritten: () => Promise<void>;
}): ReactNode {
  const books = useMemo(() => keepBooks(movements ?? []), [movements]);
  const [all, setAll] = useState(false);
  const day = (at: string): string => sayDay(at.slice(0, 10), workshop.region);
  const things = plural(thing.onShelf, thing.one);
  const stock = thing.shelf === 'stocks' ? workshop.stocks.find(({ id }) => id === thing.thingId) : undefined;
  return (
    <>
      <ButtonLink href="/shelf">Back to what to buy</ButtonLink>
      <h2>{thing.name}</h2>
      <Verdict>
        {thing.onShelf} {things}
        {need && need.needed > 0
          ? need.short > 0
            ? `, ${need.short} short${need.by ? ` by ${sayDay(need.by, workshop.region)}` : ''}.`
            : `, of which the wall takes ${need.needed}.`
          : '; no job on the wall takes any.'}
      </Verdict>
      <p>
        {books.countedAt
          ? `Counted last ${day(books.countedAt)}.`
          : 'Never counted: what the books say is all there is to go by.'}
      </p>
      <Write {...{ thing, workshop, onWritten }} />
      {need && need.jobs.length > 0 && (
        <Lines aria-label="Taken by">
          {need.jobs.map(({ jobId, title, count, dueDate, onBench }) => (
            <li key={jobId}>
              <span>
                {title}
                {onBench ? ', on the bench' : dueDate ? `, ${sayDay(dueDate, workshop.region)}` : ''}
              </span>
              <b>{count}</b>
            </li>
          ))}
        </Lines>
      )}
      {books.lots.some(({ eachMinor }) => eachMinor !== null) && (
        <>
          <h3>What is left, oldest first</h3>
          <Lines aria-label="Lots">
            {books.lots.map(({ id, lot, at, left, eachMinor }) => (
              <li key={id}>
                <span>
                  {left} {lot ? `of ${lot}` : `of ${day(at)}`}
                </span>
                <b>{eachMinor === null ? 'price not said' : `${sayExactly(eachMinor, workshop)} each`}</b>
              </li>
            ))}
          </Lines>
        </>
      )}
      {stock && !stock.offcutOf && <OtherPacks key={`${stock.id} packs`} {...{ stock, workshop }} />}
      {stock && !stock.readyCut && <Offcuts key={stock.id} {...{ stock, workshop, onWritten }} />}
      <h3>What came and went</h3>
      <Lines aria-label="Movements">
        {(movements ?? []).slice(0, all ? undefined : SHOWN).map(({ id, cause, change, at, priceMinor, lot, note }) => {
          const cost = books.cost[id];
          return (
            <li key={id}>
              <span>
                {day(at)}: {CAUSES[cause]}
                {[lot, note].filter(Boolean).map((said) => `, ${said}`)}
                {priceMinor !== null && `, ${sayMoney(priceMinor, workshop)}`}
                {cost != null && cost > 0 && `, ${sayMoney(Math.round(cost), workshop)} of it`}
              </span>
              <b>{change > 0 ? `+${change}` : change === 0 ? '=' : `−${-change}`}</b>
            </li>
          );
        })}
      </Lines>
      {movements && movements.length > SHOWN && !all && (
        <DoNow onPress={() => setAll(true)}>Show all {movements.length}</DoNow>
      )}
      <ButtonLink href={`/workshop/${thing.shelf}/${thing.thingId}`}>Its facts and price, in Workshop</ButtonLink>
    </>
  );
}

type Written = WrittenMovement['cause'];
const WRITTEN: readonly { readonly id: Written; readonly name: string; readonly asks: string }[] = [
  { id: 'bought', name: 'Bought', asks: 'How many' },
  { id: 'counted', name: 'Counted', asks: 'There are' },
  { id: 'other', name: 'Gone', asks: 'How many fewer' },
];

/** A line for the books. What was typed stays where it could not be written. */
function Write({
  thing,
  workshop,
  onWritten,
}: {
  readonly thing: Counted;
  readonly workshop: Workshop;
  readonly onWritten: () => Promise<void>;
}): ReactNode {
  const [cause, setCause] = useState<Written>('bought');
  const [many, setMany] = useState<number | null>(null);
  const [priceMinor, setPrice] = useState<number | null>(null);
  const [lot, setLot] = useState('');
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [id, setId] = useState(() => crypto.randomUUID());
  const says = useId();
  const pack = thing.offers[0];
  const usual = cause === 'bought' ? (pack?.holds ?? 1) : cause === 'counted' ? thing.onShelf : 1;
  const count = many ?? usual;
  const packs = pack && count % pack.holds === 0 ? count / pack.holds : null;
  // Said beside the field and not in it: what stands in a field must not change under the fingers that go to it.
  const usually = pack && packs !== null ? packs * pack.priceMinor : null;
  const write = async (): Promise<void> => {
    setProblem(null);
    try {
      await api.writeMovement({
        ...{ id, shelf: thing.shelf, thingId: thing.thingId, cause, at: null },
        change: cause === 'other' ? -count : count,
        priceMinor: cause === 'bought' ? (priceMinor ?? usually) : null,
        lot: cause === 'bought' && lot ? lot : null,
        note: note || null,
      });
      setId(crypto.randomUUID());
      setMany(null);
      setPrice(null);
      setLot('');
      setNote('');
      await onWritten();
    } catch (why) {
      setProblem((why as Error).message);
    }
  };
  const { asks } = WRITTEN.find((one) => one.id === cause)!;
  return (
    <Decisions role="group" aria-label="Write in the books">
      <Choice
        label="Write in the books"
        value={cause}
        options={WRITTEN}
        onChange={(next) => {
          setCause(next);
          setMany(null);
        }}
      />
      <Pair>
        <NumberField label={asks} value={count} least={cause === 'counted' ? 0 : 1} most={MOST} onCommit={setMany} />
        {cause === 'bought' ? (
          <MoneyField
            label="For, all of it"
            minor={priceMinor}
            onCommit={setPrice}
            hint={usually === null ? undefined : `Left empty: ${sayMoney(usually, workshop)}`}
          />
        ) : (
          <WordsField label="Why" value={note} onChange={setNote} />
        )}
      </Pair>
      {cause === 'bought' && <WordsField label="Lot, as its pack names it" value={lot} onChange={setLot} />}
      {problem && (
        <p role="alert" id={says}>
          {problem}
        </p>
      )}
      <DoNow aria-describedby={problem ? says : undefined} onPress={() => void write()}>
        {cause === 'bought'
          ? `Put ${count} on the shelf`
          : cause === 'counted'
            ? `There are ${count}`
            : `Take ${count} off`}
      </DoNow>
    </Decisions>
  );
}

/** What is left of its sheets goes on the shelf as card of its own size, and is offered first where cards come out of it. */
function Offcuts({
  stock,
  workshop,
  onWritten,
}: {
  readonly stock: Stock;
  readonly workshop: Workshop;
  readonly onWritten: () => Promise<void>;
}): ReactNode {
  const { unit } = workshop;
  const [size, setSize] = useState({ widthMm: stock.sheetWidthMm, heightMm: Math.round(stock.sheetHeightMm / 3) });
  const [many, setMany] = useState(1);
  const [problem, setProblem] = useState<string | null>(null);
  const navigate = useNavigate();
  const keep = async (): Promise<void> => {
    setProblem(null);
    const begun = offcutOf(stock, size.widthMm, size.heightMm, unit);
    const alike = workshop.stocks.find(({ name }) => name === begun.name);
    try {
      const thingId = alike?.id ?? crypto.randomUUID().slice(0, 8);
      const { change, workshop: now } = useWorkshop.getState();
      if (!alike) await change({ ...now!, stocks: [...now!.stocks, { id: thingId, ...begun }] });
      await api.writeMovement({
        ...{ id: crypto.randomUUID(), shelf: 'stocks', thingId, cause: 'offcut', change: many },
        ...{ priceMinor: null, lot: null, note: null, at: null },
      });
      await onWritten();
      await navigate(`/shelf/stocks/${thingId}`);
    } catch (why) {
      setProblem((why as Error).message);
    }
  };
  return (
    <More label="Keep offcuts of it">
      <Pair>
        <LengthField
          label="Along its width"
          mm={size.widthMm}
          unit={unit}
          least={WORKSHOP_LIMITS.sheetMm.least}
          most={stock.sheetWidthMm}
          onCommit={(widthMm) => setSize({ ...size, widthMm })}
        />
        <LengthField
          label="Along its height"
          mm={size.heightMm}
          unit={unit}
          least={WORKSHOP_LIMITS.sheetMm.least}
          most={stock.sheetHeightMm}
          onCommit={(heightMm) => setSize({ ...size, heightMm })}
        />
      </Pair>
      <NumberField label="How many of them" value={many} least={1} most={MOST} onCommit={setMany} />
      {problem && <p role="alert">{problem}</p>}
      <PlainButton onPress={() => void keep()}>Put {many === 1 ? 'it' : `all ${many}`} on the shelf</PlainButton>
    </More>
  );
}

const Pair = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  align-items: start;
`;
