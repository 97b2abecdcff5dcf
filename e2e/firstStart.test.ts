import { randomUUID } from 'node:crypto';
import { execFileSync } from 'node:child_process';
import { expect } from 'chai';
import type { Browser, Page } from 'playwright-core';
import sharp from 'sharp';
import { allSnags, newJob, planJob, setUpWorkshop, type Job } from '@zippy/core';
import type { JobsOnTheWall, StudioDoor, VersionedWorkshop } from '@zippy/core/contract';
import AxeBuilder from '@axe-core/playwright';
import { Application, openBrowser, openPage } from './support.ts';

const NONE = { good: 0, spoiled: 0 };

/** From an application that nobody has opened yet to a card of one’s own, with a look round on the way. */
describe('the first start', () => {
  const faults: string[] = [];
  let application: Application;
  let browser: Browser;
  let page: Page;
  before(async () => {
    browser = await openBrowser();
  });
  after(() => browser.close());
  // Each begins where nobody has been.
  beforeEach(async () => {
    application = await Application.start({ entered: false });
    page = await openPage(browser, faults);
  });
  afterEach(async () => {
    await page.context().close();
    await application.stop();
    expect(faults.splice(0)).to.deep.equal([]);
  });

  const ask = async <T>(path: string): Promise<T> => (await (await fetch(`${application.url}/api${path}`)).json()) as T;
  const send = (path: string, body: object): Promise<Response> =>
    fetch(`${application.url}/api${path}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  const own = async (): Promise<StudioDoor> =>
    (await ask<{ studios: readonly StudioDoor[] }>('/studios')).studios.find(({ isDemo }) => !isDemo)!;
  const wall = (name: string) => page.getByRole('heading', { name, level: 1 }).waitFor();

  it('asks three questions, and opens a workshop in which a card can be made', async () => {
    await page.goto(application.url);
    await page.getByRole('button', { name: 'Look round Saltmarsh Lane' }).waitFor();
    const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag22aa']).analyze();
    expect(violations.map(({ id }) => id)).to.deep.equal([]);
    const where = page.getByRole('combobox', { name: 'Where are you?' });
    await where.fill('Canad');
    await page.getByRole('option', { name: 'Canada' }).click();
    await page.getByText('Letter sheets, card by the pound; millimetres; prices in Canadian dollars.').waitFor();
    await page.getByText('Laser printer', { exact: true }).click();
    await page.getByText('Sliding or rotary trimmer').click();
    await page.getByRole('button', { name: 'Open my workshop' }).click();
    await page.getByText('Tick at least one; scissors will do.').waitFor();
    await page.getByText('Scissors', { exact: true }).click();
    await page.getByText('A rule and a bone folder').click();
    await page.getByRole('button', { name: 'Open my workshop' }).click();
    await wall('My workshop');
    await page.getByText('Nothing on the wall yet.').waitFor();

    const { id } = await own();
    const { workshop } = await ask<VersionedWorkshop>(`/studios/${id}/workshop`);
    expect([workshop.currency, workshop.unit, workshop.papers]).to.deep.equal(['CAD', 'mm', 'northAmerican']);
    expect(workshop.printers.map(({ ink }) => ink)).to.deep.equal(['laser']);

    await page.getByRole('button', { name: 'Make the first card' }).click();
    await page.getByLabel('What is it for?').fill('Thank-you for the boat');
    await page
      .getByLabel('What it comes to')
      .getByText(/you have/)
      .waitFor();
    await page.getByRole('button', { name: 'Begin this card' }).click();
    await page.waitForURL(/\/jobs\/.*\/size$/);
    const { jobs } = await ask<JobsOnTheWall>(`/studios/${id}/jobs`);
    expect(jobs.map(({ document }) => document.brief.title)).to.deep.equal(['Thank-you for the boat']);
    const stops = allSnags(planJob(jobs[0]!.document, workshop, { typefaces: new Map(), today: null })).filter(
      ({ level }) => level === 'stop',
    );
    expect(stops).to.deep.equal([]);

    // Its drawings, and the file that is written of it, are of this studio too.
    const refused: string[] = [];
    page.on('response', (response) => response.status() >= 400 && refused.push(response.url()));
    await page.keyboard.press('6');
    await page.waitForURL(/\/cut$/);
    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: /^↓/ }).first().click();
    expect((await coming).suggestedFilename()).to.match(/^thank-you-for-the-boat.*\.svg$/);
    expect(refused).to.deep.equal([]);
  });

  it('makes a panel that shines on a base that is never printed, in a workshop with a laser beside its inkjet', async () => {
    const answers = {
      region: 'GB',
      currency: 'GBP',
      printer: 'inkjetRear',
      trimmers: ['sliding'],
      hasBoard: true,
    } as const;
    await send('/studios', { id: randomUUID(), workshop: setUpWorkshop(answers) });
    const { id } = await own();
    const stored = async (): Promise<Job> => (await ask<JobsOnTheWall>(`/studios/${id}/jobs`)).jobs[0]!.document;
    const reaches = async (holds: (job: Job) => boolean): Promise<Job> => {
      for (let tries = 0; tries < 600; tries += 1) {
        const job = await stored();
        if (holds(job)) return job;
        await page.waitForTimeout(50);
      }
      throw new Error('the job never came to hold what was done');
    };
    const press = (name: string | RegExp): Promise<void> =>
      page
        .getByRole('button', { name, exact: typeof name === 'string' })
        .first()
        .click();
    await page.goto(`${application.url}/workshop`);
    // What the laser takes is lighter than what the inkjet does.
    await press('Add a stock');
    await page.getByLabel('Weight', { exact: true }).fill('160 gsm');
    await page.getByLabel('Weight', { exact: true }).press('Enter');
    await page.getByLabel('Thickness', { exact: true }).fill('0.2 mm');
    await page.getByLabel('Thickness', { exact: true }).press('Enter');
    await page.getByLabel('Name', { exact: true }).fill('Smooth white 160');
    await page.getByLabel('Name', { exact: true }).press('Enter');
    await press(/^Add a tool/);
    await page.getByRole('menuitem', { name: /laser/i }).click();
    await page.getByRole('heading', { name: 'laser printer' }).waitFor();
    await page.getByRole('link', { name: 'Jobs', exact: true }).click();
    await press('Make the first card');
    await page.getByLabel('What is it for?').fill('Shell in gold');
    await page
      .getByLabel('What it comes to')
      .getByText(/you have/)
      .waitFor();
    await press('Begin this card');
    await page.waitForURL(/\/size$/);
    await press(/^Mats, writing panels/);
    await press('+ Mat');
    await page.getByLabel('Reveal all round').fill('12 mm');
    await page.getByLabel('Reveal all round').press('Enter');
    await reaches(({ size }) => size.layers[0]?.revealMm === 12);
    await page.getByRole('link', { name: /^Art:/ }).click();
    await page.waitForURL(/\/art$/);
    await press('Panels …');
    // A dark ring on a pale page: the ring shines, and nothing of the page is printed.
    const ring =
      '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm" viewBox="0 0 100 100"><rect width="100" height="100" fill="#f2e6c8"/><circle cx="50" cy="50" r="20" fill="none" stroke="#7b2869" stroke-width="8"/></svg>';
    const chooser = page.waitForEvent('filechooser');
    await press('Take a page in …');
    await (await chooser).setFiles({ name: 'ring.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(ring) });
    const dialog = page.getByRole('dialog', { name: 'Panels from a page' });
    await dialog.getByRole('button', { name: /ring\.svg/ }).waitFor();
    await dialog.getByText('All of it on each').click();
    await press('Put it on 1 panel');
    await reaches(({ size }) => Boolean(size.layers[0]?.picture));
    await page.getByRole('link', { name: /^Size:/ }).click();
    await page.waitForURL(/\/size$/);
    await press(/^Layers/);
    await page.getByText('Toner foil', { exact: true }).click();
    await page
      .getByRole('button', { name: /Printed on$/ })
      .getByText(/^The nearest: laser printer/)
      .waitFor();
    await press(/Foil$/);
    await page.getByRole('option', { name: 'Copper foil' }).click();
    const job = await reaches(({ size }) => size.layers[0]?.foil?.name === 'Copper foil');

    // Nothing is printed but the toner, and it goes through the laser; there is no stop on the way.
    const { workshop } = await ask<VersionedWorkshop>(`/studios/${id}/workshop`);
    const plan = planJob(job, workshop, { typefaces: new Map(), today: null });
    expect(allSnags(plan).filter(({ level }) => level === 'stop')).to.deep.equal([]);
    expect([plan.stock.printer.ink, plan.sheet.passes]).to.deep.equal(['inkjet', []]);
    await page.getByRole('link', { name: /^Make:/ }).click();
    await page.waitForURL(/\/make$/);
    await page.getByText('Lay the foil: mat, front').waitFor();
    await press(/Sheets of printed panels/);
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: /panels-1-foil\.pdf/ }).click();
    const pdf = await (await download).path();

    // Read back: black and bare paper only, the ring’s middle and the page round it bare.
    const [layer] = plan.sheet.layers;
    const perMm = 10;
    const png = execFileSync('pdftoppm', ['-r', String(25.4 * perMm), '-png', '-f', '1', '-l', '1', pdf], {
      maxBuffer: 1e9,
    });
    const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    const at = (xMm: number, yMm: number): number => {
      const i = 3 * (Math.floor(yMm * perMm) * info.width + Math.floor(xMm * perMm));
      expect(Math.max(...data.subarray(i, i + 3)) - Math.min(...data.subarray(i, i + 3)), 'no colour').to.equal(0);
      return data[i]!;
    };
    for (const { trim } of layer!.laid) {
      const [x, y] = [trim.xMm + trim.widthMm / 2, trim.yMm + trim.heightMm / 2];
      // The page fills the panel and its bleed, so its ring of radius 20 in 100 grows with the longer side.
      const radius = 0.2 * (Math.max(trim.widthMm, trim.heightMm) + 2 * layer!.bleedMm);
      for (const [dx, dy] of [
        [1, 0],
        [-1, 0],
        [0, 1],
        [0, -1],
      ] as const)
        expect(at(x + dx * radius, y + dy * radius), 'the ring').to.be.below(3);
      expect([at(x, y), at(x + 0.7 * radius, y), at(x, y + 1.3 * radius)], 'round it').to.deep.equal([255, 255, 255]);
    }
  });

  it('keeps the demo apart: brought back in one press, put away in one, and an open tab stays where it is', async () => {
    const answers = { region: 'GB', currency: 'GBP', printer: 'laser', trimmers: ['knife'], hasBoard: true } as const;
    const workshop = setUpWorkshop(answers);
    await send('/studios', { id: randomUUID(), workshop });
    const { id } = await own();
    const job = randomUUID();
    const title = 'Thank-you for the boat';
    await send(`/studios/${id}/jobs`, { id: job, document: newJob(title, { ...workshop, spoilLog: NONE }) });
    const mine = page;
    await mine.goto(`${application.url}/jobs/${job}/brief`);
    await mine.getByLabel('Notes').waitFor();
    const looking = await mine.context().newPage();
    await looking.goto(`${application.url}/workshop`);
    await looking.getByRole('button', { name: 'Look round there' }).click();
    await looking.getByRole('heading', { name: 'Saltmarsh Lane', level: 1 }).waitFor();
    await looking.getByText('Lantern Regatta supper').waitFor();
    expect(await looking.getByText('Thank-you for the boat').count()).to.equal(0);
    // What is typed in the tab that was open goes where it was opened.
    await mine.getByLabel('Notes').fill('for the loan of the dinghy');
    for (let tries = 0; tries < 600; tries += 1) {
      const { jobs } = await ask<JobsOnTheWall>(`/studios/${id}/jobs`);
      if (jobs[0]!.document.brief.notes === 'for the loan of the dinghy') break;
      await mine.waitForTimeout(50);
    }
    const { jobs } = await ask<JobsOnTheWall>(`/studios/${id}/jobs`);
    expect(jobs[0]!.document.brief.notes).to.equal('for the loan of the dinghy');
    expect((await ask<JobsOnTheWall>('/jobs')).jobs).to.have.length(13);
    await looking.getByRole('button', { name: 'Put it away, back to My workshop' }).click();
    await looking.getByRole('heading', { name: 'My workshop', level: 1 }).waitFor();
    await looking.getByText('Thank-you for the boat').waitFor();
  });
});
