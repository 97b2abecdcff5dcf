import type { Context } from '../../job/context.ts';
import { wantedOf } from '../../job/namesList.ts';
import { capital, count, figure, minutes as minutesValue, plural, sayMinutes } from '../../job/figures.ts';
import type { Figure, StationPlan } from '../../job/findings.ts';
import type { Job } from '../../job/types.ts';
import type { FeedPath, ReadyCut, Workshop } from '../../workshop/types.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import type { CreasePlan } from '../crease/types.ts';
import { sayFence } from '../cut/layerCuts.ts';
import type { CutPlan } from '../cut/types.ts';
import { piecesOf } from '../envelope/piecesOf.ts';
import type { EnvelopePlan } from '../envelope/planEnvelope.ts';
import { sayPlace } from '../sheet/draw/nameSheet.ts';
import { isOwnPass, sayPlate, type PlateKind } from '../sheet/layout/passes.ts';
import type { SheetSide } from '../sheet/layout/reach.ts';
import { sidesPrinted } from '../sheet/pieces.ts';
import type { SheetPlan } from '../sheet/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import { foldAtMm } from '../../ground/fold/foldAt.ts';
import { isUprightBox } from '../../ground/geometry/polygon.ts';
import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import type { LayerPiece } from '../size/layers.ts';
import type { StockPlan } from '../stock/planStock.ts';

/** What is worked on at a step: all that a drawing of it needs to know. */
export type StepWork =
  /** A pass of the stack; of both sides at once, the front is looked at. */
  | { readonly kind: 'print'; readonly side: SheetSide; readonly plate: PlateKind }
  | { readonly kind: 'dry' }
  /** The move’s and the line’s place in the plan’s lists, from nought. */
  | { readonly kind: 'cut'; readonly move: number }
  | { readonly kind: 'crease'; readonly line: number }
  /** A layer is printed, or cut and put in its place. */
  | { readonly kind: 'layer'; readonly pieceId: string; readonly plate: PlateKind | null }
  | { readonly kind: 'machine' | 'piles' | 'outline' | 'fold' | 'envelope' | 'pack' };

export interface StepWords {
  readonly id: string;
  /** What to do, in a few words to be read across a bench. */
  readonly title: string;
  /** The one number or word that matters. */
  readonly big: string;
  readonly detail: string;
  readonly caution: string | null;
  readonly waitMinutes: number | null;
}

export type MakeStep = StepWords & StepWork;
/** What most steps neither warn of nor wait for. */
const PLAIN = { caution: null, waitMinutes: null } as const;

export interface MakePlan extends StationPlan {
  readonly steps: readonly MakeStep[];
  readonly workMinutes: number;
  readonly waitMinutes: number;
}

/** Why a card was lost; the last is for whatever the others do not name. */
export const SPOIL_CAUSES = [
  'misfeed',
  'drift',
  'crack',
  'smudge',
  'miscut',
  'wrong face',
  'upside-down',
  'other',
] as const;
export type SpoilCause = (typeof SPOIL_CAUSES)[number];

export const CAUTIONS = {
  sliding:
    'Sharp blade: fingers behind the guard, several light strokes, cap or lock it when you stop. Follow the tool’s own instructions.',
  lever:
    'Latch the arm when you stop. One person at the guillotine; never reach under the blade. Follow the tool’s own instructions.',
  knife:
    'Sharp blade: steel rule, fingers well behind its edge, several light strokes. Cap the knife at once; used blades go in a closed box.',
  punch:
    'A mat under the card, never your hand; fingers clear of the punch when you press or strike it. Follow the tool’s own instructions.',
  scissors: 'Sharp points: cut away from yourself, and close them when you lay them down.',
  machine:
    'Hands, hair and sleeves clear while it moves; stop it before you reach in. Follow the machine’s own instructions.',
  glue: 'Air the room and keep flames away from solvent glue. Follow the glue’s own instructions and local rules.',
} as const;

/** Everything that is done by hand. */
export interface MakeContext extends Context {
  readonly size: SizePlan;
  readonly stock: StockPlan;
  readonly sheet: SheetPlan;
  readonly cut: CutPlan;
  readonly crease: CreasePlan;
  readonly envelope: EnvelopePlan;
}

