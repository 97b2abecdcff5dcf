import type { ReactNode } from 'react';
import {
  FORMATS,
  formatSize,
  LARGEST_FINISHED_MM,
  largestThatFits,
  NAMED_SIZES,
  roundDown,
  SMALLEST_FINISHED_MM,
  type FormatId,
} from '@zippy/core';
import { Slip } from '../../slip/Slip.tsx';
import { useJob } from '../../stores/job.ts';
import { Choice, Pick } from '../../ui/Choose.tsx';
import { LengthField } from '../../ui/Field.tsx';
import { Press } from '../../ui/Press.tsx';
import { Two } from '../../ui/Sheet.tsx';
import { BlankBench } from '../BlankBench.tsx';
import { spokenOf, type StationProps } from '../parts.ts';

export function SizeBench(props: StationProps): ReactNode {
  return <BlankBench {...props} showArt={false} names />;
}

export function SizeSlip({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { size } = job;
  const { unit } = workshop;
  const set = (field: string, value: unknown): void => change([{ path: ['size', field], value }]);
  const setBoth = (widthMm: number, heightMm: number): void =>
    change([
      { path: ['size', 'finishedWidthMm'], value: widthMm },
      { path: ['size', 'finishedHeightMm'], value: heightMm },
    ]);
  const lying = size.finishedWidthMm > size.finishedHeightMm;
  const named = NAMED_SIZES.map((s) => ({ ...s, id: `${s.system} ${s.name}` }));
  const pickSize = (id: string): void => {
    const found = named.find((s) => s.id === id);
    // A tent stands on its long side, and a card that already lies stays lying.
    const sideways = found && (lying || size.format === 'tentFold');
    if (found) setBoth(sideways ? found.heightMm : found.widthMm, sideways ? found.widthMm : found.heightMm);
  };
  const envelope = job.brief.envelope;
  const inside =
    envelope.kind === 'typed'
      ? envelope
      : envelope.kind === 'shelf'
        ? workshop.envelopes.find((e) => e.id === envelope.envelopeId)
        : undefined;
  const fitEnvelope = (): void => {
    if (!inside) return;
    const largest = largestThatFits(inside, plan.size.thicknessMm);
    const inReach = (mm: number): number =>
      Math.min(LARGEST_FINISHED_MM, Math.max(SMALLEST_FINISHED_MM, roundDown(mm)));
    const [w, h] = [inReach(largest.widthMm), inReach(largest.heightMm)];
    const [short, long] = [Math.min(w, h), Math.max(w, h)];
    if (lying || size.format === 'tentFold') setBoth(long, short);
    else setBoth(short, long);
  };
  const options = (system: string) => ({
    heading: system,
    options: named
      .filter((s) => s.system === system)
      .map((s) => ({
        id: s.id,
        name: `${s.name}`,
        note: formatSize(s.widthMm, s.heightMm, system === 'ISO' ? 'mm' : 'in'),
      })),
  });
  return (
    <Slip title="Size" part={plan.size} spoken={spokenOf(workshop)}>
      <Choice
        label="Format"
        value={size.format}
        options={Object.values(FORMATS).map(({ id, name }) => ({ id, name }))}
        onChange={(format: FormatId) => set('format', format)}
      />
      <Pick
        label="Named size"
        value={plan.size.name}
        placeholder="Your own size"
        onChange={pickSize}
        sections={[options('ISO'), options('North American')]}
      />
      <Two>
        <LengthField
          label="Finished width"
          mm={size.finishedWidthMm}
          unit={unit}
          least={SMALLEST_FINISHED_MM}
          most={LARGEST_FINISHED_MM}
          onCommit={(mm) => set('finishedWidthMm', mm)}
        />
        <LengthField
          label="Finished height"
          mm={size.finishedHeightMm}
          unit={unit}
          least={SMALLEST_FINISHED_MM}
          most={LARGEST_FINISHED_MM}
          onCommit={(mm) => set('finishedHeightMm', mm)}
        />
        <Press onPress={() => setBoth(size.finishedHeightMm, size.finishedWidthMm)}>Swap the two</Press>
        <Press onPress={fitEnvelope} isDisabled={!inside}>
          Largest for my envelope
        </Press>
        <LengthField
          label="Bleed"
          mm={size.bleedMm}
          unit={unit}
          least={0}
          most={20}
          onCommit={(mm) => set('bleedMm', mm)}
        />
        <LengthField
          label="Safe"
          mm={size.safeMm}
          unit={unit}
          least={0}
          most={100}
          onCommit={(mm) => set('safeMm', mm)}
        />
      </Two>
    </Slip>
  );
}
