import { execFileSync } from 'node:child_process';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable, Writable } from 'node:stream';
import { setTimeout as pause } from 'node:timers/promises';
import { gunzipSync, gzipSync } from 'node:zlib';
import { expect } from 'chai';
import type pg from 'pg';
import sharp from 'sharp';
import { pack } from 'tar-stream';
import { decide, changeJob, newJob, type Job } from '@zippy/core';
import type { StoredWorkshop } from '@zippy/core/job-file';
import { dailyBackup, letOldGo, listBackups } from '../src/backup/datedBackup.ts';
import { restoreBackup, type Restored, type RestoreMode } from '../src/backup/restoreBackup.ts';
import { BackupRefused, FORMAT_VERSION } from '../src/backup/types.ts';
import { writeBackup } from '../src/backup/writeBackup.ts';
import { readPicture } from '../src/pictures/readPicture.ts';
import { addJob, findJob, listJobs, removeJob, saveJob } from '../src/tables/jobs.ts';
import { readOwnTypeface } from '../src/typefaces/readOwnTypeface.ts';
import { addTypeface } from '../src/tables/typefaces.ts';
import { addMovement, takeForRun } from '../src/tables/movements.ts';
import { addPicture, findPreview } from '../src/tables/pictures.ts';
import { addRunEvent } from '../src/tables/runs.ts';
import { THING_NAMES } from '../src/tables/things.ts';
import { inTransaction } from '../src/tables/types.ts';
import { findWorkshop } from '../src/workshop/loadWorkshop.ts';
import { saveWorkshop } from '../src/workshop/saveWorkshop.ts';
import { HOME_STUDIO_ID } from '../src/studio.ts';
import { otherDatabase } from './otherStudio.ts';
import { Serving } from './serving.ts';
import { workshop } from './support.ts';

/** A sink that keeps what it is given, and can be held. */
class Shelf extends Writable {
  readonly pieces: Buffer[] = [];
  held: (() => void) | null = null;
  holding = false;
  override _write(piece: Buffer, _encoding: string, taken: () => void): void {
    this.pieces.push(piece);
    if (this.holding) this.held = taken;
    else taken();
  }
  get size(): number {
    return this.pieces.reduce((sum, { length }) => sum + length, 0);
  }
  letGo(): void {
    this.holding = false;
    this.held?.();
  }
}

async function backupOf(pool: pg.Pool): Promise<Buffer> {
  const shelf = new Shelf();
  await writeBackup(pool, HOME_STUDIO_ID, shelf);
  return Buffer.concat(shelf.pieces);
}

const restore = (pool: pg.Pool, bytes: Buffer, mode: RestoreMode = 'beside'): Promise<Restored> =>
  restoreBackup(pool, HOME_STUDIO_ID, Readable.from([bytes]), {
    mode,
    readers: { picture: readPicture, typeface: readOwnTypeface },
  });

const save = (pool: pg.Pool, studioId: string, shop: StoredWorkshop, version: number): Promise<number | null> =>
  inTransaction(pool, (client) => saveWorkshop(client, studioId, shop, version));

async function refusal(pool: pg.Pool, bytes: Buffer): Promise<string> {
  try {
    await restore(pool, bytes, 'instead');
  } catch (problem) {
    if (problem instanceof BackupRefused) return problem.message;
    throw problem;
  }
  return 'it was taken';
}

