import type { ReactNode } from 'react';
import styled from 'styled-components';
import { decide, formatLength, type Border, type Job, type LengthUnit } from '@zippy/core';
import { useJob } from '../../../stores/job.ts';
import { PlainButton } from '../../../ui/buttons.tsx';
import type { useDriftRun } from './useDriftRun.ts';

/** What would keep faults rare, each by one press. */
export function DriftRemedies({
  job,
  run,
  border,
  faceId,
  unit,
}: {
  readonly job: Job;
  readonly run: NonNullable<ReturnType<typeof useDriftRun>>;
  readonly border: Border | null | undefined;
  readonly faceId: string;
  readonly unit: LengthUnit;
}): ReactNode {
  const change = useJob((s) => s.change);
  const { bleedMm, safeMm } = job.size;
  const mm = (value: number): string => formatLength(value, unit);
  return (
    <Presses>
      {run.bleedMm > bleedMm && run.bleedMm <= 20 && (
        <PlainButton onPress={() => change([decide((job) => job.size.bleedMm, run.bleedMm)])}>
          Bleed {mm(run.bleedMm)}
        </PlainButton>
      )}
      {run.safeMm > safeMm && (
        <PlainButton onPress={() => change([decide((job) => job.size.safeMm, run.safeMm)])}>
          Safe {mm(run.safeMm)}
        </PlainButton>
      )}
      {border && run.bandMm > (border.insetMm || border.widthMm) && run.bandMm <= 15 && (
        <PlainButton
          onPress={() =>
            change([
              decide((job) => job.art.faces.at(faceId).border, {
                ...border,
                insetMm: 0,
                widthMm: Math.ceil(run.bandMm * 2) / 2,
              }),
            ])
          }
        >
          Border {mm(Math.ceil(run.bandMm * 2) / 2)}
        </PlainButton>
      )}
      {border && run.bandMm > (border.insetMm || border.widthMm) && (
        <PlainButton onPress={() => change([decide((job) => job.art.faces.at(faceId).border, null)])}>
          Take the border off
        </PlainButton>
      )}
    </Presses>
  );
}

const Presses = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;
