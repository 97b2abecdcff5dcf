import { sheetPriceOf } from '../../../workshop/sheetPrice.ts';
import { calibrationFor, measuredOn } from '../../../workshop/calibration/chooseCalibration.ts';
import { registerOf } from '../../../workshop/calibration/fitRegister.ts';
import { isUsable } from '../../../workshop/calibration/sayRegister.ts';
import { turnOf } from '../../../ground/geometry/affine.ts';
import { TOUCHES_MM } from '../../art/faces/edges.ts';
import { boxOf, type FacePlan } from '../../art/faces/items.ts';
import { boxAround, corners, evenSides, grow, isInside, mapBox, shrink } from '../../../ground/geometry/box.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { ArtPlan } from '../../art/types.ts';
import type { FoldedForm, PaperSide } from '../../../ground/fold/types.ts';
import { changeJob } from '../../../job/changeJob.ts';
import { plural } from '../../../job/figures.ts';
import { sortedBy } from '../../../job/sorted.ts';
import type { Job } from '../../../job/types.ts';
import { decide } from '../../../job/decide.ts';
import type { Remedy, Snag } from '../../../job/findings.ts';
import type { MachineFacts, Stock, Workshop } from '../../../workshop/types.ts';
import { formatSize } from '../../../ground/length/formatLength.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { cellOf, type Cell } from '../../size/cell.ts';
import { formOf, settleOptions } from '../../size/formats/index.ts';
import { isFinishable, roundDown } from '../../size/limits.ts';
import { planSize, type SizePlan } from '../../size/planSize.ts';
import { pathRefusals, type StockFacts } from '../../stock/planStock.ts';
import { insideMargins } from '../layout/edges.ts';
import { layOutOnePiece, type LayOut, type LayOutQuestion } from '../layout/layOut.ts';
import { TICK_ROOM_MM } from '../layout/marks.ts';
import type { WorkAndTurn } from '../types.ts';
import { LIGHTEST_SHARE, ask } from '../layout/question.ts';
import type { FoundSheet } from '../sheetFigures.ts';
import { more, type Asked } from './asked.ts';
import { leavingBorder, otherPaths, sayMissing } from './bandSnags.ts';
import { tryOut } from '../layout/tryOut.ts';

/** No ink, so that its edges may be the sheet’s. */
const BARE_CARD = { fromEdgesMm: insideMargins(evenSides(0), 0), gutterMm: 0 };

/** What an unbled, borderless grid would hold: the count a maker has in mind when halving or quartering a sheet. */
const layNaked = (question: LayOutQuestion): LayOut => layOutOnePiece({ ...question, ...BARE_CARD });

export function bleedSnags(
  asked: Asked,
  size: SizePlan,
  stock: StockFacts,
  { question, laid, cell, sheet }: Pick<FoundSheet, 'question' | 'laid' | 'cell' | 'sheet'>,
): readonly Snag[] {
  const edgeToEdge = layNaked(question);
  const naked = edgeToEdge.up;
  if (naked <= laid.up && laid.up > 0) return [];
  const { job, workshop } = asked;
  const { unit } = workshop;
  // Nested blanks are counted as cards, and lie closer without bleed between them.
  const per = cell.blanks.length;
  const remedies = [
    size.bleedMm > 0
      ? more(
          asked,
          [decide((job) => job.size.bleedMm, 0)],
          (up) => `Drop the bleed: ${up} up, with art kept off the edges`,
        )
      : null,
    leavingBorder(asked, stock, size.form.blank),
    // A blank larger than the bare sheet is offered the largest size of which one fits.
    trimming(asked, trimmedToFit(job, size, stock, question, Math.max(1, naked), per)),
    ...sortedBy(
      workshop.stocks.filter(
        (other) =>
          other.id !== stock.stock.id &&
          !other.readyCut &&
          other.gsm >= stock.stock.gsm * LIGHTEST_SHARE &&
          pathRefusals(stock.path, other, workshop).length === 0,
      ),
      (other) => Math.abs(other.gsm - stock.stock.gsm),
      sheetPriceOf,
    ).map((other) =>
      more(
        asked,
        [decide((job) => job.stock.stockId, other.id), decide((job) => job.sheet.cutDown, null)],
        (up) => `Use ${other.name}: ${up} up`,
      ),
    ),
    ...otherPaths(asked, stock),
  ].filter((remedy) => remedy !== null);
  const fitsAcross = layOutOnePiece({
    ...question,
    ...BARE_CARD,
    mayLie: { asDrawn: true, turned: true },
  }).up;
  const sheetSize = formatSize(question.sheetWidthMm, question.sheetHeightMm, unit);
  const short = size.bleedMm > 0 ? 'Nothing left for bleed' : 'Ink comes to where the printer does not reach';
  return [
    {
      id: 'sheet-no-bleed',
      station: 'sheet',
      level: laid.up === 0 ? 'stop' : 'note',
      title:
        naked === 0
          ? fitsAcross > 0
            ? 'The open blank fits only with the grain across its fold'
            : 'The open blank is larger than the sheet'
          : laid.up === 0
            ? short
            : `${short} at ${naked * per} up, so it is ${laid.up * per} up`,
      why:
        naked === 0
          ? `It is ${formatSize(size.form.blank.widthMm, size.form.blank.heightMm, unit)} and the sheet ${sheetSize}.`
          : `Edge to edge ${naked * per} would come out of a ${sheetSize} sheet; ${size.bleedMm > 0 ? 'bleed on every side and the printer’s margins leave' : 'the printer’s margins leave'} room for ${laid.up * per}.${naked > 0 ? sayMissing(asked, stock, sheet, turnsOf(edgeToEdge, cell)) : ''}`,
      remedies: remedies.slice(0, 5),
    },
  ];
}

