import type { ChildProcess } from 'node:child_process';
import { setTimeout as pause } from 'node:timers/promises';
import { expect } from 'chai';
import pg from 'pg';
import type { Job } from '@zippy/core';
import { endPart, freePort, freshDatabase, startPart, type StoredJob } from './support.ts';

/** Three web processes and three workers that share one database, as on several machines. */
describe('several processes on one database', () => {
  const ports: number[] = [];
  const webs: ChildProcess[] = [];
  const workers: ChildProcess[] = [];
  let database: pg.Pool;

  let url: string;

  before(async () => {
    url = await freshDatabase();
    // All of them at once, on a database that has nothing in it yet.
    for (let i = 0; i < 3; i += 1) ports.push(await freePort());
    database = new pg.Pool({ connectionString: url });
    const start = async (into: ChildProcess[], file: string, port: number): Promise<void> => {
      into.push(await startPart(file, url, port));
    };
    await Promise.all([
      ...ports.map((port) => start(webs, 'server/src/main.ts', port)),
      ...[0, 1, 2].map(() => start(workers, 'server/src/worker.ts', 0)),
    ]);
  });
  // A test may end workers; the next finds three again.
  beforeEach(async () => {
    const dead = workers.filter((worker) => worker.exitCode !== null || worker.signalCode !== null);
    for (const worker of dead) workers[workers.indexOf(worker)] = await startPart('server/src/worker.ts', url, 0);
  });
  after(async () => {
    await database.end();
    for (const part of [...webs, ...workers]) await endPart(part);
  });

  async function call<T>(
    web: number,
    path: string,
    method = 'GET',
    body?: unknown,
  ): Promise<{ status: number; body: T }> {
    const response = await fetch(`http://127.0.0.1:${ports[web % 3]}/api/${path}`, {
      method,
      ...(body === undefined ? {} : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
    });
    return { status: response.status, body: (response.status === 204 ? null : await response.json()) as T };
  }
  const jobs = async (): Promise<readonly StoredJob[]> => (await call<{ jobs: StoredJob[] }>(0, 'jobs')).body.jobs;

  it('loads the demo once, whoever was first', async () => {
    expect(await jobs()).to.have.length(13);
  });

  it('loses no edit: twelve hands at four jobs through three doors', async () => {
    const four = (await jobs()).slice(0, 4);
    const EDITS = 25;
    /** One maker, whose words are a line of the notes; whoever was first is read again, as the page does. */
    const hand = async (who: number): Promise<void> => {
      const { id } = four[who % 4]!;
      for (let edit = 1; edit <= EDITS;) {
        const { body: stored } = await call<StoredJob>(who, `jobs/${id}`);
        const lines = stored.document.brief.notes.split('\n').filter((line) => !line.startsWith(`hand ${who}:`));
        const document: Job = {
          ...stored.document,
          brief: { ...stored.document.brief, notes: [...lines, `hand ${who}: ${edit}`].join('\n') },
        };
        const { status } = await call(who, `jobs/${id}`, 'PUT', { version: stored.version, document });
        expect(status).to.be.oneOf([200, 409]);
        if (status === 200) edit += 1;
      }
    };
    await Promise.all(Array.from({ length: 12 }, (_, who) => hand(who)));
    for (const [i, { id, version }] of four.entries()) {
      const { body: now } = await call<StoredJob>(i, `jobs/${id}`);
      expect(now.version).to.equal(version + 3 * EDITS);
      for (const who of [i, i + 4, i + 8]) expect(now.document.brief.notes).to.include(`hand ${who}: ${EDITS}`);
      const { rows } = await database.query('select count(*)::int as kept from job_revisions where job_id = $1', [id]);
      expect(rows[0]).to.deep.equal({ kept: now.version });
    }
  });

  const finished = async (ids: readonly string[], tries: number): Promise<readonly string[]> => {
    let states: string[] = [];
    for (let left = tries; left > 0; left -= 1) {
      const answers = await Promise.all(ids.map((id, i) => call<{ state: string }>(i, `exports/${id}`)));
      states = answers.map(({ body }) => body.state);
      if (states.every((state) => state === 'done' || state === 'failed')) break;
      await pause(100);
    }
    return states;
  };

  it('writes each file once: a dozen that were asked for through three doors, by three workers', async () => {
    const all = await jobs();
    const asked = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        call<{ id: string }>(i, 'exports', 'POST', { jobId: all[i % all.length]!.id, what: 'ticket', format: 'pdf' }),
      ),
    );
    const ids = asked.map(({ body }) => body.id);
    expect(await finished(ids, 900)).to.deep.equal(ids.map(() => 'done'));
    const { rows } = await database.query<{ attempts: number; files: number }>(
      `select attempts, (select count(*)::int from export_files f where f.export_id = e.id) as files
       from exports e where id = any ($1)`,
      [ids],
    );
    expect(rows).to.deep.equal(ids.map(() => ({ attempts: 1, files: 1 })));
  });

  it('takes up the work of a worker that is killed in the middle of it, within half a minute', async () => {
    // All three have a long piece of work; whichever is killed, it is at one.
    const named = (await jobs()).find(({ document }) => document.names)!;
    const asked = await Promise.all(
      [0, 1, 2].map((i) =>
        call<{ id: string }>(i, 'exports', 'POST', { jobId: named.id, what: 'sheets', format: 'png' }),
      ),
    );
    const ids = asked.map(({ body }) => body.id);
    for (let working = 0; working < 3; await pause(20)) {
      const { rows } = await database.query<{ n: number }>(
        "select count(*)::int as n from exports where id = any ($1) and state = 'working'",
        [ids],
      );
      working = rows[0]!.n;
    }
    await endPart(workers[0]!, 'SIGKILL');
    // The others have work of their own, however slow the machine is; this one has none.
    workers[0] = await startPart('server/src/worker.ts', url, 0);
    const { rows: left } = await database.query<{ n: number }>(
      "select count(*)::int as n from exports where id = any ($1) and state = 'working'",
      [ids],
    );
    expect(left[0]!.n).to.be.above(0);
    const began = await database.query<{ now: Date }>('select now()');
    for (let taken = false; !taken; await pause(100)) {
      const { rows } = await database.query<{ taken: boolean; late: boolean }>(
        `select bool_or(attempts = 2) as taken, now() - $2::timestamptz > interval '30 seconds' as late
         from exports where id = any ($1)`,
        [ids, began.rows[0]!.now],
      );
      taken = rows[0]!.taken;
      expect(rows[0]!.late, 'taken up within half a minute').to.equal(false);
    }
    expect(await finished(ids, 1200)).to.deep.equal(['done', 'done', 'done']);
    const { rows } = await database.query<{ attempts: number; files: number }>(
      `select attempts, (select count(*)::int from export_files f where f.export_id = e.id) as files
       from exports e where id = any ($1) order by attempts`,
      [ids],
    );
    expect(rows.map(({ attempts }) => attempts)).to.deep.equal([1, 1, 2]);
    expect(new Set(rows.map(({ files }) => files)).size).to.equal(1);
  });

  it('stops an export that nobody waits for, and says when no worker is at hand', async () => {
    for (const worker of workers) await endPart(worker);
    await database.query("update workers set beat_at = now() - interval '1 minute'");
    const [first] = await jobs();
    const ask = async (): Promise<string> =>
      (await call<{ id: string }>(1, 'exports', 'POST', { jobId: first!.id, what: 'ticket', format: 'pdf' })).body.id;
    const [unwanted, wanted] = [await ask(), await ask()];
    expect((await call<{ waitsInVain: boolean }>(2, `exports/${wanted}`)).body.waitsInVain).to.equal(true);
    expect((await call(2, `exports/${unwanted}`, 'DELETE')).status).to.equal(204);
    workers[0] = await startPart('server/src/worker.ts', url, 0);
    expect(await finished([wanted], 300)).to.deep.equal(['done']);
    expect((await call<{ waitsInVain: boolean }>(2, `exports/${wanted}`)).body.waitsInVain).to.equal(false);
    expect((await call<{ state: string }>(0, `exports/${unwanted}`)).body.state).to.equal('cancelled');
  });
});
