import type { ReactNode } from 'react';
import { useView } from '../../stores/view/index.ts';
import { BenchButton, KeyCap } from '../../ui/buttons.tsx';

/** To where the blade may land, and back. */
export const DriftPress = ({ pressed }: { readonly pressed: boolean }): ReactNode => (
  <BenchButton aria-pressed={pressed} onPress={useView.getState().toggleDrift}>
    Drift <KeyCap>D</KeyCap>
  </BenchButton>
);
