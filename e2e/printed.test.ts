import { expect } from 'chai';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { drawnPage } from '../server/test/drawnPage.ts';
import { pixelsOf, shareApart } from '../server/test/pixels.ts';
import { openBrowser, useStudio, type StoredJob } from './support.ts';

const PPI = 100;

/** What this browser draws of a sheet is what poppler draws of its PDF, for every job of the demo. */
describe('sheets on the screen and on paper', () => {
  const studio = useStudio();
  const { folder } = studio;

  async function written(id: string, format: 'pdf' | 'svg'): Promise<readonly Buffer[]> {
    const response = await fetch(`${studio.application.url}/api/exports`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ jobId: id, what: 'sheets', format }),
    });
    const asked = (await response.json()) as { id: string };
    for (;;) {
      const { state, files } = await studio.ask<{ state: string; files: readonly string[] }>(`exports/${asked.id}`);
      if (state === 'failed') return [];
      if (state === 'done')
        return Promise.all(
          files.map(async (_, n) =>
            Buffer.from(
              await (await fetch(`${studio.application.url}/api/exports/${asked.id}/files/${n}`)).arrayBuffer(),
            ),
          ),
        );
      await studio.page.waitForTimeout(200);
    }
  }

  it('are the same within the smoothing of edges', async () => {
    const { jobs } = await studio.ask<{ jobs: readonly StoredJob[] }>('jobs');
    const browser = await openBrowser();
    let compared = 0;
    try {
      const page = await (await browser.newContext({ deviceScaleFactor: 2 })).newPage();
      for (const { id, document: job } of jobs) {
        const { title } = job.brief;
        const [pdf] = await written(id, 'pdf');
        if (!pdf) continue;
        const path = join(folder, 'sheets.pdf');
        writeFileSync(path, pdf);
        const svg = (await written(id, 'svg'))[0]!.toString('utf8');
        const [, wide, high] = /<svg[^>]*\swidth="([\d.]+)mm"[^>]*\sheight="([\d.]+)mm"/.exec(svg)!;
        const [width, height] = [wide, high].map((mm) => Math.round((Number(mm) / 25.4) * PPI)) as [number, number];
        await page.setViewportSize({ width, height });
        await page.setContent(
          `<style>body{margin:0}svg{display:block;width:${width}px;height:${height}px}</style>${svg.slice(svg.indexOf('<svg'))}`,
        );
        await page.evaluate(() =>
          Promise.all(
            [...document.querySelectorAll('image')].map((image) =>
              (image as SVGImageElement & { decode(): Promise<void> }).decode(),
            ),
          ),
        );
        const seen = await page.screenshot();
        const png = drawnPage(path, { ppi: 2 * PPI });
        expect((await sharp(seen).metadata()).width).to.equal(2 * width);
        const apart = shareApart(await pixelsOf(png, { width, height }), await pixelsOf(seen, { width, height }));
        expect(apart, `${title} on the screen and in its PDF`).to.be.below(0.002);
        compared += 1;
      }
    } finally {
      await browser.close();
    }
    expect(compared).to.be.at.least(8);
  });
});
