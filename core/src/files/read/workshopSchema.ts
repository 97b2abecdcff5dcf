import Joi from 'joi';
import type { Sides } from '../../ground/geometry/types.ts';
import { CROSSES, type Calibration } from '../../workshop/calibration/types.ts';
import {
  BEADS,
  FIBRES,
  FOLD_INKS,
  FOLD_JUDGED,
  GAUGE_LINES,
  PRESSURES,
  type FoldReading,
  type Measurings,
  type OverhangReading,
  type StackReading,
  type WeightReading,
} from '../../workshop/measuring/types.ts';
import type { WorkTimes } from '../../workshop/calendar.ts';
import { PAPERS } from '../../workshop/region.ts';
import { WORKSHOP_LIMITS } from '../../workshop/limits.ts';
import {
  COATINGS,
  GRADES,
  READY_FOLDS,
  ADHESIVE_KINDS,
  READY_STATES,
  TRIMMER_KINDS,
  TRIMMING_KINDS,
  type Adhesive,
  type PostBand,
  type Tariff,
  WHITE_WAYS,
  type Board,
  type FeedPath,
  type Laminator,
  type MachineFacts,
  type MachineLine,
  type Pace,
  type Printer,
  type ShelfEnvelope,
  type Stock,
  type Tool,
  type Trimmer,
  type Trimming,
  type Workshop,
} from '../../workshop/types.ts';
import {
  code,
  colour,
  day,
  id,
  length,
  list,
  name,
  number,
  object,
  oneOf,
  oneOfKinds,
  orNull,
  record,
  spare,
  starting,
  things,
  whole,
  words,
  yesOrNo,
  type FieldsOf,
  type Rule,
  type Spared,
} from './rules.ts';

const SHOP = WORKSHOP_LIMITS;

const minor = whole(SHOP.minor);
const called = name(SHOP.nameLetters);
const margin = length(SHOP.path.marginMm);
const sides = object<Sides>({ top: margin, right: margin, bottom: margin, left: margin });
const gsm = number(SHOP.gsm);
const micron = number(SHOP.caliperMicron);
const sheetMm = length(SHOP.sheetMm);
const passes = whole(SHOP.machine.passes);

type Readings = Calibration['readings'];
const missMm = length(SHOP.calibration.missMm);
const miss = object<Readings['crosses']['topLeft']>({ rightMm: missMm, lowMm: missMm });
const edge = length(SHOP.calibration.edgeMm);
const calibration = object<Calibration>({
  id,
  day,
  gsm,
  sheetWidthMm: sheetMm,
  sheetHeightMm: sheetMm,
  marginsMm: sides,
  flipEdge: oneOf('long', 'short'),
  laidBack: words(SHOP.calibration.laidBackLetters),
  readings: object<Readings>({
    ruleAcrossMm: length(SHOP.calibration.ruleMm),
    ruleDownMm: length(SHOP.calibration.ruleMm),
    crosses: object<Readings['crosses']>(
      Object.fromEntries(CROSSES.map((cross) => [cross, miss])) as unknown as FieldsOf<Readings['crosses']>,
    ),
    edges: orNull(
      object<NonNullable<Readings['edges']>>({
        leftToTopLeftMm: edge,
        leftToBottomLeftMm: edge,
        topToTopLeftMm: edge,
        topToTopRightMm: edge,
      }),
    ),
    arrows: oneOf('same', 'opposite'),
  }),
  setAside: yesOrNo,
});

const times = object<WorkTimes>({
  weekMinutes: list(whole(SHOP.times.minutes), 7, 7),
  fromMinute: whole(SHOP.times.fromMinute),
  exceptions: list(
    object<WorkTimes['exceptions'][number]>({ day, minutes: whole(SHOP.times.minutes) }),
    SHOP.times.exceptions,
  ),
  hands: whole(SHOP.times.hands),
  racks: whole(SHOP.times.racks),
});

const minutes = number(SHOP.paceMinutes);
const pace = object<Pace>({
  setUp: minutes,
  perPrintedSide: minutes,
  perStroke: minutes,
  perCreasePass: minutes,
  perFold: minutes,
  perEnvelopeMade: minutes,
  perPieceFixed: spare(minutes),
  perCardPacked: minutes,
});

