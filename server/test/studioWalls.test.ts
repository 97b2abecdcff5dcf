import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { gunzipSync } from 'node:zlib';
import { expect } from 'chai';
import { changeJob, decide, newJob, type Job } from '@zippy/core';
import { makeApp } from '../src/app.ts';
import { listen } from '../src/listen.ts';
import { readPicture } from '../src/exports/index.ts';
import { HOME_STUDIO_ID } from '../src/studio.ts';
import * as exportsTable from '../src/tables/exports.ts';
import * as jobs from '../src/tables/jobs.ts';
import * as pictures from '../src/tables/pictures.ts';
import { findBenchLog } from '../src/tables/benchLog.ts';
import * as runsTable from '../src/tables/runs.ts';
import { addTypeface } from '../src/tables/typefaces.ts';
import { readOwnTypeface } from '../src/typefaces/readOwnTypeface.ts';
import { inTransaction } from '../src/tables/types.ts';
import { leaveStudio } from './leaveStudio.ts';
import { Serving } from './serving.ts';
import { THING_NAMES } from '../src/tables/things.ts';
import { openStudio } from '../src/workshop/saveWorkshop.ts';
import { workshop } from './support.ts';

const TABLES = [
  ...[
    'studios',
    'rates',
    'jobs',
    'job_revisions',
    'runs',
    'run_events',
    'exports',
    'export_files',
    'movements',
    'typefaces',
  ],
  ...THING_NAMES,
];