/** By how many quarters the cards of a layout lie turned, as the first of them does. */
const turnsOf = ({ pieces }: LayOut, { blanks }: Cell): number =>
  (pieces[0]?.turned ? 1 : 0) + (blanks[0]![0] < 0 ? 2 : 0);

/** A smaller card, where it gives more and leaves nothing that would be said of it again. */
function trimming(asked: Asked, smaller: { readonly widthMm: Mm; readonly heightMm: Mm } | null): Remedy | null {
  if (!smaller) return null;
  const { job, workshop, ink, comesOut } = asked;
  const changes = [
    decide((job) => job.size.finishedWidthMm, smaller.widthMm),
    decide((job) => job.size.finishedHeightMm, smaller.heightMm),
  ];
  const tried = tryOut(job, workshop, ink, changes);
  if (tried.comesOut <= comesOut || layNaked(tried.question).up * tried.cell.blanks.length > tried.comesOut)
    return null;
  // A format may not fold at that size.
  if (planSize({ job: changeJob(job, changes), workshop }).snags.some(({ level }) => level === 'stop')) return null;
  return {
    label: `Trim the card to ${formatSize(smaller.widthMm, smaller.heightMm, workshop.unit)}: ${tried.comesOut} up`,
    changes,
  };
}

/**
 * The largest finished size, no larger than now, of which `up` fit with bleed. For each grid of that many
 * the room per blank is (usable + gutter) ÷ n − gutter; panels share it. Every size is asked of the sheet before it
 * is offered: at another size a format may fold elsewhere, and its grain then lies another way. Null when no
 * sensible size does it.
 */
function trimmedToFit(
  job: Job,
  size: SizePlan,
  stock: StockFacts,
  q: LayOutQuestion,
  up: number,
  per: number,
): { readonly widthMm: Mm; readonly heightMm: Mm } | null {
  // The room a blank takes grows in step with the finished size; what does not grow is what one panel less leaves.
  const formAt = (widthMm: Mm, heightMm: Mm): FoldedForm => {
    const { options } = settleOptions(job.size.format, { widthMm, heightMm }, job.size.options);
    return formOf(job.size.format, { widthMm, heightMm }, options, { caliperMm: size.folding.caliperMm });
  };
  const cellAt = (widthMm: Mm, heightMm: Mm): Cell => cellOf(formAt(widthMm, heightMm), size.bleedMm, per);
  const holds = (widthMm: Mm, heightMm: Mm): boolean => {
    const then = { ...size, form: formAt(widthMm, heightMm) };
    const sheet = { widthMm: q.sheetWidthMm, heightMm: q.sheetHeightMm };
    const asked = ask(job, then, stock.stock, q.fromEdgesMm, sheet, cellOf(then.form, size.bleedMm, per), q.mayLie);
    return layOutOnePiece(asked).up >= up;
  };
  const { finishedWidthMm: w, finishedHeightMm: h } = size;
  const [now, less] = [cellAt(w, h), cellAt(w * 0.98, h * 0.98)];
  const panelsAcross = (now.widthMm - less.widthMm) / (w * 0.02);
  const panelsDown = (now.heightMm - less.heightMm) / (h * 0.02);
  const fixedAcross = now.widthMm - panelsAcross * w;
  const fixedDown = now.heightMm - panelsDown * h;
  let best: { widthMm: Mm; heightMm: Mm } | null = null;
  for (let columns = 1; columns <= up; columns += 1) {
    if (up % columns !== 0) continue;
    const rows = up / columns;
    for (const turned of [false, true]) {
      if (!(turned ? q.mayLie.turned : q.mayLie.asDrawn)) continue;
      const { top, right, bottom, left } = q.fromEdgesMm[turned ? 'turned' : 'asDrawn'];
      const [usableW, usableH] = [q.sheetWidthMm - left - right, q.sheetHeightMm - top - bottom];
      const roomX = (usableW + q.gutterMm) / columns - q.gutterMm;
      const roomY = (usableH + q.gutterMm) / rows - q.gutterMm;
      const [roomW, roomH] = turned ? [roomY, roomX] : [roomX, roomY];
      const widthMm = Math.min(job.size.finishedWidthMm, roundDown((roomW - fixedAcross) / panelsAcross));
      const heightMm = Math.min(job.size.finishedHeightMm, roundDown((roomH - fixedDown) / panelsDown));
      if (!isFinishable(widthMm) || !isFinishable(heightMm)) continue;
      if (best && widthMm * heightMm <= best.widthMm * best.heightMm) continue;
      if (holds(widthMm, heightMm)) best = { widthMm, heightMm };
    }
  }
  return best;
}

