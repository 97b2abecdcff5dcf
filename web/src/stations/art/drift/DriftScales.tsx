import type { ReactNode } from 'react';
import { fixed } from '@zippy/core';
import { useDrift } from '../../../stores/drift.ts';
import { Scale } from '../../../ui/Scale.tsx';
import { percent } from './percent.ts';

/** What is known of the printer and put up with by the maker. */
export function DriftScales({ printSpreadMm }: { readonly printSpreadMm: number }): ReactNode {
  const { biasRightMm, biasDownMm, wantedShare, set } = useDrift();
  return (
    <>
      <Scale
        label="The print wanders by (1 σ)"
        value={printSpreadMm}
        least={0}
        most={1.5}
        step={0.05}
        say={(v) => `${fixed(v, 2)} mm`}
        onChange={(value) => set({ printSpreadMm: value })}
      />
      <Scale
        label="Lasting bias, right"
        value={biasRightMm}
        least={-2}
        most={2}
        step={0.1}
        say={(v) => `${fixed(v, 1)} mm`}
        onChange={(value) => set({ biasRightMm: value })}
      />
      <Scale
        label="Lasting bias, low"
        value={biasDownMm}
        least={-2}
        most={2}
        step={0.1}
        say={(v) => `${fixed(v, 1)} mm`}
        onChange={(value) => set({ biasDownMm: value })}
      />
      <Scale
        label="Faults you would put up with"
        value={wantedShare}
        least={0.005}
        most={0.1}
        step={0.005}
        say={percent}
        onChange={(value) => set({ wantedShare: value })}
      />
    </>
  );
}
