import { randomUUID } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect } from 'chai';
import fc from 'fast-check';
import { runner } from 'node-pg-migrate';
import type pg from 'pg';
import { newJob, planJob, type Calibration, type Run, type Workshop } from '@zippy/core';
import type { StoredWorkshop } from '@zippy/core/job-file';
import { loadFonts } from '../src/exports/fonts.ts';
import { HOME_STUDIO_ID } from '../src/studio.ts';
import { listDoors } from '../src/tables/studios.ts';
import { THING_NAMES } from '../src/tables/things.ts';
import { inTransaction } from '../src/tables/types.ts';
import { findWorkshop } from '../src/workshop/loadWorkshop.ts';
import { openStudio, saveWorkshop } from '../src/workshop/saveWorkshop.ts';
import { otherDatabase } from './otherStudio.ts';
import { Serving } from './serving.ts';
import { workshop } from './support.ts';

const { spoilLog: _counted, ...demo } = workshop;

const calibration = (id: string): Calibration => ({
  ...{
    id,
    day: '2026-11-02',
    gsm: 300,
    sheetWidthMm: 210,
    sheetHeightMm: 297,
    flipEdge: 'long',
    laidBack: 'as it came',
  },
  marginsMm: { top: 5, right: 5, bottom: 5, left: 5 },
  readings: {
    ...{ ruleAcrossMm: 100, ruleDownMm: 99.5, edges: null, arrows: 'same' },
    crosses: Object.fromEntries(
      ['topLeft', 'topRight', 'bottomLeft', 'bottomRight'].map((cross) => [cross, { rightMm: 0.5, lowMm: -0.3 }]),
    ) as unknown as Calibration['readings']['crosses'],
  },
  setAside: false,
});

/** A workshop of other things than the last one, in another order, with the same few ids used again and again. */
const shops: fc.Arbitrary<StoredWorkshop> = fc
  .record({
    stocks: fc.uniqueArray(fc.tuple(fc.integer({ min: 0, max: 5 }), fc.nat(40), fc.nat(3)), {
      ...{ minLength: 1, selector: ([id]: [number, number, number]) => id },
    }),
    envelopes: fc.uniqueArray(fc.tuple(fc.integer({ min: 0, max: 3 }), fc.nat(9)), { selector: ([id]) => id }),
    printers: fc.uniqueArray(fc.tuple(fc.integer({ min: 0, max: 2 }), fc.nat(2), fc.nat(2)), {
      ...{ minLength: 1, selector: ([id]: [number, number, number]) => id },
    }),
    trimmings: fc.uniqueArray(fc.tuple(fc.integer({ min: 0, max: 3 }), fc.nat(9)), { selector: ([id]) => id }),
    hourlyMinor: fc.nat(3),
    keepOffcutMm: fc.option(fc.nat(50), { nil: undefined }),
  })
  .map(({ stocks, envelopes, trimmings, printers, hourlyMinor, keepOffcutMm }) => {
    const { keepOffcutMm: _own, ...rest } = demo;
    return {
      ...rest,
      ...(keepOffcutMm === undefined ? {} : { keepOffcutMm }),
      hourlyMinor,
      stocks: stocks.map(([n, onShelf, price]) => ({
        ...{ ...demo.stocks[0]!, id: `stock ${n}`, name: `Stock “${n}” 🦭`, onShelf, sheetPriceMinor: price },
      })),
      // The same id as a stock’s: the shelves are told apart.
      envelopes: envelopes.map(([n, onShelf]) => ({ ...demo.envelopes[0]!, id: `stock ${n}`, onShelf })),
      trimmings: trimmings.map(([n, onShelf]) => ({ ...demo.trimmings[0]!, id: `stock ${n}`, onShelf })),
      printers: printers.map(([n, paths, calibrations]) => ({
        ...demo.printers[0]!,
        id: `printer ${n}`,
        paths: Array.from({ length: paths + 1 }, (_, p) => ({
          ...demo.printers[0]!.paths[0]!,
          id: `path ${p}`,
          ...(calibrations > 0
            ? { calibrations: Array.from({ length: calibrations }, (__, c) => calibration(`c${c}`)) }
            : {}),
        })),
      })),
    };
  });

const rowsOf = async (pool: pg.Pool, table: string): Promise<readonly Record<string, unknown>[]> =>
  (await pool.query<Record<string, unknown>>(`select * from ${table} order by place`)).rows;

