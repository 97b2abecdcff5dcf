import { expect } from 'chai';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
import { allSnags, planJob, type Job, type Workshop } from '@zippy/core';
import { useStudio } from './support.ts';

/** A card begins with what is in the maker’s hand. */
describe('a card that begins', () => {
  const studio = useStudio();
  const { press, stored } = studio;
  let page: Page;
  before(() => {
    ({ page } = studio);
  });

  const toNew = async (): Promise<void> => {
    await page.goto(studio.application.url);
    await press('New card');
    await page.getByRole('heading', { name: 'What do you have in your hand?' }).waitFor();
  };
  const begun = async (title: string): Promise<Job> => {
    await page.getByLabel('What is it for?').fill(title);
    await page
      .getByLabel('What it comes to')
      .getByText(/you have/)
      .waitFor();
    await press('Begin this card');
    await page.waitForURL(/\/jobs\//);
    return (await stored(title)).document;
  };
  /** Worked out anew from what the server keeps. */
  const stopsOf = async (job: Job): Promise<readonly string[]> => {
    const { workshop } = await studio.ask<{ workshop: Workshop }>('workshop');
    return allSnags(planJob(job, workshop, { typefaces: new Map(), today: null }))
      .filter(({ level }) => level === 'stop')
      .map(({ title }) => title);
  };
  const photograph = async (name: string, widthPx: number, heightPx: number): Promise<string> => {
    const file = join(studio.folder, name);
    await sharp({ create: { width: widthPx, height: heightPx, channels: 3, background: '#3f6f70' } })
      .jpeg()
      .toFile(file);
    return file;
  };

  it('from a photograph, by the keyboard alone, in under forty presses and with no stop on the way', async () => {
    const file = await photograph('low-tide_at_dawn.jpg', 2400, 1800);
    let presses = 0;
    const key = async (name: string): Promise<void> => {
      presses += 1;
      await page.keyboard.press(name);
    };
    const tabTo = async (role: Parameters<Page['getByRole']>[0], name: string | RegExp): Promise<void> => {
      const wanted = page.getByRole(role, { name });
      await wanted.waitFor();
      for (let n = 0; n < 40; n += 1) {
        if (await wanted.evaluate((node) => node === document.activeElement)) return;
        await key('Tab');
      }
      throw new Error(`Tab never came to ${String(name)}`);
    };
    await page.goto(studio.application.url);
    await page.getByRole('link', { name: /^Lantern Regatta supper/ }).waitFor();
    await tabTo('button', 'New card');
    await key('Enter');
    await tabTo('radio', 'Only an idea');
    for (let n = 0; n < 4; n += 1) await key('ArrowRight');
    // Asked for well before the press: the browser is told of it by the way, and on a busy machine Enter may come first.
    const choosing = page.waitForEvent('filechooser');
    await tabTo('button', 'Choose a picture');
    await key('Enter');
    await (await choosing).setFiles(file);
    await page
      .getByLabel('What it comes to')
      .getByText(/you have/)
      .waitFor();
    // The title is the picture’s own name until it gets another.
    expect(await page.getByLabel('What is it for?').inputValue()).to.equal('Low tide at dawn');
    await tabTo('button', 'Begin this card');
    await key('Enter');
    await page.waitForURL(/\/art$/);
    expect(presses).to.be.below(40);
    const { document: job } = await stored('Low tide at dawn');
    expect(job.size.format).to.equal('tentFold');
    expect(Object.values(job.pictures).map(({ widthPx }) => widthPx)).to.deep.equal([2400]);
    expect(await stopsOf(job)).to.deep.equal([]);
    // No station of the strip says stop either.
    await page.locator('nav[aria-label=Stations]').waitFor();
    await page.getByRole('link', { name: /^Sell/ }).waitFor();
    expect(await page.locator('nav[aria-label=Stations] a').filter({ hasText: /stop/i }).count()).to.equal(0);
  });

  it('from an envelope of the shelf, or one that is measured, and the card goes in', async () => {
    await toNew();
    await page.getByText('An envelope', { exact: true }).click();
    await page.getByText('Kraft C5 (ISO)').click();
    const shelf = await begun('As large as the C5 holds');
    expect(shelf.brief.envelope).to.deep.equal({ kind: 'shelf', envelopeId: 'kraft-c5' });
    await toNew();
    await page.getByText('An envelope', { exact: true }).click();
    await page.getByText('measure its inside').click();
    await page.getByLabel('Inside width').fill('6 in');
    await page.getByLabel('Inside width').press('Enter');
    await page.getByLabel('Inside height').fill('110');
    await page.getByLabel('Inside height').press('Enter');
    const typed = await begun('For an odd envelope');
    const held = typed.brief.envelope;
    if (held.kind !== 'typed') throw new Error('the envelope was typed');
    expect(held.insideWidthMm).to.be.closeTo(152.4, 1e-9);
    expect(held.insideHeightMm).to.equal(110);
    const [narrow, long] = [typed.size.finishedWidthMm, typed.size.finishedHeightMm];
    // Three millimetres of room, and two leaves of 0.37 mm that spring to half as much again at most: 106.1 and 148.5.
    expect([narrow, long]).to.deep.equal([106, 148]);
    for (const job of [shelf, typed]) expect(await stopsOf(job)).to.deep.equal([]);
  });

  it('from a sample’s measures, and from an earlier job without its art; what was typed stays while one looks elsewhere', async () => {
    await toNew();
    await page.getByText('A card to match', { exact: true }).click();
    await page.getByLabel('Its width').fill('4 1/8 in');
    await page.getByLabel('Its width').press('Enter');
    await page.getByLabel('What is it for?').fill('To match');
    await page.getByRole('link', { name: 'Workshop' }).click();
    await page.goBack();
    expect(await page.getByLabel('Its width').inputValue()).to.equal('104.8 mm');
    expect(await page.getByLabel('What is it for?').inputValue()).to.equal('To match');
    const sample = await begun('To match');
    expect(sample.size.finishedWidthMm).to.be.closeTo(104.775, 1e-9);
    await toNew();
    await page.getByText('An earlier job', { exact: true }).click();
    await page.getByText('Choose the job it is to be like.').waitFor();
    await page.getByLabel('Find a job').fill('regatta supper');
    await page.getByText('Lantern Regatta supper').click();
    await page.getByText('With its pictures and words').click();
    await page
      .getByLabel('What it comes to')
      .getByText(/you have/)
      .waitFor();
    expect(await page.getByLabel('What is it for?').inputValue()).to.equal('Lantern Regatta supper, again');
    const again = await begun('Supper, bare');
    const before = (await stored('Lantern Regatta supper')).document;
    expect(again.size.finishedWidthMm).to.equal(before.size.finishedWidthMm);
    expect([again.art.faces, again.pictures, again.names]).to.deep.equal([{}, {}, null]);
    expect(again.brief.wanted).to.equal(12);
    expect(again.brief.dueDate).to.equal(null);
  });

  it('says what is missing instead of beginning', async () => {
    await toNew();
    await press('Begin this card');
    await page.getByText('Title wants a few words, so that you find the job again.').waitFor();
    await page.getByText('A picture', { exact: true }).click();
    await page.getByLabel('What is it for?').fill('No picture yet');
    await press('Begin this card');
    await page.getByRole('alert').getByText('Choose the picture for its front.').waitFor();
    expect(await stored('No picture yet')).to.equal(undefined);
    expect(await studio.serious()).to.deep.equal([]);
  });
});
