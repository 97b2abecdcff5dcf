import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { countRun } from '@zippy/core';
import { kept } from '../../src/stores/local.ts';
import { sendKeptRuns, useRun } from '../../src/stores/run.ts';
import { PretendServer, until } from '../support.ts';

describe('the run store', () => {
  let server: PretendServer;
  beforeEach(async () => {
    server = new PretendServer();
    server.install();
    await useRun.getState().open(crypto.randomUUID());
  });
  const count = () => countRun(useRun.getState().run!.events);
  const sent = (): Promise<void> => until(() => useRun.getState().unsent.length === 0, 'everything to be sent');

  it('counts at once and sends in order', async () => {
    useRun.getState().add({ kind: 'good' });
    useRun.getState().add({ kind: 'spoiled', cause: 'drift' });
    expect(count()).to.include({ good: 1, spoiled: 1 });
    await sent();
    expect(server.runEvents.map((e) => e.kind)).to.deep.equal(['good', 'spoiled']);
  });

  it('takes back the last press that still stands', async () => {
    useRun.getState().add({ kind: 'good' });
    useRun.getState().add({ kind: 'step', stepId: 'cut-1' });
    useRun.getState().undo();
    expect(count().stepsDone.size).to.equal(0);
    expect(count().good).to.equal(1);
    useRun.getState().undo();
    expect(count().good).to.equal(0);
    useRun.getState().undo();
    await sent();
    expect(server.runEvents.filter((e) => e.kind === 'undo')).to.have.length(2);
  });

  it('takes in what another device has pressed, and loses nothing that was pressed here meanwhile', async () => {
    const theirs = {
      id: crypto.randomUUID(),
      kind: 'good',
      cards: 4,
      cause: null,
      stepId: null,
      undoes: null,
      at: null,
    };
    useRun.getState().add({ kind: 'good' });
    await sent();
    server.runEvents.push(theirs);
    // Pressed while the answer is on its way, which does not know it.
    const looking = useRun.getState().lookAgain();
    useRun.getState().add({ kind: 'spoiled', cause: 'crack' });
    await looking;
    expect(count()).to.include({ good: 5, spoiled: 1 });
    await sent();
    await useRun.getState().lookAgain();
    expect(count()).to.include({ good: 5, spoiled: 1 });
    expect(useRun.getState().run!.events).to.have.length(3);
  });

  it('says that the server is away when it looks, goes on counting, and sends all when it is back', async () => {
    server.away = true;
    await useRun.getState().lookAgain();
    expect(useRun.getState().away).to.equal(true);
    useRun.getState().add({ kind: 'good', cards: 2 });
    expect(count().good).to.equal(2);
    server.away = false;
    await useRun.getState().lookAgain();
    await sent();
    expect(useRun.getState().away).to.equal(false);
    expect(server.runEvents).to.have.length(1);
  });

  it('sends what other tabs have left of any run, from wherever it is asked, and keeps tabs apart', async () => {
    const left = crypto.randomUUID();
    const { run } = useRun.getState();
    const press = (id: string, at: string) => ({
      id,
      kind: 'good',
      cards: 1,
      cause: null,
      stepId: null,
      undoes: null,
      at,
    });
    // Two tabs that are gone by now, each with presses of its own.
    await kept.set(`run:${left}:gone-1`, {
      run: { ...run, id: left, events: [] },
      unsent: [press('a', '2026-11-27T10:00:02Z')],
    });
    await kept.set(`run:${left}:gone-2`, {
      run: { ...run, id: left, events: [] },
      unsent: [press('b', '2026-11-27T10:00:01Z'), press('a', '2026-11-27T10:00:02Z')],
    });
    server.away = true;
    expect(await sendKeptRuns()).to.equal(false);
    server.away = false;
    expect(await sendKeptRuns()).to.equal(true);
    expect(server.runEvents.map(({ id }) => id)).to.deep.equal(['b', 'a']);
    expect((await kept.names()).filter((name) => name.startsWith(`run:${left}`))).to.deep.equal([]);
    expect(await sendKeptRuns()).to.equal(true);
    expect(server.runEvents).to.have.length(2);
  });

  it('takes up what a gone tab has left of the run that is opened', async () => {
    const { run } = useRun.getState();
    const id = crypto.randomUUID();
    const left = {
      id: 'x',
      kind: 'good',
      cards: 1,
      cause: null,
      stepId: null,
      undoes: null,
      at: '2026-11-27T10:00:00Z',
    };
    await kept.set(`run:${id}:gone`, { run: { ...run, id, events: [left] }, unsent: [left] });
    await useRun.getState().open(id);
    expect(count().good).to.equal(1);
    await sent();
    expect(server.runEvents.map((event) => event.id)).to.deep.equal(['x']);
  });

  it('keeps presses while the server is away, also over a reload', async () => {
    const { id } = useRun.getState().run!;
    server.away = true;
    useRun.getState().add({ kind: 'good' });
    useRun.getState().add({ kind: 'good' });
    await until(() => useRun.getState().away, 'the store to notice');
    await useRun.getState().open(id);
    expect(count().good).to.equal(2);
    server.away = false;
    await sent();
    expect(server.runEvents).to.have.length(2);
    await useRun.getState().open(id);
    expect(count().good).to.equal(2);
  });
});
