/** Plain vectors and turns in space: x right, y up, z towards the reader. */
export type Vec3 = readonly [number, number, number];
/** Rows of a turn, and the shift that follows it. */
export interface Pose {
  readonly rows: readonly [Vec3, Vec3, Vec3];
  readonly shift: Vec3;
}

export const STILL: Pose = {
  rows: [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ],
  shift: [0, 0, 0],
};

export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const plus = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

export const scaled = ([x, y, z]: Vec3, by: number): Vec3 => [x * by, y * by, z * by];
/** A vector’s direction; null where it has none. */
export function directionOf(v: Vec3): Vec3 | null {
  const long = Math.hypot(...v);
  return long < 1e-9 ? null : scaled(v, 1 / long);
}

export const turn = ({ rows }: Pose, v: Vec3): Vec3 => [dot(rows[0], v), dot(rows[1], v), dot(rows[2], v)];
export const move = (pose: Pose, p: Vec3): Vec3 => plus(turn(pose, p), pose.shift);

/** A turn's inverse is its transpose, so this needs no division. */
export function undo({ rows: [r, s, t], shift }: Pose): Pose {
  const back: Pose = {
    rows: [
      [r[0], s[0], t[0]],
      [r[1], s[1], t[1]],
      [r[2], s[2], t[2]],
    ],
    shift: [0, 0, 0],
  };
  const [x, y, z] = turn(back, shift);
  return { rows: back.rows, shift: [-x, -y, -z] };
}

/** Does `first`, then `then`. */
export function chain(then: Pose, first: Pose): Pose {
  const columns = [0, 1, 2].map((i) => turn(then, [first.rows[0][i]!, first.rows[1][i]!, first.rows[2][i]!]));
  const row = (i: 0 | 1 | 2): Vec3 => [columns[0]![i], columns[1]![i], columns[2]![i]];
  return { rows: [row(0), row(1), row(2)], shift: move(then, first.shift) };
}

/**
 * A turn by `radians` about the line through `through` along unit vector `axis`, by the right-hand rule.
 * Source: Rodrigues' rotation formula.
 */
export function turnAbout(through: Vec3, axis: Vec3, radians: number): Pose {
  const [x, y, z] = axis;
  const [c, s] = [Math.cos(radians), Math.sin(radians)];
  const k = 1 - c;
  const rows: Pose['rows'] = [
    [c + x * x * k, x * y * k - z * s, x * z * k + y * s],
    [y * x * k + z * s, c + y * y * k, y * z * k - x * s],
    [z * x * k - y * s, z * y * k + x * s, c + z * z * k],
  ];
  const still: Pose = { rows, shift: [0, 0, 0] };
  return { rows, shift: minus(through, turn(still, through)) };
}
