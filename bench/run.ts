import highsLoader from 'highs';
import PDFDocument from 'pdfkit';
import { Bench } from 'tinybench';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import {
  decide,
  changeJob,
  drawSheetPage,
  FORMATS,
  fromHighs,
  insideMargins,
  layOutOnePiece,
  newJob,
  offset,
  planShared,
  planJob,
  posesAt,
  svgNodes,
  svgText,
  type FormatId,
  type Job,
  type Workshop,
} from '@zippy/core';
import { exportFiles, loadFonts, type ExportInput } from '@zippy/server/exports';
import { readSharedOrder } from '@zippy/core/job-file';
import { readTypeface, unpackWoff } from '@zippy/core/typefaces';
import { measureNames } from './names.ts';
import { comparePackers, measureDozens } from './packers.ts';
import { addPopUps } from './popUps.ts';
import { measureServing } from './serving.ts';

/**
 * Performance as ratios within one run: this machine’s seconds mean little on another, but how many times
 * longer one piece of work takes than a plain one beside it travels well.
 */
const require = createRequire(import.meta.url);
const workshop: Workshop = {
  ...(JSON.parse(readFileSync(new URL('../demo/workshop.json', import.meta.url), 'utf8')) as Workshop),
  spoilLog: { good: 120, spoiled: 6 },
};
const fonts = await loadFonts();
const context = { typefaces: fonts.book, today: null };

const words = (text: string, topMm: number) => ({
  id: `w${topMm}`,
  text,
  typefaceId: 'eb-garamond-400',
  sizePt: 13,
  align: 'centre' as const,
  lineSpacing: 1.3,
  colour: '#1d2930',
  leftMm: 8,
  topMm,
  widthMm: 80,
});
const sentence =
  'The Lantern Regatta sails at dusk. Supper follows in the old net loft, from seven until the tide turns.';
const bare: Job = changeJob(newJob('Bare', workshop), [
  decide((job) => job.size.finishedWidthMm, 96),
  decide((job) => job.size.finishedHeightMm, 136),
]);
const worded = changeJob(bare, [
  decide((job) => job.art.faces, {
    front: { background: '#14263c', picture: null, texts: [words(sentence, 20)] },
    insideBack: { background: null, picture: null, texts: [words(sentence, 20), words(sentence, 70)] },
  }),
]);
/** The same job with one letter more each time, as while typing. */
let typed = 0;
const typing = (): Job => {
  typed += 1;
  const job = changeJob(worded, [
    decide((job) => job.art.faces.at('front').texts.at(0).text, `${sentence}${'.'.repeat(typed % 60)}${typed}`),
  ]);
  return job;
};
const input = (wanted: number): ExportInput => {
  const job = changeJob(worded, [decide((job) => job.brief.wanted, wanted), decide((job) => job.sheet.spares, 0)]);
  return { job, plan: planJob(job, workshop, context), workshop, fonts, pictures: new Map(), date: null };
};
const [small, large] = [input(20), input(500)];
const plan = planJob(worded, workshop, context);
const garamond = readFileSync(require.resolve('@fontsource/eb-garamond/files/eb-garamond-latin-400-normal.woff'));
// The library is slow with packed fonts, and that is no measure of the work.
const unpacked = Buffer.from(unpackWoff(garamond));

/** The least a script on the same library would do for as many pages: the same words, set anew on every page. */
function plainPdf(pages: number): Promise<number> {
  return new Promise((done) => {
    const doc = new PDFDocument({ autoFirstPage: false, margin: 0 });
    let bytes = 0;
    doc.on('data', (chunk: Buffer) => (bytes += chunk.length));
    doc.on('end', () => done(bytes));
    doc.registerFont('g', unpacked);
    for (let i = 0; i < pages; i += 1) {
      doc.addPage({ size: [595.28, 841.89], margin: 0 });
      doc.font('g').fontSize(13);
      for (const y of [60, 460]) for (const x of [40, 320]) doc.text(sentence, x, y, { width: 227, align: 'center' });
    }
    doc.end();
  });
}

/** Every format at one size, with what it asks at its starting values. */
const formats = FORMATS.map(({ id }) => ({
  id,
  job: changeJob(bare, [
    decide((job) => job.size.format, id),
    decide((job) => job.size.finishedWidthMm, 80),
    decide((job) => job.size.finishedHeightMm, 110),
  ]),
}));
const planOf = (id: FormatId) => planJob(formats.find((f) => f.id === id)!.job, workshop, context).size;
const foldedInSixty = (size: ReturnType<typeof planOf>): void => {
  for (let i = 0; i <= 60; i += 1) posesAt(size, { done: (i / 60) * size.form.steps.length });
};
const folds = (['sideFold', 'rollFold', 'zigzag', 'hingedShape'] as const).map((id) => ({ id, size: planOf(id) }));
const ring = (points: number): readonly { readonly xMm: number; readonly yMm: number }[] =>
  Array.from({ length: points }, (_, i) => {
    const t = (2 * Math.PI * i) / points;
    const r = 50 + 6 * Math.cos(7 * t);
    return { xMm: r * Math.cos(t), yMm: r * Math.sin(t) };
  });
const [square, shape] = [ring(4), ring(200)];

/** A spread of home pieces on home sheets; every call asks a size it has not asked before. */
const HOME_PIECES = [
  [148, 105],
  [139.7, 107.95],
  [85, 55],
  [88.9, 50.8],
  [130, 130],
  [192, 136],
  [63.5, 88.9],
  [45, 31],
] as const;
let asked = 0;
const mostOf = (pieces: readonly (readonly [number, number])[], sheet: readonly [number, number]): void => {
  asked += 1;
  for (const [w, h] of pieces)
    layOutOnePiece({
      sheetWidthMm: sheet[0],
      sheetHeightMm: sheet[1],
      fromEdgesMm: insideMargins({ top: 3.4, right: 3.4, bottom: 3.4, left: 3.4 }, 3),
      pieceWidthMm: w + (asked % 997) * 1e-5,
      pieceHeightMm: h,
      gutterMm: 6,
      mayLie: { asDrawn: true, turned: true },
    });
};

