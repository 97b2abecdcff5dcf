import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { request } from 'node:http';
import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { decide, changeJob, newJob, type Job, type PictureRef, type Workshop } from '@zippy/core';
import { loadDemo } from '../src/loadDemo.ts';
import { isLoopbackHost, loopbackOnly } from '../src/loopback.ts';
import { removeOldExports } from '../src/tables/exports.ts';
import { Serving } from './serving.ts';
import { workshop } from './support.ts';

interface Answer {
  readonly status: number;
  readonly body: Record<string, unknown> & { readonly message: string; readonly field: string | null };
}

describe('the API', () => {
  const serving = new Serving();

  const call = async (
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer> => {
    const raw = body instanceof Buffer;
    const response = await fetch(serving.base + path, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'Content-Type': raw ? 'application/octet-stream' : 'application/json' }),
        ...headers,
      },
      ...(body === undefined ? {} : { body: raw ? new Uint8Array(body) : JSON.stringify(body) }),
    });
    return {
      status: response.status,
      body: response.status === 204 ? ({} as Answer['body']) : ((await response.json()) as Answer['body']),
    };
  };
  const added = async (job: Job = newJob('Harbour lights', workshop)): Promise<string> => {
    const id = randomUUID();
    expect((await call('POST', '/jobs', { id, document: job })).status).to.equal(201);
    return id;
  };
  const titled = (job: Job, title: string): Job => changeJob(job, [decide((job) => job.brief.title, title)]);

  it('comes with the demo, once', async () => {
    const before = (await call('GET', '/jobs')).body.jobs as readonly { document: Job }[];
    expect(before.map((j) => j.document.brief.title))
      .to.include('Lantern Regatta supper')
      .and.include('Seal-pup notelets');
    await loadDemo(serving.pool);
    expect(((await call('GET', '/jobs')).body.jobs as readonly unknown[]).length).to.equal(before.length);
  });

  it('keeps a connection longer than whoever uses it pauses', async () => {
    const { headers } = await fetch(`${serving.base}/health`);
    expect(headers.get('keep-alive')).to.equal('timeout=65');
  });

  it('keeps a job and counts its versions', async () => {
    const job = newJob('Ebb', workshop);
    const id = await added(job);
    expect((await call('PUT', `/jobs/${id}`, { version: 1, document: titled(job, 'Flood') })).body).to.deep.equal({
      version: 2,
    });
    const { body } = await call('GET', `/jobs/${id}`);
    expect(body.version).to.equal(2);
    expect((body.document as Job).brief.title).to.equal('Flood');
    const { rows } = await serving.pool.query('select version from job_revisions where job_id = $1 order by version', [
      id,
    ]);
    expect(rows.map((r: { version: number }) => r.version)).to.deep.equal([1, 2]);
  });

  it('answers a stale save with both copies and writes neither over the other', async () => {
    const job = newJob('Ebb', workshop);
    const id = await added(job);
    await call('PUT', `/jobs/${id}`, { version: 1, document: titled(job, 'Theirs') });
    const late = await call('PUT', `/jobs/${id}`, { version: 1, document: titled(job, 'Mine') });
    expect(late.status).to.equal(409);
    expect((late.body.theirs as { version: number; document: Job }).document.brief.title).to.equal('Theirs');
    expect((late.body.theirs as { version: number }).version).to.equal(2);
  });

  it('lets one of many simultaneous saves through', async () => {
    const job = newJob('Ebb', workshop);
    const id = await added(job);
    const all = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        call('PUT', `/jobs/${id}`, { version: 1, document: titled(job, `Hand ${i}`) }),
      ),
    );
    expect(all.map((a) => a.status).sort((a, b) => a - b)).to.deep.equal([200, ...Array<number>(7).fill(409)]);
  });

  it('names the field that is wrong', async () => {
    const job = newJob('Ebb', workshop);
    const bad = await call('POST', '/jobs', {
      id: randomUUID(),
      document: { ...job, size: { ...job.size, bleedMm: 90 } },
    });
    expect(bad.status).to.equal(400);
    expect(bad.body.field).to.equal('size.bleedMm');
    expect(bad.body.message).to.equal('size.bleedMm wants between 0 mm and 20 mm, got 90 mm.');
    expect((await call('POST', '/jobs', { document: job })).body.message).to.equal('id is missing; add it.');
    const torn = await fetch(`${serving.base}/jobs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: '{"id":',
    });
    expect(torn.status).to.equal(400);
    expect(((await torn.json()) as { message: string }).message).to.match(/not JSON/);
  });

  it('refuses to keep a job whose picture is not here, and keeps it once it is', async () => {
    const bytes = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#e8744f' } })
      .png()
      .toBuffer();
    const ref: PictureRef = { name: 'sun.png', sha256: 'f'.repeat(64), mime: 'image/png', widthPx: 60, heightPx: 40 };
    const job = changeJob(newJob('Sun', workshop), [decide((job) => job.pictures.at('sun'), ref)]);
    const early = await call('POST', '/jobs', { id: randomUUID(), document: job });
    expect(early.status).to.equal(422);
    expect(early.body.field).to.equal('pictures.sun');
    const stored = await call('POST', '/pictures?name=sun.png', bytes);
    expect(stored.status).to.equal(201);
    expect(stored.body).to.include({ mime: 'image/png', widthPx: 60, heightPx: 40 });
    await added(changeJob(job, [decide((job) => job.pictures.at('sun'), stored.body as unknown as PictureRef)]));
    const shown = await fetch(`${serving.base}/pictures/${stored.body.sha256 as string}`);
    expect(shown.headers.get('content-type')).to.equal('image/png');
    expect(shown.headers.get('content-security-policy')).to.contain('sandbox');
    expect((await call('POST', '/pictures?name=notes.txt', Buffer.from('hello'))).body.message).to.match(
      /^notes\.txt is no picture that can be read here/,
    );
  });

  it('draws the outline round a picture on a clear ground, and says of another why there is none', async () => {
    const svg = (ground: string): Buffer =>
      Buffer.from(
        `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 200">${ground}<circle cx="90" cy="100" r="60"/></svg>`,
      );
    const outlineOf = async (name: string, bytes: Buffer): Promise<Answer> => {
      const { body } = await call('POST', `/pictures?name=${name}`, bytes);
      const { sha256, widthPx } = body as unknown as PictureRef;
      return call('GET', `/pictures/${sha256}/outline?name=${name}&widthPx=${widthPx}`);
    };
    const png = await sharp(svg('')).resize(600).png().toBuffer();
    for (const [name, bytes, scale] of [
      ['moon.svg', svg(''), 1],
      ['moon.png', png, 2],
    ] as const) {
      const answer = await outlineOf(name, bytes);
      expect(answer.status, name).to.equal(200);
      const numbers = [...(answer.body.path as string).matchAll(/([\d.-]+) ([\d.-]+)/g)].map(([, x, y]) => [
        Number(x) / scale,
        Number(y) / scale,
      ]);
      for (const [x, y] of numbers) expect(Math.hypot(x! - 90, y! - 100), name).to.be.closeTo(60, 0.6);
    }
    const filled = await outlineOf('day.svg', svg('<rect width="300" height="200" fill="#fff"/>'));
    expect(filled.status).to.equal(422);
    expect(filled.body.message).to.match(/^day\.svg has no clear ground round its figure; bring it as a PNG or SVG/);
    const flat = await call('GET', `/pictures/${'0'.repeat(64)}/outline?name=moon.svg&widthPx=0`);
    expect([flat.status, flat.body.field]).to.deep.equal([400, 'widthPx']);
  });

  it('gives a job as a file with its pictures inside, and takes it back whole', async () => {
    const listed = (await call('GET', '/jobs')).body.jobs as readonly { id: string; document: Job }[];
    const regatta = listed.find((j) => j.document.brief.title === 'Lantern Regatta supper')!;
    const file = (await call('GET', `/jobs/${regatta.id}/file`)).body;
    const id = randomUUID();
    expect((await call('POST', '/jobs/file', { id, file })).status).to.equal(201);
    const back = (await call('GET', `/jobs/${id}`)).body.document as Job;
    expect(back.art).to.deep.equal(regatta.document.art);
    expect(back.brief).to.deep.equal(regatta.document.brief);
    expect(back.pictures.regatta!.sha256).to.equal(regatta.document.pictures.regatta!.sha256);
  });

  it('counts a run, sends twice once, takes back, and feeds the spoil log', async () => {
    const log = async (): Promise<Workshop['spoilLog']> =>
      ((await call('GET', '/workshop')).body.workshop as Workshop).spoilLog;
    const before = await log();
    const jobId = await added();
    const runId = randomUUID();
    const run = await call('POST', '/runs', { id: runId, jobId });
    expect(run.status).to.equal(201);
    expect((run.body.steps as readonly unknown[]).length).to.be.greaterThan(4);
    const good = { id: randomUUID(), kind: 'good' };
    for (let i = 0; i < 2; i += 1) expect((await call('POST', `/runs/${runId}/events`, good)).status).to.equal(201);
    const spoiled = { id: randomUUID(), kind: 'spoiled', cause: 'drift' };
    await call('POST', `/runs/${runId}/events`, spoiled);
    expect(await log()).to.deep.include({ good: before.good + 1, spoiled: before.spoiled + 1 });
    await call('POST', `/runs/${runId}/events`, { id: randomUUID(), kind: 'undo', undoes: spoiled.id });
    expect(await log()).to.deep.include({ good: before.good + 1, spoiled: before.spoiled });
    expect((await call('GET', `/jobs/${jobId}`)).body.bench).to.include({ good: 1, spoiled: 0, openRunId: runId });
    expect(
      (await call('POST', `/runs/${runId}/events`, { id: randomUUID(), kind: 'spoiled', cause: 'gremlins' })).body
        .message,
    ).to.match(/^cause wants one of misfeed/);
    await call('POST', `/runs/${runId}/events`, { id: randomUUID(), kind: 'finish' });
    expect((await call('GET', `/jobs/${jobId}`)).body.bench).to.include({ openRunId: null });
  });

  it('writes files through the queue and says how far it is', async () => {
    const id = await added();
    const asked = await call('POST', '/exports', { jobId: id, what: 'ticket', format: 'pdf' });
    expect(asked.status).to.equal(202);
    expect(asked.body.state).to.equal('waiting');
    let state = asked.body;
    for (let tries = 0; tries < 100 && state.state !== 'done'; tries += 1) {
      await new Promise((done) => setTimeout(done, 100));
      state = (await call('GET', `/exports/${asked.body.id as string}`)).body;
      expect(state.state).not.to.equal('failed');
    }
    const [file] = state.files as readonly { number: number; name: string; size: number }[];
    expect(file!.name).to.equal('harbour-lights-ticket.pdf');
    const bytes = Buffer.from(
      await (await fetch(`${serving.base}/exports/${asked.body.id as string}/files/0`)).arrayBuffer(),
    );
    expect(bytes.length).to.equal(file!.size);
    expect(bytes.subarray(0, 5).toString()).to.equal('%PDF-');
    expect((await call('POST', '/exports', { jobId: id, what: 'sheets', format: 'doc' })).body.message).to.equal(
      'format wants one of pdf, svg, png, csv for sheets; got doc.',
    );
  });

  it('says why when a file cannot be written', async () => {
    const id = await added(changeJob(newJob('Too large', workshop), [decide((job) => job.size.finishedWidthMm, 400)]));
    const asked = await call('POST', '/exports', { jobId: id, what: 'sheets', format: 'pdf' });
    let state = asked.body;
    for (let tries = 0; tries < 100 && state.state !== 'failed'; tries += 1) {
      await new Promise((done) => setTimeout(done, 100));
      state = (await call('GET', `/exports/${asked.body.id as string}`)).body;
    }
    expect(state.message).to.match(/^No card fits on the sheet/);
  });

  it('takes written files away when they are old, and leaves what was written since', async () => {
    const id = await added();
    const asked = await Promise.all(
      [0, 1].map(async () => (await call('POST', '/exports', { jobId: id, what: 'ticket', format: 'pdf' })).body.id),
    );
    for (const one of asked)
      for (let tries = 0; tries < 200; tries += 1) {
        if ((await call('GET', `/exports/${one as string}`)).body.state === 'done') break;
        await new Promise((done) => setTimeout(done, 100));
      }
    await serving.pool.query("update exports set created_at = now() - interval '4 days' where id = $1", [asked[0]]);
    expect(await removeOldExports(serving.pool, 72)).to.equal(1);
    expect((await call('GET', `/exports/${asked[0] as string}`)).status).to.equal(404);
    expect((await call('GET', `/exports/${asked[1] as string}`)).body.state).to.equal('done');
    const { rows } = await serving.pool.query('select count(*)::int as files from export_files where export_id = $1', [
      asked[0],
    ]);
    expect(rows[0]).to.deep.equal({ files: 0 });
  });

  it('keeps the workshop with a version of its own', async () => {
    const { body } = await call('GET', '/workshop');
    const shop = body.workshop as Workshop;
    const saved = await call('PUT', '/workshop', { version: body.version, workshop: { ...shop, hourlyMinor: 1500 } });
    expect(saved.status).to.equal(200);
    expect((await call('PUT', '/workshop', { version: body.version, workshop: shop })).status).to.equal(409);
    const bad = await call('PUT', '/workshop', { version: saved.body.version, workshop: { ...shop, stocks: [] } });
    expect(bad.body.message).to.equal('stocks wants at least 1.');
  });

  it('answers nobody who comes by a foreign name', async () => {
    const { port } = serving;
    const answer = await new Promise<{ status: number; text: string }>((done, failed) => {
      const asked = request(
        { host: '127.0.0.1', port, path: '/api/jobs', headers: { Host: `evil.example:${port}` } },
        (response) => {
          let text = '';
          response.on('data', (chunk: Buffer) => (text += chunk.toString()));
          response.on('end', () => done({ status: response.statusCode!, text }));
        },
      );
      asked.on('error', failed).end();
    });
    expect(answer.status).to.equal(403);
    expect(answer.text).to.contain('this machine only').and.not.contain('Lantern');
  });

  it('takes no change from another site’s page, and knows nothing outside its places', async () => {
    expect((await call('POST', '/jobs', {}, { 'Sec-Fetch-Site': 'cross-site' })).status).to.equal(403);
    expect((await call('GET', '/nowhere')).status).to.equal(404);
    expect((await call('GET', '/jobs/not-a-job')).status).to.equal(404);
    expect((await call('GET', `/jobs/${randomUUID()}`)).body.message).to.match(/no such job/);
  });
});

