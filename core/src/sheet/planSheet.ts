import { hasArt } from '../art/drawCard.ts';
import type { ArtPlan } from '../art/planArt.ts';
import { translation, type Affine } from '../geometry/affine.ts';
import { boxAround, corners, evenSides, grow, shrink } from '../geometry/box.ts';
import type { Box, Sides } from '../geometry/types.ts';
import { count, figure, length, plural, share, words } from '../job/figures.ts';
import type { Figure, Job, Remedy, Snag, StationPlan, Stock, Workshop } from '../job/types.ts';
import { formatLength, formatSize } from '../length/formatLength.ts';
import type { Mm } from '../length/types.ts';
import { isFinishable, roundDown, type SizePlan } from '../size/planSize.ts';
import { pathRefusals, type StockPlan } from '../stock/planStock.ts';
import { layOutOnePiece, type LayOut, type LayOutQuestion } from './layOut.ts';
import { TICK_ROOM_MM } from './marks.ts';
import { expectedSpoilShare, sparesFor } from './spares.ts';

export interface Placement {
  readonly trim: Box;
  readonly turned: boolean;
  /** From the blank, outside up, to the sheet, front up. */
  readonly toSheet: Affine;
}

export type SheetSide = 'front' | 'back';

export interface SheetPlan extends StationPlan {
  readonly sheetWidthMm: Mm;
  readonly sheetHeightMm: Mm;
  readonly marginsMm: Sides;
  readonly printable: Box;
  readonly placements: readonly Placement[];
  readonly up: number;
  readonly columns: number;
  readonly rows: number;
  readonly gutterMm: Mm;
  readonly spares: number;
  readonly sheets: number;
  /** Which sides of the sheet are printed. */
  readonly sides: readonly SheetSide[];
  /** How the sheet is turned over between its sides. */
  readonly turnOver: 'leftRight' | 'topBottom';
  readonly bothSidesAtOnce: boolean;
  /** Null when nothing is folded. */
  readonly grainAlongFold: boolean | null;
  readonly marks: boolean;
}