/** Every row there is, as the database says it. */
async function everything(pool: pg.Pool): Promise<string> {
  const tables = ['studios', 'rates', 'jobs', 'job_revisions', 'runs', 'run_events', 'movements', ...THING_NAMES];
  const said = [];
  for (const table of tables) {
    // A thing's version counts what was written in this database; a page asks for the workshop's alone.
    const row =
      table === 'rates' || (THING_NAMES as readonly string[]).includes(table)
        ? `(to_jsonb(${table}) - 'version')`
        : // Who is in which studio is of this machine, and what was brought back is nobody’s demo.
          table === 'studios'
          ? `(to_jsonb(studios) - 'entered_at' - 'is_demo')`
          : table;
    said.push((await pool.query<{ row: string }>(`select ${row}::text as row from ${table} order by 1`)).rows);
  }
  said.push((await pool.query('select sha256, name, facts, md5(bytes) from typefaces order by 1')).rows);
  // When a picture came in is kept to the second.
  said.push(
    (await pool.query('select sha256, md5(bytes), md5(preview), preview_mime, width_px from pictures order by 1')).rows,
  );
  return JSON.stringify(said);
}

/** Entries of a backup as Debian’s own tar writes them out, changed, and put together again by another hand. */
async function rewritten(bytes: Buffer, change: (entries: Map<string, Buffer>) => void): Promise<Buffer> {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-tar-'));
  writeFileSync(join(folder, 'all.tar'), gunzipSync(bytes));
  const names = execFileSync('tar', ['tf', 'all.tar'], { cwd: folder }).toString().trim().split('\n');
  execFileSync('tar', ['xf', 'all.tar'], { cwd: folder });
  const entries = new Map(names.map((name) => [name, readFileSync(join(folder, name))]));
  rmSync(folder, { recursive: true });
  change(entries);
  const archive = pack();
  for (const [name, body] of entries) archive.entry({ name }, body);
  archive.finalize();
  const pieces: Buffer[] = [];
  for await (const piece of archive) pieces.push(piece as Buffer);
  return gzipSync(Buffer.concat(pieces));
}

const drawing = (width: number): Buffer =>
  Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} 9"><rect width="9" height="9"/></svg>`);
const titled = (title: string): Job => newJob(title, workshop);
const sha = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

