import { DEFAULTS, type PicturePlacement } from '@zippy/core';
import type { ReactNode } from 'react';
import { Pick } from '../../ui/Pick.tsx';

/** Which of the job’s pictures is printed on a part, or none. */
export function PrintPick({
  label,
  pictures,
  value,
  onChange,
}: {
  readonly label: string;
  readonly pictures: readonly { readonly id: string; readonly name: string }[];
  readonly value: PicturePlacement | null | undefined;
  readonly onChange: (placement: PicturePlacement | null) => void;
}): ReactNode {
  return (
    <Pick
      label={label}
      value={value?.pictureId ?? ''}
      sections={[{ heading: null, options: [{ id: '', name: 'Nothing: bare stock' }, ...pictures] }]}
      onChange={(id) => onChange(id === '' ? null : { ...(value ?? DEFAULTS.placement), pictureId: id })}
    />
  );
}