/**
 * Everything that is done by hand, a step a bench card, in the order of the work, with the minutes at work by the maker’s
 * own pace and the minutes of waiting.
 */
export function planMake({ job, workshop, size, stock, sheet, cut, crease, envelope }: MakeContext): MakePlan {
  const steps = [
    ...testPrintStep(job, sheet),
    ...printSteps(job, workshop, sheet, stock),
    ...panelSteps(job, workshop, sheet),
    ...(crease.onSheet ? lineSteps(crease, workshop) : []),
    ...(cut.machine ? [machineStep(cut, sheet)] : cutSteps(cut, workshop)),
    ...pileStep(sheet),
    ...outlineSteps(cut),
    ...(crease.onSheet ? [] : lineSteps(crease, workshop)),
    ...foldStep(crease),
    ...layerSteps(sheet, cut, workshop),
    ...(envelope.made && envelope.up > 0 ? [envelopeStep(job, envelope)] : []),
    {
      ...PLAIN,
      id: 'pack',
      kind: 'pack',
      title: 'Check, count and pack',
      big: String(wantedOf(job)),
      detail: `Front the right way, corners square, inside the right way up. ${wantedOf(job)} good ${plural(wantedOf(job), 'card')} wanted, ${formatSize(size.finishedWidthMm, size.finishedHeightMm, workshop.unit)} finished.`,
    } satisfies MakeStep,
  ];
  const { pace } = workshop;
  const sides = piecesOf({ sheet, envelope }).reduce((n, piece) => n + sidesPrinted(piece), 0);
  const parts = {
    'Setting up': pace.setUp,
    Printing: sides * pace.perPrintedSide,
    Cutting: cut.minutes,
    'Creasing and folding': crease.minutes,
    'Making envelopes': envelope.made ? wantedOf(job) * pace.perEnvelopeMade : 0,
    Packing: wantedOf(job) * pace.perCardPacked,
  };
  const workMinutes = Object.values(parts).reduce((a, b) => a + b, 0);
  const waitMinutes = steps.reduce((n, s) => n + (s.waitMinutes ?? 0), 0);
  const figures: Figure[] = [
    figure(
      'work',
      'Time at work',
      minutesValue(workMinutes),
      Object.keys(parts).join(' + '),
      Object.fromEntries(Object.entries(parts).map(([label, m]) => [label, minutesValue(m)])),
    ),
    figure('wait', 'Time waiting', minutesValue(waitMinutes), 'drying, before a side is handled', {}),
    figure('steps', 'Steps', count(steps.length), 'one bench card each'),
  ];
  return {
    steps,
    workMinutes,
    waitMinutes,
    verdict: `${steps.length} steps, ${sayMinutes(workMinutes)} of work${waitMinutes > 0 ? ` and ${sayMinutes(waitMinutes)} of drying` : ''}.`,
    telling: sayMinutes(workMinutes),
    figures,
    snags: [],
  };
}

const dryStep = ({ make }: Job, id: string): MakeStep => ({
  id,
  kind: 'dry',
  title: 'Let it dry',
  big: sayMinutes(make.dryMinutes),
  detail: 'Lay the sheets apart; nothing on top of wet ink.',
  caution: null,
  waitMinutes: make.dryMinutes,
});

const panelSheets = ({ layers }: SheetPlan): SheetPlan['layers'] => layers.filter(({ print, up }) => print && up > 0);

