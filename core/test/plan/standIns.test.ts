import { expect } from 'chai';
import fc from 'fast-check';
import { changeJob } from '../../src/job/changeJob.ts';
import { decide, decideEach, type JobChange } from '../../src/job/decide.ts';
import type { Job } from '../../src/job/types.ts';
import { allSnags } from '../../src/plan/planJob.ts';
import { standIns } from '../../src/plan/standIns.ts';
import { runs } from '../runs.ts';
import { inkedWith, plan, sized, workshop } from '../support.ts';

const goneSnags = (job: Job) => allSnags(plan(job)).filter(({ id }) => id.includes('-gone-'));

/** Each way a job can name what is not there, and the station that can mend it. */
const GONE: readonly (readonly [string, readonly JobChange[]])[] = [
  ['brief', [decide((job) => job.brief.envelope, { kind: 'shelf', envelopeId: 'sold' })]],
  [
    'size',
    [
      decide(
        (job) => job.size.layers,
        [{ id: 'm', kind: 'mat', faces: ['front'], revealMm: 4, stockIds: ['shell-300-a4', 'sold'] }],
      ),
    ],
  ],
  ['stock', [decide((job) => job.stock.stockId, 'sold')]],
  ['stock', decideEach((job) => job.stock, { printerId: 'sold', pathId: 'sold' })],
  ['cut', [decide((job) => job.cut.trimmerId, 'sold')]],
  ['crease', [decide((job) => job.crease.boardId, 'sold')]],
  ['envelope', [decide((job) => job.envelope.stockId, 'sold')]],
];

describe('what the workshop no longer has', () => {
  const whole = inkedWith(...sized('sideFold', 96, 136));

  it('is nothing in a job that names only what is there', () => {
    expect(standIns(whole, workshop)).to.deep.equal({ job: whole, snags: [] });
  });

  it('is one stop at its own station for each thing, whatever else is gone, and each remedy mends it alone', () => {
    fc.assert(
      fc.property(
        fc.subarray(
          GONE.map((_, i) => i),
          { minLength: 1 },
        ),
        (which) => {
          const job = changeJob(
            whole,
            which.flatMap((i) => GONE[i]![1]),
          );
          const snags = goneSnags(job);
          expect(snags.map(({ station, level }) => `${station} ${level}`).sort()).to.deep.equal(
            which.map((i) => `${GONE[i]![0]} stop`).sort(),
          );
          for (const { id, remedies } of snags) {
            expect(remedies, id).to.not.be.empty;
            for (const { label, changes } of remedies) {
              const left = goneSnags(changeJob(job, changes)).map((snag) => snag.id);
              expect(left, label).to.deep.equal(snags.map((snag) => snag.id).filter((one) => one !== id));
            }
          }
        },
      ),
      { numRuns: runs(20) },
    );
  });

  it('is planned as the first remedy would be, and says so', () => {
    const job = changeJob(whole, [decide((job) => job.stock.stockId, 'silk')]);
    const [snag] = goneSnags(job);
    const first = workshop.stocks[0]!;
    expect(snag!.title).to.equal('The stock “silk” is not in this workshop');
    expect(snag!.why).to.contain(first.name);
    expect(plan(job).stock.stock).to.equal(first);
    const mended = plan(changeJob(job, snag!.remedies[0]!.changes));
    expect(plan(job).sheet.up).to.equal(mended.sheet.up);
    expect(plan(job).sell.figures).to.deep.equal(mended.sell.figures);
  });

  it('of an envelope is none, in words that can be read', () => {
    const [snag] = goneSnags(changeJob(whole, GONE[0]![1]));
    expect(snag!.remedies[0]!.label).to.equal('Do without');
    expect(snag!.why).to.contain('all figures are those of a card without an envelope.');
  });

  it('of a printer that is there is its path: the other paths of that printer are offered', () => {
    const printer = workshop.printers.find(({ paths }) => paths.length > 1)!;
    const job = changeJob(
      whole,
      decideEach((job) => job.stock, { printerId: printer.id, pathId: 'sold' }),
    );
    const [snag, ...others] = goneSnags(job);
    expect(others).to.be.empty;
    expect(snag!.remedies.map(({ label }) => label)).to.deep.equal(printer.paths.map(({ name }) => `Use ${name}`));
  });
});
