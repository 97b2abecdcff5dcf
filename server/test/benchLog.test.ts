import { randomUUID } from 'node:crypto';
import { expect } from 'chai';
import { changeJob, decide, newJob, type Run, type RunEvent, type Workshop } from '@zippy/core';
import type { RunsLogged } from '@zippy/core/contract';
import { Serving } from './serving.ts';
import { workshop } from './support.ts';

describe('what the bench has told', () => {
  const serving = new Serving();
  const ask: Serving['ask'] = (...asked) => serving.ask(...asked);
  const trimmer = workshop.trimmers[0]!;
  const log = async () => ((await ask('GET', '/workshop')).body.workshop as Workshop).spoilLog;
  const logged = async (id: string) =>
    ((await ask('GET', '/runs/log')).body as unknown as RunsLogged).runs.find((run) => run.id === id)!;

  const begun = async (title = 'Told at the bench') => {
    const [jobId, id] = [randomUUID(), randomUUID()];
    const document = changeJob(newJob(title, workshop), [
      decide((job) => job.brief.envelope, { kind: 'none' }),
      decide((job) => job.cut.trimmerId, trimmer.id),
    ]);
    expect((await ask('POST', '/jobs', { id: jobId, document })).status).to.equal(201);
    const { status, body } = await ask('POST', '/runs', { id, jobId });
    expect(status, JSON.stringify(body)).to.equal(201);
    const press = (kind: RunEvent['kind'], part: Partial<RunEvent> = {}) =>
      ask('POST', `/runs/${id}/events`, { id: randomUUID(), kind, ...part });
    return { id, jobId, press, run: body as unknown as Run };
  };
  const piece = (offMm: number, part: object = {}) => ({
    ...{ kind: 'measured', on: 'trimmers', toolId: trimmer.id, wantedMm: 105, offMm, setBeyondMm: 0 },
    ...part,
  });

  it('is where cards were lost, by stage, tool and cause, and what that cost', async () => {
    const before = await log();
    const { id, press, run } = await begun();
    await press('good', { cards: 10 });
    await press('spoiled', { cards: 3, cause: 'crack', stepId: 'pack' });
    // Presses that are taken back count nowhere, good ones and lost ones.
    for (const kind of ['good', 'spoiled'] as const) {
      const gone = randomUUID();
      await press(kind, { id: gone, cards: 4, ...(kind === 'spoiled' ? { cause: 'smudge' } : {}) });
      await press('undo', { undoes: gone });
    }
    const { status } = await press('spoiled', { cards: 1, cause: 'miscut' });
    expect(status).to.equal(201);
    const after = await log();
    expect([after.good - before.good, after.spoiled - before.spoiled]).to.deep.equal([10, 4]);
    const at = (stage: string, of = after) =>
      (of.losses ?? []).filter((row) => row.stage === stage).reduce((n, { lost }) => n + lost, 0);
    expect([at('crease') - at('crease', before), at('cut') - at('cut', before)]).to.deep.equal([3, 1]);
    expect(after.losses!.some(({ stage, toolId }) => stage === 'cut' && toolId === trimmer.id)).to.equal(true);
    const row = await logged(id);
    expect(row).to.deep.include({
      good: 10,
      spoiled: 4,
      title: 'Told at the bench',
      stockId: run.document.stock.stockId,
    });
    expect(row.losses).to.deep.equal([
      { stage: 'crease', cause: 'crack', cards: 3 },
      { stage: 'cut', cause: 'miscut', cards: 1 },
    ]);
    expect(row.costs!.pack).to.be.at.least(row.costs!.crease);
  });

  it('keeps a measured piece once, gives it to whoever plans, and forgets it when it is taken back', async () => {
    const { press } = await begun();
    const id = randomUUID();
    for (let i = 0; i < 2; i += 1)
      expect(
        (await press('measured', { id, stepId: 'cut-1', detail: piece(-0.3, { by: ' Ada ' }) as RunEvent['detail'] }))
          .status,
      ).to.equal(201);
    const mine = async () => ((await log()).pieces ?? []).filter(({ by }) => by === 'Ada');
    expect((await mine()).map(({ offMm, toolId }) => [offMm, toolId])).to.deep.equal([[-0.3, trimmer.id]]);
    await press('undo', { undoes: id });
    expect(await mine()).to.deep.equal([]);
  });

  it('has timers and notes in the run, for every device that looks', async () => {
    const { id, press } = await begun();
    await press('timer', { stepId: 'dry-1', detail: { kind: 'timer', minutes: 30 } });
    await press('note', { detail: { kind: 'note', about: 'differently', text: ' Lighter passes ' } });
    const { events } = (await ask('GET', `/runs/${id}`)).body as unknown as Run;
    expect(events.map(({ detail }) => detail)).to.deep.equal([
      { kind: 'timer', minutes: 30 },
      { kind: 'note', about: 'differently', text: 'Lighter passes' },
    ]);
    expect((await logged(id)).notes).to.deep.equal([{ about: 'differently', text: 'Lighter passes' }]);
  });

  it('refuses what no press can say, and names it', async () => {
    const { press } = await begun();
    const refused = async (kind: RunEvent['kind'], detail: unknown): Promise<string> => {
      const { status, body } = await press(kind, { detail: detail as RunEvent['detail'] });
      expect(status).to.equal(400);
      return String(body.message);
    };
    expect(await refused('timer', { kind: 'timer', minutes: 0 })).to.match(/minutes/);
    expect(await refused('timer', piece(0))).to.match(/kind/);
    expect(await refused('measured', piece(80))).to.match(/offMm/);
    expect(await refused('note', { kind: 'note', about: 'settings', text: '  ' })).to.match(/text/);
    expect(await refused('good', { kind: 'timer', minutes: 3 })).to.match(/detail/);
    expect(await refused('measured', undefined)).to.match(/detail/);
  });

  it('repeats a run as it was, whatever the job says since', async () => {
    const { id, jobId, run } = await begun('As it was');
    const changed = changeJob(run.document, [decide((job) => job.brief.wanted, 7)]);
    expect((await ask('PUT', `/jobs/${jobId}`, { version: 1, document: changed })).status).to.equal(200);
    const again = await ask('POST', '/runs', { id: randomUUID(), jobId, repeats: id });
    expect(again.status).to.equal(201);
    expect((again.body as unknown as Run).wanted).to.equal(run.wanted);
    const other = await begun('Another');
    expect((await ask('POST', '/runs', { id: randomUUID(), jobId: other.jobId, repeats: id })).status).to.equal(404);
  });
});