describe('a workshop in rows', () => {
  const serving = new Serving();
  let other: Awaited<ReturnType<typeof otherDatabase>>;
  beforeEach(async () => (other = await otherDatabase(serving.pool)));
  afterEach(() => other.drop());

  it('comes back as it was saved, whatever was there before, and the books balance', async () => {
    const { pool } = other;
    await inTransaction(pool, (client) => openStudio(client, HOME_STUDIO_ID, demo));
    const gone = new Set<string>();
    await fc.assert(
      fc.asyncProperty(shops, async (shop) => {
        const { version } = (await findWorkshop(pool, HOME_STUDIO_ID))!;
        await inTransaction(pool, (client) => saveWorkshop(client, HOME_STUDIO_ID, shop, version));
        expect((await findWorkshop(pool, HOME_STUDIO_ID))!.workshop).to.deep.equal(shop);
        const { rows } = await pool.query<{
          shelf: 'stocks' | 'envelopes' | 'trimmings';
          id: string;
          sum: number;
          last: string;
        }>(
          `select shelf, thing_id as id, sum(change)::int as sum, (array_agg(cause order by at desc))[1] as last
           from movements group by 1, 2`,
        );
        for (const { shelf, id, sum, last } of rows) {
          const here = shop[shelf].find((thing) => thing.id === id);
          expect(sum, `${shelf} ${id}`).to.equal(here?.onShelf ?? 0);
          if (here) gone.delete(`${shelf} ${id}`);
          // What left with some of it went away in the books; what had none left nothing to write down.
          else if (last === 'away') gone.add(`${shelf} ${id}`);
        }
      }),
      { numRuns: 60 },
    );
    expect(gone.size).to.be.greaterThan(0);
    expect((await pool.query('select from movements where change = 0')).rowCount).to.equal(0);
  });

  it('a row’s version rises when its thing changes, and no other row is written', async () => {
    const { pool } = other;
    await inTransaction(pool, (client) => openStudio(client, HOME_STUDIO_ID, demo));
    const before = Object.fromEntries(
      await Promise.all(THING_NAMES.map(async (t) => [t, await rowsOf(pool, t)] as const)),
    );
    const dearer = demo.stocks.map((stock, at) =>
      at === 1 ? { ...stock, sheetPriceMinor: stock.sheetPriceMinor + 1, onShelf: stock.onShelf - 7 } : stock,
    );
    await inTransaction(pool, (client) => saveWorkshop(client, HOME_STUDIO_ID, { ...demo, stocks: dearer }, 1));
    for (const table of THING_NAMES) {
      const after = await rowsOf(pool, table);
      expect(after.map(({ version }) => version)).to.deep.equal(
        before[table]!.map((_, at) => (table === 'stocks' && at === 1 ? 2 : 1)),
      );
    }
    const moved = await pool.query(
      `select cause, change from movements where shelf = 'stocks' and thing_id = $1 order by at`,
      [demo.stocks[1]!.id],
    );
    expect(moved.rows).to.deep.equal([
      { cause: 'opening', change: demo.stocks[1]!.onShelf },
      { cause: 'counted', change: -7 },
    ]);
    const turned = { ...demo, stocks: [...dearer].reverse() };
    await inTransaction(pool, (client) => saveWorkshop(client, HOME_STUDIO_ID, turned, 2));
    expect(
      (await rowsOf(pool, 'stocks')).map(({ id, version }) => [id, version]),
      'in another order',
    ).to.deep.equal(turned.stocks.map(({ id }) => [id, id === demo.stocks[1]!.id ? 2 : 1]));
    // A save that names an older version changes nothing at all.
    const late = await inTransaction(pool, (client) => saveWorkshop(client, HOME_STUDIO_ID, demo, 1));
    expect(late).to.equal(null);
    expect((await findWorkshop(pool, HOME_STUDIO_ID))!.workshop.stocks).to.deep.equal(turned.stocks);
  });

  it('of two saves at the same moment one is told so, and nothing is mixed', async () => {
    const { pool } = other;
    await inTransaction(pool, (client) => openStudio(client, HOME_STUDIO_ID, demo));
    const shop = (n: number): StoredWorkshop => ({
      ...demo,
      hourlyMinor: n,
      stocks: demo.stocks.map((stock) => ({ ...stock, onShelf: n })),
    });
    const saved = await Promise.all(
      [1, 2, 3, 4].map((n) => inTransaction(pool, (client) => saveWorkshop(client, HOME_STUDIO_ID, shop(n), 1))),
    );
    expect(saved.filter((version) => version !== null)).to.deep.equal([2]);
    const { workshop: now } = (await findWorkshop(pool, HOME_STUDIO_ID))!;
    expect(new Set(now.stocks.map(({ onShelf }) => onShelf))).to.deep.equal(new Set([now.hourlyMinor]));
  });

  it('read while another save goes through, is all of one version', async () => {
    const { pool } = other;
    await inTransaction(pool, (client) => openStudio(client, HOME_STUDIO_ID, demo));
    const dearer = { ...demo, hourlyMinor: 7, stocks: demo.stocks.map((stock) => ({ ...stock, sheetPriceMinor: 7 })) };
    let asked = 0;
    // Between the first question and the second somebody saves.
    const query = async (text: string, values: unknown[]) => {
      const answer = await pool.query(text, values);
      if ((asked += 1) === 1) await inTransaction(pool, (client) => saveWorkshop(client, HOME_STUDIO_ID, dearer, 1));
      return answer;
    };
    const read = await findWorkshop({ query } as unknown as pg.Pool, HOME_STUDIO_ID);
    expect([read!.version, read!.workshop]).to.deep.equal([2, dearer]);
  });

  it('an older database’s workshops become rows, and go back to what they were', async () => {
    const { pool, url } = other;
    const dir = fileURLToPath(new URL('../src/migrations', import.meta.url));
    // Back to before workshops were rows, and on again.
    const count = readdirSync(dir).filter((name) => name >= '000006').length;
    const steps = (direction: 'up' | 'down') =>
      runner({ databaseUrl: url, direction, count, migrationsTable: 'migrations', log: () => {}, dir });
    await steps('down');
    const [first, ...others] = demo.printers;
    const [path, ...paths] = first!.paths;
    // There were no tools for heat and holes then, nothing to put on cards and hold it with, and no tariff.
    const { tools: _none, trimmings: _neither, adhesives: _nor, post: _later, ...then } = demo;
    const old: Omit<StoredWorkshop, 'tools' | 'trimmings' | 'adhesives'> = {
      ...then,
      keepOffcutMm: 42,
      printers: [
        { ...first!, paths: [{ ...path!, calibrations: [calibration('a'), calibration('b')] }, ...paths] },
        ...others,
      ],
    };
    const twice = { ...old, stocks: [...old.stocks, { ...old.stocks[0]!, name: 'the same id again', onShelf: 9 }] };
    const ids = [randomUUID(), randomUUID()];
    for (const [at, shop] of [old, twice].entries())
      await pool.query('insert into studios (id, name, workshop) values ($1, $2, $3::jsonb)', [
        ...[ids[at], shop.studioName, JSON.stringify(shop)],
      ]);
    await steps('up');
    // What looks an id up finds the first, as it did.
    const filled = { ...old, tools: [], trimmings: [], adhesives: [] };
    for (const id of ids) expect((await findWorkshop(pool, id))!.workshop).to.deep.equal(filled);
    // Whoever worked in them is in theirs, and is not asked again.
    const doors = (await listDoors(pool)).filter(({ id }) => ids.includes(id as (typeof ids)[number]));
    expect(doors.map(({ entered, isDemo }) => [entered, isDemo])).to.deep.equal([
      [true, false],
      [true, false],
    ]);
    await steps('down');
    const { rows } = await pool.query<{ workshop: StoredWorkshop }>('select workshop from studios');
    for (const { workshop: back } of rows) expect(back.printers[0]!.paths[0]).to.deep.equal(old.printers[0]!.paths[0]);
    expect(rows.map(({ workshop: { printers: _p, ...back } }) => back)).to.deep.equal(
      [old, old].map(({ printers: _p, ...shop }) => shop),
    );
    await steps('up');
  });

  it('a run keeps the rates and prices it was released at, whatever they become', async () => {
    const ask = async <T>(method: string, path: string, body?: unknown): Promise<T> => {
      const response = await fetch(`${serving.base}${path}`, {
        method,
        headers: { 'Content-Type': 'application/json' },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      });
      expect(response.ok, `${method} ${path}`).to.equal(true);
      return (await response.json()) as T;
    };
    const [jobId, id] = [randomUUID(), randomUUID()];
    const { workshop: now, version } = await ask<{ workshop: Workshop; version: number }>('GET', '/workshop');
    await ask('POST', '/jobs', { id: jobId, document: newJob('Costed when released', now) });
    const released = await ask<Run>('POST', '/runs', { id, jobId });
    const dear: Workshop = {
      ...now,
      hourlyMinor: now.hourlyMinor * 3,
      stocks: now.stocks.map((stock) => ({ ...stock, sheetPriceMinor: stock.sheetPriceMinor + 500 })),
    };
    const saved = await ask<{ version: number }>('PUT', '/workshop', { version, workshop: dear });
    const run = await ask<Run>('GET', `/runs/${id}`);
    expect(run.workshop).to.deep.equal(now);
    expect(run).to.deep.include(released);
    const { book } = await loadFonts();
    const costs = (shop: Workshop): number =>
      planJob(run.document, shop, { typefaces: book, today: null }).sell.costMinor;
    expect(costs(run.workshop!)).to.equal(costs(now));
    expect(costs(dear)).to.be.greaterThan(costs(now));
    await ask('PUT', '/workshop', { version: saved.version, workshop: now });
  });
});
