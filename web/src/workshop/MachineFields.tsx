import type { ReactNode } from 'react';
import type { LengthUnit, MachineFacts } from '@zippy/core';
import { LengthField, NumberField } from '../ui/Field.tsx';
import { Two } from '../ui/Sheet.tsx';

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
          least={0}
          most={100}
          onCommit={(marginMm) => onChange({ ...machine, marginMm })}
        />
        <LengthField
          label="Widest sheet"
          mm={machine.widestMm}
          unit={unit}
          least={50}
          most={3000}
          onCommit={(widestMm) => onChange({ ...machine, widestMm })}
        />
      </Two>
      <NumberField
        label="Speed in card, mm a second"
        value={machine.speedMmPerS}
        least={1}
        most={5000}
        onCommit={(speedMmPerS) => onChange({ ...machine, speedMmPerS })}
      />
      <Two>
        {machine.passes.map((line, i) => (
          <NumberField
            key={line.upToGsm}
            label={`Passes up to ${line.upToGsm} gsm`}
            value={line.passes}
            least={1}
            most={12}
            onCommit={(passes) =>
              onChange({ ...machine, passes: machine.passes.map((old, k) => (k === i ? { ...old, passes } : old)) })
            }
          />
        ))}
      </Two>
    </>
  );
}
