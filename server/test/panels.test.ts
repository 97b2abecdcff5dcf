import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { decide, decideEach, changeJob, newJob, partsOfPage, type PagePart } from '@zippy/core';
import { exportFiles, ExportRefused, loadFonts, readPicture } from '../src/exports/index.ts';
import { planOf, workshop } from './support.ts';

const PAGE = { widthMm: 210, heightMm: 297 };

/** A page whose colour tells where on it one is: red grows to the right, green downwards. */
async function tellingPage(pxPerMm = 8): Promise<Buffer> {
  const [width, height] = [PAGE.widthMm * pxPerMm, PAGE.heightMm * pxPerMm];
  const raw = Buffer.alloc(width * height * 3);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = 3 * (y * width + x);
      raw[at] = Math.round((x / width) * 255);
      raw[at + 1] = Math.round((y / height) * 255);
      raw[at + 2] = 128;
    }
  return sharp(raw, { raw: { width, height, channels: 3 } })
    .png({ compressionLevel: 1 })
    .toBuffer();
}

describe('sheets of printed panels', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-panels-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  it('of parts seen from behind have their backs behind them, upright there, whichever edge the sheet is turned on', async () => {
    const fonts = await loadFonts();
    const picture = await readPicture('page.png', await tellingPage(2));
    const placement = { pictureId: 'page', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false };
    for (const [format, mechanism, flipEdge] of [
      ['sideFold', 'figure', 'long'],
      ['sideFold', 'boxStep', 'short'],
      ['tentFold', 'boxStep', 'long'],
    ] as const) {
      const job = changeJob(newJob('Both sides', workshop), [
        ...decideEach((at) => at.size, { format, finishedWidthMm: 105, finishedHeightMm: 105 }),
        decide(
          (at) => at.size.layers,
          [
            {
              ...{ id: 'p', kind: 'popUp', faces: [], revealMm: 0, stockIds: [workshop.stocks[0]!.id] },
              ...{ picture: placement, backPicture: placement },
              popUp: {
                ...{ mechanism, alongMm: 10, pastMm: 20, widthMm: 30, heightMm: 50, depthMm: 20, tabMm: 8 },
                on: { layerId: null, at: mechanism === 'figure' ? 'b' : 'fold' },
              },
            },
          ],
        ),
        decide((at) => at.sheet.flipEdge, flipEdge),
        decide((at) => at.brief.wanted, 2),
        decide((at) => at.sheet.spares, 0),
        decide((at) => at.pictures, { page: picture.ref }),
      ]);
      const plan = await planOf(job);
      const [layer] = plan.sheet.layers;
      const [file] = await exportFiles('panels', 'pdf', {
        ...{ job, plan, workshop, fonts, date: null },
        pictures: new Map([['page', { mime: picture.ref.mime, bytes: picture.bytes }]]),
      });
      const path = join(folder, 'both.pdf');
      writeFileSync(path, file!.bytes);
      execFileSync('sh', ['-c', `rm -f ${join(folder, 'both')}-*.png`]);
      execFileSync('pdftoppm', ['-r', '101.6', '-png', path, join(folder, 'both')]);
      const pages = execFileSync('sh', ['-c', `ls ${join(folder, 'both')}-*.png | sort`], { encoding: 'utf8' })
        .trim()
        .split('\n');
      expect(pages).to.have.length(2);
      const seen = await Promise.all(
        pages.map((page) => sharp(page).removeAlpha().raw().toBuffer({ resolveWithObject: true })),
      );
      const at = (n: number, xMm: number, yMm: number): readonly number[] => {
        const { data, info } = seen[n]!;
        const i = 3 * (Math.floor(yMm * 4) * info.width + Math.floor(xMm * 4));
        return [data[i]!, data[i + 1]!];
      };
      const { widthMm: w, heightMm: h } = layer!.blank;
      const { sheetWidthMm, sheetHeightMm } = layer!.stock;
      const isUpright = sheetHeightMm >= sheetWidthMm;
      const sideways = (flipEdge === 'long') === isUpright;
      // Across a level fold the step lies on its side: up, as it is read, is along its blank.
      const lies = format === 'tentFold';
      for (const { trim, turned } of layer!.laid)
        for (const [u, v] of [
          [0.3, 0.4],
          [0.7, 0.4],
          [0.4, 0.65],
        ] as const) {
          const [x, y] = [u * w, v * h];
          const on = turned
            ? { xMm: trim.xMm + trim.widthMm - y, yMm: trim.yMm + x }
            : { xMm: trim.xMm + x, yMm: trim.yMm + y };
          const behind = sideways
            ? { xMm: sheetWidthMm - on.xMm, yMm: on.yMm }
            : { xMm: on.xMm, yMm: sheetHeightMm - on.yMm };
          const [red, green] = at(0, on.xMm, on.yMm);
          const [red2, green2] = at(1, behind.xMm, behind.yMm);
          const [wide, high, right, down] = lies ? [h, w, v, 1 - u] : [w, h, u, v];
          // The page fills the part and its bleed, whichever side of it is longer, about its middle.
          const bleed = job.size.bleedMm;
          const scale = Math.max((wide + 2 * bleed) / PAGE.widthMm, (high + 2 * bleed) / PAGE.heightMm);
          const share = (of: number, long: number, page: number): number =>
            255 * (0.5 + ((of - 0.5) * long) / (page * scale));
          const what = `${format} ${mechanism} ${flipEdge} ${u}/${v}`;
          expect(red, what).to.be.closeTo(share(right, wide, PAGE.widthMm), 3);
          expect(green, what).to.be.closeTo(share(down, high, PAGE.heightMm), 3);
          // Who walks round it sees what was right on the left, and what was up still up.
          expect(red2, `${what}, behind`).to.be.closeTo(share(1 - right, wide, PAGE.widthMm), 3);
          expect(green2, `${what}, behind`).to.be.closeTo(share(down, high, PAGE.heightMm), 3);
        }
      const steps = plan.make.steps.filter(({ id }) => id.startsWith('print-layer-p-1'));
      expect(steps.map(({ title }) => title.replace(/.*: /, ''))).to.deep.equal(['front', 'back']);
      expect(steps[1]!.detail).to.include(`Turn the stack over on its ${flipEdge} edge`);
    }
  });

  it('show the part of the page that was chosen, straight and turned, out to the bleed and no farther', async () => {
    const fonts = await loadFonts();
    const picture = await readPicture('page.png', await tellingPage());
    const check = async (wide: number, high: number, choose: (parts: readonly PagePart[]) => PagePart) => {
      const start = changeJob(newJob('Panels', workshop), [
        decide((job) => job.size.format, 'flat'),
        decide((job) => job.size.finishedWidthMm, wide),
        decide((job) => job.size.finishedHeightMm, high),
        decide((job) => job.brief.wanted, 3),
        decide((job) => job.sheet.spares, 0),
        decide((job) => job.pictures, { page: picture.ref }),
      ]);
      const [inset, bleed] = [4, start.size.bleedMm];
      const panel = { widthMm: wide - 2 * inset + 2 * bleed, heightMm: high - 2 * inset + 2 * bleed };
      const part = choose(partsOfPage(PAGE, panel));
      const job = changeJob(start, [
        decide(
          (job) => job.size.layers,
          [
            {
              ...{ id: 'mat1', kind: 'mat', faces: ['front'], revealMm: inset, stockIds: [start.stock.stockId] },
              picture: { pictureId: 'page', fade: 0, grey: false, ...part.placement },
            },
          ],
        ),
      ]);
      const plan = await planOf(job);
      const [layer] = plan.sheet.layers;
      const bytes = { mime: picture.ref.mime, bytes: picture.bytes };
      const [file] = await exportFiles('panels', 'pdf', {
        ...{ job, plan, workshop, fonts, date: null },
        pictures: new Map([['page', bytes]]),
      });
      const path = join(folder, 'panels.pdf');
      writeFileSync(path, file!.bytes);
      execFileSync('pdftoppm', ['-r', '254', '-png', path, join(folder, 'page')]);
      const name = execFileSync('sh', ['-c', `ls ${join(folder, 'page')}-*.png | sort | head -1`], {
        encoding: 'utf8',
      });
      const { data, info } = await sharp(name.trim()).removeAlpha().raw().toBuffer({ resolveWithObject: true });
      const at = (xMm: number, yMm: number): readonly number[] => {
        const i = 3 * (Math.floor(yMm * 10) * info.width + Math.floor(xMm * 10));
        return [data[i]!, data[i + 1]!, data[i + 2]!];
      };
      for (const { trim, turned } of layer!.laid) {
        // A point of the panel, bleed and all, as shares of its width and height from its own top left.
        for (const [u, v] of [
          [0.01, 0.01],
          [0.99, 0.01],
          [0.5, 0.5],
          [0.01, 0.99],
          [0.99, 0.99],
        ] as const) {
          const [x, y] = [u * panel.widthMm - bleed, v * panel.heightMm - bleed];
          const on = turned
            ? { xMm: trim.xMm + trim.widthMm - y, yMm: trim.yMm + x }
            : { xMm: trim.xMm + x, yMm: trim.yMm + y };
          // Where on the page that is: a part that is turned was turned clockwise to be upright on the panel.
          const shares = part.turned ? { across: v, down: 1 - u } : { across: u, down: v };
          const wanted = [
            ((part.onPage.xMm + shares.across * part.onPage.widthMm) / PAGE.widthMm) * 255,
            ((part.onPage.yMm + shares.down * part.onPage.heightMm) / PAGE.heightMm) * 255,
            128,
          ];
          at(on.xMm, on.yMm).forEach((value, k) => expect(value, `${u} ${v} ${turned}`).to.be.closeTo(wanted[k]!, 3));
        }
        // The topmost have no neighbour above them.
        if (trim.yMm > Math.min(...layer!.laid.map((l) => l.trim.yMm)) + 1e-6) continue;
        const inside = at(trim.xMm + trim.widthMm / 2, trim.yMm - bleed + 0.2);
        const beside = at(trim.xMm + trim.widthMm / 2, trim.yMm - bleed - 0.2);
        expect(inside[2], 'art up to the bleed').to.be.closeTo(128, 3);
        expect(Math.min(...beside), 'white just past it').to.be.above(250);
      }
      return layer!;
    };
    const straight = await check(90, 120, (parts) => parts.at(-1)!);
    expect(straight.laid.length).to.be.above(1);
    const turned = await check(98, 208, (parts) => {
      const found = parts.findLast((part) => part.turned);
      expect(found).to.not.equal(undefined);
      return found!;
    });
    expect(turned.laid.length).to.be.above(0);
  });

  it('of a foil are black toner where the picture is darker than half, and nothing anywhere else', async () => {
    const fonts = await loadFonts();
    // From black on the left to white on the right, its lower half seen through.
    const [width, height] = [500, 500];
    const raw = Buffer.alloc(4 * width * height);
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1)
        raw.set(
          [...Array<number>(3).fill(Math.round((x / (width - 1)) * 255)), y < height / 2 ? 255 : 0],
          4 * (y * width + x),
        );
    const ramp = await readPicture(
      'ramp.png',
      await sharp(raw, { raw: { width, height, channels: 4 } })
        .png()
        .toBuffer(),
    );
    // A dark disc with a light one on it: what lies over the dark decides.
    const drawn = await readPicture(
      'discs.svg',
      Buffer.from(
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 40"><circle cx="20" cy="20" r="15" fill="#7b2869"/><circle cx="20" cy="20" r="6" fill="#f2e6c8"/></svg>',
      ),
    );
    const start = changeJob(newJob('Foil', workshop), [
      decide((job) => job.size.format, 'flat'),
      decide((job) => job.size.finishedWidthMm, 100),
      decide((job) => job.size.finishedHeightMm, 100),
      decide((job) => job.brief.wanted, 1),
      decide((job) => job.sheet.spares, 0),
      decide((job) => job.sheet.marks, false),
      decide((job) => job.pictures, { ramp: ramp.ref, drawn: drawn.ref }),
    ]);
    for (const pictureId of ['ramp', 'drawn']) {
      const placement = { pictureId, zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0.5, grey: false };
      const mat = { id: 'mat1', kind: 'mat' as const, faces: ['front'], revealMm: 10, stockIds: [start.stock.stockId] };
      const job = changeJob(start, [
        decide(
          (job) => job.size.layers,
          [{ ...mat, picture: placement, foil: { name: 'Gold foil', colour: '#c79a2e' } }],
        ),
      ]);
      const plan = await planOf(job);
      expect(plan.sheet.layers[0]!.print!.printer.ink).to.equal('laser');
      const pictures = new Map(
        [['ramp', ramp] as const, ['drawn', drawn] as const].map(([id, { ref, bytes }]) => [
          id,
          { mime: ref.mime, bytes },
        ]),
      );
      const [file, ...others] = await exportFiles('panels', 'pdf', {
        ...{ job, plan, workshop, fonts, pictures, date: null },
      });
      expect(others).to.deep.equal([]);
      expect(file!.name).to.match(/-panels-1-foil\.pdf$/);
      const path = join(folder, `${pictureId}.pdf`);
      writeFileSync(path, file!.bytes);
      const { trim } = plan.sheet.layers[0]!.laid[0]!;
      execFileSync('pdftoppm', ['-r', '254', '-png', '-singlefile', path, join(folder, pictureId)]);
      const { data, info } = await sharp(join(folder, `${pictureId}.png`))
        .removeAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true });
      const at = (u: number, v: number): number => {
        const bleed = job.size.bleedMm;
        const side = trim.widthMm + 2 * bleed;
        const [x, y] = [trim.xMm - bleed + u * side, trim.yMm - bleed + v * side];
        const i = 3 * (Math.floor(y * 10) * info.width + Math.floor(x * 10));
        expect(new Set([data[i], data[i + 1], data[i + 2]]).size, 'no colour').to.equal(1);
        return data[i]!;
      };
      if (pictureId === 'ramp') {
        for (const u of [0.02, 0.2, 0.4, 0.46]) expect(at(u, 0.25), `dark ${u}`).to.be.at.most(1);
        for (const u of [0.54, 0.6, 0.98]) expect(at(u, 0.25), `light ${u}`).to.equal(255);
        for (const u of [0.02, 0.4]) expect(at(u, 0.75), `clear ${u}`).to.equal(255);
      } else {
        // Radii 15 and 6 of 40.
        for (const u of [0.16, 0.3, 0.7, 0.84]) expect(at(u, 0.5), `disc ${u}`).to.be.at.most(1);
        for (const u of [0.03, 0.4, 0.5, 0.6, 0.97]) expect(at(u, 0.5), `light ${u}`).to.equal(255);
      }
      // Laid in black alone, not mixed of colours.
      const images = execFileSync('pdfimages', ['-list', path], { encoding: 'utf8' });
      expect(images).to.match(/gray/);
      expect(images).to.not.match(/rgb|cmyk|icc/);
    }
  });

  it('are refused with what to do when nothing is printed on any layer', async () => {
    const fonts = await loadFonts();
    const job = newJob('Bare', workshop);
    const input = { job, plan: await planOf(job), workshop, fonts, pictures: new Map(), date: null };
    let refused: unknown;
    await exportFiles('panels', 'pdf', input).catch((why: unknown) => (refused = why));
    expect(refused).to.be.instanceOf(ExportRefused);
    expect((refused as Error).message).to.include('Panels from a page');
  });
});
