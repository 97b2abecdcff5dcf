import { takenByRun, type RunEvent } from '@zippy/core';
import type { PoolClient } from 'pg';
import { takeForRun } from '../tables/movements.ts';
import { addRunEvent, findRun, hasTaken } from '../tables/runs.ts';
import { overtakeStudio } from '../tables/studios.ts';

/**
 * Takes down a press at the bench. What the run’s cards are made of goes off the shelf as the run ends, and again as it was
 * counted last when a press arrives later, from a tablet that had no server for a while.
 * @param client within a transaction
 */
export async function pressAtBench(
  client: PoolClient,
  studioId: string,
  runId: string,
  event: RunEvent,
): Promise<void> {
  await addRunEvent(client, studioId, runId, event);
  if (!(await hasTaken(client, studioId, runId))) return;
  // First, so that two devices take one after the other, each knowing what the other pressed.
  await overtakeStudio(client, studioId);
  const run = (await findRun(client, studioId, runId))!;
  await takeForRun(client, studioId, runId, takenByRun(run));
}