export function grainSnags(asked: Asked, question: LayOutQuestion, folded: boolean): readonly Snag[] {
  const { job, workshop, ink, comesOut } = asked;
  const across = [decide((job) => job.sheet.grain, 'ignore')];
  const free = job.sheet.grain === 'respect' && folded ? tryOut(job, workshop, ink, across).comesOut : comesOut;
  if (free > comesOut)
    return [
      {
        id: 'sheet-grain-costs',
        station: 'sheet',
        level: comesOut === 0 ? 'warn' : 'note',
        title: `Keeping the grain along the fold costs ${free - comesOut} up`,
        why: `${comesOut} up with the fibres along the fold, ${free} up if they may run across it. A fold across the grain is rougher and may crack.`,
        remedies: [{ label: `Let the grain run across: ${free} up`, changes: across }],
      },
    ];
  const kept = [decide((job) => job.sheet.grain, 'respect')];
  const given =
    job.sheet.grain === 'prefer' && folded && comesOut > 0 ? tryOut(job, workshop, ink, kept).comesOut : null;
  if (given !== null && given < comesOut)
    return [
      {
        id: 'sheet-grain-given-up',
        station: 'sheet',
        level: 'note',
        title: `The grain is not kept along the fold: that would be ${given} up instead of ${comesOut}`,
        why: `Grain is kept where it costs no card. Here the fibres run across a fold, which is then rougher and may crack; ${given === 0 ? 'along it no card comes out of this sheet' : `along it ${given} ${given === 1 ? 'card comes' : 'cards come'} out of a sheet`}.`,
        remedies: given > 0 ? [{ label: `Keep the grain along the fold: ${given} up`, changes: kept }] : [],
      },
    ];
  const along = question.mayLie.asDrawn && question.mayLie.turned && job.sheet.grain === 'ignore';
  return along && comesOut > 0 && folded
    ? [
        {
          id: 'sheet-grain-ignored',
          station: 'sheet',
          level: 'note',
          title: 'Grain is not minded on this job',
          why: 'The blank lies whichever way gives most cards, even if the fold then runs across the fibres.',
          remedies: [
            { label: 'Keep the grain along the fold', changes: [decide((job) => job.sheet.grain, 'respect')] },
          ],
        },
      ]
    : [];
}

export function shelfSnags(stock: Stock, sheets: number): readonly Snag[] {
  if (sheets <= stock.onShelf) return [];
  return [
    {
      id: 'sheet-shelf',
      station: 'sheet',
      level: 'warn',
      title: `${sheets - stock.onShelf} ${plural(sheets - stock.onShelf, stock.readyCut ? 'card' : 'sheet')} short`,
      why: `The run takes ${sheets}; the shelf holds ${stock.onShelf} of ${stock.name}.`,
      remedies: [],
    },
  ];
}

