import { polygon, polyline, segment } from '../../ground/geometry/path.ts';
import type { Box, Point } from '../../ground/geometry/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { Colour, Scene, Shape } from '../../ground/scene/types.ts';
import { LINE_NAMES } from './drawGauge.ts';
import { droopTo, lineDeg, SHARE_OF } from './droop.ts';
import { GAUGE_LINES, type Fibres, type GaugeLine } from './types.ts';

/** So much of a strip lies on the table, and so thick is its top. */
const LIES_MM = 60;
const TABLE_MM = 14;
const TABLE: Colour = '#8a6b4a';
/** A strip of card seen from its edge is a hair; it is drawn this thick. */
const DRAWN_MM = 1.4;

/**
 * A table from its side, with strips hung out to a line of the gauge, each as far and in the very shape that its bending
 * length gives it. mm, the table's edge at nought.
 * @param strips by their bending lengths; none where nothing is known
 */
export function drawOverhang(
  strips: readonly { readonly fibres: Fibres; readonly bendingMm: Mm }[],
  line: GaugeLine,
  { colour, textMm }: { readonly colour: Colour; readonly textMm: Mm },
): Scene {
  const hung = strips.map(({ fibres, bendingMm }) => {
    const overhangMm = bendingMm / SHARE_OF[line];
    const shape = droopTo(line).map(({ out, down }) => at(out * overhangMm, down * overhangMm));
    return { fibres, overhangMm, shape, end: shape.at(-1)! };
  });
  const reach = Math.max(120, ...hung.map(({ overhangMm }) => overhangMm));
  const box: Box = {
    ...{ xMm: -LIES_MM - 10, yMm: -24 },
    ...{
      widthMm: LIES_MM + 10 + reach * 1.06 + 8 * textMm,
      heightMm: 36 + Math.max(reach * 0.4, ...hung.map(({ end }) => end.yMm)),
    },
  };
  return {
    box,
    symbols: {},
    shapes: [
      {
        ...{ kind: 'path', role: 'stock', fill: TABLE },
        path: polygon([at(-LIES_MM - 10, 0), at(0, 0), at(0, TABLE_MM), at(-LIES_MM - 10, TABLE_MM)]),
      },
      ...GAUGE_LINES.flatMap((one) => drawLine(one, one === line, reach, textMm)),
      ...hung.flatMap(({ fibres, overhangMm, shape, end }, i): readonly Shape[] => [
        { kind: 'path', role: 'stock', path: thick([at(-LIES_MM, 0), ...shape]), fill: colour },
        label(
          `${fibres}: ${formatLength(overhangMm, 'mm')}`,
          // In mm whatever the studio’s unit, as its own scale is. The first over its end, a second under its own, so that neither lies on the other.
          { xMm: end.xMm + textMm * 0.5, yMm: end.yMm + textMm * (i === 0 ? -0.9 : 2.2) },
          textMm,
          'start',
        ),
      ]),
      label('the strip’s own scale is read here', { xMm: 0, yMm: -textMm * 1.4 }, textMm, 'middle'),
      { kind: 'path', role: 'dimension', path: segment(0, -textMm * 1.1, 0, -textMm * 0.3) },
    ],
  };
}

const at = (xMm: Mm, yMm: Mm): Point => ({ xMm, yMm });

const label = (text: string, place: Point, sizeMm: Mm, anchor: 'start' | 'middle' | 'end'): Shape => ({
  ...{ kind: 'label', role: 'dimension', text, at: place, sizeMm, anchor },
});

/** Its name past its end; the one in hand is a whole line, the others come short. */
function drawLine(line: GaugeLine, isInHand: boolean, reach: Mm, textMm: Mm): readonly Shape[] {
  const angle = (lineDeg(line) * Math.PI) / 180;
  const long = reach * (isInHand ? 1.06 : 0.55);
  const end = at(long * Math.cos(angle), long * Math.sin(angle));
  return [
    { kind: 'path', role: 'dimension', path: polyline([at(0, 0), end]) },
    label(LINE_NAMES[line], { xMm: end.xMm + textMm * 0.6, yMm: end.yMm + textMm * 0.4 }, textMm, 'start'),
  ];
}

/** A line of some thickness above it, as a closed outline. */
function thick(line: readonly Point[]): ReturnType<typeof polygon> {
  const above = line.map((p, i) => {
    const [a, b] = [line[Math.max(0, i - 1)]!, line[Math.min(line.length - 1, i + 1)]!];
    const long = Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm) || 1;
    return at(p.xMm + ((b.yMm - a.yMm) / long) * DRAWN_MM, p.yMm - ((b.xMm - a.xMm) / long) * DRAWN_MM);
  });
  return polygon([...line, ...above.reverse()]);
}
