import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import {
  decide,
  changeJob,
  newJob,
  ORNAMENTS,
  TYPEFACES,
  type ArtObject,
  type FaceArt,
  type Job,
  type JobChange,
  type TextBlock,
} from '@zippy/core';
import { drawnPage } from './drawnPage.ts';
import { exportFiles, loadFonts, readPicture, type ExportInput, type PictureBytes } from '../src/exports/index.ts';
import { planOf, workshop } from './support.ts';

/** Art of every kind, in every file, read again by poppler, a rasteriser and a code reader. */
describe('rich art in files', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-rich-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  const text = (id: string, words: string, part: Partial<TextBlock> = {}): TextBlock => ({
    id,
    text: words,
    typefaceId: 'eb-garamond-400',
    sizePt: 14,
    align: 'centre',
    lineSpacing: 1.2,
    colour: '#1d2930',
    leftMm: 8,
    topMm: 8,
    widthMm: 84,
    ...part,
  });
  const ornament = (i: number): ArtObject => ({
    kind: 'ornament',
    id: `o${i}`,
    ornament: ORNAMENTS[i]!.id,
    colour: '#7b2869',
    leftMm: 5 + 10 * i,
    topMm: 52,
    widthMm: 9,
    heightMm: 9,
  });

  async function input(front: Partial<FaceArt>, ...changes: readonly JobChange[]): Promise<ExportInput> {
    const photo = await sharp({
      create: { width: 900, height: 600, channels: 3, background: '#c07040' },
    })
      .composite([
        { input: { create: { width: 300, height: 600, channels: 3, background: '#204060' } }, left: 0, top: 0 },
      ])
      .png()
      .toBuffer();
    const tile = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><rect width="40" height="40" fill="#f4e2b8"/><circle cx="12" cy="12" r="8" fill="#a86400"/></svg>',
    );
    const stored = { photo: await readPicture('photo.png', photo), tile: await readPicture('tile.svg', tile) };
    const pictures = new Map<string, PictureBytes>(
      Object.entries(stored).map(([id, { ref, bytes }]) => [id, { mime: ref.mime, bytes }]),
    );
    const job: Job = changeJob(newJob('Rich', workshop), [
      decide((job) => job.size.format, 'flat'),
      decide((job) => job.size.finishedWidthMm, 100),
      decide((job) => job.size.finishedHeightMm, 70),
      decide((job) => job.pictures, { photo: stored.photo.ref, tile: stored.tile.ref }),
      decide((job) => job.art.faces.at('front'), { background: null, picture: null, texts: [], ...front }),
      ...changes,
    ]);
    return { job, plan: await planOf(job), workshop, fonts: await loadFonts(), pictures, date: null };
  }

  /** The same face from poppler and from our PNG, in pixels of one size. */
  async function bothWays(made: ExportInput): Promise<readonly { readonly data: Buffer; readonly width: number }[]> {
    const [png] = await exportFiles('face', 'png', made);
    const [pdf] = await exportFiles('face', 'pdf', made);
    const path = join(folder, 'face.pdf');
    writeFileSync(path, pdf!.bytes);
    const drawn = drawnPage(path, { ppi: 300 });
    const { width, height } = await sharp(drawn).metadata();
    return Promise.all(
      [drawn, png!.bytes].map(async (bytes) => ({
        width: width,
        data: await sharp(bytes)
          .flatten({ background: '#ffffff' })
          .resize(width, height, { fit: 'fill' })
          .removeAlpha()
          // Two rasterisers may part on half a dot; beyond that they must agree.
          .blur(1)
          .raw()
          .toBuffer(),
      })),
    );
  }

  /** Share of pixels that differ by more than antialiasing does. */
  async function apart(made: ExportInput): Promise<number> {
    const [a, b] = await bothWays(made);
    let far = 0;
    for (let i = 0; i < a!.data.length; i += 3)
      if (Math.max(...[0, 1, 2].map((c) => Math.abs(a!.data[i + c]! - b!.data[i + c]!))) > 70) far += 1;
    return far / (a!.data.length / 3);
  }

  const photo = { pictureId: 'photo', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false };
  const CASES: Readonly<Record<string, Partial<FaceArt>>> = {
    'a gradient under a border': {
      gradient: { from: '#f4c9a0', to: '#2a5d68', angleDeg: 30 },
      border: { widthMm: 3, insetMm: 4, colour: '#7b2869' },
    },
    'a pattern, plain and as bricks': { pattern: { pictureId: 'tile', tileMm: 11, brick: true, fade: 0.2 } },
    'a tinted photograph': { picture: { ...photo, tint: '#7b2869' } },
    'a photograph turned and framed': {
      objects: [
        {
          kind: 'picture',
          id: 'p',
          leftMm: 10,
          topMm: 6,
          widthMm: 40,
          heightMm: 58,
          picture: { ...photo, quarterTurns: 1, zoom: 1.3 },
        },
      ],
    },
    'ornaments, a rule and a code': {
      objects: [
        ...ORNAMENTS.map((_, i) => ornament(i)),
        { kind: 'rule', id: 'r', colour: '#0b7f86', weightPt: 2, leftMm: 6, topMm: 44, widthMm: 88, heightMm: 4 },
        {
          kind: 'code',
          id: 'c',
          leftMm: 36,
          topMm: 6,
          widthMm: 30,
          heightMm: 30,
          colour: '#000000',
          ground: '#ffffff',
          content: { kind: 'text', text: 'ebb and flow' },
        },
      ],
    },
    'words on an arc, spaced, in small capitals, with fractions and letters from the companion': {
      texts: [
        text('a', 'Lantern Regatta', { arcMm: 60, sizePt: 20, typefaceId: 'playfair-display-400' }),
        text('b', 'The Net Loft', { smallCaps: true, letterSpacingEm: 0.12, topMm: 30 }),
        text('c', 'Łódź, 5 3/8 in, Čeněk & Őry', { fractions: true, topMm: 40 }),
        text('d', 'with\nWren', { topMm: 50, emphasis: { lines: [1], scale: 1.8, typefaceId: 'great-vibes-400' } }),
      ],
    },
  };
  for (const [name, front] of Object.entries(CASES))
    it(`is the same in the PDF and in the PNG: ${name}`, async () => {
      const made = await input(front);
      expect(await apart(made)).to.be.below(0.004);
      // And it is there: the same comparison with a bare face fails.
      const [drawn] = await bothWays(made);
      const bare = drawn!.data.filter((v) => v < 250).length;
      expect(bare).to.be.greaterThan(1000);
    });

  it('sets a line of every typeface as wide in the PDF as in the core, within 0.05 mm', async () => {
    const blocks = TYPEFACES.map(({ id }, i) =>
      text(`t${i}`, 'Wharf office 1/2 Łodz', {
        typefaceId: id,
        sizePt: 9,
        align: 'left',
        topMm: 2 + i * 7,
        widthMm: 180,
      }),
    );
    const made = await input(
      { texts: blocks },
      decide((job) => job.size.finishedWidthMm, 190),
      decide((job) => job.size.finishedHeightMm, 190),
    );
    const [pdf] = await exportFiles('face', 'pdf', made);
    const path = join(folder, 'faces.pdf');
    writeFileSync(path, pdf!.bytes);
    // Poppler draws at a fine grid; the ink of every line must end where the core’s ink does.
    const ppi = 600;
    const { data, info } = await sharp(drawnPage(path, { ppi, grey: true }))
      .raw()
      .toBuffer({ resolveWithObject: true });
    const px = (mm: number): number => ((mm + 3) / 25.4) * ppi;
    for (const set of made.plan.art.faces[0]!.blocks) {
      const { xMm, yMm, widthMm, heightMm } = set.ink!;
      let [left, right] = [Infinity, -Infinity];
      for (let y = Math.floor(px(yMm)); y <= px(yMm + heightMm); y += 1)
        for (let x = 0; x < info.width; x += 1)
          if (data[(y * info.width + x) * info.channels]! < 225) {
            left = Math.min(left, x);
            right = Math.max(right, x + 1);
          }
      expect(left).to.be.closeTo(px(xMm), (0.05 / 25.4) * ppi + 0.6);
      expect(right).to.be.closeTo(px(xMm + widthMm), (0.05 / 25.4) * ppi + 0.6);
    }
  });

  it('carries codes that a reader reads from the sheet at 300 and at 150 dots to the inch', async () => {
    const code = (
      id: string,
      content: (ArtObject & { kind: 'code' })['content'],
      leftMm: number,
      side: number,
    ): ArtObject => ({
      kind: 'code',
      id,
      leftMm,
      topMm: 14,
      widthMm: side,
      heightMm: side,
      colour: '#1d2930',
      ground: '#ffffff',
      content,
    });
    const made = await input({
      background: '#c9ddd4',
      objects: [
        code('a', { kind: 'link', url: 'https://saltmarsh.example/boats' }, 6, 24),
        code(
          'b',
          {
            kind: 'contact',
            name: 'Tove Wren',
            firm: 'Saltmarsh Lane',
            phone: '01999 000000',
            email: 'tove@saltmarsh.example',
            url: '',
          },
          36,
          40,
        ),
      ],
    });
    const [pdf] = await exportFiles('sheets', 'pdf', made);
    const path = join(folder, 'codes.pdf');
    writeFileSync(path, pdf!.bytes);
    for (const ppi of [300, 150]) {
      const png = join(folder, `codes-${ppi}.png`);
      writeFileSync(
        png,
        execFileSync('pdftoppm', ['-r', String(ppi), '-f', '1', '-l', '1', '-png', path], { maxBuffer: 1e9 }),
      );
      const read = execFileSync('zbarimg', ['--quiet', '--raw', png], { encoding: 'utf8' });
      const count = (words: string): number => read.split(words).length - 1;
      expect(count('https://saltmarsh.example/boats'), `${ppi} dpi`).to.equal(made.plan.sheet.up);
      expect(count('FN:Tove Wren'), `${ppi} dpi`).to.equal(made.plan.sheet.up);
    }
  });
});

