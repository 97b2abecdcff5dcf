import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import type { Page } from 'playwright-core';
import type { Movement, Workshop } from '@zippy/core';
import { until, useStudio } from './support.ts';

describe('what is put on a card by hand', () => {
  const studio = useStudio();
  const { open, own, press, reaches, ask } = studio;
  let page: Page;
  beforeEach(() => ({ page } = studio));

  const station = (name: string): Promise<void> =>
    page
      .getByRole('link', { name: new RegExp(name) })
      .first()
      .click();
  const onShelf = async (id: string): Promise<number> => {
    const { workshop } = await ask<{ workshop: Workshop }>('workshop');
    return workshop.trimmings.find((one) => one.id === id)!.onShelf;
  };

  const move = async (thingId: string, change: number, part: Partial<Movement>): Promise<void> => {
    const movement = {
      ...{ id: randomUUID(), shelf: 'trimmings', thingId, change },
      ...{ priceMinor: null, lot: null, note: null, at: null, ...part },
    };
    const response = await fetch(`${studio.application.url}/api/shelf/movements`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(movement),
    });
    expect(response.status, await response.text()).to.equal(201);
  };

  it('is dragged on its face, makes the card thicker, and comes off with a way back', async () => {
    const title = await own('Lantern Regatta supper');
    await open(title, 'art');
    await press(/Trimming/);
    await page.getByRole('menuitem', { name: /Plum ribbon bow/ }).click();
    await page.getByRole('group', { name: 'Trimming in hand' }).waitFor();
    const bow = page.getByRole('button', { name: /^Plum ribbon bow, fixed by hand/ });
    const box = (await bow.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 40, { steps: 4 });
    await page.mouse.up();
    const moved = await reaches(title, ({ trimmings }) => (trimmings?.[0]?.yMm ?? 68) > 72);
    expect(moved.trimmings![0]).to.include({ trimmingId: 'quay-bow', faceId: 'front', xMm: 48 });
    await bow.press('ArrowLeft');
    await reaches(title, ({ trimmings }) => trimmings?.[0]?.xMm === 47.5);
    expect(await studio.serious()).to.deep.equal([]);

    // 6 mm of bow do not go where 4.5 mm are to spare; one made for it does.
    await station('Size');
    await page
      .getByRole('heading', { name: /does not go into Teal/ })
      .or(page.getByText(/does not go into Teal/))
      .first()
      .waitFor();
    await press('Make an envelope to fit');
    await reaches(title, ({ envelope }) => envelope.make);
    await station('Envelope');
    await page.getByText('Packed, it is thick').waitFor();

    await station('Art');
    await bow.press('Delete');
    await reaches(title, ({ trimmings }) => trimmings?.length === 0);
    await press('Bring it back');
    await reaches(title, ({ trimmings }) => trimmings?.length === 1);
  });

  it('is taken off the shelf as its run ends, and stands in the workshop with what is left', async () => {
    const title = await own('Seal-pup notelets');
    await open(title, 'art');
    await press(/Trimming/);
    await page.getByRole('menuitem', { name: /Sea-glass gem/ }).click();
    await reaches(title, ({ trimmings }) => trimmings?.length === 1);
    // One is left of those that lay there, and a bag with a number on it comes after.
    await move('sea-gem', 1 - (await onShelf('sea-gem')), { cause: 'other', note: 'Sewn on a bag' });
    await move('sea-gem', 10, { cause: 'bought', lot: 'G4' });
    const before = await onShelf('sea-gem');
    expect(before).to.equal(11);
    await station('Make');
    await press('Start a run');
    await page.getByRole('button', { name: /^Good/ }).first().waitFor();
    for (let n = 0; n < 3; n += 1) await page.keyboard.press('g');
    const { steps } = await ask<{ steps: readonly unknown[] }>(`runs/${page.url().split('/').at(-1)!}`);
    for (let n = 0; n < steps.length; n += 1) await page.keyboard.press('Space');
    await press(/Finish/);
    await page.getByText(/^Off the shelf: \d+ sheets? of .*3 Sea-glass gem\.$/).waitFor();
    const left = await until(
      () => onShelf('sea-gem'),
      (count) => count !== before,
    );
    expect(left).to.equal(before - 3);
    await open(title, 'make');
    await press('The log of runs');
    await page.getByText(/^Sea-glass gem: 1 that came .+, 2 of lot G4\.$/).waitFor();
    await page.goto(`${studio.application.url}/workshop/trimmings/sea-gem`);
    await page.getByRole('link', { name: `Sea-glass gem: ${before - 3}` }).waitFor();
    expect(await studio.serious()).to.deep.equal([]);
  });

  it('is told to the workshop with its own figures, and what holds it too', async () => {
    await page.goto(`${studio.application.url}/workshop`);
    await press(/Add to this shelf/);
    await page.getByRole('menuitem', { name: 'Photograph' }).click();
    await page.getByLabel('Stands up', { exact: true }).fill('half');
    await page.getByLabel('Stands up', { exact: true }).press('Enter');
    await page.getByText(/Stands up: “half” is not/).waitFor();
    await studio.fill('Stands up', '0.3');
    await studio.fill('On the shelf', '12');
    await page.getByRole('link', { name: 'photograph: 12' }).waitFor();
    await press(/Add to this shelf/);
    await page.getByRole('menuitem', { name: 'Spray glue' }).click();
    await page.getByText(/Spray outdoors or with a draught/).waitFor();
    await page.getByText('No job at the moment.').waitFor();
  });
});
