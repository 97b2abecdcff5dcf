import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { LIMITS, decide, cutText, changeJob, newJob, type Workshop } from '@zippy/core';
import { api } from '../api/client.ts';
import { Choice } from '../ui/Choice.tsx';
import { Pick } from '../ui/Pick.tsx';
import { NumberField } from '../ui/fields/NumberField.tsx';
import { WordsField } from '../ui/fields/WordsField.tsx';
import { DoNow, PlainButton } from '../ui/buttons.tsx';
import { Row, ModalDialog } from '../ui/ModalDialog.tsx';

const NONE = 'none';

/** The few things a job starts from; all of them can be changed at Brief. */
export default function NewJobDialog({
  isOpen,
  onClose,
  workshop,
}: {
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly workshop: Workshop;
}): ReactNode {
  const navigate = useNavigate();
  const [title, setTitle] = useState('');
  const [purpose, setPurpose] = useState<'give' | 'sell'>('give');
  const [wanted, setWanted] = useState(12);
  const [envelopeId, setEnvelopeId] = useState(NONE);
  const [problem, setProblem] = useState<string | null>(null);
  const start = async (): Promise<void> => {
    if (title.trim() === '') return setProblem('Title wants a few words, so that you find the job again.');
    const job = changeJob(newJob(cutText(title.trim(), LIMITS.brief.titleLetters), workshop), [
      decide((job) => job.brief.purpose, purpose),
      decide((job) => job.brief.wanted, wanted),
      decide((job) => job.brief.envelope, envelopeId === NONE ? { kind: 'none' } : { kind: 'shelf', envelopeId }),
    ]);
    try {
      const id = crypto.randomUUID();
      await api.addJob(id, job);
      await navigate(`/jobs/${id}/size`);
    } catch (why) {
      setProblem(`${(why as Error).message} What you typed is still here; try again.`);
    }
  };
  return (
    <ModalDialog title="A new card" isOpen={isOpen} onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void start();
        }}
        style={{ display: 'grid', gap: 12 }}
      >
        <WordsField label="What is it for?" value={title} onChange={setTitle} hint="A title you will know it by." />
        <Choice
          label="For whom"
          value={purpose}
          options={[
            { id: 'give', name: 'To give' },
            { id: 'sell', name: 'To sell' },
          ]}
          onChange={setPurpose}
        />
        <NumberField label="Good cards wanted" value={wanted} {...LIMITS.brief.wanted} onCommit={setWanted} />
        <Pick
          label="Envelope on hand"
          value={envelopeId}
          onChange={setEnvelopeId}
          sections={[
            {
              heading: null,
              options: [
                { id: NONE, name: 'None yet' },
                ...workshop.envelopes.map((e) => ({ id: e.id, name: e.name, swatch: e.colour, note: `${e.onShelf}` })),
              ],
            },
          ]}
        />
        {problem && <p role="alert">{problem}</p>}
        <Row>
          <DoNow type="submit">Choose its size</DoNow>
          <PlainButton onPress={onClose}>Not now</PlainButton>
        </Row>
      </form>
    </ModalDialog>
  );
}
