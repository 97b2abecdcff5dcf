import type { Context } from '../../job/context.ts';
import { fixed } from '../../ground/length/rounding.ts';
import { wantedOf } from '../../job/namesList.ts';
import type { ArtPlan } from '../art/types.ts';
import { isShaped } from '../cut/isShaped.ts';
import type { CutPlan } from '../cut/types.ts';
import { pressedLines } from '../../ground/fold/pressedLines.ts';
import type { Blank, PressedLine } from '../../ground/fold/types.ts';
import { apply, IDENTITY } from '../../ground/geometry/affine.ts';
import { corners } from '../../ground/geometry/box.ts';
import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import { count, figure, length, minutes as minutesValue, plural, words } from '../../job/figures.ts';
import { boardOf } from '../../job/pick.ts';
import { isPlainRule, sayEdgePlace } from '../../job/plainRule.ts';
import { isScored } from '../../workshop/readyCut.ts';
import type { Board, ReadyCut, Workshop } from '../../workshop/types.ts';
import type { CreaseChoice } from '../../job/types.ts';
import type { Figure } from '../../job/findings.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { SheetPlan } from '../sheet/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockPlan } from '../stock/planStock.ts';
import { sayShare, sayTip, type Recipe } from '../stock/recipe.ts';
import { boardFriendly } from './boardFriendly.ts';
import { ERROR_SHOWN_MM, orderLines, type BlankEdge, type FaceUp, type OrderedLine } from './creaseLines.ts';
import { creaseSnags } from './creaseSnags.ts';
import { isUpright } from '../size/folds.ts';
import { onBoard } from './onBoard.ts';
import type { CreaseLine, CreasedPiece, CreasePlan } from './types.ts';

/** What is creased, and whether as a sheet or as single cards. */
export interface CreaseContext extends Context {
  readonly size: SizePlan;
  readonly art: ArtPlan;
  readonly stock: StockPlan;
  readonly sheet: SheetPlan;
  readonly cut: CutPlan;
}

/**
 * Creases in their order at the board: each in mm from an edge that goes to the stop, which face up, how often and how hard
 * pressed; on the sheet before it is cut, or on single cards after.
 */
