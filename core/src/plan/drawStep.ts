import { seenSide } from '../stations/art/faces/seenArt.ts';
import { drawCreaseLine } from '../stations/crease/drawCrease.ts';
import { drawCutMove } from '../stations/cut/drawCuts.ts';
import { drawMachineFile, drawOnMachine } from '../stations/cut/planMachine.ts';
import { drawEnvelopeFront, drawEnvelopeOutside, drawLiner } from '../stations/envelope/drawEnvelopePrint.ts';
import { drawEnvelopeBlank } from '../stations/envelope/drawEnvelope.ts';
import { IDENTITY } from '../ground/geometry/affine.ts';
import { TOLERANCE_MM } from '../ground/geometry/types.ts';
import { boxPath } from '../ground/geometry/path.ts';
import type { PaperSide } from '../ground/fold/types.ts';
import type { LengthUnit, Mm } from '../ground/length/types.ts';
import type { Scene } from '../ground/scene/types.ts';
import { whitePlate } from '../ground/scene/whitePlate.ts';
import { drawSheetPage } from '../stations/sheet/draw/drawSheet.ts';
import type { SheetSide } from '../stations/sheet/layout/reach.ts';
import { drawBlank } from '../stations/size/drawBlank.ts';
import { drawFolded } from '../stations/size/drawFolded.ts';
import type { SizePlan } from '../stations/size/planSize.ts';
import { drawLayerSheet } from '../stations/sheet/draw/drawLayerSheet.ts';
import type { MakeStep } from '../stations/make/types.ts';
import type { Plan } from './planJob.ts';
import { drawProof } from './drawProof.ts';
import { seenPanels } from './seenPanels.ts';

/** Whether a step that was laid out before is still this one, whatever unit it was told in. */
function isSame(step: MakeStep, frozen: MakeStep): boolean {
  if (step.id !== frozen.id) return false;
  if (step.kind === 'cut' && frozen.kind === 'cut' && frozen.fenceMm !== undefined)
    return Math.abs((step.fenceMm ?? NaN) - frozen.fenceMm) < TOLERANCE_MM;
  if (step.kind === 'crease' && frozen.kind === 'crease' && frozen.fromStopMm !== undefined)
    return Math.abs((step.fromStopMm ?? NaN) - frozen.fromStopMm) < TOLERANCE_MM;
  return step.big === frozen.big;
}

/**
 * The piece as it lies in front of the maker at one step, or null where there is nothing to see or where
 * the plan no longer has that very step: a frozen number never stands beside another drawing.
 * @param frozen a step of a run, which may be older than the plan
 */
export function drawStep(
  plan: Plan,
  frozen: MakeStep,
  { unit, textMm }: { readonly unit: LengthUnit; readonly textMm: Mm },
): Scene | null {
  const step = plan.make.steps.find((one) => isSame(one, frozen));
  if (!step) return null;
  const stockColour = plan.stock.stock.colour;
  const seen = (side: PaperSide) => seenSide(plan.art, side, stockColour);
  const art = { outside: seen('outside'), inside: seen('inside') };
  const prints = seenPanels(plan);
  const view = { unit, textMm, stockColour };
  const cutAt = (move: number): Scene =>
    drawCutMove(plan.size, plan.sheet, plan.cut, move, { ...view, art: art.outside });
  switch (step.kind) {
    case 'print':
      return drawPrinted(plan, step.side, step.plate === 'white');
    case 'cut':
      return cutAt(step.move);
    case 'piles':
      // Every cut is made.
      return cutAt(plan.cut.moves.length);
    case 'machine':
      return drawMachineFile(plan.size, plan.sheet);
    case 'outline':
      return drawBlank(plan.size, { ...view, side: 'outside', art: art.outside, names: false, guides: true });
    case 'foil':
    case 'layer': {
      const laid = plan.sheet.layers.find(({ piece }) => piece.id === step.pieceId);
      const isToner = step.kind === 'layer' && step.plate === 'foil';
      return laid
        ? drawLayerSheet(laid, plan.art.panels[laid.piece.id], {
            isToner,
            side: step.kind === 'layer' ? step.side : 'front',
          })
        : null;
    }
    case 'crease':
      return drawCreaseLine(plan.size, plan.crease, step.line, { ...view, art });
    case 'trimming': {
      const side = plan.size.faces.find(({ id }) => id === step.faceId)?.side ?? 'outside';
      return drawBlank(plan.size, { ...view, side, art: art[side], prints, names: false, guides: false });
    }
    case 'popUp':
      return drawFolded(upTo(plan.size, step.layer), { open: 0.5, stockColour, art, prints });
    case 'fold':
      return drawFolded(plan.size, { open: 0.45, stockColour, art, prints });
    case 'envelope':
      if (step.work === 'printBlanks') return drawEnvelopeOutside(plan.envelope, textMm);
      if (step.work === 'line') return plan.envelope.liner && drawLiner(plan.envelope.liner, textMm);
      if (step.work === 'cut' && plan.envelope.cuts.machine) return drawOnMachine(plan.envelope.cuts.machine.on);
      if (step.work === 'printReady') return drawEnvelopeFront(plan.envelope, null);
      return drawEnvelopeBlank(plan.envelope, textMm, unit);
    case 'ribbon':
    case 'pack':
      return drawFolded(plan.size, { open: 0.08, stockColour, art, prints });
    case 'proof':
      return drawProof(plan, '', unit).scene;
    case 'dry':
      return null;
  }
}

/** The card with what is already in it, and the one in hand. */
function upTo(size: SizePlan, layer: number): SizePlan {
  const { popUps } = size;
  if (!popUps) return size;
  const place = popUps.order.findIndex((one) => one.layer === layer);
  const done = new Set(popUps.order.slice(0, place + 1).flatMap(({ partIds }) => partIds));
  const own = <T extends { readonly id: string }>(all: readonly T[]): readonly T[] =>
    all.filter(({ id }) => done.has(id));
  return {
    ...size,
    popUps: {
      ...{ ...popUps, parts: own(popUps.parts), bands: own(popUps.bands), fans: own(popUps.fans) },
      cutIns: popUps.cutIns.filter(({ partId }) => done.has(partId)),
    },
  };
}

/** A sheet as it comes out of a pass; out of the last, as the Sheet station shows it. */
function drawPrinted({ size, art, sheet, stock }: Plan, side: SheetSide, isWhite: boolean): Scene {
  const { scene } = drawSheetPage(size, art, sheet, side, { title: '', date: null, sheetNumber: 1 });
  const plate = sheet.white ? whitePlate(scene, '#ffffff') : null;
  const hasWhite = plate !== null && (isWhite || sheet.white !== 'after');
  const hasInks = !isWhite || sheet.white === 'after';
  return {
    box: scene.box,
    symbols: { ...scene.symbols, ...plate?.symbols },
    shapes: [
      { kind: 'path', role: 'sheet', path: boxPath(scene.box), fill: stock.stock.colour },
      ...(hasWhite ? plate.shapes : []),
      ...(hasInks
        ? [
            {
              ...{ kind: 'group' as const, transform: IDENTITY, children: scene.shapes },
              // Inks let coloured card through where no white lies on it.
              ...(art.onStock.coloured && !hasWhite ? { blend: 'multiply' as const } : {}),
            },
          ]
        : []),
    ],
  };
}
