import type { ReactNode } from 'react';
import {
  decideEach,
  formatEntry,
  formatLength,
  OPTION_DEFAULTS,
  type FormatInput,
  type FormatOptions,
  type Job,
  type LengthUnit,
  type SizePlan,
} from '@zippy/core';
import { useJob } from '../../stores/job.ts';
import { Choice } from '../../ui/Choice.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { LengthField, MaybeLengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { PathField } from './PathField.tsx';

/** What the format in hand asks, from its own entry in the catalogue. */
export function FormatInputs({
  job,
  size,
  unit,
}: {
  readonly job: Job;
  readonly size: SizePlan;
  readonly unit: LengthUnit;
}): ReactNode {
  const change = useJob((s) => s.change);
  const set = (part: Partial<FormatOptions>): void =>
    change(
      decideEach((job) => job.size.options, part),
      `size-option-${Object.keys(part).join()}`,
    );
  const { inputs } = formatEntry(job.size.format);
  const asked = { ...OPTION_DEFAULTS, ...job.size.options };
  return inputs
    .filter(({ when }) => when === undefined || when(asked))
    .map((input) => <OneInput key={input.id} input={input} asked={asked} size={size} unit={unit} set={set} />);
}

function OneInput({
  input,
  asked,
  size,
  unit,
  set,
}: {
  readonly input: FormatInput;
  readonly asked: FormatOptions;
  readonly size: SizePlan;
  readonly unit: LengthUnit;
  readonly set: (part: Partial<FormatOptions>) => void;
}): ReactNode {
  const finish = { widthMm: size.finishedWidthMm, heightMm: size.finishedHeightMm };
  const value = asked[input.id];
  switch (input.kind) {
    case 'length': {
      const [least, most] = input.limits(finish);
      const shared = { label: input.label, unit, least, most, hint: input.says };
      return input.mayBeNull ? (
        <MaybeLengthField
          {...shared}
          mm={value as number | null}
          worked={workedOut(input.id, size, unit)}
          onCommit={(mm) => set({ [input.id]: mm })}
        />
      ) : (
        <LengthField {...shared} mm={value as number} onCommit={(mm) => set({ [input.id]: mm })} />
      );
    }
    case 'number': {
      const [least, most] = input.limits(finish);
      return (
        <NumberField
          label={`${input.label}${input.unit === '°' ? ', degrees' : ''}`}
          value={value as number}
          least={least}
          most={most}
          whole={input.whole}
          onCommit={(n) => set({ [input.id]: n })}
        />
      );
    }
    case 'choice':
      return input.choices.length > 3 ? (
        <Pick
          label={input.label}
          value={value as string}
          onChange={(id) => set({ [input.id]: id })}
          sections={[{ heading: null, options: input.choices.map(({ id, name }) => ({ id, name })) }]}
        />
      ) : (
        <Choice
          label={input.label}
          value={value as string}
          options={input.choices}
          onChange={(id) => set({ [input.id]: id })}
        />
      );
    case 'yesNo':
      return <OnOff label={input.label} value={value as boolean} onChange={(on) => set({ [input.id]: on })} />;
    case 'path':
      return <PathField value={value as string} says={input.says} onChange={(text) => set({ [input.id]: text })} />;
  }
}

/** What an empty field comes to just now, where the plan knows it. */
function workedOut(id: FormatInput['id'], size: SizePlan, unit: LengthUnit): string | null {
  const { panels } = size.form.blank;
  const box = (panelId: string) => panels.find((p) => p.id === panelId)?.box;
  switch (id) {
    case 'shortenMm': {
      const widths = panels.map((p) => p.box.widthMm).sort((a, b) => b - a);
      const least = widths.find((w) => widths[0]! - w > 1e-6);
      return least === undefined ? null : formatLength(widths[0]! - least, unit);
    }
    case 'frontHeightMm': {
      const front = panels.find((p) => p.id === 'front');
      const ys = front?.outline.filter((p) => Math.abs(p.xMm) < 1e-6).map((p) => p.yMm) ?? [];
      return ys.length > 0 ? formatLength(Math.max(...ys) - Math.min(...ys), unit) : null;
    }
    case 'slitMm': {
      const slit = size.form.blank.cuts.find(({ id }) => id === 'slit')?.points;
      return slit ? formatLength(Math.abs(slit[1]!.yMm - slit[0]!.yMm), unit) : null;
    }
    case 'legWidthMm':
      return box('leg') ? formatLength(box('leg')!.widthMm, unit) : null;
    default:
      return null;
  }
}
