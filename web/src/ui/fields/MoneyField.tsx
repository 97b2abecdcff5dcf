import type { ReactNode } from 'react';
import { readMoney, showMoney } from './read.ts';
import { TypedField } from './TypedField.tsx';

/** Money as it is written on a price tag; null where the field may be left empty. */
export function MoneyField({
  label,
  minor,
  onCommit,
  hint,
}: {
  readonly label: string;
  readonly minor: number | null;
  readonly onCommit: (minor: number | null) => void;
  readonly hint?: ReactNode;
}): ReactNode {
  return (
    <TypedField
      label={label}
      value={minor}
      show={showMoney}
      read={(text) => readMoney(text, label)}
      onCommit={(m) => m !== minor && onCommit(m)}
      hint={hint}
    />
  );
}