describe('a white plate', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-white-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  it('is a spot colour of the page, and changes nothing where plates are not known', async () => {
    // A printer that lays white and colours in one pass.
    const shop = {
      ...workshop,
      printers: workshop.printers.map((p) => ({
        ...p,
        paths: p.paths.map((path) => ({ ...path, white: 'inPass' as const })),
      })),
    };
    const job: Job = changeJob(newJob('Night sail', workshop), [
      decide((job) => job.size.format, 'flat'),
      decide((job) => job.size.finishedWidthMm, 100),
      decide((job) => job.size.finishedHeightMm, 70),
      decide((job) => job.stock, { stockId: 'night-270-a4', printerId: 'skua', pathId: 'tray' }),
      decide((job) => job.sheet.spares, 0),
      decide((job) => job.brief.wanted, 20),
      decide((job) => job.art.faces.at('front'), {
        background: '#1a2b4c',
        picture: null,
        texts: [],
        objects: [
          {
            kind: 'ornament',
            id: 'o',
            ornament: 'star',
            colour: '#f2b01e',
            leftMm: 30,
            topMm: 15,
            widthMm: 40,
            heightMm: 40,
          },
        ],
      }),
    ]);
    const plan = await planOf(job, shop);
    const [file] = await exportFiles('sheets', 'pdf', {
      job,
      plan,
      workshop: shop,
      fonts: await loadFonts(),
      pictures: new Map(),
      date: null,
    });
    const path = join(folder, 'white.pdf');
    writeFileSync(path, file!.bytes);
    const inside = execFileSync('qpdf', ['--qdf', '--object-streams=disable', path, '-'], { maxBuffer: 1e9 }).toString(
      'latin1',
    );
    expect(inside).to.match(/\/Separation\s+\/White\s+\/DeviceRGB/);
    expect(inside).to.match(/\/OP true/);
    expect(inside).to.match(/\/White cs 1 scn/);
    const page = async (n: number): Promise<readonly [number, number, number]> => {
      const png = execFileSync('pdftoppm', ['-r', '72', '-f', String(n), '-l', String(n), '-png', path], {
        maxBuffer: 1e9,
      });
      const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
      // The middle of the first card’s star.
      const { xMm, yMm } = plan.sheet.placements[0]!.trim;
      const turned = plan.sheet.placements[0]!.turned;
      const [cx, cy] = turned ? [xMm + 35, yMm + 50] : [xMm + 50, yMm + 35];
      const i = (Math.round((cy / 25.4) * 72) * info.width + Math.round((cx / 25.4) * 72)) * 3;
      return [data[i]!, data[i + 1]!, data[i + 2]!];
    };
    const [r, g, b] = await page(1);
    expect([r > 230, g > 160 && g < 190, b < 60]).to.deep.equal([true, true, true]);
    expect(execFileSync('pdfinfo', [path], { encoding: 'utf8' })).to.match(
      new RegExp(`Pages:\\s+${plan.sheet.sheets}\n`),
    );
  });
});

