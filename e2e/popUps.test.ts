import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
import { popUpOf } from '@zippy/core';
import { useStudio, until } from './support.ts';

describe('what pops up', () => {
  const studio = useStudio();
  const { open, own, press, reaches, take } = studio;
  let page: Page;
  beforeEach(() => ({ page } = studio));

  const slip = () => page.locator('aside');
  const add = async (name: RegExp): Promise<void> => {
    await slip()
      .getByRole('button', { name: /Add a mechanism/ })
      .click();
    await page.getByRole('option', { name }).click();
  };
  const opened = async (deg: number): Promise<void> => {
    const slider = page.getByRole('slider', { name: 'Open' });
    await slider.focus();
    await page.keyboard.press('Home');
    for (let i = 0; i < Math.round((deg / 180) * 100); i += 1) await page.keyboard.press('ArrowRight');
    // In three dimensions or drawn, whichever this browser can.
    await page.locator(`[aria-label*=", ${deg}° open."]`).waitFor();
  };
  /** Dots of the bench that are about of a colour. */
  const dotsOf = async ([r, g, b]: readonly [number, number, number]): Promise<number> => {
    const shot = await page.locator('[aria-label*="° open."]').screenshot();
    const { data, info } = await sharp(shot).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    let dots = 0;
    for (let i = 0; i < data.length; i += info.channels)
      if (Math.abs(data[i]! - r) < 30 && Math.abs(data[i + 1]! - g) < 30 && Math.abs(data[i + 2]! - b) < 30) dots += 1;
    return dots;
  };

  it('a lighthouse rises as the card is opened, and its steps are told with their marks', async () => {
    const title = await own('Lighthouse that stands up');
    await open(title, 'size');
    await page.keyboard.press('o');
    // Shut nothing of it is seen; opened like an L its red stripes stand before the sky.
    const RED = [0xc6, 0x45, 0x3b] as const;
    await opened(90);
    let upright = 0;
    for (let tries = 0; tries < 20 && upright < 200; tries += 1) {
      await page.waitForTimeout(300);
      upright = await dotsOf(RED);
    }
    expect(upright).to.be.above(200);
    await press('From the side');
    await page.getByRole('img', { name: /^From the end of the fold, 90° open/ }).waitFor();
    expect(await studio.serious()).to.deep.equal([]);
    await page.getByRole('link', { name: /Make/ }).first().click();
    const ticket = await take(/Job ticket, PDF/, 'pop-up-ticket.pdf');
    const said = execFileSync('pdftotext', ['-raw', ticket, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ');
    expect(said).to.contain('Put in the box step 1');
    expect(said).to.contain('marks 1 and 2');
    expect(said).to.contain('22 mm to 32 mm from the fold, 44 mm to 104 mm from the left');
  });

  it('a step is added, said to poke out, set right by one press, and a figure stands on it', async () => {
    const title = await own('Lighthouse thank-you');
    await open(title, 'size');
    await press(/^Pop-ups: what moves/);
    await add(/^Box step/);
    await reaches(title, ({ size }) => size.layers.length === 1);
    const one = page.getByRole('region', { name: 'Pop-up popUp1' });
    await one.getByLabel('Stands out by').fill('60');
    await one.getByLabel('Stands out by').press('Enter');
    await one.getByLabel('Height').fill('70');
    await one.getByLabel('Height').press('Enter');
    const snag = page.getByText(/^Box step pokes out by/).first();
    await snag.waitFor();
    const remedy = page.getByRole('button', { name: /^Set “(Height|Stands out by)” to/ }).first();
    if (!(await remedy.isVisible())) await snag.click();
    await remedy.click();
    await snag.waitFor({ state: 'hidden' });
    await add(/^Figure/);
    const job = await reaches(title, ({ size }) => size.layers.length === 2);
    expect(popUpOf(job.size.layers[1]!).on).to.deep.equal({ layerId: 'popUp1', at: 'front' });
    // What is typed out of its limits is said, and kept until it is put right.
    const figure = page.getByRole('region', { name: 'Pop-up popUp2' });
    await figure.getByLabel('Height', { exact: true }).fill('2');
    await figure.getByLabel('Height', { exact: true }).press('Enter');
    await figure.getByText(/wants 3 mm to 400 mm/).waitFor();
    await figure.getByLabel('Height', { exact: true }).press('Escape');
    expect(await studio.serious()).to.deep.equal([]);
    // Both parts lie on sheets of their own.
    await page.getByRole('link', { name: /Sheet/ }).first().click();
    await page.getByRole('button', { name: 'Figure', exact: true }).click();
    await page.getByRole('img', { name: /^Figure on a sheet/ }).waitFor();
  });

  it('is cut into the card, dragged on its open inside, pressed from slit to slit, and drawn for a blade', async () => {
    const title = await own('Lighthouse thank-you');
    await open(title, 'size');
    await press(/^Pop-ups: what moves/);
    await add(/^Cut-in step/);
    const before = await reaches(title, ({ size }) => size.layers.length === 1);
    const popUp = popUpOf(before.size.layers[0]!);
    // Nothing of it is bought, printed or glued.
    expect(await page.getByRole('region', { name: 'Pop-up popUp1' }).getByText('Stock').count()).to.equal(0);
    await press(/^Folded/);
    await press(/^Turn over/);
    const handle = page.getByRole('button', { name: /^Cut-in step, .* Drag or use the arrow keys/ });
    const at = (await handle.boundingBox())!;
    await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
    await page.mouse.down();
    for (let k = 1; k <= 5; k += 1) await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2 + 6 * k);
    await page.mouse.up();
    /** Along the fold, as it is said where it lies. */
    const along = async (): Promise<number> =>
      Number(/([\d.]+) mm along/.exec((await handle.getAttribute('aria-label')) ?? '')?.[1]);
    await reaches(title, ({ size }) => popUpOf(size.layers[0]!).alongMm > popUp.alongMm);
    await studio.saved();
    const { document: moved } = await studio.stored(title);
    // Planned beside the page, it is said a little after it is moved.
    const dragged = await until(along, (mm) => mm === popUpOf(moved.size.layers[0]!).alongMm);
    expect(dragged).to.be.above(popUp.alongMm);
    expect(Math.round(dragged * 2)).to.equal(dragged * 2);
    await handle.focus();
    await page.keyboard.press('ArrowDown');
    await reaches(title, ({ size }) => popUpOf(size.layers[0]!).alongMm === dragged + 0.5);
    // All of one drag is taken back at once.
    await press('Undo');
    await press('Undo');
    await reaches(title, ({ size }) => popUpOf(size.layers[0]!).alongMm === popUp.alongMm);
    await open(title, 'crease');
    await slip()
      .getByText(/Cut-in step, hinge of its front: lay a rule along it/)
      .waitFor();
    await open(title, 'size');
    const file = await take(/Template in layers \(DXF\)/, 'cut-in.dxf');
    const lines = execFileSync(
      '/usr/bin/python3',
      [
        '-c',
        "import ezdxf,sys;m=ezdxf.readfile(sys.argv[1]).modelspace();print(sorted(round(sum((a-b).magnitude for a,b in zip(p,p[1:])),2) for e in m if e.dxf.layer.startswith('cut') for p in [list(ezdxf.math.Vec2.generate(e.get_points('xy'))) if e.dxftype()=='LWPOLYLINE' else [ezdxf.math.Vec2(e.dxf.start),ezdxf.math.Vec2(e.dxf.end)]]))",
        file,
      ],
      { encoding: 'utf8' },
    );
    // Two slits as long as it is deep and high together.
    const slits = (JSON.parse(lines) as readonly number[]).filter((mm) => mm === popUp.depthMm + popUp.heightMm);
    expect(slits, lines).to.have.length(2);
  });

  it('a figure is cut round its picture and printed behind, and all parts go to the fewest sheets', async () => {
    const title = await own('Lighthouse that stands up');
    await open(title, 'size');
    await press(/^Pop-ups/);
    await press(/Figure/);
    const tower = page.getByRole('region', { name: 'Pop-up tower' });
    await tower.getByRole('button', { name: 'Cut it round its picture' }).click();
    const job = await reaches(title, ({ size }) => popUpOf(size.layers[2]!).pathIn === 'picture');
    // The tower is drawn in a picture of its own size: its path is about as high as that.
    const ys = [...popUpOf(job.size.layers[2]!).path.matchAll(/[\d.-]+ ([\d.-]+)/g)].map(([, y]) => Number(y));
    const { heightPx } = job.pictures.tower!;
    expect(Math.max(...ys) - Math.min(...ys)).to.be.within(heightPx * 0.7, heightPx * 1.2);
    await tower.getByRole('button', { name: /Printed behind with/ }).click();
    await page.getByRole('option', { name: 'Wave' }).click();
    await reaches(title, ({ size }) => size.layers[2]!.backPicture?.pictureId === 'wave');
    await page.getByRole('link', { name: /Sheet/ }).first().click();
    await page.getByRole('link', { name: 'Lay its 5 parts on the fewest sheets' }).click();
    await page
      .getByLabel(/^How many of Lighthouse that stands up/)
      .nth(4)
      .waitFor();
    await press('Lay them out');
    await page
      .getByText(/^\d+ sheets \(.* of Wet Pebble Gloss/)
      .first()
      .waitFor();
    await page.getByText(/No edge-to-edge layout of these pieces takes less|Nothing under \d+ is possible/).waitFor();
  });
});
