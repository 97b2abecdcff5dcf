import type { Context } from '../../job/context.ts';
import { wantedOf } from '../../job/namesList.ts';
import { capital, count, figure, minutes as minutesValue, plural, sayMinutes, words } from '../../job/figures.ts';
import type { Figure } from '../../job/findings.ts';
import type { Job } from '../../job/types.ts';
import type { FeedPath, ReadyCut, Workshop } from '../../workshop/types.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import type { CreasePlan } from '../crease/types.ts';
import { sayMachine } from '../cut/sayMachine.ts';
import type { CutPlan } from '../cut/types.ts';
import { piecesOf } from '../envelope/piecesOf.ts';
import type { EnvelopePlan } from '../envelope/planEnvelope.ts';
import { sayPlace } from '../sheet/draw/nameSheet.ts';
import { isOwnPass } from '../sheet/layout/passes.ts';
import { sidesPrinted } from '../sheet/pieces.ts';
import type { SheetPlan } from '../sheet/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import type { StockPlan } from '../stock/planStock.ts';
import { minutesCreasingParts, minutesFixing } from './byHand.ts';
import { CAUTIONS } from './cautions.ts';
import { envelopeSteps } from './envelopeSteps.ts';
import { foilMinutes, foilSteps } from './foilSteps.ts';
import { layerSteps, panelSteps, wrapSteps } from './layerSteps.ts';
import { dryStep, PLAIN, sayBorder, sayPaperSize } from './stepWords.ts';
import { adhesiveUses, joinsOf, sayAmount } from './joins.ts';
import { popUpSteps } from './popUpSteps.ts';
import { ribbonStep } from './ribbonStep.ts';
import { cautionOf, sayHolding, trimmingSteps } from './trimmingSteps.ts';
import { sayLaid } from './sayLaid.ts';
import type { MakePlan, MakeStep } from './types.ts';

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
    ...testSteps(job, size, sheet),
    ...printSteps(job, workshop, sheet, stock),
    ...panelSteps(job, workshop, sheet),
    ...foilSteps(sheet, workshop),
    ...(crease.onSheet ? lineSteps(crease, workshop) : []),
    ...(cut.machine ? [machineStep(cut, sheet)] : cutSteps(cut, workshop)),
    ...pileStep(sheet),
    ...outlineSteps(cut),
    ...(crease.onSheet ? [] : lineSteps(crease, workshop)),
    ...foldStep(crease, size, workshop),
    ...layerSteps(sheet, cut, workshop),
    ...popUpSteps(size, workshop),
    ...trimmingSteps(size, workshop),
    ...wrapSteps(sheet, cut, workshop),
    ...ribbonStep(job, size, workshop),
    ...envelopeSteps(job, envelope, cut.trimmer, workshop),
    {
      ...PLAIN,
      id: 'pack',
      kind: 'pack',
      title: 'Check, count and pack',
      big: String(wantedOf(job)),
      detail: `Front the right way, corners square, inside the right way up. ${wantedOf(job)} good ${plural(wantedOf(job), 'card')} wanted, ${formatSize(size.finishedWidthMm, size.finishedHeightMm, workshop.unit)} finished.${envelope.atHand ? ` ${envelope.advice.join(' ')}` : ''}`,
    } satisfies MakeStep,
  ];
  const adhesives = adhesiveUses(joinsOf(size, envelope));
  const { parts, stageMinutes } = minutesAtWork({ job, workshop, size, stock, sheet, cut, crease, envelope });
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
    figure('wait', 'Time waiting', minutesValue(waitMinutes), 'drying, before what is printed or glued is handled', {}),
    ...adhesives.map(({ adhesive, perCard }) =>
      figure(
        `adhesive-${adhesive.id}`,
        capital(adhesive.name),
        words(sayAmount(adhesive, perCard * wantedOf(job))),
        'what one card takes × cards; spills and ends come on top',
        { 'One card': words(sayAmount(adhesive, perCard)), Cards: count(wantedOf(job)) },
      ),
    ),
    figure('steps', 'Steps', count(steps.length), 'one bench card each'),
  ];
  return {
    steps,
    ...{ workMinutes, stageMinutes },
    waitMinutes,
    adhesives,
    verdict: `${steps.length} steps, ${sayMinutes(workMinutes)} of work${waitMinutes > 0 ? ` and ${sayMinutes(waitMinutes)} of drying` : ''}.`,
    telling: sayMinutes(workMinutes),
    figures,
    snags: [],
  };
}

