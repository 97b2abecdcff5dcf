import { polyline, segment } from '../ground/geometry/path.ts';
import { formatLength } from '../ground/length/formatLength.ts';
import { MM_PER_INCH, type Mm } from '../ground/length/types.ts';
import type { Page, Scene, Shape } from '../ground/scene/types.ts';
import { capital, plural, sayDay } from '../job/figures.ts';
import { wantedOf } from '../job/namesList.ts';
import type { Job } from '../job/types.ts';
import { setFence } from '../stations/cut/setFence.ts';
import { SPOIL_CAUSES } from '../stations/make/planMake.ts';
import type { MakeStep } from '../stations/make/types.ts';
import type { Workshop } from '../workshop/types.ts';
import { drawStep } from './drawStep.ts';
import { pageLabel } from './pageLabel.ts';
import { placeScene } from './placeScene.ts';
import { allSnags, type Plan } from './planJob.ts';

const EDGE_MM = 10;
const [TICK_MM, PICTURE_MM, BIG_MM, GAP_MM] = [5, 42, 60, 4] as const;
const SIZE = { title: 7, head: 3.3, big: 10, step: 3.6, detail: 3, foot: 2.6 } as const;
const LINE = 1.32;
/** Letters of the label’s typeface are no wider than this on the whole, in type sizes. */
const LETTER_EM = 0.53;
/** Lettering on the small drawings. */
const DRAWN_TEXT_MM = 2.4;
const LEAST_ROW_MM = 32;
const BAR_MM = 100;
/** One box a card while so many can be ticked; more are counted on the tablet, or by tens. */
const MOST_BOXES = 150;
const BOX_MM = 4;

interface Row {
  readonly heightMm: Mm;
  /** @param topMm where it begins on its page */
  readonly draw: (topMm: Mm) => { readonly symbols: Scene['symbols']; readonly shapes: readonly Shape[] };
}

/**
 * The bench on paper: each step with its small true drawing and its number large, a box to tick, cautions, the count to
 * keep, and a bar that shows whether the page came out at its size. To be read standing; black on white.
 */
export function drawTicket(
  { job, plan, workshop }: { readonly job: Job; readonly plan: Plan; readonly workshop: Workshop },
  date: string | null,
): readonly Page[] {
  const paper =
    workshop.unit === 'in'
      ? { widthMm: 8.5 * MM_PER_INCH, heightMm: 11 * MM_PER_INCH }
      : { widthMm: 210, heightMm: 297 };
  const rows = [
    headRow(job, plan, workshop, date, paper.widthMm),
    ...plan.make.steps.map((step, i) => stepRow(step, i, plan, workshop, paper.widthMm)),
    countRow(job, plan, paper.widthMm),
    ...settleRow(plan, paper.widthMm),
  ];
  const pages: Row[][] = [[]];
  let usedMm = 0;
  for (const row of rows) {
    if (usedMm + row.heightMm > paper.heightMm - 2 * EDGE_MM - SIZE.foot * 2 && pages.at(-1)!.length > 0) {
      pages.push([]);
      usedMm = 0;
    }
    pages.at(-1)!.push(row);
    usedMm += row.heightMm;
  }
  return pages.map((own, i) => {
    let topMm = EDGE_MM;
    const drawn = own.map((row) => {
      const made = row.draw(topMm);
      topMm += row.heightMm;
      return made;
    });
    const box = { xMm: 0, yMm: 0, ...paper };
    const foot = pageLabel(
      `${job.brief.title} · ${i + 1} of ${pages.length}`,
      EDGE_MM,
      paper.heightMm - EDGE_MM + SIZE.foot,
      SIZE.foot,
    );
    const scene: Scene = {
      box,
      symbols: Object.assign({}, ...drawn.map(({ symbols }) => symbols)) as Scene['symbols'],
      shapes: [...drawn.flatMap(({ shapes }) => shapes), foot],
    };
    return { scene, trimBox: box, bleedBox: box };
  });
}

