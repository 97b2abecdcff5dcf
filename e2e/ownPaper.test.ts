import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
import { useStudio } from './support.ts';

const PPI = 96;

/** Papers, printers and habits that are not the demo’s. */
describe('a maker’s own paper', () => {
  const studio = useStudio();
  const { fill, kept, open, own } = studio;
  let page: Page;
  before(() => {
    ({ page } = studio);
  });

  const verdict = (pattern: RegExp): Promise<void> => page.locator('aside').getByText(pattern).first().waitFor();

  it('two tents of 5 1/2 × 4 1/4 in are a letter sheet, parted by one cut, with art that stops a quarter inch short', async () => {
    const title = await own('Lighthouse thank-you');
    await open(title, 'size');
    await page.locator('aside button[aria-haspopup=listbox]').first().click();
    await page.getByRole('option', { name: 'Tent fold' }).click();
    await fill('Finished width', '5 1/2 in');
    await fill('Finished height', '4 1/4 in');
    await page.locator('aside').getByText('Stops short', { exact: true }).click();
    await fill('Bare edge', '1/4 in');
    await page.getByRole('link', { name: /^Art:/ }).click();
    await page.waitForURL(/\/art$/);
    await page.getByRole('button', { name: 'Inside bottom' }).click();
    await page.getByRole('button', { name: 'Add words' }).click();
    await page.getByLabel('Words', { exact: true }).fill('Thank you for the light');
    await page.locator('h1').click();
    await open(title, 'sheet');
    await verdict(/^2 up.*printed both sides/);
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: /Sheets to print, PDF/ }).click();
    const pdf = await kept(await download, 'tents.pdf');
    await open(title, 'cut');
    await verdict(/^1 move at 1 fence setting/);

    const said = execFileSync('pdfinfo', [pdf], { encoding: 'utf8' });
    expect(said).to.match(/Page size:\s+612 x 792 pts/);
    // The first page of such a file is a front, the last a back.
    for (const side of ['1', /Pages:\s+(\d+)/.exec(said)![1]!]) {
      const png = execFileSync('pdftoppm', ['-r', String(PPI), '-png', '-f', side, '-l', side, pdf], {
        maxBuffer: 1e9,
      });
      const { data, info } = await sharp(png).greyscale().raw().toBuffer({ resolveWithObject: true });
      expect([info.width, info.height]).to.deep.equal([8.5 * PPI, 11 * PPI]);
      const dark = (x: number, y: number): boolean => data[(y * info.width + x) * info.channels]! < 250;
      // Nothing within a quarter inch of any edge of a card: the sheet’s own, and the cut across its middle.
      const near = 0.25 * PPI - 1;
      let [edge, inner] = [0, 0];
      for (let y = 0; y < info.height; y += 1)
        for (let x = 0; x < info.width; x += 1) {
          if (!dark(x, y)) continue;
          const toCut = Math.abs(y - info.height / 2);
          const toEdge = Math.min(x, y, info.width - 1 - x, info.height - 1 - y);
          if (Math.min(toCut, toEdge) < near) edge += 1;
          else inner += 1;
        }
      expect(edge, `ink near an edge of side ${side}`).to.equal(0);
      expect(inner, `ink of side ${side}`).to.be.above(500);
    }
  });
});