/** Minutes at work by the maker’s own pace: by what is done, as it is told, and by stage, as evenings hold it. */
function minutesAtWork({ job, workshop, size, sheet, cut, crease, envelope }: MakeContext): {
  readonly parts: Readonly<Record<string, number>>;
  readonly stageMinutes: MakePlan['stageMinutes'];
} {
  const { pace } = workshop;
  const besides = { size, sheet, envelope };
  const [fixing, parting] = [minutesFixing(job, besides, pace), minutesCreasingParts(besides, pace)];
  const onSheets = piecesOf({ sheet, envelope }).reduce((n, piece) => n + sidesPrinted(piece), 0);
  const printing = (onSheets + envelope.fedPages) * pace.perPrintedSide;
  const foiling = foilMinutes(sheet, pace);
  const enveloping = envelope.made ? wantedOf(job) * pace.perEnvelopeMade : 0;
  const packing = wantedOf(job) * pace.perCardPacked;
  return {
    parts: {
      'Setting up': pace.setUp,
      Printing: printing,
      ...(foiling > 0 ? { 'Laying foil': foiling } : {}),
      Cutting: cut.minutes,
      'Creasing and folding': crease.minutes,
      ...(parting > 0 ? { 'Creasing parts and layers': parting } : {}),
      ...(fixing > 0 ? { 'Fixing and tying by hand': fixing } : {}),
      'Making envelopes': enveloping,
      Packing: packing,
    },
    stageMinutes: {
      print: pace.setUp + printing + foiling,
      cut: cut.minutes,
      crease: crease.minutes + parting,
      assemble: fixing + enveloping,
      pack: packing,
    },
  };
}

/**
 * Before card is spent: a thumbnail of plain paper, folded, on which a face that is reversed or head down is seen at once;
 * then one sheet, looked at in daylight, measured and folded.
 */
function testSteps({ make }: Job, { form }: SizePlan, { passes, sides }: SheetPlan): readonly MakeStep[] {
  if (!make.testPrint || passes.length === 0) return [];
  const folds = form.blank.creases.length > 0;
  return [
    ...(folds
      ? [
          {
            ...PLAIN,
            id: 'proof',
            kind: 'proof' as const,
            title: 'Fold a thumbnail',
            big: '1 on paper',
            detail:
              'Print the proof, which Size has as a PDF, on plain paper. Cut it out and fold it as it says: each face must read the right way up, front in front, and no word stands on its head.',
          },
        ]
      : []),
    {
      ...PLAIN,
      id: 'test-print',
      ...{ kind: 'print', side: 'front', plate: 'colours' },
      ...(sides.length === 2 ? { backsFronts: true as const } : {}),
      title: 'Test print',
      big: '1 sheet',
      detail:
        'At the quality and paper setting of the run. Look in daylight for steps in gradients and bands in solids; let it dry, then rub it and bend it.' +
        (sides.length === 2 ? ' Print its back too, hold it to the light and measure how far that lies off.' : '') +
        (folds ? ' Fold it along its marks.' : '') +
        ' Go on when it is good.',
    },
  ];
}

