import { expect } from 'chai';
import { copyJob } from '../../src/job/copyJob.ts';
import { newJob } from '../../src/job/newJob.ts';
import { usesOf } from '../../src/job/usesOf.ts';
import type { Job } from '../../src/job/types.ts';
import { workshop } from '../support.ts';

const job: Job = {
  ...newJob('Harbour lights', workshop),
  names: { columns: ['name'], rows: [['Una']] },
};

describe('what a job uses of the workshop', () => {
  it('is each thing once: stocks of card, layers and a made envelope, the printer by its path, tools', () => {
    const layered: Job = {
      ...job,
      brief: { ...job.brief, envelope: { kind: 'shelf', envelopeId: 'teal' } },
      size: {
        ...job.size,
        layers: [{ id: 'a', kind: 'mat', faces: ['front'], revealMm: 3, stockIds: ['reed-120-a4', job.stock.stockId] }],
      },
      envelope: { ...job.envelope, make: true, stockId: 'night-270-a4' },
    };
    expect(usesOf(layered)).to.deep.equal([
      { shelf: 'stocks', id: job.stock.stockId },
      { shelf: 'stocks', id: 'reed-120-a4' },
      { shelf: 'stocks', id: 'night-270-a4' },
      { shelf: 'envelopes', id: 'teal' },
      { shelf: 'printers', id: job.stock.printerId, pathId: job.stock.pathId },
      { shelf: 'trimmers', id: job.cut.trimmerId },
      { shelf: 'boards', id: job.crease.boardId },
    ]);
  });

  it('leaves out what an envelope would be made of that is not made, and an envelope that is typed', () => {
    const bare: Job = {
      ...job,
      brief: { ...job.brief, envelope: { kind: 'typed', insideWidthMm: 160, insideHeightMm: 110 } },
      envelope: { ...job.envelope, make: false, stockId: 'night-270-a4' },
    };
    const shelves = usesOf(bare).map(({ shelf }) => shelf);
    expect(shelves).to.deep.equal(['stocks', 'printers', 'trimmers', 'boards']);
  });
});

describe('a job made after an earlier one', () => {
  const earlier: Job = {
    ...job,
    brief: { ...job.brief, wanted: 64, dueDate: '2026-12-04', notes: 'glossy side up', purpose: 'sell' },
    pictures: {
      sea: { name: 'sea.png', sha256: '0'.repeat(64), mime: 'image/png', widthPx: 10, heightPx: 10 },
    },
    art: { faces: { front: { background: '#14263c', picture: null, texts: [] } } },
    sheet: { ...job.sheet, spares: 7, grain: 'ignore' },
    sell: { ...job.sell, packOf: 8 },
  };
  const fresh = newJob('x', workshop);

  it('has its art and counts where they are wanted, and never its date or notes', () => {
    const all = copyJob(earlier, fresh, { title: 'Again', art: true, counts: true });
    expect(all).to.deep.equal({ ...earlier, brief: { ...earlier.brief, title: 'Again', dueDate: null, notes: '' } });
  });

  it('keeps size, stock, tools and purpose without them', () => {
    const bare = copyJob(earlier, fresh, { title: 'Again', art: false, counts: false });
    expect([bare.art.faces, bare.pictures, bare.names]).to.deep.equal([{}, {}, null]);
    expect([bare.brief.wanted, bare.sheet.spares, bare.sell.packOf]).to.deep.equal([12, null, 6]);
    expect(bare.size).to.deep.equal(earlier.size);
    expect([bare.stock, bare.cut, bare.brief.purpose, bare.sheet.grain]).to.deep.equal([
      earlier.stock,
      earlier.cut,
      'sell',
      'ignore',
    ]);
  });
});
