import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
import { useStudio, type Application } from './support.ts';

/** What happens between the printer and the trimmer: calibrating, cutting apart, a machine, sheets that jobs share. */
describe('printer and trimmer', () => {
  const studio = useStudio();
  const { kept, open, own, press, serious } = studio;
  let application: Application;
  let page: Page;
  before(() => {
    ({ application, page } = studio);
  });

  it('refuses a reading that cannot be, and keeps what was typed over a reload', async () => {
    await page.goto(`${application.url}/workshop/printers/gull/rear`);
    await page.getByRole('heading', { name: /straight rear feed/ }).waitFor();
    const rule = page.getByLabel('Across, 150 mm');
    await rule.fill('five');
    await rule.press('Enter');
    await page.getByText(/Across, 150 mm: “five” is not a number/).waitFor();
    await rule.fill('149.8');
    await rule.press('Enter');
    const low = page.getByLabel('A, low');
    await low.fill('-0.4');
    await low.press('Enter');
    // Kept in this browser, a moment after the key.
    await page.waitForTimeout(200);
    await page.reload();
    await page.waitForFunction(() => document.querySelector<HTMLInputElement>('input.figures')?.value === '149.8 mm');
    expect(await page.getByLabel('A, low').inputValue()).to.equal('-0.4 mm');
    expect(await serious()).to.deep.equal([]);
  });

  it('prints a calibration sheet of two pages', async () => {
    await page.goto(`${application.url}/workshop/printers/gull/rear`);
    const waiting = page.waitForEvent('download');
    await page.getByRole('link', { name: /Calibration sheet, PDF/ }).click();
    const path = await kept(await waiting, 'calibration.pdf');
    const info = execFileSync('pdfinfo', [path], { encoding: 'utf8' });
    expect(info)
      .to.match(/Pages:\s+2/)
      .and.to.match(/A4/);
    expect(execFileSync('pdftotext', [path, '-'], { encoding: 'utf8' })).to.match(/Front · print at 100 %, no fit/);
  });

  it('finds the stand-in printer’s backs more than a millimetre off, says how in words, and corrects them to under a tenth', async () => {
    const supper = await own('Lantern Regatta supper');
    await open(supper, 'sheet');
    await press('Stand-in printer');
    const off = await page.getByText(/front and back up to/).innerText();
    expect(Number(/up to ([\d.]+) mm/.exec(off)![1])).to.be.above(1);
    expect(off).to.match(/not corrected/);
    await page.goto(`${application.url}/workshop/printers/gull/rear`);
    await press(/Practise on the stand-in/);
    await press('Print and read it for me');
    await page
      .getByText(/Your backs land 0\.8 mm low and 0\.3 mm right of the fronts, turned 0\.2\d° anticlockwise/)
      .waitFor();
    await press('Keep it and correct what I print');
    await page.getByRole('list', { name: 'Calibrations of this path' }).getByText('300 gsm').waitFor();
    // Held in memory is what the stand-in’s faults are, so the way to the sheet is by links.
    await page.getByRole('link', { name: 'Jobs', exact: true }).click();
    await page.getByRole('link', { name: new RegExp(`^${supper}`) }).click();
    await page.locator('nav[aria-label=Stations]').waitFor();
    await page.keyboard.press('5');
    const said = await page.getByText(/front and back up to/).innerText();
    expect(Number(/up to ([\d.]+) mm/.exec(said)![1])).to.be.below(0.1);
    expect(said).to.match(/corrected by the sheet of/);
  });

  it('reads the printed sheet from two scans, and draws what it found over them', async () => {
    await page.goto(`${application.url}/workshop/printers/gull/rear`);
    const waiting = page.waitForEvent('download');
    await page.getByRole('link', { name: /Calibration sheet, PDF/ }).click();
    const pdf = await kept(await waiting, 'scanned.pdf');
    execFileSync('pdftoppm', ['-r', '200', '-gray', '-png', pdf, join(studio.folder, 'side')]);
    /** On the glass of a flatbed, under black card; the back lies head to foot. */
    const scanned = async (side: number, turned: number): Promise<string> => {
      const input = await sharp(join(studio.folder, `side-${side}.png`))
        .rotate(turned)
        .toBuffer();
      const path = join(studio.folder, `scan-${side}.png`);
      await sharp({ create: { width: 1780, height: 2460, channels: 3, background: '#232325' } })
        .composite([{ input, left: 60, top: 44 }])
        .withMetadata({ density: 200 })
        .png()
        .toFile(path);
      return path;
    };
    await press('Read it from two scans, without a ruler');
    for (const [label, file] of [
      ['Scan of the front …', await scanned(1, 0)],
      ['Scan of the back …', await scanned(2, 180)],
    ] as const) {
      const chooser = page.waitForEvent('filechooser');
      await press(label);
      await (await chooser).setFiles(file);
    }
    await press('Read both scans');
    await page.getByText(/^Read: the figures stand in their fields/).waitFor();
    expect(await page.getByRole('img', { name: /its four crosses ringed/ }).count()).to.equal(2);
    const figure = async (label: string): Promise<number> =>
      Number(/-?[\d.]+/.exec(await page.getByLabel(label, { exact: true }).inputValue())![0]);
    // Printed by a printer without a fault: what is left is the scan’s.
    expect(await figure('Across, 150 mm')).to.be.closeTo(150, 0.08);
    expect(await figure('Down, 200 mm')).to.be.closeTo(200, 0.08);
    for (const cross of ['A', 'B', 'C', 'D'])
      for (const way of ['right', 'low']) expect(await figure(`${cross}, ${way}`)).to.be.closeTo(0, 0.1);
    expect(await serious()).to.deep.equal([]);
  });

  it('a fitted page is found out, and is not corrected', async () => {
    await page.goto(`${application.url}/workshop`);
    await page.getByRole('link', { name: 'the Gull inkjet' }).click();
    await press(/straight rear feed: up to/);
    await page.getByRole('link', { name: 'Calibrate this path' }).click();
    await press(/Practise on the stand-in/);
    await page.getByText('Its driver fits the page').click();
    await press('Print and read it for me');
    await page
      .getByText(/the driver fits the page/)
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Keep it as a record' }).waitFor();
  });

  it('plays the cuts: checked off one by one to the last, and the drift of a chain beside that of a true edge', async () => {
    await open(await own('Stall contact card'), 'cut');
    const moves = page.getByRole('list', { name: 'Cutting moves' }).getByRole('listitem');
    const count = await moves.count();
    for (let n = 1; n <= count; n += 1) await press('Cut: check it off');
    await page.getByRole('button', { name: '✓ Cut' }).waitFor();
    expect(await moves.getByText('✓').count()).to.equal(count);
    await page.keyboard.press('d');
    const fromTrue = await page.getByText(/Every distance from a true edge: ±/).innerText();
    await press('From the last cut');
    const chained = await page.getByText(/the errors add up to ±/).innerText();
    const mm = (text: string): number => Number(/±([\d.]+) mm/.exec(text)![1]);
    expect(mm(chained)).to.be.above(1.5 * mm(fromTrue));
    await page.keyboard.press('d');
  });

  it('scores first or cuts first as told, and says why', async () => {
    await open(await own('Lantern Regatta supper'), 'cut');
    // Creased on a plain rule, with folds that line up.
    await page
      .locator('aside')
      .getByText(/^Score first, while the sheet is square/)
      .waitFor();
    await page.keyboard.press('7');
    await page
      .locator('aside')
      .getByText(/The sheet’s .* edge on the left/)
      .first()
      .waitFor();
    await page.keyboard.press('6');
    await page.locator('aside').getByText('The cut', { exact: true }).click();
    await page
      .locator('aside')
      .getByText(/^Cut first, as you chose/)
      .waitFor();
    await page
      .locator('nav[aria-label=Stations]')
      .getByRole('link', { name: /Crease/ })
      .click();
    await page
      .locator('aside')
      .getByText(/open edge on the left/)
      .first()
      .waitFor();
  });

  it('cuts on the machine: finds its marks on the print, says so when it cannot, and hands out a file of outlines', async () => {
    await open(await own('Stall contact card'), 'cut');
    await press(/Cut with/);
    await page.getByRole('option', { name: /Petrel/ }).click();
    await page
      .locator('aside')
      .getByText(/finds three marks/)
      .waitFor();
    await press(/Try it on the stand-in machine/);
    await press('Run it');
    await page.getByText(/^Found all three marks, the farthest [\d.]+ mm .* cut 8 outlines/).waitFor();
    await page.getByText('Feed the sheet the wrong way round').click();
    await press('Run it');
    await page.getByText(/^Mark 1 was not found/).waitFor();
    const waiting = page.waitForEvent('download');
    await press(/Machine file, SVG/);
    const svg = readFileSync(await kept(await waiting, 'machine.svg'), 'utf8');
    const layer = (name: string): number =>
      (new RegExp(`<g id="${name}">(.*?)</g>`, 's').exec(svg)?.[1]?.match(/<path/g) ?? []).length;
    expect([layer('mark'), layer('cut'), layer('crease-away')]).to.deep.equal([3, 8, 0]);
    expect(await serious()).to.deep.equal([]);
    await page.keyboard.press('Control+z');
  });

  it('lays out sheets that jobs share, cuts one apart, and prints them', async () => {
    await page.goto(`${application.url}/shared`);
    for (const name of ['Lantern Regatta supper', 'Heron at dawn', 'Regatta place cards, without names']) {
      const toggle = page.getByRole('switch', { name, exact: true });
      await toggle.focus();
      await page.keyboard.press('Space');
    }
    await press(/A piece of your own/);
    const name = page.getByLabel('What it is');
    await name.fill('Rope tag');
    const width = page.getByRole('textbox', { name: 'Width' });
    await width.fill('45');
    await width.press('Enter');
    await page
      .locator('aside')
      .getByText(/^4 kinds, \d+ pieces, ready/)
      .waitFor();
    await press('Lay them out');
    await page
      .locator('aside')
      .getByText(/No edge-to-edge layout of these pieces takes less|Nothing under/)
      .waitFor();
    const times = await page.getByRole('list', { name: 'Layouts' }).locator('b').allInnerTexts();
    const sheets = times.reduce((sum, text) => sum + parseInt(text, 10), 0);
    await page
      .locator('aside')
      .getByText(new RegExp(`^${sheets} sheets`))
      .waitFor();
    expect(await serious()).to.deep.equal([]);
    await press('Cut it apart');
    await press('Next cut');
    await page.getByText(/Cut 2 of/).waitFor();
    const waiting = page.waitForEvent('download');
    await press(/Shared sheets to print, PDF/);
    const path = await kept(await waiting, 'shared.pdf');
    const text = execFileSync('pdftotext', [path, '-'], { encoding: 'utf8' });
    for (const n of times) expect(text).to.include(`print ${parseInt(n, 10)}`);
    await page.getByText('Rope tag', { exact: false }).first().waitFor();
    await page.reload();
    expect(await page.getByLabel('What it is').inputValue()).to.equal('Rope tag');
    await press('Remove Rope tag');
    await page
      .locator('aside')
      .getByText(/^3 kinds/)
      .waitFor();
  });

  it('hands out a face in a print house’s pixels, and says what bleed they leave', async () => {
    await open('Lantern Regatta supper', 'art');
    await press(/In a print house’s pixels/);
    const wide = page.getByLabel('Pixels wide');
    await wide.fill('900');
    await wide.press('Enter');
    await page.getByText(/900 pixels at 300 dpi are 76\.2 mm wide and the face is 96\.0 mm/).waitFor();
    await wide.fill('1205');
    await wide.press('Enter');
    // (1205 ÷ 300 × 25.4 − 96) ÷ 2 = 3.01
    await page.getByText(/That leaves a bleed of 3 mm left and right/).waitFor();
    const waiting = page.waitForEvent('download');
    await press(/Front, 1205 × \d+ PNG/);
    const download = await waiting;
    expect(download.suggestedFilename()).to.match(
      /^lantern-regatta-supper-front-1205x\d+px-with-bleed-3\.0x3\.0mm\.png$/,
    );
    const { width, height } = await sharp(await kept(download, 'front.png')).metadata();
    expect(`1205x${height}`).to.equal(/\d+x\d+/.exec(download.suggestedFilename())![0]);
    expect(width).to.equal(1205);
    expect(await serious()).to.deep.equal([]);
  });

  it('is not printed from a plan that a job has outgrown', async () => {
    const { id } = await studio.stored('Heron at dawn');
    const order = {
      jobIds: [id],
      sheets: [
        {
          id: 's',
          widthMm: 210,
          heightMm: 297,
          marginsMm: { top: 4, right: 4, bottom: 4, left: 4 },
          cost: 1,
          most: null,
        },
      ],
      patterns: [
        {
          times: 1,
          sheetId: 's',
          placements: [{ id: `${id}/card`, xMm: 10, yMm: 10, widthMm: 50, heightMm: 50, turned: false }],
        },
      ],
      flipEdge: 'long',
      grain: 'respect',
      own: [],
      feed: { printerId: 'gull', pathId: 'rear' },
    };
    const response = await fetch(`${application.url}/api/shared/pdf`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(order),
    });
    expect(response.status).to.equal(409);
    expect(((await response.json()) as { message: string }).message).to.match(/lay them out again/);
  });
});