export function planSheet(job: Job, workshop: Workshop, size: SizePlan, art: ArtPlan, stock: StockPlan): SheetPlan {
  const sheet = job.sheet.cutDown ?? { widthMm: stock.stock.sheetWidthMm, heightMm: stock.stock.sheetHeightMm };
  const question = ask(job, size, stock.stock, stock.path.marginsMm, sheet);
  const laid = layOutOnePiece(question);
  const spares = job.sheet.spares ?? sparesFor(job.brief.wanted, workshop.spoilLog);
  const sheets = laid.up === 0 ? 0 : Math.ceil((job.brief.wanted + spares) / laid.up);
  const backPrinted = hasArt(art, 'inside');
  const frontPrinted = hasArt(art, 'outside') || !backPrinted;
  const sides: SheetSide[] = [
    ...(frontPrinted ? (['front'] as const) : []),
    ...(backPrinted ? (['back'] as const) : []),
  ];
  const upright = sheet.heightMm >= sheet.widthMm;
  const turnOver = (job.sheet.flipEdge === 'long') === upright ? 'leftRight' : 'topBottom';
  const free = layOutOnePiece({ ...question, mayLie: { asDrawn: true, turned: true } });
  const grainAlongFold =
    size.form.blank.creases.length === 0 || laid.up === 0
      ? null
      : mayLieForGrain(size, stock.stock)[laid.pieces[0]!.turned ? 'turned' : 'asDrawn'];
  const { unit } = workshop;
  const used = (laid.up * size.form.blank.widthMm * size.form.blank.heightMm) / (sheet.widthMm * sheet.heightMm);
  const figures: Figure[] = [
    figure(
      'up',
      'Cards on a sheet',
      count(laid.up),
      'columns × rows of trims, gutter between, printed area inside the margins',
      {
        Columns: count(laid.columns),
        Rows: count(laid.rows),
        Blank: words(formatSize(size.form.blank.widthMm, size.form.blank.heightMm, unit)),
        Gutter: length(question.gutterMm),
        Bleed: length(size.bleedMm),
      },
    ),
    figure('sheets', 'Sheets', count(sheets), '(wanted + spares) ÷ cards on a sheet, rounded up', {
      Wanted: count(job.brief.wanted),
      Spares: count(spares),
      'Cards on a sheet': count(laid.up),
    }),
    figure(
      'spares',
      'Spares',
      count(spares, 'card'),
      job.sheet.spares === null
        ? 'the fewest for which enough come out good 95 times in 100, from your spoil log'
        : 'as typed',
      {
        'Good so far': count(workshop.spoilLog.good),
        'Spoiled so far': count(workshop.spoilLog.spoiled),
        'Expected to spoil': share(expectedSpoilShare(workshop.spoilLog)),
      },
    ),
    figure(
      'margins',
      'Printer cannot reach',
      words(sayMargins(stock.path.marginsMm, unit)),
      'the unprintable edge of this feed path; trim and bleed stay inside it',
      {
        Top: length(stock.path.marginsMm.top),
        Right: length(stock.path.marginsMm.right),
        Bottom: length(stock.path.marginsMm.bottom),
        Left: length(stock.path.marginsMm.left),
      },
    ),
    figure('used', 'Sheet used', share(used), 'area of the blanks ÷ area of the sheet', {
      'Cards on a sheet': count(laid.up),
    }),
  ];
  if (grainAlongFold !== null)
    figures.push(
      figure(
        'grain',
        'Grain',
        words(grainAlongFold ? 'along the fold' : 'across the fold'),
        'fibres along the fold crease cleanly; turning the blank on the sheet changes which way they run',
        {
          'Up with grain along the fold': count(
            layOutOnePiece({ ...question, mayLie: mayLieForGrain(size, stock.stock) }).up,
          ),
          'Up either way': count(free.up),
        },
      ),
    );
  return {
    sheetWidthMm: sheet.widthMm,
    sheetHeightMm: sheet.heightMm,
    marginsMm: stock.path.marginsMm,
    printable: shrink({ xMm: 0, yMm: 0, ...sheet }, stock.path.marginsMm),
    placements: laid.pieces.map((piece) => place(piece, size)),
    up: laid.up,
    columns: laid.columns,
    rows: laid.rows,
    gutterMm: question.gutterMm,
    spares,
    sheets,
    sides,
    turnOver,
    bothSidesAtOnce: stock.path.printsBothSides,
    grainAlongFold,
    marks: job.sheet.marks,
    verdict:
      laid.up === 0
        ? `The open blank does not fit on a ${formatSize(sheet.widthMm, sheet.heightMm, unit)} sheet with its bleed.`
        : `${laid.up} up, ${sheets} ${plural(sheets, 'sheet')}: ${job.brief.wanted} wanted and ${spares} ${plural(spares, 'spare')}${sides.length === 2 ? `, printed both sides, turned on the ${job.sheet.flipEdge} edge` : ''}.`,
    telling: laid.up === 0 ? 'does not fit' : `${laid.up} up · ${sheets} ${plural(sheets, 'sheet')}`,
    figures,
    snags: [
      ...bleedSnags(job, workshop, size, stock, question, laid),
      ...grainSnags(job, question, laid, free),
      ...shelfSnags(stock.stock, sheets),
      ...cutDownSnags(job, stock, workshop),
      ...markSnags(job, size, question, laid),
    ],
  };
}

const sayMargins = ({ top, right, bottom, left }: Sides, unit: Workshop['unit']): string =>
  top === right && right === bottom && bottom === left
    ? `${formatLength(top, unit)} all round`
    : [top, right, bottom, left].map((mm) => formatLength(mm, unit)).join(', ');

function ask(
  job: Job,
  size: SizePlan,
  stock: Stock,
  marginsMm: Sides,
  sheet: { readonly widthMm: Mm; readonly heightMm: Mm },
): LayOutQuestion {
  return {
    sheetWidthMm: sheet.widthMm,
    sheetHeightMm: sheet.heightMm,
    marginsMm,
    pieceWidthMm: size.form.blank.widthMm,
    pieceHeightMm: size.form.blank.heightMm,
    bleedMm: size.bleedMm,
    // Each neighbour brings its own bleed, so no art of one shows on the other.
    gutterMm: 2 * size.bleedMm,
    mayLie: job.sheet.grain === 'respect' ? mayLieForGrain(size, stock) : { asDrawn: true, turned: true },
  };
}

/** Ways to lay the blank that run the grain along its folds; either way when nothing is folded. */
function mayLieForGrain(size: SizePlan, stock: Stock): LayOutQuestion['mayLie'] {
  const [crease] = size.form.blank.creases;
  if (!crease) return { asDrawn: true, turned: true };
  const creaseUpright = crease.from.xMm === crease.to.xMm;
  const longUpright = stock.sheetHeightMm >= stock.sheetWidthMm;
  const grainUpright = (stock.grain === 'long') === longUpright;
  return { asDrawn: creaseUpright === grainUpright, turned: creaseUpright !== grainUpright };
}

