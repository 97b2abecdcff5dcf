import { outlineOf } from '../../stations/art/words/outlineOf.ts';
import type { Typeface } from '../../stations/art/words/typefaces.ts';
import { setLabel } from './labels.ts';
import { LOOKS } from './look.ts';
import { num, type Label, type SvgNode } from './svg.ts';

/** A label as outlines, with its words beside them; each letter in the first typeface that has it. */
export function outlinedLabel({ text, at, sizeMm, anchor, turnDeg, role }: Label, chain: readonly Typeface[]): SvgNode {
  const { runs, widthMm } = setLabel(text, sizeMm, chain);
  const back = anchor === 'start' ? 0 : anchor === 'middle' ? widthMm / 2 : widthMm;
  const d = runs
    .map(({ typeface, glyphs, xMm }) => outlineOf(glyphs, typeface, { xMm: at.xMm + xMm - back, yMm: at.yMm }, sizeMm))
    .join('');
  return {
    tag: 'path',
    attributes: {
      d,
      'aria-label': text,
      fill: role === 'dimension' ? LOOKS.dimension.stroke! : LOOKS.label.fill!,
      ...(turnDeg ? { transform: `rotate(${num(turnDeg)} ${num(at.xMm)} ${num(at.yMm)})` } : {}),
    },
    children: [],
  };
}
