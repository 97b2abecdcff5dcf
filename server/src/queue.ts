import PgBoss from 'pg-boss';
import { setUpAlone } from './database.ts';

export const EXPORT_QUEUE = 'exports';
/** Once an hour, and once a night; a worker that starts asks for both. */
export const HOURLY_QUEUE = 'clear-exports';
export const NIGHTLY_QUEUE = 'nightly';

export interface ExportJob {
  readonly studioId: string;
  readonly exportId: string;
}

/** Queued work lives in the same database, so that any number of processes can share it. */
export async function openQueue(url: string): Promise<PgBoss> {
  const boss = new PgBoss({ connectionString: url, schema: 'queue', max: 3 });
  boss.on('error', (problem) => console.error(`Queue: ${problem.message}`));
  await setUpAlone(url, () => setUp(boss));
  return boss;
}

async function setUp(boss: PgBoss): Promise<void> {
  await boss.start();
  await boss.createQueue(EXPORT_QUEUE, { name: EXPORT_QUEUE, retryLimit: 2, expireInSeconds: 600 });
  for (const [queue, when] of [
    [HOURLY_QUEUE, '17 * * * *'],
    [NIGHTLY_QUEUE, '40 3 * * *'],
  ] as const) {
    // One at a time, by whichever process gets it.
    await boss.createQueue(queue, { name: queue, policy: 'singleton', retryLimit: 0, expireInSeconds: 3600 });
    await boss.schedule(queue, when);
  }
}
