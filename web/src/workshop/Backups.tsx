import { useEffect, useState, type ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { localeOf } from '@zippy/core';
import type { BackupsKept } from '@zippy/core/contract';
import { api, backupUrl } from '../api/client.ts';
import { restoreBackup, sayShare } from '../api/upload.ts';
import { Choice } from '../ui/Choice.tsx';
import { DoNow, PlainButton, ButtonLink } from '../ui/buttons.tsx';
import { Row, ModalDialog } from '../ui/ModalDialog.tsx';

const MB = 1024 * 1024;
const saySize = (bytes: number): string =>
  bytes < MB ? `${Math.ceil(bytes / 1024)} kB` : `${(bytes / MB).toFixed(1)} MB`;
const sayMoment = (at: string, region?: string): string =>
  new Date(at).toLocaleString(localeOf(region), {
    weekday: 'short',
    day: 'numeric',
    month: 'long',
    hour: '2-digit',
    minute: '2-digit',
  });

/** Everything the studio has, out into one file and in again; and where the daily ones lie. */
export function Backups({ region }: { readonly region?: string }): ReactNode {
  const [found, setFound] = useState<BackupsKept | null>(null);
  const [file, setFile] = useState<File | null>(null);
  useEffect(() => {
    api.backups().then(setFound, () => {
      // The folder is told once the server is back.
    });
  }, []);
  return (
    <section aria-labelledby="backup">
      <header>
        <h2 id="backup">Backup</h2>
        <Row>
          <FileTrigger
            acceptedFileTypes={['.gz', 'application/gzip', 'application/x-gzip']}
            onSelect={(files) => setFile(files?.[0] ?? null)}
          >
            <PlainButton>Bring one back …</PlainButton>
          </FileTrigger>
          <ButtonLink href={backupUrl()} download>
            ↓ Everything in one file
          </ButtonLink>
        </Row>
      </header>
      <p>
        Jobs and their earlier versions, pictures, this workshop with its calibrations, and every run at the bench. Keep
        a copy on another disk: one that lies on this machine is lost with it.
      </p>
      {found && (
        <Kept>
          <p>
            {found.kept.length > 0
              ? 'Made by itself each day that the application runs, seven kept, in'
              : 'The first daily one is made within the hour, in'}{' '}
            <code>{found.folder}</code>
          </p>
          {found.kept.length > 0 && (
            <ul>
              {found.kept.map(({ name, sizeBytes, at }) => (
                <li key={name}>
                  <code>{name}</code> <span>{sayMoment(at, region)}</span> <span>{saySize(sizeBytes)}</span>
                </li>
              ))}
            </ul>
          )}
        </Kept>
      )}
      {file && <BringBack file={file} onClose={() => setFile(null)} />}
    </section>
  );
}

/** One backup, and how it is to come back: nothing here is lost either way. */
function BringBack({ file, onClose }: { readonly file: File; readonly onClose: () => void }): ReactNode {
  const [mode, setMode] = useState<'beside' | 'instead'>('beside');
  const [going, setGoing] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const start = async (): Promise<void> => {
    setProblem(null);
    setGoing('Reading …');
    try {
      const { said: how } = await restoreBackup(file, mode, (share) =>
        setGoing(
          share < 1 ? sayShare(file.name, share) : 'Checking each job and picture, and putting it in its place …',
        ),
      );
      setSaid(how);
    } catch (why) {
      setProblem((why as Error).message);
    } finally {
      setGoing(null);
    }
  };
  // Everything on the page may be another now, so it is asked for anew.
  if (said)
    return (
      <ModalDialog title="It is back" isOpen>
        <p>{said}</p>
        <Row>
          <DoNow onPress={() => window.location.assign('/')}>To the jobs</DoNow>
        </Row>
      </ModalDialog>
    );
  return (
    <ModalDialog title="Bring a backup back" isOpen {...(going ? {} : { onClose })}>
      <p>
        <b>{file.name}</b>, {saySize(file.size)}
      </p>
      <Choice
        label="How"
        value={mode}
        options={[
          { id: 'beside', name: 'Beside what is here' },
          { id: 'instead', name: 'In its place' },
        ]}
        onChange={setMode}
      />
      <p>
        {mode === 'beside'
          ? 'Jobs, stocks and tools that are not here are added. What is here stays as it is; a job that says something else now gets the backup’s beside it.'
          : 'The studio becomes what it was then: jobs and settings made since are gone from it. A backup of how it is now is made first, so that you can go back.'}
      </p>
      {problem && <p role="alert">{problem}</p>}
      {going && <p role="status">{going}</p>}
      <Row>
        <DoNow isDisabled={going !== null} onPress={() => void start()}>
          {mode === 'beside' ? 'Add what is missing' : 'Put it in place of what is here'}
        </DoNow>
        <PlainButton isDisabled={going !== null} onPress={onClose}>
          Leave it
        </PlainButton>
      </Row>
    </ModalDialog>
  );
}

const Kept = styled.div`
  margin-top: 10px;
  code {
    font-family: ${({ theme }) => theme.font.mono};
    font-size: 14px;
    overflow-wrap: anywhere;
  }
  ul {
    margin: 8px 0 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    column-gap: 16px;
    padding: 6px 0;
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
  }
  li code {
    grid-column: 1 / -1;
  }
`;
