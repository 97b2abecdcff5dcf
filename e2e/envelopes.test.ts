import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { useStudio } from './support.ts';

const FIRST = ['Ada', 'Bram', 'Cleo', 'Dov', 'Esme', 'Finn', 'Greta', 'Hugo', 'Ines', 'Joss'];
const LAST = ['Marl', 'Sedge', 'Quill', 'Teal', 'Brine', 'Oake'];
/** Sixty guests; every third lives in a district of its own. */
const GUESTS = FIRST.flatMap((first, i) =>
  LAST.map((last, k) => ({
    name: `${first} ${last}`,
    street: `${i * 6 + k + 1} Saltmarsh Lane`,
    district: (i * 6 + k) % 3 === 0 ? 'Upper Quay' : '',
  })),
);

describe('envelopes', () => {
  const studio = useStudio();
  const { open, own, press, reaches, take } = studio;
  let page: Page;
  beforeEach(() => ({ page } = studio));

  const textOf = (pdf: string, sheet: number): readonly string[] =>
    execFileSync('pdftotext', ['-f', String(sheet), '-l', String(sheet), '-raw', pdf, '-'], { encoding: 'utf8' })
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean);

  it('are made for sixty guests of a list: addressed, lined, printed in the order of the cards, and cut from files', async () => {
    const title = await own('Lantern Regatta supper');
    await open(title, 'art');
    const list = join(studio.folder, 'guests.csv');
    const rows = GUESTS.map(({ name, street, district }) => [name, street, district, 'Marrowby'].join(','));
    writeFileSync(list, `Name,Street,District,Town\n${rows.join('\n')}\n`);
    await press('Names from a list');
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: /^(A list from a file|Another list) …$/ }).click();
    await (await chooser).setFiles(list);
    await reaches(title, ({ names }) => names?.rows.length === 60);

    await page
      .getByRole('link', { name: /Envelope/ })
      .first()
      .click();
    await page.getByText('Make matching envelopes').click();
    await press('Address 60 from the list');
    await page.getByText('Envelope 1 of 60').waitFor();
    await press('Envelope after');
    await page.getByText('Envelope 2 of 60').waitFor();
    await page.getByText('Line them').click();
    await page.getByRole('img', { name: /its liner/ }).waitFor();
    const job = await reaches(title, ({ envelope }) => envelope.make && Boolean(envelope.liner));
    expect(job.art.faces.envelopeFront!.texts[0]!.text).to.equal('{Name}\n{Street}\n{District}\n{Town}');
    await page
      .locator('aside')
      .getByText(/^60 side-seam envelopes/)
      .waitFor();

    const printed = await take(/Printed envelopes, PDF/, 'envelopes.pdf');
    const info = execFileSync('pdfinfo', [printed], { encoding: 'utf8' });
    expect(info).to.match(/Pages: +60/);
    expect(textOf(printed, 1).slice(0, 4)).to.deep.equal(['Ada Marl', '1 Saltmarsh Lane', 'Upper Quay', 'Marrowby']);
    // No empty line where a row has no district.
    expect(textOf(printed, 2).slice(0, 3)).to.deep.equal(['Ada Sedge', '2 Saltmarsh Lane', 'Marrowby']);
    expect(textOf(printed, 60)[0]).to.equal('Joss Oake');

    const drawn = await take(/Envelope template, DXF/, 'envelope.dxf', '-envelope');
    const layers = execFileSync(
      '/usr/bin/python3',
      ['-c', 'import ezdxf,sys;print(sorted({e.dxf.layer for e in ezdxf.readfile(sys.argv[1]).modelspace()}))', drawn],
      { encoding: 'utf8' },
    );
    expect(layers.trim()).to.equal("['crease-toward', 'cut', 'glue']");
  });

  it('stand side by side in every style on every sheet of the shelf, and one is taken by a press', async () => {
    const title = await own('Seal-pup notelets');
    await open(title, 'envelope');
    await page.getByText('Make matching envelopes').click();
    await press('Styles side by side');
    await page.getByRole('button', { name: /^Four points from A3: \d+ up, \d+ sheets?$/ }).click();
    const job = await reaches(title, ({ envelope }) => envelope.style === 'pointed');
    expect(job.envelope.stockId).to.match(/a3$/);
    expect(await studio.serious()).to.deep.equal([]);
    await press('Styles side by side');
    await page.getByRole('img', { name: 'Four-pointed envelope, the open blank' }).waitFor();
  });

  it('are printed when they are ready, one a page as they are fed, where they were bought', async () => {
    const title = await own('Lantern Regatta supper');
    await open(title, 'envelope');
    await press('Write on the front');
    await page.getByText('Turned right').click();
    await reaches(title, ({ envelope }) => envelope.feedTurn === 90);
    const pdf = await take(/Printed envelopes, PDF/, 'ready.pdf');
    const [, wide, high] = /Page size: +([\d.]+) x ([\d.]+) pts/.exec(
      execFileSync('pdfinfo', [pdf], { encoding: 'utf8' }),
    )!;
    // The teal envelope is 142 × 102 mm inside, and is fed with its short side first.
    expect(Number(wide) / (72 / 25.4)).to.be.closeTo(102, 0.01);
    expect(Number(high) / (72 / 25.4)).to.be.closeTo(142, 0.01);
  });
});
