import type { ReactNode } from 'react';
import { FAMILIES, FORMATS, type FormatId } from '@zippy/core';
import { Pick } from '../../ui/Pick.tsx';

/** Every way of folding, with a small drawing of the paper from its edge. */
export function FormatPick({
  value,
  onChange,
}: {
  readonly value: FormatId;
  readonly onChange: (format: FormatId) => void;
}): ReactNode {
  return (
    <Pick
      label="Format"
      value={value}
      onChange={(id) => onChange(id as FormatId)}
      sections={FAMILIES.map((heading) => ({
        heading,
        options: FORMATS.filter(({ family }) => family === heading).map(({ id, name, says, mark }) => ({
          ...{ id, name, says, mark },
        })),
      }))}
    />
  );
}
