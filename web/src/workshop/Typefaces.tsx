import { useEffect, useState, type ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import type { OwnTypefaceRow } from '@zippy/core/contract';
import { sayShare } from '../api/upload.ts';
import { LICENCE, sayEmbedding } from '../stations/art/typefaces/sayEmbedding.ts';
import { TYPEFACE_FILES } from '../stations/art/typefaces/typefaceFiles.ts';
import { useTypefaces } from '../stores/typefaces.ts';
import { DoNow, PlainButton } from '../ui/buttons.tsx';
import { ModalDialog, Row } from '../ui/ModalDialog.tsx';

/** Typefaces that the maker brought: what each may do, where it is used, and the way in and out. */
export function Typefaces(): ReactNode {
  const { own, load, bring, takeOut } = useTypefaces();
  const [said, setSaid] = useState<string | null>(null);
  const [leaving, setLeaving] = useState<OwnTypefaceRow | null>(null);
  useEffect(() => void load(), [load]);
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    try {
      const { name } = await bring(file, (share) => setSaid(sayShare(file.name, share)));
      setSaid(`${name} is among your typefaces; words at Art can be set in it.`);
    } catch (why) {
      setSaid((why as Error).message);
    }
  };
  const letGo = (one: OwnTypefaceRow): void => {
    setLeaving(null);
    takeOut(one).then(
      () => setSaid(`${one.name} is out of this studio.`),
      (why: Error) => setSaid(why.message),
    );
  };
  return (
    <section aria-labelledby="typefaces">
      <header>
        <h2 id="typefaces">Typefaces of your own</h2>
        <Row>
          <FileTrigger acceptedFileTypes={TYPEFACE_FILES} onSelect={(files) => void take(files?.[0])}>
            <PlainButton>Bring a typeface …</PlainButton>
          </FileTrigger>
        </Row>
      </header>
      <p>
        {own?.length
          ? LICENCE
          : 'Twenty-four ship with the application. Bring others as TTF, OTF or WOFF: words on the screen and in files are set in them.'}
      </p>
      {said && <p role="status">{said}</p>}
      {own && own.length > 0 && (
        <List>
          {own.map((one) => (
            <li key={one.id}>
              <b>{one.name}</b>
              <PlainButton aria-label={`Take out ${one.name}`} onPress={() => setLeaving(one)}>
                Take out
              </PlainButton>
              <p>
                {one.letters} letters and signs{one.variable ? ', in the style that it begins with' : ''}.{' '}
                {sayEmbedding(one.embedding)} {sayJobs(one.jobs)}
              </p>
            </li>
          ))}
        </List>
      )}
      {leaving && (
        <ModalDialog title={`Take ${leaving.name} out`} isOpen onClose={() => setLeaving(null)}>
          <p>
            {leaving.jobs.length === 0
              ? 'No job on the wall is set in it.'
              : `${sayJobs(leaving.jobs)} Their words are stood in for then, and cannot be made until it is back or they are set in another.`}{' '}
            The file that you brought it from stays where it is.
          </p>
          <Row>
            <DoNow onPress={() => letGo(leaving)}>Take it out</DoNow>
            <PlainButton onPress={() => setLeaving(null)}>Keep it</PlainButton>
          </Row>
        </ModalDialog>
      )}
    </section>
  );
}

/** So many titles are said. */
const NAMED = 4;
function sayJobs(jobs: readonly string[]): string {
  if (jobs.length === 0) return 'Not in use.';
  const rest = jobs.length - NAMED;
  return `In use by ${jobs.slice(0, NAMED).join(', ')}${rest > 0 ? ` and ${rest} more` : ''}.`;
}

const List = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px 10px;
    align-items: center;
    padding: 8px 0;
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
  }
  b {
    overflow-wrap: anywhere;
  }
  li p {
    grid-column: 1 / -1;
  }
`;
