import type { ReactNode } from 'react';
import { fixed, SPREADS_OF_95 } from '@zippy/core';
import { Slip } from '../../../slip/Slip.tsx';
import { spokenOf, type StationProps } from '../../parts.ts';
import { useFace } from '../useFace.ts';
import { DriftPanel } from './DriftPanel.tsx';

/** What the blade would show of the face on the bench. */
export function DriftSlip(props: StationProps): ReactNode {
  const { plan, workshop } = props;
  const { face } = useFace(props);
  return (
    <Slip
      title={`Art · drift on the ${face.face.name.toLowerCase()}`}
      // What is said here is about the blade.
      part={{
        ...plan.art,
        verdict: sayDrift(plan),
        snags: plan.art.snags.filter(({ id }) => /^art-(bleed-small|border|overhang|short|object-safe|safe)/.test(id)),
        figures: [],
      }}
      spoken={spokenOf(workshop)}
    >
      <DriftPanel {...props} />
    </Slip>
  );
}

/** Where this trimmer’s cuts land, in a sentence. */
const sayDrift = ({ cut }: StationProps['plan']): string =>
  `${cut.trimmer.name[0]!.toUpperCase()}${cut.trimmer.name.slice(1)} lands 95 cuts in 100 within ${fixed(SPREADS_OF_95 * cut.drift.worst.fromTrueMm, 1)} mm of their place. Move the blade and see what would show.`;
