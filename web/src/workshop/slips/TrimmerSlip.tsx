import type { ReactNode } from 'react';
import {
  CAUTIONS,
  NEW_MACHINE,
  repeatabilityOf,
  TRIMMER_KINDS,
  WORKSHOP_LIMITS,
  type Trimmer,
  type TrimmerKind,
  type Workshop,
} from '@zippy/core';
import { useWorkshop } from '../../stores/workshop.ts';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { TRIMMER_NAMES } from '../kindNames.ts';
import { HabitPanel } from '../habits/HabitPanel.tsx';
import { MachineFields } from './MachineFields.tsx';
import { ThingSlip } from './ThingSlip.tsx';

/** What cuts: how far, how much at once, and how true. */
export function TrimmerSlip({
  thing: trimmer,
  workshop,
}: {
  readonly thing: Trimmer;
  readonly workshop: Workshop;
}): ReactNode {
  const { unit } = workshop;
  const set = (part: Partial<Trimmer>): void => useWorkshop.getState().alter('trimmers', trimmer.id, part);
  const setKind = (kind: TrimmerKind): void =>
    set({
      kind,
      // How true a cut is belongs to the kind until it is measured again.
      repeatabilityMm: undefined,
      machine: kind === 'machine' ? (trimmer.machine ?? NEW_MACHINE) : undefined,
    });
  return (
    <ThingSlip shelf="trimmers" thing={trimmer} workshop={workshop}>
      <Pick
        label="Kind"
        value={trimmer.kind}
        sections={[{ heading: null, options: TRIMMER_KINDS.map((id) => ({ id, name: TRIMMER_NAMES[id] })) }]}
        onChange={(kind) => kind !== trimmer.kind && setKind(kind as TrimmerKind)}
      />
      <div className="two">
        <LengthField
          label="Longest cut"
          mm={trimmer.longestCutMm}
          unit={unit}
          {...WORKSHOP_LIMITS.trimmer.longestCutMm}
          onCommit={(longestCutMm) => set({ longestCutMm })}
        />
        <LengthField
          label="Thickest stack"
          mm={trimmer.thickestStackMm}
          unit="mm"
          {...WORKSHOP_LIMITS.trimmer.thickestStackMm}
          onCommit={(thickestStackMm) => set({ thickestStackMm })}
        />
      </div>
      {trimmer.kind !== 'machine' && trimmer.kind !== 'scissors' && (
        <LengthField
          label="Nearest that its fence comes to the blade"
          mm={trimmer.leastFenceMm ?? 0}
          unit={unit}
          {...WORKSHOP_LIMITS.trimmer.leastFenceMm}
          hint="Narrower strips cannot be cut off; a clamp counts too. Nought where any can."
          onCommit={(leastFenceMm) => set({ leastFenceMm: leastFenceMm > 0 ? leastFenceMm : undefined })}
        />
      )}
      <NumberField
        label="One cut strays by (1 σ), mm"
        value={repeatabilityOf(trimmer)}
        {...WORKSHOP_LIMITS.trimmer.repeatabilityMm}
        whole={false}
        hint="What is thought before any is measured. Most lie within this of their mean, nearly all within twice this."
        onCommit={(repeatabilityMm) => set({ repeatabilityMm })}
      />
      {!trimmer.machine && (
        <HabitPanel on="trimmers" toolId={trimmer.id} usualMm={repeatabilityOf(trimmer)} workshop={workshop} />
      )}
      {trimmer.machine && (
        <MachineFields machine={trimmer.machine} unit={unit} onChange={(machine) => set({ machine })} />
      )}
      <p>{CAUTIONS[trimmer.kind]}</p>
    </ThingSlip>
  );
}
