import type { ReactNode } from 'react';
import { WORKSHOP_LIMITS, type LengthUnit, type MachineFacts } from '@zippy/core';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { Two } from '../../ui/ModalDialog.tsx';

/** What a cutting machine can do, and how often it goes round for a weight of card. */
export function MachineFields({
  machine,
  unit,
  onChange,
}: {
  readonly machine: MachineFacts;
  readonly unit: LengthUnit;
  readonly onChange: (machine: MachineFacts) => void;
}): ReactNode {
  return (
    <>
      <Two>
        <LengthField
          label="Margin it cannot reach"
          mm={machine.marginMm}
          unit={unit}
          {...WORKSHOP_LIMITS.machine.marginMm}
          onCommit={(marginMm) => onChange({ ...machine, marginMm })}
        />
        <LengthField
          label="Widest sheet"
          mm={machine.widestMm}
          unit={unit}
          {...WORKSHOP_LIMITS.machine.widestMm}
          onCommit={(widestMm) => onChange({ ...machine, widestMm })}
        />
      </Two>
      <NumberField
        label="Speed in card, mm a second"
        value={machine.speedMmPerS}
        {...WORKSHOP_LIMITS.machine.speedMmPerS}
        onCommit={(speedMmPerS) => onChange({ ...machine, speedMmPerS })}
      />
      <Two>
        {machine.passes.map((line, i) => (
          <NumberField
            key={line.upToGsm}
            label={`Passes up to ${line.upToGsm} gsm`}
            value={line.passes}
            {...WORKSHOP_LIMITS.machine.passes}
            onCommit={(passes) =>
              onChange({ ...machine, passes: machine.passes.map((old, k) => (k === i ? { ...old, passes } : old)) })
            }
          />
        ))}
      </Two>
    </>
  );
}