const { measuring: MEASURED } = SHOP;
const readings = <T>(of: Rule<T>): Rule<readonly T[]> => list(of, MEASURED.readings);
const measured = object<Measurings>({
  stacks: readings(object<StackReading>({ sheets: whole(MEASURED.sheets), heightMm: length(MEASURED.stackMm) })),
  weights: readings(
    object<WeightReading>({
      sheets: whole(MEASURED.sheets),
      widthMm: length(MEASURED.sideMm),
      heightMm: length(MEASURED.sideMm),
      grams: number(MEASURED.grams),
    }),
  ),
  overhangs: readings(
    object<OverhangReading>({
      fibres: oneOf(...FIBRES),
      line: oneOf(...GAUGE_LINES),
      overhangMm: length(MEASURED.overhangMm),
    }),
  ),
  folds: spare(
    readings(
      object<FoldReading>({
        fibres: oneOf(...FIBRES),
        ink: oneOf(...FOLD_INKS),
        school: oneOf(...PRESSURES),
        passes: whole(MEASURED.passes),
        tipMm: length(MEASURED.tipMm),
        bead: oneOf(...BEADS),
        damp: yesOrNo,
        judged: oneOf(...FOLD_JUDGED),
      }),
    ),
  ),
});

const stock = object<Stock>({
  id,
  name: called,
  gsm,
  grade: oneOf(...GRADES),
  caliperMicron: micron,
  coating: oneOf(...COATINGS),
  grain: oneOf('long', 'short'),
  colour,
  colourName: called,
  sheetWidthMm: sheetMm,
  sheetHeightMm: sheetMm,
  sheetPriceMinor: minor,
  pack: spare(object<NonNullable<Stock['pack']>>({ sheets: whole(SHOP.packSheets), priceMinor: minor })),
  alsoSoldAs: spare(
    list(object<NonNullable<Stock['pack']>>({ sheets: whole(SHOP.packSheets), priceMinor: minor }), SHOP.otherPacks),
  ),
  offcutOf: spare(id),
  onShelf: whole(SHOP.onShelf),
  measured: spare(measured),
  readyCut: spare(
    object<NonNullable<Stock['readyCut']>>({
      fold: oneOf(...READY_FOLDS),
      frontMm: spare(length(SHOP.readyFrontMm)),
      state: oneOf(...READY_STATES),
      groove: spare(oneOf('outside', 'inside')),
      envelope: spare(
        object<NonNullable<NonNullable<Stock['readyCut']>['envelope']>>({
          insideWidthMm: length(SHOP.insideMm),
          insideHeightMm: length(SHOP.insideMm),
        }),
      ),
    }),
  ),
});

const path = object<FeedPath>({
  id,
  name: called,
  heaviestGsm: gsm,
  thickestMicron: micron,
  widestMm: length(SHOP.path.widestMm),
  longestMm: length(SHOP.path.longestMm),
  narrowestMm: spare(length(SHOP.path.narrowestMm)),
  shortestMm: spare(length(SHOP.path.shortestMm)),
  bends: spare(yesOrNo),
  marginsMm: sides,
  printSide: spare(oneOf('up', 'down')),
  printsBothSides: yesOrNo,
  enlargesBy: spare(number(SHOP.path.enlargesBy)),
  white: spare(oneOf(...WHITE_WAYS)),
  calibrations: spare(things(calibration, SHOP.calibration.perPath)),
});
const printer = object<Printer>({
  id,
  name: called,
  ink: oneOf('inkjet', 'laser'),
  printsWhite: spare(yesOrNo),
  inkLimits: spare(record(Joi.valid(...COATINGS), number(SHOP.inkLimit)) as Rule<NonNullable<Printer['inkLimits']>>),
  sidePriceMinor: minor,
  paths: things(path, undefined, 1),
});

const machine = object<MachineFacts>({
  marginMm: length(SHOP.machine.marginMm),
  marginsMm: spare(sides),
  findsMarks: spare(yesOrNo),
  widestMm: length(SHOP.machine.widestMm),
  speedMmPerS: number(SHOP.machine.speedMmPerS),
  passes: list(
    object<MachineLine>({ upToGsm: gsm, passes, force: spare(number(SHOP.machine.force)) }),
    SHOP.machine.passes.most,
    1,
  ),
});
const trimmer = object<Trimmer>({
  id,
  name: called,
  kind: oneOf(...TRIMMER_KINDS),
  longestCutMm: length(SHOP.trimmer.longestCutMm),
  thickestStackMm: length(SHOP.trimmer.thickestStackMm),
  leastFenceMm: spare(length(SHOP.trimmer.leastFenceMm)),
  repeatabilityMm: spare(length(SHOP.trimmer.repeatabilityMm)),
  machine: machine.when('kind', {
    is: 'machine',
    then: Joi.required(),
    otherwise: Joi.forbidden(),
  }) as Spared<MachineFacts>,
});