describe('a PDF for each side', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-sides-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  it('is the open blank as that side is read: back and front outside, left and right inside, boxes exact', async () => {
    const says = (text: string): FaceArt => ({
      background: null,
      picture: null,
      texts: [
        {
          ...{ id: 't', text, typefaceId: 'lora-400', sizePt: 12, align: 'left', lineSpacing: 1.2, colour: '#000000' },
          ...{ leftMm: 10, topMm: 10, widthMm: 60 },
        },
      ],
    });
    const job: Job = changeJob(newJob('Sides', workshop), [
      decide((job) => job.size.format, 'sideFold'),
      decide((job) => job.size.finishedWidthMm, 90),
      decide((job) => job.size.finishedHeightMm, 120),
      decide((job) => job.art.faces, {
        front: says('FRONTWORD'),
        insideFront: says('LEFTWORD'),
        insideBack: says('RIGHTWORD'),
      }),
    ]);
    const plan = await planOf(job);
    const files = await exportFiles('side', 'pdf', {
      job,
      plan,
      workshop,
      fonts: await loadFonts(),
      pictures: new Map(),
      date: null,
    });
    expect(files.map(({ name }) => name)).to.deep.equal(['sides-outside.pdf', 'sides-inside.pdf']);
    const words = (bytes: Buffer): ReadonlyMap<string, number> => {
      const path = join(folder, 'side.pdf');
      writeFileSync(path, bytes);
      const boxes = execFileSync('pdfinfo', ['-box', path], { encoding: 'utf8' });
      const [, ...trim] = /TrimBox:\s+([\d.]+)\s+([\d.]+)\s+([\d.]+)\s+([\d.]+)/.exec(boxes)!.map(Number);
      // 180 × 120 mm, three in from a page that carries its bleed.
      expect(trim[2]! - trim[0]!).to.be.closeTo((180 * 72) / 25.4, 0.03);
      expect(trim[0]!).to.be.closeTo((3 * 72) / 25.4, 0.03);
      const html = execFileSync('pdftotext', ['-bbox', path, '-'], { encoding: 'utf8' });
      return new Map([...html.matchAll(/xMin="([\d.]+)"[^>]*>(\w+)<\/word>/g)].map((m) => [m[2]!, Number(m[1])]));
    };
    const at = (mm: number): number => ((mm + 3) * 72) / 25.4;
    expect(words(files[0]!.bytes).get('FRONTWORD')).to.be.closeTo(at(90 + 10), 1.5);
    const inside = words(files[1]!.bytes);
    expect(inside.get('LEFTWORD')).to.be.closeTo(at(10), 1.5);
    expect(inside.get('RIGHTWORD')).to.be.closeTo(at(90 + 10), 1.5);
  });
});

