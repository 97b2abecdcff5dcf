import type { ReactNode } from 'react';
import { perPieceFixed, WORKSHOP_LIMITS, type Workshop } from '@zippy/core';
import { useWorkshop } from '../../stores/workshop.ts';
import { MoneyField } from '../../ui/fields/MoneyField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';

const PACE: readonly (readonly [keyof Workshop['pace'], string])[] = [
  ['setUp', 'Setting up a run'],
  ['perPrintedSide', 'A printed side'],
  ['perStroke', 'A stroke of the blade'],
  ['perCreasePass', 'A pass of the scoring tip'],
  ['perFold', 'A fold'],
  ['perEnvelopeMade', 'An envelope made'],
  ['perPieceFixed', 'A piece fixed by hand'],
  ['perCardPacked', 'A card checked and packed'],
];

export function PaceAndRate({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const change = useWorkshop((s) => s.change);
  const { good, spoiled } = workshop.spoilLog;
  return (
    <section aria-labelledby="pace">
      <h2 id="pace">Pace and rate</h2>
      <p>
        Minutes of your own hands. Your log so far: {good} good, {spoiled} spoiled.
      </p>
      <div className="two">
        {PACE.map(([key, label]) => (
          <NumberField
            key={key}
            label={label}
            value={workshop.pace[key] ?? perPieceFixed(workshop.pace)}
            {...WORKSHOP_LIMITS.paceMinutes}
            whole={false}
            onCommit={(n) => void change({ ...workshop, pace: { ...workshop.pace, [key]: n } })}
          />
        ))}
        <MoneyField
          label="Your hour"
          minor={workshop.hourlyMinor}
          onCommit={(m) => void change({ ...workshop, hourlyMinor: m ?? 0 })}
        />
      </div>
    </section>
  );
}
