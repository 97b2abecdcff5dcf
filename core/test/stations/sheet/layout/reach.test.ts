import { expect } from 'chai';
import fc from 'fast-check';
import { evenSides, grow, isInside, mapBox } from '../../../../src/ground/geometry/box.ts';
import type { Sides } from '../../../../src/ground/geometry/types.ts';
import type { Job } from '../../../../src/job/types.ts';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import type { Workshop } from '../../../../src/workshop/types.ts';
import { uprightGrain } from '../../../../src/shared/sharedPieces.ts';
import { outOfReach } from '../../../../src/stations/sheet/layout/reach.ts';
import { inkedWith, jobWith, plan, sized, words, workshop } from '../../../support.ts';
import { runs } from '../../../runs.ts';

/** A workshop whose every path leaves these edges white. */
const shopWith = (marginsMm: Sides): Workshop => ({
  ...workshop,
  printers: workshop.printers.map((printer) => ({
    ...printer,
    paths: printer.paths.map((path) => ({ ...path, marginsMm })),
  })),
});
const BOTH: JobChange = decide((job) => job.art.faces, {
  front: { background: '#14263c', picture: null, texts: [] },
  insideBack: { background: '#a0c0d0', picture: null, texts: [words('Come down to the harbour')] },
});

describe('outOfReach', () => {
  const a4 = { widthMm: 210, heightMm: 297 };
  const m = { top: 3, right: 4, bottom: 12.7, left: 5 };

  it('of one side is the page’s own margins, as that side is fed', () => {
    expect(outOfReach(m, a4, 'short', ['front'])).to.deep.equal(m);
    // Head over foot: the foot of a back’s page lies behind the head of the front’s.
    expect(outOfReach(m, a4, 'short', ['back'])).to.deep.equal({ top: 12.7, right: 4, bottom: 3, left: 5 });
    expect(outOfReach(m, a4, 'long', ['back'])).to.deep.equal({ top: 3, right: 5, bottom: 12.7, left: 4 });
  });

  it('of both sides is the wider at every edge, and nothing where nothing is printed', () => {
    expect(outOfReach(m, a4, 'short', ['front', 'back'])).to.deep.equal({ top: 12.7, right: 4, bottom: 12.7, left: 5 });
    expect(outOfReach(m, a4, 'long', ['front', 'back'])).to.deep.equal({ top: 3, right: 5, bottom: 12.7, left: 5 });
    expect(outOfReach(m, a4, 'long', [])).to.deep.equal({ top: 0, right: 0, bottom: 0, left: 0 });
  });

  it('on a sheet that lies, the long edge is the one at its head', () => {
    expect(outOfReach(m, { widthMm: 297, heightMm: 210 }, 'long', ['back']).top).to.equal(12.7);
  });
});

describe('a shared sheet', () => {
  it('that was turned for its grain keeps clear of what each of its pages leaves white', () => {
    // Fibres of the short-grained A4 run across it, so it is laid out on its side: what was its left edge is its head.
    const stock = workshop.stocks.find(({ id }) => id === 'shell-300-a4-short')!;
    const m = { top: 3, right: 4, bottom: 12.7, left: 5 };
    const sheet = uprightGrain(stock, m, 'sheets', { sides: ['front', 'back'], flipEdge: 'short' });
    expect([sheet.widthMm, sheet.heightMm, sheet.quarterTurned]).to.deep.equal([297, 210, true]);
    // As fed 3 / 4 / 12.7 / 5, and 12.7 / 4 / 3 / 5 turned head over foot: 12.7 / 4 / 12.7 / 5 of both.
    const width = (edge: keyof Sides): number => sheet.marginsMm[edge];
    expect([width('top'), width('right'), width('bottom'), width('left')].sort((a, b) => a - b)).to.deep.equal([
      4, 5, 12.7, 12.7,
    ]);
    expect([width('left'), width('right')]).to.deep.equal([12.7, 12.7]);
  });
});