const ruled = (x1: Mm, y1: Mm, x2: Mm, y2: Mm): Shape => ({
  kind: 'path',
  role: 'dimension',
  path: segment(x1, y1, x2, y2),
});
const box = (xMm: Mm, yMm: Mm, sizeMm: Mm): Shape => ({
  kind: 'path',
  role: 'direction',
  path: polyline([
    { xMm, yMm },
    { xMm: xMm + sizeMm, yMm },
    { xMm: xMm + sizeMm, yMm: yMm + sizeMm },
    { xMm, yMm: yMm + sizeMm },
    { xMm, yMm },
  ]),
});

/** From here on letters are as wide as they are high: those of East Asia, and pictures. */
const WIDE_FROM = 0x2e80;
const emOf = (text: string): number =>
  [...text].reduce((em, letter) => em + (letter.codePointAt(0)! >= WIDE_FROM ? 1 : LETTER_EM), 0);

/** Words in lines that fit, broken between them; one that is longer than a line is broken where the line ends. */
function inLines(text: string, widthMm: Mm, sizeMm: Mm): readonly string[] {
  const most = widthMm / sizeMm;
  const lines: string[] = [];
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const last = lines.at(-1);
    if (last !== undefined && emOf(`${last} ${word}`) <= most) {
      lines[lines.length - 1] = `${last} ${word}`;
      continue;
    }
    lines.push('');
    for (const letter of word) {
      const line = lines.at(-1)!;
      if (line !== '' && emOf(line + letter) > most) lines.push(letter);
      else lines[lines.length - 1] = line + letter;
    }
  }
  return lines;
}

const written = (lines: readonly string[], xMm: Mm, topMm: Mm, sizeMm: Mm): readonly Shape[] =>
  lines.map((line, i) => pageLabel(line, xMm, topMm + sizeMm + i * sizeMm * LINE, sizeMm));

const EMPTY: Scene['symbols'] = {};

function headRow(job: Job, plan: Plan, workshop: Workshop, date: string | null, widthMm: Mm): Row {
  const { brief } = job;
  const { sheet, stock } = plan;
  const room = widthMm - 2 * EDGE_MM;
  const due = brief.dueDate ? `due ${sayDay(brief.dueDate, workshop.region)}` : null;
  const printed = sheet.passes.length > 0;
  const facts = [
    `${wantedOf(job)} wanted, ${sheet.spares} ${plural(sheet.spares, 'spare')}`,
    sheet.up > 0
      ? `${sheet.sheets} ${plural(sheet.sheets, 'sheet')} of ${stock.stock.name}, ${sheet.up} up`
      : stock.stock.name,
    ...(printed ? [`${stock.printer.name}, ${stock.path.name}`] : []),
  ].join(' · ');
  const stops = allSnags(plan).filter(({ level }) => level === 'stop');
  const notReady =
    stops.length > 0
      ? inLines(`Not ready to print. ${stops.map(({ title }) => `${title}.`).join(' ')}`, room, 4.2)
      : [];
  const title = inLines(brief.title, room, SIZE.title);
  const small = [
    ...inLines(
      [workshop.studioName, date ? sayDay(date, workshop.region) : null, due].filter(Boolean).join(' · '),
      room,
      SIZE.head,
    ),
    ...inLines(facts, room, SIZE.head),
    ...inLines(brief.notes, room, SIZE.head),
  ];
  const titleMm = title.length * SIZE.title * LINE;
  const stopMm = notReady.length * 4.2 * LINE;
  const smallMm = small.length * SIZE.head * LINE;
  const barMm = printed ? 13 : 0;
  return {
    heightMm: titleMm + stopMm + smallMm + barMm + GAP_MM,
    draw: (topMm) => ({
      symbols: EMPTY,
      shapes: [
        ...written(title, EDGE_MM, topMm, SIZE.title),
        ...written(notReady, EDGE_MM, topMm + titleMm, 4.2),
        ...written(small, EDGE_MM, topMm + titleMm + stopMm, SIZE.head),
        ...(printed ? bar(topMm + titleMm + stopMm + smallMm + 3) : []),
      ],
    }),
  };
}