describe('faces in press inks', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-press-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  it('have every colour and picture in four inks, mixed by the profile the file carries, and nothing in three', async () => {
    const photo = await readPicture(
      'photo.png',
      await sharp({
        create: { width: 300, height: 200, channels: 4, background: { r: 200, g: 90, b: 40, alpha: 0.5 } },
      })
        .png()
        .toBuffer(),
    );
    const job: Job = changeJob(newJob('Press', workshop), [
      decide((job) => job.size.format, 'flat'),
      decide((job) => job.size.finishedWidthMm, 100),
      decide((job) => job.size.finishedHeightMm, 70),
      decide((job) => job.pictures, { photo: photo.ref }),
      decide((job) => job.art.faces.at('front'), {
        background: '#1d5a68',
        gradient: { from: '#f4cfae', to: '#1d5a68', angleDeg: 0 },
        picture: { pictureId: 'photo', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false, tint: '#7b2869' },
        texts: [],
        objects: [
          {
            kind: 'ornament',
            id: 'o',
            ornament: 'heart',
            colour: '#ff0000',
            leftMm: 30,
            topMm: 15,
            widthMm: 40,
            heightMm: 40,
          },
        ],
      }),
    ]);
    const [file] = await exportFiles('press', 'pdf', {
      job,
      plan: await planOf(job),
      workshop,
      fonts: await loadFonts(),
      pictures: new Map([['photo', { mime: photo.ref.mime, bytes: photo.bytes }]]),
      date: null,
    });
    expect(file!.name).to.equal('press-faces-press-inks.pdf');
    const path = join(folder, 'press.pdf');
    writeFileSync(path, file!.bytes);
    const inside = execFileSync('qpdf', ['--qdf', '--object-streams=disable', path, '-'], { maxBuffer: 1e9 }).toString(
      'latin1',
    );
    expect(inside).to.match(/\/OutputIntents/);
    expect(inside).to.match(/\/ColorSpace \/DeviceCMYK/);
    expect(inside).to.not.match(/^[\d. ]+ rg$/m);
    expect(inside).to.not.match(/\/DeviceRGB/);
    const images = execFileSync('pdfimages', ['-list', path], { encoding: 'utf8' });
    expect(images).to.match(/\bimage\b.*\bcmyk\b/);
    expect(images).to.match(/\bsmask\b/);
    // Pure red has no cyan and is nearly all magenta and yellow, whatever the press.
    const red = [...inside.matchAll(/([\d.]+) ([\d.]+) ([\d.]+) ([\d.]+) k\b/g)]
      .map((m) => m.slice(1, 5).map(Number))
      .find(([c, m]) => c! < 0.1 && m! > 0.7);
    expect(red![2]).to.be.above(0.7);
    execFileSync('qpdf', ['--check', path]);
    expect(execFileSync('pdftoppm', ['-r', '30', '-png', path], { maxBuffer: 1e9 }).length).to.be.above(500);
  });
});
