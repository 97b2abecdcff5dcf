import { mkdirSync } from 'node:fs';
import { chromium } from 'playwright-core';
import { root } from './root.mjs';

/** Takes the pictures in docs/screenshots from a running application with the demo in it: node scripts/screenshots.mjs [ADDRESS] */
const base = process.argv[2] ?? 'http://127.0.0.1:5170';
const SHOTS = [
  ['jobs', null, ''],
  ['new', null, 'new'],
  ['workshop', null, 'workshop'],
  ...['brief', 'size', 'art', 'stock', 'sheet', 'cut', 'crease', 'envelope', 'make'].map((station) => [
    station,
    'Lantern Regatta supper',
    station,
  ]),
  ['sell', 'Heron at dawn', 'sell'],
  ['bench', 'Heron at dawn', 'make'],
  ['pop-up', 'Lighthouse that stands up', 'size'],
  ['shared', null, 'shared'],
  ['shelf', null, 'shelf'],
  ['calendar', null, 'calendar'],
];

mkdirSync(root('docs/screenshots'), { recursive: true });
const { studios } = await (await fetch(`${base}/api/studios`)).json();
const { jobs } = await (await fetch(`${base}/api/jobs`)).json();
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium-headless-shell',
  args: [
    '--headless',
    '--no-sandbox',
    '--disable-background-networking',
    '--use-angle=swiftshader',
    '--enable-unsafe-swiftshader',
    '--ignore-gpu-blocklist',
  ],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
// The first page of all is only there while nobody has chosen.
if (!studios.some(({ entered }) => entered)) {
  await page.goto(base);
  await page.waitForTimeout(2500);
  await page.screenshot({ path: root('docs/screenshots/start.png') });
}
await fetch(`${base}/api/studios/${studios.find(({ isDemo }) => isDemo).id}/enter`, { method: 'POST' });
for (const [name, title, place] of SHOTS) {
  const job = title && jobs.find((j) => j.document.brief.title === title);
  await page.goto(job ? `${base}/jobs/${job.id}/${place}` : `${base}/${place}`);
  await page.waitForTimeout(2500);
  if (name === 'pop-up') {
    await page.keyboard.press('o');
    const slider = page.getByRole('slider', { name: 'Open' });
    await slider.focus();
    await page.keyboard.press('Home');
    for (let n = 0; n < 52; n += 1) await page.keyboard.press('ArrowRight');
    await page.getByRole('button', { name: /^Pop-ups/ }).click();
    await page.getByRole('button', { name: 'Box step 1', exact: true }).last().click();
    await page.waitForTimeout(2500);
  }
  if (name === 'envelope') {
    await page.getByRole('button', { name: 'Styles side by side' }).click();
    await page.waitForTimeout(1500);
  }
  if (name === 'cut') for (let n = 0; n < 3; n += 1) await page.getByRole('button', { name: /check it off/ }).click();
  // Both wait until every job on the wall is planned.
  if (name === 'shelf') await page.getByText('Together').waitFor();
  if (name === 'calendar') await page.getByText('To be begun by').waitFor();
  if (name === 'shared') {
    for (const piece of ['Lantern Regatta supper', 'Regatta place cards, without names', 'Heron at dawn']) {
      await page.getByRole('switch', { name: piece, exact: true }).focus();
      await page.keyboard.press('Space');
    }
    await page.getByRole('button', { name: 'Lay them out' }).click();
    await page.waitForTimeout(4000);
    await page
      .getByRole('list', { name: 'Layouts' })
      .getByText(/Lantern Regatta supper/)
      .click();
  }
  if (name === 'calibrate') {
    await page.getByRole('button', { name: /Practise on the stand-in/ }).click();
    await page.getByRole('button', { name: 'Print and read it for me' }).click();
    await page.getByRole('button', { name: /To the light/ }).click();
    await page.getByRole('heading', { name: /Hold it to the light/ }).scrollIntoViewIfNeeded();
  }
  if (name === 'bench') await page.getByRole('button', { name: 'Go on at the bench' }).click();
  await page.waitForTimeout(700);
  await page.screenshot({ path: root(`docs/screenshots/${name}.png`) });
}
await browser.close();
