import { expect } from 'chai';
import fc from 'fast-check';
import { FORMATS } from '../../src/stations/size/formats/index.ts';
import { formatEntry } from '../../src/stations/size/formats/index.ts';
import { EMPTY_FACE } from '../../src/job/newJob.ts';
import { allSnags, planJob } from '../../src/plan/planJob.ts';
import { startJob, type Start } from '../../src/plan/startJob.ts';
import {
  newBoard,
  newEnvelope,
  newPrinter,
  newStock,
  newTrimmer,
  PRINTER_KINDS,
} from '../../src/workshop/newThings.ts';
import { setUpWorkshop } from '../../src/workshop/setUp.ts';
import { TRIMMER_KINDS, type Workshop } from '../../src/workshop/types.ts';
import type { Papers } from '../../src/workshop/region.ts';
import { workshop as saltmarsh } from '../support.ts';

const wish: Start = { title: 'A card', purpose: 'give', wanted: 12 };

/** Every face inked to its edges, planned again by itself: the picture that a maker will want to lay there. */
function stopsOnceInked({ job }: ReturnType<typeof startJob>, workshop: Workshop): readonly string[] {
  const context = { typefaces: new Map(), today: null };
  const ids = planJob(job, workshop, context).size.faces.map(({ id }) => id);
  const faces = Object.fromEntries(ids.map((id) => [id, { ...EMPTY_FACE, background: '#336699' as const }]));
  const stopsOf = (art: typeof job.art): readonly string[] =>
    allSnags(planJob({ ...job, art }, workshop, context))
      .filter(({ level }) => level === 'stop')
      .map(({ id, title }) => `${id}: ${title}`);
  return [...stopsOf(job.art), ...stopsOf({ faces })];
}

/** Sheets that shops sell, and one that a maker cut down. */
const SHEETS = [
  [210, 297],
  [297, 420],
  [215.9, 279.4],
  [215.9, 355.6],
  [279.4, 431.8],
  [304.8, 304.8],
  [152.4, 228.6],
  [148, 210],
  [127, 177.8],
] as const;

const aWorkshop = (): fc.Arbitrary<Workshop> =>
  fc
    .record({
      papers: fc.constantFrom<Papers>('iso', 'northAmerican'),
      stocks: fc.array(
        fc.record({
          sheet: fc.constantFrom(...SHEETS),
          gsm: fc.integer({ min: 90, max: 350 }),
          grain: fc.constantFrom('long' as const, 'short' as const),
          onShelf: fc.constantFrom(0, 5, 100),
          colour: fc.constantFrom('#ffffff', '#14263c', '#c9a26b'),
        }),
        { minLength: 1, maxLength: 4 },
      ),
      printers: fc.array(
        fc.record({ kind: fc.constantFrom(...PRINTER_KINDS), marginMm: fc.double({ min: 0, max: 12, noNaN: true }) }),
        { minLength: 1, maxLength: 2 },
      ),
      trimmers: fc.array(fc.constantFrom(...TRIMMER_KINDS), { minLength: 1, maxLength: 3 }),
    })
    .map(({ papers, stocks, printers, trimmers }) => ({
      ...saltmarsh,
      papers,
      unit: papers === 'iso' ? ('mm' as const) : ('in' as const),
      stocks: stocks.map(({ sheet, gsm, ...rest }, n) => ({
        ...newStock(papers),
        ...rest,
        ...{ id: `stock-${n}`, sheetWidthMm: sheet[0], sheetHeightMm: sheet[1], gsm, caliperMicron: gsm * 1.2 },
      })),
      printers: printers.map(({ kind, marginMm }, n) => {
        const printer = newPrinter(kind);
        const marginsMm = { top: marginMm, right: marginMm, bottom: marginMm, left: marginMm };
        return { id: `printer-${n}`, ...printer, paths: printer.paths.map((path) => ({ ...path, marginsMm })) };
      }),
      trimmers: trimmers.map((kind, n) => ({ id: `trimmer-${n}`, ...newTrimmer(kind) })),
      boards: [{ id: 'board', ...newBoard(papers) }],
      envelopes: [{ id: 'envelope', ...newEnvelope(papers) }],
    }));

/** Whether any sheet goes through any printer: without that nothing can be printed at all. */
const canPrint = ({ stocks, printers }: Workshop, leastLongMm = 0): boolean =>
  stocks.some((stock) =>
    printers.some(({ paths }) =>
      paths.some(
        (path) =>
          stock.gsm <= path.heaviestGsm &&
          Math.max(stock.sheetWidthMm, stock.sheetHeightMm) >= leastLongMm &&
          stock.caliperMicron <= path.thickestMicron &&
          Math.min(stock.sheetWidthMm, stock.sheetHeightMm) <= path.widestMm &&
          Math.max(stock.sheetWidthMm, stock.sheetHeightMm) <= path.longestMm,
      ),
    ),
  );

