import { drawSide } from '../art/drawCard.ts';
import { drawCreaseLine } from '../crease/drawCrease.ts';
import { drawCutMove } from '../cut/drawCuts.ts';
import { drawMachineFile } from '../cut/planMachine.ts';
import { drawEnvelopeBlank } from '../envelope/drawEnvelope.ts';
import { boxPath } from '../geometry/path.ts';
import type { LengthUnit, Mm } from '../length/types.ts';
import type { Scene } from '../scene/types.ts';
import { drawSheetPage } from '../sheet/drawSheet.ts';
import type { SheetSide } from '../sheet/planSheet.ts';
import { drawBlank } from '../size/drawBlank.ts';
import { drawFolded } from '../size/drawFolded.ts';
import { drawLayerSheet } from '../sheet/drawLayerSheet.ts';
import type { MakeStep } from '../make/planMake.ts';
import type { Plan } from './planJob.ts';

/**
 * The piece as it lies in front of the maker at one step, or null where there is nothing to see or where
 * the plan no longer has that very step: a frozen number never stands beside another drawing.
 */
export function drawStep(
  plan: Plan,
  step: MakeStep,
  { unit, textMm }: { readonly unit: LengthUnit; readonly textMm: Mm },
): Scene | null {
  if (plan.make.steps.find((s) => s.id === step.id)?.big !== step.big) return null;
  const stockColour = plan.stock.stock.colour;
  const art = { outside: drawSide(plan.art, 'outside'), inside: drawSide(plan.art, 'inside') };
  const prints = plan.art.panels;
  const view = { unit, textMm, stockColour };
  const number = Number(/\d+$/.exec(step.id)?.[0] ?? 1) - 1;
  switch (step.kind) {
    case 'print': {
      const side: SheetSide = step.id === 'print-back' ? 'back' : 'front';
      const { scene } = drawSheetPage(plan.size, plan.art, plan.sheet, side, { title: '', date: null, sheetNumber: 1 });
      return {
        ...scene,
        shapes: [{ kind: 'path', role: 'sheet', path: boxPath(scene.box), fill: stockColour }, ...scene.shapes],
      };
    }
    case 'cut':
      return drawCutMove(plan.size, plan.sheet, plan.cut, number, { ...view, art: art.outside });
    case 'machine':
      return drawMachineFile(plan.size, plan.sheet);
    case 'outline':
      return drawBlank(plan.size, { ...view, side: 'outside', art: art.outside, names: false, guides: true });
    case 'layer': {
      const laid = plan.sheet.layers.find(({ piece }) => step.id.endsWith(`layer-${piece.id}`));
      return laid ? drawLayerSheet(laid, plan.art.panels[laid.piece.id]) : null;
    }
    case 'crease':
      return drawCreaseLine(plan.size, plan.crease, number, { ...view, art });
    case 'fold':
      return drawFolded(plan.size, { open: 0.45, stockColour, art, prints });
    case 'envelope':
      return drawEnvelopeBlank(plan.envelope, textMm, unit);
    case 'pack':
      return drawFolded(plan.size, { open: 0.08, stockColour, art, prints });
    case 'dry':
      return null;
  }
}
