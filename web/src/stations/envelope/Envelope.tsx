import { useCallback, type ReactNode } from 'react';
import {
  ENVELOPE_STYLES,
  type EnvelopeStyleId,
  LIMITS,
  type EnvelopeChoice,
  decideEach,
  boxPath,
  CAUTIONS,
  drawEnvelopeBlank,
  drawEnvelopeSheet,
  type Scene,
} from '@zippy/core';
import { Bench } from '../../bench/Bench.tsx';
import { More } from '../../slip/More.tsx';
import { Slip } from '../../slip/Slip.tsx';
import { TakeAway } from '../../slip/TakeAway.tsx';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view/index.ts';
import { OnOff } from '../../ui/OnOff.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { BenchButton } from '../../ui/buttons.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { spokenOf, type StationProps } from '../parts.ts';
import { Caution } from '../Stepper.tsx';
import { Steps } from './Steps.tsx';

export function EnvelopeBench({ job, plan, workshop }: StationProps): ReactNode {
  const { onSheet, showOnSheet } = useView();
  const { envelope } = plan;
  const draw = useCallback(
    (textMm: number): Scene => {
      if (!onSheet) return drawEnvelopeBlank(envelope, textMm, workshop.unit);
      const { scene } = drawEnvelopeSheet(envelope);
      return {
        ...scene,
        shapes: [
          { kind: 'path', role: 'sheet', path: boxPath(scene.box), fill: envelope.stock.colour },
          ...scene.shapes,
        ],
      };
    },
    [envelope, workshop.unit, onSheet],
  );
  const content = onSheet
    ? draw(1).box
    : { xMm: 0, yMm: 0, widthMm: envelope.blank.widthMm, heightMm: envelope.blank.heightMm };
  return (
    <Bench
      content={content}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={`Side-seam envelope, ${onSheet ? 'on its sheet' : 'the blank with the inside up'}`}
      tools={
        <BenchButton aria-pressed={onSheet} onPress={() => showOnSheet(!onSheet)}>
          On its sheet
        </BenchButton>
      }
    />
  );
}

export function EnvelopeSlip({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { envelope } = job;
  const { unit } = workshop;
  const set = (part: Partial<EnvelopeChoice>): void => change(decideEach((job) => job.envelope, part));
  return (
    <Slip
      title="Envelope"
      part={plan.envelope}
      spoken={spokenOf(workshop)}
      after={
        <>
          <TakeAway what="envelope" format="pdf" label="Envelope template, PDF" />
          <TakeAway what="envelope" format="svg" label="Envelope template, SVG" />
        </>
      }
    >
      <OnOff label="Make matching envelopes" value={envelope.make} onChange={(on) => set({ make: on })} />
      <Pick
        label="Style"
        value={envelope.style ?? 'sideSeam'}
        onChange={(id) => set({ style: id as EnvelopeStyleId })}
        sections={[
          { heading: null, options: ENVELOPE_STYLES.map(({ id, name, says, mark }) => ({ id, name, says, mark })) },
        ]}
      />
      <Pick
        label="From"
        value={envelope.stockId}
        onChange={(id) => set({ stockId: id })}
        sections={[
          {
            heading: null,
            options: workshop.stocks.map((s) => ({ id: s.id, name: s.name, swatch: s.colour, note: `${s.gsm} gsm` })),
          },
        ]}
      />
      <Two>
        <LengthField
          label="Ease"
          mm={envelope.easeMm}
          unit={unit}
          {...LIMITS.envelope.easeMm}
          onCommit={(mm) => set({ easeMm: mm })}
        />
        <LengthField
          label="Seam"
          mm={envelope.seamMm}
          unit={unit}
          {...LIMITS.envelope.seamMm}
          onCommit={(mm) => set({ seamMm: mm })}
        />
      </Two>
      <More label="Flap, and how it is folded">
        <OnOff
          label="The flap follows the height"
          value={envelope.flapMm === null}
          onChange={(on) => set({ flapMm: on ? null : Math.round(plan.envelope.flapMm) })}
        />
        {envelope.flapMm !== null && (
          <LengthField
            label="Flap"
            mm={envelope.flapMm}
            unit={unit}
            {...LIMITS.envelope.flapMm}
            onCommit={(mm) => set({ flapMm: mm })}
          />
        )}
        <Steps steps={plan.envelope.steps} />
        <Caution role="note">{CAUTIONS.glue}</Caution>
      </More>
    </Slip>
  );
}