// eslint-disable-next-line max-lines-per-function -- a contents page: lines, words, figures, snags
export function planCrease({ job, workshop, size, art, stock, sheet, cut }: CreaseContext): CreasePlan {
  const board = boardOf(job, workshop);
  const { unit } = workshop;
  const onSheet = cut.order.now === 'scoreFirst' && cut.order.through.ok ? cut.order.through.creases : null;
  const blank: CreasedPiece = onSheet ? wholeSheet(sheet, onSheet) : { ...size.form.blank, art: [IDENTITY] };
  const { passes, school, tipMm } = stock.pressing;
  // Cut out by a machine or by hand, a shape has no straight edge left to go to a stop.
  const byEnds = !onSheet && isShaped(size, sheet);
  const scored = isScored(stock.stock.readyCut);
  // What is pressed already is not pressed again.
  const toPress: Blank = scored ? { ...blank, creases: [], pressed: [] } : blank;
  const onStop = orderLines(toPress, board, (direction) => faceUpOf(direction, job.crease.bead)).map((line, i) =>
    sayLine(line, i + 1, blank, passes, byEnds, board, unit),
  );
  const lines = [...onStop, ...ruledLines(blank, job.crease.bead, passes, onStop)];
  // A sheet is pressed once for all its cards; folding is for every card by itself.
  const cards = wantedOf(job) + sheet.spares;
  const pressed = onSheet ? sheet.sheets : cards;
  const folds = size.form.steps.length;
  const takes =
    pressed * lines.reduce((n, l) => n + l.passes * workshop.pace.perCreasePass, 0) +
    cards * folds * workshop.pace.perFold;
  const worst = onStop.reduce<CreaseLine | null>(
    (a, b) => (a && Math.abs(a.errorMm) >= Math.abs(b.errorMm) ? a : b),
    null,
  );
  // Another card size moves its own crease; on a whole sheet it moves everything, and a ready-cut card has only its own.
  const friendly =
    onSheet || byEnds || stock.stock.readyCut ? [] : boardFriendly({ job, workshop, size, stock, sheet });
  const first = lines[0];
  const off = !byEnds && worst && Math.abs(worst.errorMm) > ERROR_SHOWN_MM;
  const damp = stock.recipes?.inForce.damp ? 'wet the line, then ' : '';
  const press = `${damp}${passes} ${school} ${plural(passes, 'pass')}${passes === 1 ? '' : 'es'}`;
  return {
    board,
    lines,
    piece: blank,
    onSheet: onSheet !== null,
    byEnds,
    folding: first ? foldingSteps(size, job.crease.bead) : scored ? readyFolding(size, stock.stock.readyCut!) : [],
    schools: first ? schools(stock, job.crease) : [],
    friendly,
    minutes: takes,
    verdict: !first
      ? scored
        ? 'The line is there already: only fold.'
        : 'Nothing to crease: the card stays flat.'
      : byEnds
        ? `${lines.length === 1 ? 'Crease' : `${lines.length} creases`} from end to end of the fold, ${press}${lines.length === 1 ? '' : ' each'}: cut out, the shape has no edge to measure from.`
        : lines.length === 1
          ? `Crease at ${formatLength(first.grooveAtMm, unit)}, ${first.faceUp} up, ${press}${off ? `; the ${isPlainRule(board) ? 'line' : 'groove'} is ${fixed(Math.abs(worst.errorMm), 1)} mm off the fold` : ''}.`
          : `${lines.length} creases, ${sayTurns(lines)}, ${press} each${off ? `; the worst groove is ${fixed(Math.abs(worst.errorMm), 1)} mm off its fold` : ''}.`,
    telling: !first
      ? scored
        ? 'scored already'
        : 'no crease'
      : byEnds
        ? 'end to end'
        : lines.length === 1
          ? `at ${formatLength(first.grooveAtMm, unit)}`
          : `${lines.length} creases`,
    figures: first
      ? [
          ...(byEnds ? [] : onStop.flatMap((line) => lineFigures(line, onStop.length, board, unit))),
          figure(
            'tip',
            'Scoring tip',
            words(`${fixed(tipMm[0], 1)}–${fixed(tipMm[1], 1)} mm`),
            'from 1½ to 2 calipers, so that the groove is as wide as the bead, up to 3 where fewer folds crack so',
            { Caliper: words(`${stock.stock.caliperMicron} µm`) },
          ),
          ...stock.figures.filter(({ id }) => id === 'cracks'),
          figure(
            'crease-minutes',
            'Creasing and folding',
            minutesValue(takes),
            'pieces pressed × lines × passes × your minutes for a pass + cards × folds × your minutes for a fold',
            {
              Cards: count(cards),
              'Pieces pressed': count(pressed),
              Lines: count(lines.length),
              Passes: count(passes),
              Folds: count(folds),
            },
          ),
        ]
      : [],
    snags: first
      ? creaseSnags(job, workshop, {
          piece: blank,
          size,
          art,
          stock,
          sheet,
          board,
          lines,
          worst: worst ?? first,
          friendly,
          byEnds,
        })
      : [],
  };
}

/** The sheet as one piece with nothing but creases: it has edges, and no panels to name them by. */
const wholeSheet = (sheet: SheetPlan, creases: Blank['creases']): CreasedPiece => ({
  widthMm: sheet.sheetWidthMm,
  heightMm: sheet.sheetHeightMm,
  outline: corners({ xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm }),
  panels: [],
  cuts: [],
  creases,
  art: sheet.placements.map(({ toSheet }) => toSheet),
});

/**
 * Pressed into a groove, the card bulges away from the tool. With the bead inside the tool works on the
 * outer side of the bend: the outside of a mountain, the inside of a valley. Into the groove, the other way.
 */
const faceUpOf = (direction: 'mountain' | 'valley', bead: CreaseChoice['bead']): FaceUp =>
  (direction === 'mountain') === (bead === 'inside') ? 'outside' : 'inside';

const sayTurns = (lines: readonly CreaseLine[]): string => {
  const turns = lines.filter((l, i) => i > 0 && l.turn !== 'No turn').length;
  return turns === 0 ? 'without turning the piece' : `turning the piece ${turns === 1 ? 'once' : `${turns} times`}`;
};

