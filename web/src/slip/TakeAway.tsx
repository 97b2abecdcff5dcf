import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import type { ExportFormat, ExportRow, ExportWhat } from '@zippy/core/contract';
import { api, Away } from '../api/client.ts';
import { download } from '../api/download.ts';
import { useJob } from '../stores/job.ts';
import { PlainButton, Quiet } from '../ui/buttons.tsx';

const ASK_EVERY_MS = 300;
const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

interface State {
  readonly text: string;
  readonly share: number | null;
  readonly failed?: boolean;
  /** It goes on; under this id where the server has it. */
  readonly going?: { readonly id: string | null };
}

const progressOf = ({ state, waitsInVain, done, total }: ExportRow): string => {
  if (state === 'working') return `Writing ${done} of ${total}`;
  return waitsInVain
    ? 'The part that writes files is away; it starts again by itself, and this is written then.'
    : 'Waiting for the writer …';
};

/** How far it is now; a server that is away for a moment has not lost it. */
const stateOf = (work: ExportRow): Promise<ExportRow> =>
  api.export(work.id).catch((problem: unknown) => {
    if (problem instanceof Away) return work;
    throw problem;
  });

/** Has a file written by the worker, says how far it is, and hands it over. */
export function TakeAway<What extends ExportWhat>({
  what,
  format,
  label,
}: {
  readonly what: What;
  readonly format: ExportFormat<What>;
  readonly label: string;
}): ReactNode {
  const id = useJob((s) => s.id);
  const settle = useJob((s) => s.settle);
  const [state, setState] = useState<State | null>(null);
  const [files, setFiles] = useState<readonly { readonly url: string; readonly name: string }[]>([]);

  const write = async (): Promise<void> => {
    if (!id) return;
    setFiles([]);
    setState({ text: 'Saving …', share: null, going: { id: null } });
    try {
      if (!(await settle()))
        return setState({
          text: 'The job has not reached the server yet; try again when it has.',
          share: null,
          failed: true,
        });
      let work = await api.addExport(id, what, format);
      while (work.state === 'waiting' || work.state === 'working') {
        setState({
          text: progressOf(work),
          share: work.total > 0 ? work.done / work.total : null,
          going: { id: work.id },
        });
        await pause(ASK_EVERY_MS);
        work = await stateOf(work);
      }
      if (work.state === 'cancelled') return setState({ text: 'Stopped; nothing was written.', share: null });
      if (work.state === 'failed')
        return setState({ text: work.message ?? 'It could not be written.', share: null, failed: true });
      const made = work.files.map((file) => ({ url: api.exportFileUrl(work.id, file.number), name: file.name }));
      setFiles(made);
      setState(null);
      for (const file of made) download(file);
    } catch (problem) {
      setState({ text: (problem as Error).message, share: null, failed: true });
    }
  };

  const going = state?.going;
  const stop = async (): Promise<void> => {
    // It is said to have stopped once the server says so.
    if (going?.id) await api.cancelExport(going.id).catch(() => {});
  };
  return (
    <Box>
      <PlainButton onPress={() => void write()} isDisabled={going !== undefined}>
        ↓ {label}
      </PlainButton>
      {state && (
        <p role="status" className={state.failed ? 'failed' : ''}>
          {state.text}
          {state.share !== null && <progress value={state.share} aria-label="Written so far" />}
        </p>
      )}
      {going?.id && <Quiet onPress={() => void stop()}>Stop writing it</Quiet>}
      {files.map((file) => (
        <a key={file.url} href={file.url} download={file.name}>
          {file.name}
        </a>
      ))}
    </Box>
  );
}

const Box = styled.div`
  display: grid;
  gap: 4px;
  > button {
    justify-content: flex-start;
  }
  /* Under the words it belongs to. */
  > p + button {
    justify-self: start;
  }
  p,
  a {
    font-size: 14px;
  }
  .failed {
    color: ${({ theme }) => theme.colour.coral};
  }
  progress {
    display: block;
    width: 100%;
    accent-color: ${({ theme }) => theme.colour.teal};
  }
`;
