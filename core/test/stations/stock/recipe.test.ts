import { expect } from 'chai';
import { decide } from '../../../src/job/decide.ts';
import type { Job } from '../../../src/job/types.ts';
import type { Stock } from '../../../src/workshop/types.ts';
import { inkedWith, jobWith, plan, sized, workshop } from '../../support.ts';

const withStock = (part: Partial<Stock>) => ({
  ...workshop,
  stocks: workshop.stocks.map((stock) => ({ ...stock, ...part })),
});
const recipes = (job: Job, part: Partial<Stock>) => plan(job, withStock(part)).stock.recipes!;
const bare = jobWith(...sized('sideFold', 96, 136));
const inked = inkedWith(...sized('sideFold', 96, 136));

describe('how folds are pressed', () => {
  it('is the gentlest way that keeps them: three firm passes on board of 300 µm, four on 370', () => {
    expect(recipes(bare, { coating: 'uncoated', caliperMicron: 300 }).inForce).to.include({
      ...{ school: 'firm', passes: 3, damp: false, keeps: true },
    });
    expect(recipes(bare, { coating: 'uncoated', caliperMicron: 370 }).inForce).to.include({ passes: 4, keeps: true });
    expect(recipes(bare, { coating: 'uncoated', caliperMicron: 300 }).inForce.tipMm[1]).to.be.closeTo(0.6, 1e-9);
  });

  it('widens the tip on a skin before it presses more', () => {
    const { inForce } = recipes(bare, { coating: 'gloss', caliperMicron: 250 });
    expect(inForce).to.include({ school: 'light', passes: 2, keeps: true });
    expect(inForce.tipMm[0]).to.be.above(1.5 * 0.25);
  });

  it('asks for more where fewer may crack', () => {
    const strict = jobWith(
      ...sized('sideFold', 96, 136),
      decide((job) => job.crease.cracksUpTo, 0.06),
    );
    const part = { coating: 'uncoated', caliperMicron: 250 } as const;
    const [usual, less] = [recipes(bare, part).inForce, recipes(strict, part).inForce];
    expect(less.cracks.cracked).to.be.below(usual.cracks.cracked);
    expect(less.cracks.cracked).to.be.at.most(0.06);
  });

  it('wets bare card alone, and none that is printed', () => {
    const across = { coating: 'uncoated', caliperMicron: 250, grain: 'short' } as const;
    const free = (job: Job): Job => ({ ...job, sheet: { ...job.sheet, grain: 'ignore' } });
    const some = (job: Job) => recipes(free(job), across);
    expect(plan(free(bare), withStock(across)).sheet.grainAlongFold).to.equal(false);
    expect([some(bare).inForce.damp, some(bare).other.damp]).to.include(true);
    expect([some(inked).inForce.damp, some(inked).other.damp]).to.not.include(true);
  });

  it('goes by the strips of the stock, and its figure says so', () => {
    const judged = {
      fibres: 'along',
      ink: 'bare',
      school: 'firm',
      passes: 3,
      tipMm: 0.5,
      bead: 'inside',
      damp: false,
    } as const;
    const folds = Array.from({ length: 5 }, () => ({ ...judged, judged: 'cracked' as const }));
    const part = {
      coating: 'uncoated',
      caliperMicron: 300,
      measured: { stacks: [], weights: [], overhangs: [], folds },
    } as const;
    const { stock, crease } = plan(bare, withStock(part));
    expect(stock.recipes!.inForce.cracks.cracked).to.be.above(0.2);
    const snag = crease.snags.find(({ id }) => id === 'crease-cracks')!;
    expect(snag.level).to.equal('warn');
    expect(snag.why).to.contain('your own folds');
    const figure = stock.figures.find(({ id }) => id === 'cracks')!;
    expect(figure.working.inputs.find(({ label }) => label === 'Folds judged')!.value).to.deep.equal({
      kind: 'count',
      count: 5,
    });
    expect(stock.verdicts.find(({ id }) => id === 'press')!.good).to.equal(false);
  });

  it('is asked of nothing that is flat or scored already', () => {
    expect(plan(jobWith(...sized('flat', 96, 136))).stock.recipes).to.equal(null);
  });

  it('counts ink on the side that a fold stretches: the outside of a mountain, the inside of a valley', () => {
    const inside = jobWith(
      ...sized('sideFold', 96, 136),
      decide((job) => job.art.faces, { insideBack: { background: '#cfe6e4', picture: null, texts: [] } }),
    );
    const over = (job: Job) =>
      plan(job)
        .stock.figures.find(({ id }) => id === 'cracks')!
        .working.inputs.find(({ label }) => label === 'Over it')!.value;
    expect(over(inside)).to.deep.equal({ kind: 'text', text: 'bare card' });
    expect(over(inked)).to.deep.equal({ kind: 'text', text: 'a solid' });
  });
});