/** How a ready-cut card goes in: singly, opened, and by a short edge, as the page’s size is told to the driver. */
function sayFeed(
  { fold, state }: ReadyCut,
  path: FeedPath,
  { sheetWidthMm, sheetHeightMm }: Pick<SheetPlan, 'sheetWidthMm' | 'sheetHeightMm'>,
): string {
  const opened = fold !== 'none' && state === 'folded' ? ', opened and bent flat' : '';
  const edge = Math.abs(sheetWidthMm - sheetHeightMm) < TOLERANCE_MM ? '' : ', a short edge first';
  const slow = path.bends === true ? ' The way bends: see that a stiff one is not caught.' : '';
  return `Feed them one at a time${opened}${edge}, ${path.printSide ? `with the side to be printed ${path.printSide}` : 'the side to be printed as this printer wants it'}.${slow} `;
}

function printSteps(job: Job, workshop: Workshop, sheet: SheetPlan, stock: StockPlan): readonly MakeStep[] {
  const { printSide } = stock.path;
  // A ready-cut card is told of one by one.
  const lies = printSide && !stock.stock.readyCut ? `, the side to be printed ${printSide}` : '';
  const where = capital(`${stock.printer.name}, ${stock.path.name}${lies}`);
  const { readyCut } = stock.stock;
  const settings = `${stock.stock.name}. ${readyCut ? sayFeed(readyCut, stock.path, sheet) : ''}${sayPaperSize(sheet, workshop)} ${sayBorder(stock.path)}Print at 100 %, no fit to page.`;
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
        ...(both || turned ? { backsFronts: true as const } : {}),
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

function machineStep({ machine, trimmer }: CutPlan, { sheets }: SheetPlan): MakeStep {
  return {
    id: 'machine',
    kind: 'machine',
    title: `Cut on ${trimmer.name}`,
    big: `${sheets} ${plural(sheets, 'sheet')}`,
    detail: `${sayMachine(machine!, 'the cut file', 'the bare card')} Cut one and look before the rest.`,
    caution: CAUTIONS.machine,
    waitMinutes: null,
  };
}

function cutSteps(cut: CutPlan, { unit }: Workshop): readonly MakeStep[] {
  return cut.moves.map((move, i) => ({
    id: `cut-${move.number}`,
    kind: 'cut',
    move: i,
    fenceMm: move.fenceMm,
    title: `Cut ${move.number} of ${cut.moves.length}`,
    big: formatLength(move.fenceMm, unit),
    detail: `${move.turn}. ${move.how} ${move.strokes} ${plural(move.strokes, 'stroke')}, up to ${cut.sheetsAtOnce} at once.`,
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
    ...(crease.byEnds || line.isByRule ? {} : { fromStopMm: line.grooveAtMm }),
    title: crease.lines.length === 1 ? 'Crease' : `Crease ${line.number} of ${crease.lines.length}`,
    big: crease.byEnds ? 'End to end' : line.isByRule ? 'By rule' : formatLength(line.grooveAtMm, unit),
    detail: crease.lines.length === 1 ? line.text : `${line.turn}. ${line.text}`,
  }));

function foldStep(crease: CreasePlan, { form, seams }: SizePlan, { unit }: Workshop): readonly MakeStep[] {
  if (crease.folding.length === 0) return [];
  const [seam] = seams;
  const isGlued = (form.glued ?? []).length > 0;
  const holds = seams.flatMap(({ name, adhesive, laying }) =>
    laying.ok ? [`${name}: ${sayLaid(adhesive, laying, unit)} of ${adhesive.name}.`] : [],
  );
  return [
    {
      ...PLAIN,
      id: 'fold',
      kind: 'fold',
      title: isGlued ? 'Fold and glue' : 'Fold',
      big: 'Corners first',
      detail: [...crease.folding, ...holds, ...(seam ? [sayHolding(seam.adhesive)] : [])].join(' '),
      caution: isGlued ? cautionOf(seam?.adhesive ?? null) : null,
      waitMinutes: seam && seam.adhesive.dryMinutes > 0 ? seam.adhesive.dryMinutes : null,
    },
  ];
}