function sayLine(
  { line, edge, fromStopMm, groove, grooveAtMm, errorMm, faceUp, turn }: OrderedLine,
  number: number,
  blank: Blank,
  passes: number,
  byEnds: boolean,
  board: Board,
  unit: Workshop['unit'],
): CreaseLine {
  const where = `${capitalEdge(blank, edge)} ${sayEdgePlace(board).to}, ${faceUp} up`;
  const after = line.mixed
    ? ' Make the fold across it first and press both layers as one: half of this line bends the other way.'
    : '';
  const along = line.isParted
    ? `only ${sayStretches(line, edge, faceUp, blank, unit)}, measured from its end at the top with the stop on your left: lift the tool between`
    : 'the whole length, without running off the end';
  const pressed = `${passes === 1 ? '1 pass' : `${passes} passes`}, ${along}.${after}`;
  // A plain rule has distances and no grooves.
  const at = `${isPlainRule(board) ? 'Line' : 'Groove'} at ${formatLength(grooveAtMm, unit)}${isPlainRule(board) ? ' from it' : ''}`;
  return {
    number,
    creaseIds: line.creases.map((c) => c.id),
    upright: line.upright,
    edgeAtStop: edge,
    fromStopMm,
    lengthMm: line.lengthMm,
    groove,
    grooveAtMm,
    errorMm,
    faceUp,
    turn,
    passes,
    isParted: line.isParted,
    isByRule: byEnds,
    text: byEnds
      ? `${faceUp === 'outside' ? 'Outside' : 'Inside'} up. Lay a rule from one end of the fold to the other, ${formatLength(line.lengthMm, unit)} apart and ${formatLength(fromStopMm, unit)} from the outermost point of ${edgeWord(edge)}: ${pressed}`
      : `${where}. ${at}: ${pressed}`,
  };
}

/** Where the tool goes along a line that lies on the board, down from the far end of it. */
function sayStretches(
  { creases }: OrderedLine['line'],
  edge: BlankEdge,
  faceUp: FaceUp,
  blank: Blank,
  unit: Workshop['unit'],
): string {
  const toBoard = onBoard(blank, edge, faceUp);
  return creases
    .map(({ from, to }) => [apply(toBoard, from).yMm, apply(toBoard, to).yMm].sort((a, b) => a - b))
    .sort(([a], [b]) => a! - b!)
    .map(([from, to]) => `from ${formatLength(from!, unit)} to ${formatLength(to!, unit)}`)
    .join(' and ');
}

/** What is cut in, a line for each of its creases, with no edge at the stop; those of the face that is up first. */
function ruledLines(
  blank: Blank,
  bead: CreaseChoice['bead'],
  passes: number,
  before: readonly CreaseLine[],
): readonly CreaseLine[] {
  const up = before.at(-1)?.faceUp ?? 'outside';
  const named = new Map<string, readonly PressedLine[]>();
  for (const line of pressedLines(blank))
    if (line.cutIn !== undefined) named.set(line.id, [...(named.get(line.id) ?? []), line]);
  const all = [...named].map(([id, own]) => ({ id, own, faceUp: faceUpOf(own[0]!.direction, bead) }));
  const sorted = [...all.filter((one) => one.faceUp === up), ...all.filter((one) => one.faceUp !== up)];
  return sorted.map(({ id, own, faceUp }, i): CreaseLine => {
    const [first] = own;
    const lengthMm = own.reduce((sum, { from, to }) => sum + Math.hypot(to.xMm - from.xMm, to.yMm - from.yMm), 0);
    const pieces = own.length > 1 ? `, in ${own.length} pieces: lift the tool where more is cut from it` : '';
    return {
      ...{ number: before.length + i + 1, creaseIds: [id], upright: isUpright(first!), lengthMm, passes, faceUp },
      ...{ edgeAtStop: 'left', fromStopMm: 0, groove: 0, grooveAtMm: 0, errorMm: 0 },
      ...{ isParted: own.length > 1, isByRule: true },
      turn:
        i === 0 && before.length === 0
          ? 'To begin'
          : faceUp === (sorted[i - 1]?.faceUp ?? up)
            ? 'No turn'
            : 'Turn over',
      text: `${faceUp === 'outside' ? 'Outside' : 'Inside'} up. ${first!.cutIn!}: lay a rule along it, from where the slits end, and press it there and no farther${pieces}: ${passes === 1 ? '1 pass' : `${passes} passes`}.`,
    };
  });
}

const edgeWord = (edge: BlankEdge): string =>
  ({ left: 'the left', right: 'the right', top: 'the top', bottom: 'the foot' })[edge];

