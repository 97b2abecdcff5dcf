import {
  isOwnTypeface,
  placedTypefaceIds,
  planJob,
  STAND_IN_TYPEFACE_ID,
  type InkLattice,
  type Job,
  type Plan,
  type Start,
  type Started,
  type Typeface,
  type Workshop,
} from '@zippy/core';
import { FONT_URLS } from './fontUrls.ts';

export interface PlanQuestion {
  readonly number: number;
  readonly job: Job;
  readonly workshop: Workshop;
  readonly today: string;
  readonly card: number;
  readonly sheetNumber: number;
  /** Where the maker’s own are found, and a number that changes with them. */
  readonly typefaces: { readonly at: string; readonly version: number };
}
/** A card that begins: what to make of what is in hand. */
export interface StartQuestion {
  readonly number: number;
  readonly start: Start;
  readonly workshop: Workshop;
}
export type PlanAnswer =
  | { readonly number: number; readonly ok: true; readonly plan: Plan; readonly tookMs: number }
  | { readonly number: number; readonly ok: true; readonly started: Started }
  | { readonly number: number; readonly ok: false; readonly why: string };

let book = new Map<string, Typeface>();
const arriving = new Map<string, Promise<void>>();

/** Fonts come when a job first sets words in them. */
function fetchTypeface(id: string): Promise<void> {
  let coming = arriving.get(id);
  if (!coming) {
    const url = FONT_URLS[id];
    coming = url
      ? // The shaper starts itself when it is loaded, so it is loaded here and never delays the first message.
        Promise.all([fetch(url).then((response) => response.arrayBuffer()), import('@zippy/core/typefaces')])
          .then(([bytes, { readTypeface }]) => void book.set(id, readTypeface(id, new Uint8Array(bytes))))
          .catch((problem: unknown) => {
            arriving.delete(id);
            throw problem;
          })
      : Promise.resolve();
    arriving.set(id, coming);
  }
  return coming;
}

/** Own typefaces that were asked for, and how the studio’s were when they were: those that are gone are not asked for again. */
const asked = new Map<string, Promise<void>>();
let askedOf = -1;

/** One that is not there any more is stood in for. */
async function fetchOwn(id: string, url: string): Promise<void> {
  // It may have been taken out since the browser kept it.
  const response = await fetch(url, { cache: 'no-cache' });
  if (response.status === 404) return fetchTypeface(STAND_IN_TYPEFACE_ID);
  if (!response.ok) throw new Error('A typeface of yours cannot be fetched; it is tried again with the next change.');
  const [bytes, { readTypeface }] = await Promise.all([response.arrayBuffer(), import('@zippy/core/typefaces')]);
  // Words that were set without it are kept under the book that they were set from.
  book = new Map(book).set(id, readTypeface(id, new Uint8Array(bytes)));
}

function bringOwn(job: Job, { at, version }: PlanQuestion['typefaces']): readonly Promise<void>[] {
  if (version !== askedOf) {
    asked.clear();
    book = new Map([...book].filter(([id]) => !isOwnTypeface(id)));
    askedOf = version;
  }
  return placedTypefaceIds(job)
    .filter(isOwnTypeface)
    .map((id) => {
      let coming = asked.get(id);
      if (!coming) {
        const ref = job.typefaces?.[id];
        coming = (ref ? fetchOwn(id, `${at}/${ref.sha256}`) : fetchTypeface(STAND_IN_TYPEFACE_ID)).catch(
          (problem: unknown) => {
            asked.delete(id);
            throw problem;
          },
        );
        asked.set(id, coming);
      }
      return coming;
    });
}

let inks: InkLattice | null = null;
let mixing: Promise<void> | null = null;

/** What colours come to in press inks. Without the server a plan says nothing about them, and asks again next time. */
const fetchInks = (): Promise<void> =>
  (mixing ??= fetch('/api/pictures/inks')
    .then(async (response) => {
      if (!response.ok) throw new Error(`inks: ${response.status}`);
      inks = (await response.json()) as InkLattice;
    })
    .catch(() => {
      mixing = null;
    }));

/** No words are set yet, so no font is waited for; how a card begins is fetched when the first one does. */
async function begin({ number, start, workshop }: StartQuestion): Promise<void> {
  try {
    const { startJob } = await import('@zippy/core/start');
    self.postMessage({ number, ok: true, started: startJob(start, workshop) } satisfies PlanAnswer);
  } catch (problem) {
    console.error(problem);
    self.postMessage({ number, ok: false, why: (problem as Error).message } satisfies PlanAnswer);
  }
}

self.onmessage = async ({ data }: MessageEvent<PlanQuestion | StartQuestion>) => {
  if ('start' in data) return void begin(data);
  const { number, job, workshop, today, card, sheetNumber, typefaces } = data;
  try {
    await Promise.all([
      ...(inks ? [] : [fetchInks()]),
      ...placedTypefaceIds(job)
        .filter((id) => !book.has(id) && !isOwnTypeface(id))
        .map(fetchTypeface),
      ...bringOwn(job, typefaces),
    ]);
    const started = performance.now();
    const plan = planJob(job, workshop, { typefaces: book, today, card, sheetNumber, inks });
    self.postMessage({ number, ok: true, plan, tookMs: performance.now() - started } satisfies PlanAnswer);
  } catch (problem) {
    const known = problem instanceof RangeError;
    if (!known) console.error(problem);
    self.postMessage({ number, ok: false, why: (problem as Error).message } satisfies PlanAnswer);
  }
};