describe('what cannot be reached', () => {
  const figureOf = (job: Job) => plan(job).sheet.figures.find(({ id }) => id === 'margins');

  it('is a machine’s own edge where that is wider, with the machine named', () => {
    const machine: JobChange = decide((job) => job.cut.trimmerId, 'petrel');
    const cut = figureOf(inkedWith(...sized('flat', 60, 60), machine))!;
    // The Petrel keeps 10 mm all round, the Gull’s rear feed 3.4.
    expect(cut.label).to.equal('Printer and machine cannot reach');
    expect(cut.value).to.deep.equal({ kind: 'text', text: '10 mm all round' });
    const bare = figureOf(jobWith(...sized('flat', 60, 60), machine))!;
    expect([bare.label, bare.value]).to.deep.equal([
      'The machine cannot reach',
      { kind: 'text', text: '10 mm all round' },
    ]);
    expect(figureOf(jobWith(...sized('flat', 60, 60)))).to.equal(undefined);
  });
});

describe('both sides', () => {
  it('keep trim and bleed inside what is printable, each page as it is fed', () => {
    let uneven = 0;
    const side = fc.integer({ min: 0, max: 130 }).map((n) => n / 10);
    fc.assert(
      fc.property(
        fc.record({ top: side, right: side, bottom: side, left: side }),
        fc.constantFrom('sideFold', 'tentFold', 'flat', 'zigzag', 'gateFold'),
        fc.integer({ min: 50, max: 120 }),
        fc.integer({ min: 50, max: 150 }),
        fc.constantFrom('long', 'short'),
        fc.constantFrom('shell-300-a4', 'shell-300-a3', 'harbour-216-letter'),
        (margins, format, width, height, flipEdge, stockId) => {
          const job: Job = inkedWith(
            ...sized(format, width, height),
            BOTH,
            decide((job) => job.sheet.flipEdge, flipEdge),
            decide((job) => job.sheet.marks, true),
            decide((job) => job.stock.stockId, stockId),
          );
          const { sheet, size } = plan(job, shopWith(margins));
          if (sheet.up === 0) return;
          const [W, H] = [sheet.sheetWidthMm, sheet.sheetHeightMm];
          const upright = H >= W;
          // Turned like a page of a book, left and right change places; turned head over foot, head and foot.
          const likeABook = (flipEdge === 'long') === upright;
          const b = size.bleedMm;
          const inked = size.faces.filter(({ id }) => job.art.faces[id]?.background);
          for (const { trim, toSheet } of sheet.placements) {
            expect(isInside(trim, { xMm: 0, yMm: 0, widthMm: W, heightMm: H })).to.equal(true);
            for (const { side: printed, panelId } of inked) {
              const panel = size.form.blank.panels.find(({ id }) => id === panelId)!;
              const ink = mapBox(toSheet, grow(panel.box, evenSides(b)));
              const [x0, x1] = [ink.xMm, ink.xMm + ink.widthMm];
              const [y0, y1] = [ink.yMm, ink.yMm + ink.heightMm];
              const page =
                printed === 'outside'
                  ? { left: x0, right: W - x1, top: y0, bottom: H - y1 }
                  : likeABook
                    ? { left: W - x1, right: x0, top: y0, bottom: H - y1 }
                    : { left: x0, right: W - x1, top: H - y1, bottom: y0 };
              for (const edge of ['top', 'right', 'bottom', 'left'] as const) {
                expect(page[edge], `${edge} of ${W} × ${H}, ${flipEdge}`).to.be.at.least(margins[edge] - 1e-4);
                if (page[edge] < margins[edge] + 0.5) uneven += 1;
              }
            }
          }
        },
      ),
      { numRuns: runs(120) },
    );
    expect(uneven, 'cards that lie against a margin').to.be.at.least(Math.floor(runs(120) / 24));
  });
});
