import { useCallback, type ReactNode } from 'react';
import { drawEndOn, type PopUpPlan, type Scene } from '@zippy/core';
import { Bench } from '../bench/Bench.tsx';
import type { StationProps } from '../stations/parts.ts';
import { useView } from '../stores/view/index.ts';
import { OpenScale } from './FoldTools.tsx';
import { opensTo } from './sayStage.ts';

/** The card with its pop-ups from the end of its fold, with the measures of the one in hand. */
export function SideBench({
  job,
  workshop,
  popUps,
  chosen,
  more,
}: StationProps & {
  readonly popUps: PopUpPlan;
  readonly chosen: number | null;
  readonly more: ReactNode;
}): ReactNode {
  const { open } = useView();
  const deg = open * 180;
  const draw = useCallback(
    (textMm: number): Scene => drawEndOn(popUps, deg, { unit: workshop.unit, textMm, layer: chosen }),
    [popUps, deg, workshop.unit, chosen],
  );
  return (
    <Bench
      content={draw(3).box}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={`From the end of the fold, ${opensTo(open)}.`}
      caption={`From the end of the fold, ${opensTo(open)}`}
      tools={
        <>
          {more}
          <OpenScale inDegrees />
        </>
      }
    />
  );
}
