import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import type { Page } from 'playwright-core';
import { planJob, say, STATIONS, type Workshop } from '@zippy/core';
import { readJobFile } from '@zippy/core/job-file';
import { loadFonts, readPicture } from '@zippy/server/exports';
import { useStudio, type Application } from './support.ts';

describe('every view', () => {
  const studio = useStudio();
  const { open, serious } = studio;
  let application: Application;
  let page: Page;
  before(() => {
    ({ application, page } = studio);
  });

  for (const station of STATIONS)
    it(`${station}: axe finds nothing serious`, async () => {
      await open('Lantern Regatta supper', station);
      if (station === 'art') await page.getByRole('button', { name: 'Words: Lantern Regatta', exact: true }).click();
      if (station === 'sell') await page.locator('.chart svg').waitFor();
      expect(await serious()).to.deep.equal([]);
    });

  it('jobs wall, new card, workshop, keys and a stopped job: axe finds nothing serious', async () => {
    await page.goto(application.url);
    await page.getByText('Nothing left for bleed').waitFor();
    expect(await serious()).to.deep.equal([]);
    await page.getByRole('button', { name: 'New card' }).click();
    await page.getByText(/of the \d+ you have/).waitFor();
    expect(await serious()).to.deep.equal([]);
    await page.goto(`${application.url}/workshop`);
    await page.getByRole('heading', { name: 'Workshop' }).waitFor();
    expect(await serious()).to.deep.equal([]);
    await page.getByRole('link', { name: /^Shell White 300, A4: / }).click();
    // Which of the jobs with it are named depends on how many other tests have made.
    await page.locator('footer a[href*="/jobs/"]').first().waitFor();
    expect(await serious()).to.deep.equal([]);
    await open('Lighthouse thank-you', 'sheet');
    expect(await serious()).to.deep.equal([]);
    await page.keyboard.press('?');
    await page.getByRole('dialog', { name: 'Keys' }).waitFor();
    expect(await serious()).to.deep.equal([]);
  });

  it('shows the figures that the command line prints for the same job file', async () => {
    const { workshop } = (await (await fetch(`${application.url}/api/workshop`)).json()) as { workshop: Workshop };
    const file = new URL('../demo/jobs/heron-at-dawn.json', import.meta.url);
    const read = readJobFile(JSON.parse(readFileSync(file, 'utf8')), workshop);
    if (!read.ok) throw new Error(read.why);
    const picture = await readPicture(
      'Heron at dawn',
      readFileSync(new URL('../demo/art/heron-at-dawn.svg', import.meta.url)),
    );
    const { book } = await loadFonts();
    const plan = planJob({ ...read.value.job, pictures: { heron: picture.ref } }, workshop, {
      typefaces: book,
      today: null,
    });
    for (const station of ['size', 'stock', 'sheet', 'cut', 'crease', 'envelope', 'make', 'sell'] as const) {
      await open('Heron at dawn', station);
      const text = (await page.locator('aside').innerText()).replace(/\s+/g, ' ');
      expect(text, station).to.contain(plan[station].verdict.replace(/\s+/g, ' '));
      for (const figure of plan[station].figures)
        expect(text, `${station}: ${figure.label}`).to.contain(say(figure.value, workshop).replace(/\s+/g, ' '));
    }
  });

  it('applies a remedy with one press, and takes it back with one', async () => {
    await open('Lighthouse thank-you', 'sheet');
    await page.getByText('Nothing left for bleed', { exact: false }).first().waitFor();
    await page.getByRole('button', { name: /^Trim the card to/ }).click();
    await page.locator('aside').getByText(/^2 up/).first().waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page
      .locator('aside')
      .getByText(/does not fit/)
      .first()
      .waitFor();
  });

  it('shows the verdict and the first decision of every station without scrolling, whatever is wrong', async () => {
    for (const title of ['Lighthouse thank-you', 'Regatta place cards'])
      for (const station of STATIONS) {
        await open(title, station);
        const read = page.locator('aside .read');
        const seen = (await read.boundingBox())!;
        const verdict = (await read.locator('h2 + p').boundingBox())!;
        const decision = (await read.locator('input, button, [role=radio]').first().boundingBox())!;
        for (const box of [verdict, decision])
          expect(box.y + box.height, `${title}, ${station}`).to.be.at.most(seen.y + seen.height);
        // More than half of the slip is the maker’s own.
        expect(seen.height, `${title}, ${station}`).to.be.above(
          0.5 * (await page.locator('aside:has(.read)').boundingBox())!.height,
        );
      }
  });

  it('keeps a snag quiet that was waved off, also after a reload, until its figures change', async () => {
    const title = await studio.own('Regatta place cards');
    await open(title, 'art');
    const strip = page.getByRole('link', { name: /^Art:/ });
    const row = page.getByRole('list', { name: 'Snags' }).getByRole('button', { name: /to be even/ });
    await row.click();
    await page.getByRole('button', { name: /^I know/ }).click();
    await row.waitFor({ state: 'detached' });
    await page.reload();
    await page.getByRole('button', { name: /^▸ 1 that you know of/ }).waitFor();
    expect(await row.count()).to.equal(0);
    const before = await strip.getAttribute('aria-label');
    await page.getByRole('button', { name: /that you know of/ }).click();
    await row.click();
    await page.getByRole('button', { name: 'Tell me again' }).click();
    await page.getByRole('button', { name: /that you know of/ }).waitFor({ state: 'detached' });
    await row.waitFor();
    expect(await strip.getAttribute('aria-label')).to.not.equal(before);
  });

  it('sends no more than 190 kB of script before anything is seen', () => {
    const dist = new URL('../web/dist/', import.meta.url);
    const html = readFileSync(new URL('index.html', dist), 'utf8');
    const scripts = [...new Set(html.match(/assets\/[\w.-]+\.js/g))];
    expect(scripts.length).to.be.above(1);
    const bytes = scripts.reduce((sum, file) => sum + gzipSync(readFileSync(new URL(file, dist))).length, 0);
    expect(bytes).to.be.below(190_000);
  });

  it('goes all the way with the keyboard alone', async () => {
    await page.goto(application.url);
    await page.getByText('Lantern Regatta supper').waitFor();
    const link = page.getByRole('link', { name: /^Stall contact card/ });
    const isFocused = () => link.evaluate((node) => node === document.activeElement);
    // A page that is still being drawn may drop the focus once: the way then begins anew from the top.
    for (let presses = 0; presses < 120 && !(await isFocused()); presses += 1) await page.keyboard.press('Tab');
    expect(await isFocused(), 'Tab reaches the job').to.equal(true);
    await page.keyboard.press('Enter');
    await page.locator('nav[aria-label=Stations]').waitFor();
    await page.getByRole('heading', { name: 'Stall contact card' }).waitFor();
    await page.keyboard.press('3');
    await page.waitForURL(/\/art$/);
    const words = page.getByRole('button', { name: /^Words: Saltmarsh Lane\. Drag/ });
    await words.focus();
    const before = await page.getByLabel('From the left').inputValue();
    await page.keyboard.press('Shift+ArrowRight');
    await page.waitForFunction(
      (was) =>
        [...document.querySelectorAll('label')]
          .find((l) => l.textContent === 'From the left')!
          .parentElement!.querySelector('input')!.value !== was,
      before,
    );
    expect(parseFloat(await page.getByLabel('From the left').inputValue())).to.equal(parseFloat(before) + 5);
    await page.keyboard.press('.');
    await page.waitForURL(/\/stock$/);
    await page.keyboard.press(',');
    await page.waitForURL(/\/art$/);
    await page.keyboard.press('Control+z');
    await page
      .getByRole('status')
      .filter({ hasText: /^Saved$/ })
      .waitFor();
  });

  it('opens and shuts the folded card, and turns the blank over', async () => {
    await open('Lantern Regatta supper', 'size');
    const drawing = page.getByRole('img', { name: /open blank, outside up/ });
    await drawing.waitFor();
    await page.keyboard.press('t');
    await page.getByRole('img', { name: /open blank, inside up/ }).waitFor();
    await page.keyboard.press('o');
    // Without three dimensions the card is drawn; the controls are the same.
    const slider = page.getByRole('slider', { name: 'Open' });
    await slider.focus();
    await page.keyboard.press('End');
    await page.getByRole('img', { name: 'Side fold, flat open.' }).waitFor();
    await page.keyboard.press('Home');
    await page.getByRole('img', { name: 'Side fold, shut.' }).waitFor();
  });

  it('Size unfolded, the format list and the folded card: axe finds nothing serious', async () => {
    await open('Tide-table cascade', 'size');
    await page.getByRole('button', { name: /Envelopes it fits/ }).click();
    await page.getByRole('button', { name: /Mats, writing panels/ }).click();
    await page.getByRole('button', { name: '+ Mat' }).click();
    await page.getByRole('group', { name: 'On which faces' }).waitFor();
    expect(await serious()).to.deep.equal([]);
    await page.keyboard.press('Control+z');
    await page.locator('aside button[aria-haspopup=listbox]').first().click();
    await page.getByRole('listbox').waitFor();
    expect(await serious()).to.deep.equal([]);
    await page.keyboard.press('Escape');
    await page.locator('nav[aria-label=Stations]').waitFor();
    await page.keyboard.press('o');
    await page.getByRole('img', { name: /^Cascade, \d+ % open/ }).waitFor();
    expect(await serious()).to.deep.equal([]);
    await open('Tide-table cascade', 'crease');
    await page.getByRole('button', { name: /Sizes that suit/ }).click();
    await page.getByRole('button', { name: /Schools of pressing/ }).click();
    expect(await serious()).to.deep.equal([]);
    await open('Scallop shell', 'cut');
    expect(await serious()).to.deep.equal([]);
  });

  it('takes a measured card and makes this one to match, thickness and all', async () => {
    await open('Stall contact card', 'size');
    await page.getByRole('button', { name: /Envelopes it fits/ }).click();
    // A folded sample 100 × 60, 1.2 mm thick; this one is a single sheet of 0.26 mm, so it may be 0.94 mm larger.
    await page.getByLabel('Sample width').fill('10 cm');
    await page.getByLabel('Sample height').fill('60mm');
    await page.getByLabel('Sample thickness').fill('nought');
    await page.getByText(/Sample thickness cannot be read/).waitFor();
    await page.getByLabel('Sample thickness').fill('1.2');
    await page.getByRole('button', { name: 'Make mine 100.9 × 60.9 mm' }).click();
    await page
      .locator('aside')
      .getByText(/^Flat, 100\.9 × 60\.9 mm/)
      .waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
  });

  it('rehearses twenty cards, the worst first, and what helps makes more of them good', async () => {
    await open(await studio.own('Regatta place cards'), 'make');
    await page.getByRole('button', { name: 'Rehearse twenty cards' }).click();
    const said = page.getByRole('heading', { name: /^\d+ of 20 would be good$/ });
    const good = async (): Promise<number> => parseInt(await said.innerText(), 10);
    await said.waitFor();
    const before = await good();
    expect(before).to.be.below(20);
    const cards = page.getByRole('list', { name: 'Cards, the worst first' }).getByRole('listitem');
    expect(await cards.count()).to.equal(20);
    const marks = (await cards.allInnerTexts()).map((text) => /[✕✓]/.exec(text)![0]);
    expect(marks.join('')).to.equal('✕'.repeat(20 - before) + '✓'.repeat(before));
    expect(await serious()).to.deep.equal([]);
    const table = page.getByRole('region', { name: 'Rehearsal' });
    // Another printer’s faults are another table full.
    const landed = async (): Promise<string> => (await cards.allInnerTexts()).join(' ');
    const asMeasured = await landed();
    await table.getByRole('button', { name: 'Stand-in printer' }).click();
    await table.getByText(/Printed by the stand-in with the faults it was given/).waitFor();
    for (let tries = 0; tries < 200 && (await landed()) === asMeasured; tries += 1) await page.waitForTimeout(50);
    expect(await landed()).to.not.equal(asMeasured);
    await table.getByRole('button', { name: 'Stand-in printer' }).click();
    for (let tries = 0; tries < 200 && (await landed()) !== asMeasured; tries += 1) await page.waitForTimeout(50);
    expect(await landed()).to.equal(asMeasured);
    await table.getByRole('button', { name: 'Stand-in printer' }).locator('xpath=following::button').first().click();
    for (let tries = 0; tries < 200 && (await good()) === before; tries += 1) await page.waitForTimeout(50);
    expect(await good()).to.be.above(before);
    await page.getByRole('button', { name: 'Back to the steps' }).click();
    await page.getByRole('list', { name: 'Steps of the run' }).waitFor();
  });

  it('runs at the bench: space to go on, good and spoiled with a cause, kept as it happens', async () => {
    await open('Stall contact card', 'make');
    await page.getByRole('button', { name: 'Start a run' }).click();
    await page.waitForURL(/\/bench\//);
    await page.getByText(/^Step 1 of/).waitFor();
    expect(await serious()).to.deep.equal([]);
    await page.keyboard.press('Space');
    await page.getByText(/^Step 2 of/).waitFor();
    for (let i = 0; i < 3; i += 1) await page.keyboard.press('g');
    await page.keyboard.press('b');
    await page.getByRole('dialog', { name: 'What spoiled it?' }).waitFor();
    expect(await serious()).to.deep.equal([]);
    await page.getByRole('button', { name: 'drift' }).click();
    await page.getByText('Saved').waitFor();
    await application.killWeb();
    await page.keyboard.press('g');
    await page.getByText('Server away: 1 kept here').waitFor();
    await application.startWeb();
    await page.getByText('Saved').waitFor();
    await page.reload();
    await page.getByText(/^Step 2 of/).waitFor();
    expect((await page.locator('footer').innerText()).replace(/\s+/g, ' ')).to.contain('4 good of 100 1 spoiled');
    await page.keyboard.press('Backspace');
    await page.getByText('3', { exact: true }).waitFor();
  });
});
