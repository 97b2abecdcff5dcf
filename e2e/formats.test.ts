import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { FORMATS, type Job } from '@zippy/core';
import { Application, dotsOfCanvas, openBrowser, openPage, useStudio } from './support.ts';

describe('every format, by keyboard', () => {
  const studio = useStudio();
  let page: Page;
  beforeEach(async () => {
    ({ page } = studio);
    await studio.open(await studio.own('Stall contact card'), 'size');
  });

  const slip = () => page.locator('aside');
  const choose = async (name: string): Promise<void> => {
    await slip().locator('button[aria-haspopup=listbox]').first().focus();
    await page.keyboard.press('Enter');
    await page.getByRole('listbox').waitFor();
    await page.keyboard.type(name);
    await page.keyboard.press('Enter');
  };
  const measure = async (label: string, text: string): Promise<void> => {
    const field = slip().getByLabel(label, { exact: true });
    await field.focus();
    await page.keyboard.press('Control+a');
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  };
  const press = async (name: string | RegExp): Promise<void> => {
    await page.getByRole('button', { name }).first().focus();
    await page.keyboard.press('Enter');
  };

  for (const { id, name } of FORMATS)
    it(`${name}: chosen, sized, folded and exported`, async () => {
      await choose(name);
      await measure('Finished width', '8 cm');
      await measure('Finished height', '11cm - 10 mm');
      await slip()
        .getByText(new RegExp(`^${name}, 80 × 100 mm`))
        .waitFor();
      if (id !== 'flat') {
        await press('Folded');
        const next = page.getByRole('button', { name: 'Next fold' });
        for (let steps = 0; steps < 12 && (await next.isEnabled()); steps += 1) {
          await next.focus();
          await page.keyboard.press('Enter');
        }
        const where = await page.getByText(/^Fold \d+ of \d+$/).innerText();
        expect(where).to.match(/^Fold (\d+) of \1$/);
        await page.getByRole('img', { name: /^Fold \d+: / }).waitFor();
        await press('Folded');
      }
      const [file] = await Promise.all([page.waitForEvent('download'), press(/Template in layers \(SVG\)/)]);
      const svg = readFileSync(await file.path(), 'utf8');
      expect(svg).to.contain('<g id="cut">').and.to.contain('<g id="safe">');
      if (id !== 'flat') expect(svg).to.match(/<g id="crease-(away|toward)">/);
    });

  it('keeps a length that cannot be, says why, and offers one that can', async () => {
    await choose('Gate fold');
    await measure('Finished height', '100');
    await measure('Gap between the doors', '12');
    await measure('Finished width', '3 1/2 in');
    await measure('Gap between the doors', '9 in');
    await slip()
      .getByText(/Gap between the doors wants 0 mm to 71\.1 mm/)
      .waitFor();
    await page.keyboard.press('Escape');
    await measure('Finished width', '40');
    // 4 cm leave at most 32 mm of gap; 12 mm still stand.
    await slip()
      .getByText(/^Gate fold, 40 × 100 mm/)
      .waitFor();
    await choose('Flat');
  });

  it('glues two mats on and finds them on sheets of their own', async () => {
    await choose('Side fold');
    await measure('Finished width', '40');
    await measure('Finished height', '100');
    await press(/Mats, writing panels, inserts/);
    await press('+ Mat');
    await press('One more inside it');
    await slip()
      .getByRole('button', { name: /Mat 2, front: 28 × 88 mm/ })
      .waitFor();
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: /Sheet/ }).first().click();
    await page.getByRole('button', { name: 'Mat 2, front', exact: true }).click();
    await page.getByRole('img', { name: /^Mat 2, front on a sheet/ }).waitFor();
  });
});

describe('the card in three dimensions', () => {
  it('is drawn with its art, turned by keys, and shut again', async () => {
    const faults: string[] = [];
    const application = await Application.start();
    const browser = await openBrowser({ solid: true });
    try {
      const page = await openPage(browser, faults);
      // The processor draws every dot of it.
      await page.setViewportSize({ width: 960, height: 600 });
      const { jobs } = (await (await fetch(`${application.url}/api/jobs`)).json()) as {
        jobs: readonly { readonly id: string; readonly document: Job }[];
      };
      const { id } = jobs.find((j) => j.document.brief.title === 'Scallop shell')!;
      await page.emulateMedia({ reducedMotion: 'reduce' });
      await page.goto(`${application.url}/jobs/${id}/art`);
      await page.locator('aside h2').waitFor();
      await page.keyboard.press('o');
      await page.getByRole('application', { name: /^Hinged shape, 22 % open/ }).waitFor();
      const card = page.getByRole('application');
      const canvas = card.locator('canvas');
      await canvas.waitFor();
      /** How much of the picture is the shell’s own coral, a colour found nowhere on the bench. */
      const coral = async (): Promise<number> => {
        const { data, count } = await dotsOfCanvas(canvas);
        let found = 0;
        for (let i = 0; i < data.length; i += 3)
          if (data[i]! > 170 && data[i + 1]! > 90 && data[i + 1]! < 190 && data[i]! - data[i + 2]! > 45) found += 1;
        return found / count;
      };
      const settled = async (wanted: (share: number) => boolean): Promise<number> => {
        for (let tries = 0; tries < 60; tries += 1) {
          const share = await coral();
          if (wanted(share)) return share;
          await page.waitForTimeout(250);
        }
        return coral();
      };
      const ajar = await settled((share) => share > 0.02);
      expect(ajar).to.be.greaterThan(0.02);
      await page.getByRole('button', { name: 'As its reader sees it' }).click();
      const shut = await settled((share) => share > ajar * 1.2);
      // Seen square on, the front is wider than ajar.
      expect(shut).to.be.greaterThan(ajar * 1.2);
      const reader = page.getByRole('application', { name: /^Hinged shape, shut/ });
      await reader.focus();
      for (let turns = 0; turns < 18; turns += 1) await page.keyboard.press('ArrowRight');
      // Half a turn about: the back, which is sand and not coral.
      expect(await settled((share) => share < shut / 4)).to.be.lessThan(shut / 4);
      expect(faults).to.deep.equal([]);
    } finally {
      await browser.close();
      await application.stop();
    }
  });
});
