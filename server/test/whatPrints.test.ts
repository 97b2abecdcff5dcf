import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import {
  decide,
  changeJob,
  newJob,
  planMixed,
  uprightGrain,
  type FaceArt,
  type Job,
  type JobChange,
  type MixedPattern,
  type Plan,
  type Workshop,
} from '@zippy/core';
import {
  exportFiles,
  loadFonts,
  readPicture,
  type ExportInput,
  type ExportWhat,
  type PictureBytes,
} from '../src/exports/index.ts';
import { drawnPage } from './drawnPage.ts';
import type { ExportFormat } from '../src/exports/index.ts';
import { sharedPdf, piecesOf } from '../src/exports/shared.ts';
import { planOf, workshop } from './support.ts';

/** As fine as is looked at: whole millimetres, well inside what is to be seen. */
const PPI = 127;
const PX_PER_MM = PPI / 25.4;
type Rgb = readonly [number, number, number];

/** Written files, read again by poppler, ghostscript, qpdf and a rasteriser. */
describe('what prints', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-prints-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  const keep = (name: string, bytes: Buffer): string => {
    const path = join(folder, name);
    writeFileSync(path, bytes);
    return path;
  };
  const pagesIn = (path: string): number =>
    Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [path], { encoding: 'utf8' }))![1]);
  const wordsIn = (path: string): string => execFileSync('pdftotext', ['-raw', path, '-'], { encoding: 'utf8' });
  const colourAt = async (png: Buffer): Promise<(xMm: number, yMm: number) => Rgb> => {
    const { data, info } = await sharp(png)
      .flatten({ background: '#ffffff' })
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    return (xMm, yMm) => {
      const i = (Math.floor(yMm * PX_PER_MM) * info.width + Math.floor(xMm * PX_PER_MM)) * info.channels;
      return [data[i]!, data[i + (info.channels > 1 ? 1 : 0)]!, data[i + (info.channels > 1 ? 2 : 0)]!];
    };
  };
  const page = (path: string, n = 1): Promise<(xMm: number, yMm: number) => Rgb> =>
    colourAt(drawnPage(path, { ppi: PPI, page: n }));
  const near = (a: Rgb, b: Rgb, by = 12): boolean => a.every((v, i) => Math.abs(v - b[i]!) <= by);

  /** A square of two halves: the left one clear, the right one brown. */
  const halfClear = (): Promise<Buffer> =>
    sharp({ create: { width: 600, height: 600, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } })
      .composite([
        { input: { create: { width: 300, height: 600, channels: 4, background: '#804020' } }, left: 300, top: 0 },
      ])
      .png()
      .toBuffer();
  const OUTLINES =
    '<svg xmlns="http://www.w3.org/2000/svg" width="60" height="60"><circle cx="45" cy="30" r="14" fill="#804020"/></svg>';

  async function input(
    front: Partial<FaceArt>,
    changes: readonly JobChange[] = [],
    shop: Workshop = workshop,
  ): Promise<ExportInput> {
    const stored = {
      half: await readPicture('half.png', await halfClear()),
      round: await readPicture('round.svg', Buffer.from(OUTLINES)),
    };
    const pictures = new Map<string, PictureBytes>(
      Object.entries(stored).map(([id, { ref, bytes }]) => [id, { mime: ref.mime, bytes }]),
    );
    const job: Job = changeJob(newJob('Clear', shop), [
      decide((job) => job.size.format, 'flat'),
      decide((job) => job.size.finishedWidthMm, 60),
      decide((job) => job.size.finishedHeightMm, 60),
      decide((job) => job.size.bleedMm, 0),
      decide((job) => job.brief.wanted, 2),
      decide((job) => job.sheet.spares, 0),
      decide((job) => job.pictures, { half: stored.half.ref, round: stored.round.ref }),
      decide((job) => job.art.faces.at('front'), { background: null, picture: null, texts: [], ...front }),
      ...changes,
    ]);
    return {
      job,
      plan: await planOf(job, shop),
      workshop: shop,
      fonts: await loadFonts(),
      pictures,
      date: '2026-11-27',
    };
  }
  const write = async (what: ExportWhat, format: ExportFormat, from: ExportInput): Promise<readonly string[]> =>
    (await exportFiles(what, format, from)).map(({ name, bytes }) => keep(name, bytes));
  const placed = (pictureId: string, part: object = {}) => ({
    picture: { pictureId, zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false, ...part },
  });
  const onNavy: readonly JobChange[] = [
    decide((job) => job.stock.stockId, workshop.stocks.find(({ colourName }) => /navy/i.test(colourName))!.id),
    decide((job) => job.stock.printerId, 'skua'),
    decide((job) => job.stock.pathId, 'tray'),
  ];
  const laying = (white: 'inPass' | 'before' | 'after'): Workshop => ({
    ...workshop,
    printers: workshop.printers.map((p) =>
      p.id === 'skua' ? { ...p, paths: p.paths.map((path) => ({ ...path, white })) } : p,
    ),
  });

  describe('clear parts of a picture', () => {
    const looks: readonly (readonly [string, object, Rgb])[] = [
      ['plain', {}, [0x80, 0x40, 0x20]],
      // 0.2126 · 128 + 0.7152 · 64 + 0.0722 · 32 = 75.3
      ['grey', { grey: true }, [75, 75, 75]],
      // From the tint at black to white at white: 123 + (255 − 123) · 75.3 / 255 = 162, and so on.
      ['tinted', { tint: '#7b2869' }, [162, 103, 149]],
      ['faded', { fade: 0.5 }, [192, 160, 144]],
    ];
    for (const [name, part, brown] of looks)
      it(`stay clear in every file, ${name}: the ground shows there`, async () => {
        for (const pictureId of ['half', 'round']) {
          const from = await input({ background: '#f2e6c8', ...placed(pictureId, part) });
          const ground: Rgb = [0xf2, 0xe6, 0xc8];
          const mixed: Rgb = name === 'faded' ? [(0x80 + 0xf2) / 2, (0x40 + 0xe6) / 2, (0x20 + 0xc8) / 2] : brown;
          const { trim, turned } = from.plan.sheet.placements[0]!;
          const onSheet = (x: number, y: number): [number, number] =>
            turned ? [trim.xMm + 60 - y, trim.yMm + x] : [trim.xMm + x, trim.yMm + y];
          const files = {
            face: await page((await write('face', 'pdf', from))[0]!),
            side: await page((await write('side', 'pdf', from))[0]!),
            press: await page((await write('press', 'pdf', from))[0]!),
            sheets: await page((await write('sheets', 'pdf', from))[0]!),
            drawn: await colourAt(
              await sharp(readFileSync((await write('face', 'png', from))[0]!))
                .resize(60 * PX_PER_MM, 60 * PX_PER_MM)
                .toBuffer(),
            ),
            svg: await colourAt(
              execFileSync('rsvg-convert', ['-w', String(60 * PX_PER_MM), (await write('face', 'svg', from))[0]!], {
                maxBuffer: 1e9,
              }),
            ),
          };
          for (const [file, at] of Object.entries(files)) {
            const [clear, inked] = [
              file === 'sheets' ? at(...onSheet(15, 30)) : at(15, 30),
              file === 'sheets' ? at(...onSheet(45, 30)) : at(45, 30),
            ];
            // A press mixes its own colours; that clear is the ground and ink is not is what counts there.
            expect(
              near(clear, ground, file === 'press' ? 25 : 6),
              `${pictureId}, ${file}: clear is ${clear.join()}`,
            ).to.equal(true);
            expect(
              near(inked, mixed, file === 'press' ? 60 : 8),
              `${pictureId}, ${file}: ink is ${inked.join()}`,
            ).to.equal(true);
          }
        }
      });
  });

  describe('white', () => {
    const art = { ...placed('half'), pattern: null };

    it('is a spot ink in the art’s own shape, for pictures, outlines and patterns, in every file of pages', async () => {
      const faces: readonly Partial<FaceArt>[] = [
        placed('half'),
        placed('round'),
        { pattern: { pictureId: 'round', tileMm: 60, brick: false, fade: 0 } },
        { pattern: { pictureId: 'half', tileMm: 60, brick: false, fade: 0.6 } },
      ];
      for (const [i, front] of faces.entries())
        for (const what of ['face', 'side', 'press', 'sheets'] as const) {
          const from = await input(front, onNavy, laying('inPass'));
          const [path] = await write(what, 'pdf', from);
          const out = join(folder, `sep-${i}-${what}`);
          // Ghostscript writes a picture for each ink; what is dark is where that ink goes.
          execFileSync('gs', [
            '-q',
            '-dNOPAUSE',
            '-dBATCH',
            '-dSAFER',
            // In bands: kept whole, a small page loses an ink that overprints to this reader.
            '-dMaxBitmap=0',
            '-sDEVICE=tiffsep',
            `-r${PPI}`,
            '-dLastPage=1',
            `-sOutputFile=${out}.tif`,
            path!,
          ]);
          const white = await colourAt(
            await sharp(readFileSync(`${out}(White).tif`))
              .toColourspace('srgb')
              .png({ compressionLevel: 0 })
              .toBuffer(),
          );
          const { trim, turned } = from.plan.sheet.placements[0]!;
          const at = (x: number, y: number): Rgb =>
            what !== 'sheets'
              ? white(x, y)
              : turned
                ? white(trim.xMm + 60 - y, trim.yMm + x)
                : white(trim.xMm + x, trim.yMm + y);
          expect(at(15, 30)[0], `${i} ${what}: no white where it is clear`).to.be.above(250);
          expect(at(45, 30)[0], `${i} ${what}: white under the art`).to.be.below(5);
        }
    });

    it('keeps outlines as outlines, and masks as fine as 600 to the inch', async () => {
      const inside = async (front: Partial<FaceArt>): Promise<string> => {
        const [path] = await write('face', 'pdf', await input(front, onNavy, laying('inPass')));
        return execFileSync('qpdf', ['--qdf', '--object-streams=disable', path!, '-'], { maxBuffer: 1e9 }).toString(
          'latin1',
        );
      };
      const outlines = await inside(placed('round'));
      expect(outlines).to.match(/\/White cs\s+1 scn[\s\S]{0,400} c\b/);
      expect(outlines).to.not.match(/\/SMask/);
      const mask = await inside(placed('half'));
      // 60 mm at 600 to the inch is 1417.3 pixels.
      const widths = [...mask.matchAll(/\/Width (\d+)/g)].map(([, n]) => Number(n));
      expect(Math.max(...widths)).to.be.at.least(1417);
    });

    it('goes on as the feed path lays it: files, their order, slugs and steps agree', async () => {
      for (const way of ['before', 'after'] as const) {
        const from = await input(
          art,
          [...onNavy, decide((job) => job.art.faces.at('back'), { background: '#cfe6e4', picture: null, texts: [] })],
          laying(way),
        );
        const files = await exportFiles('sheets', 'pdf', from);
        const plates = way === 'before' ? ['white', 'colours'] : ['colours', 'white'];
        expect(files.map(({ name }) => name)).to.deep.equal(
          ['front', 'back'].flatMap((side, s) =>
            plates.map((plate, p) => `clear-sheets-${2 * s + p + 1}-${plate}-${side}.pdf`),
          ),
        );
        const { steps } = from.plan.make;
        const printing = steps.filter(({ kind }) => kind === 'print');
        expect(printing.map(({ title }) => title)).to.deep.equal(
          ['front', 'back'].flatMap((side) =>
            plates.map((plate) => `${plate === 'white' ? 'White' : 'Colours'} on the ${side}s`),
          ),
        );
        printing.forEach(({ detail }, i) => expect(detail).to.match(new RegExp(`^File ${i + 1} of 4\\.`)));
        for (const { name, bytes } of files) {
          const path = keep(name, bytes);
          expect(pagesIn(path)).to.equal(from.plan.sheet.sheets);
          const slug = wordsIn(path).replace(/\s+/g, ' ');
          expect(slug).to.include(
            name.includes('white')
              ? `white ink, ${way} the colours`
              : `colours, ${way === 'before' ? 'after' : 'before'} the white`,
          );
          expect(slug).to.include(`sheet 1 of ${from.plan.sheet.sheets}`);
        }
        // The white front is black where the picture is, and nothing where it is clear.
        const white = files.find(({ name }) => /white-front/.test(name))!;
        const at = await page(keep('plate.pdf', white.bytes));
        const { trim, turned } = from.plan.sheet.placements[0]!;
        const on = (x: number, y: number): Rgb =>
          turned ? at(trim.xMm + 60 - y, trim.yMm + x) : at(trim.xMm + x, trim.yMm + y);
        expect(near(on(15, 30), [255, 255, 255], 3)).to.equal(true);
        expect(near(on(45, 30), [0, 0, 0], 3)).to.equal(true);
        const [ticket] = await write('ticket', 'pdf', from);
        expect(wordsIn(ticket!)).to.include('White on the fronts');
      }
    });

    it('is a second picture where a file has no inks of its own, and said to a press', async () => {
      const from = await input(art, onNavy);
      const names = (await exportFiles('face', 'png', from)).map(({ name }) => name);
      expect(names).to.deep.equal([
        'clear-front.png',
        'clear-front-white.png',
        'clear-back.png',
        'clear-back-white.png',
      ]);
      const at = await colourAt(
        await sharp(readFileSync((await write('face', 'png', from))[1]!))
          .resize(60 * PX_PER_MM, 60 * PX_PER_MM)
          .toBuffer(),
      );
      expect([at(15, 30)[0] > 250, at(45, 30)[0] < 5]).to.deep.equal([true, true]);
      const notes = (await exportFiles('press', 'pdf', from)).find(({ name }) => name.endsWith('notes.txt'))!;
      expect(notes.bytes.toString()).to.match(/white is in the file as an ink of its own, named White/);
      const without = await input(art, onNavy.slice(0, 1));
      const bare = (await exportFiles('press', 'pdf', without)).find(({ name }) => name.endsWith('notes.txt'))!;
      expect(bare.bytes.toString()).to.match(/NO white is in this file/);
    });
  });

  describe('a press file', () => {
    it('has black words in black ink alone, overprinting, and other words in their own inks', async () => {
      const text = (id: string, colour: string, topMm: number) => ({
        ...{ id, text: 'MMMM', typefaceId: 'fraunces-600', sizePt: 30, align: 'left', lineSpacing: 1.2 },
        ...{ colour, leftMm: 5, topMm, widthMm: 50 },
      });
      const from = await input({
        background: '#cfe6e4',
        texts: [text('black', '#1d2930', 5), text('plum', '#7b2869', 30)] as FaceArt['texts'],
      });
      const [path] = await write('press', 'pdf', from);
      const out = join(folder, 'press');
      execFileSync('gs', [
        '-q',
        '-dNOPAUSE',
        '-dBATCH',
        '-dSAFER',
        '-sDEVICE=tiffsep',
        `-r${PPI}`,
        '-dLastPage=1',
        `-sOutputFile=${out}.tif`,
        path!,
      ]);
      const ink = async (name: string): Promise<(x: number, y: number) => number> => {
        const at = await colourAt(
          await sharp(readFileSync(`${out}(${name}).tif`))
            .toColourspace('srgb')
            .png({ compressionLevel: 0 })
            .toBuffer(),
        );
        return (x, y) => at(x, y)[0];
      };
      const [cyan, magenta, yellow, black] = await Promise.all(['Cyan', 'Magenta', 'Yellow', 'Black'].map(ink));
      const darkest = (at: (x: number, y: number) => number, y0: number, y1: number): number => {
        let least = 255;
        for (let y = y0; y < y1; y += 0.2) for (let x = 5; x < 45; x += 0.2) least = Math.min(least, at(x, y));
        return least;
      };
      // Black is full where the words are; the other inks there are the ground's own, neither more nor knocked out.
      expect(darkest(black!, 6, 20)).to.be.below(5);
      for (const other of [cyan!, magenta!, yellow!]) {
        const ground = other(55, 58);
        for (let y = 6; y < 20; y += 0.5)
          for (let x = 5; x < 45; x += 0.5) expect(Math.abs(other(x, y) - ground)).to.be.at.most(3);
      }
      expect(darkest(magenta!, 31, 46)).to.be.below(100);
    });
  });

  describe('nothing printed', () => {
    it('has no pass, no page and no drying, uses the whole sheet, and is still cut and creased', async () => {
      const bare = await input({}, [
        decide((job) => job.size.format, 'tentFold'),
        decide((job) => job.size.finishedWidthMm, 139.7),
        decide((job) => job.size.finishedHeightMm, 107.95),
        decide((job) => job.sheet.cutDown, { widthMm: 279.4, heightMm: 215.9 }),
        decide((job) => job.sheet.grain, 'ignore'),
        decide((job) => job.size.bleedMm, 3),
      ]);
      // Two of 5½ × 8½ in, open, are exactly a letter sheet.
      expect(bare.plan.sheet.up).to.equal(2);
      expect(bare.plan.sheet.passes).to.deep.equal([]);
      const kinds = bare.plan.make.steps.map(({ kind }) => kind);
      expect(kinds.filter((kind) => kind === 'print' || kind === 'dry')).to.deep.equal([]);
      expect(kinds).to.include.members(['cut', 'crease', 'fold']);
      expect(bare.plan.make.waitMinutes).to.equal(0);
      expect(bare.plan.sell.parts.find(({ id }) => id === 'ink')!.perCardMinor).to.equal(0);
      await exportFiles('sheets', 'pdf', bare).then(
        () => expect.fail('pages of nothing'),
        (why: Error) => expect(why.message).to.match(/Nothing is printed on this job/),
      );
      const [ticket] = await write('ticket', 'pdf', bare);
      expect(wordsIn(ticket!)).to.not.include('Print at 100 %');
      // Art on the inside alone is one pass, of the back.
      const inside = await input({}, [
        decide((job) => job.size.format, 'tentFold'),
        decide((job) => job.art.faces.at('insideBack'), { background: '#cfe6e4', picture: null, texts: [] }),
      ]);
      expect(inside.plan.sheet.passes).to.deep.equal([{ plate: 'colours', sides: ['back'] }]);
    });
  });

  describe('the ticket', () => {
    it('of a job with a stop says at its head that it is not ready, and of any other does not', async () => {
      const headOf = async (...changes: Parameters<typeof input>[1] & object) => {
        const [ticket] = await write('ticket', 'pdf', await input({ background: '#1d5a68' }, changes));
        return wordsIn(ticket!).slice(0, 200);
      };
      expect(await headOf(decide((job) => job.size.finishedWidthMm, 400))).to.include('Not ready to print.');
      expect(await headOf()).to.not.include('Not ready');
    });
  });

  describe('shared sheets', () => {
    const jobs = async (): Promise<Parameters<typeof sharedPdf>[0]> => {
      const from = await input({ background: '#1d5a68' }, [
        decide((job) => job.art.faces.at('back'), { background: '#f2b01e', picture: null, texts: [] }),
      ]);
      return [{ id: '11111111-1111-4111-8111-111111111111', job: from.job, plan: from.plan, pictures: from.pictures }];
    };
    const printer = workshop.printers[0]!;
    const stock = workshop.stocks[0]!;

    for (const layouts of [1, 2, 3])
      it(`have a front and a back for each of ${layouts} ${layouts === 1 ? 'layout' : 'layouts'}`, async () => {
        const all = await jobs();
        const sheet = uprightGrain(stock, printer.paths[0]!.marginsMm, 'sheets', {
          sides: ['front', 'back'],
          flipEdge: 'long',
        });
        const [piece] = piecesOf(all, { grain: 'ignore', own: [] });
        const pattern = (n: number): MixedPattern => ({
          sheetId: stock.id,
          times: n + 1,
          placements: [
            {
              id: piece!.id,
              xMm: 20,
              yMm: 20 + 70 * n,
              widthMm: piece!.widthMm,
              heightMm: piece!.heightMm,
              turned: false,
            },
          ],
        });
        const bytes = await sharedPdf(
          all,
          {
            own: [],
            sheets: [sheet],
            patterns: Array.from({ length: layouts }, (_, n) => pattern(n)),
            flipEdge: 'long',
            grain: 'ignore',
          },
          { printer, path: printer.paths[0]!, stocks: [stock] },
          await loadFonts(),
          '2026-11-27',
        );
        const path = keep(`shared-${layouts}.pdf`, bytes);
        expect(pagesIn(path)).to.equal(2 * layouts);
        const words = wordsIn(path)
          .split('\f')
          .slice(0, 2 * layouts);
        words.forEach((text, i) =>
          expect(text.replace(/\s+/g, ' ')).to.include(
            `Shared sheet ${Math.floor(i / 2) + 1} of ${layouts} · ${i % 2 === 0 ? 'front' : 'back'} · print ${Math.floor(i / 2) + 1}`,
          ),
        );
        for (let n = 0; n < layouts; n += 1) {
          // Seen from the back, left and right have changed places.
          const [front, back] = [await page(path, 2 * n + 1), await page(path, 2 * n + 2)];
          const [x, y] = [20 + piece!.widthMm / 2, 20 + 70 * n + piece!.heightMm / 2];
          expect(near(front(x, y), [0x1d, 0x5a, 0x68])).to.equal(true);
          expect(near(back(sheet.widthMm - x, y), [0xf2, 0xb0, 0x1e])).to.equal(true);
        }
      });

    it('lay a cascade’s mirrored pair on a sheet, as its own sheet does', async () => {
      const cascade = await input({ background: '#1d5a68' }, [
        decide((job) => job.size.format, 'cascade'),
        decide((job) => job.size.options, { panels: 4, frontHeightMm: 80 }),
        decide((job) => job.size.finishedWidthMm, 45),
        decide((job) => job.size.finishedHeightMm, 150),
        decide((job) => job.brief.wanted, 8),
      ]);
      const own: Plan = cascade.plan;
      expect(own.sheet.cell.blanks).to.have.length(2);
      const [pair] = piecesOf([{ id: 'c', job: cascade.job, plan: own, pictures: cascade.pictures }], {
        grain: 'respect',
        own: [],
      });
      expect(pair!.wanted).to.equal(4);
      expect([pair!.widthMm, pair!.heightMm].sort((a, b) => a - b)).to.deep.equal(
        [own.sheet.cell.widthMm, own.sheet.cell.heightMm].sort((a, b) => a - b),
      );
      // Both blanks of the pair are drawn, half a turn apart.
      expect(pair!.shapes.outside).to.have.length(2);
      expect(pair!.after!.join()).to.match(/Cut from mark to mark/);
      const { default: highsLoader } = await import('highs');
      const { fromHighs } = await import('@zippy/core');
      const stockSheet = uprightGrain(own.stock.stock, own.stock.path.marginsMm, 'sheets', {
        sides: ['front'],
        flipEdge: 'long',
      });
      const answer = planMixed(
        { sheets: [stockSheet], bleedMm: pair!.bleedMm, gutterMm: 2 * pair!.bleedMm, pieces: [pair!] },
        fromHighs(await highsLoader()),
      );
      if (!answer.ok) throw new Error(answer.why);
      expect(answer.sheets).to.be.at.most(own.sheet.sheets);
    });
  });

  describe('letters', () => {
    const TITLE = 'Łucja & Őrs × ½ € ⅛ “µ” – ≤ →';
    const NOTES = 'Ĳssel, Þór, Ñandú, Çağla, Šárka, ⅞ in – 3 ≤ 5 → “done” € 12, Ελένη, Ирина';

    const NAME_ON_CARD: FaceArt['texts'] = [
      {
        ...{ id: 't', text: '{name}', typefaceId: 'eb-garamond-400', sizePt: 14, align: 'centre', lineSpacing: 1.2 },
        ...{ colour: '#1d2930', leftMm: 5, topMm: 20, widthMm: 50 },
      },
    ];

    it('of every kind of PDF are read back as they were typed, in fonts that are in the file', async () => {
      const names = { columns: ['name'], rows: [['Łucja'], ['Őrs'], ['Çağla'], ['Þór']] };
      const from = await input(
        {
          background: '#f2e6c8',
          texts: NAME_ON_CARD,
        },
        [
          decide((job) => job.brief.title, TITLE),
          decide((job) => job.brief.notes, NOTES),
          decide((job) => job.names, names),
          decide(
            (job) => job.size.layers,
            [
              {
                id: 'mat1',
                kind: 'mat',
                faces: ['front'],
                revealMm: 3,
                stockIds: [workshop.stocks[0]!.id],
                picture: placed('half').picture,
              },
            ],
          ),
        ],
      );
      const flat = (text: string): string => text.replace(/\s+/g, ' ');
      for (const [what, wanted] of [
        ['sheets', [TITLE, ...names.rows.flat()]],
        ['ticket', [TITLE, NOTES]],
        ['proof', [TITLE]],
        ['panels', [TITLE]],
      ] as const) {
        const [path] = await write(what, 'pdf', from);
        const words = flat(wordsIn(path!));
        for (const text of wanted) expect(words, what).to.include(text);
        const fonts = execFileSync('pdffonts', [path!], { encoding: 'utf8' }).split('\n').slice(2).filter(Boolean);
        for (const line of fonts) expect(line, what).to.match(/yes yes yes|yes yes no/);
      }
      // A drawing's slug is outlines: it is there whatever fonts its reader has.
      const [svg] = await exportFiles('sheets', 'svg', from);
      expect(svg!.bytes.toString()).to.not.include('<text');
      expect(svg!.bytes.toString()).to.include(`aria-label="${TITLE.replace('&', '&amp;')}`);
      expect((await exportFiles('sheets', 'pdf', from))[0]!.name).to.match(/^lucja-ors-/);
    });

    it('writes every sheet of a list as a drawing of its own', async () => {
      const rows = Array.from({ length: 40 }, (_, i) => [`Guest ${i + 1}`]);
      const from = await input(
        {
          texts: NAME_ON_CARD,
        },
        [decide((job) => job.names, { columns: ['name'], rows })],
      );
      const { sheets } = from.plan.sheet;
      expect(sheets).to.be.above(1);
      const files = await exportFiles('sheets', 'svg', from);
      expect(files).to.have.length(sheets);
      expect(new Set(files.map(({ bytes }) => bytes.toString('base64'))).size).to.equal(sheets);
    });
  });
});
