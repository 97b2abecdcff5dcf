import { useEffect } from 'react';
import { useSearchParams } from 'react-router';
import type { SharedPiece } from '@zippy/core';
import type { SetShared } from './useSharedChoice.ts';

/** What the address names a job by, whose parts are to be laid out together. */
export const PARTS_OF = 'partsOf';

/** Ticks every part of the job that the address names, and nothing else, once it is known what there is. */
export function useAskedJob(pieces: readonly SharedPiece[] | null, set: SetShared): void {
  const [params, setParams] = useSearchParams();
  const jobId = params.get(PARTS_OF);
  useEffect(() => {
    if (!pieces || jobId === null) return;
    const parts = pieces.filter((piece) => piece.jobId === jobId && piece.kind === 'layer');
    set({
      ...{ counts: Object.fromEntries(parts.map(({ id, wanted }) => [id, wanted])), own: [], stockIds: [] },
      ...{ paper: 'own', goal: 'sheets' },
    });
    // Taken up once: what is ticked from here on is the maker’s.
    setParams({}, { replace: true });
  }, [pieces, jobId, set, setParams]);
}
