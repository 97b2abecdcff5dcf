import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { gaugePdf } from '../src/exports/gauge.ts';
import { loadFonts } from '../src/exports/fonts.ts';
import { drawnPage } from './drawnPage.ts';

/** 20 dots to the millimetre. */
const PPI = 508;
const PX_PER_MM = 20;

describe('strips and gauge, as another program draws them', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-gauge-'));
  after(() => rmSync(folder, { recursive: true, force: true }));
  let dark: (xMm: number, yMm: number) => boolean;
  let pdf: string;

  before(async () => {
    const sheet = { widthMm: 210, heightMm: 297, grain: 'long', marginMm: 8, about: 'Shell White 300, A4' } as const;
    pdf = join(folder, 'gauge.pdf');
    writeFileSync(pdf, await gaugePdf(sheet, await loadFonts()));
    const { data, info } = await sharp(drawnPage(pdf, { ppi: PPI, grey: true }), { limitInputPixels: false })
      .raw()
      .toBuffer({ resolveWithObject: true });
    dark = (xMm, yMm) =>
      data[(Math.round(yMm * PX_PER_MM) * info.width + Math.round(xMm * PX_PER_MM)) * info.channels]! < 140;
  });

  /** Middles of what is dark along a line, mm. */
  function crossed(from: number, to: number, at: (mm: number) => boolean): readonly number[] {
    const middles: number[] = [];
    let began: number | null = null;
    for (let px = Math.round(from * PX_PER_MM); px <= to * PX_PER_MM; px += 1) {
      const mm = px / PX_PER_MM;
      if (at(mm)) began ??= mm;
      else if (began !== null) {
        middles.push((began + mm - 1 / PX_PER_MM) / 2);
        began = null;
      }
    }
    return middles;
  }

  it('have a tick at every millimetre of every strip, from the end that hangs out', () => {
    // 8 mm off each edge: two strips of 20, 5 apart, lie along the foot, two stand along the right side.
    for (const top of [297 - 8 - 45, 297 - 8 - 20]) {
      const ticks = crossed(8.5, 201.5, (x) => dark(x, top + 1.2));
      expect(ticks).to.have.length(193);
      ticks.forEach((x, i) => expect(x, `tick ${i + 1}`).to.be.closeTo(8 + i + 1, 0.06));
    }
    const foot = 297 - 8 - 45 - 5;
    for (const left of [210 - 8 - 45, 210 - 8 - 20]) {
      const ticks = crossed(9, foot - 0.5, (y) => dark(left + 1.2, y)).toReversed();
      ticks.forEach((y, i) => expect(y, `tick ${i + 1}`).to.be.closeTo(foot - (i + 1), 0.06));
      expect(ticks).to.have.length(foot - 8 - 1);
    }
  });

  it('have their lines at 41.5°, 16.2° and 7.1° under the table’s edge', () => {
    const foot = 297 - 8 - 45 - 5;
    // 60 mm out from the corner, which is at the foot on the left; out is up the sheet.
    const down = crossed(8.5, 87, (x) => dark(x, foot - 60)).map((x) => x - 8);
    const lines = [7.1, 16.22, 41.49].map((deg) => 60 * Math.tan((deg * Math.PI) / 180));
    for (const wanted of lines) expect(Math.min(...down.map((x) => Math.abs(x - wanted)))).to.be.at.most(0.06);
  });

  it('say which way their fibres run and that they want printing at their own size', () => {
    const said = execFileSync('pdftotext', [pdf, '-'], { encoding: 'utf8' });
    expect(said.match(/fibres along/g)).to.have.length(2);
    expect(said.match(/fibres across/g)).to.have.length(2);
    expect(said).to.contain('Print at 100 %, no fit');
  });
});
