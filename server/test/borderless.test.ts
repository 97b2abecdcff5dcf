import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { changeJob, decide, newJob, type Job, type Plan, type Stock, type Workshop } from '@zippy/core';
import { drawnPage } from './drawnPage.ts';
import { calibrationPdf } from '../src/exports/calibration.ts';
import { exportFiles, loadFonts } from '../src/exports/index.ts';
import { planOf, workshop } from './support.ts';

const PPI = 254;
const PX_PER_MM = PPI / 25.4;
const SHARE = 0.04;

/** The demo’s printers without margins, each of whose drivers enlarges what it prints. */
const borderless = (enlargesBy: number): Workshop => ({
  ...workshop,
  printers: workshop.printers.map((p) => ({
    ...p,
    paths: p.paths.map((path) => ({
      ...{ ...path, enlargesBy, calibrations: [] },
      marginsMm: { top: 0, right: 0, bottom: 0, left: 0 },
    })),
  })),
});
const teal = (shop: Workshop): Job =>
  changeJob(newJob('Overspray', shop), [
    decide((job) => job.size.format, 'flat'),
    decide((job) => job.size.finishedWidthMm, 90),
    decide((job) => job.size.finishedHeightMm, 120),
    decide((job) => job.brief.wanted, 2),
    decide((job) => job.sheet.spares, 0),
    decide((job) => job.sheet.marks, false),
    decide((job) => job.art.faces.at('front'), { background: '#0b7f86', picture: null, texts: [] }),
  ]);

