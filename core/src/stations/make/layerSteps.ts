import { capital, plural } from '../../job/figures.ts';
import type { Job } from '../../job/types.ts';
import { foldAtMm } from '../../ground/fold/foldAt.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import type { LengthUnit } from '../../ground/length/types.ts';
import type { Workshop } from '../../workshop/types.ts';
import { sayPieceCuts } from '../cut/sayPieceCuts.ts';
import type { CutPlan } from '../cut/types.ts';
import { sayPlate, type PrintPass } from '../sheet/layout/passes.ts';
import type { SheetSide } from '../sheet/layout/reach.ts';
import type { LayerSheet } from '../sheet/layout/layerSheets.ts';
import type { SheetPlan } from '../sheet/types.ts';
import { isWrap, type LayerPieceKind } from '../../job/layerKinds.ts';
import type { LayerPiece } from '../size/layers.ts';
import { CAUTIONS } from './cautions.ts';
import { cautionOf, sayHolding } from './trimmingSteps.ts';
import { dryStep, PLAIN, sayBorder, sayPaperSize } from './stepWords.ts';
import { sayCreases } from './popUpSteps.ts';
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
      print!.passes.map(({ plate, sides }, pass): MakeStep => {
        const before = print!.passes[pass - 1];
        const isTurned = before !== undefined && before.sides[0] !== sides[0];
        const isBack = sides[0] === 'back';
        const said = [sayPlate(plate, print!.white), saySides(sides, print!.passes)]
          .filter((one) => one !== null)
          .join(', ');
        const paper = { sheetWidthMm: piece.stock.sheetWidthMm, sheetHeightMm: piece.stock.sheetHeightMm };
        return {
          ...PLAIN,
          id: `print-layer-${piece.id}${plate === 'colours' ? '' : `-${plate}`}${isBack ? '-back' : ''}`,
          kind: 'layer',
          pieceId: piece.id,
          plate,
          ...(isBack ? { side: 'back' } : {}),
          title: `Print ${piece.name.toLowerCase()}${said ? `: ${said}` : ''}`,
          big: `${sheets} ${plural(sheets, 'sheet')}`,
          detail: `${capital(`${print!.printer.name}, ${print!.path.name}`)}. ${piece.stock.name}, ${up} from each. ${sayPaperSize(paper, workshop)} ${sayBorder(print!.path)}${isTurned ? `Turn the stack over on its ${job.sheet.flipEdge} edge and feed it again. ` : ''}Print at 100 %, no fit to page. ${plate === 'foil' ? SOLID_BLACK : ''}Test one sheet first.`,
        };
      }),
    ),
    // Toner is dry as it comes out, and foil is laid while nothing has touched it.
    ...(job.make.dryMinutes > 0 && printed.some(({ piece }) => !piece.foil) ? [dryStep(job, 'dry-layers')] : []),
  ];
}

/** Which side a pass is of, where a layer is printed on both. */
function saySides(sides: readonly SheetSide[], passes: readonly PrintPass[]): string | null {
  if (!passes.some((pass) => pass.sides.includes('back'))) return null;
  return sides.length === 2 ? 'both sides' : sides[0]!;
}

/** Each layer that belongs on or in the card is cut out and put in its place. */
export const layerSteps = (sheet: SheetPlan, cut: CutPlan, { unit }: Workshop): readonly MakeStep[] =>
  onSheets(sheet)
    .filter(({ piece }) => !isWrap(piece.kind))
    .map((layer) => {
      const { piece, up, sheets } = layer;
      const put =
        piece.kind === 'insert'
          ? `Fold it at ${formatLength(foldAtMm(piece.blank.creases[0]!), unit)} and lay it in the fold.`
          : piece.kind === 'popUp'
            ? sayCreases(piece)
            : `${sayLid(piece)}${sayGluing(piece, unit)}`;
      const alone = up === 1 && sheets > 1 ? ' One takes a sheet: Shared sheets lays several kinds on one.' : '';
      return step(layer, cut, unit, `${put}${alone}`);
    });

/** What goes round the finished card or is tied to it, when all else is done. */
export const wrapSteps = (sheet: SheetPlan, cut: CutPlan, { unit }: Workshop): readonly MakeStep[] =>
  onSheets(sheet)
    .filter(({ piece }) => isWrap(piece.kind))
    .map((layer) => step(layer, cut, unit, sayWrap(layer.piece, unit)));

const onSheets = ({ layers }: SheetPlan): SheetPlan['layers'] => layers.filter(({ up }) => up > 0);

