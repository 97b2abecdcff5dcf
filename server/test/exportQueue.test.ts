import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { newJob } from '@zippy/core';
import { addExport, findExport } from '../src/tables/exports.ts';
import { addJob } from '../src/tables/jobs.ts';
import { HOME_STUDIO_ID } from '../src/studio.ts';
import { doExport, takeOver } from '../src/workExports.ts';
import { Serving } from './serving.ts';
import { workshop } from './support.ts';

describe('work that is queued', () => {
  const serving = new Serving();

  /** Work that stands in the table alone, as if its worker had died so many seconds after it was last heard of. */
  async function left(state: string, silentSeconds: number): Promise<string> {
    const { pool } = serving;
    const [jobId, id] = [randomUUID(), randomUUID()];
    await addJob(pool, HOME_STUDIO_ID, jobId, newJob('Harbour lights', workshop));
    const document = newJob('Harbour lights', workshop);
    await addExport(pool, HOME_STUDIO_ID, { id, jobId, document, what: 'ticket', format: 'csv' });
    await pool.query('update exports set state = $2, beat_at = now() - make_interval(secs => $3) where id = $1', [
      id,
      state,
      silentSeconds,
    ]);
    return id;
  }
  const stateOf = async (id: string): Promise<string> => (await findExport(serving.pool, HOME_STUDIO_ID, id))!.state;

  it('is taken over once its worker has gone silent, and not while it is heard of', async () => {
    const [silent, busy] = [await left('working', 21), await left('working', 5)];
    expect(await takeOver(serving.boss, serving.pool)).to.equal(1);
    for (let tries = 0; tries < 200 && (await stateOf(silent)) !== 'done'; tries += 1)
      await new Promise((next) => setTimeout(next, 50));
    expect([await stateOf(silent), await stateOf(busy)]).to.deep.equal(['done', 'working']);
    expect((await findExport(serving.pool, HOME_STUDIO_ID, silent))!.files).to.have.length(1);
  });

  it('is given up once three workers have gone silent over it, with what to look for', async () => {
    const id = await left('working', 30);
    await serving.pool.query('update exports set attempts = 3 where id = $1', [id]);
    await takeOver(serving.boss, serving.pool);
    const given = (await findExport(serving.pool, HOME_STUDIO_ID, id))!;
    expect([given.state, given.message]).to.satisfy(
      ([state, message]: readonly string[]) => state === 'failed' && /far too complicated/.test(message!),
    );
  });

  it('is done once, by whichever of several workers comes to it first', async () => {
    const id = await left('waiting', 0);
    await Promise.all([1, 2, 3].map(() => doExport(serving.pool, { studioId: HOME_STUDIO_ID, exportId: id })));
    expect(await stateOf(id)).to.equal('done');
    // One row of files, and nothing that is done is done again.
    await doExport(serving.pool, { studioId: HOME_STUDIO_ID, exportId: id });
    const { rows } = await serving.pool.query<{ files: number }>(
      'select count(*)::int as files from export_files where export_id = $1',
      [id],
    );
    expect(rows[0]!.files).to.equal(1);
  });

  it('is written with its queue’s job or not at all', async () => {
    const jobId = randomUUID();
    await addJob(serving.pool, HOME_STUDIO_ID, jobId, newJob('Harbour lights', workshop));
    const count = async (): Promise<number> => {
      const { rows } = await serving.pool.query<{ n: number }>(
        'select count(*)::int as n from exports where job_id = $1',
        [jobId],
      );
      return rows[0]!.n;
    };
    const ask = () =>
      fetch(`${serving.base}/exports`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ jobId, what: 'ticket', format: 'csv' }),
      });
    const send = serving.boss.send.bind(serving.boss);
    serving.boss.send = () => Promise.reject(new Error('the queue is away'));
    expect((await ask()).status).to.equal(500);
    expect(await count()).to.equal(0);
    serving.boss.send = send;
    expect((await ask()).status).to.equal(202);
    expect(await count()).to.equal(1);
  });
});
