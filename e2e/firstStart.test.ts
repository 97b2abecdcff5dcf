import { randomUUID } from 'node:crypto';
import { expect } from 'chai';
import type { Browser, Page } from 'playwright-core';
import { allSnags, newJob, planJob, setUpWorkshop } from '@zippy/core';
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
    expect((await ask<JobsOnTheWall>('/jobs')).jobs).to.have.length(10);
    await looking.getByRole('button', { name: 'Put it away, back to My workshop' }).click();
    await looking.getByRole('heading', { name: 'My workshop', level: 1 }).waitFor();
    await looking.getByText('Thank-you for the boat').waitFor();
  });
});