function step({ piece, up, sheets, made }: LayerSheet, cut: CutPlan, unit: LengthUnit, put: string): MakeStep {
  const { kind, name, stock, blank, adhesive } = piece;
  // A pop-up’s parts are glued when all of them are cut.
  const isGlued = kind !== 'insert' && kind !== 'tag' && kind !== 'popUp';
  const cautions = [
    CAUTIONS[bladeFor(piece.id, cut)],
    ...new Set(blank.cuts.map(({ byHand }) => CAUTIONS[byHand.tool])),
    isGlued ? cautionOf(adhesive) : null,
  ];
  const often = isWrap(kind) ? `${made} ${plural(made, 'piece')}: ` : '';
  return {
    id: `layer-${piece.id}`,
    kind: 'layer',
    pieceId: piece.id,
    plate: null,
    title: `${TITLES[kind]}: ${name.toLowerCase()}`,
    big: formatSize(blank.widthMm, blank.heightMm, unit),
    detail: `${often}${sheets} ${plural(sheets, 'sheet')} of ${stock.name}, ${up} from each. ${sayLayerCuts(piece.id, cut, unit)}${put}`,
    caution: cautions.filter((one) => one !== null).join(' '),
    waitMinutes: isGlued && adhesive && adhesive.dryMinutes > 0 ? adhesive.dryMinutes : null,
  };
}

const TITLES: Readonly<Record<LayerPieceKind, string>> = {
  mat: 'Cut and glue',
  writing: 'Cut and glue',
  lining: 'Cut, glue and trim flush',
  lid: 'Cut, crease and glue',
  insert: 'Cut, fold and lay in',
  popUp: 'Cut and crease',
  tag: 'Cut',
  patch: 'Cut and glue',
  band: 'Cut, crease and wrap',
  sleeve: 'Cut, crease and glue',
};

/** Where it is creased, holed and held. */
function sayWrap({ kind, blank, adhesive, laying }: LayerPiece, unit: LengthUnit): string {
  const at = blank.creases.map((crease) => formatLength(foldAtMm(crease), unit));
  const held = adhesive && laying?.ok ? ` with ${sayLaid(adhesive, laying, unit)} of ${adhesive.name}` : '';
  const punched = blank.cuts.length > 0 ? ' Punch it by its template.' : '';
  const creased = `Crease at ${at.join(', ')} from the lap’s edge, outside up, and fold all of them away.`;
  switch (kind) {
    case 'tag':
      return at.length > 0
        ? `Crease and fold it at ${at[0]!}, and punch both leaves at once by its template. Tie it on last.`
        : `${punched.trim()} Tie it on last.`.trim();
    case 'patch':
      return `${punched.trim()} Glue it round the hole of the tag${held}, hole on hole.`;
    case 'sleeve':
      return `${creased} Glue the lap inside the last side${held}, and slide the pack in.`;
    default:
      return `${creased} Wrap it round the shut card and hold the lap behind${held}, to itself and not to the card.`;
  }
}

/** Cut free and creased before the rim is glued down. */
function sayLid({ kind, blank: { cuts, creases } }: LayerPiece): string {
  const [lid] = cuts;
  if (kind !== 'lid' || !lid) return '';
  return `${lid.byHand.title}: ${lid.byHand.says} Crease ${creases.length === 2 ? 'both lines of its hinge' : 'its hinge'}, and open the lid towards you. Glue the rim alone. `;
}

function sayGluing({ kind, adhesive, laying }: LayerPiece, unit: Workshop['unit']): string {
  if (kind === 'lining')
    return `Lay ${adhesive?.name ?? 'glue'} on all of it, thinly and out to the edges, and press it on from the middle, over every edge of the face. Under a board until it is dry; then turn the card over and trim the lining flush with it.`;
  if (!adhesive || !laying?.ok) return 'Centre it on its face; keep glue 3 mm inside its edge.';
  return `Hold it with ${sayLaid(adhesive, laying, unit)} of ${adhesive.name}, ${formatLength(adhesive.offEdgeMm, unit)} inside its edges, and centre it on its face. ${sayHolding(adhesive)}`;
}

/** A knife where the machine cannot cut this layer. */
const bladeFor = (pieceId: string, { trimmer, layers }: CutPlan) =>
  trimmer.kind === 'machine' && !layers.some((cuts) => cuts.pieceId === pieceId && cuts.machine)
    ? 'knife'
    : trimmer.kind;

/** What to set the fence to, or the rule to, and what is then cut off; or what the machine is sent. */
function sayLayerCuts(pieceId: string, { layers, trimmer }: CutPlan, unit: Workshop['unit']): string {
  const cuts = layers.find((layer) => layer.pieceId === pieceId);
  return cuts
    ? sayPieceCuts(cuts, trimmer, unit, 'listed at Cut')
        .map((one) => `${one} `)
        .join('')
    : '';
}
