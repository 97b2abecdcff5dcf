import svgpath from 'svgpath';
import type { Path, PathPart } from '../../../ground/geometry/path.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { OrnamentId } from '../../../job/types.ts';

/** Small devices, drawn for this application, each in a square of a hundred. */
const DRAWINGS: Readonly<Record<OrnamentId, string>> = {
  wave: 'M0 58C10 40 22 40 32 52C40 62 50 62 58 50C68 36 82 36 100 52L100 62C84 46 72 46 64 58C54 74 38 74 27 60C20 51 12 52 0 68Z',
  star: 'M50 4L60 39L96 50L60 61L50 96L40 61L4 50L40 39Z',
  shell:
    'M50 94L41 86L16 52C8 40 12 26 24 24C26 12 40 8 50 16C60 8 74 12 76 24C88 26 92 40 84 52L59 86ZM48 80L48 30L43 30L44 80ZM40 76L30 34L25 36L36 76ZM60 76L75 36L70 34L64 76ZM52 80L57 30L52 30Z',
  lantern:
    'M44 4L56 4L56 12L66 20L34 20L44 12ZM30 24L70 24L76 78L24 78ZM36 30L33 72L46 72L46 30ZM54 30L54 72L67 72L64 30ZM28 82L72 82L66 94L34 94Z',
  sprig:
    'M48 98L52 98C52 70 52 44 51 24L49 24C48 44 48 70 48 98ZM50 26C42 20 42 10 50 2C58 10 58 20 50 26ZM48 50C36 52 28 44 26 34C38 32 46 40 48 50ZM52 50C64 52 72 44 74 34C62 32 54 40 52 50ZM48 76C36 78 26 70 24 60C36 58 46 66 48 76ZM52 76C64 78 74 70 76 60C64 58 54 66 52 76Z',
  gull: 'M2 40C16 30 36 34 50 56C64 34 84 30 98 40C82 40 66 48 56 66C54 70 46 70 44 66C34 48 18 40 2 40Z',
  knot: 'M30 30C46 14 54 14 70 30C86 46 86 54 70 70C54 86 46 86 30 70C14 54 14 46 30 30ZM37 37C26 48 26 52 37 63C48 74 52 74 63 63C74 52 74 48 63 37C52 26 48 26 37 37ZM46 2L54 2L54 98L46 98ZM2 46L98 46L98 54L2 54Z',
  heart: 'M50 92C14 62 4 46 4 30C4 14 16 6 28 6C38 6 46 12 50 20C54 12 62 6 72 6C84 6 96 14 96 30C96 46 86 62 50 92Z',
};

/** An ornament stretched to a box. */
export function ornamentPath(ornament: OrnamentId, { xMm, yMm, widthMm, heightMm }: Box): Path {
  const parts: PathPart[] = [];
  svgpath(DRAWINGS[ornament])
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
