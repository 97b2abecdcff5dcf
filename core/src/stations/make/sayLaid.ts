import { formatLength } from '../../ground/length/formatLength.ts';
import type { LengthUnit } from '../../ground/length/types.ts';
import { plural } from '../../job/figures.ts';
import type { Laid } from '../../workshop/adhesives.ts';
import type { Adhesive } from '../../workshop/types.ts';

/** Where it goes on one piece: “2 dots”, “2 strips of 60 mm”. */
export function sayLaid({ kind }: Adhesive, { runs, runMm }: Laid, unit: LengthUnit): string {
  const long = formatLength(runMm, unit);
  switch (kind) {
    case 'foam':
      return `${runs} ${plural(runs, 'pad')}`;
    case 'dots':
      return `${runs} ${plural(runs, 'dot')}`;
    case 'spray':
      return 'a thin even coat';
    case 'wet':
    case 'hot':
      return runs === 1 ? `one line of ${long}` : `${runs} lines of ${long}`;
    case 'tape':
    case 'strongTape':
      return runs === 1 ? `one strip of ${long}` : `${runs} strips of ${long}`;
  }
}
