import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Download, Page } from 'playwright-core';
import { dotsOfCanvas, openBrowser, openPage, useStudio, until } from './support.ts';

const ezdxf = (script: string, file: string): string =>
  execFileSync('/usr/bin/python3', ['-c', script, file], { encoding: 'utf8' }).trim();

describe('a wallet with a ribbon and a tag', () => {
  const studio = useStudio();
  const { open, own, press, reaches, kept, take, fill } = studio;
  let page: Page;
  beforeEach(() => ({ page } = studio));

  /** Of several files that one press brings, that which has this in its name. */
  async function oneOf(button: RegExp, named: string): Promise<Download> {
    const coming = page.waitForEvent('download', (one) => one.suggestedFilename().includes(named));
    await press(button);
    return coming;
  }

  it('lies three on a sheet and is cut by machine: outline, slit and both pairs of holes, creases in a layer of their own', async () => {
    const title = await own('Boat-trip voucher');
    await open(title, 'cut');
    await page
      .locator('aside')
      .getByText(/finds three marks/)
      .waitFor();
    await press(/Try it on the stand-in machine/);
    await press('Run it');
    // Three outlines, three slits, twelve holes.
    await page.getByText(/^Found all three marks, the farthest [\d.]+ mm .* cut 18 outlines/).waitFor();
    const dxf = await take(/Machine file, DXF/, 'machine.dxf');
    const layers = ezdxf(
      'import ezdxf,sys,collections as c;print(sorted(c.Counter(e.dxf.layer for e in ezdxf.readfile(sys.argv[1]).modelspace()).items()))',
      dxf,
    );
    expect(layers).to.contain("('crease-away', 24)").and.contain("('cut', 18)");
    // The slit is a millimetre and a half longer than the tab of 18.
    const slits = ezdxf(
      'import ezdxf,sys;print([round(abs(p[0][1]-p[-1][1])+abs(p[0][0]-p[-1][0]),2) for p in ([tuple(v)[:2] for v in e.get_points()] for e in ezdxf.readfile(sys.argv[1]).modelspace() if e.dxf.layer=="cut") if len(p)==2])',
      dxf,
    );
    expect(slits).to.equal('[19.5, 19.5, 19.5]');
  });

  it('says how long its ribbon is and what stands in its way, and has its tag on a sheet of its own', async () => {
    const title = await own('Boat-trip voucher');
    await open(title, 'size');
    await press(/^Harbour teal ribbon: \d+(\.\d)? mm each/);
    await fill('Ribbon, wide', '15');
    const snag = page.getByText('A ribbon of 15 mm does not go through its hole').first();
    await snag.waitFor();
    await press('Use a ribbon of 12 mm');
    await reaches(title, ({ ribbon }) => ribbon?.widthMm === 12);
    await snag.waitFor({ state: 'hidden' });
    await page.getByText('Tied in a bow').click();
    await reaches(title, ({ ribbon }) => ribbon?.bow === false);
    await press(/^Layers \(2 pieces\)/);
    const tag = page.getByRole('region', { name: 'Layer tag1' });
    await tag.getByLabel('Width').fill('12');
    await tag.getByLabel('Width').press('Enter');
    await tag.getByText(/wants 15 mm to 400 mm/).waitFor();
    await tag.getByLabel('Width').press('Escape');
    expect(await studio.serious()).to.deep.equal([]);
    await page.getByRole('link', { name: /Sheet/ }).first().click();
    await page.getByRole('button', { name: 'Tag', exact: true }).click();
    await page.getByRole('img', { name: /^Tag on a sheet/ }).waitFor();
    await page.getByRole('link', { name: /Make/ }).first().click();
    await page.getByText(/A flame or a hot tip seals the ends/).waitFor();
    const ticket = await take(/Job ticket, PDF/, 'ticket.pdf');
    const said = execFileSync('pdftotext', ['-raw', ticket, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ');
    expect(said).to.match(/24 lengths of \d+ mm/);
  });

  it('takes a band and a sleeve, whose template other programs read', async () => {
    const title = await own('Seal-pup notelets');
    await open(title, 'size');
    await press(/^Mats, writing panels/);
    await press('+ Band');
    await press('+ Sleeve for a pack');
    await reaches(title, ({ size }) => size.layers.length === 2);
    // One file a piece: the card, the band, the sleeve.
    const sleeve = await kept(await oneOf(/Template in layers \(DXF\)/, 'layer-2'), 'sleeve.dxf');
    const layers = ezdxf(
      'import ezdxf,sys,collections as c;print(sorted(c.Counter(e.dxf.layer for e in ezdxf.readfile(sys.argv[1]).modelspace()).items()))',
      sleeve,
    );
    // Four turns round the pack.
    expect(layers).to.equal("[('crease-away', 4), ('cut', 1)]");
  });

  it('is kept shut by magnets that the slip puts under its flap, and cut by machine with its envelope', async () => {
    const title = await own('Seal-pup notelets');
    await open(title, 'size');
    await page.locator('aside').locator('button[aria-haspopup=listbox]').first().click();
    await page.getByRole('option', { name: /^Wallet/ }).click();
    await reaches(title, ({ size }) => size.format === 'wallet');
    // Sixteen things might be asked of it, and only those that matter are.
    await page.getByLabel('Tab, wide').waitFor();
    await page.getByText('Something on the flap', { exact: true }).click();
    await reaches(title, ({ size }) => size.options.walletCloses === 'other');
    await page.getByLabel('Tab, wide').waitFor({ state: 'detached' });
    const snag = page.getByText('Nothing keeps the flap shut').first();
    await snag.waitFor();
    const remedy = page.getByRole('button', { name: 'Put two of Dot magnet under it' });
    if (!(await remedy.isVisible())) await snag.click();
    await remedy.click();
    const shut = await reaches(title, ({ trimmings }) => trimmings?.length === 2);
    expect(shut.size.options.flapRoomMm).to.equal(2);
    expect(shut.trimmings!.map(({ faceId }) => faceId)).to.deep.equal(['insideFlap', 'front']);
    await snag.waitFor({ state: 'hidden' });
    expect(await studio.serious()).to.deep.equal([]);
    // A wallet wants the larger sheet.
    await page.getByRole('link', { name: /Stock/ }).first().click();
    await page.locator('aside').locator('button[aria-haspopup=listbox]').first().click();
    await page.getByRole('option', { name: /Shell White 300, A3/ }).click();
    await reaches(title, ({ stock }) => stock.stockId === 'shell-300-a3');
    await page.getByRole('link', { name: /Cut/ }).first().click();
    await page.locator('aside').locator('button[aria-haspopup=listbox]').first().click();
    await page.getByRole('option', { name: /Petrel/ }).click();
    await reaches(title, ({ cut }) => cut.trimmerId === 'petrel');
    await page
      .getByRole('link', { name: /Envelope/ })
      .first()
      .click();
    await page.getByText('Make matching envelopes').click();
    await reaches(title, ({ envelope }) => envelope.make);
    await press('How it is cut: by machine');
    await page.getByText(/the bare sheet square in its corner/).waitFor();
    const svg = readFileSync(
      await kept(await oneOf(/Cut files for the machine, SVG/, 'machine-envelope'), 'envelope.svg'),
      'utf8',
    );
    expect(svg).to.contain('<g id="cut">').and.to.contain('<g id="crease-away">');
    expect([...svg.matchAll(/<g id="([\w-]+)">/g)].map(([, id]) => id)).to.not.include('glue');
  });

  it('turns into a bag with a bow on it, whose envelope leaves room for the bow', async () => {
    const title = await own('Heron at dawn');
    await open(title, 'size');
    await page.locator('aside').locator('button[aria-haspopup=listbox]').first().click();
    await page.getByRole('option', { name: /^Bag/ }).click();
    await reaches(title, ({ size }) => size.format === 'bag');
    await fill('Deep, when it is open', '36');
    await fill('Handle hole, wide', '30');
    await reaches(title, ({ size }) => size.options.handleMm === 30 && size.options.bagDeepMm === 36);
    const thickness = async (): Promise<number> =>
      Number(/Folded thickness\s*([\d.]+) mm/.exec(await page.locator('aside').innerText())![1]);
    const bare = await thickness();
    await page.getByRole('link', { name: /Art/ }).first().click();
    await press(/Trimming/);
    await page.getByRole('menuitem', { name: /Plum ribbon bow/ }).click();
    const decked = await reaches(title, ({ trimmings }) => trimmings?.length === 1);
    expect(decked.trimmings![0]!.faceId).to.equal('front');
    await page.getByRole('link', { name: /Size/ }).first().click();
    await page
      .getByText(`${(bare + 6).toFixed(1)} mm`, { exact: true })
      .first()
      .waitFor();
    expect(await thickness()).to.be.closeTo(bare + 6, 0.11);
    await page
      .getByRole('link', { name: /Envelope/ })
      .first()
      .click();
    await page.getByText('Make matching envelopes').click();
    await reaches(title, ({ envelope }) => envelope.make);
    const { finishedWidthMm: w, finishedHeightMm: h } = decked.size;
    const said = await until(
      () => page.locator('aside').innerText(),
      (words) => /inside [\d.]+ × [\d.]+ mm/.test(words),
    );
    const [, wide, high] = /inside ([\d.]+) × ([\d.]+) mm/.exec(said)!;
    // Card, its thickness with the bow, and ease, both ways.
    const { envelope } = await reaches(title, () => true);
    expect([Number(wide), Number(high)].sort((a, b) => a - b)).to.deep.equal(
      [w, h].map((mm) => Math.round((mm + bare + 6 + envelope.easeMm) * 10) / 10).sort((a, b) => a - b),
    );
    await page.getByText('Packed, it is thick').waitFor();
    expect(await studio.serious()).to.deep.equal([]);
  });

  it('shuts in three dimensions with its flap over the front', async () => {
    const solid = await openBrowser({ solid: true });
    try {
      const seen = await openPage(solid, studio.faults);
      await seen.setViewportSize({ width: 960, height: 600 });
      await seen.emulateMedia({ reducedMotion: 'reduce' });
      const { id } = await studio.stored('Boat-trip voucher');
      await seen.goto(`${studio.application.url}/jobs/${id}/art`);
      await seen.locator('aside h2').waitFor();
      await seen.keyboard.press('o');
      await seen.getByRole('application', { name: /^Wallet, 22 % open/ }).waitFor();
      const card = seen.getByRole('application');
      const canvas = card.locator('canvas');
      await canvas.waitFor();
      /** Sun for each dot of the boat's hull: the flap hides most of the one and nothing of the other. */
      const sunToHull = async (): Promise<number> => {
        const { data } = await dotsOfCanvas(canvas);
        let [sun, hull] = [0, 0];
        for (let i = 0; i < data.length; i += 3) {
          const [red, green, blue] = [data[i]!, data[i + 1]!, data[i + 2]!];
          if (red > 200 && green > 130 && green < 200 && blue < 90) sun += 1;
          if (red > 150 && green > 60 && green < 125 && blue > 40 && blue < 110 && red - blue > 80) hull += 1;
        }
        return hull === 0 ? 0 : sun / hull;
      };
      const settled = async (wanted: (ratio: number) => boolean): Promise<number> => {
        for (let tries = 0; tries < 80; tries += 1) {
          const ratio = await sunToHull();
          if (wanted(ratio)) return ratio;
          await seen.waitForTimeout(250);
        }
        return sunToHull();
      };
      const ajar = await settled((ratio) => ratio > 1);
      expect(ajar).to.be.greaterThan(1);
      await seen.getByRole('button', { name: 'As its reader sees it' }).click();
      await seen.getByRole('application', { name: /^Wallet, shut/ }).waitFor();
      expect(await settled((ratio) => ratio > 0 && ratio < ajar * 0.7)).to.be.within(0.01, ajar * 0.7);
    } finally {
      await solid.close();
    }
  });
});
