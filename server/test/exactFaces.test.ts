import { expect } from 'chai';
import fc from 'fast-check';
import sharp from 'sharp';
import { decide, changeJob, newJob, type PixelQuestion } from '@zippy/core';
import { exportFiles, ExportRefused, loadFonts, type ExportFile } from '../src/exports/index.ts';
import { planOf, workshop } from './support.ts';

describe('faces in exact pixels', () => {
  const job = changeJob(newJob('Print house', workshop), [
    decide((job) => job.size.format, 'sideFold'),
    decide((job) => job.size.finishedWidthMm, 40),
    decide((job) => job.size.finishedHeightMm, 60),
    decide((job) => job.art.faces.at('front'), { background: '#1d5a68', picture: null, texts: [] }),
  ]);
  const write = async (pixels: PixelQuestion, faceId = 'front'): Promise<ExportFile> => {
    const [file] = await exportFiles('face', 'png', {
      job,
      workshop,
      plan: await planOf(job),
      fonts: await loadFonts(),
      pictures: new Map(),
      date: null,
      pixels,
      faceId,
    });
    return file!;
  };

  it('are exactly as wide and as high as asked, coloured to the last dot, whatever is asked', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 0, max: 250 }),
        fc.integer({ min: 0, max: 250 }),
        fc.constantFrom(72, 150, 299, 300),
        async (wider, taller, dpi) => {
          const widthPx = Math.ceil((40 / 25.4) * dpi) + Math.min(wider, Math.floor(dpi * 1.5));
          const heightPx = Math.ceil((60 / 25.4) * dpi) + Math.min(taller, Math.floor(dpi * 1.5));
          const { bytes } = await write({ widthPx, heightPx, dpi });
          const image = sharp(bytes);
          const meta = await image.metadata();
          expect([meta.width, meta.height, meta.density]).to.deep.equal([widthPx, heightPx, dpi]);
          const { data, info } = await image.raw().toBuffer({ resolveWithObject: true });
          for (const [x, y] of [
            [0, 0],
            [widthPx - 1, 0],
            [0, heightPx - 1],
            [widthPx - 1, heightPx - 1],
          ] as const) {
            const at = (y * info.width + x) * info.channels;
            // #1d5a68, within what rounding a colour at a picture’s very edge may do.
            expect(data[at]!).to.be.closeTo(0x1d, 4);
            expect(data[at + 1]!).to.be.closeTo(0x5a, 4);
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  it('say in their names whether there is bleed, and how much', async () => {
    const bled = await write({ widthPx: 543, heightPx: 780, dpi: 300 });
    // (543 ÷ 300 × 25.4 − 40) ÷ 2 = 2.99 and (780 ÷ 300 × 25.4 − 60) ÷ 2 = 3.02.
    expect(bled.name).to.equal('print-house-front-543x780px-with-bleed-3.0x3.0mm.png');
    const bare = await write({ widthPx: 472, heightPx: 709, dpi: 300 });
    expect(bare.name).to.equal('print-house-front-472x709px-WITHOUT-bleed.png');
  });

  it('are refused when they cannot hold the face, or when there is no such face', async () => {
    const refused = async (work: Promise<unknown>): Promise<string> => {
      try {
        await work;
      } catch (problem) {
        if (problem instanceof ExportRefused) return problem.message;
        throw problem;
      }
      throw new Error('it was not refused');
    };
    expect(await refused(write({ widthPx: 400, heightPx: 780, dpi: 300 }))).to.match(/^Front: 400 pixels at 300 dpi/);
    expect(await refused(write({ widthPx: 543, heightPx: 780, dpi: 300 }, 'lid'))).to.match(/^face names “lid”/);
  });
});
