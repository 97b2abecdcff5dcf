import type { ReactNode } from 'react';
import { decideEach, LIMITS, sayMoney, type SellChoice } from '@zippy/core';
import { Slip } from '../../slip/Slip.tsx';
import { useJob } from '../../stores/job.ts';
import { MoneyField } from '../../ui/fields/MoneyField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { TypedField } from '../../ui/fields/TypedField.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { spokenOf, type StationProps } from '../parts.ts';
import { Extras } from './Extras.tsx';

export function SellSlip({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { sell } = job;
  const set = (part: Partial<SellChoice>): void => change(decideEach((job) => job.sell, part));
  const selling = job.brief.purpose === 'sell';
  return (
    <Slip title="Sell" part={plan.sell} spoken={spokenOf(workshop)}>
      {selling && (
        <>
          <Two>
            <MoneyField
              label="Price of a single"
              minor={sell.singlePriceMinor}
              onCommit={(m) => set({ singlePriceMinor: m })}
              hint={
                sell.singlePriceMinor === null
                  ? `Suggested ${sayMoney(plan.sell.singlePriceMinor, workshop)}`
                  : undefined
              }
            />
            <TypedField
              label="Wanted margin, %"
              value={sell.wantedMargin}
              show={(v) => String(Math.round(v * 100))}
              read={(text) => {
                const n = Number(text);
                const { least, most } = LIMITS.sell.wantedMargin;
                return text.trim() !== '' && n >= least * 100 && n <= most * 100
                  ? { ok: true, value: n / 100 }
                  : { ok: false, why: `Wanted margin wants a number from ${least * 100} to ${most * 100}.` };
              }}
              onCommit={(v) => set({ wantedMargin: v })}
            />
            <NumberField
              label="Cards in a pack"
              value={sell.packOf}
              {...LIMITS.sell.packOf}
              onCommit={(n) => set({ packOf: n })}
            />
            <MoneyField
              label="Price of a pack"
              minor={sell.packPriceMinor}
              onCommit={(m) => set({ packPriceMinor: m })}
              hint={
                sell.packPriceMinor === null ? `Suggested ${sayMoney(plan.sell.packPriceMinor, workshop)}` : undefined
              }
            />
          </Two>
        </>
      )}
      <Extras {...{ sell, set }} />
    </Slip>
  );
}