/** Mats and panels that are printed, before anything is cut: one wait dries them all. */
function panelSteps(job: Job, workshop: Workshop, sheet: SheetPlan): readonly MakeStep[] {
  const printed = panelSheets(sheet);
  if (printed.length === 0) return [];
  return [
    ...printed.flatMap(({ piece, sheets, up, print }) =>
      print!.passes.map(({ plate }): MakeStep => {
        const said = sayPlate(plate, print!.white);
        const paper = { sheetWidthMm: piece.stock.sheetWidthMm, sheetHeightMm: piece.stock.sheetHeightMm };
        return {
          ...PLAIN,
          id: `print-layer-${piece.id}${plate === 'white' ? '-white' : ''}`,
          kind: 'layer',
          pieceId: piece.id,
          plate,
          title: `Print ${piece.name.toLowerCase()}${said ? `: ${said}` : ''}`,
          big: `${sheets} ${plural(sheets, 'sheet')}`,
          detail: `${capital(`${print!.printer.name}, ${print!.path.name}`)}. ${piece.stock.name}, ${up} from each. ${sayPaperSize(paper, workshop)} Print at 100 %, no fit to page. Test one sheet first.`,
        };
      }),
    ),
    ...(job.make.dryMinutes > 0 ? [dryStep(job, 'dry-layers')] : []),
  ];
}

/** One sheet before the run, looked at in daylight. */
function testPrintStep({ make }: Job, { passes }: SheetPlan): readonly MakeStep[] {
  if (!make.testPrint || passes.length === 0) return [];
  return [
    {
      ...PLAIN,
      id: 'test-print',
      ...{ kind: 'print', side: 'front', plate: 'colours' },
      title: 'Test print',
      big: '1 sheet',
      detail:
        'At the quality and paper setting of the run. Look in daylight for steps in gradients and bands in solids; let it dry, then rub it and bend it. Go on when it is good.',
    },
  ];
}

/** The size to type into the driver: as the sheet is fed, short edge first. */
const sayPaperSize = (
  { sheetWidthMm, sheetHeightMm }: Pick<SheetPlan, 'sheetWidthMm' | 'sheetHeightMm'>,
  { unit }: Workshop,
): string =>
  `Paper size ${formatSize(Math.min(sheetWidthMm, sheetHeightMm), Math.max(sheetWidthMm, sheetHeightMm), unit)} in the driver.`;

/** How a ready-cut card goes in: singly, opened, and by a short edge, as the page’s size is told to the driver. */
function sayFeed(
  { fold, state }: ReadyCut,
  path: FeedPath,
  { sheetWidthMm, sheetHeightMm }: Pick<SheetPlan, 'sheetWidthMm' | 'sheetHeightMm'>,
): string {
  const opened = fold !== 'none' && state === 'folded' ? ', opened and bent flat' : '';
  const edge = Math.abs(sheetWidthMm - sheetHeightMm) < TOLERANCE_MM ? '' : ', a short edge first';
  const slow = path.bends === true ? ' The way bends: see that a stiff one is not caught.' : '';
  return `Feed them one at a time${opened}${edge}, the side to be printed as this printer wants it.${slow} `;
}

function printSteps(job: Job, workshop: Workshop, sheet: SheetPlan, stock: StockPlan): readonly MakeStep[] {
  const where = capital(`${stock.printer.name}, ${stock.path.name}`);
  const { readyCut } = stock.stock;
  const settings = `${stock.stock.name}. ${readyCut ? sayFeed(readyCut, stock.path, sheet) : ''}${sayPaperSize(sheet, workshop)} Print at 100 %, no fit to page.`;
  const waits = job.make.dryMinutes > 0;
  const { passes, white, onePlate } = sheet;
  const files = isOwnPass(white);
  const differ = onePlate !== null && sheet.calibration !== null;
  return passes.flatMap(({ plate, sides }, i): readonly MakeStep[] => {
    const both = sides.length === 2;
    const turned = i > 0 && sides[0] !== passes[i - 1]!.sides[0];
    const again = i > 0 && !turned;
    const what = both ? 'both sides' : `the ${sides[0]}s`;
    const title = files
      ? plate === 'white'
        ? `White on ${what}`
        : `Colours on ${what}`
      : both
        ? 'Print both sides'
        : onePlate
          ? i === 0
            ? 'Print the plate'
            : differ
              ? 'Print the other page'
              : 'Print it again'
          : `Print ${what}`;
    const ink = !files
      ? white === 'inPass'
        ? 'White goes on in the same pass: it is an ink of its own in the page, named White. '
        : ''
      : plate === 'white'
        ? 'The page is black where white goes: set the printer to lay white for it. '
        : 'Set the printer to its colours. ';
    const laidBack = sheet.calibration?.from.laidBack;
    const feed = turned
      ? `${onePlate && !differ ? 'The same page once more: turn' : 'Turn'} the stack over on its ${job.sheet.flipEdge} edge and feed it again${laidBack ? `, laid back as before: “${laidBack}”` : ''}. `
      : again
        ? 'Feed the stack again, the same side and the same edge first. '
        : `${where}. `;
    const check = both || turned ? 'Fold the first one by hand before you print the rest.' : 'Test one sheet first.';
    return [
      {
        ...PLAIN,
        id: `print-${plate === 'white' ? 'white-' : ''}${both ? 'both' : sides[0]}`,
        ...{ kind: 'print', side: sides[0]!, plate },
        title,
        big: `${sheet.sheets} ${plural(sheet.sheets, readyCut ? 'card' : 'sheet')}`,
        detail: `${files ? `File ${i + 1} of ${passes.length}. ` : ''}${feed}${ink}${settings}${both ? ` Two-sided, flip on the ${job.sheet.flipEdge} edge.` : ''} ${check}`,
      },
      ...(waits ? [dryStep(job, `dry-${i + 1}`)] : []),
    ];
  });
}

