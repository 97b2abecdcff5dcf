import { capital, count, figure, minutes as minutesValue, plural, sayMinutes } from '../job/figures.ts';
import type { Figure, Job, StationPlan, Workshop } from '../job/types.ts';
import { formatLength, formatSize } from '../length/formatLength.ts';
import type { CreasePlan } from '../crease/planCrease.ts';
import type { CutPlan } from '../cut/types.ts';
import type { EnvelopePlan } from '../envelope/planEnvelope.ts';
import type { SheetPlan } from '../sheet/planSheet.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockPlan } from '../stock/planStock.ts';

export type StepKind =
  'print' | 'dry' | 'cut' | 'machine' | 'outline' | 'crease' | 'fold' | 'layer' | 'envelope' | 'pack';

export interface MakeStep {
  readonly id: string;
  readonly kind: StepKind;
  /** What to do, in a few words to be read across a bench. */
  readonly title: string;
  /** The one number or word that matters. */
  readonly big: string;
  readonly detail: string;
  readonly caution: string | null;
  readonly waitMinutes: number | null;
}

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
  scissors: 'Sharp points: cut away from yourself, and close them when you lay them down.',
  machine:
    'Hands, hair and sleeves clear while it moves; stop it before you reach in. Follow the machine’s own instructions.',
  glue: 'Air the room and keep flames away from solvent glue. Follow the glue’s own instructions and local rules.',
} as const;

