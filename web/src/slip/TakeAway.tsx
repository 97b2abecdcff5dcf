import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { api } from '../api/client.ts';
import { useJob } from '../stores/job.ts';
import { Press } from '../ui/Press.tsx';

const ASK_EVERY_MS = 300;
const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

/** Has a file written by the worker, says how far it is, and hands it over. */
export function TakeAway({
  what,
  format,
  label,
}: {
  readonly what: string;
  readonly format: string;
  readonly label: string;
}): ReactNode {
  const id = useJob((s) => s.id);
  const settle = useJob((s) => s.settle);
  const [state, setState] = useState<{
    readonly text: string;
    readonly share: number | null;
    readonly failed?: boolean;
  } | null>(null);
  const [files, setFiles] = useState<readonly { readonly url: string; readonly name: string }[]>([]);

  const write = async (): Promise<void> => {
    if (!id) return;
    setFiles([]);
    setState({ text: 'Saving …', share: null });
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
          text: work.state === 'waiting' ? 'Waiting for the writer …' : `Writing ${work.done} of ${work.total}`,
          share: work.total > 0 ? work.done / work.total : null,
        });
        await pause(ASK_EVERY_MS);
        work = await api.export(work.id);
      }
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

  const busy = state !== null && !state.failed;
  return (
    <Box>
      <Press onPress={() => void write()} isDisabled={busy}>
        ↓ {label}
      </Press>
      {state && (
        <p role="status" className={state.failed ? 'failed' : ''}>
          {state.text}
          {state.share !== null && <progress value={state.share} aria-label="Written so far" />}
        </p>
      )}
      {files.map((file) => (
        <a key={file.url} href={file.url} download={file.name}>
          {file.name}
        </a>
      ))}
    </Box>
  );
}

function download({ url, name }: { readonly url: string; readonly name: string }): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  document.body.append(link);
  link.click();
  link.remove();
}

const Box = styled.div`
  display: grid;
  gap: 4px;
  button {
    justify-content: flex-start;
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
