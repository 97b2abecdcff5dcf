import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import type { Workshop } from '@zippy/core';
import { useStudio } from './support.ts';

/** A workshop that is not the demo’s, typed in as its owner reads it off the boxes. */
describe('a maker’s own workshop', () => {
  const studio = useStudio();
  const { fill, open, own, kept, press } = studio;
  let page: Page;
  before(() => {
    ({ page } = studio);
  });

  const workshop = async (): Promise<Workshop> => (await studio.ask<{ workshop: Workshop }>('workshop')).workshop;
  /** The server’s own copy, once it is as asked. */
  const reaches = async (what: string, isSo: (shop: Workshop) => boolean): Promise<Workshop> => {
    for (let tries = 0; tries < 100; tries += 1) {
      const now = await workshop();
      if (isSo(now)) return now;
      await page.waitForTimeout(50);
    }
    throw new Error(`the workshop never came to: ${what}`);
  };
  const aside = () => page.locator('aside');
  const seek = async (label: string, typed: string, name: string): Promise<void> => {
    await page.getByRole('combobox', { name: label }).fill(typed);
    await page.getByRole('option', { name, exact: true }).click();
  };

  it('counts in dollars and pounds of card; a rear feed takes what the cassette does not, and jobs are told when it goes', async () => {
    await page.goto(`${studio.application.url}/workshop`);
    await seek('Where you are', 'United Stat', 'United States');
    await press(/^As is usual there: US Dollar, inches, letter/);
    await aside()
      .getByText(/Written as \$1,234\.50 and \w+ \d+, \d{4}/)
      .waitFor();

    await press('Add a stock');
    // The address is there before the slip is.
    await page.getByRole('heading', { name: 'White card, letter' }).waitFor();
    await fill('Name', 'Dune Card, letter');
    await fill('Weight', '80 lb');
    await aside()
      .getByText('Weight wants the grade beside pounds, as in 80 lb cover (or text, bond, index, bristol, tag).')
      .waitFor();
    await fill('Weight', '110 lb cover');
    await aside().getByText('297.5 gsm (110 lb cover)').waitFor();
    await fill('Thickness', '14 pt');
    await fill('Sheets on the shelf', '40');
    await aside().getByText('Pack', { exact: true }).click();
    await fill('Price of a pack', '$18.49');
    await aside().getByText('$0.3698 a sheet').waitFor();
    const { stocks } = await reaches('the pack', (shop) => shop.stocks.some(({ pack }) => pack?.priceMinor === 1849));
    const dune = stocks.at(-1)!;
    expect(dune).to.deep.include({ name: 'Dune Card, letter', gsm: 297.5, caliperMicron: 355.6, onShelf: 40 });
    expect([dune.sheetWidthMm / 25.4, dune.sheetHeightMm / 25.4]).to.deep.equal([8.5, 11]);

    await press(/^Add a tool/);
    await page.getByRole('menuitem', { name: 'Inkjet with a rear feed' }).click();
    await page.getByRole('heading', { name: 'inkjet with a rear feed' }).waitFor();
    await fill('Name', 'the Plover');
    await press(/cassette: up to/);
    await fill('Heaviest card', '200 gsm');
    await reaches('the cassette', (shop) => shop.printers.at(-1)!.paths.some(({ heaviestGsm }) => heaviestGsm === 200));

    const title = await own('Seal-pup notelets');
    await open(title, 'stock');
    await aside()
      .getByText(/lies flat/)
      .first()
      .waitFor();
    await press(/From the shelf$/);
    await page.getByRole('option', { name: 'Dune Card, letter' }).click();
    await aside()
      .getByText(/^Dune Card, letter, 297\.5 gsm/)
      .first()
      .waitFor();
    await press(/Printer and feed path$/);
    await page
      .getByRole('group', { name: 'the Plover' })
      .getByRole('option', { name: /^cassette/ })
      .click();
    await aside().getByText('the Plover will not take Dune Card, letter this way').waitFor();
    await press('Feed it through the rear feed of the Plover');
    await aside()
      .getByText(/will not take/)
      .first()
      .waitFor({ state: 'detached' });
    await open(title, 'sell');
    await aside()
      .getByRole('button', { name: /^Cost of a good card: \$\d/ })
      .waitFor();
    await open(title, 'make');
    const download = page.waitForEvent('download');
    await press(/Every figure, CSV/);
    expect(readFileSync(await kept(await download, 'ticket.csv'), 'utf8')).to.match(/\$\d+\.\d\d/);

    // The printer knows its job, goes all the same, and comes back by one press.
    await page.goto(`${studio.application.url}/workshop`);
    await page.getByRole('link', { name: 'the Plover' }).click();
    await aside().getByRole('link', { name: title }).waitFor();
    await press('Take it out');
    await page.getByText('the Plover is out of the workshop.').waitFor();
    await reaches('no Plover', (shop) => shop.printers.every(({ name }) => name !== 'the Plover'));
    await press('Bring it back');
    await page.getByRole('link', { name: 'the Plover' }).waitFor();
    await reaches('the Plover again', (shop) => shop.printers.some(({ name }) => name === 'the Plover'));
  });

  it('copies a tool, makes it another kind, keeps the last of each, and is read aloud without fault', async () => {
    await page.goto(`${studio.application.url}/workshop`);
    await page.getByRole('link', { name: 'the old lever guillotine' }).click();
    await press('Copy it');
    await page.getByRole('heading', { name: 'the old lever guillotine, another' }).waitFor();
    await press(/Kind$/);
    await page.getByRole('option', { name: 'Cutting machine' }).click();
    await page.getByLabel('It does not reach, top').waitFor();
    const machine = (await reaches('a machine', (shop) => shop.trimmers.at(-1)!.kind === 'machine')).trimmers.at(-1)!;
    // What was measured of the guillotine says nothing of a machine.
    expect(machine).to.not.have.property('repeatabilityMm');
    expect(machine.machine!.passes.length).to.be.above(0);
    expect(await studio.serious()).to.deep.equal([]);
    for (const { name } of (await workshop()).boards.slice(1)) {
      await page.getByRole('link', { name, exact: true }).click();
      await press('Take it out');
      await page.getByRole('link', { name, exact: true }).waitFor({ state: 'detached' });
    }
    const [last] = (await reaches('one board', (shop) => shop.boards.length === 1)).boards;
    await page.getByRole('link', { name: last!.name, exact: true }).click();
    await aside().getByText('Your only scoring board: add another before this one goes.').waitFor();
    expect(await page.getByRole('button', { name: 'Take it out' }).count()).to.equal(0);
  });

  it('forty invitations from a pack of scored cards: typed in as its label says, a page of their size, no cut', async () => {
    await page.goto(`${studio.application.url}/workshop`);
    await press('Add ready-cut cards');
    await page.getByRole('heading', { name: /^Ready-cut cards, A/ }).waitFor();
    await fill('Name', 'Dune invitations, scored');
    await fill('Cards on the shelf', '50');
    await fill('Width, opened', '14 in');
    await fill('Height, opened', '5 in');
    await aside().getByText('Envelopes in the pack').click();
    await fill('Price of a pack', '12.50');
    await reaches('the pack', (shop) => {
      const own = shop.stocks.at(-1)!;
      return own.pack?.priceMinor === 1250 && own.onShelf === 50 && own.readyCut?.envelope === undefined;
    });
    await page.getByRole('link', { name: 'Jobs', exact: true }).click();
    await press('New card');
    await page.getByText('Blank cards', { exact: true }).click();
    await page.getByText('Dune invitations, scored').click();
    // Enter would begin the card as soon as it is worked out.
    await page.getByLabel('What is it for?', { exact: true }).fill('Forty for the harvest');
    await page.getByLabel('What is it for?', { exact: true }).press('Tab');
    await page.getByLabel('Good cards wanted').fill('40');
    await page.getByLabel('Good cards wanted').press('Tab');
    await page
      .getByLabel('What it comes to')
      .getByText(/4\d cards of the 50 you have/)
      .waitFor();
    await press('Begin this card');
    await page.waitForURL(/\/size$/);
    const { document: job } = await studio.stored('Forty for the harvest');
    expect(job.size.finishedWidthMm).to.be.closeTo(7 * 25.4, 1e-6);
    expect(job.size.finishedHeightMm).to.be.closeTo(5 * 25.4, 1e-6);

    await open('Forty for the harvest', 'art');
    await press('Add words');
    await page.getByLabel('Words', { exact: true }).fill('Come to the harvest supper');
    await page.locator('h1').click();
    await open('Forty for the harvest', 'sheet');
    await aside()
      .getByText(/^4\d ready-cut cards, fed one at a time: 40 wanted/)
      .first()
      .waitFor();
    const download = page.waitForEvent('download');
    await press(/Sheets to print, PDF/);
    const pdf = await kept(await download, 'harvest.pdf');
    const said = execFileSync('pdfinfo', ['-box', pdf], { encoding: 'utf8' });
    // 14 × 5 in are 1008 × 360 points, and the card is cut off none of it.
    expect(said).to.match(/Page size:\s+1008 x 360 pts/);
    expect(execFileSync('pdftotext', [pdf, '-'], { encoding: 'utf8' })).to.contain('harvest supper');
    await open('Forty for the harvest', 'crease');
    await aside().getByText('The line is there already: only fold.').first().waitFor();
    await open('Forty for the harvest', 'make');
    const steps = page.locator('main');
    await steps
      .getByText(/Feed them one at a time, a short edge first/)
      .first()
      .waitFor();
    await steps
      .getByText(/Paper size 5 × 14 in in the driver|Paper size 127 × 355\.6 mm in the driver/)
      .first()
      .waitFor();
    expect(await steps.getByText(/Cut \d of \d/).count()).to.equal(0);
  });

  it('measures a stock with ruler and scale, takes what it is, and its cards stand or flop by that', async () => {
    const tent = await own('Lighthouse thank-you');
    const { stockId } = (await studio.stored(tent)).document.stock;
    await page.goto(`${studio.application.url}/workshop/stocks/${stockId}`);
    await page.getByRole('link', { name: /^Measure it: stiffness/ }).click();
    await aside().getByText('Three things, five minutes', { exact: false }).waitFor();
    const sheet = page.waitForEvent('download');
    await page.getByRole('link', { name: /^Strips and gauge/ }).click();
    const pdf = await kept(await sheet, 'gauge.pdf');
    expect(execFileSync('pdftotext', [pdf, '-'], { encoding: 'utf8' })).to.match(/0 hangs out/);

    const keep = (n: number) => aside().getByRole('button', { name: 'Keep this reading' }).nth(n).click();
    await fill('Its height', 'two');
    await aside()
      .getByText(/^Its height: /)
      .waitFor();
    for (const high of ['2.4', '2.5']) {
      await fill('Its height', high);
      await keep(0);
    }
    await fill('Grams together', '130');
    await keep(1);
    for (const [fibres, hangs] of [
      ['Along it', '90'],
      ['Across it', '70'],
    ] as const) {
      await page.getByRole('radiogroup', { name: 'The strip’s fibres run' }).getByText(fibres, { exact: true }).click();
      await page.getByRole('radiogroup', { name: 'Its end meets line' }).getByText('1', { exact: true }).click();
      await fill('It hangs out by', hangs);
      await keep(2);
    }
    // ∛7.8373 · 90 ÷ 1.3 = 137.5, 5.41 in; · 70 = 106.96, 4.21 in.
    await aside()
      .getByText(/stands up to (137 mm|5 3\/8 in) with fibres upright, (106 mm|4 1\/8 in) with fibres level/)
      .waitFor();
    const measured = await reaches('the readings', ({ stocks }) =>
      stocks.some(({ id, measured: own }) => id === stockId && own?.overhangs.length === 2),
    );
    const before = measured.stocks.find(({ id }) => id === stockId)!;
    await press(/^Take 245 µm and \d+ gsm for it$/);
    const taken = await reaches('what was measured', ({ stocks }) =>
      stocks.some(({ id, caliperMicron }) => id === stockId && caliperMicron === 245),
    );
    // 130 g of ten sheets.
    const { gsm } = taken.stocks.find(({ id }) => id === stockId)!;
    expect(gsm).to.equal(Math.round((130 * 1e6) / (10 * before.sheetWidthMm * before.sheetHeightMm)));
    // Three strips folded, one of which cracked: the scale of this stock moves.
    await press(/^Clean/);
    await press(/^Cracked/);
    await reaches('the folds', ({ stocks }) =>
      stocks.some(({ id, measured: own }) => id === stockId && own?.folds?.length === 2),
    );
    await page.getByRole('rowheader', { name: 'Cracks' }).waitFor();
    expect(await studio.serious()).to.deep.equal([]);
    await open(tent, 'stock');
    await aside().getByText('Standing score').first().waitFor();
    await page.getByRole('button', { name: /Standing score/ }).click();
    await page.getByText('measured on this stock', { exact: false }).first().waitFor();
  });
});
