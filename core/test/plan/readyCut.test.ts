import { expect } from 'chai';
import { EMPTY_FACE } from '../../src/job/newJob.ts';
import { changeJob } from '../../src/job/changeJob.ts';
import { decide } from '../../src/job/decide.ts';
import type { Job } from '../../src/job/types.ts';
import { allSnags, planJob, type Plan } from '../../src/plan/planJob.ts';
import { startJob } from '../../src/plan/startJob.ts';
import { newStock, newTrimmer } from '../../src/workshop/newThings.ts';
import type { ReadyCut, Stock, Workshop } from '../../src/workshop/types.ts';
import { inkedWith, plan as planned, sized, workshop as saltmarsh } from '../support.ts';

/** Scored invitations of 5 × 7 in, 10 × 7 in opened, with envelopes of 5¼ × 7¼ in in the pack of forty-five. */
const readyCut: ReadyCut = {
  fold: 'side',
  state: 'scored',
  groove: 'outside',
  envelope: { insideWidthMm: 5.25 * 25.4, insideHeightMm: 7.25 * 25.4 },
};
const dune: Stock = {
  ...newStock('northAmerican'),
  ...{ id: 'dune', name: 'Dune invitations', gsm: 260, caliperMicron: 300, onShelf: 45 },
  ...{ sheetWidthMm: 10 * 25.4, sheetHeightMm: 7 * 25.4, pack: { sheets: 45, priceMinor: 1350 }, readyCut },
};
const shop: Workshop = { ...saltmarsh, stocks: [...saltmarsh.stocks, dune] };
const withBlank = (part: Partial<ReadyCut>, stock: Partial<Stock> = {}): Workshop => ({
  ...saltmarsh,
  stocks: [...saltmarsh.stocks, { ...dune, ...stock, readyCut: { ...readyCut, ...part } }],
});
const context = { typefaces: new Map(), today: null };
const start = { title: 'Forty invitations', purpose: 'give', wanted: 40, blankId: 'dune' } as const;
const inked = (job: Job, plan: Plan): Job => ({
  ...job,
  art: { faces: Object.fromEntries(plan.size.faces.map(({ id }) => [id, { ...EMPTY_FACE, background: '#336699' }])) },
});

