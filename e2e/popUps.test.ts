import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
import { popUpOf } from '@zippy/core';
import { useStudio } from './support.ts';

describe('what pops up', () => {
  const studio = useStudio();
  const { open, own, press, reaches, take } = studio;
  let page: Page;
  beforeEach(() => ({ page } = studio));

  const slip = () => page.locator('aside');
  const add = async (name: RegExp): Promise<void> => {
    await slip()
      .getByRole('button', { name: /Add a mechanism/ })
      .click();
    await page.getByRole('option', { name }).click();
  };
  const opened = async (deg: number): Promise<void> => {
    const slider = page.getByRole('slider', { name: 'Open' });
    await slider.focus();
    await page.keyboard.press('Home');
    for (let i = 0; i < Math.round((deg / 180) * 100); i += 1) await page.keyboard.press('ArrowRight');
    // In three dimensions or drawn, whichever this browser can.
    await page.locator(`[aria-label*=", ${deg}° open."]`).waitFor();
  };
  /** Dots of the bench that are about of a colour. */
  const dotsOf = async ([r, g, b]: readonly [number, number, number]): Promise<number> => {
    const shot = await page.locator('[aria-label*="° open."]').screenshot();
    const { data, info } = await sharp(shot).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    let dots = 0;
    for (let i = 0; i < data.length; i += info.channels)
      if (Math.abs(data[i]! - r) < 30 && Math.abs(data[i + 1]! - g) < 30 && Math.abs(data[i + 2]! - b) < 30) dots += 1;
    return dots;
  };

  it('a lighthouse rises as the card is opened, and its steps are told with their marks', async () => {
    const title = await own('Lighthouse that stands up');
    await open(title, 'size');
    await page.keyboard.press('o');
    // Shut nothing of it is seen; opened like an L its red stripes stand before the sky.
    const RED = [0xc6, 0x45, 0x3b] as const;
    await opened(90);
    let upright = 0;
    for (let tries = 0; tries < 20 && upright < 200; tries += 1) {
      await page.waitForTimeout(300);
      upright = await dotsOf(RED);
    }
    expect(upright).to.be.above(200);
    await press('From the side');
    await page.getByRole('img', { name: /^From the end of the fold, 90° open/ }).waitFor();
    expect(await studio.serious()).to.deep.equal([]);
    await page.getByRole('link', { name: /Make/ }).first().click();
    const ticket = await take(/Job ticket, PDF/, 'pop-up-ticket.pdf');
    const said = execFileSync('pdftotext', ['-layout', ticket, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ');
    expect(said).to.contain('Put in the box step 1');
    expect(said).to.contain('marks 1 and 2');
    expect(said).to.contain('22 mm to 32 mm from the fold, 44 mm to 104 mm from the left');
  });

  it('a step is added, said to poke out, set right by one press, and a figure stands on it', async () => {
    const title = await own('Lighthouse thank-you');
    await open(title, 'size');
    await press(/^Pop-ups: what moves/);
    await add(/^Box step/);
    await reaches(title, ({ size }) => size.layers.length === 1);
    const one = page.getByRole('region', { name: 'Pop-up popUp1' });
    await one.getByLabel('Stands out by').fill('60');
    await one.getByLabel('Stands out by').press('Enter');
    await one.getByLabel('Height').fill('70');
    await one.getByLabel('Height').press('Enter');
    const snag = page.getByText(/^Box step pokes out by/).first();
    await snag.waitFor();
    const remedy = page.getByRole('button', { name: /^Set “(Height|Stands out by)” to/ }).first();
    if (!(await remedy.isVisible())) await snag.click();
    await remedy.click();
    await snag.waitFor({ state: 'hidden' });
    await add(/^Figure/);
    const job = await reaches(title, ({ size }) => size.layers.length === 2);
    expect(popUpOf(job.size.layers[1]!).on).to.deep.equal({ layerId: 'popUp1', at: 'front' });
    // What is typed out of its limits is said, and kept until it is put right.
    const figure = page.getByRole('region', { name: 'Pop-up popUp2' });
    await figure.getByLabel('Height', { exact: true }).fill('2');
    await figure.getByLabel('Height', { exact: true }).press('Enter');
    await figure.getByText(/wants 3 mm to 400 mm/).waitFor();
    await figure.getByLabel('Height', { exact: true }).press('Escape');
    expect(await studio.serious()).to.deep.equal([]);
    // Both parts lie on sheets of their own.
    await page.getByRole('link', { name: /Sheet/ }).first().click();
    await page.getByRole('button', { name: 'Figure', exact: true }).click();
    await page.getByRole('img', { name: /^Figure on a sheet/ }).waitFor();
  });
});
