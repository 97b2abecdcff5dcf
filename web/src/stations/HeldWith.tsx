import type { ReactNode } from 'react';
import type { Adhesive } from '@zippy/core';
import { Pick } from '../ui/Pick.tsx';

/** No id of a thing: these have no brackets. */
const NOTHING = '(nothing)';

/** What holds a thing, of what is on the shelf, or that this is left open. */
export function HeldWith({
  label,
  adhesives,
  nothing = 'Whatever is at hand',
  value,
  onChange,
}: {
  readonly label: string;
  readonly adhesives: readonly Adhesive[];
  readonly nothing?: string;
  readonly value: string | null | undefined;
  readonly onChange: (adhesiveId: string | null) => void;
}): ReactNode {
  if (adhesives.length === 0) return null;
  return (
    <Pick
      label={label}
      value={value ?? NOTHING}
      sections={[
        {
          heading: null,
          options: [{ id: NOTHING, name: nothing }, ...adhesives.map(({ id, name }) => ({ id, name }))],
        },
      ]}
      onChange={(id) => onChange(id === NOTHING ? null : id)}
    />
  );
}
