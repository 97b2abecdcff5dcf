import type { Path } from '../src/ground/geometry/path.ts';
import type { Scene, Shape } from '../src/ground/scene/types.ts';

/** A drawn box, by its sides. */
export interface Sides {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** What a path spans, rounded to a thousandth of a millimetre. */
export function sidesOf(path: Path): Sides {
  const points = path.flatMap((part) => (part.kind === 'close' ? [] : [part.to]));
  const round = (mm: number): number => Math.round(mm * 1000) / 1000 + 0;
  const [xs, ys] = [points.map((p) => p.xMm), points.map((p) => p.yMm)];
  return {
    left: round(Math.min(...xs)),
    top: round(Math.min(...ys)),
    right: round(Math.max(...xs)),
    bottom: round(Math.max(...ys)),
  };
}

type PathShape = Extract<Shape, { kind: 'path' }>;
/** Paths of one kind that lie bare in a scene, in the order they are drawn. */
export const pathsOf = ({ shapes }: Pick<Scene, 'shapes'>, role: PathShape['role']): readonly PathShape[] =>
  shapes.filter((s): s is PathShape => s.kind === 'path' && s.role === role);

type Label = Extract<Shape, { kind: 'label' }>;
export const labelsOf = ({ shapes }: Pick<Scene, 'shapes'>): readonly Label[] =>
  shapes.filter((s): s is Label => s.kind === 'label');

type Group = Extract<Shape, { kind: 'group' }>;
export const groupsOf = ({ shapes }: Pick<Scene, 'shapes'>): readonly Group[] =>
  shapes.filter((s): s is Group => s.kind === 'group');
