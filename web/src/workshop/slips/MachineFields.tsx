import type { ReactNode } from 'react';
import { machineMargins, withMargins, WORKSHOP_LIMITS, type LengthUnit, type MachineFacts } from '@zippy/core';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { OnOff } from '../../ui/OnOff.tsx';

const SIDES = ['top', 'right', 'bottom', 'left'] as const;

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
  const margins = machineMargins(machine);
  const setLine = (at: number, part: { readonly passes?: number; readonly force?: number | undefined }): void =>
    onChange({ ...machine, passes: machine.passes.map((old, i) => (i === at ? { ...old, ...part } : old)) });
  return (
    <>
      <Two>
        {SIDES.map((side) => (
          <LengthField
            key={side}
            label={`It does not reach, ${side}`}
            mm={margins[side]}
            unit={unit}
            {...WORKSHOP_LIMITS.machine.marginMm}
            onCommit={(mm) => onChange(withMargins(machine, { ...margins, [side]: mm }))}
          />
        ))}
      </Two>
      <Two>
        <LengthField
          label="Widest sheet"
          mm={machine.widestMm}
          unit={unit}
          {...WORKSHOP_LIMITS.machine.widestMm}
          onCommit={(widestMm) => onChange({ ...machine, widestMm })}
        />
        <NumberField
          label="Speed in card, mm a second"
          value={machine.speedMmPerS}
          {...WORKSHOP_LIMITS.machine.speedMmPerS}
          onCommit={(speedMmPerS) => onChange({ ...machine, speedMmPerS })}
        />
      </Two>
      <OnOff
        label="Finds the marks on a printed sheet"
        value={machine.findsMarks ?? true}
        onChange={(findsMarks) => onChange({ ...machine, findsMarks })}
      />
      {machine.passes.map((line, i) => (
        <Two key={line.upToGsm}>
          <NumberField
            label={`Passes up to ${line.upToGsm} gsm`}
            value={line.passes}
            {...WORKSHOP_LIMITS.machine.passes}
            onCommit={(passes) => setLine(i, { passes })}
          />
          <NumberField
            label={`Force up to ${line.upToGsm} gsm`}
            value={line.force ?? 0}
            {...WORKSHOP_LIMITS.machine.force}
            {...(i === 0 ? { hint: 'In the machine’s own units; nought where it sets its own.' } : {})}
            onCommit={(force) => setLine(i, { force: force > 0 ? force : undefined })}
          />
        </Two>
      ))}
    </>
  );
}