describe('pages for a way without a border', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-borderless-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  /** Where the ink of a page begins and ends, mm, as a rasteriser sees it; and its trim box, as pdfinfo reads it. */
  async function inkOf(pdf: Buffer, name: string) {
    const path = join(folder, `${name}.pdf`);
    writeFileSync(path, pdf);
    const said = execFileSync('pdfinfo', ['-box', path], { encoding: 'utf8' });
    const box = (kind: string): readonly number[] =>
      new RegExp(`${kind}:\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)`)
        .exec(said)!
        .slice(1)
        .map((pt) => (Number(pt) / 72) * 25.4);
    const png = drawnPage(path, { ppi: PPI });
    const { data, info } = await sharp(png).greyscale().raw().toBuffer({ resolveWithObject: true });
    const inked = (x: number, y: number): boolean => data[(y * info.width + x) * info.channels]! < 200;
    let [left, right, top, bottom] = [info.width, 0, info.height, 0];
    for (let y = 0; y < info.height; y += 1)
      for (let x = 0; x < info.width; x += 1)
        if (inked(x, y)) {
          [left, right] = [Math.min(left, x), Math.max(right, x + 1)];
          [top, bottom] = [Math.min(top, y), Math.max(bottom, y + 1)];
        }
    return {
      page: { widthMm: info.width / PX_PER_MM, heightMm: info.height / PX_PER_MM },
      media: box('MediaBox'),
      trim: box('TrimBox'),
      bleed: box('BleedBox'),
      ink: [left, top, right, bottom].map((px) => px / PX_PER_MM),
    };
  }
  async function sheets(enlargesBy: number) {
    const shop = borderless(enlargesBy);
    const job = teal(shop);
    const plan = await planOf(job, shop);
    const input = { job, plan, workshop: shop, fonts: await loadFonts(), pictures: new Map(), date: null };
    const [file] = await exportFiles('sheets', 'pdf', input);
    return { plan, found: await inkOf(file!.bytes, `sheets-${enlargesBy}`) };
  }
  /** What the driver does: it enlarges about the middle of the sheet. */
  const enlarged = (mm: number, sheetMm: number): number => sheetMm / 2 + (mm - sheetMm / 2) * (1 + SHARE);

  it('are smaller by what the driver enlarges, so that cards come out where and as large as they were planned', async () => {
    const [plain, sent] = [await sheets(0), await sheets(SHARE)];
    expect(sent.plan.sheet.placements).to.deep.equal(plain.plan.sheet.placements);
    expect(sent.found.media).to.deep.equal(plain.found.media);
    const { widthMm, heightMm } = plain.found.page;
    const spans = [widthMm, heightMm, widthMm, heightMm];
    for (const [i, mm] of sent.found.ink.entries()) {
      expect(enlarged(mm, spans[i]!), `ink ${i}`).to.be.closeTo(plain.found.ink[i]!, 0.15);
      // And not for want of a difference: 4 % of half a sheet is millimetres.
      expect(Math.abs(mm - plain.found.ink[i]!)).to.be.above(1);
    }
    for (const [i, mm] of sent.found.trim.entries())
      expect(enlarged(mm, spans[i]!), `trim ${i}`).to.be.closeTo(plain.found.trim[i]!, 0.01);
  });

  describe('of cards that are as large as their page', () => {
    /** Ready-cut cards of 105 × 148 mm, one to a page. */
    const pack: Stock = {
      ...workshop.stocks[0]!,
      ...{
        id: 'foam-cards',
        gsm: 180,
        sheetWidthMm: 105,
        sheetHeightMm: 148,
        readyCut: { fold: 'none', state: 'flat' },
      },
    };
    async function card(enlargesBy: number) {
      const shop = { ...borderless(enlargesBy), stocks: [...workshop.stocks, pack] };
      const job = changeJob(teal(shop), [
        decide((job) => job.size.finishedWidthMm, 105),
        decide((job) => job.size.finishedHeightMm, 148),
        decide((job) => job.stock.stockId, 'foam-cards'),
      ]);
      return { job, shop, plan: await planOf(job, shop) };
    }
    const snagsOf = (plan: Plan): readonly string[] =>
      plan.sheet.snags.filter(({ level }) => level !== 'note').map(({ id }) => id);

    it('are ink from edge to edge: what of the bleed lies past the page is cut off with it', async () => {
      const { job, shop, plan } = await card(SHARE);
      expect(plan.sheet.placements.map(({ trim }) => trim)).to.deep.equal([
        { xMm: 0, yMm: 0, widthMm: 105, heightMm: 148 },
      ]);
      expect(snagsOf(plan)).to.deep.equal([]);
      const input = { job, plan, workshop: shop, fonts: await loadFonts(), pictures: new Map(), date: null };
      const [file] = await exportFiles('sheets', 'pdf', input);
      const found = await inkOf(file!.bytes, 'whole');
      for (const [i, mm] of [0, 0, 105, 148].entries()) expect(found.ink[i]).to.be.closeTo(mm, 0.1);
      // The trim is the page once the driver has enlarged it; no box of the file is larger than its page.
      for (const [i, mm] of found.trim.entries())
        expect(enlarged(mm, [105, 148, 105, 148][i]!)).to.be.closeTo([0, 0, 105, 148][i]!, 0.01);
      expect(found.bleed).to.deep.equal(found.media);
    });

    it('are warned of where little goes past, and have no room for a bleed where the driver adds none', async () => {
      // Half of 1 % of 105 mm is 0.525 mm, under three quarters of a millimetre.
      const { job, shop, plan } = await card(0.01);
      expect(snagsOf(plan)).to.deep.equal(['sheet-spill-small']);
      const snag = plan.sheet.snags.find(({ id }) => id === 'sheet-spill-small')!;
      expect(snag.title).to.equal('Ink goes only 0.5 mm past the sheet’s edge');
      const bare = await planOf(changeJob(job, snag.remedies[0]!.changes), shop);
      expect(snagsOf(bare)).to.deep.equal([]);
      expect(snagsOf((await card(0)).plan)).to.deep.equal(['sheet-no-bleed']);
    });
  });

  it('say so at the bench; heavy card is warned of, and a way with a border is offered', async () => {
    const shop = borderless(SHARE);
    const plan = await planOf(teal(shop), shop);
    expect(plan.make.steps[0]!.detail).to.contain(
      'Borderless in the driver, enlarging by 4.0 %, which the file counts already. Print at 100 %',
    );
    expect(plan.stock.stock.gsm).to.be.at.least(200);
    const heavy = plan.stock.snags.find(({ id }) => id === 'stock-borderless-heavy')!;
    expect(heavy.level).to.equal('warn');
    expect(heavy.remedies).to.deep.equal([]);
    const both: Workshop = { ...shop, printers: [...shop.printers.slice(0, 1), ...workshop.printers.slice(1)] };
    const mended = await planOf(teal(both), both);
    const [first] = mended.stock.snags.find(({ id }) => id === 'stock-borderless-heavy')!.remedies;
    const again = await planOf(changeJob(teal(both), first!.changes), both);
    expect(again.stock.snags.map(({ id }) => id)).to.not.include('stock-borderless-heavy');
    const plain = await planOf(teal(workshop));
    expect(plain.make.steps[0]!.detail).to.not.contain('orderless');
  });

  it('of the calibration sheet are smaller too, so that what is measured is what is left', async () => {
    const asked = {
      ...{ sheet: { widthMm: 210, heightMm: 297 }, marginsMm: { top: 5, right: 5, bottom: 5, left: 5 } },
      ...({ flipEdge: 'long', about: 'the Gull', date: null, unit: 'mm' } as const),
    };
    const fonts = await loadFonts();
    const [plain, sent] = [
      await inkOf(await calibrationPdf(asked, fonts), 'plain'),
      await inkOf(await calibrationPdf({ ...asked, enlargesBy: SHARE }, fonts), 'sent'),
    ];
    for (const [i, mm] of sent.ink.entries())
      expect(enlarged(mm, i % 2 === 0 ? 210 : 297)).to.be.closeTo(plain.ink[i]!, 0.2);
  });
});
