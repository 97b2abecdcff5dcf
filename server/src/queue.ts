import PgBoss from 'pg-boss';

export const EXPORT_QUEUE = 'exports';
export const CLEAR_QUEUE = 'clear-exports';

export interface ExportJob {
  readonly studioId: string;
  readonly exportId: string;
}

/** Queued work lives in the same database, so that any number of processes can share it. */
export async function openQueue(url: string): Promise<PgBoss> {
  const boss = new PgBoss({ connectionString: url, schema: 'queue', max: 3 });
  boss.on('error', (problem) => console.error(`Queue: ${problem.message}`));
  await boss.start();
  await boss.createQueue(EXPORT_QUEUE, { name: EXPORT_QUEUE, retryLimit: 2, expireInSeconds: 600 });
  await boss.createQueue(CLEAR_QUEUE, { name: CLEAR_QUEUE, policy: 'singleton', retryLimit: 0 });
  // Once an hour, by whichever process gets it.
  await boss.schedule(CLEAR_QUEUE, '17 * * * *');
  return boss;
}
