import type { ReactNode } from 'react';
import { formatLength, type LengthUnit, type Mm } from '@zippy/core';
import { readLength, readMaybeLength } from './read.ts';
import { TypedField } from './TypedField.tsx';

export function LengthField({
  label,
  mm,
  unit,
  least,
  most,
  onCommit,
  hint,
}: {
  readonly label: string;
  readonly mm: Mm;
  readonly unit: LengthUnit;
  readonly least: Mm;
  readonly most: Mm;
  readonly onCommit: (mm: Mm) => void;
  readonly hint?: ReactNode;
}): ReactNode {
  return (
    <TypedField
      label={label}
      value={mm}
      show={(value) => formatLength(value, unit)}
      read={(text) => readLength(text, { label, unit, mm, least, most })}
      onCommit={(value) => value !== mm && onCommit(value)}
      hint={hint}
    />
  );
}

/** A length that may be left to be worked out: an empty field is a choice, and says what it comes to. */
export function MaybeLengthField({
  label,
  mm,
  unit,
  least,
  most,
  worked,
  onCommit,
  hint,
}: {
  readonly label: string;
  readonly mm: Mm | null;
  readonly unit: LengthUnit;
  readonly least: Mm;
  readonly most: Mm;
  /** What it is just now when left empty. */
  readonly worked: string | null;
  readonly onCommit: (mm: Mm | null) => void;
  readonly hint?: string | undefined;
}): ReactNode {
  return (
    <TypedField
      label={label}
      value={mm}
      show={(value) => (value === null ? '' : formatLength(value, unit))}
      read={(text) => readMaybeLength(text, { label, unit, mm, least, most })}
      onCommit={(value) => value !== mm && onCommit(value)}
      hint={mm === null && worked ? `${hint ?? ''} Now ${worked}.`.trim() : hint}
    />
  );
}