export function planMake(
  job: Job,
  workshop: Workshop,
  size: SizePlan,
  stock: StockPlan,
  sheet: SheetPlan,
  cut: CutPlan,
  crease: CreasePlan,
  envelope: EnvelopePlan,
): MakePlan {
  const steps = [
    ...printSteps(job, sheet, stock),
    ...panelSteps(job, sheet),
    ...(crease.onSheet ? lineSteps(crease, workshop) : []),
    ...(cut.machine ? [machineStep(cut, sheet)] : cutSteps(cut, workshop)),
    ...(cut.outlinesAfterCrease ? [] : outlineSteps(cut)),
    ...(crease.onSheet ? [] : lineSteps(crease, workshop)),
    ...(cut.outlinesAfterCrease ? outlineSteps(cut) : []),
    ...foldStep(crease),
    ...layerSteps(sheet, workshop),
    ...(envelope.made && envelope.up > 0 ? [envelopeStep(job, envelope)] : []),
    {
      id: 'pack',
      kind: 'pack',
      title: 'Check, count and pack',
      big: String(job.brief.wanted),
      detail: `Front the right way, corners square, inside the right way up. ${job.brief.wanted} good ${plural(job.brief.wanted, 'card')} wanted, ${formatSize(size.finishedWidthMm, size.finishedHeightMm, workshop.unit)} finished.`,
      caution: null,
      waitMinutes: null,
    } satisfies MakeStep,
  ];
  const { pace } = workshop;
  const sidesPrinted = sheet.sheets * sheet.sides.length + panelSheets(sheet).reduce((n, { sheets }) => n + sheets, 0);
  const parts = {
    'Setting up': pace.setUp,
    Printing: sidesPrinted * pace.perPrintedSide,
    Cutting: cut.minutes,
    'Creasing and folding': crease.minutes,
    'Making envelopes': envelope.made ? job.brief.wanted * pace.perEnvelopeMade : 0,
    Packing: job.brief.wanted * pace.perCardPacked,
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
function panelSteps(job: Job, sheet: SheetPlan): readonly MakeStep[] {
  const printed = panelSheets(sheet);
  if (printed.length === 0) return [];
  return [
    ...printed.map(({ piece, sheets, up, print }): MakeStep => ({
      id: `print-layer-${piece.id}`,
      kind: 'layer',
      title: `Print ${piece.name.toLowerCase()}`,
      big: `${sheets} ${plural(sheets, 'sheet')}`,
      detail: `${capital(`${print!.printer.name}, ${print!.path.name}`)}. ${piece.stock.name}, ${up} from each. Print at 100 %, no fit to page. Test one sheet first.`,
      caution: null,
      waitMinutes: null,
    })),
    ...(job.make.dryMinutes > 0 ? [dryStep(job, 'dry-layers')] : []),
  ];
}

function printSteps(job: Job, sheet: SheetPlan, stock: StockPlan): readonly MakeStep[] {
  const where = capital(`${stock.printer.name}, ${stock.path.name}`);
  const settings = `${stock.stock.name}. Print at 100 %, no fit to page.`;
  const dry = (id: string): MakeStep => dryStep(job, id);
  const waits = job.make.dryMinutes > 0;
  if (sheet.bothSidesAtOnce && sheet.sides.length === 2)
    return [
      {
        id: 'print',
        kind: 'print',
        title: 'Print both sides',
        big: `${sheet.sheets} ${plural(sheet.sheets, 'sheet')}`,
        detail: `${where}. ${settings} Two-sided, flip on the ${job.sheet.flipEdge} edge. Fold the first one by hand before you print the rest.`,
        caution: null,
        waitMinutes: null,
      },
      ...(waits ? [dry('dry')] : []),
    ];
  return sheet.sides.flatMap((side, i) => [
    {
      id: `print-${side}`,
      kind: 'print' as const,
      title: sheet.onePlate ? (i === 0 ? 'Print the plate' : 'Print it again') : `Print the ${side}s`,
      big: `${sheet.sheets} ${plural(sheet.sheets, 'sheet')}`,
      detail:
        i === 0
          ? `${where}. ${settings} Test one sheet first.`
          : `${sheet.onePlate ? 'The same page once more: turn' : 'Turn'} the stack over on its ${job.sheet.flipEdge} edge and feed it again${sheet.calibration?.from.laidBack ? `, laid back as before: “${sheet.calibration.from.laidBack}”` : ''}. ${settings} Fold the first one by hand before you print the rest.`,
      caution: null,
      waitMinutes: null,
    },
    ...(waits ? [dry(`dry-${side}`)] : []),
  ]);
}

function machineStep({ machine, trimmer }: CutPlan, { sheets }: SheetPlan): MakeStep {
  const { passes, secondsPerSheet } = machine!;
  return {
    id: 'machine',
    kind: 'machine',
    title: `Cut on ${trimmer.name}`,
    big: `${sheets} ${plural(sheets, 'sheet')}`,
    detail: `Send the cut file, front up, the corner without a mark at the bottom right. ${passes} ${passes === 1 ? 'pass' : 'passes'}, about ${sayMinutes(secondsPerSheet / 60)} a sheet. Cut one and look before the rest.`,
    caution: CAUTIONS.machine,
    waitMinutes: null,
  };
}

function cutSteps(cut: CutPlan, { unit }: Workshop): readonly MakeStep[] {
  return cut.moves.map((move, i) => ({
    id: `cut-${move.number}`,
    kind: 'cut',
    title: `Cut ${move.number} of ${cut.moves.length}`,
    big: formatLength(move.fenceMm, unit),
    detail: `${move.turn}. ${move.text} ${move.strokes} ${plural(move.strokes, 'stroke')}, up to ${cut.sheetsAtOnce} at once.`,
    caution: i === 0 ? CAUTIONS[cut.trimmer.kind] : null,
    waitMinutes: null,
  }));
}

/** Slopes and curves: no fence holds them, so each is its own card with the knife’s caution. */
const outlineSteps = (cut: CutPlan): readonly MakeStep[] =>
  cut.outlines.map(({ id, title, big, text }) => ({
    id,
    kind: 'outline',
    title,
    big,
    detail: text,
    caution: CAUTIONS.knife,
    waitMinutes: null,
  }));

const lineSteps = (crease: CreasePlan, { unit }: Workshop): readonly MakeStep[] =>
  crease.lines.map((line) => ({
    id: `crease-${line.number}`,
    kind: 'crease',
    title: crease.lines.length === 1 ? 'Crease' : `Crease ${line.number} of ${crease.lines.length}`,
    big: formatLength(line.grooveAtMm, unit),
    detail: crease.lines.length === 1 ? line.text : `${line.turn}. ${line.text}`,
    caution: null,
    waitMinutes: null,
  }));

function layerSteps({ layers }: SheetPlan, { unit }: Workshop): readonly MakeStep[] {
  return layers
    .filter(({ up }) => up > 0)
    .map(({ piece, up, sheets }) => ({
      id: `layer-${piece.id}`,
      kind: 'layer',
      title: `${piece.kind === 'insert' ? 'Cut, fold and lay in' : 'Cut and glue'}: ${piece.name.toLowerCase()}`,
      big: formatSize(piece.widthMm, piece.heightMm, unit),
      detail: `${sheets} ${plural(sheets, 'sheet')} of ${piece.stock.name}, ${up} from each. ${piece.kind === 'insert' ? `Fold it at ${formatLength(piece.crease!.atMm, unit)} and lay it in the fold.` : 'Centre it on its face; keep glue 3 mm inside its edge.'}`,
      caution: piece.kind === 'insert' ? null : CAUTIONS.glue,
      waitMinutes: null,
    }));
}

function foldStep(crease: CreasePlan): readonly MakeStep[] {
  if (crease.lines.length === 0) return [];
  return [
    {
      id: 'fold',
      kind: 'fold',
      title: 'Fold',
      big: 'Corners first',
      detail: crease.folding.join(' '),
      caution: null,
      waitMinutes: null,
    },
  ];
}

function envelopeStep(job: Job, envelope: EnvelopePlan): MakeStep {
  return {
    id: 'envelope',
    kind: 'envelope',
    title: 'Make the envelopes',
    big: `${job.brief.wanted} from ${envelope.sheets} ${plural(envelope.sheets, 'sheet')}`,
    detail: envelope.steps.join(' '),
    caution: CAUTIONS.glue,
    waitMinutes: null,
  };
}
