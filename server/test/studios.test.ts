import { randomUUID } from 'node:crypto';
import { expect } from 'chai';
import { newJob, setUpWorkshop } from '@zippy/core';
import type { JobsOnTheWall, StudioDoor, VersionedWorkshop } from '@zippy/core/contract';
import { HOME_STUDIO_ID, studioInUse, studioToFill } from '../src/studio.ts';
import { leaveStudio } from './leaveStudio.ts';
import { Serving } from './serving.ts';

/** One’s own studio beside the one to look round in. */
describe('studios side by side', () => {
  const OWN = randomUUID();
  // It leaves before the database is closed.
  after(() => leaveStudio(serving.pool, OWN));
  const serving = new Serving();
  const shop = setUpWorkshop({
    ...{ region: 'CA', currency: 'CAD', printer: 'laser', trimmers: ['scissors'] },
    hasBoard: false,
  });
  const own = `/studios/${OWN}`;

  const ask = async <T>(path: string, body?: unknown): Promise<{ status: number; said: T }> => {
    const response = await fetch(`${serving.base}${path}`, {
      ...(body === undefined
        ? {}
        : { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
    });
    const text = await response.text();
    return { status: response.status, said: (text ? JSON.parse(text) : undefined) as T };
  };
  const doors = async (): Promise<readonly StudioDoor[]> =>
    (await ask<{ studios: readonly StudioDoor[] }>('/studios')).said.studios;

  before(() => serving.pool.query('update studios set entered_at = null'));

  it('begin with one that nobody has chosen, which a backup does not fall into', async () => {
    const [demo, ...others] = await doors();
    expect(others).to.deep.equal([]);
    expect(demo).to.deep.equal({ id: HOME_STUDIO_ID, name: 'Saltmarsh Lane', isDemo: true, entered: false });
    expect(await studioInUse(serving.pool)).to.equal(HOME_STUDIO_ID);
    const filled = await studioToFill(serving.pool);
    expect(filled).to.not.equal(HOME_STUDIO_ID);
    expect(filled).to.not.equal(await studioToFill(serving.pool));
  });

  it('refuse a workshop that is none, and an id that is taken, in a sentence with the field', async () => {
    const bad = await ask<{ message: string; field: string }>('/studios', {
      id: OWN,
      workshop: { ...shop, trimmers: [] },
    });
    expect([bad.status, bad.said.field]).to.deep.equal([400, 'trimmers']);
    const taken = await ask<{ field: string }>('/studios', { id: HOME_STUDIO_ID, workshop: shop });
    expect([taken.status, taken.said.field]).to.deep.equal([409, 'id']);
    expect(await doors()).to.have.length(1);
    for (const path of [`/studios/${OWN}/jobs`, '/studios/harbour/jobs', `/studios/${OWN}/workshop`])
      expect((await ask(path)).status, path).to.equal(404);
    expect((await ask(`/studios/${OWN}/enter`, {})).status).to.equal(404);
    expect((await ask('/studios/harbour/enter', {})).status).to.equal(404);
  });

  it('are each their own: what is set up in one is in no other', async () => {
    expect((await ask('/studios', { id: OWN, workshop: shop })).status).to.equal(201);
    expect((await doors()).map(({ id, entered }) => [id, entered])).to.deep.equal([
      [OWN, true],
      [HOME_STUDIO_ID, false],
    ]);
    const mine = (await ask<VersionedWorkshop>(`${own}/workshop`)).said.workshop;
    expect([mine.currency, mine.region, mine.trimmers.map(({ kind }) => kind)]).to.deep.equal([
      'CAD',
      'CA',
      ['scissors'],
    ]);
    const id = randomUUID();
    const document = newJob('Low water', mine);
    expect((await ask(`${own}/jobs`, { id, document })).status).to.equal(201);
    const titles = async (path: string): Promise<readonly string[]> =>
      (await ask<JobsOnTheWall>(path)).said.jobs.map((job) => job.document.brief.title);
    expect(await titles(`${own}/jobs`)).to.deep.equal(['Low water']);
    expect(await titles('/jobs')).to.not.include('Low water');
    expect((await ask(`/jobs/${id}`)).status).to.equal(404);
    expect((await ask(`${own}/jobs/${id}`)).status).to.equal(200);
  });

  it('open where somebody went last, and backups go there', async () => {
    const enter = (id: string) => ask(`/studios/${id}/enter`, {});
    expect((await enter(HOME_STUDIO_ID)).status).to.equal(204);
    expect((await doors())[0]!.id).to.equal(HOME_STUDIO_ID);
    expect(await studioToFill(serving.pool)).to.equal(HOME_STUDIO_ID);
    await enter(OWN);
    expect((await doors())[0]!.id).to.equal(OWN);
    expect([await studioInUse(serving.pool), await studioToFill(serving.pool)]).to.deep.equal([OWN, OWN]);
  });
});
