import type { ReactNode } from 'react';
import { Link } from 'react-aria-components';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { cutText, WORKSHOP_LIMITS, type Shelf, type Workshop } from '@zippy/core';
import { Decisions } from '../../slip/parts.ts';
import { useWorkshop } from '../../stores/workshop.ts';
import { PlainButton, Quiet } from '../../ui/buttons.tsx';
import { TypedField } from '../../ui/fields/TypedField.tsx';
import { Row } from '../../ui/ModalDialog.tsx';
import { useJobsWith } from '../useUses.ts';

/** What one of each is called. */
const ONE: Readonly<Record<Shelf, string>> = {
  stocks: 'stock',
  envelopes: 'envelope',
  trimmings: 'trimming',
  adhesives: 'adhesive',
  printers: 'printer',
  trimmers: 'cutting tool',
  boards: 'scoring board',
  tools: 'tool',
};

const MAY_BE_NONE: ReadonlySet<Shelf> = new Set(['envelopes', 'tools', 'trimmings', 'adhesives']);

/** A line of words that must not be empty. */
export function WordField({
  label,
  value,
  onCommit,
}: {
  readonly label: string;
  readonly value: string;
  readonly onCommit: (words: string) => void;
}): ReactNode {
  return (
    <TypedField
      label={label}
      figures={false}
      value={value}
      show={(text) => text}
      read={(text) =>
        text.trim()
          ? { ok: true, value: cutText(text.trim(), WORKSHOP_LIMITS.nameLetters) }
          : { ok: false, why: `${label} wants a word or two.` }
      }
      onCommit={(words) => words !== value && onCommit(words)}
    />
  );
}

/** One thing that the maker owns: its facts to change, the jobs it is in, a copy of it, and the way out. */
export function ThingSlip<K extends Shelf>({
  shelf,
  thing,
  workshop,
  copy = (own) => own,
  children,
}: {
  readonly shelf: K;
  readonly thing: Workshop[K][number];
  readonly workshop: Workshop;
  /** What of it a second one of its kind does not share is left out here. */
  readonly copy?: (thing: Workshop[K][number]) => Workshop[K][number];
  readonly children: ReactNode;
}): ReactNode {
  const { add, alter, takeAway } = useWorkshop.getState();
  const navigate = useNavigate();
  const jobs = useJobsWith(shelf, thing.id);
  const only = !MAY_BE_NONE.has(shelf) && workshop[shelf].length === 1;
  const copied = async (): Promise<void> => {
    const { id: _own, ...facts } = copy(thing);
    const name = cutText(`${thing.name}, another`, WORKSHOP_LIMITS.nameLetters);
    await navigate(`/workshop/${shelf}/${add(shelf, { ...facts, name })}`);
  };
  const takenOut = async (): Promise<void> => {
    takeAway(shelf, thing);
    await navigate('/workshop');
  };
  return (
    <>
      <h1>{thing.name}</h1>
      <Decisions>
        <WordField
          label="Name"
          value={thing.name}
          onCommit={(name) => alter(shelf, thing.id, { name } as Partial<Workshop[K][number]>)}
        />
        {children}
      </Decisions>
      <Foot>
        {shelf === 'tools' ? (
          <p>No job asks for it by name: of the tools on the bench, the first that takes a card is used.</p>
        ) : (
          <>
            <h2>In use by</h2>
            <JobLinks jobs={jobs} />
          </>
        )}
        <Row>
          <PlainButton onPress={() => void copied()}>Copy it</PlainButton>
          {!only && <Quiet onPress={() => void takenOut()}>Take it out</Quiet>}
        </Row>
        {only ? (
          <p>Your only {ONE[shelf]}: add another before this one goes.</p>
        ) : (
          jobs !== null &&
          jobs.length > 0 && (
            <p>Taken out, it leaves {jobs.length === 1 ? 'this job' : 'these jobs'} asking for another.</p>
          )
        )}
      </Foot>
    </>
  );
}

const MOST_NAMED = 6;

function JobLinks({ jobs }: { readonly jobs: ReturnType<typeof useJobsWith> }): ReactNode {
  if (jobs === null) return <p>Looking through your jobs …</p>;
  if (jobs.length === 0) return <p>No job at the moment.</p>;
  const more = jobs.length - MOST_NAMED;
  return (
    <ul>
      {jobs.slice(0, MOST_NAMED).map(({ id, title }) => (
        <li key={id}>
          <Link href={`/jobs/${id}`}>{title}</Link>
        </li>
      ))}
      {more > 0 && <li>and {more} more</li>}
    </ul>
  );
}

const Foot = styled.footer`
  display: grid;
  gap: 8px;
  padding-top: 14px;
  border-top: 1px solid ${({ theme }) => theme.colour.rule};
  ul {
    display: grid;
    gap: 2px;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li a {
    display: inline-block;
    padding: 2px 0;
  }
  p,
  li {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 15px;
  }
`;