/** The order of a list is in its sheets; it must be in the hands too. */
function pileStep(sheet: SheetPlan): readonly MakeStep[] {
  if (!sheet.named) return [];
  const places = sheet.placements.length;
  if (places < 2) return [];
  return [
    {
      ...PLAIN,
      id: 'piles',
      kind: 'piles',
      title: 'Piles in the list’s order',
      big: `${places} piles`,
      detail: `Every place of the sheet is a pile, sheet 1 on top. Pile 1 is ${sayPlace(sheet, 0)}, pile 2 ${sayPlace(sheet, 1)}${places > 2 ? `, and so on to pile ${places}, ${sayPlace(sheet, places - 1)}` : ''}. Lay pile 1 on pile 2, both on pile 3, and so on: the cards then lie in the order of the list, the first on top.`,
    },
  ];
}

function machineStep({ machine, trimmer }: CutPlan, { sheets, machineMarks }: SheetPlan): MakeStep {
  const { passes, secondsPerSheet } = machine!;
  const marked = machineMarks.length > 0;
  return {
    id: 'machine',
    kind: 'machine',
    title: `Cut on ${trimmer.name}`,
    big: `${sheets} ${plural(sheets, 'sheet')}`,
    detail: `Send the cut file, ${marked ? 'front up, the corner without a mark at the bottom right' : 'the bare card square in its corner'}. ${passes} ${passes === 1 ? 'pass' : 'passes'}, about ${sayMinutes(secondsPerSheet / 60)} a sheet. Cut one and look before the rest.`,
    caution: CAUTIONS.machine,
    waitMinutes: null,
  };
}

function cutSteps(cut: CutPlan, { unit }: Workshop): readonly MakeStep[] {
  return cut.moves.map((move, i) => ({
    id: `cut-${move.number}`,
    kind: 'cut',
    move: i,
    title: `Cut ${move.number} of ${cut.moves.length}`,
    big: formatLength(move.fenceMm, unit),
    detail: `${move.turn}. ${move.text} ${move.strokes} ${plural(move.strokes, 'stroke')}, up to ${cut.sheetsAtOnce} at once.`,
    caution: i === 0 ? CAUTIONS[cut.trimmer.kind] : null,
    waitMinutes: null,
  }));
}

/** Slopes, curves and holes: no fence holds them, so each is its own card with its tool’s caution. */
const outlineSteps = (cut: CutPlan): readonly MakeStep[] =>
  cut.outlines.map(({ id, title, big, text, tool }) => ({
    id,
    kind: 'outline',
    title,
    big,
    detail: text,
    caution: CAUTIONS[tool],
    waitMinutes: null,
  }));

