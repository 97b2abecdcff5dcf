import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import sharp from 'sharp';
import {
  decide,
  cardAt,
  changeJob,
  newJob,
  planJob,
  type Box,
  type Job,
  type Workshop,
  type TextBlock,
} from '@zippy/core';
import { unpackWoff } from '@zippy/core/typefaces';
import { exportFiles, readPicture, type ExportInput, type Fonts } from '@zippy/server/exports';

/**
 * A thousand names on both sides of cards four up, three lines each, one large picture under all of them: 500 pages
 * and 6000 lines. The least that a script on the same library does for the same sheets stands beside it: pictures,
 * lines, ticks and a slug.
 */
const require = createRequire(import.meta.url);
const CARDS = 1000;
const guest = (i: number): string =>
  `Guest ${['Ebb', 'Flow', 'Spring', 'Neap'][i % 4]} ${String(i + 1).padStart(4, '0')}`;

export const LINES = (i: number): readonly string[] => [
  guest(i),
  `Table ${1 + (i % 16)}`,
  'Lanterns at dusk, supper after',
];

async function named(
  workshop: Workshop,
  fonts: Fonts,
): Promise<{ readonly input: ExportInput; readonly photo: Buffer }> {
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
  const text: TextBlock = {
    id: 'n',
    text: '{name}\nTable {table}\nLanterns at dusk, supper after',
    typefaceId: 'eb-garamond-400',
    sizePt: 14,
    align: 'centre',
    lineSpacing: 1.2,
    colour: '#1d2930',
    leftMm: 4,
    topMm: 20,
    widthMm: 84,
  };
  const placed = {
    background: null,
    picture: { pictureId: 'photo', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false },
    texts: [text],
  };
  const job: Job = changeJob(newJob('Names', workshop), [
    decide((job) => job.size.format, 'flat'),
    decide((job) => job.size.finishedWidthMm, 92),
    decide((job) => job.size.finishedHeightMm, 134),
    decide((job) => job.sheet.spares, 0),
    decide((job) => job.brief.wanted, CARDS),
    decide((job) => job.pictures, { photo: picture.ref }),
    decide((job) => job.names, {
      columns: ['name', 'table'],
      rows: Array.from({ length: CARDS }, (_, i) => [guest(i), String(1 + (i % 16))]),
    }),
    decide((job) => job.art.faces, { front: placed, back: placed }),
  ]);
  const plan = planJob(job, workshop, { typefaces: fonts.book, today: null });
  const bytes = { mime: picture.ref.mime, bytes: picture.bytes };
  return { input: { job, plan, workshop, fonts, pictures: new Map([['photo', bytes]]), date: null }, photo };
}

/** Four pictures, twelve lines, ticks and a slug on every page, as the library’s own guide would have it. */
function plain({ plan, job }: ExportInput, photo: Buffer): Promise<number> {
  return new Promise((done) => {
    const doc = new PDFDocument({ autoFirstPage: false, margin: 0 });
    let bytes = 0;
    doc.on('data', (chunk: Buffer) => (bytes += chunk.length));
    doc.on('end', () => done(bytes));
    // Unpacked, as ours is: the library is slow with packed fonts, and that is no measure of the work.
    const file = readFileSync(require.resolve('@fontsource/eb-garamond/files/eb-garamond-latin-400-normal.woff'));
    doc.registerFont('g', Buffer.from(unpackWoff(file)));
    const image = (doc as unknown as { openImage(bytes: Buffer): PDFKit.Mixins.ImageSrc }).openImage(photo);
    const pt = 72 / 25.4;
    const { sheetWidthMm: wide, sheetHeightMm: high, cells } = plan.sheet;
    const along = (at: (trim: Box) => number, size: (trim: Box) => number): readonly number[] => [
      ...new Set(cells.flatMap(({ trim }) => [at(trim) * pt, (at(trim) + size(trim)) * pt])),
    ];
    const ticks = [
      ...along(
        (t) => t.xMm,
        (t) => t.widthMm,
      ).flatMap((x) => [
        [x, 4 * pt, x, 8 * pt],
        [x, (high - 8) * pt, x, (high - 4) * pt],
      ]),
      ...along(
        (t) => t.yMm,
        (t) => t.heightMm,
      ).flatMap((y) => [
        [4 * pt, y, 8 * pt, y],
        [(wide - 8) * pt, y, (wide - 4) * pt, y],
      ]),
    ] as [number, number, number, number][];
    for (let side = 0; side < 2; side += 1)
      for (let sheet = 1; sheet <= plan.sheet.sheets; sheet += 1) {
        doc.addPage({ size: [plan.sheet.sheetWidthMm * pt, plan.sheet.sheetHeightMm * pt], margin: 0 });
        doc.font('g').fontSize(14).fillColor('#1d2930');
        plan.sheet.placements.forEach(({ trim }, place) => {
          const card = cardAt(place, sheet, plan.sheet.sheets);
          doc.image(image, (trim.xMm - 3) * pt, (trim.yMm - 3) * pt, {
            width: (trim.widthMm + 6) * pt,
            height: (trim.heightMm + 6) * pt,
          });
          if (card < CARDS)
            LINES(card).forEach((line, i) =>
              doc.text(line, (trim.xMm + 4) * pt, (trim.yMm + 20 + 6 * i) * pt, { width: 84 * pt, align: 'center' }),
            );
        });
        for (const [x1, y1, x2, y2] of ticks) doc.moveTo(x1, y1).lineTo(x2, y2);
        doc.lineWidth(0.5).stroke('#1d2930');
        const slug = `${job.brief.title} · ${side === 0 ? 'front' : 'back'} · sheet ${sheet} of ${plan.sheet.sheets}`;
        doc.fontSize(7).text(slug, 20 * pt, (plan.sheet.sheetHeightMm - 6) * pt, { lineBreak: false });
      }
    doc.end();
  });
}

/** Prints time against the plain script, and how much the heap grows from the first tenth of the pages to the last. */
export async function measureNames(workshop: Workshop, fonts: Fonts): Promise<void> {
  const { input, photo } = await named(workshop, fonts);
  const heaps: number[] = [];
  const watched: ExportInput = {
    ...input,
    onProgress: () => {
      globalThis.gc?.();
      heaps.push(process.memoryUsage().heapUsed / 1e6);
    },
  };
  const [times, plains]: [number[], number[]] = [[], []];
  let size = 0;
  for (let round = 0; round < 5; round += 1) {
    let began = performance.now();
    await plain(input, photo);
    plains.push(performance.now() - began);
    began = performance.now();
    const [file] = await exportFiles('sheets', 'pdf', round === 4 ? watched : input);
    times.push(performance.now() - began);
    size = file!.bytes.length;
  }
  const least = (all: readonly number[]): number => Math.min(...all);
  console.log(
    `\n${CARDS} names on both sides, ${2 * input.plan.sheet.sheets} pages, ${(size / 1e6).toFixed(1)} MB, ${least(times).toFixed(0)} ms`,
  );
  console.log(`${'against a plain script'.padEnd(42)} ${(least(times) / least(plains)).toFixed(2).padStart(10)} ×`);
  const tenth = heaps[Math.floor(heaps.length / 10)]!;
  console.log(
    `${'heap at the last page, in that at a tenth'.padEnd(42)} ${(heaps.at(-1)! / tenth).toFixed(2).padStart(10)} ×`,
  );
}
