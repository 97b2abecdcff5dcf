import { expect } from 'chai';
import { changeJob } from '../../../src/job/changeJob.ts';
import { decide, decideEach } from '../../../src/job/decide.ts';
import { allSnags } from '../../../src/plan/planJob.ts';
import { FORMATS } from '../../../src/stations/size/formats/index.ts';
import { CAUTIONS } from '../../../src/stations/make/cautions.ts';
import { shelfOf } from '../../putOn.ts';
import { jobWith, plan, sized, workshop } from '../../support.ts';

const shop = shelfOf(workshop);
const wallet = (adhesiveId: string | null, contentGrams = 0) =>
  jobWith(...sized('wallet', 120, 84), ...decideEach((job) => job.size, { adhesiveId, contentGrams }));

describe('the seams of a card itself', () => {
  it('are laid with what the job names, each with its share of what the card holds', () => {
    const { seams } = plan(wallet('tape', 60), shop).size;
    expect(seams.map(({ name }) => name)).to.deep.equal(['Left wing', 'Right wing']);
    // 60 g on two wings, three times over: 90 g on each.
    for (const { laying } of seams) expect(laying.ok && laying.bearsGrams).to.be.at.least(90);
    expect(plan(wallet(null, 60), shop).size.seams).to.deep.equal([]);
  });

  it('take tape, money and a step that says how', () => {
    const [made, bare] = [plan(wallet('tape'), shop), plan(wallet(null), shop)];
    const [use] = made.make.adhesives;
    // A strip on each wing of a pocket 40 deep, less what it stays off the ends: between 50 and 80 mm.
    expect(use!.perCard * 1000).to.be.within(50, 80);
    expect(bare.make.adhesives).to.deep.equal([]);
    const fold = made.make.steps.find(({ id }) => id === 'fold')!;
    expect(fold.title).to.equal('Fold and glue');
    expect(fold.detail).to.match(/Left wing: .* of Tape\..*Right wing:/);
    // Glue of whatever kind is warned of, and tape is not.
    expect(fold.caution).to.equal(null);
    expect(bare.make.steps.find(({ id }) => id === 'fold')!.caution).to.equal(CAUTIONS.glue);
  });

  it('say that what the card holds is too heavy for them, and each remedy bears it', () => {
    const heavy = wallet('dots', 900);
    const snag = plan(heavy, shop).size.snags.find(({ id }) => id === 'size-seam-holds')!;
    expect(snag.title).to.match(/wing/i);
    for (const { label, changes } of snag.remedies)
      expect(
        allSnags(plan(changeJob(heavy, changes), shop)).map(({ id }) => id),
        label,
      ).to.not.include('size-seam-holds');
  });

  it('are weighed with what the card holds, where it has a place to hold it', () => {
    const grams = (job: ReturnType<typeof wallet>): number => plan(job, shop).envelope.packed.grams;
    expect(grams(wallet(null, 25)) - grams(wallet(null))).to.be.closeTo(25, 1e-9);
    const flat = (contentGrams: number) =>
      jobWith(
        ...sized('flat', 120, 84),
        decide((job) => job.size.contentGrams, contentGrams),
      );
    expect(grams(flat(25))).to.equal(grams(flat(0)));
  });

  it('name panels that are there, and lie on another when the card is shut', () => {
    for (const { id } of FORMATS) {
      const { form } = plan(jobWith(...sized(id, 120, 150))).size;
      for (const glued of form.glued ?? [])
        expect(
          form.blank.panels.map((panel) => panel.id),
          id,
        ).to.include(glued);
    }
  });
});