describe('isLoopbackHost', () => {
  it('knows this machine by its own names and takes no borrowed one', () => {
    for (const host of ['127.0.0.1:5170', 'localhost:5170', '[::1]:5170', '127.0.0.1'])
      expect(isLoopbackHost(host), host).to.be.true;
    for (const host of ['evil.example:5170', '127.0.0.1.evil.example', '192.168.1.20:5170', '', undefined])
      expect(isLoopbackHost(host), host).to.be.false;
  });
});

describe('loopbackOnly', () => {
  it('takes this machine alone and gives its reason', () => {
    expect(loopbackOnly('127.0.0.1')).to.equal('127.0.0.1');
    expect(loopbackOnly('localhost')).to.equal('127.0.0.1');
    expect(loopbackOnly('::1')).to.equal('::1');
    for (const host of ['0.0.0.0', '::', '192.168.1.20', 'studio.example'])
      expect(() => loopbackOnly(host)).to.throw(/no sign-in yet/);
  });
});

describe('migrations', () => {
  it('give every table of ours a studio', () => {
    const sql = readFileSync(new URL('../src/migrations/000001_studio.sql', import.meta.url), 'utf8').split(
      '-- Down Migration',
    )[0]!;
    const tables = [...sql.matchAll(/create table (\w+) \(([\s\S]*?)\n\);/g)];
    expect(tables.length).to.be.greaterThan(5);
    for (const [, name, columns] of tables)
      if (name !== 'studios') expect(columns, name).to.contain('studio_id uuid not null');
  });
});
