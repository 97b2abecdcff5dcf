import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
import { useStudio, type Application } from './support.ts';

describe('a card from nothing', () => {
  const studio = useStudio();
  const { folder, open, own, saved } = studio;
  let application: Application;
  let page: Page;
  before(() => {
    ({ application, page } = studio);
  });

  const verdict = (pattern: RegExp): Promise<void> => page.locator('aside').getByText(pattern).first().waitFor();

  /** One thing after the other on the way; what goes wrong says where. */
  const step = async (name: string, does: () => Promise<void>): Promise<void> => {
    try {
      await does();
    } catch (problem) {
      throw new Error(`It ${name}: ${(problem as Error).message}`, { cause: problem });
    }
  };

  it('is made, from the wall to its sheets, and goes on as a file', async () => {
    await step('opens on a wall of jobs', async () => {
      await page.goto(application.url);
      await page.getByRole('heading', { name: 'Saltmarsh Lane' }).waitFor();
      await page.getByRole('link', { name: /^Lantern Regatta supper: Ready to print/ }).waitFor();
      expect(await page.locator('main li').count()).to.be.at.least(4);
    });
    await step('starts a job: forty cards to sell', async () => {
      await page.getByRole('button', { name: 'New card' }).click();
      await page.getByLabel('What is it for?').fill('Low tide, first light');
      await page.locator('aside').getByText('To sell').click();
      await page.getByRole('textbox', { name: 'Good cards wanted' }).fill('40');
      await page.getByRole('textbox', { name: 'Good cards wanted' }).press('Tab');
      await page.getByText(/ of the \d+ you have/).waitFor();
      await page.getByRole('button', { name: 'Begin this card' }).click();
      await page.waitForURL(/\/size$/);
      await page.locator('aside h2').waitFor();
    });
    await step('is a tent fold, sized by typing sums and fractions, with nothing typed lost', async () => {
      await page.locator('aside button[aria-haspopup=listbox]').first().click();
      await page.getByRole('option', { name: 'Tent fold' }).click();
      const width = page.getByLabel('Finished width');
      await width.fill('5 1/2 inn');
      await width.press('Enter');
      await page.getByText(/Finished width: “inn” is not a number/).waitFor();
      expect(await width.inputValue()).to.equal('5 1/2 inn');
      // There and back, and over a reload, it is still what was typed; and another field of the name has nothing of it.
      await page.goto(page.url().replace(/size$/, 'art'));
      await page.locator('aside h2').first().waitFor();
      await page.goto(page.url().replace(/art$/, 'size'));
      await page.getByText(/Finished width: “inn” is not a number/).waitFor();
      expect(await width.inputValue()).to.equal('5 1/2 inn');
      await page.reload();
      await page.getByText(/Finished width: “inn” is not a number/).waitFor();
      expect(await width.inputValue()).to.equal('5 1/2 inn');
      // What could be read but was not taken says so.
      await width.fill('141 mm');
      await page.reload();
      await page.getByText(/Typed before and not yet taken/).waitFor();
      await width.press('Escape');
      expect(await width.inputValue()).to.not.equal('141 mm');
      await width.fill('272mm/2');
      await width.press('Enter');
      await page.getByLabel('Finished height').fill('9.6 cm');
      await page.getByLabel('Finished height').press('Enter');
      await verdict(/Tent fold, 136 × 96 mm/);
    });
    await step('takes a 4000 × 3000 photograph and words on the front', async () => {
      const photograph = join(folder, 'low-tide.jpg');
      const band = Buffer.from(
        `<svg xmlns="http://www.w3.org/2000/svg" width="4000" height="3000"><defs><linearGradient id="g" x2="0" y2="1"><stop stop-color="#f4cfae"/><stop offset="1" stop-color="#1d5a68"/></linearGradient></defs><rect width="4000" height="3000" fill="url(#g)"/><circle cx="2600" cy="1100" r="420" fill="#e8744f"/></svg>`,
      );
      writeFileSync(photograph, await sharp(band).jpeg({ quality: 90 }).toBuffer());
      await page.getByRole('link', { name: /^Art:/ }).click();
      await page.waitForURL(/\/art$/);
      const chooser = page.waitForEvent('filechooser');
      await page.getByRole('button', { name: 'Place a picture …' }).click();
      await (await chooser).setFiles(photograph);
      await verdict(/1 picture/);
      await page.getByRole('button', { name: 'Coarsest picture' }).click();
      await page.getByText('pixels across ÷ printed inches across').waitFor();
      await page.getByRole('button', { name: 'Add words' }).click();
      await page.getByLabel('Words', { exact: true }).fill('first light');
      await verdict(/1 block of words/);
      await page.getByRole('button', { name: 'Inside bottom' }).click();
      await page.getByRole('button', { name: 'Add words' }).click();
      await page.getByLabel('Words', { exact: true }).fill('Thinking of you\nby the water');
      await verdict(/2 blocks of words/);
    });
    await step('goes through every station without a dead end', async () => {
      // Keys belong to the words while they are being typed.
      await page.locator('h1').click();
      const seen: string[] = [];
      for (const key of ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0']) {
        await page.keyboard.press(key);
        const panel = page
          .locator('nav[aria-label=Stations] a[aria-current=page]')
          .filter({ hasText: new RegExp(`^${key}`) });
        await panel.waitFor();
        seen.push(new URL(page.url()).pathname.split('/').at(-1)!);
      }
      expect(seen).to.deep.equal([
        'brief',
        'size',
        'art',
        'stock',
        'sheet',
        'cut',
        'crease',
        'envelope',
        'make',
        'sell',
      ]);
      expect(
        await page
          .locator('nav[aria-label=Stations] a')
          .evaluateAll((links) => links.filter((l) => /stopping/.test(l.getAttribute('aria-label') ?? '')).length),
      ).to.equal(0);
    });
    await step('writes the sheets: fronts then backs, the photograph once', async () => {
      await page.keyboard.press('5');
      await verdict(/2 up, \d+ sheets: 40 wanted/);
      const download = page.waitForEvent('download');
      await page.getByRole('button', { name: /Sheets to print, PDF/ }).click();
      const path = join(folder, 'sheets.pdf');
      await (await download).saveAs(path);
      const sheets = Number(/2 up, (\d+) sheets/.exec(await page.locator('aside').innerText())![1]);
      const info = execFileSync('pdfinfo', [path], { encoding: 'utf8' });
      expect(Number(/Pages:\s+(\d+)/.exec(info)![1])).to.equal(sheets * 2);
      const images = execFileSync('pdfimages', ['-list', path], { encoding: 'utf8' }).trim().split('\n').slice(2);
      expect(new Set(images.map((line) => line.trim().split(/\s+/)[10])).size).to.equal(1);
      expect(images[0]).to.match(/\s4000\s+3000\s/);
      const words = execFileSync('pdftotext', ['-f', '1', '-l', '1', path, '-'], { encoding: 'utf8' });
      expect(words).to.contain('first light').and.contain('Low tide, first light · front · sheet 1 of');
    });
    await step('is all there after a reload', async () => {
      await saved();
      await page.reload();
      await verdict(/2 up, \d+ sheets: 40 wanted/);
      await page.keyboard.press('3');
      await verdict(/1 picture, 2 blocks of words/);
    });
    await step('undoes and does again, step by step', async () => {
      await page.keyboard.press('1');
      const wanted = page.getByRole('textbox', { name: 'Good cards wanted' });
      await wanted.fill('50');
      await wanted.press('Enter');
      await verdict(/^50 cards to sell/);
      await page.locator('h1').click();
      await page.keyboard.press('Control+z');
      await verdict(/^40 cards to sell/);
      await page.keyboard.press('Control+Shift+z');
      await verdict(/^50 cards to sell/);
      await page.keyboard.press('Control+z');
      await verdict(/^40 cards to sell/);
      await saved();
    });
    await step('gives the job as a file that opens again with the same figures', async () => {
      await page.keyboard.press('9');
      const download = page.waitForEvent('download');
      await page.getByRole('link', { name: /The job itself, JSON/ }).click();
      const path = join(folder, 'job.json');
      await (await download).saveAs(path);
      const shown = await page
        .locator('nav[aria-label=Stations] a')
        .evaluateAll((links) => links.map((l) => l.getAttribute('aria-label')));
      await page.goto(application.url);
      const chooser = page.waitForEvent('filechooser');
      await page.getByRole('button', { name: 'Open a job file' }).click();
      await (await chooser).setFiles(path);
      await page.waitForURL(/\/brief$/);
      await page.locator('nav[aria-label=Stations]').waitFor();
      expect(
        await page
          .locator('nav[aria-label=Stations] a')
          .evaluateAll((links) => links.map((l) => l.getAttribute('aria-label'))),
      ).to.deep.equal(shown);
      expect(readFileSync(path, 'utf8')).to.contain('"zippy-crease-job"');
    });
  });

  it('loses nothing when the server is killed in the middle of an edit', async () => {
    await open(await own('Heron at dawn'), 'brief');
    await page.getByLabel('Notes').fill('Bands of rust-red twine');
    await application.killWeb();
    await page.getByLabel('Notes').fill('Bands of rust-red twine, two turns');
    await page.getByText(/Server away: kept here/).waitFor();
    await page.locator('aside').getByText('To give', { exact: true }).click();
    await application.startWeb();
    await saved();
    await page.reload();
    await page.getByLabel('Notes').waitFor();
    expect(await page.getByLabel('Notes').inputValue()).to.equal('Bands of rust-red twine, two turns');
    await verdict(/^40 cards to give/);
  });

  it('keeps an edit made while the server was away even when the page is closed before it is back', async () => {
    await open(await own('Heron at dawn'), 'brief');
    await application.killWeb();
    await page.getByLabel('Notes').fill('Closed in a hurry');
    await page.getByText(/Server away: kept here/).waitFor();
    const address = page.url();
    await page.goto('about:blank');
    await application.startWeb();
    await page.goto(address);
    await page.getByLabel('Notes').waitFor();
    expect(await page.getByLabel('Notes').inputValue()).to.equal('Closed in a hurry');
    await saved();
  });

  it('shows on the wall what was typed just before leaving the job', async () => {
    await open(await own('Heron at dawn'), 'brief');
    await page.getByRole('textbox', { name: 'Title' }).fill('Low tide, late light');
    await page.getByRole('textbox', { name: 'Title' }).press('Enter');
    await page.getByRole('link', { name: 'Jobs', exact: true }).click();
    await page.getByRole('link', { name: /^Low tide, late light:/ }).click();
    await page.locator('aside h2').waitFor();
  });

  it('shows both copies when two tabs change one job, and keeps the one not chosen', async () => {
    const heron = await own('Heron at dawn');
    await open(heron, 'brief');
    const other = await page.context().newPage();
    await other.goto(page.url());
    await other.getByRole('textbox', { name: 'Good cards wanted' }).waitFor();
    await other.getByRole('textbox', { name: 'Good cards wanted' }).fill('66');
    await other.getByRole('textbox', { name: 'Good cards wanted' }).press('Enter');
    await other
      .getByRole('status')
      .filter({ hasText: /^Saved$/ })
      .waitFor();
    await page.getByRole('textbox', { name: 'Good cards wanted' }).fill('77');
    await page.getByRole('textbox', { name: 'Good cards wanted' }).press('Enter');
    const sheet = page.getByRole('dialog', { name: 'This job was changed in two places' });
    await sheet.waitFor();
    const both = sheet.getByRole('radiogroup', { name: 'brief › wanted' }).getByRole('radio');
    expect(await both.evaluateAll((radios) => radios.map((radio) => radio.closest('label')!.innerText))).to.deep.equal([
      'Here: 77',
      'Elsewhere: 66',
    ]);
    await sheet.getByRole('button', { name: /keep the other as a job of its own/ }).click();
    await saved();
    await verdict(/^77 cards/);
    await other.close();
    await page.goto(application.url);
    await page.getByText(`${heron} (other copy)`).waitFor();
  });
});