/** Ticks stand between the bleed and the printable edge; a sheet filled to its margins has no room for them. */
export function markSnags(
  job: Job,
  { sheet, marginsMm, bleedMm, laid }: Pick<FoundSheet, 'sheet' | 'marginsMm' | 'bleedMm' | 'laid'>,
): readonly Snag[] {
  if (!job.sheet.marks || laid.up === 0) return [];
  const block = boxAround(laid.pieces.flatMap(({ trim }) => corners(grow(trim, evenSides(bleedMm)))));
  const rooms = [
    block.xMm - marginsMm.left,
    block.yMm - marginsMm.top,
    sheet.widthMm - marginsMm.right - block.xMm - block.widthMm,
    sheet.heightMm - marginsMm.bottom - block.yMm - block.heightMm,
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

/** Cards fill the sheet and the machine would find no mark on it, or it looks for none. */
export const noMachineMarks = (asked: Asked, { findsMarks = true }: MachineFacts): Snag => ({
  ...(findsMarks
    ? {
        id: 'sheet-no-machine-marks',
        title: 'No room for the cutting machine’s marks',
        why: 'A card lies wherever one of the three marks must be, so the machine could not find the print.',
      }
    : {
        id: 'sheet-machine-blind',
        title: 'The cutting machine looks for no marks',
        why: 'A printed sheet lies a little askew in every machine, and one that finds no marks on it cuts beside the print. It cuts bare card.',
      }),
  station: 'sheet',
  level: 'stop',
  remedies: asked.workshop.trimmers
    .filter(({ machine }) => !machine || (!findsMarks && machine.findsMarks !== false))
    .map((tool) =>
      more(asked, [decide((job) => job.cut.trimmerId, tool.id)], (up) => `Cut with ${tool.name}: ${up} up`),
    )
    .filter((remedy) => remedy !== null)
    .slice(0, 2),
});

/**
 * The one colour that all of a side’s bleed is, out to its edge and as far in as a cut drifts; null where a picture, a
 * pattern, a gradient or anything else lies there, and where faces differ.
 */
function oneColourOf(art: ArtPlan, side: PaperSide): string | null {
  const colours = new Set(art.faces.filter(({ face }) => face.side === side).map(bandColour));
  const [only] = colours;
  return colours.size === 1 ? only! : null;
}

/** What the bleed of a face is printed in, or `bare`; null where it is not one colour. */
function bandColour({ art, picture, tiles, items, face: { widthMm, heightMm } }: FacePlan): string | null {
  const inner = shrink({ xMm: 0, yMm: 0, widthMm, heightMm }, evenSides(TOUCHES_MM));
  const keepsInside = (box: Box | null): boolean => box === null || isInside(box, inner);
  const pictured = picture && picture.placement.fade < 1 && !keepsInside(mapBox(picture.map, picture.box));
  const things = items.every((item) => keepsInside(item.kind === 'text' ? item.set.ink : boxOf(item.object)));
  if (art.gradient || (tiles && tiles.fade < 1) || pictured || !things) return null;
  const { border } = art;
  // At the trim a border is the whole of the bleed; one that begins further in leaves the ground there.
  if (border && border.insetMm < TOUCHES_MM) return border.insetMm === 0 ? border.colour : null;
  return art.background ?? 'bare';
}

/** A shared bleed wants one colour all over; where there is one, and it gains cards, it is offered. */
export function sharedBleedSnags(asked: Asked, art: ArtPlan, bleedMm: Mm): readonly Snag[] {
  const { job, comesOut } = asked;
  const alike = (['outside', 'inside'] as const).every(
    (side) => oneColourOf(art, side) !== null || art.faces.every(({ face }) => face.side !== side),
  );
  // What goes past no edge is shared with nobody.
  if (bleedMm === 0) return [];
  if (job.sheet.sharedBleed && !alike)
    return [
      {
        id: 'sheet-shared-bleed',
        station: 'sheet',
        level: 'warn',
        title: 'Neighbours cannot share a bleed',
        why: 'One bleed between two cards is only right where all of it is one colour, on both sides of the cut: no picture, pattern, gradient or border that changes there. Here a drifting cut would show a sliver of the neighbour.',
        remedies: [
          {
            label: 'Give each card its own bleed',
            changes: [decide((job) => job.sheet.sharedBleed, false)],
          },
        ],
      },
    ];
  if (job.sheet.sharedBleed || !alike || comesOut === 0) return [];
  const shares = [decide((job) => job.sheet.sharedBleed, true)];
  const shared = tryOut(job, asked.workshop, asked.ink, shares).comesOut;
  if (shared <= comesOut) return [];
  return [
    {
      id: 'sheet-could-share-bleed',
      station: 'sheet',
      level: 'note',
      title: `One shared bleed would give ${shared} up`,
      why: `Every card carries the same flat colour up to its edges, so one bleed between neighbours does for both; with two it is ${comesOut} up.`,
      remedies: [{ label: `Share the bleed: ${shared} up`, changes: shares }],
    },
  ];
}

/** One plate for both sides is one set-up less; chosen where it cannot be, the sheet is printed as usual. */
export function plateSnags(
  job: Job,
  plate: WorkAndTurn,
  bothSidesAtOnce: boolean,
  calibrated: boolean,
): readonly Snag[] {
  const chosen = job.sheet.working === 'workAndTurn';
  if (plate.ok && !chosen && !bothSidesAtOnce)
    return [
      {
        id: 'sheet-one-plate',
        station: 'sheet',
        level: 'note',
        title: 'One plate can do both sides',
        why: calibrated
          ? 'Fronts on one half and backs on the other: both pages carry the same, so no sheet can be fed to the wrong one; they differ only by what the calibration corrects.'
          : 'Fronts on one half and backs on the other: print the pile, turn it over, print the same page again. Nothing to set up anew, and no sheet can be fed to the wrong page.',
        remedies: [
          {
            label: 'Print one plate on both sides',
            changes: [decide((job) => job.sheet.working, 'workAndTurn')],
          },
        ],
      },
    ];
  if (chosen && !plate.ok)
    return [
      {
        id: 'sheet-no-plate',
        station: 'sheet',
        level: 'note',
        title: 'One plate cannot do both sides here',
        why: `Fronts and backs are printed from a page each: ${plate.why}.`,
        remedies: [{ label: 'Front, then back', changes: [decide((job) => job.sheet.working, 'sheetwise')] }],
      },
    ];
  return [];
}

/** A path that fits the page; two sides that were never held to the light; a sheet that this path turns another way. */
export function calibrationSnags(
  job: Job,
  { path, stock }: StockFacts,
  sheet: { readonly widthMm: Mm; readonly heightMm: Mm },
  sides: readonly unknown[],
): readonly Snag[] {
  if (sides.length === 0) return [];
  const known = calibrationFor(path, stock.gsm);
  const fitted = known !== null && !isUsable(registerOf(known));
  const fits: readonly Snag[] = fitted
    ? [
        {
          id: 'sheet-fits-page',
          station: 'sheet',
          level: 'warn',
          title: 'On this path the driver was found to fit the page',
          why: `The sheet of ${known.day} came out another size than it was drawn, as no paper does: every card would. Set the driver to 100 %, all fitting off, and print the calibration sheet again; it is at the foot of this slip.`,
          remedies: [],
        },
      ]
    : [];
  if (sides.length < 2) return fits;
  if (!known)
    return [
      {
        id: 'sheet-not-calibrated',
        station: 'sheet',
        level: 'note',
        title: 'Front and back are not matched on this printer yet',
        why: `No calibration sheet of about ${stock.gsm} gsm was measured for this feed path, so the back is printed where the driver puts it. One sheet, printed and measured, mends that: it is at the foot of this slip and in Workshop.`,
        remedies: [],
      },
    ];
  const measured = measuredOn(known).turn;
  const other = measured === 'leftRight' ? 'topBottom' : 'leftRight';
  const turns = known.readings.arrows === 'same' ? measured : other;
  if (turns === turnOf(sheet, job.sheet.flipEdge) || path.printsBothSides) return fits;
  const edge = turnOf(sheet, 'long') === turns ? 'long' : 'short';
  return [
    ...fits,
    {
      id: 'sheet-turns-otherwise',
      station: 'sheet',
      level: 'warn',
      title: `You lay this sheet back turned on its ${edge} edge`,
      why: `So it was turned when this path was calibrated on ${known.day}${known.laidBack ? `: “${known.laidBack}”` : ''}. Turned on the ${job.sheet.flipEdge} edge the backs would come out head to foot.`,
      remedies: [{ label: `Turn it on the ${edge} edge`, changes: [decide((job) => job.sheet.flipEdge, edge)] }],
    },
  ];
}

export function cutDownSnags(job: Job, { stock }: StockFacts, { unit }: Workshop): readonly Snag[] {
  const cut = job.sheet.cutDown;
  if (!cut || (cut.widthMm <= stock.sheetWidthMm && cut.heightMm <= stock.sheetHeightMm)) return [];
  return [
    {
      id: 'sheet-cut-down',
      station: 'sheet',
      level: 'stop',
      title: 'The cut-down sheet is larger than the stock',
      why: `${formatSize(cut.widthMm, cut.heightMm, unit)} does not come out of a ${formatSize(stock.sheetWidthMm, stock.sheetHeightMm, unit)} sheet.`,
      remedies: [{ label: 'Print on the whole sheet', changes: [decide((job) => job.sheet.cutDown, null)] }],
    },
  ];
}
