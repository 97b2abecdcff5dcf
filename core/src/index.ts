/** The core's one way in; fonts and job files have their own doors because they bring libraries with them. */
export * from './length/types.ts';
export { parseLength, type ParsedLength } from './length/parseLength.ts';
export { fixed } from './length/rounding.ts';
export { formatLength, formatSize } from './length/formatLength.ts';
export * from './geometry/types.ts';
export * from './geometry/affine.ts';
export { boxAround, corners, evenSides, grow, isInside, mapBox, shrink } from './geometry/box.ts';
export * from './geometry/path.ts';
export * from './fold/types.ts';
export { foldBlank } from './fold/foldBlank.ts';
export { readFaces, type ReadFace } from './fold/readFaces.ts';
export * from './fold/stages.ts';
export { standOnTable } from './fold/stand.ts';
export { atOpening, atState, atStep, type Folding } from './fold/foldForm.ts';
export { move, turn, turnAbout, chain, type Pose, type Vec3 } from './fold/space.ts';
export { inSpace } from './fold/foldBlank.ts';
export * from './scene/types.ts';
export * from './job/types.ts';
export * from './job/figures.ts';
export { cutText } from './job/cutText.ts';
export { changeJob } from './job/changeJob.ts';
export { isSame, mergeDocuments, type Clash, type Merged } from './job/mergeDocuments.ts';
export { completed } from './job/completed.ts';
export { DEFAULTS, EMPTY_FACE, newJob } from './job/newJob.ts';
export { isPlainRule } from './job/plainRule.ts';
export { MissingFromWorkshop } from './job/pick.ts';
export { FORMATS, formatEntry, OPTION_DEFAULTS } from './size/formats/catalogue.ts';
export * from './job/format.ts';
export type { Finish, FormatEntry, FormatInput } from './size/formats/types.ts';
export { LARGEST_FINISHED_MM, roundDown, SMALLEST_FINISHED_MM } from './size/limits.ts';
export type { LayerPiece } from './size/layers.ts';
export { BOUGHT_SHEETS, ISO_C6, NAMED_SIZES, sizeName, type NamedSize } from './size/namedSizes.ts';
export { fitEnvelope, largestThatFits, SLACK_MM, type Fit } from './size/fitEnvelope.ts';
export type { SizePlan } from './size/planSize.ts';
export { drawBlank, drawLayers, viewOf, type LayerPrints } from './size/drawBlank.ts';
export { drawFolded, posesAt, type FoldStage } from './size/drawFolded.ts';
export { drawGuides, drawLayerTemplate, drawTemplate, templatePage } from './size/drawTemplate.ts';
export { drawLayerSheet, drawPanelPage } from './sheet/drawLayerSheet.ts';
export { likelyPage, partsOfPage, type BackgroundPage, type PagePart } from './sheet/partsOfPage.ts';
export type { LayerSheet } from './sheet/layerSheets.ts';
export { drawProof } from './plan/drawProof.ts';
export { seenPanels } from './plan/seenPanels.ts';
export { layerName } from './write/layerNames.ts';
export { flatten, type Polygon } from './geometry/polygon.ts';
export { offset } from './geometry/offset.ts';
export * from './art/typefaces.ts';
export { setText, type SetBlock, type SetLine } from './art/setText.ts';
export { coverBox, effectivePpi } from './art/layFace.ts';
export { drawFaceInPixels, fitPixels, pixelFault, type PixelFit, type PixelQuestion } from './art/exactPixels.ts';
export { drawFace, drawSide, hasArt, hasPrint, printedBox } from './art/drawCard.ts';
export type { ArtPlan, NamesPlan, PanelArt } from './art/types.ts';
export { boxOf, idOf, isWholeOnFace, type FacePlan, type LaidItem, type LaidPicture } from './art/items.ts';
export * from './art/colour.ts';
export { nameOfColour, namesAnother } from './art/colourNames.ts';
export * from './art/driftLab.ts';
export { EDGES, TOUCHES_MM, type FaceEdge } from './art/edges.ts';
export { inkMl, inkUse, ML_PER_M2, type InkUse } from './art/ink.ts';
export { inkLimit, inkTotal, latticeValue, type InkLattice } from './art/inkTotal.ts';
export { newMakersMark } from './art/makersMark.ts';
export { seenFace, seenSide } from './art/seenArt.ts';
export * from './art/names.ts';
export * from './job/namesList.ts';
export { BARE_WITHIN, type Fate, type InkOnStock, type OnStock } from './art/onStock.ts';
export { cardAt, nameSheet } from './sheet/nameSheet.ts';
export type { NamedSheet, Placement, SheetPlan } from './sheet/types.ts';
export { placedPictureIds, placedTypefaceIds } from './art/placedPictures.ts';
export {
  alignmentShift,
  alignmentShifts,
  evenShifts,
  evenSpan,
  freeTop,
  snap,
  type Alignment,
  type Snapped,
} from './art/arrange.ts';
export { WORDINGS, wordFace, type Wording } from './art/wordings.ts';
export { codeOf, codeText, fullName, withScheme } from './art/code.ts';
export type { Code } from './art/codePath.ts';
export { ornamentPath } from './art/ornaments.ts';
export { poundsOf, sayWeight } from './stock/weights.ts';
export { selfBucklingHeightMm } from './stock/standing.ts';
export type { StockPlan } from './stock/planStock.ts';
export { layOutOnePiece, type LayOut, type LayOutQuestion } from './sheet/layOut.ts';
export { chanceEnough, sparesFor } from './sheet/spares.ts';
export { isOwnPass, passesOf, sayPlate, type PlateKind, type PrintPass } from './sheet/passes.ts';
export { whiteWayOf } from './stock/white.ts';
export { slugWidthMm } from './sheet/drawMarks.ts';
export { outOfReach, type SheetSide } from './sheet/reach.ts';
export * from './calibration/types.ts';
export { calibrationFor, correctionsInForce, type InForce } from './calibration/chooseCalibration.ts';
export { correctPage } from './calibration/correctPage.ts';
export { correctionsFor, fitRegister, registerOf } from './calibration/fitRegister.ts';
export { calibrationMarks, isCalibratable, type SheetSize } from './calibration/marks.ts';
export { isUsable, sayRegister } from './calibration/sayRegister.ts';
export { CROSS_NAMES, drawCalibration, type CalibrationSheet } from './calibration/drawCalibration.ts';
export { printSide, readByEye, residueMm, STAND_IN_PRINTER, truthMaps, type PrinterTruth } from './standins/printer.ts';
export { artMaps, drawSheetPage, pageMap, type SheetLabel } from './sheet/drawSheet.ts';
export { KEEP_OFFCUT_MM, offcutsOf } from './cut/sheetChoices.ts';
export type { CutMove, CutPlan, EdgeDrift, Offcut, OutlineCut, PieceDrift, SheetChoiceRow } from './cut/types.ts';
export type {
  GangAnswer,
  GangOrder,
  GangPattern,
  GangPlacement,
  GangSheet,
  MixedAnswer,
  MixedOrder,
  MixedPattern,
  MixedPlan,
  SolveProgramme,
} from './gang/types.ts';
export { fromHighs } from './gang/fromHighs.ts';
export { patternMoves } from './gang/patternMoves.ts';
export { drawPattern, patternOutline, sharedPageMap } from './gang/drawPattern.ts';
export {
  isSamePaper,
  sharedPictureId,
  sharedPieces,
  sidesOf,
  uprightGrain,
  type SharedPiece,
} from './gang/sharedPieces.ts';
export { OWN_JOB, ownPiece, type OwnPiece } from './gang/ownPiece.ts';
export { pageAsFed, sheetAsFed } from './gang/pageAsFed.ts';
export { numberMoves } from './cut/numberMoves.ts';
export { planGang, planMixed } from './gang/planGang.ts';
export { draftMoves } from './cut/draftMoves.ts';
export { partsAfter, type Part } from './cut/partsAfter.ts';
export { DRAWN_WIDER, drawDrift } from './cut/drawDrift.ts';
export { drawMachineFile, type MachinePlan } from './cut/planMachine.ts';
export { planDrift, SPREADS_OF_95, worstDrift } from './cut/planDrift.ts';
export { repeatabilityOf } from './cut/repeatability.ts';
export { readCutFile, runMachine, type MachineReport, type Scan } from './standins/machine.ts';
export { throughCreases } from './sheet/throughCreases.ts';
export { drawCutAndCrease, drawCutMove, drawMoves } from './cut/drawCuts.ts';
export type { CreaseLine, CreasePlan } from './crease/types.ts';
export type { FriendlySize } from './crease/boardFriendly.ts';
export { takeFriendly } from './crease/creaseSnags.ts';
export { drawCreaseLine } from './crease/drawCrease.ts';
export type { EnvelopePlan } from './envelope/planEnvelope.ts';
export { sideSeam, type EnvelopeBlank } from './envelope/sideSeam.ts';
export { drawEnvelopeBlank, drawEnvelopeSheet } from './envelope/drawEnvelope.ts';
export { CAUTIONS, SPOIL_CAUSES, type MakePlan, type MakeStep, type SpoilCause } from './make/planMake.ts';
export type { CostPart, SellPlan } from './sell/planSell.ts';
export { allSnags, planJob, type Plan, type PlanContext } from './plan/planJob.ts';
export { outlinedLabel } from './write/outlinedLabel.ts';
export { labelRuns, setLabel, type LabelRun } from './write/labels.ts';
export { LOOKS, type Look } from './write/look.ts';
export {
  GREY_WEIGHTS,
  matrix,
  num,
  pathData,
  svgFile,
  svgNodes,
  svgText,
  type SvgNode,
  type SvgOptions,
} from './write/svg.ts';
export { plateOf, WHITE_INK, whitePlate } from './scene/whitePlate.ts';
export { pdfCalls, rgb, type FileGlyph, type PdfLender } from './write/pdfCalls.ts';
export { progressOf, type BenchCount, type Progress } from './plan/progress.ts';
export {
  countRun,
  RUN_EVENT_KINDS,
  standing,
  type JobBench,
  type Run,
  type RunCount,
  type RunEvent,
} from './make/run.ts';
export { drawStep } from './plan/drawStep.ts';
