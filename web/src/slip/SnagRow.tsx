import { useState, type ReactNode } from 'react';
import { Button } from 'react-aria-components';
import type { Snag } from '@zippy/core';
import { useJob } from '../stores/job.ts';
import { PlainButton } from '../ui/buttons.tsx';
import { SIGNS } from './levels.ts';

const WORD = { stop: 'Stops the job', warn: 'Look at this', note: 'Worth knowing' } as const;

/** A snag in a line: its kind, what it is, and what would mend it first; opened, why and all that would. */
export function SnagRow({
  snag,
  known,
  onKnown,
}: {
  readonly snag: Snag;
  /** Waved off by the maker. */
  readonly known: boolean;
  /** Waves it off, or takes that back; left out for what cannot be. */
  readonly onKnown?: () => void;
}): ReactNode {
  const change = useJob((s) => s.change);
  const [open, setOpen] = useState(snag.level === 'stop');
  const [first] = snag.remedies;
  const shown = open ? snag.remedies : first && !known ? [first] : [];
  return (
    <li className={`${snag.level}${open ? ' open' : ''}`}>
      <Button className="what" aria-expanded={open} onPress={() => setOpen(!open)}>
        <span className="nick" aria-hidden>
          {SIGNS[snag.level]}
        </span>
        <span className="hidden">{WORD[snag.level]}: </span>
        <strong>{snag.title}</strong>
        <span className="turn" aria-hidden>
          {open ? '▾' : '▸'}
        </span>
      </Button>
      {open && <p>{snag.why}</p>}
      {shown.map((remedy) => (
        <PlainButton key={remedy.label} className="remedy" onPress={() => change(remedy.changes)}>
          {remedy.label}
        </PlainButton>
      ))}
      {open && onKnown && (
        <Button className="known" onPress={onKnown}>
          {known ? 'Tell me again' : 'I know; be quiet until its figures change'}
        </Button>
      )}
    </li>
  );
}
