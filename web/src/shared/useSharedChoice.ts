import { useEffect, useState } from 'react';
import type { OwnPiece, Workshop } from '@zippy/core';
import { kept } from '../stores/local.ts';

/** What the maker chose here; kept in this browser, because it belongs to no one job. */
export interface SharedChoice {
  readonly counts: Readonly<Record<string, number>>;
  /** Pieces that belong to no job. */
  readonly own: readonly OwnPiece[];
  readonly stockIds: readonly string[];
  readonly feed: string;
  /** Each piece on its own job’s paper, or on any that is ticked. */
  readonly paper: 'own' | 'any';
  readonly goal: 'sheets' | 'cost';
  readonly grain: 'respect' | 'ignore';
  readonly flipEdge: 'long' | 'short';
  /** Null leaves both bleeds between neighbours. */
  readonly gutterMm: number | null;
  readonly trimmerId: string;
}
const KEPT = 'shared-sheets';

export type SetShared = (part: Partial<SharedChoice> | ((before: SharedChoice) => Partial<SharedChoice>)) => void;

/** Every way of feeding a sheet that the workshop has. */
export const feedsOf = (workshop: Workshop) =>
  workshop.printers.flatMap((printer) =>
    printer.paths.map((path) => ({
      id: `${printer.id}/${path.id}`,
      name: `${printer.name}, ${path.name}`,
      path,
      feed: { printerId: printer.id, pathId: path.id },
    })),
  );

/** The choice as it was left here last, and what changes it. */
export function useSharedChoice(workshop: Workshop): readonly [SharedChoice, SetShared] {
  const [choice, setChoice] = useState<SharedChoice>({
    counts: {},
    own: [],
    stockIds: [],
    feed: feedsOf(workshop)[0]!.id,
    paper: 'own',
    goal: 'sheets',
    grain: 'respect',
    flipEdge: 'long',
    gutterMm: null,
    trimmerId: workshop.trimmers[0]!.id,
  });
  const set: SetShared = (part) =>
    setChoice((before) => {
      const next = { ...before, ...(typeof part === 'function' ? part(before) : part) };
      void kept.set(KEPT, next);
      return next;
    });
  useEffect(() => {
    let here = true;
    void kept
      .get<SharedChoice>(KEPT)
      .then((found) => found && here && setChoice((before) => ({ ...before, ...found })));
    return () => {
      here = false;
    };
  }, []);
  return [choice, set];
}
