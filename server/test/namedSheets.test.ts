import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { decide, cardAt, changeJob, newJob, type Job } from '@zippy/core';
import { exportFiles, loadFonts, readPicture, type ExportInput } from '../src/exports/index.ts';
import { planOf, workshop } from './support.ts';

/** A thousand people nobody has met: two syllables and a number, so that each is told from each. */
const guest = (i: number): string =>
  `Guest ${['Ebb', 'Flow', 'Spring', 'Neap'][i % 4]} ${String(i + 1).padStart(4, '0')}`;

describe('sheets with names', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-names-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  async function input(cards: number): Promise<ExportInput> {
    const photo = await sharp({
      create: {
        width: 1500,
        height: 2100,
        channels: 3,
        background: '#2a5d68',
        noise: { type: 'gaussian', mean: 120, sigma: 30 },
      },
    })
      .jpeg({ quality: 85 })
      .toBuffer();
    const picture = await readPicture('photo.jpg', photo);
    const text = {
      id: 'n',
      text: '{name}',
      typefaceId: 'eb-garamond-400',
      sizePt: 14,
      align: 'centre' as const,
      lineSpacing: 1.2,
      colour: '#ffffff',
      leftMm: 4,
      topMm: 20,
      widthMm: 84,
      fit: 'shrink' as const,
    };
    const job: Job = changeJob(newJob('Names', workshop), [
      decide((job) => job.size.format, 'flat'),
      decide((job) => job.size.finishedWidthMm, 92),
      decide((job) => job.size.finishedHeightMm, 134),
      decide((job) => job.sheet.spares, 0),
      decide((job) => job.brief.wanted, cards),
      decide((job) => job.pictures, { photo: picture.ref }),
      decide((job) => job.names, { columns: ['name'], rows: Array.from({ length: cards }, (_, i) => [guest(i)]) }),
      decide((job) => job.art.faces.at('front'), {
        background: null,
        picture: { pictureId: 'photo', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false },
        texts: [text],
      }),
      decide((job) => job.art.faces.at('back'), {
        background: null,
        picture: null,
        texts: [{ ...text, colour: '#1d2930', text: 'for {name}' }],
      }),
    ]);
    return {
      job,
      plan: await planOf(job),
      workshop,
      fonts: await loadFonts(),
      pictures: new Map([['photo', { mime: picture.ref.mime, bytes: picture.bytes }]]),
      date: null,
    };
  }

  it('puts every guest on a card once, in the order of the piles, front and back of one card alike', async () => {
    const made = await input(37);
    const { sheets, up } = made.plan.sheet;
    const [file] = await exportFiles('sheets', 'pdf', made);
    const path = join(folder, 'names.pdf');
    writeFileSync(path, file!.bytes);
    const pages = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' }).split('\f').slice(0, -1);
    expect(pages).to.have.length(2 * sheets);
    const on = (page: string): readonly string[] => [...page.matchAll(/Guest \w+ \d{4}/g)].map((m) => m[0]).sort();
    for (let sheet = 1; sheet <= sheets; sheet += 1) {
      const wanted = Array.from({ length: up }, (_, place) => cardAt(place, sheet, sheets))
        .filter((card) => card < 37)
        .map(guest)
        .sort();
      expect(on(pages[sheet - 1]!), `front of sheet ${sheet}`).to.deep.equal(wanted);
      expect(on(pages[sheets + sheet - 1]!), `back of sheet ${sheet}`).to.deep.equal(wanted);
    }
    // A card’s back lies behind its front: turned over sideways, what is on the left is on the right.
    const first = guest(0);
    const at = (number: number): number => {
      const boxes = execFileSync('pdftotext', ['-bbox', '-f', String(number), '-l', String(number), path, '-'], {
        encoding: 'utf8',
      });
      const word = new RegExp(`xMin="([\\d.]+)"[^>]*xMax="([\\d.]+)"[^>]*>${first.split(' ')[2]}<`).exec(boxes)!;
      return (Number(word[1]) + Number(word[2])) / 2;
    };
    const width = (made.plan.sheet.sheetWidthMm * 72) / 25.4;
    expect(Math.abs(at(1) + at(sheets + 1) - width)).to.be.below(80);
  });

  it('stores one picture and each font once for a thousand names on both sides', async () => {
    const made = await input(1000);
    expect(made.plan.sheet.up).to.equal(4);
    const [file] = await exportFiles('sheets', 'pdf', made);
    const path = join(folder, 'thousand.pdf');
    writeFileSync(path, file!.bytes);
    const images = execFileSync('pdfimages', ['-list', path], { encoding: 'utf8' }).trim().split('\n').slice(2);
    // The list has a line for every use; the object behind them is one.
    expect(new Set(images.map((line) => line.trim().split(/\s+/).slice(10, 12).join(' '))).size).to.equal(1);
    const fonts = execFileSync('pdffonts', [path], { encoding: 'utf8' }).trim().split('\n').slice(2);
    expect(fonts.filter((line) => /Garamond/.test(line))).to.have.length(1);
    expect(fonts.every((line) => /\syes yes\s/.test(line))).to.equal(true);
    const info = execFileSync('pdfinfo', [path], { encoding: 'utf8' });
    expect(info).to.match(/Pages:\s+500/);
    const last = execFileSync('pdftotext', ['-f', '250', '-l', '250', path, '-'], { encoding: 'utf8' });
    for (const place of [0, 1, 2, 3]) expect(last).to.include(guest(cardAt(place, 250, 250)));
  });
});
