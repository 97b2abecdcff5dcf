import { BufferGeometry, Float32BufferAttribute, Path, Shape, ShapeGeometry, Vector2 } from 'three';
import { cutsOf, isOpening, type Blank, type Panel } from '@zippy/core';

export interface PanelGeometry {
  readonly face: ShapeGeometry;
  readonly rim: BufferGeometry;
  readonly edge: BufferGeometry;
}

/**
 * A panel as the core’s space has it (x right, y up, outside towards the reader): its face with texture
 * places on the whole blank, and the thin wall round it.
 */
export function panelGeometry(panel: Panel, blank: Blank, thicknessMm: number): PanelGeometry {
  const points = panel.outline.map(({ xMm, yMm }) => [xMm, -yMm] as const);
  const shape = new Shape();
  points.forEach(([x, y], i) => (i === 0 ? shape.moveTo(x, y) : shape.lineTo(x, y)));
  const openings = cutsOf(blank, panel)
    .filter(isOpening)
    .map((cut) => cut.points.map(({ xMm, yMm }) => [xMm, -yMm] as const));
  shape.holes = openings.map((ring) => new Path(ring.map(([x, y]) => new Vector2(x, y))));
  const face = new ShapeGeometry(shape);
  const at = face.getAttribute('position');
  const uv: number[] = [];
  for (let i = 0; i < at.count; i += 1) uv.push(at.getX(i) / blank.widthMm, 1 + at.getY(i) / blank.heightMm);
  face.setAttribute('uv', new Float32BufferAttribute(uv, 2));

  const half = thicknessMm / 2;
  const wall: number[] = [];
  for (const ring of [points, ...openings])
    ring.forEach(([x1, y1], i) => {
      const [x2, y2] = ring[(i + 1) % ring.length]!;
      const [a, b, c, d] = [
        [x1, y1, half],
        [x2, y2, half],
        [x2, y2, -half],
        [x1, y1, -half],
      ] as const;
      wall.push(...a, ...b, ...c, ...a, ...c, ...d);
    });
  const rim = new BufferGeometry();
  rim.setAttribute('position', new Float32BufferAttribute(wall, 3));
  rim.computeVertexNormals();

  const edge = new BufferGeometry();
  edge.setAttribute(
    'position',
    new Float32BufferAttribute(
      points.flatMap(([x, y]) => [x, y, 0]),
      3,
    ),
  );
  return { face, rim, edge };
}
