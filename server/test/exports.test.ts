import { expect } from 'chai';
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { decide, changeJob, newJob, type Box, type FormatId, type Job, type Plan, type SheetSide } from '@zippy/core';
import { drawnPage } from './drawnPage.ts';
import { exportFiles, loadFonts, readPicture, type PictureBytes } from '../src/exports/index.ts';
import { planOf, workshop } from './support.ts';

/** Everything here reads the written file with other programs: poppler, qpdf and a rasteriser. */
const PPI = 254;
const PX_PER_MM = PPI / 25.4;

interface Pixels {
  readonly at: (xMm: number, yMm: number) => readonly [number, number, number];
  readonly widthPx: number;
  readonly heightPx: number;
}

describe('the sheets as PDF', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-pdf-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  /** A dark corner mark at the top left of an otherwise plain field: it tells which way up and which way round. */
  async function corner(field: string, mark: string): Promise<Buffer> {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="1200"><rect width="1200" height="1200" fill="${field}"/><rect width="600" height="600" fill="${mark}"/></svg>`;
    return sharp(Buffer.from(svg)).jpeg({ quality: 98 }).toBuffer();
  }

  const FIELDS: Readonly<Record<string, readonly [string, string]>> = {
    front: ['#e04040', '#401010'],
    back: ['#40c040', '#104010'],
    insideFront: ['#4060e0', '#101040'],
    insideBack: ['#e0c040', '#403810'],
  };

  async function make(
    format: FormatId,
    flipEdge: 'long' | 'short',
    widthMm = 96,
    heightMm = 62,
  ): Promise<{ plan: Plan; pages: readonly Pixels[]; path: string }> {
    let job: Job = changeJob(newJob('Corner marks', workshop), [
      decide((job) => job.size.format, format),
      decide((job) => job.size.finishedWidthMm, widthMm),
      decide((job) => job.size.finishedHeightMm, heightMm),
      decide((job) => job.sheet.flipEdge, flipEdge),
      decide((job) => job.sheet.spares, 0),
      decide((job) => job.brief.wanted, 5),
    ]);
    const pictures = new Map<string, PictureBytes>();
    for (const [face, [field, mark]] of Object.entries(FIELDS)) {
      const picture = await readPicture(face, await corner(field, mark));
      pictures.set(face, { mime: picture.ref.mime, bytes: picture.bytes });
      job = changeJob(job, [
        decide((job) => job.pictures.at(face), picture.ref),
        decide((job) => job.art.faces.at(face), {
          background: null,
          picture: { pictureId: face, zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false },
          texts: [
            {
              id: 't',
              text: 'Ebb',
              typefaceId: 'eb-garamond-400',
              sizePt: 12,
              align: 'centre',
              lineSpacing: 1.2,
              colour: '#ffffff',
              leftMm: 10,
              topMm: heightMm - 20,
              widthMm: widthMm - 20,
            },
          ],
        }),
      ]);
    }
    const plan = await planOf(job);
    const [file] = await exportFiles('sheets', 'pdf', {
      job,
      plan,
      workshop,
      fonts: await loadFonts(),
      pictures,
      date: '2026-12-01',
    });
    const path = join(folder, `${format}-${flipEdge}.pdf`);
    writeFileSync(path, file!.bytes);
    return { plan, path, pages: await raster(path, plan.sheet.sheets) };
  }

  async function raster(path: string, sheets: number): Promise<readonly Pixels[]> {
    const pages = [1, sheets + 1].map((n) => drawnPage(path, { ppi: PPI, page: n }));
    return Promise.all(
      pages.map(async (png): Promise<Pixels> => {
        const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
        return {
          widthPx: info.width,
          heightPx: info.height,
          at: (xMm, yMm) => {
            const i = (Math.round(yMm * PX_PER_MM) * info.width + Math.round(xMm * PX_PER_MM)) * 3;
            return [data[i]!, data[i + 1]!, data[i + 2]!];
          },
        };
      }),
    );
  }

  const near = (a: readonly number[], hex: string): boolean => {
    const wanted = [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
    return a.every((v, i) => Math.abs(v - wanted[i]!) < 40);
  };

  type Vec = readonly [number, number, number];
  /** A turn about a line, by the formula of Rodrigues, written here again so that the fold is proved apart from the core. */
  const turned = (p: Vec, through: Vec, axis: Vec, degrees: number): Vec => {
    const t = (degrees * Math.PI) / 180;
    const v = p.map((c, i) => c - through[i]!) as unknown as Vec;
    const [c, s] = [Math.cos(t), Math.sin(t)];
    const d = axis[0] * v[0] + axis[1] * v[1] + axis[2] * v[2];
    const x: Vec = [axis[1] * v[2] - axis[2] * v[1], axis[2] * v[0] - axis[0] * v[2], axis[0] * v[1] - axis[1] * v[0]];
    return [0, 1, 2].map((i) => through[i]! + v[i]! * c + x[i]! * s + axis[i]! * d * (1 - c)) as unknown as Vec;
  };

  /** Where a card lies on the front page, cut out along the fence settings. */
  const cardBox = (plan: Plan): { readonly trim: Box; readonly turned: boolean } => plan.sheet.placements[0]!;

  for (const format of ['sideFold', 'tentFold'] as const)
    for (const flipEdge of ['long', 'short'] as const)
      it(`${format}, turned on the ${flipEdge} edge: a folded print reads upright on every face`, async () => {
        const { plan, pages } = await make(format, flipEdge);
        const [frontPage, backPage] = pages as [Pixels, Pixels];
        const { trim, turned: lies } = cardBox(plan);
        const [w, h] = lies ? [trim.heightMm, trim.widthMm] : [trim.widthMm, trim.heightMm];
        const { sheetWidthMm: W, sheetHeightMm: H } = plan.sheet;
        /** A point of the paper, in the sheet’s own frame, and the colour on a side of it. */
        const ink = (xMm: number, yMm: number, side: SheetSide): readonly number[] =>
          side === 'front'
            ? frontPage.at(xMm, yMm)
            : flipEdge === 'long'
              ? backPage.at(W - xMm, yMm)
              : backPage.at(xMm, H - yMm);
        /** From the card as cut out and laid front up with its creases as the format says, to the sheet. */
        const onSheet = (x: number, y: number): readonly [number, number] =>
          lies ? [trim.xMm + h - y, trim.yMm + x] : [trim.xMm + x, trim.yMm + y];

        // The card in space, front towards the reader, y up. Fold the back panel behind along the middle.
        const upright = format === 'sideFold';
        const through: Vec = upright ? [w / 2, 0, 0] : [0, -h / 2, 0];
        const axis: Vec = upright ? [0, 1, 0] : [1, 0, 0];
        const isFront = (x: number, y: number): boolean => (upright ? x > w / 2 : y > h / 2);
        const [pw, ph] = upright ? [w / 2, h] : [w, h / 2];
        const points: Record<
          string,
          { readonly u: number; readonly v: number; readonly kind: 'mark' | 'field' | 'other' }[]
        > = {};
        const steps = 24;
        for (let i = 0; i < steps; i += 1)
          for (let j = 0; j < steps; j += 1) {
            const [x, y] = [((i + 0.5) / steps) * w, ((j + 0.5) / steps) * h];
            const [sx, sy] = onSheet(x, y);
            const flat: Vec = [x, -y, 0];
            const front = isFront(x, y);
            // Shut: the front where it is, the back folded behind it.
            const shut = front ? flat : turned(flat, through, axis, 180);
            // Open: the back stays where it was when shut; the front swings about the fold until it lies beside it.
            const open = front ? turned(flat, through, axis, 180) : shut;
            const faces: readonly (readonly [string, readonly number[], number, number])[] = [
              [front ? 'front' : 'back', ink(sx, sy, 'front'), front ? shut[0] : -shut[0], shut[1]],
              [front ? 'insideFront' : 'insideBack', ink(sx, sy, 'back'), open[0], open[1]],
            ];
            for (const [face, colour, u, v] of faces) {
              const [field, mark] = FIELDS[face]!;
              const list = (points[face] ??= []);
              list.push({ u, v, kind: near(colour, mark) ? 'mark' : near(colour, field) ? 'field' : 'other' });
            }
          }
        for (const [face, list] of Object.entries(points)) {
          const [left, top] = [Math.min(...list.map((p) => p.u)), Math.max(...list.map((p) => p.v))];
          const marks = list.filter((p) => p.kind === 'mark');
          const fields = list.filter((p) => p.kind === 'field');
          expect(marks.length, `${face}: marks`).to.be.greaterThan(20);
          expect(fields.length, `${face}: field`).to.be.greaterThan(60);
          // Upright for the reader: every dark point lies in the upper left part of the face as it is read.
          for (const p of marks) {
            expect(p.u - left, `${face}: mark too far right`).to.be.below(pw * 0.6);
            expect(top - p.v, `${face}: mark too far down`).to.be.below(ph * 0.95);
          }
          const rightward = fields.filter((p) => p.u - left > pw * 0.6).length;
          expect(rightward, `${face}: plain on the right`).to.be.greaterThan(20);
          const low = fields.filter((p) => top - p.v > ph * 0.72 && p.u - left < pw * 0.4).length;
          const high = marks.filter((p) => top - p.v < ph * 0.4).length;
          expect(high, `${face}: dark at the top`).to.be.greaterThan(10);
          expect(low, `${face}: plain below`).to.be.greaterThan(5);
        }
      });

  it('has as many pages as sides of sheets, boxes true to 0.01 mm, fonts embedded, each picture once, and no fault that qpdf finds', async () => {
    const { plan, path } = await make('sideFold', 'long');
    const info = execFileSync('pdfinfo', ['-box', '-f', '1', '-l', '1', path], { encoding: 'utf8' });
    expect(Number(/Pages:\s+(\d+)/.exec(info)![1])).to.equal(plan.sheet.sheets * 2);
    const doc = JSON.parse(execFileSync('qpdf', ['--json', path], { encoding: 'utf8', maxBuffer: 1e9 })) as {
      qpdf: readonly [unknown, Record<string, { value?: Record<string, unknown> }>];
    };
    const pages = Object.values(doc.qpdf[1]).flatMap((o) => (o.value?.['/Type'] === '/Page' ? [o.value] : []));
    const trims = plan.sheet.placements.map((p) => p.trim);
    const block = {
      left: Math.min(...trims.map((t) => t.xMm)),
      top: Math.min(...trims.map((t) => t.yMm)),
      right: Math.max(...trims.map((t) => t.xMm + t.widthMm)),
      bottom: Math.max(...trims.map((t) => t.yMm + t.heightMm)),
    };
    const boxes = (name: string): readonly number[] =>
      (pages[0]![name] as readonly number[]).map((pt) => (pt * 25.4) / 72);
    const close = (got: readonly number[], wanted: readonly number[]): void =>
      got.forEach((mm, i) => expect(mm).to.be.closeTo(wanted[i]!, 0.01));
    close(boxes('/MediaBox'), [0, 0, 210, 297]);
    close(boxes('/TrimBox'), [block.left, 297 - block.bottom, block.right, 297 - block.top]);
    close(boxes('/BleedBox'), [block.left - 3, 297 - block.bottom - 3, block.right + 3, 297 - block.top + 3]);
    const fonts = execFileSync('pdffonts', [path], { encoding: 'utf8' }).trim().split('\n').slice(2);
    expect(fonts.length).to.be.at.least(2);
    for (const line of fonts) expect(line).to.match(/^[A-Z]{6}\+.*\s+yes\s+yes\s+yes\s/);
    const images = Object.values(doc.qpdf[1]).filter((o) => {
      const dict = (o as { stream?: { dict?: Record<string, unknown> } }).stream?.dict;
      return dict?.['/Subtype'] === '/Image';
    });
    expect(images).to.have.length(4);
    expect(spawnSync('qpdf', ['--check', path]).status).to.equal(0);
    expect(execFileSync('pdftotext', [path, '-'], { encoding: 'utf8' }))
      .to.contain('Ebb')
      .and.contain('Corner marks · front · sheet 1 of');
  });

  it('boxes a face by its own bleed: none over the fold, so trim and page share that edge', async () => {
    const job = changeJob(newJob('Boxes', workshop), [
      decide((job) => job.size.format, 'tentFold'),
      decide((job) => job.size.finishedWidthMm, 96),
      decide((job) => job.size.finishedHeightMm, 62),
      decide((job) => job.art.faces.at('front'), { background: '#14263c', picture: null, texts: [] }),
    ]);
    const input = { job, plan: await planOf(job), workshop, fonts: await loadFonts(), pictures: new Map(), date: null };
    const [pdf] = await exportFiles('face', 'pdf', input);
    const path = join(folder, 'boxes.pdf');
    writeFileSync(path, pdf!.bytes);
    const info = execFileSync('pdfinfo', ['-box', '-f', '1', '-l', '1', path], { encoding: 'utf8' });
    const box = (name: string): readonly number[] =>
      new RegExp(`${name}:\\s+([\\d.\\s]+)\\n`)
        .exec(info)![1]!
        .trim()
        .split(/\s+/)
        .map((pt) => (Number(pt) * 25.4) / 72);
    // A tent's front: 3 mm of bleed left, right and below; the fold on top. PDF counts from the bottom.
    const close = (got: readonly number[], wanted: readonly number[]): void =>
      got.forEach((mm, i) => expect(mm).to.be.closeTo(wanted[i]!, 0.01));
    close(box('MediaBox'), [0, 0, 102, 65]);
    close(box('BleedBox'), [0, 0, 102, 65]);
    close(box('TrimBox'), [3, 3, 99, 65]);
  });

  it('prints art right up to the bleed’s outer edge and nothing past it', async () => {
    for (const format of ['flat', 'sideFold', 'tentFold'] as const) {
      const { plan, pages } = await make(format, 'long');
      const { trim } = cardBox(plan);
      const bleed = plan.size.bleedMm;
      const middle = trim.yMm + trim.heightMm * 0.37;
      const across = trim.xMm + trim.widthMm * 0.37;
      const white = (p: readonly number[]): boolean => p.every((v) => v > 240);
      const page = pages[0]!;
      for (const [inside, outside] of [
        [page.at(trim.xMm - bleed + 0.2, middle), page.at(trim.xMm - bleed - 0.2, middle)],
        [page.at(across, trim.yMm - bleed + 0.2), page.at(across, trim.yMm - bleed - 0.2)],
      ] as const) {
        expect(white(inside), `${format}: art at the bleed edge`).to.be.false;
        expect(white(outside), `${format}: bare past the bleed`).to.be.true;
      }
    }
  });

  it('draws a face alike in PDF and in PNG', async () => {
    const job = changeJob(newJob('Alike', workshop), [
      decide((job) => job.size.format, 'flat'),
      decide((job) => job.size.finishedWidthMm, 90),
      decide((job) => job.size.finishedHeightMm, 60),
      decide((job) => job.art.faces.at('front'), {
        background: '#14263c',
        picture: null,
        texts: [
          {
            id: 't',
            text: 'Lantern Regatta\nsupper on the quay',
            typefaceId: 'fraunces-600',
            sizePt: 20,
            align: 'centre',
            lineSpacing: 1.3,
            colour: '#fdf3d8',
            leftMm: 5,
            topMm: 15,
            widthMm: 80,
          },
        ],
      }),
    ]);
    const input = { job, plan: await planOf(job), workshop, fonts: await loadFonts(), pictures: new Map(), date: null };
    const [pdf] = await exportFiles('face', 'pdf', input);
    const [png] = await exportFiles('face', 'png', input);
    const path = join(folder, 'face.pdf');
    writeFileSync(path, pdf!.bytes);
    const size = { width: 480, height: 330, fit: 'fill' as const };
    const pixels = async (bytes: Buffer): Promise<Buffer> =>
      sharp(bytes).resize(size).removeAlpha().greyscale().raw().toBuffer();
    const a = await pixels(drawnPage(path, { ppi: 300 }));
    const b = await pixels(png!.bytes);
    let off = 0;
    a.forEach((v, i) => (off += Math.abs(v - b[i]!)));
    expect(off / a.length).to.be.below(2);
    expect(await sharp(png!.bytes).metadata()).to.include({ width: Math.round((96 / 25.4) * 300), density: 300 });
  });

  it('writes the cut and crease drawing and the envelope in true size', async () => {
    const job = changeJob(newJob('Lines', workshop), [
      decide((job) => job.size.finishedWidthMm, 96),
      decide((job) => job.size.finishedHeightMm, 136),
      decide((job) => job.art.faces.at('front'), { background: '#cfe6e4', picture: null, texts: [] }),
    ]);
    const plan = await planOf(job);
    const input = { job, plan, workshop, fonts: await loadFonts(), pictures: new Map(), date: null };
    const [cut] = await exportFiles('cut', 'svg', input);
    const svg = cut!.bytes.toString();
    expect(svg)
      .to.contain('width="210mm" height="297mm"')
      .and.contain('<g id="cut">')
      .and.contain('<g id="crease-away">');
    const crease = plan.sheet.placements[0]!.trim.xMm + 96;
    expect(svg).to.contain(`M${crease} `);
    const path = join(folder, 'cut.svg');
    writeFileSync(path, cut!.bytes);
    const png = execFileSync('rsvg-convert', ['--dpi-x', String(PPI), '--dpi-y', String(PPI), path], {
      maxBuffer: 1e9,
    });
    expect((await sharp(png).metadata()).width).to.be.closeTo(210 * PX_PER_MM, 1);
    const [envelope] = await exportFiles('envelope', 'pdf', input);
    const pdf = join(folder, 'envelope.pdf');
    writeFileSync(pdf, envelope!.bytes);
    expect(spawnSync('qpdf', ['--check', pdf]).status).to.equal(0);
    const [ticket] = await exportFiles('ticket', 'pdf', input);
    writeFileSync(pdf, ticket!.bytes);
    expect(execFileSync('pdftotext', [pdf, '-'], { encoding: 'utf8' }))
      .to.contain('Print at 100 %, no fit to page')
      .and.contain(plan.make.steps.at(-1)!.title);
  });
});
