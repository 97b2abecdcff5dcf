import { randomUUID } from 'node:crypto';
import { expect } from 'chai';
import { keepBooks, type Movement, type Workshop } from '@zippy/core';
import { Serving } from './serving.ts';
import { workshop } from './support.ts';

describe('the books of the shelf', () => {
  const serving = new Serving();
  const ask: Serving['ask'] = (...asked) => serving.ask(...asked);
  const { id: thingId } = workshop.stocks[0]!;
  const write = (part: Record<string, unknown>) =>
    ask('POST', '/shelf/movements', {
      id: randomUUID(),
      shelf: 'stocks',
      thingId,
      cause: 'bought',
      change: 1,
      ...part,
    });
  const has = async (): Promise<number> =>
    ((await ask('GET', '/workshop')).body.workshop as Workshop).stocks.find(({ id }) => id === thingId)!.onShelf;
  const movements = async (): Promise<readonly Movement[]> =>
    ((await ask('GET', '/shelf')).body.movements as readonly Movement[]).filter((one) => one.thingId === thingId);

  it('take what was bought once, with its price and lot, however often it is sent', async () => {
    const before = await has();
    const id = randomUUID();
    for (let i = 0; i < 3; i += 1)
      expect((await write({ id, change: 50, priceMinor: 1249, lot: ' Batch 7 ' })).status).to.equal(201);
    expect(await has()).to.equal(before + 50);
    const [newest] = await movements();
    expect(newest).to.deep.include({
      id,
      cause: 'bought',
      change: 50,
      priceMinor: 1249,
      lot: 'Batch 7',
      note: null,
      runId: null,
    });
  });

  it('make a count that differs a movement with its reason, and one that agrees a date', async () => {
    const before = await has();
    expect((await write({ cause: 'counted', change: before - 3, note: 'mice' })).status).to.equal(201);
    expect(await has()).to.equal(before - 3);
    expect((await movements())[0]).to.deep.include({ cause: 'counted', change: -3, note: 'mice' });
    expect((await write({ cause: 'counted', change: before - 3 })).status).to.equal(201);
    const [newest] = await movements();
    expect(newest).to.deep.include({ cause: 'counted', change: 0 });
    expect(keepBooks(await movements()).countedAt).to.equal(newest!.at);
  });

  it('come to what the workshop says, whatever is written at the same moment', async () => {
    const before = await has();
    const all = Array.from({ length: 20 }, (_, i) => i - 6);
    const answers = await Promise.all(all.map((change) => write({ cause: 'other', change })));
    expect(answers.every(({ status }) => status === 201)).to.equal(true);
    expect(await has()).to.equal(before + all.reduce((sum, n) => sum + n, 0));
    expect(keepBooks(await movements()).count).to.equal(await has());
  });

  it('make a page’s copy of the workshop old, so that its next save does not bring back what is gone', async () => {
    const { version, workshop: copy } = (await ask('GET', '/workshop')).body as { version: number; workshop: Workshop };
    expect((await write({ change: 4 })).status).to.equal(201);
    expect((await ask('PUT', '/workshop', { version, workshop: copy })).status).to.equal(409);
  });

  it('refuse by name what cannot be', async () => {
    const said = async (part: Record<string, unknown>) => {
      const { status, body } = await write(part);
      return [status, body.field];
    };
    expect(await said({ thingId: 'never' })).to.deep.equal([404, 'thingId']);
    expect(await said({ cause: 'other', change: -1_000_000 })).to.deep.equal([409, 'change']);
    expect(await said({ change: -5 })).to.deep.equal([400, 'change']);
    expect(await said({ change: 2.5 })).to.deep.equal([400, 'change']);
    expect(await said({ cause: 'made' })).to.deep.equal([400, 'cause']);
    expect(await said({ priceMinor: -1 })).to.deep.equal([400, 'priceMinor']);
    expect(await said({ at: 'yesterday' })).to.deep.equal([400, 'at']);
    expect(await said({ change: 1_000_000 })).to.deep.equal([400, 'change']);
  });
});
