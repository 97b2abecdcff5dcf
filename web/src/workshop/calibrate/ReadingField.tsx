import type { ReactNode } from 'react';
import { parseLength } from '@zippy/core';
import { TypedField } from '../../ui/fields/TypedField.tsx';

/** Readings are finer than a sixteenth of an inch, so a bare number here is millimetres whatever the workshop’s unit. */
export function ReadingField({
  label,
  mm,
  least,
  most,
  onCommit,
  hint,
}: {
  readonly label: string;
  readonly mm: number | null;
  readonly least: number;
  readonly most: number;
  readonly onCommit: (mm: number | null) => void;
  readonly hint?: ReactNode;
}): ReactNode {
  return (
    <TypedField
      label={label}
      value={mm}
      show={(value) => (value === null ? '' : `${Math.round(value * 100) / 100} mm`)}
      read={(text) => {
        if (text.trim() === '') return { ok: true, value: null };
        const minus = /^\s*[-−]/.test(text);
        const parsed = parseLength(text.replace(/^\s*[-−+]/, ''), 'mm');
        if (!parsed.ok) return { ok: false, why: `${label}: ${parsed.why}.` };
        const value = minus ? -parsed.mm : parsed.mm;
        return value >= least && value <= most
          ? { ok: true, value }
          : { ok: false, why: `${label} wants ${least} to ${most} mm.` };
      }}
      onCommit={onCommit}
      hint={hint}
    />
  );
}
