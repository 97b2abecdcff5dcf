import type { ReactNode } from 'react';
import {
  papersIn,
  readThickness,
  readWeight,
  showThickness,
  showWeight,
  WORKSHOP_LIMITS,
  type Grade,
  type LabelWeight,
  type Workshop,
} from '@zippy/core';
import { TypedField } from '../../ui/fields/TypedField.tsx';
import type { Read } from '../../ui/fields/read.ts';

interface LabelField {
  readonly label: string;
  readonly workshop: Workshop;
  readonly hint?: ReactNode;
}

/** A weight as the studio’s papers are labelled: grams, or pounds with their grade. */
export function WeightField({
  label,
  gsm,
  grade,
  workshop,
  hint,
  onCommit,
}: LabelField & {
  readonly gsm: number;
  readonly grade: Grade;
  readonly onCommit: (weight: Required<LabelWeight>) => void;
}): ReactNode {
  const show = (weight: LabelWeight): string =>
    showWeight(weight.gsm, weight.grade ?? grade, papersIn(workshop) === 'northAmerican');
  return (
    <TypedField<LabelWeight>
      label={label}
      value={{ gsm, grade }}
      show={show}
      read={(text) => within(readWeight(text), label, (weight) => weight.gsm, WORKSHOP_LIMITS.gsm, 'gsm')}
      onCommit={(weight) => {
        // What is shown is rounded: left as it stands, it keeps what it was.
        if (show(weight) !== show({ gsm, grade })) onCommit({ gsm: weight.gsm, grade: weight.grade ?? grade });
      }}
      hint={hint}
    />
  );
}

/** A thickness in microns or points, as the studio’s rulers have it. */
export function ThicknessField({
  label,
  micron,
  workshop: { unit },
  hint,
  onCommit,
}: LabelField & { readonly micron: number; readonly onCommit: (micron: number) => void }): ReactNode {
  return (
    <TypedField
      label={label}
      value={micron}
      show={(value) => showThickness(value, unit)}
      read={(text) => within(readThickness(text, unit), label, (n) => n, WORKSHOP_LIMITS.caliperMicron, 'µm')}
      onCommit={(value) => {
        if (showThickness(value, unit) !== showThickness(micron, unit)) onCommit(value);
      }}
      hint={hint}
    />
  );
}

/** Holds what was read of a label between the ends of what is taken, in one sentence that names the field. */
function within<T>(
  read: Read<T>,
  label: string,
  numberOf: (value: T) => number,
  { least, most }: { readonly least: number; readonly most: number },
  unit: string,
): Read<T> {
  if (!read.ok) return { ok: false, why: `${label} wants ${read.why}.` };
  const n = numberOf(read.value);
  return n < least || n > most ? { ok: false, why: `${label} wants ${least} to ${most} ${unit}.` } : read;
}