const lineSteps = (crease: CreasePlan, { unit }: Workshop): readonly MakeStep[] =>
  crease.lines.map((line, i) => ({
    ...PLAIN,
    id: `crease-${line.number}`,
    kind: 'crease',
    line: i,
    title: crease.lines.length === 1 ? 'Crease' : `Crease ${line.number} of ${crease.lines.length}`,
    big: crease.byEnds ? 'End to end' : formatLength(line.grooveAtMm, unit),
    detail: crease.lines.length === 1 ? line.text : `${line.turn}. ${line.text}`,
  }));

function layerSteps({ layers }: SheetPlan, cut: CutPlan, { unit }: Workshop): readonly MakeStep[] {
  return layers
    .filter(({ up }) => up > 0)
    .map(({ piece, up, sheets }) => ({
      id: `layer-${piece.id}`,
      kind: 'layer',
      pieceId: piece.id,
      plate: null,
      title: `${piece.kind === 'insert' ? 'Cut, fold and lay in' : 'Cut and glue'}: ${piece.name.toLowerCase()}`,
      big: formatSize(piece.blank.widthMm, piece.blank.heightMm, unit),
      detail: `${sheets} ${plural(sheets, 'sheet')} of ${piece.stock.name}, ${up} from each. ${sayLayerCuts(piece.id, cut, unit)}${piece.kind === 'insert' ? `Fold it at ${formatLength(foldAtMm(piece.blank.creases[0]!), unit)} and lay it in the fold.` : 'Centre it on its face; keep glue 3 mm inside its edge.'}${saySlope(piece, unit)}${up === 1 && sheets > 1 ? ' One takes a sheet: Shared sheets lays several kinds on one.' : ''}`,
      caution: [CAUTIONS[bladeFor(cut)], ...(piece.kind === 'insert' ? [] : [CAUTIONS.glue])].join(' '),
      waitMinutes: null,
    }));
}

/** What layers are cut with: beside a machine, which cuts the cards, a knife. */
const bladeFor = ({ trimmer }: CutPlan) => (trimmer.kind === 'machine' ? 'knife' : trimmer.kind);

/** What to set the fence to, or the rule to. */
function sayLayerCuts(pieceId: string, { layers, trimmer }: CutPlan, unit: Workshop['unit']): string {
  const cuts = layers.find((layer) => layer.pieceId === pieceId);
  if (!cuts || cuts.moves.length === 0) return '';
  const said = sayFence(cuts.moves, unit);
  const tool = trimmer.kind === 'knife' || trimmer.kind === 'scissors' ? 'Rule' : 'Fence';
  return said ? `${tool}: ${said}. ` : `${cuts.moves.length} cuts, listed at Cut. `;
}

/** What a box does not say of a piece: where its slope begins and ends. */
function saySlope({ blank: { outline, widthMm } }: LayerPiece, unit: Workshop['unit']): string {
  if (isUprightBox(outline)) return '';
  const highest = (x: number): number | null => {
    const ys = outline.filter((p) => Math.abs(p.xMm - x) < TOLERANCE_MM).map((p) => p.yMm);
    return ys.length > 0 ? Math.min(...ys) : null;
  };
  const [left, right] = [highest(0), highest(widthMm)];
  return outline.length === 4 && left !== null && right !== null
    ? ` Its top slopes: from ${formatLength(left, unit)} down the left edge to ${formatLength(right, unit)} down the right one.`
    : ' Cut it to the outline of its template.';
}

function foldStep(crease: CreasePlan): readonly MakeStep[] {
  if (crease.folding.length === 0) return [];
  return [
    {
      ...PLAIN,
      id: 'fold',
      kind: 'fold',
      title: 'Fold',
      big: 'Corners first',
      detail: crease.folding.join(' '),
    },
  ];
}

function envelopeStep(job: Job, envelope: EnvelopePlan): MakeStep {
  return {
    id: 'envelope',
    kind: 'envelope',
    title: 'Make the envelopes',
    big: `${wantedOf(job)} from ${envelope.sheets} ${plural(envelope.sheets, 'sheet')}`,
    detail: envelope.steps.join(' '),
    caution: CAUTIONS.glue,
    waitMinutes: null,
  };
}
