import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { decide, changeJob, newJob, type Job, type PicturePlacement } from '@zippy/core';
import { exportFiles, loadFonts, readPicture, type PictureBytes } from '../src/exports/index.ts';
import { planOf, workshop } from './support.ts';

/** Pictures as they come out of the PDF, against the same face as PNG and against colours worked out by hand. */
describe('pictures in the PDF', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-pictures-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  const svg = (body: string, size = '100 100'): Buffer =>
    Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${size}">${body}</svg>`);
  const orange = svg('<rect width="100" height="100" fill="#e07020"/>');

  async function front(
    name: string,
    raw: Buffer,
    part: Partial<PicturePlacement> = {},
    background: string | null = null,
  ) {
    const picture = await readPicture(name, raw);
    const job: Job = changeJob(newJob('Pictures', workshop), [
      decide((job) => job.size.format, 'flat'),
      decide((job) => job.size.finishedWidthMm, 60),
      decide((job) => job.size.finishedHeightMm, 60),
      decide((job) => job.pictures.at('p'), picture.ref),
      decide((job) => job.art.faces.at('front'), {
        background,
        picture: { pictureId: 'p', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false, ...part },
        texts: [],
      }),
    ]);
    const pictures = new Map<string, PictureBytes>([['p', { mime: picture.ref.mime, bytes: picture.bytes }]]);
    const input = { job, plan: await planOf(job), workshop, fonts: await loadFonts(), pictures, date: null };
    const [pdf] = await exportFiles('face', 'pdf', input);
    const [png] = await exportFiles('face', 'png', input);
    const path = join(folder, 'face.pdf');
    writeFileSync(path, pdf!.bytes);
    const printed = execFileSync('pdftoppm', ['-r', '100', '-f', '1', '-l', '1', '-png', path], { maxBuffer: 1e9 });
    return { path, pdf: await colours(printed), png: await colours(png!.bytes) };
  }

  /** Nine spots over the face, rows from the top. */
  async function colours(bytes: Buffer): Promise<readonly (readonly [number, number, number])[]> {
    const { data, info } = await sharp(bytes).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    return [1, 3, 5].flatMap((row) =>
      [1, 3, 5].map((column): readonly [number, number, number] => {
        const i = (Math.round((info.height * row) / 6) * info.width + Math.round((info.width * column) / 6)) * 3;
        return [data[i]!, data[i + 1]!, data[i + 2]!];
      }),
    );
  }
  const close = (got: readonly number[], wanted: readonly number[], by = 4): void =>
    got.forEach((v, i) => expect(v, `${got.join(',')} is not ${wanted.join(',')}`).to.be.closeTo(wanted[i]!, by));
  const alike = ({ pdf, png }: Awaited<ReturnType<typeof front>>, by = 5): void =>
    pdf.forEach((spot, i) => close(spot, png[i]!, by));

  it('keeps the colours of vector art', async () => {
    const made = await front('orange.svg', orange);
    close(made.pdf[4]!, [0xe0, 0x70, 0x20]);
    alike(made);
  });

  it('fades towards the paper: half of orange is (255 + v) ÷ 2', async () => {
    for (const raw of [orange, await sharp(orange).png().toBuffer()]) {
      const made = await front('orange', raw, { fade: 0.5 });
      close(made.pdf[4]!, [(255 + 0xe0) / 2, (255 + 0x70) / 2, (255 + 0x20) / 2]);
      alike(made);
    }
  });

  it('fades towards the background where there is one', async () => {
    close((await front('orange', orange, { fade: 0.5 }, '#2040a0')).pdf[4]!, [
      (0x20 + 0xe0) / 2,
      (0x40 + 0x70) / 2,
      (0xa0 + 0x20) / 2,
    ]);
  });

  it('makes grey by luminance: 0.2126·224 + 0.7152·112 + 0.0722·32 = 130', async () => {
    for (const raw of [
      orange,
      await sharp(orange).png().toBuffer(),
      await sharp(orange).jpeg({ quality: 95 }).toBuffer(),
    ]) {
      const made = await front('orange', raw, { grey: true });
      close(made.pdf[4]!, [130, 130, 130]);
      alike(made);
    }
  });

  it('lets the background through where a picture is clear', async () => {
    const hole = svg('<path d="M0 0H100V100H0ZM25 25V75H75V25Z" fill="#e07020"/>');
    for (const raw of [hole, await sharp(hole).resize(600).png().toBuffer()]) {
      const made = await front('hole', raw, {}, '#2040a0');
      close(made.pdf[4]!, [0x20, 0x40, 0xa0]);
      close(made.pdf[0]!, [0xe0, 0x70, 0x20]);
      alike(made);
    }
  });

  it('draws gradients, clips, half-clear groups and reused parts as the screen does', async () => {
    alike(
      await front(
        'busy.svg',
        svg(
          `<defs><linearGradient id="g" x2="1"><stop stop-color="#102040"/><stop offset="1" stop-color="#f0c060"/></linearGradient>
           <clipPath id="c"><circle cx="50" cy="50" r="45"/></clipPath><rect id="r" width="30" height="30" fill="#d03030"/></defs>
           <rect width="100" height="100" fill="url(#g)"/><g clip-path="url(#c)" opacity="0.5"><rect y="50" width="100" height="50" fill="#208050"/></g>
           <use href="#r" x="2" y="2"/>`,
        ),
      ),
      9,
    );
  });

  it('crops to fill and slides, without squashing', async () => {
    // Three bands beside each other in a picture three times as wide as high: at 0, ½ and 1 only one is seen.
    const bands = svg(
      '<rect width="100" height="100" fill="#d03030"/><rect x="100" width="100" height="100" fill="#30a040"/><rect x="200" width="100" height="100" fill="#3040d0"/>',
      '300 100',
    );
    for (const [focusX, wanted] of [
      [0, [0xd0, 0x30, 0x30]],
      [0.5, [0x30, 0xa0, 0x40]],
      [1, [0x30, 0x40, 0xd0]],
    ] as const) {
      const made = await front('bands.svg', bands, { focusX });
      for (const spot of made.pdf) close(spot, wanted);
      alike(made);
    }
  });

  it('zooms in on what it shows', async () => {
    const ring = svg(
      '<rect width="100" height="100" fill="#3040d0"/><rect x="25" y="25" width="50" height="50" fill="#f0c060"/>',
    );
    const [near, far] = [await front('ring', ring, { zoom: 2.2 }), await front('ring', ring)];
    for (const spot of near.pdf) close(spot, [0xf0, 0xc0, 0x60]);
    close(far.pdf[0]!, [0x30, 0x40, 0xd0]);
  });

  it('embeds a font for words inside vector art', async () => {
    const { path } = await front(
      'words.svg',
      svg(
        '<rect width="100" height="100" fill="#fff"/><text x="5" y="55" font-size="20" font-family="Comic">low tide</text>',
      ),
    );
    const fonts = execFileSync('pdffonts', [path], { encoding: 'utf8' }).trim().split('\n').slice(2);
    expect(fonts.length).to.be.greaterThan(0);
    for (const line of fonts) expect(line).to.match(/\s+yes\s+yes\s+yes\s/);
  });
});
