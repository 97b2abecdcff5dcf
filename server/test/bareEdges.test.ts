import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { changeJob, decide, MM_PER_INCH, newJob, type Job } from '@zippy/core';
import { drawnPage } from './drawnPage.ts';
import { exportFiles, loadFonts, type ExportFormat, type ExportWhat } from '../src/exports/index.ts';
import { planOf, workshop } from './support.ts';

const PPI = 254;
const PX_PER_MM = PPI / MM_PER_INCH;

/** A tent of 100 × 70 whose art stops 6 mm short of the open card’s edges, and runs over its fold. */
const job: Job = changeJob(newJob('Bare', workshop), [
  decide((job) => job.size.format, 'tentFold'),
  decide((job) => job.size.finishedWidthMm, 100),
  decide((job) => job.size.finishedHeightMm, 70),
  decide((job) => job.size.bareEdgeMm, 6),
  decide((job) => job.art.faces.at('front'), { background: '#204060', picture: null, texts: [] }),
]);

describe('a bare edge, as other programs read it', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-bare-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  const write = async (
    what: ExportWhat,
    format: ExportFormat,
    pixels?: { widthPx: number; heightPx: number; dpi: number },
  ) => {
    const plan = await planOf(job, workshop);
    const input = { job, plan, workshop, fonts: await loadFonts(), date: null, pictures: new Map() };
    return (await exportFiles(what, format, pixels ? { ...input, pixels } : input))[0]!.bytes;
  };
  const kept = (bytes: Buffer): string => {
    const path = join(folder, 'file.pdf');
    writeFileSync(path, bytes);
    return path;
  };
  /** The box of all that is not white, mm from the top left. */
  async function inked(png: Buffer, pxPerMm: number): Promise<readonly number[]> {
    const { data, info } = await sharp(png)
      .flatten({ background: '#ffffff' })
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
    let [left, top, right, bottom] = [Infinity, Infinity, 0, 0];
    for (let y = 0; y < info.height; y += 1)
      for (let x = 0; x < info.width; x += 1)
        if (data[(y * info.width + x) * info.channels]! < 128)
          [left, top, right, bottom] = [
            Math.min(left, x),
            Math.min(top, y),
            Math.max(right, x + 1),
            Math.max(bottom, y + 1),
          ];
    return [left, top, right, bottom].map((px) => px / pxPerMm);
  }
  const near = (found: readonly number[], wanted: readonly number[]): void =>
    wanted.forEach((mm, i) => expect(found[i], `edge ${i}`).to.be.closeTo(mm, 0.11));

  it('keeps a face’s page as large as its trim, with the art within', async () => {
    const pdf = kept(await write('face', 'pdf'));
    const said = execFileSync('pdfinfo', ['-box', pdf], { encoding: 'utf8' });
    for (const box of ['MediaBox', 'BleedBox', 'TrimBox']) {
      const [x0, y0, x1, y1] = new RegExp(`${box}:\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)`)
        .exec(said)!
        .slice(1)
        .map(Number);
      expect(((x1! - x0!) / 72) * MM_PER_INCH, box).to.be.closeTo(100, 0.01);
      expect(((y1! - y0!) / 72) * MM_PER_INCH, box).to.be.closeTo(70, 0.01);
    }
    // The front’s fold is at its head, where art runs on.
    near(await inked(drawnPage(pdf, { ppi: PPI }), PX_PER_MM), [6, 0, 94, 64]);
  });

  it('is bare in exact pixels too, with art out to the picture’s edge at the fold alone', async () => {
    const png = await write('face', 'png', { widthPx: 1060, heightPx: 760, dpi: PPI });
    // 106 × 76 mm: 3 mm more than the face on every side.
    near(await inked(png, PX_PER_MM), [9, 0, 97, 67]);
  });
});
