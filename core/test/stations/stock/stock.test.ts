import type { Job } from '../../../src/job/types.ts';
import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import { poundsOf, sayWeight } from '../../../src/workshop/stockLabel.ts';
import { selfBucklingHeightMm, standWord } from '../../../src/stations/stock/standing.ts';
import { pressing } from '../../../src/stations/stock/pressure.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { pathRefusals } from '../../../src/stations/stock/planStock.ts';
import { jobWith, plan, sized, workshop } from '../../support.ts';

describe('weights', () => {
  it('turns gsm into pounds of a named grade: lb = gsm × basis area ÷ 1406.14', () => {
    // 300 × (20 × 26) ÷ 1406.14 = 110.94 lb cover; 120 × (25 × 38) ÷ 1406.14 = 81.07 lb text.
    expect(poundsOf(300, 'cover')).to.be.closeTo(110.94, 0.01);
    expect(poundsOf(120, 'text')).to.be.closeTo(81.07, 0.01);
    expect(sayWeight(216, 'cover')).to.equal('216 gsm (80 lb cover)');
  });
});

describe('standing', () => {
  const paper = { gsm: 250, caliperMicron: 300 };
  it('finds the self-buckling height of a strip', () => {
    // t = 0.3 mm, G = 0.25 kg/m², E = 3.5 GPa:
    // 7.8373 × 3.5e9 × 2.7e-11 ÷ (12 × 0.25 × 9.81) = 0.740623 ÷ 29.43 = 0.0251656; cube root 0.29304 m.
    expect(selfBucklingHeightMm(paper, 'along').mm).to.be.closeTo(293.0, 0.1);
  });
  it('halves the stiffness across the grain, so the height falls by the cube root of two', () => {
    expect(selfBucklingHeightMm(paper, 'along').mm / selfBucklingHeightMm(paper, 'across').mm).to.be.closeTo(
      2 ** (1 / 3),
      1e-9,
    );
  });
  it('has three words', () =>
    expect([1.29, 1.3, 2, 2.01].map(standWord)).to.deep.equal(['flops', 'stands', 'stands', 'sturdy']));
});

describe('pressing', () => {
  it('goes by the coating, and by the maker when they choose', () => {
    expect(pressing('uncoated', 250, 'byCoating')).to.include({ school: 'firm', passes: 3 });
    expect(pressing('gloss', 250, 'byCoating')).to.include({ school: 'light', passes: 2 });
    expect(pressing('gloss', 250, 'firm')).to.include({ school: 'firm', passes: 3 });
    expect(pressing('uncoated', 400, 'byCoating').passes).to.equal(4);
    expect(pressing('uncoated', 400, 'byCoating').tipMm[1]).to.be.closeTo(0.8, 1e-9);
  });
});