describe('two studios in one database', () => {
  // The neighbour leaves before the database is closed.
  after(async () => {
    server.closeAllConnections();
    server.close();
    await leaveStudio(serving.pool, NEIGHBOUR);
  });
  const serving = new Serving();
  const NEIGHBOUR = randomUUID();
  let server: Server;
  let base: string;
  /** What stands at home, and what a neighbour might ask for by its name. */
  const home = {
    jobId: randomUUID(),
    runId: randomUUID(),
    exportId: randomUUID(),
    sha256: '',
    typeface: '',
    awayId: randomUUID(),
  };
  let job: Job;

  const NOUGHT = { print: 0, cut: 0, crease: 0, assemble: 0, pack: 0 };
  const { spoilLog: _, ...shop } = workshop;
  /** Of the neighbour’s workshop, each upon the version that the one before made. */
  let saves = 0;

  before(async () => {
    const { pool } = serving;
    const drawing = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4 3"><title>${home.jobId}</title><path d="M0 0H4V3Z"/></svg>`;
    const picture = await readPicture('only-at-home.svg', Buffer.from(drawing));
    home.sha256 = picture.ref.sha256;
    job = changeJob(newJob('Kept at home', workshop), [decide((job) => job.pictures, { sea: picture.ref })]);
    await pictures.addPicture(pool, HOME_STUDIO_ID, picture);
    const typeface = await readOwnTypeface('signal.ttf', readFileSync(new URL('files/signal.ttf', import.meta.url)));
    home.typeface = typeface.ref.sha256;
    await addTypeface(pool, HOME_STUDIO_ID, typeface);
    await jobs.addJob(pool, HOME_STUDIO_ID, home.jobId, job);
    await jobs.addJob(pool, HOME_STUDIO_ID, home.awayId, newJob('Put away at home', workshop));
    await jobs.removeJob(pool, HOME_STUDIO_ID, home.awayId);
    await runsTable.addRun(pool, HOME_STUDIO_ID, {
      id: home.runId,
      jobId: home.jobId,
      document: job,
      steps: [],
      takes: [],
      ...{ stageMinutes: NOUGHT, lossCosts: NOUGHT },
      workshop,
    });
    await inTransaction(pool, async (client) => {
      await exportsTable.addExport(client, HOME_STUDIO_ID, {
        ...{ id: home.exportId, jobId: home.jobId, document: job },
        ...{ what: 'ticket', format: 'csv' },
      });
      await exportsTable.addExportFiles(client, HOME_STUDIO_ID, home.exportId, [
        { name: 'home.csv', mime: 'text/csv', bytes: Buffer.from('kept') },
      ]);
    });
    await inTransaction(pool, (client) => openStudio(client, NEIGHBOUR, { ...shop, studioName: 'Next door' }));
    const app = makeApp({
      ...{ pool, url: process.env.DATABASE_URL!, boss: serving.boss, webDir: null },
      findStudio: () => NEIGHBOUR,
    });
    server = await listen(app, 0, '127.0.0.1');
    base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });

  async function ask(method: string, path: string, sent?: unknown): Promise<{ status: number; text: string }> {
    const response = await fetch(`${base}${path}`, {
      method,
      ...(sent === undefined ? {} : { body: JSON.stringify(sent), headers: { 'Content-Type': 'application/json' } }),
    });
    const bytes = Buffer.from(await response.arrayBuffer());
    // A backup is a gzip, in which nothing can be read or missed.
    const packed = bytes[0] === 0x1f && bytes[1] === 0x8b;
    return { status: response.status, text: (packed ? gunzipSync(bytes) : bytes).toString() };
  }

  /** Every row of home, to be the same before and after. */
  const rowsAtHome = async (): Promise<string> => {
    const kept = [];
    for (const table of TABLES) {
      const column = table === 'studios' ? 'id' : 'studio_id';
      const { rows } = await serving.pool.query(
        `select to_jsonb(t) as row from ${table} t where ${column} = $1 order by to_jsonb(t)::text`,
        [HOME_STUDIO_ID],
      );
      kept.push([table, rows]);
    }
    return JSON.stringify(kept);
  };

  const sheet = { id: 's', widthMm: 210, heightMm: 297, marginsMm: { top: 5, right: 5, bottom: 5, left: 5 } };
  const emptyOrder = {
    ...{ feed: { printerId: 'gull', pathId: 'rear' }, own: [], flipEdge: 'long', grain: 'ignore' },
    sheets: [{ ...sheet, cost: 1, most: null }],
    patterns: [
      {
        ...{ times: 1, sheetId: 's' },
        placements: [{ id: 'p', xMm: 10, yMm: 10, widthMm: 50, heightMm: 50, turned: false }],
      },
    ],
  };

  /** Every route that there is, as a neighbour who knows the names of what stands at home might use it. */
  const ROUTES: readonly (readonly [method: string, path: string, status: number, sent?: () => unknown])[] = [
    ['GET', '/api/jobs', 200],
    ['POST', '/api/jobs', 422, () => ({ id: randomUUID(), document: job })],
    [
      'POST',
      '/api/jobs/file',
      422,
      () => ({ id: randomUUID(), file: { ...job, pictures: { sea: job.pictures.sea } } }),
    ],
    ['GET', '/api/jobs/:job', 404],
    ['PUT', '/api/jobs/:job', 404, () => ({ version: 1, document: newJob('Taken over', workshop) })],
    ['DELETE', '/api/jobs/:job', 404],
    ['POST', '/api/jobs/:away/back', 404],
    ['GET', '/api/jobs/:job/faces/front.png?width=600&height=800&dpi=300', 404],
    ['GET', '/api/jobs/:job/pixels.zip?dpi=300&shows=art', 404],
    ['GET', '/api/jobs/:job/file', 404],
    ['GET', '/api/pictures/:sha256', 404],
    ['GET', '/api/pictures/:sha256/outline?name=sea.svg&widthPx=60', 404],
    ['POST', '/api/pictures?name=x.png', 422, () => 'no picture'],
    ['GET', '/api/pictures/inks', 200],
    ['POST', '/api/workshop/scan?asked={"kind":"cards","firstBytes":1}', 422, () => 'no scan'],
    ['GET', '/api/typefaces', 200],
    ['GET', '/api/typefaces/:typeface', 404],
    ['DELETE', '/api/typefaces/:typeface', 404],
    ['POST', '/api/typefaces?name=x.ttf', 422, () => 'no typeface'],
    ['POST', '/api/runs', 404, () => ({ id: randomUUID(), jobId: home.jobId })],
    ['GET', '/api/runs/timed', 200],
    ['GET', '/api/runs/log', 200],
    ['GET', '/api/runs/:run', 404],
    ['POST', '/api/runs/:run/events', 404, () => ({ id: randomUUID(), kind: 'good' })],
    ['GET', '/api/shelf', 200],
    [
      'POST',
      '/api/shelf/movements',
      404,
      () => ({ id: randomUUID(), shelf: 'stocks', thingId: 'only-at-home', cause: 'bought', change: 5 }),
    ],
    ['POST', '/api/exports', 404, () => ({ jobId: home.jobId, what: 'ticket', format: 'csv' })],
    ['GET', '/api/exports/:export', 404],
    ['DELETE', '/api/exports/:export', 404],
    ['GET', '/api/exports/:export/files/0', 404],
    ['GET', '/api/workshop', 200],
    ['GET', '/api/workshop/uses', 200],
    ['PUT', '/api/workshop', 200, () => ({ version: (saves += 1), workshop: { ...shop, studioName: 'Next door' } })],
    ['GET', '/api/workshop/calibration.pdf?printer=none&path=none&stock=none', 404],
    ['GET', '/api/workshop/gauge.pdf?stock=none', 404],
    ['GET', '/api/backups', 200],
    ['GET', '/api/backups/now', 200],
    ['POST', '/api/backups/restore?mode=neither', 400],
    ['POST', '/api/shared/pdf', 404, () => ({ ...emptyOrder, jobIds: [home.jobId] })],
  ];

  it('no route of one gives, changes or names anything of the other', async () => {
    const before = await rowsAtHome();
    // Whether the studio is found for a request, or stands in its address.
    const both = ['/api', `/api/studios/${NEIGHBOUR}`].flatMap((root) => ROUTES.map((route) => [root, route] as const));
    for (const [root, [method, path, status, sent]] of both) {
      const named = path
        .replace('/api', root)
        .replace(':job', home.jobId)
        .replace(':away', home.awayId)
        .replace(':run', home.runId)
        .replace(':export', home.exportId)
        .replace(':sha256', home.sha256)
        .replace(':typeface', home.typeface);
      const answer = await ask(method, named, sent?.());
      expect(answer.status, `${method} ${path}: ${answer.text.slice(0, 200)}`).to.equal(status);
      expect(answer.text, `${method} ${path}`).to.not.contain('at home');
      expect(answer.text, `${method} ${path}`).to.not.contain(workshop.studioName);
    }
    expect(await rowsAtHome()).to.equal(before);
  });

  it('is tried on every route of a studio that the server has', () => {
    const folder = new URL('../src/', import.meta.url);
    const app = readFileSync(new URL('app.ts', folder), 'utf8');
    const served = [...app.matchAll(/ {4}\.use\('(\/[^']*)', (\w+)\(/g)].flatMap(([, mount, routes]) => {
      const file = readdirSync(new URL('routes/', folder)).find((name) =>
        readFileSync(new URL(`routes/${name}`, folder), 'utf8').includes(`export function ${routes}(`),
      )!;
      const text = readFileSync(new URL(`routes/${file}`, folder), 'utf8');
      return [...text.matchAll(/router\.(get|post|put|delete|patch)\('([^']*)'/g)].map(
        ([, method, path]) => `${method!.toUpperCase()} /api${mount}${path === '/' ? '' : path}`,
      );
    });
    expect(served.length).to.be.greaterThan(20);
    /** Parts of a path that stand for something, as one sign. */
    const plain = (route: string): string =>
      route
        .replace(/\?.*/, '')
        .replace(/:\w+/g, '*')
        .replace('/front.png', '/*.png')
        .replace(/files\/\d+/, 'files/*');
    const tried = new Set(ROUTES.map(([method, path]) => plain(`${method} ${path}`)));
    expect(served.map(plain).filter((route) => !tried.has(route))).to.deep.equal([]);
  });

  it('may use the same ids, and each finds, changes, counts and puts away its own', async () => {
    const { pool } = serving;
    const before = await rowsAtHome();
    const benchAtHome = (await runsTable.benchByJob(pool, HOME_STUDIO_ID)).find(({ jobId }) => jobId === home.jobId);
    const own = newJob('Next door’s own', workshop);
    expect((await ask('POST', '/api/jobs', { id: home.jobId, document: own })).status).to.equal(201);
    const renamed = changeJob(own, [decide((job) => job.brief.title, 'Next door’s second thought')]);
    expect((await ask('PUT', `/api/jobs/${home.jobId}`, { version: 1, document: renamed })).status).to.equal(200);
    expect((await ask('POST', '/api/runs', { id: home.runId, jobId: home.jobId })).status).to.equal(201);
    for (const cards of [3, 4])
      expect(
        (await ask('POST', `/api/runs/${home.runId}/events`, { id: randomUUID(), kind: 'good', cards })).status,
      ).to.equal(201);
    const bench = await runsTable.benchByJob(pool, NEIGHBOUR);
    expect(bench.map(({ jobId, good }) => [jobId, good])).to.deep.equal([[home.jobId, 7]]);
    expect((await runsTable.benchByJob(pool, HOME_STUDIO_ID)).find(({ jobId }) => jobId === home.jobId)).to.deep.equal(
      benchAtHome,
    );
    expect((await findBenchLog(pool, NEIGHBOUR)).good).to.equal(7);
    expect((await ask('DELETE', `/api/jobs/${home.jobId}`)).status).to.equal(204);
    expect((await jobs.findJob(pool, HOME_STUDIO_ID, home.jobId))!.document.brief.title).to.equal('Kept at home');
    expect(await rowsAtHome()).to.equal(before);
  });

  it('share no key and no reference: each begins with the studio', async () => {
    const { rows: tables } = await serving.pool.query<{ table: string }>(
      `select table_name as table from information_schema.columns
       where table_schema = 'public' and column_name = 'studio_id' order by 1`,
    );
    expect(tables.map(({ table }) => table)).to.include.members(['jobs', 'runs', 'exports', 'pictures']);
    for (const { table } of tables) {
      const { rows } = await serving.pool.query<{ kind: string; columns: string[]; to: string | null }>(
        `select c.contype as kind, c.confrelid::regclass::text as to,
           array(select a.attname::text from unnest(c.conkey) with ordinality k (n, i)
             join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.n order by k.i) as columns
         from pg_constraint c where c.conrelid = $1::regclass and c.contype in ('p', 'f', 'u')`,
        [table],
      );
      expect(
        rows.some(({ kind }) => kind === 'p'),
        table,
      ).to.equal(true);
      for (const { columns, to } of rows) expect(columns[0], `${table} → ${to ?? 'key'}`).to.equal('studio_id');
    }
  });
});
