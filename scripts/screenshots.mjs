import { mkdirSync } from 'node:fs';
import { chromium } from 'playwright-core';
import { root } from './root.mjs';

/** Takes the pictures in docs/screenshots from a running application with the demo in it: node scripts/screenshots.mjs [ADDRESS] */
const base = process.argv[2] ?? 'http://127.0.0.1:5170';
const SHOTS = [
  ['jobs', null, ''],
  ['workshop', null, 'workshop'],
  ...['brief', 'size', 'art', 'stock', 'sheet', 'cut', 'crease', 'envelope', 'make'].map((station) => [
    station,
    'Lantern Regatta supper',
    station,
  ]),
  ['sell', 'Heron at dawn', 'sell'],
  ['bench', 'Heron at dawn', 'make'],
  ['cascade', 'Tide-table cascade', 'size'],
  ['folded', 'Tide-table cascade', 'art'],
  ['shell', 'Scallop shell', 'art'],
];

mkdirSync(root('docs/screenshots'), { recursive: true });
const { jobs } = await (await fetch(`${base}/api/jobs`)).json();
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
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
for (const [name, title, place] of SHOTS) {
  const job = title && jobs.find((j) => j.document.brief.title === title);
  await page.goto(job ? `${base}/jobs/${job.id}/${place}` : `${base}/${place}`);
  await page.waitForTimeout(2500);
  if (name === 'brief') await page.keyboard.press('o');
  if (name === 'folded' || name === 'shell') {
    await page.keyboard.press('o');
    await page.waitForTimeout(2500);
    if (name === 'folded') await page.getByRole('button', { name: 'On a table' }).click();
    await page.waitForTimeout(1200);
  }
  if (name === 'bench') await page.getByRole('button', { name: 'Go on at the bench' }).click();
  await page.waitForTimeout(700);
  await page.screenshot({ path: root(`docs/screenshots/${name}.png`) });
}
await browser.close();
