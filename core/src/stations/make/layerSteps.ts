import { capital, plural } from '../../job/figures.ts';
import type { Job } from '../../job/types.ts';
import { foldAtMm } from '../../ground/fold/foldAt.ts';
import { isUprightBox } from '../../ground/geometry/polygon.ts';
import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import type { Workshop } from '../../workshop/types.ts';
import { sayFence } from '../cut/layerCuts.ts';
import type { CutPlan } from '../cut/types.ts';
import { sayPlate } from '../sheet/layout/passes.ts';
import type { SheetPlan } from '../sheet/types.ts';
import type { LayerPiece } from '../size/layers.ts';
import { CAUTIONS } from './cautions.ts';
import { cautionOf, sayHolding } from './trimmingSteps.ts';
import { dryStep, PLAIN, sayBorder, sayPaperSize } from './stepWords.ts';
import { sayLaid } from './sayLaid.ts';
import type { MakeStep } from './types.ts';

/** Layers that something is printed on and that fit on their sheets. */
export const panelSheets = ({ layers }: SheetPlan): SheetPlan['layers'] =>
  layers.filter(({ print, up }) => print && up > 0);

/** Foil misses wherever toner is thin. */
const SOLID_BLACK = 'Black toner only, at the best quality and without toner saving: foil misses what is thin. ';

/** Mats and panels that are printed, before anything is cut: one wait dries them all. */
export function panelSteps(job: Job, workshop: Workshop, sheet: SheetPlan): readonly MakeStep[] {
  const printed = panelSheets(sheet);
  if (printed.length === 0) return [];
  return [
    ...printed.flatMap(({ piece, sheets, up, print }) =>
      print!.passes.map(({ plate }): MakeStep => {
        const said = sayPlate(plate, print!.white);
        const paper = { sheetWidthMm: piece.stock.sheetWidthMm, sheetHeightMm: piece.stock.sheetHeightMm };
        return {
          ...PLAIN,
          id: `print-layer-${piece.id}${plate === 'colours' ? '' : `-${plate}`}`,
          kind: 'layer',
          pieceId: piece.id,
          plate,
          title: `Print ${piece.name.toLowerCase()}${said ? `: ${said}` : ''}`,
          big: `${sheets} ${plural(sheets, 'sheet')}`,
          detail: `${capital(`${print!.printer.name}, ${print!.path.name}`)}. ${piece.stock.name}, ${up} from each. ${sayPaperSize(paper, workshop)} ${sayBorder(print!.path)}Print at 100 %, no fit to page. ${plate === 'foil' ? SOLID_BLACK : ''}Test one sheet first.`,
        };
      }),
    ),
    // Toner is dry as it comes out, and foil is laid while nothing has touched it.
    ...(job.make.dryMinutes > 0 && printed.some(({ piece }) => !piece.foil) ? [dryStep(job, 'dry-layers')] : []),
  ];
}

/** Each layer is cut out and put in its place. */
export function layerSteps({ layers }: SheetPlan, cut: CutPlan, { unit }: Workshop): readonly MakeStep[] {
  return layers
    .filter(({ up }) => up > 0)
    .map(({ piece, up, sheets }) => ({
      id: `layer-${piece.id}`,
      kind: 'layer',
      pieceId: piece.id,
      plate: null,
      title: `${piece.kind === 'insert' ? 'Cut, fold and lay in' : 'Cut and glue'}: ${piece.name.toLowerCase()}`,
      big: formatSize(piece.blank.widthMm, piece.blank.heightMm, unit),
      detail: `${sheets} ${plural(sheets, 'sheet')} of ${piece.stock.name}, ${up} from each. ${sayLayerCuts(piece.id, cut, unit)}${piece.kind === 'insert' ? `Fold it at ${formatLength(foldAtMm(piece.blank.creases[0]!), unit)} and lay it in the fold.` : sayGluing(piece, unit)}${saySlope(piece, unit)}${up === 1 && sheets > 1 ? ' One takes a sheet: Shared sheets lays several kinds on one.' : ''}`,
      caution: [CAUTIONS[bladeFor(cut)], piece.kind === 'insert' ? null : cautionOf(piece.adhesive)]
        .filter((one) => one !== null)
        .join(' '),
      waitMinutes: piece.adhesive && piece.adhesive.dryMinutes > 0 ? piece.adhesive.dryMinutes : null,
    }));
}

function sayGluing({ adhesive, laying }: LayerPiece, unit: Workshop['unit']): string {
  if (!adhesive || !laying?.ok) return 'Centre it on its face; keep glue 3 mm inside its edge.';
  return `Hold it with ${sayLaid(adhesive, laying, unit)} of ${adhesive.name}, ${formatLength(adhesive.offEdgeMm, unit)} inside its edges, and centre it on its face. ${sayHolding(adhesive)}`;
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
