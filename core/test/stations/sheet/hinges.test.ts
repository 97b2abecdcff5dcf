import { expect } from 'chai';
import { changeJob } from '../../../src/job/changeJob.ts';
import { decide, decideEach } from '../../../src/job/decide.ts';
import type { Stock, Workshop } from '../../../src/workshop/types.ts';
import { jobWith, plan, workshop } from '../../support.ts';

/** Card that wants its hinges along its fibres, on a sheet whose fibres run down its 297 mm. */
const board: Stock = {
  ...workshop.stocks[0]!,
  ...{ id: 'board', gsm: 280, grain: 'long', sheetWidthMm: 210, sheetHeightMm: 297, onShelf: 500 },
};
const stepOn = (stock: Stock, widthMm: number) => {
  const shelf: Workshop = { ...workshop, stocks: [stock, ...workshop.stocks] };
  const job = jobWith(
    ...decideEach((job) => job.size, { format: 'tentFold', finishedWidthMm: 400, finishedHeightMm: 105, options: {} }),
    decide(
      (job) => job.size.layers,
      [
        {
          ...{ id: 'step', kind: 'popUp', faces: [], revealMm: 0, stockIds: [stock.id] },
          popUp: { mechanism: 'boxStep', alongMm: 20, widthMm, depthMm: 30, heightMm: 30, tabMm: 8 },
        },
      ],
    ),
  );
  return { job, shelf, made: plan(job, shelf) };
};

describe('the hinges of a pop-up', () => {
  it('lie along the fibres: a strip of 76 by 60 mm upright, where lying as it comes would give as many', () => {
    const { made } = stepOn(board, 60);
    // Its creases run up the drawing, and so do the fibres: none is turned.
    expect(made.sheet.layers[0]!.laid.map(({ turned }) => turned)).to.not.include(true);
    // Two across 210 mm and four down 297.
    expect(made.sheet.layers[0]!.up).to.equal(8);
    const short = stepOn({ ...board, grain: 'short' }, 60);
    expect(short.made.sheet.layers[0]!.laid.every(({ turned }) => turned)).to.equal(true);
  });

  it('are said to lie across them where nothing else fits, with a stock that does not mind', () => {
    // 250 mm long hinges fit down the sheet only, and there the fibres of short grain run across them.
    const { made, job, shelf } = stepOn({ ...board, grain: 'short' }, 250);
    const snag = made.sheet.snags.find(({ id }) => id === 'sheet-layer-grain-step-1')!;
    expect(snag.level).to.equal('warn');
    const after = plan(changeJob(job, snag.remedies[0]!.changes), shelf);
    expect(after.sheet.snags.map(({ id }) => id)).to.not.include(snag.id);
    expect(stepOn(board, 250).made.sheet.snags.map(({ id }) => id)).to.not.include(snag.id);
  });
});
