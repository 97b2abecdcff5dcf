import type { ReactNode } from 'react';
import { decide, LIMITS, type RibbonChoice } from '@zippy/core';
import { useJob } from '../../stores/job.ts';
import { PlainButton } from '../../ui/buttons.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { MoneyField } from '../../ui/fields/MoneyField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { WordsField } from '../../ui/fields/WordsField.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { Pick } from '../../ui/Pick.tsx';
import type { StationProps } from '../parts.ts';

const LIMIT = LIMITS.ribbon;
const WAYS: readonly { readonly id: RibbonChoice['way']; readonly name: string }[] = [
  { id: 'across', name: 'Round it, from side to side' },
  { id: 'down', name: 'Round it, from head to foot' },
  { id: 'both', name: 'Round it both ways' },
  { id: 'holes', name: 'Through its holes' },
];

/** A common one to begin with: our starting values. */
const BEGUN: RibbonChoice = {
  ...{ name: 'Ribbon', colour: '#7b2869', widthMm: 10, way: 'across', bow: true, loopMm: 30, tailMm: 40 },
  roll: { metres: 20, priceMinor: 0 },
};

/** A ribbon that is tied when all else is done: how it runs, what is tied, what it comes from. */
export function RibbonInputs({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const takeAway = useJob((s) => s.takeAway);
  const { ribbon } = job;
  const { unit } = workshop;
  if (!ribbon) {
    const hasHoles = plan.size.form.blank.cuts.some(({ kind }) => kind === 'hole');
    return (
      <PlainButton
        onPress={() => change([decide((at) => at.ribbon, { ...BEGUN, way: hasHoles ? 'holes' : 'across' })])}
      >
        + Ribbon
      </PlainButton>
    );
  }
  const set = (part: Partial<RibbonChoice>): void => change([decide((at) => at.ribbon, { ...ribbon, ...part })]);
  return (
    <>
      <WordsField label="Ribbon" value={ribbon.name} onChange={(name) => set({ name: name.trim() || BEGUN.name })} />
      <Pick
        label="How it runs"
        value={ribbon.way}
        sections={[{ heading: null, options: WAYS }]}
        onChange={(way) => set({ way: WAYS.find(({ id }) => id === way)!.id })}
      />
      <OnOff label="Tied in a bow" value={ribbon.bow} onChange={(bow) => set({ bow })} />
      <Two>
        <LengthField
          label="Ribbon, wide"
          mm={ribbon.widthMm}
          unit={unit}
          {...LIMIT.widthMm}
          onCommit={(widthMm) => set({ widthMm })}
        />
        <LengthField
          label="Tail, long"
          mm={ribbon.tailMm}
          unit={unit}
          {...LIMIT.tailMm}
          onCommit={(tailMm) => set({ tailMm })}
        />
        {ribbon.bow && (
          <LengthField
            label="Loop, long"
            mm={ribbon.loopMm}
            unit={unit}
            {...LIMIT.loopMm}
            onCommit={(loopMm) => set({ loopMm })}
          />
        )}
        <NumberField
          label="Metres on a roll"
          whole={false}
          value={ribbon.roll.metres}
          {...LIMIT.rollMetres}
          onCommit={(metres) => set({ roll: { ...ribbon.roll, metres } })}
        />
        <MoneyField
          label="A roll costs"
          minor={ribbon.roll.priceMinor}
          onCommit={(minor) => set({ roll: { ...ribbon.roll, priceMinor: minor ?? 0 } })}
        />
      </Two>
      <ColourField label="Ribbon’s colour" value={ribbon.colour} onChange={(colour) => colour && set({ colour })} />
      <PlainButton onPress={() => takeAway([decide((at) => at.ribbon, null)], 'The ribbon is taken off.')}>
        Take off
      </PlainButton>
    </>
  );
}
