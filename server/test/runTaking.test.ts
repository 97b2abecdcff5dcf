import { randomUUID } from 'node:crypto';
import { expect } from 'chai';
import {
  changeJob,
  decide,
  learnPace,
  newJob,
  type Movement,
  type Run,
  type RunEvent,
  type TimedRun,
  type Workshop,
} from '@zippy/core';
import { HOME_STUDIO_ID } from '../src/studio.ts';
import { inTransaction } from '../src/tables/types.ts';
import { saveWorkshop } from '../src/workshop/saveWorkshop.ts';
import { findWorkshop } from '../src/workshop/loadWorkshop.ts';
import { Serving } from './serving.ts';
import { workshop } from './support.ts';

describe('what a run takes off the shelf', () => {
  const serving = new Serving();
  const ask: Serving['ask'] = (...asked) => serving.ask(...asked);
  const shop = async () => (await ask('GET', '/workshop')).body as unknown as { workshop: Workshop; version: number };
  const onShelf = async (id: string): Promise<number> =>
    (await shop()).workshop.trimmings.find((one) => one.id === id)!.onShelf;

  /** A run of cards with one bow and two gems on each. */
  const begun = async () => {
    const [jobId, id] = [randomUUID(), randomUUID()];
    const on = (trimmingId: string, xMm: number) => ({
      ...{ id: `${trimmingId}-${xMm}`, trimmingId, faceId: 'front', xMm, yMm: 60, adhesiveId: null },
    });
    const document = changeJob(newJob('Bows and gems', workshop), [
      decide((job) => job.trimmings, [on('quay-bow', 50), on('sea-gem', 20), on('sea-gem', 80)]),
      decide((job) => job.brief.envelope, { kind: 'none' }),
    ]);
    expect((await ask('POST', '/jobs', { id: jobId, document })).status).to.equal(201);
    expect((await ask('POST', '/runs', { id, jobId })).status).to.equal(201);
    const press = async (kind: RunEvent['kind'], part: Partial<RunEvent> = {}): Promise<string> => {
      const event = { id: randomUUID(), kind, ...part };
      expect((await ask('POST', `/runs/${id}/events`, event)).status).to.equal(201);
      return event.id;
    };
    return { id, press };
  };

  it('is what its good cards carry, once it is finished and however often that is said', async () => {
    const [bows, gems] = [await onShelf('quay-bow'), await onShelf('sea-gem')];
    const { press } = await begun();
    await press('good', { cards: 7 });
    await press('spoiled', { cards: 2, cause: 'drift' });
    expect(await onShelf('quay-bow')).to.equal(bows);
    const end = await press('finish');
    await press('finish', { id: end });
    await press('finish');
    expect([await onShelf('quay-bow'), await onShelf('sea-gem')]).to.deep.equal([bows - 7, gems - 14]);
    // Presses that a tablet sends later are counted as if they had come in time.
    const late = await press('good', { cards: 3 });
    expect([await onShelf('quay-bow'), await onShelf('sea-gem')]).to.deep.equal([bows - 10, gems - 20]);
    await press('undo', { undoes: late });
    expect([await onShelf('quay-bow'), await onShelf('sea-gem')]).to.deep.equal([bows - 7, gems - 14]);
  });

  it('is right when two devices send at the same moment', async () => {
    const gems = await onShelf('sea-gem');
    const { press } = await begun();
    await press('finish');
    await Promise.all(Array.from({ length: 12 }, () => press('good', { cards: 2 })));
    expect(await onShelf('sea-gem')).to.equal(gems - 48);
  });

  it('is no more than there is, and leaves what the maker counts since', async () => {
    const { version, workshop: now } = await shop();
    const few = now.trimmings.map((one) => (one.id === 'quay-bow' ? { ...one, onShelf: 4 } : one));
    const saved = await ask('PUT', '/workshop', { version, workshop: { ...now, trimmings: few } });
    expect(saved.status).to.equal(200);
    const { press } = await begun();
    await press('good', { cards: 6 });
    await press('finish');
    expect(await onShelf('quay-bow')).to.equal(0);
    const { rows } = await serving.pool.query<{ cause: string; change: number }>(
      `select cause, change from movements where shelf = 'trimmings' and thing_id = 'quay-bow' order by at desc limit 1`,
    );
    expect(rows).to.deep.equal([{ cause: 'made', change: -4 }]);
  });

  it('is sheets and envelopes as well: for good cards, and sheets for spoiled ones, told apart', async () => {
    const { workshop: before } = await shop();
    const { id, press } = await begun();
    const { body } = await ask('GET', `/runs/${id}`);
    const { takes, document } = body as unknown as Run;
    const sheet = takes!.find(({ shelf }) => shelf === 'stocks')!;
    expect(sheet.thingId).to.equal(document.stock.stockId);
    const up = sheet.per.kind === 'sheet' ? sheet.per.cards : 0;
    const sheets = (all: Workshop): number => all.stocks.find((one) => one.id === sheet.thingId)!.onShelf;
    // Good ones fill three sheets and a part of a fourth; spoiled ones are two sheets more.
    await press('good', { cards: Math.floor(3 * up + 1) });
    const spoiled = await press('spoiled', { cards: Math.floor(2 * up), cause: 'crack' });
    await press('finish');
    expect(sheets((await shop()).workshop)).to.equal(sheets(before) - 6);
    const { body: shelf } = await ask('GET', '/shelf');
    const own = (shelf as unknown as { movements: Movement[] }).movements.filter(
      ({ runId, thingId }) => runId === id && thingId === sheet.thingId,
    );
    expect(new Map(own.map(({ cause, change }) => [cause, change]))).to.deep.equal(
      new Map([
        ['made', -4],
        ['spoiled', -2],
      ]),
    );
    await press('undo', { undoes: spoiled });
    expect(sheets((await shop()).workshop)).to.equal(sheets(before) - 4);
  });

  it('tells how long its steps took, once it is finished', async () => {
    const { id, press } = await begun();
    const { steps } = (await ask('GET', `/runs/${id}`)).body as unknown as Run;
    const timed = async () => (await ask('GET', '/runs/timed')).body.runs as readonly TimedRun[];
    const before = (await timed()).length;
    const started = Date.now();
    for (const [i, { id: stepId }] of steps.entries())
      await press('step', { stepId, at: new Date(started + (i + 1) * 600_000).toISOString() });
    await press('good', { cards: 30 });
    expect(await timed()).to.have.length(before);
    await press('finish');
    const [newest] = await timed();
    expect(newest!.steps.map((step) => step.id)).to.deep.equal(steps.map((step) => step.id));
    expect(newest!.events.filter(({ kind }) => kind === 'step')).to.have.length(steps.length);
    expect(newest!.stageMinutes.print).to.be.above(0);
    // Every step took ten minutes, the first a moment more.
    const cuts = steps.filter(({ kind }) => kind === 'cut').length;
    const { wanted, stageMinutes } = newest!;
    const said = (stageMinutes.cut * 30) / wanted;
    expect(learnPace([newest!]).cut!.times).to.be.closeTo(Math.sqrt((cuts * 10) / said), 0.01);
  });

  it('makes a page’s copy of the workshop old, so that its next save does not bring back what is gone', async () => {
    const { version, workshop: before } = await shop();
    const { press } = await begun();
    await press('good');
    await press('finish');
    const stale = await ask('PUT', '/workshop', {
      version,
      workshop: { ...before, hourlyMinor: before.hourlyMinor + 1 },
    });
    expect(stale.status).to.equal(409);
  });

  it('takes nothing of what is not on the shelf any more', async () => {
    const { press } = await begun();
    const { workshop: now, version } = (await findWorkshop(serving.pool, HOME_STUDIO_ID))!;
    const without = { ...now, trimmings: now.trimmings.filter(({ id }) => id !== 'sea-gem') };
    await inTransaction(serving.pool, (client) => saveWorkshop(client, HOME_STUDIO_ID, without, version));
    await press('good', { cards: 5 });
    await press('finish');
    const { rows } = await serving.pool.query(
      `select sum(change)::int as left from movements where shelf = 'trimmings' and thing_id = 'sea-gem'`,
    );
    expect(rows).to.deep.equal([{ left: 0 }]);
  });
});