describe('standing', () => {
  const flopping = (height: number): ReturnType<typeof jobWith> =>
    jobWith(
      ...sized('tentFold', 100, height),
      decide((job) => job.stock.stockId, 'reed-120-a4'),
    );

  it('takes the fibres from how the cards lie, whatever the grain was set to', () => {
    // Long-grained A4, fibres down the sheet. 100 × 140 side folds, open 200 × 140: only as drawn do two lie on it, with
    // their fibres up as they stand, though either way was allowed.
    const either = plan(
      jobWith(
        ...sized('sideFold', 100, 140),
        decide((job) => job.sheet.grain, 'ignore'),
      ),
    );
    expect(either.sheet.cells.map(({ turned }) => turned)).to.deep.equal([false, false]);
    const minded = plan(
      jobWith(
        ...sized('sideFold', 100, 140),
        decide((job) => job.sheet.grain, 'respect'),
      ),
    );
    expect(either.stock.standing!.score).to.equal(minded.stock.standing!.score);
    // A tent open 95 × 140: turned, along its fold, three lie on the sheet and stand with their fibres level; as drawn
    // four do, and stand with them up.
    const tent = (grain: Job['sheet']['grain']) =>
      plan(
        jobWith(
          ...sized('tentFold', 95, 70),
          decide((job) => job.sheet.grain, grain),
        ),
      );
    expect(tent('respect').sheet.cells.every(({ turned }) => turned)).to.equal(true);
    expect(tent('ignore').sheet.cells.every(({ turned }) => !turned)).to.equal(true);
    // A strip between table and ridge bends up its length alone; as a plate a little is held across as well.
    expect(tent('ignore').stock.standing!.score! / tent('respect').stock.standing!.score!).to.be.closeTo(
      2 ** (1 / 3),
      0.03,
    );
  });

  it('offers a heavier card only where it stands', () => {
    // 120 gsm at 170 mm flops; of the heavier ones each that is offered stands, and the lightest that does comes first.
    const job = flopping(170);
    const { stock } = plan(job);
    expect(stock.stand).to.equal('flops');
    const { remedies } = stock.snags.find(({ id }) => id === 'stock-flops')!;
    expect(remedies[0]!.label).to.match(/^Use .*: \d+ up$/);
    for (const { changes, label } of remedies)
      expect(plan(changeJob(job, changes)).stock.stand, label).not.to.equal('flops');
    // At 280 mm nothing on the shelf stands, and nothing is offered.
    const tall = plan(flopping(280)).stock;
    expect(tall.stand).to.equal('flops');
    expect(tall.snags.find(({ id }) => id === 'stock-flops')!.remedies).to.deep.equal([]);
  });
});

describe('pathRefusals', () => {
  const stock = workshop.stocks.find(({ id }) => id === 'shell-300-a4')!;
  // A4 in 300 gsm of 370 µm.
  const path = {
    ...workshop.printers[0]!.paths[0]!,
    heaviestGsm: 300,
    thickestMicron: 370,
    widestMm: 210,
    longestMm: 297,
  };

  it('lets through what is just as heavy, thick, wide and long as a path takes', () => {
    expect(pathRefusals(path, stock, workshop)).to.deep.equal([]);
    expect(pathRefusals(path, { ...stock, sheetWidthMm: 297, sheetHeightMm: 210 }, workshop)).to.deep.equal([]);
  });

  it('says each thing that is too much, the longest side as well as the shortest', () => {
    const refusals = (part: Partial<typeof path>) => pathRefusals({ ...path, ...part }, stock, workshop);
    expect(refusals({ heaviestGsm: 299 })).to.deep.equal(['300 gsm is over its 299 gsm']);
    expect(refusals({ thickestMicron: 369 })).to.deep.equal(['370 µm is over its 369 µm']);
    expect(refusals({ longestMm: 296 })[0]).to.match(/^the 210 × 297 mm sheet is larger than its 210 × 296 mm/);
    expect(refusals({ widestMm: 209 })[0]).to.match(/^the 210 × 297 mm sheet is larger than its 209 × 297 mm/);
    expect(refusals({ heaviestGsm: 1, thickestMicron: 1, widestMm: 1 })).to.have.length(3);
  });
});

describe('planStock', () => {
  it('stops heavy card at a curved cassette and offers a path that takes it', () => {
    const job = jobWith(
      ...sized('sideFold', 96, 136),
      decide((job) => job.stock, { stockId: 'shell-300-a4', printerId: 'gull', pathId: 'cassette' }),
    );
    const snag = plan(job).stock.snags.find((s) => s.id === 'stock-path')!;
    expect(snag.level).to.equal('stop');
    expect(snag.why).to.contain('300 gsm is over its 200 gsm');
    for (const remedy of snag.remedies)
      expect(
        plan(changeJob(job, remedy.changes)).stock.snags.map((s) => s.id),
        remedy.label,
      ).not.to.include('stock-path');
  });
  it('says whether to score, and why a tall thin card flops', () => {
    const light = jobWith(
      ...sized('tentFold', 148, 280),
      decide((job) => job.stock.stockId, 'reed-120-a4'),
    );
    const { stock } = plan(light);
    expect(stock.needsScore).to.be.false;
    expect(stock.stand).to.equal('flops');
    expect(plan(jobWith(...sized('sideFold', 96, 136))).stock.needsScore).to.be.true;
  });
});
