import type { ReactNode } from 'react';
import {
  BOUGHT_FLAPS,
  flapOf,
  formatLength,
  LIMITS,
  type BoughtFlap,
  type BoughtFlapShape,
  type EnvelopeChoice,
  type EnvelopePlan,
  type LengthUnit,
} from '@zippy/core';
import { Choice } from '../../ui/Choice.tsx';
import { MaybeLengthField } from '../../ui/fields/LengthField.tsx';
import { useSet } from './StyleInputs.tsx';

const SHAPES: Readonly<Record<BoughtFlapShape, string>> = {
  leaning: 'Leans in',
  square: 'Straight',
  pointed: 'To a point',
};

/** The flap of an envelope from the shelf, as a ruler finds it: a liner is cut by it. */
export function BoughtFlapInputs({
  choice,
  plan,
  unit,
}: {
  readonly choice: EnvelopeChoice;
  readonly plan: EnvelopePlan;
  readonly unit: LengthUnit;
}): ReactNode {
  const set = useSet();
  const flap = flapOf(choice.boughtFlap);
  const change = (part: Partial<BoughtFlap>): void => set({ boughtFlap: { ...flap, ...part } });
  return (
    <>
      <Choice
        label="Its flap"
        value={flap.shape}
        onChange={(shape) => change({ shape })}
        options={BOUGHT_FLAPS.map((id) => ({ id, name: SHAPES[id] }))}
      />
      <Choice
        label="It closes"
        value={flap.opens}
        onChange={(opens) => change({ opens })}
        options={[
          { id: 'long', name: 'A long side' },
          { id: 'short', name: 'A short side' },
        ]}
      />
      <MaybeLengthField
        label="Flap, fold to tip"
        mm={flap.depthMm}
        unit={unit}
        {...LIMITS.envelope.flapMm}
        worked={`${formatLength(plan.flapInHandMm, unit)}, as most are: measure yours`}
        onCommit={(depthMm) => change({ depthMm })}
      />
    </>
  );
}
