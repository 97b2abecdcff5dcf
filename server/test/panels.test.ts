import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { decide, changeJob, newJob, partsOfPage, type PagePart } from '@zippy/core';
import { exportFiles, ExportRefused, loadFonts, readPicture } from '../src/exports/index.ts';
import { planOf, workshop } from './support.ts';

const PAGE = { widthMm: 210, heightMm: 297 };
const PX_PER_MM = 8;

/** A page whose colour tells where on it one is: red grows to the right, green downwards. */
async function tellingPage(): Promise<Buffer> {
  const [width, height] = [PAGE.widthMm * PX_PER_MM, PAGE.heightMm * PX_PER_MM];
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
