import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import { changeJob } from '../../../src/job/changeJob.ts';
import { jobWith, plan, sized } from '../../support.ts';

describe('planCrease', () => {
  const tent = jobWith(
    ...sized('tentFold', 148, 105),
    decide((job) => job.crease.boardId, 'five-board'),
  );

  it('finds the groove: 105 mm is the 21st of a 5 mm board', () => {
    expect(plan(tent).crease.lines[0]).to.include({
      edgeAtStop: 'top',
      fromStopMm: 105,
      groove: 21,
      grooveAtMm: 105,
      errorMm: 0,
      faceUp: 'outside',
    });
    expect(plan(tent).crease.snags).to.be.empty;
  });

  it('says how far off the nearest groove is, and each remedy lands on one', () => {
    const off = changeJob(tent, [decide((job) => job.crease.boardId, 'inch-board')]);
    const { crease } = plan(off);
    // 105 ÷ 3.175 = 33.07; the 33rd groove is at 104.775, 0.225 mm short: not worth a word.
    expect(crease.lines[0]!.errorMm).to.be.closeTo(-0.225, 1e-9);
    expect(crease.snags).to.be.empty;
    const worse = changeJob(tent, [decide((job) => job.size.finishedHeightMm, 102)]);
    const snag = plan(worse).crease.snags[0]!;
    expect(snag.title).to.contain('2.0 mm off');
    expect(snag.level).to.equal('warn');
    for (const remedy of snag.remedies)
      expect(
        plan(changeJob(worse, remedy.changes)).crease.snags.map((s) => s.id),
        remedy.label,
      ).not.to.include('crease-groove');
  });

  it('turns the inside up for a fold into the groove', () => {
    expect(plan(changeJob(tent, [decide((job) => job.crease.bead, 'intoGroove')])).crease.lines[0]!.faceUp).to.equal(
      'inside',
    );
  });

  it('has nothing to crease on a flat card', () =>
    expect(plan(jobWith(...sized('flat', 148, 105))).crease.lines).to.be.empty);
});