describe('ready-cut cards', () => {
  it('decide form and size, are printed on their own page and only folded, and their envelopes are at hand', () => {
    const { job, stops } = startJob(start, shop);
    expect(stops).to.deep.equal([]);
    expect(job.size.format).to.equal('sideFold');
    expect(job.size.finishedWidthMm).to.be.closeTo(127, 1e-9);
    expect(job.size.finishedHeightMm).to.be.closeTo(177.8, 1e-9);
    const plan = planJob(inked(job, planJob(job, shop, context)), shop, context);
    // The page is the card: 10 × 7 in, one card on it, in its corner.
    expect([plan.sheet.sheetWidthMm, plan.sheet.sheetHeightMm]).to.deep.equal(
      [254, 177.8].map((mm) => closest(mm, plan)),
    );
    expect(plan.sheet.up).to.equal(1);
    expect(plan.sheet.placements[0]!.trim).to.include({ xMm: 0, yMm: 0 });
    expect(plan.sheet.verdict).to.match(/^\d+ ready-cut cards, fed one at a time: 40 wanted and \d+ spares/);
    expect(plan.cut.moves).to.deep.equal([]);
    expect(plan.crease.lines).to.deep.equal([]);
    expect(plan.crease.verdict).to.equal('The line is there already: only fold.');
    expect(plan.crease.folding.join(' ')).to.contain('The groove is on its outside: fold away from it');
    expect(plan.size.fit!.word).to.equal('good');
    const kinds = plan.make.steps.map(({ kind }) => kind);
    expect(kinds).to.include.members(['print', 'fold', 'pack']);
    expect(kinds).to.not.include.members(['cut']);
    expect(kinds).to.not.include('crease');
    const print = plan.make.steps.find(({ kind }) => kind === 'print')!;
    expect(print.detail).to.contain('Feed them one at a time, a short edge first');
    expect(print.detail).to.contain('Paper size 177.8 × 254 mm in the driver');
    // Thirty pence a card: the pack's 13.50 over its 45.
    expect(plan.sell.parts.find(({ id }) => id === 'sheets')!.perCardMinor).to.be.closeTo(
      (30 * plan.sheet.sheets) / 40,
      1e-9,
    );
    expect(allSnags(plan).filter(({ level }) => level === 'stop')).to.deep.equal([]);
  });

  it('are laid with the side up or down that the way prints, where that is known; so is a sheet', () => {
    const lying = (shop: Workshop, printSide: 'up' | 'down' | undefined): Workshop => ({
      ...shop,
      printers: shop.printers.map((p) => ({ ...p, paths: p.paths.map((path) => ({ ...path, printSide })) })),
    });
    const said = (shop: Workshop): string =>
      startJob(start, shop).plan.make.steps.find(({ kind }) => kind === 'print')!.detail;
    const blank = withBlank({});
    expect(said(lying(blank, 'down'))).to.contain('a short edge first, with the side to be printed down.');
    expect(said(lying(blank, 'up'))).to.contain('with the side to be printed up.');
    expect(said(lying(blank, undefined))).to.contain('the side to be printed as this printer wants it.');
    const sheets = (printSide: 'up' | undefined): string =>
      planned(inkedWith(...sized('sideFold', 60, 80)), lying(saltmarsh, printSide)).make.steps[0]!.detail;
    expect(sheets('up')).to.match(/^[^.]+, the side to be printed up\. /);
    expect(sheets(undefined)).to.not.contain('side to be printed');
  });

  it('are opened first where they come folded, and creased where they come flat', () => {
    const folded = startJob(start, withBlank({ state: 'folded', groove: undefined })).plan;
    expect(folded.make.steps.find(({ kind }) => kind === 'print')!.detail).to.contain(
      'one at a time, opened and bent flat',
    );
    expect(folded.crease.folding.join(' ')).to.contain('Fold it back the way it came.');
    const flat = startJob(start, withBlank({ state: 'flat' })).plan;
    expect(flat.crease.lines).to.have.length(1);
    expect(flat.make.steps.some(({ kind }) => kind === 'crease')).to.equal(true);
    const bare = startJob(start, withBlank({ fold: 'none' })).job;
    expect(bare.size.format).to.equal('flat');
    const tent = startJob(start, withBlank({ fold: 'top' })).job.size;
    expect(tent.format).to.equal('tentFold');
    expect(tent.finishedHeightMm).to.be.closeTo(88.9, 1e-9);
  });

  it('may have their line off the middle: the shorter part is the front, whichever edge it is measured from', () => {
    // 254 mm opened, the line 100 mm from the front’s edge: a back of 154 mm, and a front 54 mm shorter.
    for (const frontMm of [100, 154]) {
      const shop = withBlank({ frontMm, envelope: undefined });
      const { job, stops, plan } = startJob(start, shop);
      expect(stops).to.deep.equal([]);
      expect([job.size.finishedWidthMm, job.size.options.shortFrontMm]).to.deep.equal([154, 54]);
      const { blank } = plan.size.form;
      expect(blank.widthMm).to.be.closeTo(254, 1e-9);
      // Seen from outside the back lies on the left, so the line is as far from the left edge as the back is wide.
      expect(blank.creases.map(({ from }) => from.xMm)).to.deep.equal([154]);
      expect(plan.crease.lines).to.deep.equal([]);
      const even = changeJob(job, [decide((one) => one.size.options.shortFrontMm, 0)]);
      const snag = planJob(even, shop, context).size.snags.find(({ id }) => id === 'size-not-the-blank')!;
      expect(snag.why).to.contain('its front 54 mm shorter');
      const mended = changeJob(even, snag.remedies[0]!.changes);
      expect(mended.size.options.shortFrontMm).to.equal(54);
    }
    const tent = startJob(start, withBlank({ fold: 'top', frontMm: 60 })).job.size;
    expect(tent.format).to.equal('tentFold');
    expect(tent.finishedHeightMm).to.be.closeTo(177.8 - 60, 1e-9);
  });

  it('stop a card that is another, and mend it by one press', () => {
    const { job } = startJob(start, shop);
    const wider = changeJob(job, [decide((one) => one.size.finishedWidthMm, 120)]);
    const snag = planJob(wider, shop, context).size.snags.find(({ id }) => id === 'size-not-the-blank')!;
    expect(snag.level).to.equal('stop');
    const mended = planJob(changeJob(wider, snag.remedies[0]!.changes), shop, context);
    expect(mended.size.snags.map(({ id }) => id)).to.not.include('size-not-the-blank');
  });

  it('keep art off the edges that a printer does not reach, and offer nothing that would cut the card', () => {
    const { job } = startJob(start, shop);
    expect(job.size.bareEdgeMm).to.be.at.least(3.4);
    const bleeding = inked({ ...job, size: { ...job.size, bareEdgeMm: 0 } }, planJob(job, shop, context));
    const stops = planJob(bleeding, shop, context).sheet.snags.filter(({ level }) => level === 'stop');
    expect(stops.map(({ id }) => id)).to.deep.equal(['sheet-no-bleed']);
    const remedies = stops.flatMap((snag) => snag.remedies);
    expect(remedies.length).to.be.above(0);
    for (const { label, changes } of remedies) {
      expect(label).to.not.match(/[Tt]rim|Use /);
      const after = planJob(changeJob(bleeding, changes), shop, context);
      expect(after.sheet.up, label).to.equal(1);
      expect(
        after.size.snags.map(({ id }) => id),
        label,
      ).to.not.include('size-not-the-blank');
    }
  });

  it('are no sheet for other cards, nor other sheets for them, and a path may be too short for them', () => {
    const plain = startJob({ ...start, blankId: undefined }, shop);
    expect(plain.job.stock.stockId).to.not.equal('dune');
    expect(JSON.stringify(plain.plan.cut.choices)).to.contain('shell').and.to.not.contain('dune');
    expect(startJob(start, shop).plan.cut.choices).to.deep.equal([]);
    const printers = shop.printers.map((printer) => ({
      ...printer,
      paths: printer.paths.map((path) => ({ ...path, shortestMm: 260 })),
    }));
    const { stops } = startJob(start, { ...shop, printers });
    expect(stops.map(({ id }) => id)).to.include('stock-path');
    expect(stops.find(({ id }) => id === 'stock-path')!.why).to.match(/is smaller than the .* that it can carry/);
  });

  it('are not cut by a machine either, which is all that some studios have', () => {
    const { job, stops } = startJob(start, {
      ...shop,
      trimmers: [{ ...newTrimmer('machine'), id: 'petrel' }],
    });
    expect(stops).to.deep.equal([]);
    const plan = planJob(
      inked(job, planJob(job, shop, context)),
      { ...shop, trimmers: [{ ...newTrimmer('machine'), id: 'petrel' }] },
      context,
    );
    expect(plan.sheet.up).to.equal(1);
    expect(plan.sheet.machineMarks).to.deep.equal([]);
    expect(plan.cut.machine).to.equal(null);
    expect(plan.cut.verdict).to.equal('The card is the whole sheet: there is nothing to cut.');
    expect(plan.make.steps.map(({ kind }) => kind)).to.not.include('machine');
  });

  it('are never made another card by a remedy of any station', () => {
    // Too large for what is typed: a smaller card would be the first thing offered, were it not cut already.
    const { job } = startJob({ ...start, envelope: { kind: 'typed', insideWidthMm: 100, insideHeightMm: 140 } }, shop);
    const plan = planJob(job, shop, context);
    const jams = plan.size.snags.find(({ id }) => id === 'size-jams')!;
    expect(jams.remedies.length).to.be.above(0);
    for (const snag of allSnags(plan))
      for (const { changes, label } of snag.remedies)
        expect(
          planJob(changeJob(job, changes), shop, context).size.snags.map(({ id }) => id),
          label,
        ).to.not.include('size-not-the-blank');
    const flat = withBlank({ state: 'flat' }, { sheetWidthMm: 251, sheetHeightMm: 177 });
    expect(startJob(start, flat).plan.crease.friendly).to.deep.equal([]);
  });

  it('are what a studio without sheets begins with', () => {
    const { job, stops } = startJob({ title: 'Only blanks', purpose: 'give', wanted: 5 }, { ...shop, stocks: [dune] });
    expect(job.stock.stockId).to.equal('dune');
    expect(stops).to.deep.equal([]);
  });
});

/** The same length as the plan has it, where it is the same to a hundredth of a micron. */
function closest(mm: number, { sheet }: Plan): number {
  return [sheet.sheetWidthMm, sheet.sheetHeightMm].find((own) => Math.abs(own - mm) < 1e-5) ?? mm;
}
