import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { useStudio } from './support.ts';

describe('the shelf', () => {
  const studio = useStudio();
  const { press, take } = studio;
  let page: Page;
  beforeEach(() => ({ page } = studio));
  const slip = () => page.locator('aside');
  const pile = (name: RegExp) => page.getByRole('region', { name: 'Shelf' }).getByRole('link', { name });
  const open = async (): Promise<void> => {
    await page.goto(`${studio.application.url}/shelf`);
    // Every job on the wall is planned before anything is said.
    await page.getByText(/run short|runs short|can be made from/).waitFor();
  };

  it('says what runs short, by when and in which packs, for a spreadsheet too', async () => {
    await open();
    const [first] = await slip().getByRole('listitem').allInnerTexts();
    expect(first).to.match(/\d+ (sheet|envelope|piece)s? short/);
    expect(await studio.serious()).to.deep.equal([]);
    const csv = readFileSync(await take(/For a spreadsheet, CSV/, 'to-buy.csv'), 'utf8');
    expect(csv.split('\r\n')[0]).to.equal('\ufeffWhat,On the shelf,Needed,Short,By,Buy,That is,Price GBP,For');
    const name = first!.split('\n')[0]!;
    expect(csv).to.contain(name);
  });

  it('keeps books: bought by lot, counted anew, gone, and no more than there is', async () => {
    await open();
    await pile(/^Wet Pebble Gloss/).click();
    await slip()
      .getByRole('heading', { name: /^Wet Pebble Gloss/ })
      .waitFor();
    const has = async (): Promise<number> =>
      Number(
        /^(\d+)/.exec(
          await slip()
            .getByText(/^\d+ sheets?/)
            .first()
            .innerText(),
        )![1],
      );
    const before = await has();
    await slip().getByLabel('How many', { exact: true }).fill('25');
    await slip().getByLabel('For, all of it').fill('6.25');
    await slip().getByLabel('Lot, as its pack names it').fill('Tide 7');
    await press('Put 25 on the shelf');
    await slip()
      .getByText(`${before + 25} sheets`)
      .first()
      .waitFor();
    await slip().getByText('25 of Tide 7').waitFor();
    await slip().getByText('£0.25 each').waitFor();
    // More than there is: a sentence, and what was typed stays.
    await slip().getByText('Gone', { exact: true }).click();
    await slip().getByLabel('How many fewer').fill('9999');
    await slip().getByLabel('Why').fill('Damp cellar');
    await press('Take 9999 off');
    await slip()
      .getByRole('alert')
      .getByText(/There are only \d+ of Wet Pebble Gloss/)
      .waitFor();
    expect(await slip().getByLabel('Why').inputValue()).to.equal('Damp cellar');
    await slip().getByText('Counted', { exact: true }).click();
    await slip()
      .getByLabel('There are')
      .fill(String(before + 20));
    await slip().getByLabel('There are').press('Tab');
    await press(`There are ${before + 20}`);
    await slip()
      .getByText(/counted anew, Damp cellar/)
      .waitFor();
    // Said with what came and went or a moment after: they are asked for apart.
    await slip()
      .getByText(`${before + 20} sheets`)
      .first()
      .waitFor();
    expect(await studio.serious()).to.deep.equal([]);
    // The workshop’s own page says the same.
    await slip()
      .getByRole('link', { name: /Its facts and price/ })
      .click();
    await page.getByRole('link', { name: new RegExp(`^Wet Pebble Gloss.*: ${before + 20} sheets`) }).waitFor();
  });

  it('buys in the cheapest of all packs that a stock is sold in', async () => {
    await open();
    await pile(/^Shell White 300, A4: /).click();
    await press('Other packs it is sold in');
    await slip().getByLabel('Sheets in a pack').fill('200');
    await slip().getByLabel('Price of a pack').fill('9.99');
    await slip().getByLabel('Price of a pack').press('Tab');
    await press('Keep this pack');
    await slip().getByText('200 for £9.99').waitFor();
    await slip().getByRole('link', { name: 'Back to what to buy' }).click();
    await slip().getByText('1 × 200').waitFor();
    expect(await studio.serious()).to.deep.equal([]);
  });

  it('takes offcuts as card of their own size', async () => {
    await open();
    await pile(/^Harbour Cream/).click();
    await press('Keep offcuts of it');
    await slip().getByLabel('Along its height').fill('3in');
    await slip().getByLabel('How many of them').fill('6');
    await slip().getByLabel('How many of them').press('Tab');
    await press('Put all 6 on the shelf');
    await slip()
      .getByText(/^6 sheets/)
      .first()
      .waitFor();
    await slip()
      .getByText(/offcuts kept/)
      .waitFor();
  });
});
