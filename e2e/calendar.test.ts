import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import ICAL from 'ical.js';
import type { Page } from 'playwright-core';
import type { Workshop } from '@zippy/core';
import { until, useStudio } from './support.ts';

describe('the calendar', () => {
  const studio = useStudio();
  const { press, reaches, take } = studio;
  let page: Page;
  beforeEach(() => ({ page } = studio));
  const slip = () => page.locator('aside');
  const open = async (): Promise<void> => {
    await page.goto(`${studio.application.url}/calendar`);
    await slip().getByRole('list', { name: 'To be begun by' }).waitFor();
  };
  // Evenings as a studio has them that said nothing of them, whatever another test made of them.
  beforeEach(async () => {
    // Whatever the page still saves of another test is saved with it gone.
    await page.goto('about:blank');
    const { version, workshop } = await studio.ask<{ version: number; workshop: Workshop }>('workshop');
    const { times: _, ...usual } = workshop;
    const response = await fetch(`${studio.application.url}/api/workshop`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ version, workshop: usual }),
    });
    expect(response.status).to.equal(200);
  });
  const times = async () => (await studio.ask<{ workshop: Workshop }>('workshop')).workshop.times;

  it('says what tonight holds and by when each job is begun, and gives it to other calendars', async () => {
    await open();
    expect(await slip().getByRole('list', { name: 'Tonight' }).getByRole('listitem').count()).to.be.above(0);
    expect(await studio.serious()).to.deep.equal([]);
    const text = readFileSync(await take(/For other calendars/, 'making.ics'), 'utf8');
    const events = new ICAL.Component(ICAL.parse(text) as unknown[])
      .getAllSubcomponents('vevent')
      .map((one) => new ICAL.Event(one));
    const due = events.filter(({ summary }) => summary.startsWith('Due: '));
    expect(due.length).to.be.above(3);
    expect(events.length).to.be.above(due.length);
  });

  it('begins a job an evening later by a press, on a day by dragging, and whenever there is time again', async () => {
    const title = await studio.own('Scallop shell');
    await open();
    await slip().getByRole('button', { name: title }).click();
    await press(/^Begin an evening later/);
    const later = (await reaches(title, ({ make }) => make.beginOn != null)).make.beginOn!;
    await slip()
      .getByText(/^Begun /)
      .waitFor();
    expect(await studio.serious()).to.deep.equal([]);
    // Let fall on the last day that is shown.
    const table = page.getByRole('table', { name: 'Evenings' });
    const [piece, day] = [table.getByRole('button', { name: title }).first(), table.getByRole('cell').last()];
    await piece.dragTo(day);
    const dragged = (await reaches(title, ({ make }) => make.beginOn != null && make.beginOn > later)).make.beginOn!;
    expect(dragged > later).to.equal(true);
    await press(/^Begin whenever there is time/);
    await reaches(title, ({ make }) => make.beginOn === null);
  });

  it('goes by the evenings that are free: too few, what is late is said, and one more evening can be had by a press', async () => {
    await open();
    await press('Evenings, hands and racks');
    for (const day of ['Tuesday', 'Wednesday', 'Thursday', 'Saturday']) {
      await slip().getByLabel(`${day}, minutes`).fill('10');
      await slip().getByLabel(`${day}, minutes`).press('Enter');
    }
    await slip()
      .getByText(/cannot be done in time: the latest is/)
      .waitFor();
    await slip().getByLabel('From', { exact: true }).fill('25:00');
    await slip().getByLabel('From', { exact: true }).press('Enter');
    await slip().getByText('From wants a time such as 19:00.').waitFor();
    await slip().getByRole('list', { name: 'What would help' }).getByRole('button', { name: 'Work then' }).click();
    await page.getByText('One more evening.').waitFor();
    // All of it: what is still being saved as the next test begins would meet that one's own evenings.
    const kept = await until(times, (now) => now?.exceptions.length === 1 && now.weekMinutes[5] === 10);
    expect(kept!.exceptions).to.have.length(1);
    expect(kept!.weekMinutes.slice(1, 4)).to.deep.equal([10, 10, 10]);
  });
});
