import { segment } from '../../ground/geometry/path.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { Shape } from '../../ground/scene/types.ts';

/** A line with ticks at both ends and a length over it. */
export function levelDimension(x1: Mm, x2: Mm, yMm: Mm, text: string, textMm: Mm): readonly Shape[] {
  const t = textMm * 0.35;
  return [
    {
      kind: 'path',
      role: 'dimension',
      path: [...segment(x1, yMm, x2, yMm), ...segment(x1, yMm - t, x1, yMm + t), ...segment(x2, yMm - t, x2, yMm + t)],
    },
    {
      kind: 'label',
      role: 'dimension',
      text,
      at: { xMm: (x1 + x2) / 2, yMm: yMm - textMm * 0.3 },
      sizeMm: textMm,
      anchor: 'middle',
    },
  ];
}

/** The same, standing. */
export function uprightDimension(y1: Mm, y2: Mm, xMm: Mm, text: string, textMm: Mm): readonly Shape[] {
  const t = textMm * 0.35;
  return [
    {
      kind: 'path',
      role: 'dimension',
      path: [...segment(xMm, y1, xMm, y2), ...segment(xMm - t, y1, xMm + t, y1), ...segment(xMm - t, y2, xMm + t, y2)],
    },
    {
      kind: 'label',
      role: 'dimension',
      text,
      at: { xMm: xMm - textMm * 0.3, yMm: (y1 + y2) / 2 },
      sizeMm: textMm,
      anchor: 'middle',
      turnDeg: -90,
    },
  ];
}
