import svgpath from 'svgpath';
import type { Path, PathPart } from '../../../ground/geometry/path.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { OrnamentId } from '../../../job/ornaments.ts';
import { ornamentOf } from './ornaments/index.ts';

/** An ornament stretched to a box. */
export function ornamentPath(ornament: OrnamentId, { xMm, yMm, widthMm, heightMm }: Box): Path {
  const parts: PathPart[] = [];
  svgpath(ornamentOf(ornament).drawing)
    .abs()
    .iterate((segment) => {
      const [letter, ...n] = segment as [string, ...number[]];
      const at = (i: number) => ({ xMm: xMm + (n[i]! * widthMm) / 100, yMm: yMm + (n[i + 1]! * heightMm) / 100 });
      if (letter === 'M') parts.push({ kind: 'move', to: at(0) });
      else if (letter === 'L') parts.push({ kind: 'line', to: at(0) });
      else if (letter === 'C') parts.push({ kind: 'curve', c1: at(0), c2: at(2), to: at(4) });
      else parts.push({ kind: 'close' });
    });
  return parts;
}
