import { expect } from 'chai';
import { allSnags, changeJob, decide, type Job, type RibbonChoice } from '../../../src/index.ts';
import { cutFromRolls } from '../../../src/stations/size/ribbon.ts';
import { jobWith, plan, sized, workshop } from '../../support.ts';

const RIBBON: RibbonChoice = {
  ...{ name: 'Plum satin', colour: '#7b2869', widthMm: 9, way: 'across', bow: true, loopMm: 30, tailMm: 40 },
  roll: { metres: 10, priceMinor: 400 },
};
const tied = (part: Partial<RibbonChoice> = {}, format: Job['size']['format'] = 'sideFold'): Job =>
  jobWith(
    ...sized(format, 100, 84),
    decide((job) => job.brief.envelope, { kind: 'none' }),
    decide((job) => job.brief.wanted, 30),
    decide((job) => job.ribbon, { ...RIBBON, ...part }),
  );
const without = (job: Job): Job => changeJob(job, [decide((at) => at.ribbon, null)]);
const lengthOf = (job: Job): number => plan(job).size.ribbon!.lengthMm;
const thickOf = (job: Job): number => plan(without(job)).size.thicknessMm;
/** Four widths for the knot, twice two loops of 30, two tails of 40. */
const TYING = 4 * 9 + 4 * 30 + 2 * 40;

/** A wallet with so many pairs of holes of 5 mm, 6 mm off the spine, and a pocket of 40. */
const wallet = (pairs: number, part: Partial<RibbonChoice> = {}): Job =>
  changeJob(tied({ way: 'holes', ...part }, 'wallet'), [
    decide((job) => job.size.options, {
      ...{ pocketMm: 40, wingMm: 12, closeMm: 45, tabMm: 20, holePairs: pairs, holeMm: 5 },
    }),
  ]);

describe('a ribbon', () => {
  it('is as long as its way round the shut card, its knot, loops and tails', () => {
    const thick = thickOf(tied());
    expect(lengthOf(tied())).to.be.closeTo(2 * (100 + thick) + TYING, 1e-9);
    expect(lengthOf(tied({ way: 'down' }))).to.be.closeTo(2 * (84 + thick) + TYING, 1e-9);
    expect(lengthOf(tied({ way: 'both' }))).to.be.closeTo(2 * (100 + thick) + 2 * (84 + thick) + TYING, 1e-9);
    expect(lengthOf(tied({ bow: false }))).to.be.closeTo(2 * (100 + thick) + TYING - 120, 1e-9);
  });

  it('goes round what a band and a bow have made thicker', () => {
    const job = changeJob(tied(), [
      decide(
        (at) => at.trimmings,
        [{ id: 'b', trimmingId: 'quay-bow', faceId: 'front', xMm: 50, yMm: 42, adhesiveId: null }],
      ),
    ]);
    expect(lengthOf(job) - lengthOf(tied())).to.be.closeTo(2 * 6, 1e-9);
  });

  it('through two pairs of holes runs there and back between them, through the card both times', () => {
    // 84 less a pocket of 40 leaves 44: holes a third and two thirds down it.
    expect(lengthOf(wallet(2))).to.be.closeTo(2 * (44 / 3) + 2 * thickOf(wallet(2)) + TYING, 1e-6);
    // Three pairs: from the first to the last, a quarter to three quarters down.
    expect(lengthOf(wallet(3))).to.be.closeTo(2 * 22 + 2 * thickOf(wallet(3)) + TYING, 1e-6);
    // One: round the spine, 6 + 2.5 away.
    expect(lengthOf(wallet(1))).to.be.closeTo(2 * 8.5 + 2 * thickOf(wallet(1)) + TYING, 1e-6);
  });

  it('that has no hole, or is too wide for it, is said, with what mends it', () => {
    const lost = allSnags(plan(wallet(0))).find(({ id }) => id === 'size-ribbon-holes')!;
    expect(lost.level).to.equal('stop');
    const mended = changeJob(wallet(0), lost.remedies[0]!.changes);
    expect(allSnags(plan(mended)).map(({ id }) => id)).not.to.include('size-ribbon-holes');
    // Three times 5.
    expect(allSnags(plan(wallet(2, { widthMm: 15 }))).map(({ id }) => id)).not.to.include('size-ribbon-wide');
    const wide = allSnags(plan(wallet(2, { widthMm: 16 }))).find(({ id }) => id === 'size-ribbon-wide')!;
    expect(wide.remedies.map(({ label }) => label)).to.deep.equal(['Use a ribbon of 15 mm', 'Take it round the card']);
    for (const { changes } of wide.remedies)
      expect(allSnags(plan(changeJob(wallet(2, { widthMm: 16 }), changes))).map(({ id }) => id)).not.to.include(
        'size-ribbon-wide',
      );
    const short = allSnags(plan(tied({ roll: { metres: 0.4, priceMinor: 0 } }))).find(
      ({ id }) => id === 'size-ribbon-roll',
    )!;
    expect(short.why).to.contain('the roll holds 400 mm');
  });

  it('is cut from whole rolls, priced by its length, weighed, and tied last', () => {
    const job = tied();
    const { size, sell, make, envelope } = plan(job);
    // Up to the next 5 mm.
    const long = 5 * Math.ceil(lengthOf(job) / 5);
    expect(size.ribbon!.cutMm).to.equal(long);
    const inches = plan(job, { ...workshop, unit: 'in' }).size.ribbon!.cutMm / 25.4;
    expect(inches * 4).to.be.closeTo(Math.ceil((lengthOf(job) / 25.4) * 4), 1e-9);
    // 439 mm or so: 22 from a roll of 10 m, so that 30 take two.
    expect(cutFromRolls(size.ribbon!, 30)).to.deep.equal({ perRoll: 22, rolls: 2, metres: (30 * long) / 1000 });
    expect(sell.parts.find(({ id }) => id === 'ribbon')!.perCardMinor).to.be.closeTo((long / 10_000) * 400, 1e-9);
    expect(envelope.packed.parts.find(({ name }) => name === 'Plum satin')!.grams).to.be.closeTo(
      (long * 9 * 120) / 1e6,
      1e-9,
    );
    expect(envelope.packed.extras).to.include('lumpy');
    // Two sides of a quarter millimetre, a third of its width knotted, two for the loops.
    expect(size.thicknessMm - thickOf(job)).to.be.closeTo(0.5 + 3 + 2, 1e-9);
    const step = make.steps.find(({ kind }) => kind === 'ribbon')!;
    expect(step.big).to.equal(`30 × ${long} mm`);
    expect(step.detail).to.contain('22 from a roll of 10 m, 2 rolls').and.contain('seal the loose ends');
    expect(step.caution).to.contain('flame');
    expect(make.steps.at(-2)!.kind).to.equal('ribbon');
  });
});
