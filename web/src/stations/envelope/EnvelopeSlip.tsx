import type { ReactNode } from 'react';
import {
  adhesivesOf,
  CAUTIONS,
  ENVELOPE_STYLES,
  type EnvelopeChoice,
  type EnvelopePlan,
  type EnvelopeStyleId,
  type LengthUnit,
  type Trimmer,
  type Workshop,
} from '@zippy/core';
import { More } from '../../slip/More.tsx';
import { Slip } from '../../slip/Slip.tsx';
import { TakeAway } from '../../slip/TakeAway.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { Fence } from '../cut/LayerMoves.tsx';
import { HeldWith } from '../HeldWith.tsx';
import { spokenOf, type StationProps } from '../parts.ts';
import { Caution } from '../Stepper.tsx';
import { AddressInputs } from './AddressInputs.tsx';
import { BoughtFlapInputs } from './BoughtFlapInputs.tsx';
import { LinerInputs } from './LinerInputs.tsx';
import { PostInputs } from './PostInputs.tsx';
import { Steps } from './Steps.tsx';
import { StyleInputs, useSet, WindowInputs } from './StyleInputs.tsx';
import { stockOptions } from '../stockOptions.ts';

export function EnvelopeSlip({ job, plan, workshop }: StationProps): ReactNode {
  const set = useSet();
  const { envelope: choice } = job;
  const { envelope } = plan;
  const { unit } = workshop;
  // Where another goes to the post, what one would be made like waits at the foot.
  const shown = choice.make || !envelope.atHand;
  return (
    <Slip
      title="Envelope"
      part={envelope}
      spoken={spokenOf(workshop)}
      after={
        <>
          {(envelope.print ?? envelope.liner?.print) && (
            <TakeAway what="printedEnvelopes" format="pdf" label="Printed envelopes, PDF" />
          )}
          {envelope.print && (
            <>
              <TakeAway what="printedEnvelopes" format="png" label="A picture of each front, PNG" />
            </>
          )}
          {envelope.print && plan.art.names && (
            <TakeAway what="printedEnvelopes" format="csv" label="Who gets which, CSV" />
          )}
          {plan.envelope.cuts.machine && <TakeAway what="cut" format="svg" label="Cut files for the machine, SVG" />}
          <TakeAway what="envelope" format="pdf" label="Envelope template, PDF" />
          <TakeAway what="envelope" format="svg" label="Envelope template, SVG" />
          <TakeAway what="envelope" format="dxf" label="Envelope template, DXF" />
        </>
      }
    >
      <OnOff label="Make matching envelopes" value={choice.make} onChange={(make) => set({ make })} />
      {shown ? (
        <MadeInputs {...{ choice, envelope, workshop }} />
      ) : (
        <More label="A matching one, if it were made">
          <MadeInputs {...{ choice, envelope, workshop }} />
        </More>
      )}
      {envelope.atHand && <AddressInputs job={job} plan={envelope} unit={unit} />}
      {choice.make && (
        <HeldWith
          label="Seams held with"
          adhesives={adhesivesOf(workshop)}
          value={choice.adhesiveId}
          onChange={(adhesiveId) => set({ adhesiveId })}
        />
      )}
      {envelope.atHand && <LinerInputs choice={choice} plan={envelope} workshop={workshop} />}
      {choice.liner && envelope.atHand && !choice.make && (
        <BoughtFlapInputs choice={choice} plan={envelope} unit={unit} />
      )}
      {shown && (
        <More label="Corners and a window">
          <WindowInputs choice={choice} plan={envelope} unit={unit} />
        </More>
      )}
      <More label="Post">
        <PostInputs choice={choice} hasTariff={workshop.post !== undefined} advice={envelope.advice} />
      </More>
      {choice.make && envelope.up > 0 && <HowCut envelope={envelope} trimmer={plan.cut.trimmer} unit={unit} />}
      {shown && (
        <More label="How it is folded">
          <Steps steps={envelope.steps} />
          <Caution role="note">{CAUTIONS.glue}</Caution>
        </More>
      )}
    </Slip>
  );
}

/** What an envelope is made like, and of what. */
function MadeInputs({
  choice,
  envelope,
  workshop,
}: {
  readonly choice: EnvelopeChoice;
  readonly envelope: EnvelopePlan;
  readonly workshop: Workshop;
}): ReactNode {
  const set = useSet();
  return (
    <>
      <Pick
        label="Style"
        value={envelope.styleId}
        onChange={(id) => set({ style: id as EnvelopeStyleId })}
        sections={[
          { heading: null, options: ENVELOPE_STYLES.map(({ id, name, says, mark }) => ({ id, name, says, mark })) },
        ]}
      />
      <Pick
        label="From"
        value={choice.stockId}
        onChange={(stockId) => set({ stockId })}
        sections={[
          {
            heading: null,
            options: stockOptions(workshop.stocks),
          },
        ]}
      />
      <StyleInputs choice={choice} plan={envelope} unit={workshop.unit} />
    </>
  );
}

/** The fence’s settings one by one, then what is cut off each blank; or what the machine is sent. */
function HowCut({
  envelope: { cuts, cutting },
  trimmer,
  unit,
}: {
  readonly envelope: EnvelopePlan;
  readonly trimmer: Trimmer;
  readonly unit: LengthUnit;
}): ReactNode {
  return (
    <More label={cuts.machine ? 'How it is cut: by machine' : `How it is cut: ${cuts.strokes} strokes`}>
      <Fence moves={cuts.moves} unit={unit} />
      {/* The moves stand above, one by one. */}
      <Steps steps={cuts.moves.length > 0 ? cutting.slice(1) : cutting} />
      <Caution role="note">{CAUTIONS[trimmer.kind === 'machine' && !cuts.machine ? 'knife' : trimmer.kind]}</Caution>
    </More>
  );
}
