import { expect } from 'chai';
import { changeJob } from '../../src/job/changeJob.ts';
import { changesBack, decide, decideEach, pathOf } from '../../src/job/decide.ts';
import { newJob } from '../../src/job/newJob.ts';
import { workshop } from '../support.ts';

describe('a decision', () => {
  const job = newJob('Ebb', workshop);

  it('names its place by the fields, ids and rows on the way', () => {
    expect(decide((job) => job.size.bleedMm, 4)).to.deep.equal({ path: ['size', 'bleedMm'], value: 4 });
    expect(pathOf((job) => job.art.faces.at('front').texts.at(2).sizePt)).to.deep.equal([
      'art',
      'faces',
      'front',
      'texts',
      '2',
      'sizePt',
    ]);
    expect(pathOf((job) => job.names)).to.deep.equal(['names']);
  });

  it('is made for each field that is given, and for no other', () => {
    const changes = decideEach((job) => job.size, { bleedMm: 2, safeMm: 5 });
    expect(changes.map(({ path }) => path.join('.'))).to.deep.equal(['size.bleedMm', 'size.safeMm']);
    const { size } = changeJob(job, changes);
    expect(size).to.deep.equal({ ...job.size, bleedMm: 2, safeMm: 5 });
  });

  it('is taken back to what the job said, and to nothing where it said nothing', () => {
    const changes = [decide((job) => job.sheet.spares, 7), decide((job) => job.names, { columns: ['a'], rows: [] })];
    const back = changeJob(changeJob(job, changes), changesBack(job, changes));
    expect(back).to.deep.equal({ ...job, names: null });
  });

  it('does not compile with a field that is not there, or with what it cannot hold', () => {
    // Each of these lines is an error of types; one that compiled would be reported here as needless.
    const wrong = [
      // @ts-expect-error no such field
      // oxlint-disable-next-line typescript/no-unsafe-return -- what is not there has no type
      () => decide((job) => job.size.bleed, 3),
      // @ts-expect-error a length, and no words
      () => decide((job) => job.size.bleedMm, 'three'),
      // @ts-expect-error never null
      () => decide((job) => job.size.bleedMm, null),
      // @ts-expect-error none of the three orders
      () => decide((job) => job.cut.order, 'anyhow'),
      // @ts-expect-error no such field of any thing on a face
      // oxlint-disable-next-line typescript/no-unsafe-return -- what is not there has no type
      () => decide((job) => job.art.faces.at('front').objects.at(0).colours, '#000000'),
      // @ts-expect-error a part of the size has no such field
      () => decideEach((job) => job.size, { bleed: 3 }),
      // @ts-expect-error made by hand, nothing has checked it
      () => changeJob(job, [{ path: ['size', 'bleedMm'], value: 3 }]),
    ];
    expect(wrong).to.have.length(7);
  });
});
