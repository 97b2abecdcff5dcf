import { expect } from 'chai';
import { tryOut } from '../../../../src/stations/sheet/layout/tryOut.ts';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import type { Workshop } from '../../../../src/workshop/types.ts';
import { bleeding, inkedWith, jobWith, plan, sized, workshop } from '../../../support.ts';

const bleed = (mm: number): JobChange => decide((job) => job.size.bleedMm, mm);
const petrel: JobChange = decide((job) => job.cut.trimmerId, 'petrel');

describe('trying changes out on the sheet', () => {
  it('lays out the job as it would be, and leaves the job as it is', () => {
    const job = inkedWith(...sized('flat', 105, 74), bleed(3));
    const before = JSON.stringify(job);
    expect(tryOut(job, workshop, bleeding('front'), []).comesOut).to.equal(plan(job).sheet.up);
    const [now, naked] = [
      tryOut(job, workshop, bleeding('front'), []),
      tryOut(job, workshop, bleeding('front'), [bleed(0)]),
    ];
    expect(naked.comesOut).to.be.at.least(now.comesOut);
    expect([now.card.bleedMm, naked.card.bleedMm]).to.deep.equal([3, 0]);
    expect(JSON.stringify(job)).to.equal(before);
  });

  it('binds by ink alone: where nothing is printed the whole sheet is there', () => {
    const job = jobWith(...sized('flat', 105, 74), bleed(3));
    expect(tryOut(job, workshop, bleeding(), []).comesOut).to.equal(8);
    expect(tryOut(job, workshop, bleeding('front'), [bleed(0)]).comesOut).to.be.below(8);
  });

  it('counts nothing where a machine would find no mark, and cards again with a tool in the hand', () => {
    // The Petrel keeps 10 mm all round: one of 188 × 276 fills the 190 × 277 that are left, and lies on its marks.
    const job = inkedWith(...sized('flat', 188, 276), bleed(0), petrel);
    const machine = tryOut(job, workshop, bleeding('front'), []);
    expect([machine.up, machine.machineMarks, machine.comesOut]).to.deep.equal([1, [], 0]);
    const byHand = tryOut(job, workshop, bleeding('front'), [
      decide((job) => job.cut.trimmerId, workshop.trimmers[0]!.id),
    ]);
    expect(byHand.comesOut).to.equal(1);
    // Bare card goes into the machine’s corner and needs none.
    expect(tryOut(job, workshop, bleeding(), [])).to.deep.include({ comesOut: 1, machineMarks: [] });
  });

  it('takes the sheet that is cut down, and another stock’s own sheet', () => {
    const job = inkedWith(...sized('flat', 100, 100), bleed(3));
    const halved: JobChange = decide((job) => job.sheet.cutDown, { widthMm: 210, heightMm: 148.5 });
    // One way only, two of them want 212 mm and the bleed of one more.
    expect(tryOut(job, workshop, bleeding('front'), [halved]).comesOut).to.equal(1);
    const a3 = tryOut(job, workshop, bleeding('front'), [decide((job) => job.stock.stockId, 'shell-300-a3')]);
    expect([a3.question.sheetWidthMm, a3.question.sheetHeightMm]).to.deep.equal([297, 420]);
    // 297 − 6.8 holds two of 106, 420 − 6.8 three.
    expect(a3.comesOut).to.equal(6);
  });

  it('keeps clear of what the printer leaves of either side, by the edge the sheet turns on', () => {
    const shop: Workshop = {
      ...workshop,
      printers: workshop.printers.map((printer) => ({
        ...printer,
        paths: printer.paths.map((path) => ({ ...path, marginsMm: { top: 3, right: 3, bottom: 25, left: 3 } })),
      })),
    };
    // 297 − 3 − 25 is 269 for one side, or for both where head and foot keep their places; 297 − 25 − 25 is 247 for both
    // turned head over foot. 240 mm with its bleed is 246.
    const job = inkedWith(...sized('flat', 150, 240), bleed(3));
    const out = (sides: readonly ('front' | 'back')[], flipEdge: 'long' | 'short') =>
      tryOut(job, shop, bleeding(...sides), [decide((job) => job.sheet.flipEdge, flipEdge)]).comesOut;
    expect([out(['front'], 'short'), out(['back'], 'short'), out(['front', 'back'], 'short')]).to.deep.equal([1, 1, 1]);
    const tall = inkedWith(...sized('flat', 150, 255), bleed(3));
    const stands = (sides: readonly ('front' | 'back')[], flipEdge: 'long' | 'short') =>
      tryOut(tall, shop, bleeding(...sides), [decide((job) => job.sheet.flipEdge, flipEdge)]).comesOut;
    // 261 mm with its bleed: 269 of one side hold it, the 247 of both sides turned head over foot do not.
    expect([
      stands(['front'], 'short'),
      stands(['front', 'back'], 'long'),
      stands(['front', 'back'], 'short'),
    ]).to.deep.equal([1, 1, 0]);
  });
});
