import type { ReactNode } from 'react';
import { DEFAULTS, LIMITS, type EnvelopeChoice, type EnvelopePlan, type Workshop } from '@zippy/core';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { useView } from '../../stores/view/index.ts';
import { useSet } from './StyleInputs.tsx';
import { stockOptions } from '../stockOptions.ts';

/** A sheet that lines the front and the flap: of what, and how far in. */
export function LinerInputs({
  choice,
  plan,
  workshop,
}: {
  readonly choice: EnvelopeChoice;
  readonly plan: EnvelopePlan;
  readonly workshop: Workshop;
}): ReactNode {
  const set = useSet();
  const { show } = useView.getState();
  const { liner = null } = choice;
  const sheets = workshop.stocks.filter(({ readyCut }) => !readyCut);
  const lightest = [...sheets].sort((a, b) => a.gsm - b.gsm)[0];
  return (
    <>
      <OnOff
        label="Line them"
        value={liner !== null}
        onChange={(on) => {
          set({ liner: on && lightest ? { stockId: lightest.id, insetMm: DEFAULTS.linerInsetMm } : null });
          show(on ? 'liner' : 'blank');
        }}
      />
      {liner && (
        <>
          <Pick
            label="Liner from"
            value={liner.stockId}
            onChange={(stockId) => set({ liner: { ...liner, stockId } })}
            sections={[
              {
                heading: null,
                options: stockOptions(sheets),
              },
            ]}
          />
          <LengthField
            label="In from the edges"
            mm={liner.insetMm}
            unit={workshop.unit}
            {...LIMITS.envelope.linerInsetMm}
            onCommit={(insetMm) => set({ liner: { ...liner, insetMm } })}
            hint={plan.liner && `${plan.liner.up} to a sheet, ${plan.liner.sheets} for the run. Its art is at Art.`}
          />
        </>
      )}
    </>
  );
}