/** An edge by the panel that ends there: names that stay true when the piece is turned over. */
function capitalEdge({ panels, widthMm, heightMm }: Blank, edge: BlankEdge): string {
  const touching = panels.filter(({ box }) => {
    const off = {
      left: box.xMm,
      top: box.yMm,
      right: widthMm - box.xMm - box.widthMm,
      bottom: heightMm - box.yMm - box.heightMm,
    }[edge];
    return Math.abs(off) < TOLERANCE_MM * 100;
  });
  const names = touching.map((p) => p.name);
  if (names.length === 0) return `The sheet’s ${edge} edge`;
  return names.length === 1
    ? `${names[0]}’s open edge`
    : `The open edge of ${names.map((n) => n.toLowerCase()).join(' and ')}`;
}

function lineFigures(line: CreaseLine, of: number, board: Board, unit: Workshop['unit']): readonly Figure[] {
  const which = of === 1 ? '' : ` ${line.number}`;
  const plain = isPlainRule(board);
  return [
    figure(
      `groove-${line.creaseIds[0]}`,
      `${plain ? 'Line' : 'Groove'}${which}`,
      words(formatLength(line.grooveAtMm, unit)),
      plain
        ? 'the mark of the rule nearest to the fold, from the edge on the left'
        : 'the groove nearest to the fold, from the stop',
      {
        [plain ? 'Fold from the edge' : 'Fold from the stop']: length(line.fromStopMm),
        ...(plain
          ? { 'A mark every': length(board.grooveEveryMm) }
          : { 'A groove every': length(board.grooveEveryMm), 'Groove number': count(line.groove) }),
      },
    ),
    figure(
      `error-${line.creaseIds[0]}`,
      `Off the fold${which} by`,
      words(`${fixed(Math.abs(line.errorMm), 2)} mm`),
      `${plain ? 'line' : 'groove'} − fold; the panel beside it comes out longer or shorter by twice this`,
      { [plain ? 'Line' : 'Groove']: length(line.grooveAtMm), Fold: length(line.fromStopMm) },
    ),
  ];
}

function foldingSteps(size: SizePlan, bead: CreaseChoice['bead']): readonly string[] {
  return [
    ...size.form.steps.map((step) => step.says),
    bead === 'inside'
      ? 'Fold away from the groove you pressed, so the bead lies inside.'
      : 'Fold into the groove you pressed, so the bead lies outside.',
    'Match the corners before you press.',
    'Press the fold flat from the middle outwards; on coated card press, do not drag.',
  ];
}

/** A blank whose line was pressed by its maker. */
const readyFolding = (size: SizePlan, { state, groove }: ReadyCut): readonly string[] => [
  ...size.form.steps.map((step) => step.says),
  groove
    ? `The groove is on its ${groove}: ${groove === 'outside' ? 'fold away from it, so the bead lies inside' : 'fold into it'}.`
    : state === 'folded'
      ? 'Fold it back the way it came.'
      : 'Fold it the way the line gives.',
  'Match the corners before you press.',
  'Press the fold flat from the middle outwards; on coated card press, do not drag.',
];

/** Both schools of pressure and of bead, the one in force first; of pressure with how many folds each would leave cracked. */
function schools({ pressing, recipes }: StockPlan, { bead }: CreaseChoice): CreasePlan['schools'] {
  const firm =
    'Firm: three or more hard passes over the full length. Thick matte board cracks when it is under-pressed.';
  const light = 'Light: two or more gentle passes. The skin of glossy or photo-coated card splits under a hard tool.';
  const inside =
    'Bead inside: fold away from the groove, so the ridge hides in the fold and the outer skin bends easily. The trade’s way.';
  const into = 'Into the groove: the channel is the inside of the fold. Some find it sharper on thin card.';
  const best = (recipe: Recipe | undefined): string =>
    recipe
      ? ` At its best on this fold: ${recipe.passes} passes${recipe.damp ? ' on a wetted line' : ''}, a tip of ${sayTip(recipe)}, ${sayShare(recipe.cracks.cracked)} cracked.`
      : '';
  return [
    {
      id: 'pressure',
      text: `${pressing.school === 'firm' ? firm : light} In force because ${pressing.why}.${best(recipes?.inForce)}`,
    },
    { id: 'pressure-other', text: `${pressing.school === 'firm' ? light : firm}${best(recipes?.other)}` },
    { id: 'bead', text: `${bead === 'inside' ? inside : into} In force.` },
    { id: 'bead-other', text: bead === 'inside' ? into : inside },
  ];
}
