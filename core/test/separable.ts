import type { Box } from '../src/ground/geometry/types.ts';

/** Whether edge-to-edge cuts, each in a strip at least a gutter wide, can part these boxes. */
export function separable(boxes: readonly Box[], gutterMm: number): boolean {
  if (boxes.length <= 1) return true;
  for (const across of [true, false]) {
    const from = (b: Box): number => (across ? b.xMm : b.yMm);
    const to = (b: Box): number => (across ? b.xMm + b.widthMm : b.yMm + b.heightMm);
    const sorted = [...boxes].sort((a, b) => from(a) - from(b));
    let reach = -Infinity;
    for (const [i, box] of sorted.entries()) {
      if (i > 0 && from(box) - reach >= gutterMm - 1e-6)
        return separable(sorted.slice(0, i), gutterMm) && separable(sorted.slice(i), gutterMm);
      reach = Math.max(reach, to(box));
    }
  }
  return false;
}
