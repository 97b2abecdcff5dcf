import { completed, isSame, mergeDocuments, type Job } from '@zippy/core';
import type { Overtaken, StoredJob } from '@zippy/core/contract';
import { api, Away, Refused } from '../api/client.ts';
import { keptByTab } from './local.ts';

/** A job that the server has not got yet as it is here. */
export interface KeptJob {
  readonly job: Job;
  /** The job that the server had when this was typed, and its version. */
  readonly base?: Job | undefined;
  readonly baseVersion: number;
  /** What was sent of it and not answered before the page was gone: the server may have any of these. */
  readonly sent?: readonly Job[] | undefined;
}

export const keptJobs = keptByTab<KeptJob>('job');

/** What this browser keeps of a job, as this version of the application knows it. */
export async function takeKept(id: string): Promise<KeptJob | undefined> {
  const found = await keptJobs.take(id);
  return (
    found && {
      ...found,
      base: found.base && completed(found.base),
      job: completed(found.job),
      sent: found.sent?.map(completed),
    }
  );
}

/** Sends one job that is kept here; when it cannot go now, it stays and is settled when the job is opened. */
export async function sendKept(id: string): Promise<void> {
  const mine = await takeKept(id);
  if (!mine) return;
  try {
    await saveJoined(id, mine);
    await keptJobs.remove(id);
  } catch (problem) {
    if (!(problem instanceof Away) && !(problem instanceof Refused)) throw problem;
  }
}

/** Saves a kept job, joined with what was saved elsewhere since. @throws Refused where that cannot be done unasked */
async function saveJoined(id: string, mine: KeptJob): Promise<void> {
  try {
    await api.saveJob(id, mine.baseVersion, mine.job);
  } catch (problem) {
    if (!(problem instanceof Refused) || problem.status !== 409) throw problem;
    const { theirs } = problem.body as Overtaken<StoredJob>;
    const base = mine.sent?.find((sent) => isSame(sent, theirs.document)) ?? mine.base;
    const { value, clashes } = mergeDocuments(base, mine.job, theirs.document);
    if (clashes.length > 0) throw problem;
    if (!isSame(value, theirs.document)) await api.saveJob(id, theirs.version, value);
  }
}
