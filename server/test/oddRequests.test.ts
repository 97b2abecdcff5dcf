import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { newJob } from '@zippy/core';
import { Serving } from './serving.ts';
import { workshop } from './support.ts';

/** Twenty requests are under way at once; none may take longer, and none may bring another down. */
const AT_ONCE = 20;
const LONGEST_MS = 20_000;
const REQUESTS = Number(process.env.RUNS ?? 1000);
const SEED = 20261127;

interface Asked {
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | undefined;
}

describe('odd requests', () => {
  const serving = new Serving();

  async function answer({ method, path, headers, body }: Asked): Promise<{ status: number; text: string }> {
    const ask = (): Promise<Response> =>
      fetch(serving.base + path, {
        ...{ method, headers, signal: AbortSignal.timeout(LONGEST_MS) },
        ...(body === undefined || method === 'GET' || method === 'HEAD' ? {} : { body }),
      });
    // A kept connection that runs out just as it is used again was never answered: any client asks once more.
    const response = await ask().catch((problem: Error) =>
      (problem.cause as { code?: string } | undefined)?.code === 'UND_ERR_SOCKET' ? ask() : Promise.reject(problem),
    );
    return { status: response.status, text: await response.text() };
  }
  const json = { 'Content-Type': 'application/json' };
  const post = (path: string, body: unknown, headers: Record<string, string> = json, method = 'POST') =>
    answer({ method, path, headers, body: typeof body === 'string' ? body : JSON.stringify(body) });
  const message = ({ text }: { readonly text: string }) =>
    JSON.parse(text) as { message: string; field: string | null };
  const job = newJob('Harbour lights', workshop);
  const titled = (title: string) => ({ ...job, brief: { ...job.brief, title } });

  it('are each refused with one sentence that names what is wrong', async () => {
    const id = randomUUID();
    expect((await post('/jobs', { id, document: job })).status).to.equal(201);
    const cases: readonly (readonly [string, Promise<{ status: number; text: string }>, number, RegExp])[] = [
      ['no JSON', post('/jobs', 'harbour'), 400, /not JSON/],
      ['nothing', post('/jobs', undefined, {}), 400, /wants JSON/],
      ['words', post('/jobs', 'harbour', { 'Content-Type': 'text/plain' }), 400, /wants JSON/],
      ['a bad percent sign', post('/jobs/%E0%A4%A/file', undefined, {}, 'GET'), 400, /not written as requests are/],
      [
        'a charset of its own',
        post('/jobs', '{}', { 'Content-Type': 'application/json; charset=klingon' }),
        415,
        /charset/,
      ],
      ['an encoding of its own', post('/jobs', '{}', { ...json, 'Content-Encoding': 'zip' }), 415, /encoding/],
      [
        'its own names',
        post('/jobs', `{"id":"${id}","document":{"__proto__":{"x":1}}}`),
        400,
        /name in it that is not taken/,
      ],
      [
        'a format from the prototype',
        post('/exports', { jobId: id, what: 'constructor', format: 'name' }),
        400,
        /^what wants one of/,
      ],
      ['its kin', post('/exports', { jobId: id, what: '__proto__', format: 'pdf' }), 400, /^what wants one of/],
      [
        'a version past 32 bits',
        post(`/jobs/${id}`, { version: 2 ** 31, document: job }, json, 'PUT'),
        400,
        /^version/,
      ],
      ['a version past all bits', post('/workshop', { version: 1e300, workshop: {} }, json, 'PUT'), 400, /^version/],
      ['file number 1e300', post(`/exports/${id}/files/1e300`, undefined, {}, 'GET'), 404, /no such file/],
      ['file number below nought', post(`/exports/${id}/files/-1`, undefined, {}, 'GET'), 404, /no such file/],
      [
        'a day of year 0',
        post('/jobs', { id: randomUUID(), document: { ...job, brief: { ...job.brief, dueDate: '0000-01-01' } } }),
        400,
        /^brief\.dueDate wants a day/,
      ],
      ['an id in brackets', post('/jobs', { id: `{${id}}`, document: job }), 400, /^id/],
      ['an id without dashes', post('/jobs', { id: id.replaceAll('-', ''), document: job }), 400, /^id/],
      ['an id with colons', post(`/jobs/${id.replaceAll('-', ':')}`, undefined, {}, 'GET'), 404, /no such job/],
      [
        'NUL in a text',
        post('/jobs', { id: randomUUID(), document: titled('Har\0bour') }),
        400,
        /^brief\.title holds a NUL/,
      ],
      [
        'half a letter',
        post('/jobs', { id: randomUUID(), document: titled('Harbour \ud83d') }),
        400,
        /^brief\.title .* half of a letter/,
      ],
      ['NUL in a hash', post('/pictures/%00', undefined, {}, 'GET'), 404, /no such picture/],
      [
        'nesting without end',
        post('/jobs', `{"id":"${id}","document":${'{"a":'.repeat(900)}1${'}'.repeat(900)}}`),
        400,
        /nested deeper/,
      ],
      [
        'another page’s writing',
        post('/jobs', { id, document: job }, { ...json, Origin: 'http://elsewhere.example' }),
        403,
        /own pages/,
      ],
      ['a page of no origin', post(`/jobs/${id}`, undefined, { Origin: 'null' }, 'DELETE'), 403, /own pages/],
    ];
    for (const [name, asked, status, says] of cases) {
      const got = await asked;
      expect(got.status, `${name}: ${got.text}`).to.equal(status);
      expect(message(got).message, name).to.match(says);
    }
  });

  it('of a press at a time that no clock shows are refused, and the job put away keeps its id', async () => {
    const id = randomUUID();
    await post('/jobs', { id, document: job });
    const run = randomUUID();
    expect((await post('/runs', { id: run, jobId: id })).status).to.equal(201);
    for (const at of ['0000-01-01T00:00:00Z', '+275760-09-13T00:00:00Z', '1999-12-31T23:59:59Z'])
      expect((await post(`/runs/${run}/events`, { id: randomUUID(), kind: 'good', at })).status, at).to.equal(400);
    expect(
      (await post(`/runs/${run}/events`, { id: randomUUID(), kind: 'good', at: '2026-11-27T10:00:00Z' })).status,
    ).to.equal(201);
    expect((await post(`/jobs/${id}`, undefined, {}, 'DELETE')).status).to.equal(204);
    const again = await post('/jobs', { id, document: job });
    expect([again.status, message(again).field]).to.deep.equal([409, 'id']);
    const list = async () =>
      (JSON.parse((await post('/jobs', undefined, {}, 'GET')).text) as { putAway: { id: string; title: string }[] })
        .putAway;
    expect((await list()).filter((one) => one.id === id).map(({ title }) => title)).to.deep.equal(['Harbour lights']);
    expect((await post(`/jobs/${id}/back`, undefined, {})).status).to.equal(200);
    expect((await list()).some((one) => one.id === id)).to.equal(false);
  });

  it('of 190 MB of brackets are refused on their way in, at a few megabytes, and a job file with its pictures is not', async () => {
    const chunk = Buffer.alloc(65_536, '[');
    let left = Math.round((190 * 1024 * 1024) / chunk.length);
    const before = process.memoryUsage().rss;
    let most = before;
    const response = await fetch(`${serving.base}/jobs/file`, {
      ...{ method: 'POST', headers: json, duplex: 'half' },
      body: new ReadableStream<Uint8Array>({
        pull(controller) {
          most = Math.max(most, process.memoryUsage().rss);
          if ((left -= 1) < 0) controller.close();
          else controller.enqueue(new Uint8Array(chunk));
        },
      }),
    });
    expect(response.status).to.equal(413);
    expect(((await response.json()) as { message: string }).message).to.match(/^file is nested deeper/);
    // What is sent and what is received share this process; kept whole it would be ten times as much and more.
    expect((most - before) / 1048576).to.be.below(120);
    const flat = `{"id":"${randomUUID()}","file":[${'1,'.repeat(3_000_000)}1]}`;
    expect(message(await post('/jobs/file', flat)).message).to.match(/far more than a job does/);
    const long = {
      id: randomUUID(),
      file: { ...job, pictures: {}, brief: { ...job.brief, notes: `"[{\\${'['.repeat(300)}` } },
    };
    expect((await post('/jobs/file', long)).status).to.equal(201);
    expect((await post('/jobs/file', '{"id":')).status).to.equal(400);
    expect((await post('/jobs/file', '{}', { ...json, 'Content-Encoding': 'gzip' })).status).to.equal(415);
  });

  it('take a picture by whatever name it has', async () => {
    const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9"/></svg>';
    for (const name of ['50% off.svg', 'a%zz.svg', 'ü'.repeat(300), '\ud83d', '100%']) {
      const url = `/pictures?name=${encodeURIComponent(name.toWellFormed())}`;
      const got = await post(url, svg, { 'Content-Type': 'application/octet-stream' });
      expect(got.status, name).to.equal(201);
      expect([...(JSON.parse(got.text) as { name: string }).name].length).to.be.at.most(200);
    }
    expect(
      (
        JSON.parse(
          (await post('/pictures?name=50%25%20off.svg', svg, { 'Content-Type': 'application/octet-stream' })).text,
        ) as { name: string }
      ).name,
    ).to.equal('50% off.svg');
  });

  it(`by the thousand bring no failure of ours, no hang and no stack: ${REQUESTS} of seed ${SEED}`, async () => {
    const id = randomUUID();
    await post('/jobs', { id, document: job });
    const odd = fc.oneof(
      fc.constantFrom<unknown>(
        null,
        true,
        0,
        -1,
        1e300,
        2 ** 31,
        0.5,
        '',
        '\0',
        '\ud83d',
        '__proto__',
        'constructor',
        [],
        {},
        id,
        `{${id}}`,
        '2026-11-27',
        '0000-00-00',
        '../../etc',
        '%',
        'x'.repeat(5000),
      ),
      fc.string({ unit: 'binary' }),
      fc.double(),
      fc.jsonValue({ maxDepth: 3 }),
    );
    const bodies: readonly unknown[] = [
      { id, document: job },
      { version: 1, document: job },
      { version: 1, workshop },
      { jobId: id, what: 'sheets', format: 'csv' },
      { id: randomUUID(), jobId: id },
      { id: randomUUID(), kind: 'good', cards: 1, cause: null, stepId: null, undoes: null, at: null },
      {
        jobIds: [id],
        feed: { printerId: 'gull', pathId: 'rear' },
        own: [],
        sheets: [],
        patterns: [],
        flipEdge: 'long',
        grain: 'respect',
      },
      { id, file: { ...job, pictures: {} } },
    ];
    /** One place of a body, however deep, holds something else, or is gone, or is more. */
    const spoilt = (whole: unknown, steps: readonly number[], thing: unknown): unknown => {
      if (typeof whole !== 'object' || whole === null || steps.length === 0) return thing;
      const keys = Object.keys(whole);
      if (keys.length === 0) return thing;
      const key = keys[steps[0]! % keys.length]!;
      const inner = spoilt((whole as Record<string, unknown>)[key], steps.slice(1), thing);
      return Array.isArray(whole) ? whole.with(Number(key), inner) : { ...whole, [key]: inner };
    };
    const path = fc.oneof(
      fc.constantFrom(
        '/jobs',
        '/jobs/file',
        '/workshop',
        '/runs',
        '/exports',
        '/shared/pdf',
        '/pictures',
        '/health',
        '/pictures/inks',
        '/backups',
        '/backups/restore',
        '/backups/restore?mode=over',
      ),
      fc
        .constantFrom(id, randomUUID(), 'x', '%00', '%E0', '..', '__proto__', `{${id}}`, '1e300')
        .chain((part) =>
          fc.constantFrom<string>(
            `/jobs/${part}`,
            `/jobs/${part}/file`,
            `/jobs/${part}/back`,
            `/jobs/${part}/faces/front.png?width=8&height=${part}`,
            `/jobs/${part}/pixels.zip?dpi=${part}&shows=${part}`,
            `/runs/${part}`,
            `/runs/${part}/events`,
            `/exports/${part}`,
            `/exports/${part}/files/${part}`,
            `/pictures/${part}`,
            `/workshop/calibration.pdf?printer=${part}&path[]=${part}`,
            `/nowhere/${part}`,
          ),
        ),
    );
    const headers = fc.constantFrom<Record<string, string>>(
      json,
      json,
      json,
      json,
      {},
      { 'Content-Type': 'application/json; charset=utf-16' },
      { ...json, 'Content-Encoding': 'gzip' },
      { 'Content-Type': 'image/png' },
    );
    const body = fc.oneof(
      {
        weight: 6,
        arbitrary: fc
          .tuple(fc.constantFrom(...bodies), fc.array(fc.nat(50), { minLength: 1, maxLength: 5 }), odd)
          .map(([whole, steps, thing]) => JSON.stringify(spoilt(whole, steps, thing))),
      },
      { weight: 1, arbitrary: fc.string({ unit: 'binary' }) },
      { weight: 1, arbitrary: fc.jsonValue().map((value) => JSON.stringify(value)) },
    );
    const requests: readonly Asked[] = fc.sample(
      fc.record({ method: fc.constantFrom('GET', 'POST', 'POST', 'PUT', 'DELETE', 'PATCH'), path, headers, body }),
      { numRuns: REQUESTS, seed: SEED },
    );
    const failures: string[] = [];
    let [next, refused] = [0, 0];
    await Promise.all(
      Array.from({ length: AT_ONCE }, async () => {
        while (next < requests.length) {
          const asked = requests[(next += 1) - 1]!;
          const said = `${asked.method} ${asked.path} ${JSON.stringify(asked.headers)} ${asked.body?.slice(0, 300)}`;
          try {
            const { status, text } = await answer(asked);
            if (status >= 500) failures.push(`${status} to ${said}: ${text.slice(0, 200)}`);
            if (/\n\s+at .*\.(ts|js):\d+/.test(text)) failures.push(`a stack to ${said}`);
            if (status >= 400) {
              refused += 1;
              if (asked.method !== 'HEAD' && !message({ text }).message) failures.push(`no sentence to ${said}`);
            }
          } catch (problem) {
            failures.push(`${String(problem)} to ${said}`);
          }
        }
      }),
    );
    expect(failures.slice(0, 10).join('\n')).to.equal('');
    expect(refused).to.be.above(REQUESTS / 4);
    expect((await answer({ method: 'GET', path: '/health', headers: {}, body: undefined })).status).to.equal(200);
  });
});
