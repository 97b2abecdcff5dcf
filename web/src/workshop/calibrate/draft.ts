import { useEffect, useState } from 'react';
import { CROSSES, type Cross, type Miss, type Readings } from '@zippy/core';
import { kept } from '../../stores/local.ts';

/** What has been typed so far; a reading is null until it is taken. */
export interface Draft {
  readonly stockId: string | null;
  readonly flipEdge: 'long' | 'short';
  readonly laidBack: string;
  readonly ruleAcrossMm: number | null;
  readonly ruleDownMm: number | null;
  readonly crosses: Readonly<Record<Cross, { readonly rightMm: number | null; readonly lowMm: number | null }>>;
  readonly edges: Readonly<Record<keyof NonNullable<Readings['edges']>, number | null>>;
  readonly arrows: Readings['arrows'];
}

export const EMPTY_DRAFT: Draft = {
  stockId: null,
  flipEdge: 'long',
  laidBack: '',
  ruleAcrossMm: null,
  ruleDownMm: null,
  crosses: Object.fromEntries(CROSSES.map((c) => [c, { rightMm: null, lowMm: null }])) as Draft['crosses'],
  edges: { leftToTopLeftMm: null, leftToBottomLeftMm: null, topToTopLeftMm: null, topToTopRightMm: null },
  arrows: 'same',
};

/** A draft that survives leaving the page: measuring takes a while, and paper lies about. */
export function useDraft(pathId: string): readonly [Draft, (part: Partial<Draft>) => void] {
  const name = `calibration:${pathId}`;
  const [draft, setDraft] = useState<Draft>(EMPTY_DRAFT);
  useEffect(() => {
    let gone = false;
    void kept.get<Draft>(name).then((found) => found && !gone && setDraft({ ...EMPTY_DRAFT, ...found }));
    return () => {
      gone = true;
    };
  }, [name]);
  const change = (part: Partial<Draft>): void =>
    setDraft((before) => {
      const next = { ...before, ...part };
      void kept.set(name, next);
      return next;
    });
  return [draft, change];
}

/** The readings, once every one that is needed is there; edges count only when all four are. */
export function readingsOf(draft: Draft): Readings | null {
  const { ruleAcrossMm, ruleDownMm, edges } = draft;
  if (ruleAcrossMm === null || ruleDownMm === null) return null;
  const crosses: Partial<Record<Cross, Miss>> = {};
  for (const cross of CROSSES) {
    const { rightMm, lowMm } = draft.crosses[cross];
    if (rightMm === null || lowMm === null) return null;
    crosses[cross] = { rightMm, lowMm };
  }
  const measured = Object.values(edges).every((mm) => mm !== null);
  return {
    ruleAcrossMm,
    ruleDownMm,
    crosses: crosses as Record<Cross, Miss>,
    edges: measured ? (edges as Readings['edges']) : null,
    arrows: draft.arrows,
  };
}
