import type { ReactNode } from 'react';
import { useView } from '../../stores/view/index.ts';
import type { StationProps } from '../parts.ts';
import { CutDrift } from './CutDrift.tsx';
import { MachineBench } from './MachineBench.tsx';
import { MovesBench } from './MovesBench.tsx';

export { CutSlip } from './CutSlip.tsx';

export function CutBench(props: StationProps): ReactNode {
  const drift = useView((s) => s.drift);
  if (drift && props.plan.sheet.up > 0) return <CutDrift {...props} />;
  return props.plan.cut.trimmer.machine ? <MachineBench {...props} /> : <MovesBench {...props} />;
}
