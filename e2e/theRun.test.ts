import { expect } from 'chai';
import type { Browser, Page } from 'playwright-core';
import { countRun, type Run, type Workshop } from '@zippy/core';
import { openBrowser, openPage, useStudio } from './support.ts';

/** A run from end to end: measured, timed, on two devices, without the server for half of it, and what it teaches. */
describe('a run of forty', () => {
  const studio = useStudio();
  const { open, own, press } = studio;
  let page: Page;
  /** A device of its own, which shares nothing with the other but the server. */
  let second: Browser;
  before(async () => (second = await openBrowser()));
  after(() => second.close());
  beforeEach(() => ({ page } = studio));
  const put = (path: string, body: unknown): Promise<Response> =>
    fetch(`${studio.application.url}/api/${path}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });

  /** A copy of the supper for forty, due in a fortnight. */
  const forty = async (): Promise<string> => {
    const title = await own('Lantern Regatta supper');
    const { id, version, document } = await studio.stored(title);
    const dueDate = new Date(Date.now() + 14 * 86_400_000).toISOString().slice(0, 10);
    const brief = { ...document.brief, wanted: 40, dueDate };
    expect((await put(`jobs/${id}`, { version, document: { ...document, brief } })).status).to.equal(200);
    return title;
  };
  const begunBy = async (title: string): Promise<string> => {
    await page.goto(`${studio.application.url}/calendar`);
    const line = page
      .locator('aside')
      .getByRole('list', { name: 'To be begun by' })
      .getByRole('listitem')
      .filter({ hasText: title });
    return line.locator('b').innerText();
  };
  const figure = async (name: string): Promise<string> => {
    const row = page.locator('aside').getByRole('button', { name: new RegExp(`^${name}`) });
    await row.click();
    return row.innerText();
  };
  /** As the run’s own presses come to, on the server. */
  const counted = async (runId: string) => countRun((await studio.ask<Run>(`runs/${runId}`)).events);
  const good = (of: Page): Promise<string> => of.locator('footer .count b').first().innerText();
  const measured = async (keys: string): Promise<void> => {
    await page.keyboard.press('m');
    const dialog = page.getByRole('dialog');
    await dialog.waitFor();
    for (const key of keys) await page.keyboard.press(key);
    await dialog.getByText(new RegExp(`^${keys.length / 2} taken down`)).waitFor();
    await page.keyboard.press('Escape');
    await dialog.waitFor({ state: 'detached' });
  };

  it('teaches the next one spares, a fence number and a day to begin, each with its reason', async () => {
    // One stock is measured first.
    await page.goto(`${studio.application.url}/workshop/stocks/shell-300-a4/measure`);
    await page.getByLabel('Its height', { exact: true }).fill('3.9');
    await page.getByLabel('Its height', { exact: true }).press('Enter');
    await press('Keep this reading');
    await page
      .getByText(/390 µm/)
      .first()
      .waitFor();

    const title = await forty();
    const before = await begunBy(title);
    await open(title, 'sheet');
    const sparesBefore = await figure('Spares');
    await open(title, 'make');
    await press('Start a run');
    await page.waitForURL(/\/bench\//);
    const runId = page.url().split('/').at(-1)!;
    await page.getByText('works without the server').waitFor();
    const other = await openPage(second, studio.faults);
    await other.goto(page.url());
    await other.getByText('works without the server').waitFor();

    // Printed, and drying: the other device sees the same timer, and so does a page that is loaded anew.
    await page.keyboard.press(' ');
    await press(/^Start the timer/);
    await other
      .getByRole('list', { name: 'Timers' })
      .getByText(/^\d+:[0-5]\d$/)
      .waitFor();
    await other.reload();
    await other
      .getByRole('list', { name: 'Timers' })
      .getByText(/^\d+:[0-5]\d$/)
      .waitFor();
    await press('Stop the timer of Let it dry');
    await other.getByRole('list', { name: 'Timers' }).waitFor({ state: 'detached' });

    // Half of it without the server, on both devices and through a reload of each.
    for (let i = 0; i < 10; i += 1) await page.keyboard.press('g');
    await page.getByText('Saved', { exact: true }).waitFor();
    // The other looks every few seconds.
    await other.locator('footer').getByText('10', { exact: true }).waitFor();
    await studio.application.killWeb();
    for (let i = 0; i < 4; i += 1) await page.keyboard.press(' ');
    expect(await page.locator('main h1').innerText()).to.match(/mm$/);
    await measured('-5-4-5-6-4-5-5-4-6-5');
    await page.keyboard.press('b');
    await press('misfeed');
    await page.keyboard.press('n');
    await page.getByLabel('Note', { exact: true }).fill('Feed them singly: two went in at once.');
    await press('Keep the note');
    await page.reload();
    await page.locator('main h1').waitFor();
    expect(await good(page)).to.equal('10');
    await page.getByText('Measure, 10 taken down').waitFor();
    for (let i = 0; i < 12; i += 1) await page.keyboard.press('g');
    for (let i = 0; i < 8; i += 1) await other.keyboard.press('g');
    for (const cause of ['crack', 'misfeed', 'misfeed', 'miscut']) {
      await other.keyboard.press('b');
      await other.getByRole('dialog').getByRole('button', { name: cause, exact: true }).click();
      await other.getByRole('dialog').waitFor({ state: 'detached' });
    }
    await other.reload();
    await other.locator('main h1').waitFor();
    expect(await good(other)).to.equal('18');

    // It is back: both say the same, and so does the server.
    await studio.application.startWeb();
    for (const device of [page, other]) {
      await device.getByText('Saved', { exact: true }).waitFor();
      await device.locator('footer').getByText('30', { exact: true }).waitFor();
    }
    const { good: made, spoiled, causes } = await counted(runId);
    expect([made, spoiled]).to.deep.equal([30, 5]);
    expect(causes).to.deep.equal({ misfeed: 3, crack: 1, miscut: 1 });
    await other.close();
    for (let i = 0; i < 10; i += 1) await page.keyboard.press('g');
    const { steps } = await studio.ask<Run>(`runs/${runId}`);
    // Whoever pressed last has the focus on a button, which would take the space for itself.
    await page.locator('main').click({ position: { x: 5, y: 5 } });
    for (let i = 5; i < steps.length; i += 1) await page.keyboard.press(' ');
    await press('Finish the run');
    await page.getByText(/^Feed|Next time: Feed them singly/).waitFor();
    await page.getByText('Saved', { exact: true }).waitFor();
    expect(await studio.serious()).to.deep.equal([]);
    // What it taught is the workshop’s.
    const { workshop } = await studio.ask<{ workshop: Workshop }>('workshop');
    expect(workshop.spoilLog.pieces).to.have.length(10);

    const next = await forty();
    await open(next, 'sheet');
    const spares = await figure('Spares');
    expect(spares).to.not.equal(sparesBefore);
    await page.getByText(/Lost at the printer/).waitFor();
    await page.getByText(/mostly misfeed/).waitFor();
    await page.keyboard.press('6');
    await page.getByText(/Set each 0\.5 mm beyond what is said: .*10 measured/).waitFor();
    await open(next, 'make');
    await page.getByRole('region', { name: 'From the log' }).getByText('Feed them singly').waitFor();
    await press('Start a run');
    await page.waitForURL(/\/bench\//);
    await page.getByText(/^Step 1 of/).waitFor();
    for (let i = 0; i < 5; i += 1) await page.keyboard.press(' ');
    await page
      .getByText(/^0\.5 mm more than .*: on the kitchen-table slider, pieces come out 0\.5 mm too short/)
      .waitFor();
    expect(await begunBy(next)).to.not.equal(before);
    await page.locator('aside').getByRole('button', { name: next }).click();
    await page
      .getByText(/× what your pace says, by your last run/)
      .first()
      .waitFor();
  });
});