function place({ trim, turned }: LayOut['pieces'][number], size: SizePlan): Placement {
  // A quarter turn clockwise carries the blank's left edge to the top.
  const toSheet: Affine = turned
    ? [0, 1, -1, 0, trim.xMm + size.form.blank.heightMm, trim.yMm]
    : translation(trim.xMm, trim.yMm);
  return { trim, turned, toSheet };
}

/** What an unbled, borderless grid would hold: the count a maker has in mind when halving or quartering a sheet. */
function nakedUp(question: LayOutQuestion): number {
  return layOutOnePiece({ ...question, marginsMm: evenSides(0), bleedMm: 0, gutterMm: 0 }).up;
}

function bleedSnags(
  job: Job,
  workshop: Workshop,
  size: SizePlan,
  stock: StockPlan,
  question: LayOutQuestion,
  laid: LayOut,
): readonly Snag[] {
  const naked = nakedUp(question);
  if (naked <= laid.up && laid.up > 0) return [];
  const { unit } = workshop;
  const remedies: Remedy[] = [];
  const unbled = size.bleedMm > 0 ? layOutOnePiece({ ...question, bleedMm: 0, gutterMm: 0 }).up : 0;
  if (unbled > laid.up)
    remedies.push({
      label: `Drop the bleed: ${unbled} up, with art kept off the edges`,
      changes: [{ path: ['size', 'bleedMm'], value: 0 }],
    });
  // A blank larger than the bare sheet is offered the largest size of which one fits.
  const goal = Math.max(1, naked);
  const smaller = trimmedToFit(job, size, question, goal);
  if (smaller)
    remedies.push({
      label: `Trim the card to ${formatSize(smaller.widthMm, smaller.heightMm, unit)}: ${goal} up`,
      changes: [
        { path: ['size', 'finishedWidthMm'], value: smaller.widthMm },
        { path: ['size', 'finishedHeightMm'], value: smaller.heightMm },
      ],
    });
  for (const other of workshop.stocks) {
    if (
      other.id === stock.stock.id ||
      other.gsm < stock.stock.gsm * 0.75 ||
      pathRefusals(stock.path, other, workshop).length > 0
    )
      continue;
    const up = layOutOnePiece(
      ask({ ...job, sheet: { ...job.sheet, cutDown: null } }, size, other, stock.path.marginsMm, {
        widthMm: other.sheetWidthMm,
        heightMm: other.sheetHeightMm,
      }),
    ).up;
    if (up > laid.up)
      remedies.push({
        label: `Use ${other.name}: ${up} up`,
        changes: [
          { path: ['stock', 'stockId'], value: other.id },
          { path: ['sheet', 'cutDown'], value: null },
        ],
      });
  }
  const sheetSize = formatSize(question.sheetWidthMm, question.sheetHeightMm, unit);
  return [
    {
      id: 'sheet-no-bleed',
      station: 'sheet',
      level: laid.up === 0 ? 'stop' : 'note',
      title:
        naked === 0
          ? 'The open blank is larger than the sheet'
          : laid.up === 0
            ? 'Nothing left for bleed'
            : `Nothing left for bleed at ${naked} up, so it is ${laid.up} up`,
      why:
        naked === 0
          ? `It is ${formatSize(size.form.blank.widthMm, size.form.blank.heightMm, unit)} and the sheet ${sheetSize}.`
          : `Edge to edge ${naked} would come out of a ${sheetSize} sheet; bleed on every side and the printer’s margins leave room for ${laid.up}.`,
      remedies: remedies.slice(0, 5),
    },
  ];
}

/**
 * The largest finished size, no larger than now, of which `up` fit with bleed. For each grid of that many
 * the room per blank is (usable − n·2·bleed) ÷ n; panels share it. Null when no sensible size does it.
 */
