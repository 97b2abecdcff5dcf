import type { Box } from '@zippy/core';
import type { BenchGeometry } from '../../../bench/Bench.tsx';

const SMALLEST_HANDLE_PX = 24;

export interface Place {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** A line of small words still gives a finger something to take hold of. Source: WCAG 2.2, 2.5.8. */
export function roomy({ left, top, width, height }: Place): Place {
  const [dx, dy] = [Math.max(0, SMALLEST_HANDLE_PX - width), Math.max(0, SMALLEST_HANDLE_PX - height)];
  return { left: left - dx / 2, top: top - dy / 2, width: width + dx, height: height + dy };
}

/** Where something of the face lies on the screen. */
export const placeOnScreen = ({ pxPerMm, originPx }: BenchGeometry, { xMm, yMm, widthMm, heightMm }: Box): Place => ({
  left: originPx.x + xMm * pxPerMm,
  top: originPx.y + yMm * pxPerMm,
  width: widthMm * pxPerMm,
  height: heightMm * pxPerMm,
});

export const overlapOf = (a: Box, b: Box): boolean =>
  a.xMm < b.xMm + b.widthMm && b.xMm < a.xMm + a.widthMm && a.yMm < b.yMm + b.heightMm && b.yMm < a.yMm + a.heightMm;
