import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { decide, changeJob, newJob, type Job } from '@zippy/core';
import { hourly, nightly } from '../src/keepHouse.ts';
import { readPicture } from '../src/pictures/readPicture.ts';
import { addJob, saveJob, thinRevisions } from '../src/tables/jobs.ts';
import { addPicture, dropPictures, findPicture, missingPictures } from '../src/tables/pictures.ts';
import { HOME_STUDIO_ID } from '../src/studio.ts';
import { Serving } from './serving.ts';
import { workshop } from './support.ts';

describe('what is old and of no use any more', () => {
  const serving = new Serving();

  /** A job whose revisions were saved so many days ago, in the order of their versions. */
  async function jobOf(daysAgo: readonly number[]): Promise<string> {
    const id = randomUUID();
    await addJob(serving.pool, HOME_STUDIO_ID, id, newJob('old', workshop));
    for (let version = 1; version < daysAgo.length; version += 1)
      await saveJob(serving.pool, HOME_STUDIO_ID, id, newJob(`old ${version}`, workshop), version);
    for (const [i, days] of daysAgo.entries())
      await serving.pool.query(
        'update job_revisions set saved_at = now() - make_interval(secs => $3) where job_id = $1 and version = $2',
        [id, i + 1, days * 86_400],
      );
    return id;
  }
  const versionsOf = async (id: string): Promise<readonly number[]> =>
    (
      await serving.pool.query<{ version: number }>(
        'select version from job_revisions where job_id = $1 order by version',
        [id],
      )
    ).rows.map(({ version }) => version);

  it('of a week’s revisions all stay; of older ones the last of each day, then of each week, and the first', async () => {
    const recent = await jobOf([6.9, 6.8, 3, 2.99, 0.1]);
    // Whatever the hour is now, moments at one and two thirds of a day in UTC lie on one day.
    const now = new Date();
    const intoDay = (now.getTime() % 86_400_000) / 86_400_000;
    const at = (day: number, share: number): number => day + intoDay - share;
    // The first, and another of its day (both stay); three of one day (the last stays); two of another; the newest of all, which is old too.
    const days = await jobOf([
      at(60, 0.2),
      at(60, 0.3),
      at(40, 0.3),
      at(40, 0.5),
      at(40, 0.6),
      at(30, 0.3),
      at(30, 0.6),
    ]);
    // Monday to Sunday of one week long ago: 1970-01-05 was a Monday, so weeks begin at day 4 of time.
    const monday = (now.getTime() / 86_400_000 - 4) % 7;
    const week = (weeks: number, weekday: number): number => weeks * 7 + monday - weekday - 0.5;
    const weeks = await jobOf([week(50, 0), week(30, 0), week(30, 3), week(30, 6), week(29, 0), week(20, 1)]);
    expect(await thinRevisions(serving.pool)).to.equal(3 + 2);
    expect(await versionsOf(recent)).to.deep.equal([1, 2, 3, 4, 5]);
    expect(await versionsOf(days)).to.deep.equal([1, 2, 5, 7]);
    expect(await versionsOf(weeks)).to.deep.equal([1, 4, 5, 6]);
    expect(await thinRevisions(serving.pool)).to.equal(0);
  });

  it('a picture goes a month after nothing names it, and not while a job, a revision or a run does', async () => {
    const stored = async (n: number): Promise<Awaited<ReturnType<typeof readPicture>>['ref']> => {
      const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${n} 9"><rect width="9" height="9"/></svg>`;
      const picture = await readPicture(`p${n}.svg`, Buffer.from(svg));
      await addPicture(serving.pool, HOME_STUDIO_ID, picture);
      return picture.ref;
    };
    const [inJob, inRevision, inRun, unnamed, recent] = [
      await stored(901),
      await stored(902),
      await stored(903),
      await stored(904),
      await stored(905),
    ];
    const showing = (ref: typeof inJob): Job =>
      changeJob(newJob('shows', workshop), [decide((job) => job.pictures, { p: ref })]);
    await addJob(serving.pool, HOME_STUDIO_ID, randomUUID(), showing(inJob));
    const id = randomUUID();
    await addJob(serving.pool, HOME_STUDIO_ID, id, showing(inRevision));
    await saveJob(serving.pool, HOME_STUDIO_ID, id, newJob('shows no more', workshop), 1);
    await serving.pool.query(
      "insert into runs (id, studio_id, job_id, document, steps, wanted) values ($1, $2, $3, $4, '[]', 1)",
      [randomUUID(), HOME_STUDIO_ID, id, JSON.stringify(showing(inRun))],
    );
    const unnamedFor = (days: number, ...refs: readonly (typeof inJob)[]): Promise<unknown> =>
      serving.pool.query('update pictures set named_at = now() - make_interval(days => $2) where sha256 = any ($1)', [
        refs.map(({ sha256 }) => sha256),
        days,
      ]);
    await unnamedFor(32, inJob, inRevision, inRun, unnamed);
    await unnamedFor(30, recent);
    expect(await dropPictures(serving.pool, 31)).to.equal(1);
    const here = async (ref: typeof inJob): Promise<boolean> =>
      (await findPicture(serving.pool, HOME_STUDIO_ID, ref.sha256)) !== null;
    expect(await here(unnamed)).to.equal(false);
    for (const ref of [inJob, inRevision, inRun, recent]) expect(await here(ref), ref.name).to.equal(true);
    // Its month begins anew when a save names it, or it is brought in again.
    await unnamedFor(40, recent, inRevision);
    const again = await stored(907);
    await unnamedFor(40, again);
    await stored(907);
    expect(await missingPictures(serving.pool, HOME_STUDIO_ID, [recent.sha256, unnamed.sha256])).to.deep.equal([
      unnamed.sha256,
    ]);
    expect(await dropPictures(serving.pool, 31)).to.equal(0);
    expect(await here(again)).to.equal(true);
  });

  it('the hour makes the day’s backup, and the night makes sure of it before anything goes', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'zippy-house-'));
    await hourly(serving.pool, folder);
    expect(readdirSync(folder)).to.have.length(1);
    rmSync(join(folder, readdirSync(folder)[0]!));
    await nightly(serving.pool, folder);
    expect(readdirSync(folder)[0]).to.match(/^studio-\d{4}-\d\d-\d\d\.tar\.gz$/);
    rmSync(folder, { recursive: true });
  });
});
