import { expect } from 'chai';
import { STATIONS } from '@zippy/core';
import type { Locator, Page } from 'playwright-core';
import { useStudio } from './support.ts';

/** What hands type and press is what is kept, and nothing else happens. */
describe('what hands do', () => {
  const studio = useStudio();
  const { open, press, reaches, stored } = studio;
  let page: Page;
  before(() => {
    ({ page } = studio);
  });

  /** Types with the caret at a letter, as a hand does that clicks there. */
  const typeAt = async (field: Locator, at: number, text: string, delay: number): Promise<void> => {
    await field.focus();
    await field.evaluate((node, caret) => {
      (node as HTMLTextAreaElement).setSelectionRange(caret, caret);
    }, at);
    await page.keyboard.type(text, { delay });
  };
  const spliced = (text: string, at: number, more: string): string => text.slice(0, at) + more + text.slice(at);

  it('keeps words typed at the start, in the middle and at the end, at any speed, and undoes them as one', async () => {
    await open('Heron at dawn', 'art');
    await press('Add words');
    const words = page.getByLabel('Words', { exact: true });
    let text = 'Happy birthday';
    await words.fill(text);
    for (const delay of [0, 40, 200])
      for (const [at, more] of [
        [6, 'very '],
        [0, 'A '],
        [-1, ' to you all'],
      ] as const) {
        const caret = at < 0 ? text.length : at;
        await typeAt(words, caret, more, delay);
        text = spliced(text, caret, more);
        expect(await words.inputValue(), `${delay} ms, at ${at}`).to.equal(text);
      }
    const kept = await reaches('Heron at dawn', (job) => job.art.faces.front!.texts.some((t) => t.text === text));
    expect(kept.art.faces.front!.texts.map((t) => t.text)).to.include(text);
    // Everything typed into one block in a row is one step.
    await press('Undo');
    await reaches('Heron at dawn', (job) => job.art.faces.front!.texts.some((t) => t.text === 'A few words'));
    expect(await words.inputValue()).to.equal('A few words');
    await press('Do it again');
    await reaches('Heron at dawn', (job) => job.art.faces.front!.texts.some((t) => t.text === text));
  });

  it('does so in a code’s address, typed letter by letter with no pause', async () => {
    await open('Stall contact card', 'art');
    await press('Code');
    const address = page.getByLabel('Address of the page');
    await address.fill('https://saltmarsh.example/boats');
    await typeAt(address, 8, 'www.', 0);
    await typeAt(address, 12, 'the-', 40);
    expect(await address.inputValue()).to.equal('https://www.the-saltmarsh.example/boats');
    await page.getByText(/Read back from the face as it prints/).waitFor();
    await reaches('Stall contact card', (job) =>
      Boolean(
        job.art.faces.front!.objects?.some(
          (o) => o.kind === 'code' && o.content.kind === 'link' && o.content.url.startsWith('https://www.the-'),
        ),
      ),
    );
  });

  it('keeps text and caret in every field of every station, typed at once or a key at a time', async () => {
    const { id } = await stored('Lantern Regatta supper');
    let tried = 0;
    for (const station of STATIONS) {
      await page.goto(`${studio.application.url}/jobs/${id}/${station}`);
      const slip = page.locator('aside');
      await slip.locator('h2').first().waitFor();
      // The words in hand have fields of their own, and so has what is folded away.
      if (station === 'art')
        await slip
          .getByRole('list', { name: /front to back/ })
          .getByRole('button')
          .first()
          .click();
      for (const more of await slip.locator('button[aria-expanded="false"]:not([aria-haspopup])').all())
        if (await more.isVisible()) await more.click();
      const fields = slip.locator('input[type="text"], input:not([type]), textarea');
      const count = await fields.count();
      for (let i = 0; i < count; i += 1) {
        const field = fields.nth(i);
        if (!(await field.isVisible()) || !(await field.isEditable())) continue;
        const had = await field.inputValue();
        const at = Math.floor(had.length / 2);
        for (const delay of [0, 40]) {
          const which = `${station}, field ${i}, ${delay} ms a key`;
          await typeAt(field, at, '12', delay);
          expect(await field.inputValue(), which).to.equal(spliced(had, at, '12'));
          const caret = await field.evaluate((node) => (node as HTMLInputElement).selectionStart);
          expect(caret, `${which}: caret`).to.equal(at + 2);
          await page.keyboard.press('Backspace');
          await page.keyboard.press('Backspace');
          expect(await field.inputValue(), which).to.equal(had);
        }
        tried += 1;
      }
    }
    expect(tried).to.be.above(20);
  });

  it('turns over with T while a picker has the focus, and chooses nothing', async () => {
    await open('Lantern Regatta supper', 'size');
    const format = page.getByRole('button', { name: /Side fold/ }).first();
    await format.focus();
    for (const key of ['t', 'd', 'g', 'z']) await page.keyboard.press(key);
    await page.waitForTimeout(300);
    expect((await stored('Lantern Regatta supper')).document.size.format).to.equal('sideFold');
    // Opened, it answers letters as pickers do.
    await format.focus();
    await page.keyboard.press('Enter');
    await page.getByRole('listbox').waitFor();
    await page.keyboard.press('Escape');
  });

  it('counts a held key once at the bench', async () => {
    await open('Seal-pup notelets', 'make');
    await press('Start a run');
    await page.waitForURL(/\/bench\//);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.locator('header li.now').waitFor();
    /** As the keyboard repeats a key that is held: one press, and eleven more of it. */
    const hold = async (key: string): Promise<void> => {
      for (let i = 0; i < 12; i += 1) await page.keyboard.down(key);
      await page.keyboard.up(key);
      await page.waitForTimeout(250);
    };
    const good = page.locator('.count b').first();
    await hold('g');
    expect(await good.innerText()).to.equal('1');
    const done = page.locator('header li.done');
    await hold(' ');
    expect(await done.count()).to.equal(1);
    await page.keyboard.press('Backspace');
    await page.keyboard.press('Backspace');
    await page.waitForTimeout(250);
    expect(await good.innerText()).to.equal('0');
  });

  it('puts a job away with a way back that stays', async () => {
    await page.goto(`${studio.application.url}/`);
    const cross = page.getByRole('button', { name: 'Put Scallop shell away' });
    await cross.focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('Enter');
    await page.getByText('“Scallop shell” is put away.').waitFor();
    expect(await stored('Scallop shell')).to.equal(undefined);
    await page.waitForTimeout(1500);
    await press('Bring it back');
    await page.getByRole('link', { name: /^Scallop shell:/ }).waitFor();
    expect((await stored('Scallop shell')).document.brief.title).to.equal('Scallop shell');
  });

  it('swipes and pinches over the picture without moving it', async () => {
    await open('Heron at dawn', 'art');
    const before = (await stored('Heron at dawn')).document.art.faces.front!.picture!;
    const box = (await page.getByRole('button', { name: /^Picture Heron/ }).boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height * 0.9];
    const client = await page.context().newCDPSession(page);
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: readonly (readonly [number, number])[]) =>
      client.send('Input.dispatchTouchEvent', {
        type,
        touchPoints: points.map(([px, py], id) => ({ x: px, y: py, id })),
      });
    await touch('touchStart', [[x, y]]);
    for (let i = 1; i <= 6; i += 1) await touch('touchMove', [[x - 15 * i, y - 10 * i]]);
    await touch('touchEnd', []);
    await touch('touchStart', [
      [x - 20, y],
      [x + 20, y],
    ]);
    for (let i = 1; i <= 6; i += 1)
      await touch('touchMove', [
        [x - 20 - 8 * i, y],
        [x + 20 + 8 * i, y],
      ]);
    await touch('touchEnd', []);
    await page.waitForTimeout(400);
    const after = (await stored('Heron at dawn')).document.art.faces.front!.picture!;
    expect(after).to.deep.equal(before);
  });

  it('picks several things, moves, locks, copies to another face, and brings back what was taken off', async () => {
    await open('Lighthouse thank-you', 'art');
    await press(/^Inside/);
    const face = await page.evaluate(() => document.querySelector('aside h2')!.textContent);
    for (const text of ['One', 'Two', 'Three']) {
      await press('Add words');
      await page.getByLabel('Words', { exact: true }).fill(text);
    }
    const facesOf = async () => Object.values((await stored('Lighthouse thank-you')).document.art.faces);
    const textsNow = async () =>
      (await facesOf()).flatMap((f) => f.texts).filter(({ text }) => /^(One|Two|Three)$/.test(text));
    await reaches('Lighthouse thank-you', (job) =>
      Object.values(job.art.faces).some(
        (f) => f.texts.filter(({ text }) => /^(One|Two|Three)$/.test(text)).length === 3,
      ),
    );
    // New words land where they hide none of the others.
    const tops = (await textsNow()).map(({ topMm }) => topMm).sort((a, b) => a - b);
    expect(tops[1]! - tops[0]!).to.be.above(3);
    expect(tops[2]! - tops[1]!).to.be.above(3);
    const list = page.getByRole('list', { name: /front to back/ });
    const row = (text: string): Locator => list.getByRole('button', { name: `Words: ${text}`, exact: true });
    await row('One').click();
    await row('Two').click({ modifiers: ['Shift'] });
    await row('Three').click({ modifiers: ['Shift'] });
    await page.getByText('3 picked out').waitFor();
    const before = await textsNow();
    await page.getByRole('button', { name: /^Words: One\. Drag/ }).focus();
    for (let i = 0; i < 4; i += 1) await page.keyboard.press('Shift+ArrowRight');
    await reaches('Lighthouse thank-you', (job) =>
      Object.values(job.art.faces)
        .flatMap((f) => f.texts)
        .filter(({ text }) => /^(One|Two|Three)$/.test(text))
        .every((t) => Math.abs(t.leftMm - before.find((b) => b.id === t.id)!.leftMm - 20) < 0.01),
    );
    // Spaced by their baselines: the same words at the same size lie evenly.
    await press('Even gaps');
    await page.waitForTimeout(500);
    const even = (await textsNow()).map(({ topMm }) => topMm).sort((a, b) => a - b);
    expect(even[2]! - even[1]!).to.be.closeTo(even[1]! - even[0]!, 0.05);
    await page.getByRole('button', { name: 'Copy', exact: true }).click();
    await press('Front');
    await page.getByRole('button', { name: 'Paste', exact: true }).click();
    const copied = await reaches(
      'Lighthouse thank-you',
      (job) => job.art.faces.front!.texts.filter(({ text }) => /^(One|Two|Three)$/.test(text)).length === 3,
    );
    expect(face).to.not.match(/Front/);
    const ids = Object.values(copied.art.faces).flatMap((f) => f.texts.map(({ id }) => id));
    expect(new Set(ids).size).to.equal(ids.length);
    await page.getByText('3 picked out').waitFor();
    await page
      .getByRole('button', { name: /^Words: Two\. Drag/ })
      .first()
      .focus();
    await page.keyboard.press('Delete');
    await page.getByText('3 things are off the front.').waitFor();
    await reaches('Lighthouse thank-you', (job) => !job.art.faces.front!.texts.some(({ text }) => text === 'Two'));
    await press('Bring it back');
    await reaches(
      'Lighthouse thank-you',
      (job) => job.art.faces.front!.texts.filter(({ text }) => /^(One|Two|Three)$/.test(text)).length === 3,
    );
  });

  it('picks out what a dragged frame touches', async () => {
    await open('Seal-pup notelets', 'art');
    await press('Back');
    for (const text of ['Left', 'Right']) {
      await press('Add words');
      await page.getByLabel('Words', { exact: true }).fill(text);
    }
    const handles = page.getByRole('button', { name: /^Words: (Left|Right)\. Drag/ });
    await handles.nth(1).waitFor();
    const boxes = await Promise.all([0, 1].map(async (i) => (await handles.nth(i).boundingBox())!));
    const [top, foot] = [Math.min(...boxes.map((b) => b.y)), Math.max(...boxes.map((b) => b.y + b.height))];
    const left = Math.min(...boxes.map((b) => b.x));
    await page.mouse.move(left - 30, top - 12);
    await page.mouse.down();
    await page.mouse.move(left + 320, foot + 8, { steps: 6 });
    await page.mouse.up();
    await page.getByText('2 picked out').waitFor();
  });
});