function trimmedToFit(
  job: Job,
  size: SizePlan,
  q: LayOutQuestion,
  up: number,
): { readonly widthMm: Mm; readonly heightMm: Mm } | null {
  const usableW = q.sheetWidthMm - q.marginsMm.left - q.marginsMm.right;
  const usableH = q.sheetHeightMm - q.marginsMm.top - q.marginsMm.bottom;
  const panelsAcross = size.form.blank.widthMm / size.finishedWidthMm;
  const panelsDown = size.form.blank.heightMm / size.finishedHeightMm;
  let best: { widthMm: Mm; heightMm: Mm } | null = null;
  for (let columns = 1; columns <= up; columns += 1) {
    if (up % columns !== 0) continue;
    const rows = up / columns;
    for (const turned of [false, true]) {
      if (!(turned ? q.mayLie.turned : q.mayLie.asDrawn)) continue;
      const [roomX, roomY] = [usableW / columns - q.gutterMm, usableH / rows - q.gutterMm];
      const [roomW, roomH] = turned ? [roomY, roomX] : [roomX, roomY];
      const widthMm = Math.min(job.size.finishedWidthMm, roundDown(roomW / panelsAcross));
      const heightMm = Math.min(job.size.finishedHeightMm, roundDown(roomH / panelsDown));
      if (!isFinishable(widthMm) || !isFinishable(heightMm)) continue;
      if (!best || widthMm * heightMm > best.widthMm * best.heightMm) best = { widthMm, heightMm };
    }
  }
  return best;
}

function grainSnags(job: Job, question: LayOutQuestion, laid: LayOut, free: LayOut): readonly Snag[] {
  if (job.sheet.grain === 'respect' && free.up > laid.up)
    return [
      {
        id: 'sheet-grain-costs',
        station: 'sheet',
        level: laid.up === 0 ? 'warn' : 'note',
        title: `Keeping the grain along the fold costs ${free.up - laid.up} up`,
        why: `${laid.up} up with the fibres along the fold, ${free.up} up if they may run across it. A fold across the grain is rougher and may crack.`,
        remedies: [
          {
            label: `Let the grain run across: ${free.up} up`,
            changes: [{ path: ['sheet', 'grain'], value: 'ignore' }],
          },
        ],
      },
    ];
  const along = question.mayLie.asDrawn && question.mayLie.turned && job.sheet.grain === 'ignore';
  return along && laid.up > 0 && laid.up === free.up && job.size.format !== 'flat'
    ? [
        {
          id: 'sheet-grain-ignored',
          station: 'sheet',
          level: 'note',
          title: 'Grain is not minded on this job',
          why: 'The blank lies whichever way gives most cards, even if the fold then runs across the fibres.',
          remedies: [
            { label: 'Keep the grain along the fold', changes: [{ path: ['sheet', 'grain'], value: 'respect' }] },
          ],
        },
      ]
    : [];
}

function shelfSnags(stock: Stock, sheets: number): readonly Snag[] {
  if (sheets <= stock.onShelf) return [];
  return [
    {
      id: 'sheet-shelf',
      station: 'sheet',
      level: 'warn',
      title: `${sheets - stock.onShelf} ${plural(sheets - stock.onShelf, 'sheet')} short`,
      why: `The run takes ${sheets}; the shelf holds ${stock.onShelf} of ${stock.name}.`,
      remedies: [],
    },
  ];
}

/** Ticks stand between the bleed and the printable edge; a sheet filled to its margins has no room for them. */
function markSnags(job: Job, size: SizePlan, q: LayOutQuestion, laid: LayOut): readonly Snag[] {
  if (!job.sheet.marks || laid.up === 0) return [];
  const block = boxAround(laid.pieces.flatMap(({ trim }) => corners(grow(trim, evenSides(size.bleedMm)))));
  const rooms = [
    block.xMm - q.marginsMm.left,
    block.yMm - q.marginsMm.top,
    q.sheetWidthMm - q.marginsMm.right - block.xMm - block.widthMm,
    q.sheetHeightMm - q.marginsMm.bottom - block.yMm - block.heightMm,
  ];
  if (rooms.some((room) => room >= TICK_ROOM_MM)) return [];
  return [
    {
      id: 'sheet-no-marks',
      station: 'sheet',
      level: 'note',
      title: 'No room for ticks',
      why: 'The cards fill the sheet up to the printer’s margins, so no tick or slug is printed. The fence settings at Cut need none.',
      remedies: [],
    },
  ];
}

function cutDownSnags(job: Job, { stock }: StockPlan, { unit }: Workshop): readonly Snag[] {
  const cut = job.sheet.cutDown;
  if (!cut || (cut.widthMm <= stock.sheetWidthMm && cut.heightMm <= stock.sheetHeightMm)) return [];
  return [
    {
      id: 'sheet-cut-down',
      station: 'sheet',
      level: 'stop',
      title: 'The cut-down sheet is larger than the stock',
      why: `${formatSize(cut.widthMm, cut.heightMm, unit)} does not come out of a ${formatSize(stock.sheetWidthMm, stock.sheetHeightMm, unit)} sheet.`,
      remedies: [{ label: 'Print on the whole sheet', changes: [{ path: ['sheet', 'cutDown'], value: null }] }],
    },
  ];
}
