import type { ReactNode } from 'react';
import { useWorkshop } from '../../stores/workshop.ts';
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
  const currency = useWorkshop((s) => s.workshop!.currency);
  return (
    <TypedField
      label={label}
      value={minor}
      show={(m) => showMoney(m, currency)}
      read={(text) => readMoney(text, label, currency)}
      onCommit={(m) => m !== minor && onCommit(m)}
      hint={hint}
    />
  );
}
