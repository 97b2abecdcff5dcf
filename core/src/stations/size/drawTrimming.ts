import { apply, compose, rotationAbout, translation, type Affine } from '../../ground/geometry/affine.ts';
import { polygon, polyline, type Path } from '../../ground/geometry/path.ts';
import type { Polygon } from '../../ground/geometry/polygon.ts';
import type { Shape } from '../../ground/scene/types.ts';
import type { TrimmingChoice } from '../../job/types.ts';
import type { Trimming, TrimmingKind } from '../../workshop/types.ts';

/** Lines of a thing in a box from −½ to ½ both ways: what is filled in its colour, and what is only drawn on it. */
interface Sketch {
  readonly solid: readonly Polygon[];
  readonly lines: readonly Path[];
}

const at = (x: number, y: number) => ({ xMm: x, yMm: y });
const ring = (radius: number, sides = 32, x = 0, y = 0): Polygon =>
  Array.from({ length: sides }, (_, i) => {
    const turn = ((i + 0.5) * 2 * Math.PI) / sides;
    return at(x + radius * Math.cos(turn), y + radius * Math.sin(turn));
  });
const box = (half: number): Polygon => [at(-half, -half), at(half, -half), at(half, half), at(-half, half)];
/** The same again on the other side of the upright through the middle. */
const mirrored = (shape: Polygon): Polygon => shape.map(({ xMm, yMm }) => at(-xMm, yMm));

const LOOP: Polygon = [at(0, -0.12), at(-0.3, -0.46), at(-0.5, -0.4), at(-0.5, 0), at(-0.32, 0.12), at(0, -0.02)];
const TAIL: Polygon = [at(-0.06, -0.04), at(-0.34, 0.5), at(-0.24, 0.38), at(-0.16, 0.48), at(0.04, -0.02)];

const SKETCHES: Readonly<Record<TrimmingKind, Sketch>> = {
  bow: {
    solid: [TAIL, mirrored(TAIL), LOOP, mirrored(LOOP), ring(0.1, 12, 0, -0.07)],
    lines: [polyline([at(-0.1, -0.09), at(-0.38, -0.22)]), polyline([at(0.1, -0.09), at(0.38, -0.22)])],
  },
  button: {
    solid: [ring(0.5)],
    lines: [
      polygon(ring(0.36)),
      ...[-0.12, 0.12].flatMap((x) => [-0.12, 0.12].map((y) => polygon(ring(0.06, 12, x, y)))),
    ],
  },
  gem: {
    solid: [ring(0.5, 8)],
    lines: [polygon(ring(0.28, 8)), ...ring(0.5, 8).map((p) => polyline([p, at(p.xMm * 0.56, p.yMm * 0.56)]))],
  },
  brad: { solid: [ring(0.5)], lines: [polygon(ring(0.2, 16, -0.12, -0.14))] },
  photograph: {
    solid: [box(0.5)],
    lines: [
      polygon(box(0.43)),
      polyline([at(-0.43, 0.28), at(-0.14, -0.06), at(0.06, 0.16), at(0.2, 0.02), at(0.43, 0.3)]),
      polygon(ring(0.07, 16, 0.22, -0.22)),
    ],
  },
  charm: {
    solid: [ring(0.34, 32, 0, 0.16), ring(0.13, 16, 0, -0.37)],
    lines: [polygon(ring(0.07, 16, 0, -0.37)), polygon(ring(0.24, 32, 0, 0.16))],
  },
  cutOut: {
    solid: [Array.from({ length: 24 }, (_, i) => ring(i % 2 ? 0.5 : 0.42, 24)[i]!)],
    lines: [polygon(ring(0.3))],
  },
  magnet: { solid: [ring(0.5)], lines: [polygon(ring(0.42)), polyline([at(-0.2, 0), at(0.2, 0)])] },
  sticker: {
    solid: [Array.from({ length: 40 }, (_, i) => ring(i % 2 ? 0.5 : 0.47, 40)[i]!)],
    lines: [polygon(ring(0.38))],
  },
  other: {
    solid: [box(0.5)],
    lines: [polyline([at(-0.5, -0.5), at(0.5, 0.5)]), polyline([at(-0.5, 0.5), at(0.5, -0.5)])],
  },
};

/** A trimming as it is looked at, in its face’s frame: for looking only, never in what is printed. */
export function drawTrimming({
  trimming,
  choice,
}: {
  readonly trimming: Pick<Trimming, 'kind' | 'widthMm' | 'heightMm' | 'colour'>;
  readonly choice: Pick<TrimmingChoice, 'xMm' | 'yMm' | 'turnDeg'>;
}): readonly Shape[] {
  const { kind, widthMm, heightMm, colour } = trimming;
  const middle = at(choice.xMm, choice.yMm);
  const map: Affine = compose(
    rotationAbout(choice.turnDeg ?? 0, middle),
    compose(translation(choice.xMm, choice.yMm), [widthMm, 0, 0, heightMm, 0, 0]),
  );
  const onFace = (path: Path): Path => path.map((part) => ('to' in part ? { ...part, to: apply(map, part.to) } : part));
  const { solid, lines } = SKETCHES[kind];
  return [
    ...solid.flatMap((shape): readonly Shape[] => {
      const path = onFace(polygon(shape));
      return [
        { kind: 'path', role: 'stock', path, fill: colour },
        { kind: 'path', role: 'dimension', path },
      ];
    }),
    ...lines.map((path): Shape => ({ kind: 'path', role: 'dimension', path: onFace(path) })),
  ];
}