describe('backup and restore', () => {
  const serving = new Serving();
  let other: Awaited<ReturnType<typeof otherDatabase>>;
  beforeEach(async () => (other = await otherDatabase(serving.pool)));
  afterEach(() => other.drop());

  it('brings everything back byte for byte into an empty studio, odd letters and put-away jobs too', async () => {
    const { rows: runs } = await serving.pool.query<{ id: string }>('select id from runs limit 1');
    await addRunEvent(serving.pool, HOME_STUDIO_ID, runs[0]!.id, {
      ...{ id: randomUUID(), kind: 'note', cards: 1, cause: null, stepId: null, undoes: null, at: null },
      detail: { kind: 'note', about: 'weather', text: 'Damp, 70 % – “sticky”' },
    });
    const photo = await sharp({ create: { width: 90, height: 60, channels: 3, background: '#2a5d68' } })
      .jpeg()
      .toBuffer();
    const picture = await readPicture('quay.jpg', photo);
    await addPicture(serving.pool, HOME_STUDIO_ID, picture);
    // More than are looked at in one go.
    for (let n = 1; n <= 120; n += 1)
      await addPicture(serving.pool, HOME_STUDIO_ID, await readPicture(`buoy-${n}.svg`, drawing(300 + n)));
    const signal = readFileSync(new URL('files/signal.otf', import.meta.url));
    await addTypeface(serving.pool, HOME_STUDIO_ID, await readOwnTypeface('signal.otf', signal));
    const id = randomUUID();
    const job = changeJob(titled('Möwen & “tides” 🦭'), [decide((job) => job.pictures, { quay: picture.ref })]);
    await addJob(serving.pool, HOME_STUDIO_ID, id, job);
    await saveJob(serving.pool, HOME_STUDIO_ID, id, titled('second thoughts'), 1);
    const away = randomUUID();
    await addJob(serving.pool, HOME_STUDIO_ID, away, titled('put away'));
    await removeJob(serving.pool, HOME_STUDIO_ID, away);

    // What was bought, with its price, its lot and a word, and what a run has taken off the shelf.
    await addMovement(serving.pool, HOME_STUDIO_ID, {
      ...{ id: randomUUID(), shelf: 'trimmings', thingId: workshop.trimmings[0]!.id, cause: 'bought', change: 20 },
      ...{ priceMinor: 1249, lot: 'Möwe 7', note: 'a “second” tin', at: null },
    });
    const bows = [{ shelf: 'trimmings' as const, thingId: workshop.trimmings[0]!.id, made: 3, spoiled: 2 }];
    await inTransaction(serving.pool, (client) => takeForRun(client, HOME_STUDIO_ID, randomUUID(), bows));

    const bytes = await backupOf(serving.pool);
    const came = await restore(other.pool, bytes);
    expect(came).to.include({ same: 0, beside: 0, things: 0 });
    expect(came.jobs).to.equal((await serving.pool.query('select from jobs')).rowCount);
    expect(await everything(other.pool)).to.equal(await everything(serving.pool));
    // And what is written of it again is the same file.
    expect((await backupOf(other.pool)).equals(bytes)).to.equal(true);
    expect(
      (await findPreview(other.pool, HOME_STUDIO_ID, picture.ref.sha256))!.bytes.equals(picture.preview.bytes),
    ).to.equal(true);
  });

  it('is an archive that any program opens: plain JSON, and pictures as they came in', async () => {
    const drawing = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><rect width="9" height="9"/></svg>',
    );
    const picture = await readPicture('buoy.svg', drawing);
    await addPicture(serving.pool, HOME_STUDIO_ID, picture);
    const response = await fetch(`${serving.base}/backups/now`);
    expect(response.headers.get('content-disposition')).to.match(/filename="?saltmarsh-lane-\d{4}-\d\d-\d\d\.tar\.gz/);
    const bytes = Buffer.from(await response.arrayBuffer());
    await rewritten(bytes, (entries) => {
      expect([...entries.keys()].slice(0, 2)).to.deep.equal(['studio.json', 'workshop.json']);
      expect(entries.get(`pictures/${picture.ref.sha256}.svg`)!.equals(picture.bytes)).to.equal(true);
      const shop = JSON.parse(entries.get('workshop.json')!.toString()) as { studioName: string };
      expect(shop.studioName).to.equal('Saltmarsh Lane');
      expect(JSON.parse([...entries].at(-1)![1].toString())).to.include.keys('jobs', 'revisions', 'runs', 'pictures');
    });
  });

  it('stands beside what is there and writes over nothing', async () => {
    const [kept, changed, lost] = [randomUUID(), randomUUID(), randomUUID()];
    for (const id of [kept, changed, lost])
      await addJob(serving.pool, HOME_STUDIO_ID, id, titled(`job ${id.slice(0, 4)}`));
    const before = (await findWorkshop(serving.pool, HOME_STUDIO_ID))!;
    const bytes = await backupOf(serving.pool);
    await saveJob(serving.pool, HOME_STUDIO_ID, changed, titled('newer'), 1);
    await removeJob(serving.pool, HOME_STUDIO_ID, kept);
    await serving.pool.query('delete from job_revisions where job_id = $1', [lost]);
    await serving.pool.query('delete from jobs where id = $1', [lost]);
    // A stock gone from the shelf, and another dearer.
    const [gone, dearer, ...rest] = before.workshop.stocks;
    const shop = { ...before.workshop, hourlyMinor: 4321, stocks: [{ ...dearer!, sheetPriceMinor: 99_999 }, ...rest] };
    await save(serving.pool, HOME_STUDIO_ID, shop, before.version);

    const came = await restore(serving.pool, bytes);
    expect(came).to.include({ jobs: 1, beside: 1, things: 1, pictures: 0, runs: 0 });
    const jobs = await listJobs(serving.pool, HOME_STUDIO_ID);
    expect(jobs.find(({ id }) => id === changed)!.document.brief.title).to.equal('newer');
    expect(jobs.map(({ document }) => document.brief.title)).to.include(`job ${changed.slice(0, 4)} (from the backup)`);
    expect(jobs.map(({ id }) => id)).to.include.members([kept, lost]);
    const now = (await findWorkshop(serving.pool, HOME_STUDIO_ID))!.workshop;
    expect(now).to.deep.include({ hourlyMinor: 4321 });
    expect(now.stocks.find(({ id }) => id === dearer!.id)!.sheetPriceMinor).to.equal(99_999);
    expect(now.stocks.at(-1)).to.deep.equal(gone);
    // Once more adds nothing: the copy of what differs stands beside already.
    expect(await restore(serving.pool, bytes)).to.include({ jobs: 0, things: 0, beside: 0 });
    const { version } = (await findWorkshop(serving.pool, HOME_STUDIO_ID))!;
    await save(serving.pool, HOME_STUDIO_ID, before.workshop, version);
  });

  it('takes what was on the shelves from their movements, and knows when the two disagree', async () => {
    const bytes = await backupOf(serving.pool);
    const { workshop: shop } = (await findWorkshop(serving.pool, HOME_STUDIO_ID))!;
    const { id } = shop.stocks.find(({ onShelf }) => onShelf > 0)!;
    const missing = await rewritten(bytes, (entries) => {
      const part = JSON.parse(entries.get('movements/000001.json')!.toString()) as {
        thingId: string;
        change: number;
      }[];
      part.find(({ thingId }) => thingId === id)!.change += 3;
      entries.set('movements/000001.json', Buffer.from(JSON.stringify(part)));
    });
    expect(await refusal(other.pool, missing)).to.match(
      new RegExp(`says \\d+ of ${id} and its movements come to \\d+`),
    );
    // Of the first format, which had none, and no typefaces: the count that it says is what there was to begin with.
    const old = await rewritten(bytes, (entries) => {
      entries.set(
        'studio.json',
        Buffer.from(
          entries.get('studio.json')!.toString().replace(`"formatVersion": ${FORMAT_VERSION}`, '"formatVersion": 1'),
        ),
      );
      entries.delete('movements/000001.json');
      for (const name of [...entries.keys()].filter((name) => name.startsWith('typefaces/'))) entries.delete(name);
      const {
        movements: _none,
        typefaces: _nor,
        ...end
      } = JSON.parse(entries.get('end.json')!.toString()) as Record<string, number>;
      entries.set('end.json', Buffer.from(JSON.stringify(end)));
    });
    await restore(other.pool, old);
    expect((await findWorkshop(other.pool, HOME_STUDIO_ID))!.workshop).to.deep.equal(shop);
    const { rows } = await other.pool.query('select distinct cause from movements');
    expect(rows).to.deep.equal([{ cause: 'opening' }]);
  });

  it('brings what was taken off the shelf since back with its count, and lets what was counted since be', async () => {
    const bytes = await backupOf(serving.pool);
    await restore(other.pool, bytes);
    const then = (await findWorkshop(other.pool, HOME_STUDIO_ID))!;
    const [kept, ...rest] = then.workshop.stocks;
    const [gone] = rest.splice(
      rest.findIndex(({ onShelf }) => onShelf > 0),
      1,
    );
    const since = { ...then.workshop, stocks: [{ ...kept!, onShelf: kept!.onShelf + 5 }, ...rest] };
    await save(other.pool, HOME_STUDIO_ID, since, then.version);
    await restore(other.pool, bytes);
    const { workshop: joined } = (await findWorkshop(other.pool, HOME_STUDIO_ID))!;
    expect(joined.stocks).to.deep.equal([...since.stocks, gone]);
  });

  it('takes the place of what is there when asked to', async () => {
    const bytes = await backupOf(serving.pool);
    await restore(other.pool, bytes);
    const extra = randomUUID();
    await addJob(other.pool, HOME_STUDIO_ID, extra, titled('made since'));
    const studio = (await findWorkshop(other.pool, HOME_STUDIO_ID))!;
    await save(other.pool, HOME_STUDIO_ID, { ...studio.workshop, hourlyMinor: 1 }, studio.version);
    await restore(other.pool, bytes, 'instead');
    expect(await findJob(other.pool, HOME_STUDIO_ID, extra)).to.equal(null);
    const after = (await findWorkshop(other.pool, HOME_STUDIO_ID))!;
    expect(after.workshop).to.deep.equal(studio.workshop);
    // A page that still holds the workshop of before is told so.
    expect(after.version).to.be.above(studio.version);
    const { rows } = await other.pool.query('select count(*)::int as n from jobs');
    expect(rows[0]).to.deep.equal({ n: (await serving.pool.query('select from jobs')).rowCount });
  });

  it('takes all of a file or nothing', async () => {
    const bytes = await backupOf(serving.pool);
    await restore(other.pool, bytes);
    const before = await everything(other.pool);
    for (const share of [0, 0.01, 0.3, 0.6, 0.9, 0.99])
      expect(await refusal(other.pool, bytes.subarray(0, Math.floor(bytes.length * share)))).to.match(
        /nothing was changed/,
      );
    // The last bytes are a checksum.
    expect(await refusal(other.pool, bytes.subarray(0, -4))).to.match(/breaks off/);
    const flipped = Buffer.from(bytes);
    // Some bits of a packed stream are padding, so one alone may say nothing.
    const middle = Math.floor(bytes.length / 2);
    for (let at = middle; at < middle + 8; at += 1) flipped[at]! ^= 0x10;
    expect(await refusal(other.pool, flipped)).to.not.equal('it was taken');
    expect(await refusal(other.pool, Buffer.from('{"title":"a job file"}'))).to.match(/no backup of a studio/);
    const aJob = (entries: Map<string, Buffer>): string =>
      [...entries.keys()].find((name) => name.startsWith('jobs/'))!;
    const edit = async (change: (entries: Map<string, Buffer>) => void): Promise<string> =>
      refusal(other.pool, await rewritten(bytes, change));
    expect(await edit((entries) => entries.delete(aJob(entries)))).to.match(/belongs to no job|should hold/);
    // Moments and numbers that the database cannot hold are the file's fault, and said so.
    for (const [from, to] of [
      [/"createdAt": "\d{4}-/, '"createdAt": "0000-'],
      [/"version": \d+/, '"version": 3000000000'],
    ] as const)
      expect(
        await edit((entries) =>
          entries.set(aJob(entries), Buffer.from(entries.get(aJob(entries))!.toString().replace(from, to))),
        ),
      ).to.match(/^jobs\/.* cannot be used/);
    expect(
      await edit((entries) => entries.delete([...entries.keys()].find((name) => name.startsWith('runs/'))!)),
    ).to.match(/should hold (\d+) runs and holds (?!\1)\d+;/);
    expect(await edit((entries) => entries.delete('end.json'))).to.match(/breaks off/);
    expect(await edit((entries) => entries.delete('studio.json'))).to.match(/does not begin/);
    expect(await edit((entries) => entries.set('jobs/../x.json', Buffer.from('{}')))).to.match(
      /no backup of a studio holds/,
    );
    expect(
      await edit((entries) =>
        entries.set(
          'studio.json',
          Buffer.from(
            entries
              .get('studio.json')!
              .toString()
              .replace(`"formatVersion": ${FORMAT_VERSION}`, `"formatVersion": ${FORMAT_VERSION + 1}`),
          ),
        ),
      ),
    ).to.match(/newer version/);
    expect(
      await edit((entries) =>
        entries.set(
          aJob(entries),
          Buffer.from(
            entries
              .get(aJob(entries))!
              .toString()
              .replace(/"wanted": \d+/, '"wanted": -3'),
          ),
        ),
      ),
    ).to.match(/jobs\/.*wanted/);
    expect(
      await edit((entries) =>
        entries.set(
          aJob(entries),
          Buffer.from(entries.get(aJob(entries))!.toString().replace('"brief": {', '"brief": {"__proto__": 1,')),
        ),
      ),
    ).to.match(/a name in it that is not taken/);
    expect(
      await edit((entries) => {
        const name = [...entries.keys()].find((one) => one.startsWith('pictures/'))!;
        entries.set(name, Buffer.concat([entries.get(name)!, Buffer.from(' ')]));
      }),
    ).to.match(/damaged/);
    expect(await everything(other.pool)).to.equal(before);
  });

  it('trusts no picture for standing in a backup: a drawing that reaches out is cleaned, and the job shows the clean one', async () => {
    const evil = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><script>alert(1)</script><rect width="9" height="9"/></svg>',
    );
    const mild = await readPicture(
      'mild.svg',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 7 7"><rect width="7" height="7"/></svg>'),
    );
    await addPicture(serving.pool, HOME_STUDIO_ID, mild);
    const id = randomUUID();
    await addJob(
      serving.pool,
      HOME_STUDIO_ID,
      id,
      changeJob(titled('evil'), [decide((job) => job.pictures, { a: mild.ref })]),
    );
    const bytes = await rewritten(await backupOf(serving.pool), (entries) => {
      const all = [...entries].map(([name, body]) => {
        const as = name.replace(mild.ref.sha256, sha(evil));
        if (as !== name) return [as, evil] as const;
        return name.endsWith('.json')
          ? ([name, Buffer.from(body.toString().replaceAll(mild.ref.sha256, sha(evil)))] as const)
          : ([name, body] as const);
      });
      entries.clear();
      for (const [name, body] of all) entries.set(name, body);
    });
    const came = await restore(other.pool, bytes);
    expect(came.lost).to.deep.equal([]);
    const shown = (await findJob(other.pool, HOME_STUDIO_ID, id))!.document.pictures.a!.sha256;
    expect(shown).to.not.equal(sha(evil));
    const stored = (await findPreview(other.pool, HOME_STUDIO_ID, shown))!.bytes.toString();
    expect(stored).to.contain('<rect').and.not.contain('script');
    expect(await findPreview(other.pool, HOME_STUDIO_ID, sha(evil))).to.equal(null);
  });

  it('is of one moment, and waits for whoever takes it: 24 MB of picture are never all in memory', async () => {
    const noise = await sharp(randomBytes(2000 * 4000 * 3), { raw: { width: 2000, height: 4000, channels: 3 } })
      .png({ compressionLevel: 0 })
      .toBuffer();
    const picture = await readPicture('noise.png', noise);
    await addPicture(serving.pool, HOME_STUDIO_ID, picture);
    const shelf = new Shelf();
    shelf.holding = true;
    const writing = writeBackup(serving.pool, HOME_STUDIO_ID, shelf);
    // Long enough to have gone on, had it not been held: what is written later would be written by now.
    for (let looks = 0; looks < 20; looks += 1) await pause(30);
    expect(shelf.size).to.be.below(2_000_000);
    const late = randomUUID();
    await addJob(serving.pool, HOME_STUDIO_ID, late, titled('saved meanwhile'));
    shelf.letGo();
    await writing;
    await rewritten(Buffer.concat(shelf.pieces), (entries) => {
      expect(entries.has(`jobs/${late}.json`)).to.equal(false);
      expect(entries.get(`pictures/${picture.ref.sha256}.png`)!.equals(picture.bytes)).to.equal(true);
    });
    await serving.pool.query('delete from pictures where sha256 = $1', [picture.ref.sha256]);
  });

  it('takes a hundred and thirty jobs of four revisions each out and in again', async () => {
    const source = await otherDatabase(serving.pool);
    try {
      await restore(source.pool, await backupOf(serving.pool), 'beside');
      for (let i = 0; i < 130; i += 1) {
        const id = randomUUID();
        await addJob(source.pool, HOME_STUDIO_ID, id, titled(`tide table ${i}`));
        for (let version = 1; version < 4; version += 1)
          await saveJob(source.pool, HOME_STUDIO_ID, id, titled(`tide table ${i}, thought ${version}`), version);
      }
      const bytes = await backupOf(source.pool);
      const came = await restore(other.pool, bytes);
      expect(came.jobs).to.be.at.least(130);
      expect(await everything(other.pool)).to.equal(await everything(source.pool));
      expect((await backupOf(other.pool)).equals(bytes)).to.equal(true);
    } finally {
      await source.drop();
    }
  });

  describe('dated backups', () => {
    let folder: string;
    beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'zippy-dated-'))));
    afterEach(() => rmSync(folder, { recursive: true }));
    const day = (n: number): Date => new Date(2026, 10, n, 12);

    it('are made once a day, seven are kept, and other files in the folder are let be', async () => {
      writeFileSync(join(folder, 'my-own.tar.gz'), 'mine');
      for (let n = 1; n <= 9; n += 1) {
        expect(await dailyBackup(serving.pool, HOME_STUDIO_ID, folder, day(n))).to.equal(true);
        expect(await dailyBackup(serving.pool, HOME_STUDIO_ID, folder, day(n))).to.equal(false);
      }
      const days = [3, 4, 5, 6, 7, 8, 9].map((n) => `studio-2026-11-0${n}.tar.gz`);
      expect(readdirSync(folder).sort()).to.deep.equal(['my-own.tar.gz', ...days]);
      expect((await listBackups(folder)).map(({ name }) => name).sort()).to.deep.equal(days);
      // A maker’s customers are in it.
      expect(statSync(join(folder, days[0]!)).mode & 0o077).to.equal(0);
      await restore(other.pool, readFileSync(join(folder, days[0]!)));
      expect(await everything(other.pool)).to.equal(await everything(serving.pool));
    });

    it('are made once where two ask at the same moment, and leave nothing half written', async () => {
      await Promise.all([1, 2, 3].map(() => dailyBackup(serving.pool, HOME_STUDIO_ID, folder, day(1))));
      expect(readdirSync(folder)).to.deep.equal(['studio-2026-11-01.tar.gz']);
      await restore(other.pool, readFileSync(join(folder, 'studio-2026-11-01.tar.gz')));
    });

    it('let nothing old go for one that could not be written', async () => {
      for (let n = 1; n <= 7; n += 1) await dailyBackup(serving.pool, HOME_STUDIO_ID, folder, day(n));
      const failing = {
        query: () => Promise.resolve({ rows: [{ workshop: {}, workshop_version: 1 }] }),
        connect: () => Promise.reject(new Error('no space left')),
      } as unknown as pg.Pool;
      let said = '';
      await dailyBackup(failing, HOME_STUDIO_ID, folder, day(8)).catch((problem: Error) => (said = problem.message));
      expect(said).to.equal('no space left');
      await letOldGo(folder);
      expect(readdirSync(folder)).to.have.length(7);
    });
  });

  it('is brought back over HTTP, and says in a sentence what came of it', async () => {
    const bytes = await backupOf(serving.pool);
    const send = async (mode: string, body: Buffer): Promise<{ status: number; said?: string; message?: string }> => {
      const response = await fetch(`${serving.base}/backups/restore?mode=${mode}`, {
        method: 'POST',
        body: new Uint8Array(body),
      });
      return { status: response.status, ...((await response.json()) as object) };
    };
    expect(await send('beside', bytes)).to.deep.include({ status: 200 });
    expect((await send('beside', bytes)).said).to.match(/^Nothing of it was missing here\. \d+ jobs are here already/);
    expect(await send('beside', bytes.subarray(0, 900))).to.deep.include({ status: 422 });
    expect(await send('over', bytes)).to.deep.include({ status: 400, message: 'mode wants beside or instead.' });
  });
});
