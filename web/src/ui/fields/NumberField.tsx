import type { ReactNode } from 'react';
import { readNumber, showNumber } from './read.ts';
import { TypedField } from './TypedField.tsx';

export function NumberField({
  label,
  value,
  least,
  most,
  whole = true,
  onCommit,
  hint,
}: {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly whole?: boolean;
  readonly onCommit: (value: number) => void;
  readonly hint?: ReactNode;
}): ReactNode {
  return (
    <TypedField
      label={label}
      value={value}
      show={showNumber}
      read={(text) => readNumber(text, { label, least, most, whole })}
      onCommit={(n) => n !== value && onCommit(n)}
      hint={hint}
    />
  );
}
