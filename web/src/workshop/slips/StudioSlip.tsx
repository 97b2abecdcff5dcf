import { useMemo, type ReactNode } from 'react';
import {
  DEFAULT_REGION,
  inCurrency,
  PAPERS,
  papersIn,
  papersOf,
  readPrice,
  sayDay,
  sayMoney,
  unitOf,
  type Workshop,
} from '@zippy/core';
import { Decisions } from '../../slip/parts.ts';
import { useWorkshop } from '../../stores/workshop.ts';
import { PlainButton } from '../../ui/buttons.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { SeekPick } from '../../ui/SeekPick.tsx';
import { today } from '../../workers/planner.ts';
import { Backups } from '../Backups.tsx';
import { currencies, currencyOf, regions } from '../places.ts';
import { Studios } from '../Studios.tsx';
import { Typefaces } from '../Typefaces.tsx';
import { PaceAndRate } from './PaceAndRate.tsx';
import { PostTariff } from './PostTariff.tsx';
import { WordField } from './ThingSlip.tsx';

/** Where the studio is, and what it is paid in: neither changes a figure, only how it is written. */
function Where({
  workshop,
  region,
  set,
}: {
  readonly workshop: Workshop;
  readonly region: string;
  readonly set: (part: Partial<Workshop>) => void;
}): ReactNode {
  const { currency } = workshop;
  const [places, monies] = useMemo(() => [regions(), currencies()], []);
  const usual = { currency: currencyOf(region) ?? currency, unit: unitOf(region), papers: papersOf(region) };
  const isUsual = usual.currency === currency && usual.unit === workshop.unit && usual.papers === papersIn(workshop);
  const nameOf = (id: string): string => monies.find((money) => money.id === id)?.name ?? id;
  return (
    <>
      <SeekPick label="Where you are" value={region} options={places} onChange={(id) => set({ region: id })} />
      {!isUsual && (
        <PlainButton onPress={() => set({ ...inCurrency(workshop, usual.currency), ...usual })}>
          As is usual there: {nameOf(usual.currency)}, {usual.unit === 'mm' ? 'millimetres' : 'inches'},{' '}
          {usual.papers === 'iso' ? 'A4' : 'letter'}
        </PlainButton>
      )}
      <SeekPick
        label="Money"
        value={currency}
        options={monies}
        onChange={(id) => id !== currency && set(inCurrency(workshop, id))}
      />
      <p className="quiet">
        Written as {sayMoney(readPrice('1234.50', currency)!, { currency, region })} and {sayDay(today(), region)}.
        Prices keep their figures: nothing is exchanged.
      </p>
    </>
  );
}

/** How the studio counts, measures and pays; the pace of its hands; and everything it has in one file. */
export function StudioSlip({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const set = (part: Partial<Workshop>): void => {
    const { workshop: now, change } = useWorkshop.getState();
    void change({ ...now!, ...part });
  };
  const region = workshop.region ?? DEFAULT_REGION;
  const papers = papersIn(workshop);
  return (
    <>
      <h1>{workshop.studioName}</h1>
      <Decisions>
        <WordField
          label="Name of the studio"
          value={workshop.studioName}
          onCommit={(studioName) => set({ studioName })}
        />
        <Where workshop={workshop} region={region} set={set} />
        <Choice
          label="Lengths in"
          value={workshop.unit}
          options={[
            { id: 'mm', name: 'Millimetres' },
            { id: 'in', name: 'Inches' },
          ]}
          onChange={(unit) => set({ unit })}
        />
        <Choice
          label="Paper is sold as"
          value={papers}
          options={PAPERS.map((id) => ({ id, name: id === 'iso' ? 'A4, in gsm' : 'Letter, in lb' }))}
          onChange={(bought) => set({ papers: bought })}
        />
      </Decisions>
      <PaceAndRate workshop={workshop} />
      <PostTariff workshop={workshop} />
      <Studios />
      <Typefaces />
      <Backups region={workshop.region} />
    </>
  );
}
