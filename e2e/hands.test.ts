import { expect } from 'chai';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Locator, Page } from 'playwright-core';
import type { Job } from '@zippy/core';
import { openBrowser, openPage, until, useStudio, type Application } from './support.ts';

/** What is done with the pointer and in the smaller corners of the page. */
describe('by hand', () => {
  const studio = useStudio();
  const { folder, open, own, reaches, saved, stored } = studio;
  let application: Application;
  let page: Page;
  before(() => {
    ({ application, page } = studio);
  });

  const drag = async (name: RegExp, dx: number, dy: number): Promise<void> => {
    const box = (await page.getByRole('button', { name }).boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height * 0.9];
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 1; i <= 8; i += 1) await page.mouse.move(x + (dx * i) / 8, y + (dy * i) / 8);
    await page.mouse.up();
  };

  it('slides the picture with the pointer, within its edges, as one step to undo', async () => {
    const heron = await own('Heron at dawn');
    await open(heron, 'art');
    const zoom = page.getByRole('slider', { name: 'Zoom' });
    await zoom.focus();
    const lies = (): Promise<string> =>
      page
        .locator('[aria-label="Bench"] image')
        .first()
        .evaluate((image) => image.outerHTML);
    const whole = await lies();
    // A page of the scale is half its zoom, from 1: three of them make 2.5.
    for (let i = 0; i < 3; i += 1) await page.keyboard.press('PageUp');
    await reaches(heron, (job) => job.art.faces.front!.picture!.zoom === 2.5);
    // It is dragged as it lies, so the page must have laid it out.
    await until(lies, (now) => now !== whole);
    const before = (await stored(heron)).document.art.faces.front!.picture!;
    await drag(/^Picture Heron/, -120, 30);
    await reaches(heron, (job) => job.art.faces.front!.picture!.focusX > before.focusX + 0.05);
    await drag(/^Picture Heron/, -900, 0);
    await reaches(heron, (job) => job.art.faces.front!.picture!.focusX === 1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await reaches(heron, (job) => job.art.faces.front!.picture!.focusX < 1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await reaches(heron, (job) => job.art.faces.front!.picture!.focusX === before.focusX);
  });

  it('loses nothing that was changed just before, however late its plan comes', async () => {
    const heron = await own('Heron at dawn');
    const browser = await openBrowser();
    try {
      const late = await openPage(browser, studio.faults, { lateMs: 1500 });
      await late.goto(`${application.url}/jobs/${(await stored(heron)).id}/art`);
      const image = late.locator('[aria-label="Bench"] image').first();
      const whole = await image.evaluate((one) => one.outerHTML);
      const zoom = late.getByRole('slider', { name: 'Zoom' });
      await zoom.focus();
      await late.keyboard.press('PageUp');
      await until(
        () => image.evaluate((one) => one.outerHTML),
        (now) => now !== whole,
      );
      // Before any plan of what follows is there: it is moved from where it is, and stays as large as it was made.
      await late.keyboard.press('PageUp');
      await late.keyboard.press('PageUp');
      await late.getByRole('button', { name: /^Picture Heron/ }).focus();
      for (let i = 0; i < 3; i += 1) await late.keyboard.press('ArrowLeft');
      const moved = (job: Job): number => Math.abs(job.art.faces.front!.picture!.focusX - 0.5);
      const kept = await reaches(heron, (job) => moved(job) > 0);
      expect(kept.art.faces.front!.picture!.zoom).to.equal(2.5);
      expect(moved(await reaches(heron, (job) => moved(job) > 0.05))).to.be.closeTo(3 * 0.02, 1e-9);
    } finally {
      await browser.close();
    }
  });

  it('fades and greys it, and takes it off and puts it back', async () => {
    const heron = await own('Heron at dawn');
    await open(heron, 'art');
    await page.getByRole('slider', { name: 'Fade' }).focus();
    await page.keyboard.press('PageUp');
    await page.locator('aside').getByText('Grey', { exact: true }).click();
    await reaches(heron, (job) => job.art.faces.front!.picture!.grey && job.art.faces.front!.picture!.fade > 0);
    await page.getByRole('button', { name: 'Take it off' }).click();
    await reaches(heron, (job) => job.art.faces.front!.picture === null);
    await page.getByRole('button', { name: 'Place Heron at dawn' }).click();
    await reaches(heron, (job) => job.art.faces.front!.picture !== null);
  });

  it('drags words over safe, says so, and moves them back with one press', async () => {
    await open(await own('Lantern Regatta supper'), 'art');
    await drag(/^Words: SUPPER ON THE QUAY\. Drag/, 0, -200);
    await page
      .locator('aside')
      .getByText(/“SUPPER ON THE QUAY” crosses safe/)
      .waitFor();
    await page.getByRole('button', { name: 'Move it inside safe' }).click();
    await page
      .locator('aside')
      .getByText(/crosses safe/)
      .waitFor({ state: 'detached' });
    await saved();
  });

  it('refuses a file that is no picture with a sentence, and keeps the face', async () => {
    const path = join(folder, 'notes.txt');
    writeFileSync(path, 'buy twine');
    const supper = await own('Lantern Regatta supper');
    await open(supper, 'art');
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Another picture …' }).click();
    await (await chooser).setFiles(path);
    await page.getByText(/notes\.txt is no picture that can be read here/).waitFor();
    expect((await stored(supper)).document.art.faces.front!.picture!.pictureId).to.equal('regatta');
  });

  it('measures in inches and back without changing the card', async () => {
    await open('Lantern Regatta supper', 'size');
    await page.locator('h1').click();
    await page.keyboard.press('u');
    await page
      .locator('aside')
      .getByText(/3 25\/32 × 5 11\/32 in|3 25\/32 in/)
      .first()
      .waitFor();
    const width = page.getByRole('textbox', { name: 'Finished width' });
    await width.focus();
    await width.blur();
    expect((await stored('Lantern Regatta supper')).document.size.finishedWidthMm).to.equal(96);
    await page.locator('h1').click();
    await page.keyboard.press('u');
    await page
      .locator('aside')
      .getByText(/96 × 136 mm/)
      .first()
      .waitFor();
  });

  it('finds the largest card for the envelope and says it slides in', async () => {
    await open('Lantern Regatta supper', 'size');
    await page.getByRole('button', { name: /Envelopes it fits/ }).click();
    const shelf = page.getByRole('list', { name: 'Envelopes on the shelf' });
    await shelf
      .getByRole('listitem')
      .filter({ hasText: 'Teal' })
      .getByRole('button', { name: 'Largest: 98 × 138 mm' })
      .click();
    // 102 − 0.925 − 3 = 98.075 and 142 − 3.925 = 138.075, to a tenth downwards.
    await page
      .locator('aside')
      .getByText(/98 × 138 mm: slides into/)
      .waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page
      .locator('aside')
      .getByText(/96 × 136 mm: slides into/)
      .waitFor();
  });

  it('draws a matching envelope on its sheet and prices it', async () => {
    await open('Stall contact card', 'envelope');
    await page.getByText('Make matching envelopes').click();
    await page
      .locator('aside')
      .getByText(/100 side-seam envelopes/)
      .waitFor();
    await page.getByRole('button', { name: 'On its sheet' }).click();
    await page.getByRole('img', { name: 'Side-seam envelope, on its sheet' }).waitFor();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: /Envelope template, SVG/ }).click();
    expect((await download).suggestedFilename()).to.equal('stall-contact-card-envelope.svg');
  });

  it('steps through the cuts and shows each on the bench', async () => {
    await open('Lantern Regatta supper', 'cut');
    await page.getByRole('img', { name: /^Cut 1:/ }).waitFor();
    await page.getByRole('button', { name: 'Next cut' }).click();
    await page.getByRole('img', { name: /^Cut 2: Half turn/ }).waitFor();
    await page.getByRole('list', { name: 'Cutting moves' }).getByRole('button').nth(3).click();
    await page.getByRole('img', { name: /^Cut 4:/ }).waitFor();
  });

  it('carries a price from the workshop to what a card costs', async () => {
    await open('Seal-pup notelets', 'sell');
    const cost = page.getByRole('button', { name: /^Cost of a good card:/ });
    const before = await cost.getAttribute('aria-label');
    await page.getByRole('link', { name: 'Workshop' }).click();
    await page.getByRole('link', { name: /^Wet Pebble Gloss 280, A4/ }).click();
    const price = page.getByRole('textbox', { name: 'Price of a sheet' });
    await price.fill('lots');
    await price.press('Enter');
    await page.getByText(/Price of a sheet wants an amount such as 3\.50/).waitFor();
    await price.fill('1.31');
    await price.press('Enter');
    await open('Seal-pup notelets', 'sell');
    expect(await cost.getAttribute('aria-label')).not.to.equal(before);
  });

  /** What somebody else saves of a job while it is open here. */
  const elsewhere = async (title: string, brief: Partial<Job['brief']>): Promise<void> => {
    const { id, version, document } = await stored(title);
    const answer = await fetch(`${application.url}/api/jobs/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ version, document: { ...document, brief: { ...document.brief, ...brief } } }),
    });
    expect(answer.status).to.equal(200);
  };
  const clashes = (): Locator => page.getByRole('dialog', { name: 'This job was changed in two places' });

  it('joins what another tab changed with what is changed here, and asks only about the same decision', async () => {
    const title = 'Regatta place cards';
    await open(title, 'brief');
    await elsewhere(title, { purpose: 'sell' });
    await page.getByRole('textbox', { name: 'Notes' }).fill('written here');
    await reaches(title, ({ brief }) => brief.notes === 'written here' && brief.purpose === 'sell');
    await page
      .locator('aside')
      .getByText(/ cards to sell/)
      .first()
      .waitFor();
    expect(await clashes().count()).to.equal(0);

    await elsewhere(title, { purpose: 'give', notes: 'written elsewhere' });
    await page.getByRole('textbox', { name: 'Notes' }).fill('written here again');
    await clashes().waitFor();
    expect(await studio.serious()).to.deep.equal([]);
    expect(await clashes().getByRole('radiogroup').count()).to.equal(1);
    await clashes().getByText('Elsewhere: written elsewhere').click();
    await clashes().getByRole('button', { name: 'Go on with these' }).click();
    await reaches(title, ({ brief }) => brief.notes === 'written elsewhere' && brief.purpose === 'give');
    expect(await page.getByRole('textbox', { name: 'Notes' }).inputValue()).to.equal('written elsewhere');

    await elsewhere(title, { notes: 'a third thought' });
    await page.getByRole('textbox', { name: 'Notes' }).fill('my own');
    await clashes()
      .getByRole('button', { name: /keep the other as a job of its own/ })
      .click();
    await reaches(title, ({ brief }) => brief.notes === 'my own');
    expect((await stored(`${title} (other copy)`)).document.brief.notes).to.equal('a third thought');
  });

  it('joins what two tabs change in the workshop, and shows both where it is the same thing', async () => {
    const other = await page.context().newPage();
    for (const tab of [page, other]) await tab.goto(`${application.url}/workshop`);
    const field = (tab: Page, name: string): Locator => tab.getByRole('textbox', { name });
    const set = async (tab: Page, name: string, value: string): Promise<void> => {
      await field(tab, name).fill(value);
      await field(tab, name).press('Enter');
    };
    const pace = async (): Promise<{ setUp: number; perFold: number }> =>
      (await studio.ask<{ workshop: { pace: { setUp: number; perFold: number } } }>('workshop')).workshop.pace;
    const comes = async (setUp: number, perFold: number): Promise<void> => {
      for (let tries = 0; tries < 100; tries += 1) {
        const now = await pace();
        if (now.setUp === setUp && now.perFold === perFold) return;
        await page.waitForTimeout(50);
      }
      expect(await pace()).to.include({ setUp, perFold });
    };
    await set(other, 'Setting up a run', '21');
    await comes(21, 0.25);
    await set(page, 'A fold', '0.5');
    await comes(21, 0.5);
    await set(other, 'A fold', '0.75');
    const sheet = other.getByRole('dialog', { name: 'The workshop was changed in two places' });
    await sheet.getByText('Elsewhere: 0.5').click();
    await sheet.getByRole('button', { name: 'Go on with these' }).click();
    await sheet.waitFor({ state: 'detached' });
    expect(await field(other, 'A fold').inputValue()).to.equal('0.5');
    await comes(21, 0.5);
    await other.close();
  });

  it('leaves the edits of another open tab alone, and takes them over when it is gone', async () => {
    const title = 'Stall contact card';
    await open(title, 'brief');
    const address = page.url();
    const other = await page.context().newPage();
    await other.goto(address);
    await other.getByLabel('Notes').waitFor();
    await application.killWeb();
    await other.getByLabel('Notes').fill('typed in the other tab');
    await other.getByText(/Server away: kept here/).waitFor();
    await application.startWeb();
    // Nothing of the other tab shows here while it lives; once it has saved and gone, all of it does.
    await other
      .getByRole('status')
      .filter({ hasText: /^Saved$/ })
      .waitFor();
    await application.killWeb();
    await other.getByLabel('Notes').fill('typed in the other tab, and closed');
    await other.getByText(/Server away: kept here/).waitFor();
    await other.close();
    await application.startWeb();
    await page.goto(address);
    await page.getByLabel('Notes').waitFor();
    expect(await page.getByLabel('Notes').inputValue()).to.equal('typed in the other tab, and closed');
    await reaches(title, (job) => job.brief.notes === 'typed in the other tab, and closed');
  });

  it('says that the part that writes files is away, stops what is not wanted any more, and writes when it is back', async () => {
    await open('Heron at dawn', 'cut');
    await application.stopWorker();
    const press = page.getByRole('button', { name: /^↓/ }).first();
    await press.click();
    await page.getByText('The part that writes files is away; it starts again by itself').waitFor();
    await page.getByRole('button', { name: 'Stop writing it' }).click();
    await page.getByText('Stopped; nothing was written.').waitFor();
    await press.click();
    await page.getByText('The part that writes files is away').waitFor();
    const download = page.waitForEvent('download');
    await application.startWorker();
    expect((await download).suggestedFilename()).to.match(/heron-at-dawn/);
  });

  it('puts a job away, and back with one press', async () => {
    const title = await own('Regatta place cards');
    await page.goto(application.url);
    const link = page.getByRole('link', { name: new RegExp(`^${title}`) });
    await page.getByRole('button', { name: `Put ${title} away` }).click();
    await link.waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Bring it back' }).click();
    await link.waitFor();
    await page.getByRole('button', { name: `Put ${title} away` }).click();
    await link.waitFor({ state: 'detached' });
    expect(await stored(title)).to.equal(undefined);
    await page.getByRole('button', { name: 'Leave it away' }).click();
  });

  it('fits a tablet held upright without sideways scrolling', async () => {
    await page.setViewportSize({ width: 820, height: 1180 });
    for (const [title, station] of [
      ['Lantern Regatta supper', 'cut'],
      ['Lantern Regatta supper', 'art'],
      ['Heron at dawn', 'crease'],
      ['Heron at dawn', 'make'],
    ] as const) {
      await open(title, station);
      const [scroll, client] = await page.evaluate(() => [
        document.documentElement.scrollWidth,
        document.documentElement.clientWidth,
      ]);
      expect(scroll, `${station}`).to.be.at.most(client);
    }
    await page.getByRole('button', { name: 'Go on at the bench' }).click();
    await page.getByText(/^Step \d+ of/).waitFor();
    await page.getByRole('img', { name: /Cut/ }).waitFor();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).to.be.at.most(820);
  });
});
