import { TOLERANCE_MM } from '../../../ground/geometry/types.ts';
import { borderBeyond } from '../bareEdge.ts';
import { formatLength } from '../../../ground/length/formatLength.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { decide } from '../../../job/decide.ts';
import { listed } from '../../../job/figures.ts';
import type { Remedy } from '../../../job/findings.ts';
import type { InkEnds } from '../../art/faces/inkOnBlank.ts';
import { pathRefusals, type StockFacts } from '../../stock/planStock.ts';
import { EDGES, turnedClockwise } from '../layout/edges.ts';
import { sidesOf } from '../layout/inkOnSheet.ts';
import { outOfReachOn, type SheetSide } from '../layout/reach.ts';
import type { FoundSheet } from '../sheetFigures.ts';
import { more, type Asked } from './asked.ts';

type Sheet = FoundSheet['sheet'];

interface Missing {
  readonly side: SheetSide;
  readonly edge: (typeof EDGES)[number];
  readonly mm: Mm;
}

/** Ink that a printer would leave out of cards whose edges are the sheet’s own, named as on a card that is not turned. */
function missingInk({ job, ink }: Asked, { path }: StockFacts, sheet: Sheet, quarterTurns: number): readonly Missing[] {
  return sidesOf(ink).flatMap((side) => {
    const ends: InkEnds = (side === 'front' ? ink.outside : ink.inside)!;
    const ofSheet = outOfReachOn(side, path.marginsMm, sheet, job.sheet.flipEdge);
    // As many turns back are the rest of four on.
    const back = Array.from({ length: (4 - quarterTurns) % 4 }, () => turnedClockwise<Mm>);
    const margins = back.reduce((sides, turn) => turn(sides), ofSheet);
    return EDGES.flatMap((edge) => {
      const end = ends[edge];
      const mm = margins[edge] - (end === 'bleeds' ? 0 : end);
      return mm > TOLERANCE_MM ? [{ side, edge, mm }] : [];
    });
  });
}

/**
 * How much would be missing and at which edges, as a sentence with a blank before it; nothing where all would be there.
 * @param quarterTurns clockwise, by which the card lies turned on its sheet
 */
export function sayMissing(asked: Asked, stock: StockFacts, sheet: Sheet, quarterTurns: number): string {
  const { unit } = asked.workshop;
  const missing = missingInk(asked, stock, sheet, quarterTurns);
  const bySide = (['front', 'back'] as const).flatMap((side) => {
    const own = missing.filter((one) => one.side === side);
    const widths = [...new Set(own.map(({ mm }) => formatLength(mm, unit)))];
    const said = widths.map((width) => {
      const edges = own.filter(({ mm }) => formatLength(mm, unit) === width).map(({ edge }) => edge);
      return `${width} ${edges.length === EDGES.length ? 'all round' : `at its ${listed(edges)}`}`;
    });
    return said.length > 0
      ? [`${side === 'front' ? 'the outside' : 'the inside'} would lose ${said.join(' and ')}`]
      : [];
  });
  return bySide.length > 0 ? ` Cut at the sheet’s own edges, ${bySide.join('; ')}.` : '';
}

/** A border where the printer does not reach, for a card that is not mostly border then. */
export function leavingBorder(
  asked: Asked,
  { path }: StockFacts,
  blank: { readonly widthMm: Mm; readonly heightMm: Mm },
): Remedy | null {
  const { job, workshop } = asked;
  const wide = borderBeyond(path.marginsMm, workshop.unit);
  // A border is more of nothing than a third of a card.
  if (wide <= (job.size.bareEdgeMm ?? 0) || 3 * wide > Math.min(blank.widthMm, blank.heightMm)) return null;
  return more(
    asked,
    [decide((job) => job.size.bareEdgeMm, wide)],
    (up) => `Leave a bare border of ${formatLength(wide, workshop.unit)}: ${up} up`,
  );
}

/** Feed paths that take this card and reach nearer to its edges. */
export const otherPaths = (asked: Asked, { printer, path, stock }: StockFacts): readonly (Remedy | null)[] =>
  asked.workshop.printers.flatMap((other) =>
    other.paths
      .filter(
        (way) =>
          (other.id !== printer.id || way.id !== path.id) && pathRefusals(way, stock, asked.workshop).length === 0,
      )
      .map((way) =>
        more(
          asked,
          [decide((job) => job.stock.printerId, other.id), decide((job) => job.stock.pathId, way.id)],
          (up) => `Feed it through the ${way.name} of ${other.name}: ${up} up`,
        ),
      ),
  );
