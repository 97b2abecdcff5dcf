import type { Path, PathPart } from '../../../ground/geometry/path.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { Mm } from '../../../ground/length/types.ts';

/** Modules of nothing that a reader wants round a code. Source: ISO/IEC 18004, 6.3.8 */
export const QUIET_MODULES = 4;

export interface Code {
  readonly text: string;
  /** Rows of modules, true where dark; none when there is nothing to say. */
  readonly modules: readonly (readonly boolean[])[];
  readonly moduleMm: Mm;
}

/** Dark modules as one figure, runs along a row joined so that no hairline shows between them. */
export function codePath({ modules, moduleMm }: Code, { xMm, yMm }: Pick<Box, 'xMm' | 'yMm'>): Path {
  const parts: PathPart[] = [];
  const at = (column: number, row: number) => ({
    xMm: xMm + (column + QUIET_MODULES) * moduleMm,
    yMm: yMm + (row + QUIET_MODULES) * moduleMm,
  });
  modules.forEach((line, row) => {
    for (let from = 0; from < line.length; from += 1) {
      if (!line[from]) continue;
      let to = from;
      while (line[to]) to += 1;
      parts.push(
        { kind: 'move', to: at(from, row) },
        { kind: 'line', to: at(to, row) },
        { kind: 'line', to: at(to, row + 1) },
        { kind: 'line', to: at(from, row + 1) },
        { kind: 'close' },
      );
      from = to;
    }
  });
  return parts;
}
