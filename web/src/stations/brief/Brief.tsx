import type { ReactNode } from 'react';
import { LIMITS, type Job, decideEach, cutText, formatSize, ISO_C6 } from '@zippy/core';
import { Slip } from '../../slip/Slip.tsx';
import { useJob } from '../../stores/job.ts';
import { Choice } from '../../ui/Choice.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { TypedField } from '../../ui/fields/TypedField.tsx';
import { WordsField } from '../../ui/fields/WordsField.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { BlankBench } from '../BlankBench.tsx';
import { spokenOf, type StationProps } from '../parts.ts';

const TYPED = 'typed';
const NONE = 'none';

export function BriefBench(props: StationProps): ReactNode {
  return <BlankBench {...props} showArt names={false} />;
}

export function BriefSlip({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { brief } = job;
  const set = (part: Partial<Job['brief']>, key?: string): void =>
    change(
      decideEach((job) => job.brief, part),
      key,
    );
  const { envelope } = brief;
  const shown = envelope.kind === 'shelf' ? envelope.envelopeId : envelope.kind;
  const pickEnvelope = (id: string): void => {
    if (id === NONE) set({ envelope: { kind: 'none' } });
    else if (id === TYPED) set({ envelope: { kind: 'typed', ...ISO_C6 } });
    else set({ envelope: { kind: 'shelf', envelopeId: id } });
  };
  return (
    <Slip title="Brief" part={plan.brief} spoken={spokenOf(workshop)}>
      <TypedField
        label="Title"
        figures={false}
        value={brief.title}
        show={(text) => text}
        read={(text) =>
          text.trim()
            ? { ok: true, value: cutText(text.trim(), LIMITS.brief.titleLetters) }
            : { ok: false, why: 'Title wants a few words, so that you find the job again.' }
        }
        onCommit={(title) => set({ title })}
      />
      <Choice
        label="For whom"
        value={brief.purpose}
        options={[
          { id: 'give', name: 'To give' },
          { id: 'sell', name: 'To sell' },
        ]}
        onChange={(purpose) => set({ purpose })}
      />
      <Two>
        <NumberField
          label="Good cards wanted"
          value={brief.wanted}
          {...LIMITS.brief.wanted}
          onCommit={(n) => set({ wanted: n })}
        />
        <TypedField
          label="Due"
          type="date"
          value={brief.dueDate}
          show={(day) => day ?? ''}
          read={(text) => ({ ok: true, value: text || null })}
          onCommit={(day) => day !== brief.dueDate && set({ dueDate: day })}
        />
      </Two>
      <Pick
        label="Envelope on hand"
        value={shown}
        onChange={pickEnvelope}
        sections={[
          {
            heading: 'On the shelf',
            options: workshop.envelopes.map((e) => ({
              id: e.id,
              name: e.name,
              swatch: e.colour,
              note: `${formatSize(e.insideWidthMm, e.insideHeightMm, workshop.unit)} · ${e.onShelf}`,
            })),
          },
          {
            heading: 'Or',
            options: [
              { id: TYPED, name: 'Type its inside size' },
              { id: NONE, name: 'None yet' },
            ],
          },
        ]}
      />
      {envelope.kind === 'typed' && (
        <Two>
          <LengthField
            label="Inside width"
            mm={envelope.insideWidthMm}
            unit={workshop.unit}
            {...LIMITS.brief.insideMm}
            onCommit={(mm) => set({ envelope: { ...envelope, insideWidthMm: mm } })}
          />
          <LengthField
            label="Inside height"
            mm={envelope.insideHeightMm}
            unit={workshop.unit}
            {...LIMITS.brief.insideMm}
            onCommit={(mm) => set({ envelope: { ...envelope, insideHeightMm: mm } })}
          />
        </Two>
      )}
      <WordsField label="Notes" rows={3} value={brief.notes} onChange={(notes) => set({ notes }, 'notes')} />
    </Slip>
  );
}
