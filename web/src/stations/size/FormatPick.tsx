import type { ReactNode } from 'react';
import { formatEntry, type FormatId } from '@zippy/core';
import { Pick } from '../../ui/Choose.tsx';
import { FOLD_MARKS } from './foldMarks.ts';

const SECTIONS: readonly { readonly heading: string; readonly ids: readonly FormatId[] }[] = [
  { heading: 'One panel or one fold', ids: ['flat', 'sideFold', 'tentFold', 'placeCard', 'easel'] },
  { heading: 'Doors, rolls and pleats', ids: ['gateFold', 'doubleGate', 'rollFold', 'zigzag', 'cascade'] },
  { heading: 'Folded twice, thick or shaped', ids: ['quarterFold', 'spineFold', 'gusset', 'hingedShape'] },
];

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
      sections={SECTIONS.map(({ heading, ids }) => ({
        heading,
        options: ids.map((id) => {
          const { name, says } = formatEntry(id);
          return { id, name, says, mark: FOLD_MARKS[id] };
        }),
      }))}
    />
  );
}
