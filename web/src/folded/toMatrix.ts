import { Matrix4 } from 'three';
import type { Pose } from '@zippy/core';

export function toMatrix({ rows: [a, b, c], shift: [x, y, z] }: Pose): Matrix4 {
  return new Matrix4().set(a[0], a[1], a[2], x, b[0], b[1], b[2], y, c[0], c[1], c[2], z, 0, 0, 0, 1);
}
