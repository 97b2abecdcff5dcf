import { useEffect, useState } from 'react';
import { allSnags, copyJob, newJob, type Job, type Plan, type Snag, type Start, type Workshop } from '@zippy/core';
import { useNewCard } from '../../stores/newCard.ts';
import { askPlan, askStart } from '../../workers/planner.ts';

/** A card as it would begin. */
export interface Begun {
  readonly job: Job;
  /** As it begins. */
  readonly plan: Plan;
  /** As it will be with ink to its edges; null where it begins with art of its own. */
  readonly inked: Plan | null;
  readonly stops: readonly Snag[];
}

/** Works out what would be begun, anew whenever something of it changes. */
export function useStarted(workshop: Workshop): {
  readonly started: Begun | null;
  /** What is wanted first, in a sentence; null while it is being worked out, or done. */
  readonly asks: string | null;
} {
  const { set: _set, clear: _clear, title: _title, ...draft } = useNewCard();
  const question = startOf(draft, workshop);
  const key = JSON.stringify(question);
  const [found, setFound] = useState<{
    readonly key: string;
    readonly begun: Begun | null;
    readonly why?: string;
  } | null>(null);
  useEffect(() => {
    if (typeof question === 'string') return;
    let here = true;
    begin(question, workshop).then(
      (begun) => here && setFound({ key, begun }),
      (why: unknown) => here && setFound({ key, begun: null, why: (why as Error).message }),
    );
    return () => {
      here = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key says all that the question says
  }, [key, workshop]);
  if (typeof question === 'string') return { started: null, asks: question };
  const current = found?.key === key ? found : null;
  return { started: current?.begun ?? null, asks: current?.why ?? null };
}

/** What is asked of the planner; or what the maker is asked for first. */
type Question = { readonly start: Start } | { readonly job: Job };

function startOf(
  draft: Omit<ReturnType<typeof useNewCard.getState>, 'set' | 'clear' | 'title'>,
  workshop: Workshop,
): Question | string {
  const { purpose, wanted, format } = draft;
  const start = { title: 'A card', purpose, wanted };
  switch (draft.way) {
    case 'form':
      return { start: { ...start, format } };
    case 'envelope': {
      const { widthMm, heightMm } = draft.insideMm;
      const envelope = draft.envelopeId
        ? ({ kind: 'shelf', envelopeId: draft.envelopeId } as const)
        : ({ kind: 'typed', insideWidthMm: widthMm, insideHeightMm: heightMm } as const);
      return { start: { ...start, format, envelope } };
    }
    case 'sample':
      return { start: { ...start, format, finish: draft.sampleMm } };
    case 'pack': {
      const blanks = workshop.stocks.filter(({ readyCut }) => readyCut);
      const blank = blanks.find(({ id }) => id === draft.blankId);
      if (blanks.length === 0) return 'There are no ready-cut cards in the workshop yet.';
      return blank ? { start: { ...start, blankId: blank.id } } : 'Choose the pack it is made from.';
    }
    case 'picture':
      return draft.picture ? { start: { ...start, picture: draft.picture } } : 'Choose the picture for its front.';
    case 'earlier': {
      if (!draft.earlier) return 'Choose the job it is to be like.';
      const fresh = newJob('A card', workshop);
      const copied = { title: 'A card', art: draft.withArt, counts: draft.withCounts };
      return { job: copyJob(draft.earlier.document, { ...fresh, brief: { ...fresh.brief, wanted } }, copied) };
    }
  }
}

async function begin(question: Question, workshop: Workshop): Promise<Begun> {
  if ('job' in question) {
    const plan = await askPlan(question.job, workshop);
    return { job: question.job, plan, inked: null, stops: allSnags(plan).filter(({ level }) => level === 'stop') };
  }
  const { job, plan: inked, stops } = await askStart(question.start, workshop);
  return { job, plan: await askPlan(job, workshop), inked, stops };
}
