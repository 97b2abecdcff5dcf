import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { countRun } from '@zippy/core';
import { useRun } from '../../src/stores/run.ts';
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