function bar(yMm: Mm): readonly Shape[] {
  const ticks = Array.from({ length: 11 }, (_, i) => i * 10);
  const line = (x1: Mm, y1: Mm, x2: Mm, y2: Mm): Shape => ({
    kind: 'path',
    role: 'mark',
    path: segment(x1, y1, x2, y2),
  });
  return [
    line(EDGE_MM, yMm + 3, EDGE_MM + BAR_MM, yMm + 3),
    ...ticks.map((mm) => line(EDGE_MM + mm, yMm + (mm % 50 === 0 ? 0 : 1.4), EDGE_MM + mm, yMm + 3)),
    pageLabel(
      'Print at 100 %, no fit to page. This bar is 100 mm long: check it before you print card.',
      EDGE_MM,
      yMm + 7,
      SIZE.foot,
    ),
  ];
}

function stepRow(step: MakeStep, i: number, plan: Plan, workshop: Workshop, widthMm: Mm): Row {
  const { unit } = workshop;
  const set =
    step.kind === 'cut' && step.fenceMm !== undefined ? setFence(step.fenceMm, plan.cut.trimmer, workshop) : null;
  const big = set?.says ? formatLength(set.setMm, unit) : step.big;
  const [pictureX, wordsX] = [EDGE_MM + TICK_MM + GAP_MM, EDGE_MM + TICK_MM + PICTURE_MM + 2 * GAP_MM];
  const detailX = wordsX + BIG_MM + GAP_MM;
  const told = [
    step.detail,
    set?.says ? capital(set.says) : null,
    step.waitMinutes === null ? null : 'Dry at: ____________',
    step.caution ? `Caution. ${step.caution}` : null,
  ].filter((one) => one !== null);
  const detail = told.flatMap((one) => inLines(one, widthMm - EDGE_MM - detailX, SIZE.detail));
  const title = inLines(`${i + 1} · ${step.title}`, BIG_MM, SIZE.step);
  // A long word stands smaller, so that it stays in its column.
  const bigMm = Math.min(SIZE.big, BIG_MM / Math.max(1, emOf(big)));
  const numbers = bigMm < 4.5 ? inLines(big, BIG_MM, 5) : [big];
  const numberMm = bigMm < 4.5 ? 5 : bigMm;
  const titleMm = title.length * SIZE.step * LINE;
  const heightMm = Math.max(
    step.kind === 'dry' ? 18 : LEAST_ROW_MM,
    detail.length * SIZE.detail * LINE + GAP_MM,
    titleMm + numbers.length * numberMm * LINE + GAP_MM,
  );
  const extent = Math.max(plan.sheet.sheetWidthMm, plan.sheet.sheetHeightMm);
  const scene = drawStep(plan, step, { unit, textMm: (DRAWN_TEXT_MM * extent) / Math.min(PICTURE_MM, heightMm) });
  return {
    heightMm,
    draw: (topMm) => {
      const placed = scene
        ? placeScene(
            scene,
            { xMm: pictureX, yMm: topMm + 2, widthMm: PICTURE_MM, heightMm: heightMm - GAP_MM },
            `step-${i}`,
          )
        : { symbols: EMPTY, shapes: [] };
      return {
        symbols: placed.symbols,
        shapes: [
          ruled(EDGE_MM, topMm, widthMm - EDGE_MM, topMm),
          box(EDGE_MM, topMm + 2.5, TICK_MM),
          ...placed.shapes.map(onPaper),
          ...written(title, wordsX, topMm + 1.5, SIZE.step),
          ...written(numbers, wordsX, topMm + 1.5 + titleMm, numberMm),
          ...written(detail, detailX, topMm + 1.5, SIZE.detail),
        ],
      };
    },
  };
}