const solve = fromHighs(await highsLoader());
const order = readSharedOrder(
  JSON.parse(readFileSync(new URL('../demo/orders/regatta-supper.json', import.meta.url), 'utf8')),
);
if (!order.ok) throw new Error(order.why);
const shared = planShared(order.value, solve);
if (!shared.ok) throw new Error(shared.why);

const bench = new Bench({ time: 700, warmupTime: 150 });
bench
  .add('plan: a bare side fold', () => void planJob(bare, workshop, context))
  .add('plan: with three blocks of words', () => void planJob(worded, workshop, context))
  .add('plan: while one block is being typed', () => void planJob(typing(), workshop, context))
  .add('offset: a shape of 4 points', () => void offset(square, 3))
  .add('offset: a shape of 200 points', () => void offset(shape, 3))
  .add('most: eight home pieces on A4', () => mostOf(HOME_PIECES, [210, 297]))
  .add('most: eight home pieces on 13 × 19 in', () => mostOf(HOME_PIECES, [330.2, 482.6]))
  .add('most: a tag of 31.7 × 22.3 mm on A3', () => mostOf([[31.7, 22.3]], [297, 420]))
  .add('shared: the regatta supper’s five kinds', () => void planShared(order.value, solve))
  .add('font: read a typeface from its file', () => void readTypeface('g', garamond))
  .add('screen: draw a sheet as SVG', () => {
    const { scene } = drawSheetPage(plan.size, plan.art, plan.sheet, 'front', {
      title: 'Bench',
      date: null,
      sheetNumber: 1,
    });
    svgNodes(scene, { pictureHref: () => '' })
      .map(svgText)
      .join('');
  })
  .add('pdf: 20 pages, plain script', () => plainPdf(20))
  .add('pdf: 20 pages, ours', () => exportFiles('sheets', 'pdf', small))
  .add('pdf: 500 pages, plain script', () => plainPdf(500))
  .add('pdf: 500 pages, ours', () => exportFiles('sheets', 'pdf', large));
for (const { id, job } of formats) bench.add(`plan: ${id}`, () => void planJob(job, workshop, context));
for (const { id, size } of folds) bench.add(`fold at 60 steps: ${id}`, () => foldedInSixty(size));
const popUps = addPopUps(bench, bare, workshop, (job) => planJob(job, workshop, context));
await bench.run();

const median = new Map(
  bench.tasks.map((task) => {
    if (!('latency' in task.result)) throw new Error(`${task.name} did not finish`);
    return [task.name, task.result.latency.p50] as const;
  }),
);
const RATIOS: readonly (readonly [string, string, string])[] = [
  ['words cost a plan', 'plan: with three blocks of words', 'plan: a bare side fold'],
  ['typing costs a plan', 'plan: while one block is being typed', 'plan: a bare side fold'],
  ['a typeface read, in bare plans', 'font: read a typeface from its file', 'plan: a bare side fold'],
  ['a sheet drawn, in bare plans', 'screen: draw a sheet as SVG', 'plan: a bare side fold'],
  ['20 pages against a plain script', 'pdf: 20 pages, ours', 'pdf: 20 pages, plain script'],
  ['500 pages against a plain script', 'pdf: 500 pages, ours', 'pdf: 500 pages, plain script'],
  ...formats
    .filter(({ id }) => id !== 'sideFold')
    .map(({ id }) => [`plan of ${id}, in side folds`, `plan: ${id}`, 'plan: sideFold'] as const),
  ...folds
    .filter(({ id }) => id !== 'sideFold')
    .map(
      ({ id }) =>
        [`60 steps of ${id}, in side folds`, `fold at 60 steps: ${id}`, 'fold at 60 steps: sideFold'] as const,
    ),
  ['60 steps, in plans of a side fold', 'fold at 60 steps: sideFold', 'plan: sideFold'],
  ['offset of 200 points, in plans of a side fold', 'offset: a shape of 200 points', 'plan: sideFold'],
  ['eight pieces on A4, in plans of a side fold', 'most: eight home pieces on A4', 'plan: sideFold'],
  ['eight on 13 × 19 in, in those on A4', 'most: eight home pieces on 13 × 19 in', 'most: eight home pieces on A4'],
  ['a small tag on A3, in eight pieces on A4', 'most: a tag of 31.7 × 22.3 mm on A3', 'most: eight home pieces on A4'],
  [
    'the mixed order, in eight pieces on 13 × 19 in',
    'shared: the regatta supper’s five kinds',
    'most: eight home pieces on 13 × 19 in',
  ],
  ...popUps,
  ['25 times the pages', 'pdf: 500 pages, ours', 'pdf: 20 pages, ours'],
];
for (const [name, ms] of median) console.log(`${name.padEnd(42)} ${ms.toFixed(3).padStart(10)} ms`);
console.log();
for (const [name, over, under] of RATIOS)
  console.log(`${name.padEnd(42)} ${(median.get(over)! / median.get(under)!).toFixed(2).padStart(10)} ×`);
console.log(
  `${'sheets of the mixed order, in its bound'.padEnd(42)} ${(shared.sheets / shared.bound).toFixed(2).padStart(10)} ×`,
);
comparePackers(solve);
measureDozens(solve);
await measureNames(workshop, fonts);
await measureServing();
