/** The core's one way in; fonts and job files have their own doors because they bring libraries with them. */
export * from './ground/length/types.ts';
export { parseLength, type ParsedLength } from './ground/length/parseLength.ts';
export { fixed } from './ground/length/rounding.ts';
export { formatLength, formatSize } from './ground/length/formatLength.ts';
export * from './ground/geometry/types.ts';
export * from './ground/geometry/affine.ts';
export { boxAround, corners, evenSides, grow, isInside, mapBox, shrink } from './ground/geometry/box.ts';
export * from './ground/geometry/path.ts';
export * from './ground/fold/types.ts';
export { foldBlank } from './ground/fold/foldBlank.ts';
export { cutsOf, isOpening } from './ground/fold/blankCuts.ts';
export { readFaces, type ReadFace } from './ground/fold/readFaces.ts';
export * from './ground/fold/stages.ts';
export * from './ground/linkage/types.ts';
export { motionOf } from './ground/linkage/motionOf.ts';
export { lifted, placeParts, type Poses } from './ground/linkage/placeParts.ts';
export { standOnTable } from './ground/fold/stand.ts';
export { atOpening, atState, atStep, type Folding } from './ground/fold/foldForm.ts';
export { move, turn, turnAbout, chain, type Pose, type Vec3 } from './ground/fold/space.ts';
export { inSpace } from './ground/fold/foldBlank.ts';
export * from './ground/scene/types.ts';
export * from './ground/money.ts';
export * from './workshop/types.ts';
export { WORKSHOP_LIMITS } from './workshop/limits.ts';
export { LIMITS } from './job/limits.ts';
export type { Limits } from './ground/limits.ts';
export { SHARED_LIMITS } from './shared/limits.ts';
export * from './job/stations.ts';
export * from './job/types.ts';
export * from './job/findings.ts';
export * from './job/figures.ts';
export { cutText } from './job/cutText.ts';
export {
  changesBack,
  decide,
  decideEach,
  pathOf,
  type Held,
  type JobChange,
  type JobPlace,
  type Place,
} from './job/decide.ts';
export { SHELVES, usesOf, type HoldsThings, type Shelf, type Use } from './job/usesOf.ts';
export { copyJob, type Copied } from './job/copyJob.ts';
export { changeJob } from './job/changeJob.ts';
export { isSame, mergeDocuments, type Clash, type Merged } from './job/mergeDocuments.ts';
export { completed } from './job/completed.ts';
export { DEFAULTS, EMPTY_FACE, newJob } from './job/newJob.ts';
export { isPlainRule } from './job/plainRule.ts';
export { FORMATS, formatEntry } from './stations/size/formats/index.ts';
export * from './job/format.ts';
export { freshId } from './job/freshId.ts';
export * from './job/layerKinds.ts';
export * from './job/popUps.ts';
export * from './job/windowShapes.ts';
export { MECHANISMS, mechanismOf } from './stations/size/popUps/mechanisms/index.ts';
export type { Mechanism, PopUpInput } from './stations/size/popUps/types.ts';
export type { PopUpPlan } from './stations/size/popUps/popUpPlan.ts';
export { popUpOf } from './stations/size/popUps/assemble.ts';
export { artOfCutIn, pageLeft, partLeft } from './stations/size/popUps/bentAway.ts';
export { isCutIn } from './stations/size/popUps/cutIns.ts';
export { isTraced } from './stations/size/popUps/mechanisms/figure.ts';
export { gripsOf, movedBy, type Grip } from './stations/size/popUps/grips.ts';
export { drawEndOn } from './stations/size/popUps/drawPopUps.ts';
export { standing, type Standing } from './stations/size/popUps/standing.ts';
export { FAMILIES, type Family, type Finish, type Format, type FormatInput } from './stations/size/formats/types.ts';
export { roundDown } from './stations/size/limits.ts';
export type { LayerPiece } from './stations/size/layers.ts';
export { parseColour } from './ground/scene/parseColour.ts';
export {
  BOUGHT_SHEETS,
  ISO_C6,
  NAMED_SIZES,
  SIZE_SYSTEMS,
  sheetName,
  sizeName,
  type NamedSize,
  type SizeSystem,
} from './workshop/namedSizes.ts';
export { fitEnvelope, largestThatFits, SLACK_MM, type Fit } from './stations/size/fitEnvelope.ts';
export type { FoldedPiece, SizePlan } from './stations/size/planSize.ts';
export { cutsOnFace, drawBlank, drawLayers, viewOf, type LayerPrints } from './stations/size/drawBlank.ts';
export { drawFolded, LOOKED_INTO_DEG, posesAt, type FoldStage } from './stations/size/drawFolded.ts';
export { drawGuides, drawLayerTemplate, drawTemplate, templatePage } from './stations/size/drawTemplate.ts';
export { sidesPrinted } from './stations/sheet/pieces.ts';
export { drawLayerSheet, drawPanelPage } from './stations/sheet/draw/drawLayerSheet.ts';
export { likelyPage, partsOfPage, type BackgroundPage, type PagePart } from './stations/sheet/layout/partsOfPage.ts';
export type { LayerSheet } from './stations/sheet/layout/layerSheets.ts';
export { drawProof } from './plan/drawProof.ts';
export { drawTicket } from './plan/drawTicket.ts';
export { seenPanels } from './plan/seenPanels.ts';
export { layerName } from './files/write/layerNames.ts';
export { flatten, type Polygon } from './ground/geometry/polygon.ts';
export { offset } from './ground/geometry/offset.ts';
export * from './stations/art/words/typefaces.ts';
export { mayEmbed, mayTravel, type Embedding } from './stations/art/words/embedding.ts';
export { isOwnTypeface, ownTypefaceId } from './job/ownTypeface.ts';
export { setText, type SetBlock, type SetLine } from './stations/art/words/setText.ts';
export { coverBox, effectivePpi, inOrder } from './stations/art/faces/layFace.ts';
export {
  drawFaceInPixels,
  PIXEL_DPI,
  fitPixels,
  pixelFault,
  type PixelFit,
  type PixelQuestion,
} from './stations/art/faces/exactPixels.ts';
export * from './stations/art/elsewhere/pixelPages.ts';
export * from './stations/art/elsewhere/facesOfPictures.ts';
export { openPlaces, type OpenPlace } from './stations/art/elsewhere/openPlaces.ts';
export { pageAsSent } from './workshop/borderless.ts';
export { toolsOf } from './workshop/tools.ts';
export { ADHESIVE_UNITS, adhesivesOf, perPieceFixed, trimmingsOf } from './workshop/putOn.ts';
export { layAdhesive } from './workshop/adhesives.ts';
export { drawTrimming } from './stations/size/drawTrimming.ts';
export { newAdhesive, newTrimming } from './workshop/newThings.ts';
export type { PlacedTrimming } from './stations/size/trimmings.ts';
export { machineMargins, withMargins } from './workshop/machineMargins.ts';
export { drawFace, drawSide, hasArt, hasPrint, printedBox } from './stations/art/faces/drawCard.ts';
export type { ArtPlan, NamesPlan, PanelArt } from './stations/art/types.ts';
export {
  boxOf,
  idOf,
  isWholeOnFace,
  type FacePlan,
  type LaidItem,
  type LaidPicture,
} from './stations/art/faces/items.ts';
export * from './stations/art/ink/colour.ts';
export { nameOfColour, namesAnother } from './stations/art/ink/colourNames.ts';
export * from './stations/art/drift/driftLab.ts';
export {
  rehearse,
  type Misprint,
  type Rehearsed,
  type RehearsedCard,
  type RehearsedFace,
} from './stations/art/drift/rehearse.ts';
export { EDGES, TOUCHES_MM, type FaceEdge } from './stations/art/faces/edges.ts';
export { inkMl, inkUse, ML_PER_M2, type InkUse } from './stations/art/ink/ink.ts';
export { inkLimit, inkTotal, latticeValue, type InkLattice } from './stations/art/ink/inkTotal.ts';
export { newMakersMark } from './stations/art/faces/makersMark.ts';
export { seenFace, seenSide } from './stations/art/faces/seenArt.ts';
export * from './stations/art/names/names.ts';
export { likelyHeading, namedColumns, namesFrom } from './stations/art/names/namesFrom.ts';
export type { CellWords, ReadTables, Table } from './stations/art/names/types.ts';
export * from './job/namesList.ts';
export { BARE_WITHIN, type Fate, type InkOnStock, type OnStock } from './stations/art/ink/onStock.ts';
export { cardAt, nameSheet } from './stations/sheet/draw/nameSheet.ts';
export type { NamedSheet, Placement, SheetPlan } from './stations/sheet/types.ts';
export { placedPictureIds, placedTypefaceIds, withTypefaces } from './stations/art/faces/placedPictures.ts';
export {
  alignmentShift,
  alignmentShifts,
  evenShifts,
  evenSpan,
  freeTop,
  snap,
  type Alignment,
  type Snapped,
} from './stations/art/faces/arrange.ts';
export { wordFace } from './stations/art/words/wordings.ts';
export { OCCASIONS, WORDINGS, type Wording } from './stations/art/words/wordingSet.ts';
export { codeOf, codeText, fullName, withScheme } from './stations/art/things/code.ts';
export type { Code } from './stations/art/things/codePath.ts';
export { ornamentPath } from './stations/art/things/ornamentPath.ts';
export { ORNAMENTS } from './stations/art/things/ornaments/index.ts';
export {
  poundsOf,
  readThickness,
  readWeight,
  sayWeight,
  showThickness,
  showWeight,
  type LabelWeight,
} from './workshop/stockLabel.ts';
export { inCurrency } from './workshop/inCurrency.ts';
export type { Start, Started } from './plan/startJob.ts';
export { readyCard, type ReadyCard } from './stations/size/readyCard.ts';
export { sheetPriceOf } from './workshop/sheetPrice.ts';
export {
  NEW_MACHINE,
  newBlanks,
  newBoard,
  newTool,
  newEnvelope,
  newPath,
  newPrinter,
  newStock,
  newTrimmer,
  PRINTER_KINDS,
  type PrinterKind,
} from './workshop/newThings.ts';
export { setUpWorkshop, type FirstAnswers } from './workshop/setUp.ts';
export { papersIn } from './workshop/papersIn.ts';
export { PAPERS, papersOf, unitOf, type Papers } from './workshop/region.ts';
export { selfBucklingHeightMm } from './stations/stock/standing.ts';
export * from './workshop/measuring/types.ts';
export { droop, lineDeg, SHARE_OF, type DroopPoint } from './workshop/measuring/droop.ts';
export { drawOverhang } from './workshop/measuring/drawOverhang.ts';
export type { StandingCard } from './stations/stock/stands/types.ts';
export { drawStanding } from './stations/stock/stands/drawStanding.ts';
export { CRACKS_UP_TO } from './stations/stock/recipe.ts';
export { foldTests } from './workshop/folding/foldTests.ts';
export { gaugeSheet } from './stations/stock/gaugeSheet.ts';
export { sayMeasured, type SaidOfStock } from './stations/stock/sayMeasured.ts';
export { drawGauge, layGauge, LINE_NAMES, type GaugeSheet } from './workshop/measuring/drawGauge.ts';
export {
  bendingLengthMm,
  measuredStock,
  NO_MEASURINGS,
  type Bending,
  type Found,
  type MeasuredStock,
} from './workshop/measuring/measuredStock.ts';
export type { StockPlan } from './stations/stock/planStock.ts';
export { usualBareEdgeMm } from './stations/sheet/bareEdge.ts';
export { insideMargins, turnedClockwise, type FromEdges } from './stations/sheet/layout/edges.ts';
export { layOutOnePiece, type LayOut, type LayOutQuestion } from './stations/sheet/layout/layOut.ts';
export { chanceEnough, sparesFor } from './stations/sheet/layout/spares.ts';
export { holdsFoil, waysOf } from './stations/sheet/layout/layerSheets.ts';
export { isOwnPass, passesOf, sayPlate, type PlateKind, type PrintPass } from './stations/sheet/layout/passes.ts';
export { whiteWayOf } from './stations/stock/white.ts';
export { slugWidthMm } from './stations/sheet/draw/drawMarks.ts';
export { outOfReach, type SheetSide } from './stations/sheet/layout/reach.ts';
export * from './workshop/calibration/types.ts';
export { calibrationFor, correctionsInForce, type InForce } from './workshop/calibration/chooseCalibration.ts';
export { correctPage } from './workshop/calibration/correctPage.ts';
export { correctionsFor, fitRegister, registerOf } from './workshop/calibration/fitRegister.ts';
export { calibrationMarks, isCalibratable, type SheetSize } from './workshop/calibration/marks.ts';
export { isUsable, sayRegister } from './workshop/calibration/sayRegister.ts';
export { CROSS_NAMES, drawCalibration, type CalibrationSheet } from './workshop/calibration/drawCalibration.ts';
export {
  printSide,
  readByEye,
  residueMm,
  STAND_IN_PRINTER,
  truthMaps,
  type PrinterTruth,
} from './files/standins/printer.ts';
export { misprints } from './files/standins/misprints.ts';
export { artMaps, drawSheetPage, pageMap, type SheetLabel } from './stations/sheet/draw/drawSheet.ts';
export { KEEP_OFFCUT_MM, offcutsOf } from './stations/cut/sheetChoices.ts';
export type {
  CutMove,
  CutPlan,
  EdgeDrift,
  Offcut,
  OutlineCut,
  PieceDrift,
  SheetChoiceRow,
} from './stations/cut/types.ts';
export type {
  SharedAnswer,
  SharedOrder,
  SharedPattern,
  SharedPlacement,
  SharedSheet,
  MixedAnswer,
  MixedOrder,
  MixedPattern,
  MixedPlan,
  SolveProgramme,
} from './shared/types.ts';
export { fromHighs } from './shared/fromHighs.ts';
export { movesFor } from './stations/cut/movesFor.ts';
export { partKinds } from './stations/cut/partKinds.ts';
export { drawPattern, patternOutline, sharedPageMap } from './shared/drawPattern.ts';
export {
  isSamePaper,
  sharedPictureId,
  sharedPieces,
  sidesOf,
  uprightGrain,
  type SharedPiece,
} from './shared/sharedPieces.ts';
export { OWN_JOB, ownPiece, type OwnPiece } from './shared/ownPiece.ts';
export { pageAsFed, sheetAsFed } from './shared/pageAsFed.ts';
export { planShared, planMixed } from './shared/planShared.ts';
export { draftMoves } from './stations/cut/draftMoves.ts';
export { partsAfter, type Part } from './stations/cut/partsAfter.ts';
export { DRAWN_WIDER, drawDrift } from './stations/cut/drawDrift.ts';
export { sayPieceCuts } from './stations/cut/sayPieceCuts.ts';
export { drawMachineFile, drawOnMachine, type MachinePlan } from './stations/cut/planMachine.ts';
export { planDrift, SPREADS_OF_95, worstDrift } from './stations/cut/planDrift.ts';
export { repeatabilityOf } from './stations/cut/repeatability.ts';
export { readCutFile, runMachine, type MachineReport, type Scan } from './files/standins/machine.ts';
export { throughCreases } from './stations/sheet/layout/throughCreases.ts';
export { drawCutAndCrease, drawCutMove, drawMoves } from './stations/cut/drawCuts.ts';
export type { CreaseLine, CreasePlan } from './stations/crease/types.ts';
export type { FriendlySize } from './stations/crease/boardFriendly.ts';
export { takeFriendly } from './stations/crease/creaseSnags.ts';
export { drawCreaseLine } from './stations/crease/drawCrease.ts';
export type { EnvelopePlan } from './stations/envelope/planEnvelope.ts';
export { flapOf } from './stations/envelope/bought.ts';
export { ENVELOPE_STYLES, envelopeStyle } from './stations/envelope/styles/index.ts';
export type { EnvelopeAsk, EnvelopeStyle } from './stations/envelope/styles/types.ts';
export type { EnvelopeBlank } from './stations/envelope/build/types.ts';
export { compareStyles, sheetSizes } from './stations/envelope/compareStyles.ts';
export type { StyleCompared, StyleOnSheet } from './stations/envelope/compareStyles.ts';
export * from './job/envelopeStyles.ts';
export { drawEnvelopeBlank, drawEnvelopeSheet } from './stations/envelope/drawEnvelope.ts';
export {
  drawEnvelopeFront,
  drawEnvelopeOutside,
  drawEnvelopePage,
  drawFedEnvelope,
  drawLiner,
  drawLinerPage,
  drawLinerSheet,
} from './stations/envelope/drawEnvelopePrint.ts';
export type { LinerPlan } from './stations/envelope/planLiner.ts';
export type { EnvelopePrint } from './stations/envelope/envelopePrint.ts';
export { addressBlock, addressZone } from './stations/envelope/address.ts';
export { CAUTIONS } from './stations/make/cautions.ts';
export { SPOIL_CAUSES, type SpoilCause } from './stations/make/planMake.ts';
export type { MakePlan, MakeStep } from './stations/make/types.ts';
export type { CostPart, SellPlan } from './stations/sell/planSell.ts';
export { standIns } from './plan/standIns.ts';
export { allSnags, planJob, type Plan, type PlanContext } from './plan/planJob.ts';
export { outlinedLabel } from './files/write/outlinedLabel.ts';
export { labelRuns, setLabel, type LabelRun } from './files/write/labels.ts';
export { LOOKS, type Look } from './files/write/look.ts';
export {
  DARK_SLOPE,
  GREY_WEIGHTS,
  matrix,
  num,
  pathData,
  svgFile,
  svgNodes,
  svgText,
  type SvgNode,
  type SvgOptions,
} from './files/write/svg.ts';
export { plateOf, WHITE_INK, whitePlate } from './ground/scene/whitePlate.ts';
export { foilPlate, hasFoil, withoutFoil } from './ground/scene/foil.ts';
export { pdfCalls, rgb, type FileGlyph, type PdfLender } from './files/write/pdfCalls.ts';
export { progressOf, type BenchCount, type Progress } from './plan/progress.ts';
export {
  countRun,
  measuredIn,
  notesOf,
  NOTES_ABOUT,
  RUN_EVENT_KINDS,
  notUndone,
  type NoteAbout,
  type RunDetail,
  type JobBench,
  type Run,
  type RunCount,
  type RunEvent,
} from './stations/make/run.ts';
export { drawStep } from './plan/drawStep.ts';
export { lossCosts, type LossCosts } from './plan/lossCosts.ts';
export { lessonsFor, type Lesson, type PastRun } from './stations/make/lessons.ts';
export { paretoOf, type CauseLosses, type Pareto, type RunLosses } from './workshop/learnt/pareto.ts';
export { measurableAt, type Measurable } from './stations/make/measurable.ts';
export { sayStop, USUAL_CREASE_MM } from './stations/crease/sayStop.ts';
export { timersOf, type Timer } from './stations/make/timers.ts';
export { meanwhile } from './stations/make/meanwhile.ts';
export { stageOf } from './stations/make/stageOf.ts';
export { countLosses, lostAt, type LoggedRun } from './stations/make/countLosses.ts';
export { cutHabit, sayOff, setFence, type FenceSetting } from './stations/cut/setFence.ts';
export * from './workshop/scans/types.ts';
export { measureCards, type ScannedCard } from './workshop/scans/measureCards.ts';
export { readCalibration, type CalibrationScan, type ScannedSide } from './workshop/scans/readCalibration.ts';
export { frameOfDpi, KNOWN_CARD_MM, scannerFrame } from './workshop/scans/scannerFrame.ts';
export * from './workshop/learnt/types.ts';
export * from './workshop/learnt/habits.ts';
export * from './workshop/learnt/chart.ts';
export * from './workshop/learnt/printSpread.ts';
export { expectLosses, type ExpectedLoss, type ExpectedLosses } from './workshop/learnt/expectLosses.ts';

export * from './workshop/counted.ts';
export * from './shelf/types.ts';
export { keepBooks, type Books, type Lot } from './shelf/keepBooks.ts';
export { lotsByRun, lotsOfRun, type LotsByRun, type LotsTaken } from './shelf/lotsOfRun.ts';
export { needsOf, type JobNeeds, type Need, type NeedOfJob } from './shelf/needs.ts';
export { coverBy, type Cover, type Offer } from './shelf/coverBy.ts';
export { takenByRun, takesOf, type Taken } from './shelf/takes.ts';
export { buyingCsv, buyingList, countedOf, sayPacks, type Counted, type ToBuy } from './shelf/buyingList.ts';
export { offcutOf } from './shelf/offcutOf.ts';

export * from './workshop/calendar.ts';
export * from './calendar/types.ts';
export * from './calendar/evenings.ts';
export { jobWork, type PaceOf } from './calendar/jobWork.ts';
export { onEvening, outlook, type JobOutlook, type Outlook, type WhatIf } from './calendar/outlook.ts';
export { sayLate } from './calendar/sayLate.ts';
export { sayStageWork } from './calendar/sayStageWork.ts';
export { learnPace, type LearntPace, type LearntStage, type TimedRun } from './calendar/learnPace.ts';