/** What lies in shade on the slate would be a black block on paper. */
const onPaper = (shape: Shape): Shape =>
  shape.kind === 'path' && shape.role === 'shade' ? { ...shape, fillOpacity: SHADE } : shape;
const SHADE = 0.1;

/** What is counted by hand where no tablet stands by: a box a card, and one for each that is lost, by cause. */
function countRow(job: Job, { sheet }: Plan, widthMm: Mm): Row {
  const wanted = wantedOf(job);
  const boxes = wanted <= MOST_BOXES ? wanted : 0;
  const perLine = Math.floor((widthMm - 2 * EDGE_MM - 24) / (BOX_MM + 1.5) / 10) * 10;
  const goodLines = Math.max(1, Math.ceil(boxes / perLine));
  const goodMm = goodLines * (BOX_MM + 1.8);
  const causeMm = BOX_MM + 1.8;
  const lost = Math.min(10, Math.max(5, sheet.spares));
  const lines = ['Lots', 'Weather', 'Next time'];
  const half = (widthMm - 2 * EDGE_MM) / 2;
  const causesMm = Math.ceil(SPOIL_CAUSES.length / 2) * causeMm;
  return {
    heightMm: 8 + goodMm + causesMm + lines.length * 7 + GAP_MM,
    draw: (topMm) => {
      const goodTop = topMm + 7;
      const causesTop = goodTop + goodMm + 1;
      const linesTop = causesTop + causesMm + 2;
      return {
        symbols: EMPTY,
        shapes: [
          ruled(EDGE_MM, topMm, widthMm - EDGE_MM, topMm),
          pageLabel('As you make them', EDGE_MM, topMm + 5, SIZE.step),
          pageLabel(boxes > 0 ? 'Good' : 'Good: ________', EDGE_MM, goodTop + 3.2, SIZE.detail),
          ...Array.from({ length: boxes }, (_, k) => {
            const [line, at] = [Math.floor(k / perLine), k % perLine];
            return box(
              EDGE_MM + 22 + at * (BOX_MM + 1) + Math.floor(at / 10) * 2,
              goodTop + line * (BOX_MM + 1.8),
              BOX_MM,
            );
          }),
          ...SPOIL_CAUSES.flatMap((cause, k): readonly Shape[] => {
            const [x, y] = [EDGE_MM + (k % 2) * half, causesTop + Math.floor(k / 2) * causeMm];
            return [
              pageLabel(cause, x, y + 3.2, SIZE.detail),
              ...Array.from({ length: lost }, (_, n) => box(x + 22 + n * (BOX_MM + 1), y, BOX_MM)),
            ];
          }),
          ...lines.flatMap((what, k) => [
            pageLabel(what, EDGE_MM, linesTop + k * 7 + 4, SIZE.detail),
            ruled(EDGE_MM + 22, linesTop + k * 7 + 5, widthMm - EDGE_MM, linesTop + k * 7 + 5),
          ]),
        ],
      };
    },
  };
}

/** What a plan still warns of, for whoever reads on. */
function settleRow(plan: Plan, widthMm: Mm): readonly Row[] {
  const warned = allSnags(plan).filter(({ level }) => level !== 'note');
  if (warned.length === 0) return [];
  const lines = warned.flatMap(({ title }) => inLines(`• ${title}`, widthMm - 2 * EDGE_MM, SIZE.detail));
  return [
    {
      heightMm: 8 + lines.length * SIZE.detail * LINE,
      draw: (topMm) => ({
        symbols: EMPTY,
        shapes: [
          ruled(EDGE_MM, topMm, widthMm - EDGE_MM, topMm),
          pageLabel('Still to settle', EDGE_MM, topMm + 5, SIZE.step),
          ...written(lines, EDGE_MM, topMm + 6, SIZE.detail),
        ],
      }),
    },
  ];
}
