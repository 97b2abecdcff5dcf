import { TOLERANCE_MM } from '../../../ground/geometry/types.ts';
import { formatLength } from '../../../ground/length/formatLength.ts';
import { decide } from '../../../job/decide.ts';
import type { Snag } from '../../../job/findings.ts';
import { spillMm } from '../../../workshop/borderless.ts';
import { printSpreadOf } from '../../../workshop/learnt/printSpread.ts';
import type { Workshop } from '../../../workshop/types.ts';
import type { StockFacts } from '../../stock/planStock.ts';
import { usualBareEdgeMm } from '../bareEdge.ts';
import type { FoundSheet } from '../sheetFigures.ts';
import type { Placement } from '../types.ts';

/** A sheet that lies askew by so many of its usual spreads is one of a few hundred. Derivation: 2 (1 − Φ(3)) */
const SPREADS = 3;

/**
 * Cards whose edges are the sheet’s own, printed without a border: nothing is cut, so what ink goes past the sheet is all
 * that a sheet lying askew has to spare.
 */
export function spillSnags(
  { unit, spoilLog }: Workshop,
  { printer, path }: StockFacts,
  { sheet, bleedMm, placements }: Pick<FoundSheet, 'sheet' | 'bleedMm'> & { readonly placements: readonly Placement[] },
): readonly Snag[] {
  if (!path.enlargesBy || bleedMm === 0) return [];
  const near = (a: number, b: number): boolean => Math.abs(a - b) < TOLERANCE_MM;
  const across = placements.some(({ trim }) => near(trim.xMm, 0) || near(trim.xMm + trim.widthMm, sheet.widthMm));
  const down = placements.some(({ trim }) => near(trim.yMm, 0) || near(trim.yMm + trim.heightMm, sheet.heightMm));
  const least = Math.min(
    ...(across ? [spillMm(sheet.widthMm, path)] : []),
    ...(down ? [spillMm(sheet.heightMm, path)] : []),
  );
  const wantedMm = SPREADS * printSpreadOf({ spoilLog }, printer.id, path.id);
  if (least >= wantedMm) return [];
  const bareMm = usualBareEdgeMm(path.marginsMm, unit);
  return [
    {
      ...{ id: 'sheet-spill-small', station: 'sheet', level: 'warn' },
      title: `Ink goes only ${formatLength(least, unit)} past the sheet’s edge`,
      why: `Where a card’s edge is the sheet’s own, that is all a sheet lying askew has to spare, and ${printer.name} strays by up to ${formatLength(wantedMm, unit)}. Set its driver to enlarge more, and say so at the way through the printer; or leave a border.`,
      remedies: [
        {
          label: `Leave a bare border of ${formatLength(bareMm, unit)}`,
          changes: [decide((job) => job.size.bareEdgeMm, bareMm)],
        },
      ],
    },
  ];
}