const board = object<Board>({
  id,
  name: called,
  grooveEveryMm: length(SHOP.board.grooveEveryMm),
  longestMm: length(SHOP.board.longestMm),
});
const { tool: TOOL } = SHOP;
const heat: FieldsOf<Omit<Laminator, 'kind'>> = {
  id,
  name: called,
  widestMm: length(TOOL.widestMm),
  thickestMm: length(TOOL.thickestMm),
};
const tool = oneOfKinds<Tool>({
  laminator: heat,
  press: heat,
  punch: {
    id,
    name: called,
    holesMm: list(length(TOOL.holeMm), TOOL.holes, 1),
    reachMm: length(TOOL.reachMm),
    thickestMm: length(TOOL.thickestMm),
  },
});
const envelope = object<ShelfEnvelope>({
  id,
  name: called,
  insideWidthMm: length(SHOP.insideMm),
  insideHeightMm: length(SHOP.insideMm),
  colour,
  priceMinor: minor,
  onShelf: whole(SHOP.onShelf),
});

const { trimming: TRIMMING, adhesive: ADHESIVE } = SHOP;
const trimming = object<Trimming>({
  id,
  name: called,
  kind: oneOf(...TRIMMING_KINDS),
  widthMm: length(TRIMMING.sideMm),
  heightMm: length(TRIMMING.sideMm),
  thickMm: length(TRIMMING.thickMm),
  grams: number(TRIMMING.grams),
  colour,
  pack: object<Trimming['pack']>({ pieces: whole(TRIMMING.pieces), priceMinor: minor }),
  onShelf: whole(SHOP.onShelf),
});
const adhesive = object<Adhesive>({
  id,
  name: called,
  kind: oneOf(...ADHESIVE_KINDS),
  widthMm: length(ADHESIVE.widthMm),
  thickMm: length(ADHESIVE.thickMm),
  bearsGramsPerCm2: number(ADHESIVE.bearsGramsPerCm2),
  openMinutes: number(ADHESIVE.openMinutes),
  dryMinutes: number(ADHESIVE.dryMinutes),
  offEdgeMm: length(ADHESIVE.offEdgeMm),
  pack: object<Adhesive['pack']>({ holds: number(ADHESIVE.holds), priceMinor: minor }),
});

const post = object<Tariff>({
  bands: things(
    object<PostBand>({
      id,
      name: called,
      upToGrams: number(SHOP.post.grams),
      upToLongMm: length(SHOP.post.sideMm),
      upToShortMm: length(SHOP.post.sideMm),
      upToThickMm: length(SHOP.post.thickMm),
      priceMinor: minor,
    }),
    SHOP.post.bands,
  ),
  extras: object<Tariff['extras']>({
    square: spare(minor),
    stiff: spare(minor),
    lumpy: spare(minor),
    transparent: spare(minor),
  }),
});

export type StoredWorkshop = Omit<Workshop, 'spoilLog'>;

/** A workshop as the server keeps it. The spoil log is counted from runs, never sent. */
export const workshopSchema = object<StoredWorkshop>({
  studioName: called,
  currency: code(3, 'GBP'),
  region: spare(code(2, 'GB')),
  unit: oneOf('mm', 'in'),
  papers: spare(oneOf(...PAPERS)),
  hourlyMinor: minor,
  pace,
  times: spare(times),
  stocks: things(stock, undefined, 1),
  printers: things(printer, undefined, 1),
  trimmers: things(trimmer, undefined, 1),
  boards: things(board, undefined, 1),
  // Older ones know none.
  tools: starting(things(tool), []).optional(),
  trimmings: starting(things(trimming), []).optional(),
  adhesives: starting(things(adhesive), []).optional(),
  keepOffcutMm: spare(length(SHOP.keepOffcutMm)),
  post: spare(post),
  envelopes: things(envelope),
}).options({ presence: 'required' });
