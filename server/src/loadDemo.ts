import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { dirname, resolve } from 'node:path';
import type { Pool } from 'pg';
import { lossCosts, planJob, takesOf, wantedOf, type Job, type PictureRef, type Workshop } from '@zippy/core';
import { checkWorkshop, readJobFile } from '@zippy/core/job-file';
import { loadFonts } from './exports/fonts.ts';
import { readPicture } from './pictures/readPicture.ts';
import { addJob } from './tables/jobs.ts';
import { addPicture } from './tables/pictures.ts';
import { addRun, addRunEvent } from './tables/runs.ts';
import { markDemo } from './tables/studios.ts';
import { inTransaction, type Db } from './tables/types.ts';
import { root } from './root.ts';
import { HOME_STUDIO_ID } from './studio.ts';
import { openStudio } from './workshop/saveWorkshop.ts';

const DEMO = root('demo');
const DAY_MS = 86_400_000;

interface DemoIndex {
  readonly workshop: string;
  readonly jobs: readonly {
    readonly file: string;
    /** Days from the first start, so that the wall always looks like a week at work. */
    readonly dueInDays: number | null;
    readonly run?: {
      readonly good: number;
      readonly spoiled: Readonly<Record<string, number>>;
      readonly stepsDone: number;
      readonly finished: boolean;
    };
  }[];
}

const readJson = async (path: string): Promise<unknown> => JSON.parse(await readFile(path, 'utf8'));

/** Fills a new studio with the demo workshop and jobs, once; a studio that exists is left alone. */
export async function loadDemo(pool: Pool): Promise<void> {
  const index = (await readJson(resolve(DEMO, 'demo.json'))) as DemoIndex;
  const stored = checkWorkshop(await readJson(resolve(DEMO, index.workshop)));
  if (!stored.ok) throw new Error(`demo workshop: ${stored.why}`);
  const workshop: Workshop = { ...stored.value, spoilLog: { good: 0, spoiled: 0 } };
  await inTransaction(pool, async (client) => {
    if (!(await openStudio(client, HOME_STUDIO_ID, stored.value))) return;
    await markDemo(client, HOME_STUDIO_ID);
    for (const entry of index.jobs) {
      const job = await readDemoJob(client, resolve(DEMO, entry.file), entry.dueInDays, workshop);
      const { id } = (await addJob(client, HOME_STUDIO_ID, randomUUID(), job))!;
      if (entry.run) await addDemoRun(client, id, job, workshop, entry.run);
    }
  });
}

async function readDemoJob(db: Db, path: string, dueInDays: number | null, workshop: Workshop): Promise<Job> {
  const read = readJobFile(await readJson(path), workshop);
  if (!read.ok) throw new Error(`${path}: ${read.why}`);
  const refs: Record<string, PictureRef> = {};
  for (const [id, { name, source }] of Object.entries(read.value.pictures)) {
    if (source.kind !== 'file') throw new Error(`${path}: demo pictures are files`);
    const picture = await readPicture(name, await readFile(resolve(dirname(path), source.file)));
    await addPicture(db, HOME_STUDIO_ID, picture);
    refs[id] = picture.ref;
  }
  const dueDate = dueInDays === null ? null : new Date(Date.now() + dueInDays * DAY_MS).toISOString().slice(0, 10);
  return { ...read.value.job, pictures: refs, brief: { ...read.value.job.brief, dueDate } };
}

async function addDemoRun(
  db: Db,
  jobId: string,
  job: Job,
  workshop: Workshop,
  run: NonNullable<DemoIndex['jobs'][number]['run']>,
): Promise<void> {
  const { book } = await loadFonts();
  const plan = planJob(job, workshop, { typefaces: book, today: null });
  const { steps, stageMinutes } = plan.make;
  const runId = randomUUID();
  await addRun(db, HOME_STUDIO_ID, {
    id: runId,
    jobId,
    document: job,
    steps,
    workshop,
    takes: takesOf(job, plan),
    stageMinutes,
    lossCosts: lossCosts(plan, workshop, wantedOf(job)),
  });
  const event = { cards: 1, cause: null, stepId: null, undoes: null, at: null };
  for (const step of steps.slice(0, run.stepsDone))
    await addRunEvent(db, HOME_STUDIO_ID, runId, { ...event, id: randomUUID(), kind: 'step', stepId: step.id });
  await addRunEvent(db, HOME_STUDIO_ID, runId, { ...event, id: randomUUID(), kind: 'good', cards: run.good });
  for (const [cause, cards] of Object.entries(run.spoiled))
    await addRunEvent(db, HOME_STUDIO_ID, runId, { ...event, id: randomUUID(), kind: 'spoiled', cards, cause });
  if (run.finished) await addRunEvent(db, HOME_STUDIO_ID, runId, { ...event, id: randomUUID(), kind: 'finish' });
}
