import { expect } from 'chai';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { grow, mapBox, pageMap, evenSides } from '@zippy/core';
import { drawnPage } from './drawnPage.ts';
import { exportFiles } from '../src/exports/index.ts';
import { pixelsOf, shareApart } from './pixels.ts';
import { demo, demoInput } from './support.ts';

const FILES = (JSON.parse(readFileSync(new URL('demo.json', demo), 'utf8')) as { jobs: { file: string }[] }).jobs.map(
  ({ file }) => file,
);
const PPI = 100;
const PX_PER_MM = PPI / 25.4;

/** Every sheet of the demo as poppler draws its PDF, and as the writer of the screen draws it. */
describe('sheets of the demo', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-demo-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  for (const file of FILES)
    it(`${file}: the PDF is what is seen, and only marks lie beside its bleeds`, async () => {
      const made = await demoInput(file);
      const { sheet, size } = made.plan;
      if (sheet.up === 0) return;
      const [pdf] = await exportFiles('sheets', 'pdf', made);
      const path = join(folder, 'sheets.pdf');
      writeFileSync(path, pdf!.bytes);
      const drawn = await exportFiles('sheets', 'png', made);
      for (const [i, side] of sheet.sides.entries()) {
        const number = made.plan.sheet.bothSidesAtOnce ? i + 1 : i * sheet.sheets + 1;
        const png = drawnPage(path, { ppi: 2 * PPI, page: number });
        const whole = await sharp(png).metadata();
        // Drawn at twice the size and brought down alike, so that only real differences are left.
        const [width, height] = [Math.round(whole.width / 2), Math.round(whole.height / 2)];
        const [fromPdf, seen] = [
          await pixelsOf(png, { width, height }),
          await pixelsOf(drawn[i]!.bytes, { width, height }),
        ];
        expect(shareApart(fromPdf, seen), `${side} differs`).to.be.below(0.002);
        const at = (xMm: number, yMm: number): number => {
          const p = (Math.round(yMm * PX_PER_MM) * width + Math.round(xMm * PX_PER_MM)) * 3;
          return Math.min(...[0, 1, 2].map((c) => fromPdf.data[p + c]!));
        };
        const bleeds = sheet.cells.map(({ trim }) => mapBox(pageMap(sheet, side), grow(trim, evenSides(size.bleedMm))));
        const inside = (x: number, y: number): boolean =>
          bleeds.some(
            (b) => x > b.xMm - 0.6 && x < b.xMm + b.widthMm + 0.6 && y > b.yMm - 0.6 && y < b.yMm + b.heightMm + 0.6,
          );
        // Beside the bleeds there is paper, but for ticks of a hair and one line of small print.
        let [inked, beside] = [0, 0];
        for (let y = 1; y < sheet.sheetHeightMm - 1; y += 0.5)
          for (let x = 1; x < sheet.sheetWidthMm - 1; x += 0.5)
            if (!inside(x, y)) {
              beside += 1;
              if (at(x, y) < 200) inked += 1;
            }
        expect(inked / Math.max(1, beside), `${side} has ink beside its bleeds`).to.be.below(0.04);
      }
    });
});
