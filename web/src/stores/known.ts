import { create } from 'zustand';
import type { Snag } from '@zippy/core';
import { keptUnder } from '../api/studio.ts';

/** What the maker has waved off, by job and snag: the words that stood there, so that other figures speak up again. */
type Known = Readonly<Record<string, string>>;

interface KnownState {
  readonly known: Known;
  /** Keeps a snag quiet until it says something else. */
  waveOff(jobId: string, snag: Snag): void;
  /** Lets it speak again. */
  heed(jobId: string, snag: Snag): void;
}

/** The oldest are forgotten: those jobs are long made. */
const MOST = 400;
const memory = globalThis.localStorage as Storage | undefined;
const name = (): string => keptUnder('zippy-known');
const keyOf = (jobId: string, { id }: Snag): string => `${jobId} ${id}`;
const wordsOf = ({ title, why }: Snag): string => `${title}\n${why}`;

function recall(): Known {
  try {
    return JSON.parse(memory?.getItem(name()) ?? '{}') as Known;
  } catch {
    return {};
  }
}

export const useKnown = create<KnownState>()((set, get) => {
  // Other tabs wave off too.
  const now = (): Known => ({ ...get().known, ...recall() });
  const keep = (known: Known): void => {
    const entries = Object.entries(known).slice(-MOST);
    try {
      memory?.setItem(name(), JSON.stringify(Object.fromEntries(entries)));
    } catch {
      // A full browser forgets it on the next visit; nothing that was made is lost.
    }
    set({ known });
  };
  return {
    known: {},
    waveOff: (jobId, snag) => keep({ ...now(), [keyOf(jobId, snag)]: wordsOf(snag) }),
    heed: (jobId, snag) => {
      const { [keyOf(jobId, snag)]: _heeded, ...known } = now();
      keep(known);
    },
  };
});

/** Reads what was waved off on earlier visits, once the page knows its studio. */
export const recallKnown = (): void => useKnown.setState({ known: recall() });

/** Whether the maker has waved off just this, word for word; what stops a job cannot be. */
export const isKnown = (known: Known, jobId: string, snag: Snag): boolean =>
  snag.level !== 'stop' && known[keyOf(jobId, snag)] === wordsOf(snag);