describe('a new card', () => {
  it('is never born with a stop, whatever the workshop has, and gets none when every face is inked', () => {
    fc.assert(
      fc.property(
        aWorkshop(),
        fc.constantFrom('flat', 'sideFold', 'tentFold', 'gateFold', 'zigzag'),
        (workshop, format) => {
          fc.pre(canPrint(workshop));
          // Four panels of the least that a card may be wide are 160 mm; a machine leaves 157.8 of a 5 × 7 in sheet’s length.
          fc.pre(format !== 'zigzag' || canPrint(workshop, 200));
          const started = startJob({ ...wish, format }, workshop);
          expect(started.stops).to.deep.equal([]);
          expect(stopsOnceInked(started, workshop)).to.deep.equal([]);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('has none in a workshop that was set up a moment ago, whatever was answered', () => {
    for (const region of ['GB', 'US'])
      for (const printer of PRINTER_KINDS)
        for (const trimmers of [['scissors'], ['machine'], ['sliding', 'knife']] as const)
          for (const format of ['sideFold', 'tentFold'] as const) {
            const answers = { region, currency: 'EUR', printer, trimmers, hasBoard: format !== 'tentFold' };
            const shop = { ...setUpWorkshop(answers), spoilLog: { good: 0, spoiled: 0 } };
            const started = startJob({ ...wish, format }, shop);
            expect(started.stops, JSON.stringify(answers)).to.deep.equal([]);
            expect(stopsOnceInked(started, shop), JSON.stringify(answers)).to.deep.equal([]);
          }
  });

  it('goes into the envelope that it starts from', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 90, max: 230 }),
        fc.integer({ min: 90, max: 160 }),
        fc.constantFrom('sideFold', 'tentFold'),
        (insideWidthMm, insideHeightMm, format) => {
          const envelope = { kind: 'typed', insideWidthMm, insideHeightMm } as const;
          const { job } = startJob({ ...wish, format, envelope }, saltmarsh);
          const [narrow, long] = [job.size.finishedWidthMm, job.size.finishedHeightMm].sort((a, b) => a - b);
          const [low, wide] = [insideWidthMm, insideHeightMm].sort((a, b) => a - b);
          // Three millimetres of room beside the card and its two leaves, and less than one given away by whole numbers.
          for (const [card, inside] of [
            [narrow!, low!],
            [long!, wide!],
          ] as const) {
            expect(inside - card).to.be.above(3);
            expect(inside - card).to.be.below(3 + 1 + 3 * 0.4);
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  it('keeps the size of a sample, lies down for a lying format and for a lying picture, which covers its front', () => {
    const sample = startJob({ ...wish, finish: { widthMm: 123, heightMm: 91 } }, saltmarsh).job.size;
    expect([sample.finishedWidthMm, sample.finishedHeightMm]).to.deep.equal([123, 91]);
    const picture = {
      name: 'pier.jpg',
      sha256: '0'.repeat(64),
      mime: 'image/jpeg',
      widthPx: 4000,
      heightPx: 3000,
    } as const;
    const { job } = startJob({ ...wish, picture }, saltmarsh);
    expect(job.size.format).to.equal('tentFold');
    expect(job.size.finishedWidthMm).to.be.above(job.size.finishedHeightMm);
    const placed = job.art.faces['front']!.picture!;
    expect(job.pictures[placed.pictureId]).to.equal(picture);
    const upright = startJob({ ...wish, picture: { ...picture, widthPx: 3000, heightPx: 4000 } }, saltmarsh).job;
    expect(upright.size.format).to.equal('sideFold');
    expect(upright.size.finishedHeightMm).to.be.above(upright.size.finishedWidthMm);
  });

  it('begins every format in the demo studio on what lies on its shelf', () => {
    for (const { id } of FORMATS) {
      const started = startJob({ ...wish, format: id }, saltmarsh);
      expect(started.stops, id).to.deep.equal([]);
      const { stockId } = started.job.stock;
      expect(saltmarsh.stocks.find((stock) => stock.id === stockId)!.onShelf, id).to.be.above(0);
      const { finishedWidthMm, finishedHeightMm } = started.job.size;
      if (formatEntry(id).lies) expect(finishedWidthMm, id).to.be.above(finishedHeightMm);
    }
  });

  it('says what stops it where nothing can be done', () => {
    const heavy = { ...newStock('iso'), id: 'board', gsm: 900, caliperMicron: 1500 };
    const { stops } = startJob(wish, { ...saltmarsh, stocks: [heavy] });
    expect(stops.map(({ id }) => id)).to.include('stock-path');
  });
});
