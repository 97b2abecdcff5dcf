import { decide } from '@zippy/core';
import type { ReactNode } from 'react';
import type { CreaseChoice } from '@zippy/core';
import { useJob } from '../stores/job.ts';
import { Choice } from '../ui/Choice.tsx';

/** Stock and Crease both show it: one decides by the coating, the other by the hands. */
export function PressureChoice({ value }: { readonly value: CreaseChoice['pressure'] }): ReactNode {
  const change = useJob((s) => s.change);
  return (
    <Choice
      label="Pressure"
      value={value}
      options={[
        { id: 'byCoating', name: 'By coating' },
        { id: 'firm', name: 'Firm' },
        { id: 'light', name: 'Light' },
      ]}
      onChange={(pressure) => change([decide((job) => job.crease.pressure, pressure)])}
    />
  );
}
