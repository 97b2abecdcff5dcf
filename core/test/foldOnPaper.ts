import type { FoldedForm } from '../src/ground/fold/types.ts';
import type { Point } from '../src/ground/geometry/types.ts';

/**
 * Folding as it is done with flat paper and a pencil: every fold mirrors what moves about its line in the
 * plane. Written apart from the simulator, without turns in space, so that one can be held against the other.
 */
export interface OnPaper {
  /** From the flat blank to where the point lies on the table. */
  readonly fold: (p: Point) => Point;
  readonly unfold: (p: Point) => Point;
}

type Mirror = (p: Point) => Point;

export function foldOnPaper(form: FoldedForm, steps: number): ReadonlyMap<string, OnPaper> {
  const made = new Set(form.steps.slice(0, steps).flatMap((s) => s.creaseIds));
  const found = new Map<string, readonly Mirror[]>([[form.restingPanelId, []]]);
  const waiting = [form.restingPanelId];
  for (let from = waiting.shift(); from !== undefined; from = waiting.shift())
    for (const crease of form.blank.creases) {
      const other = crease.joins[0] === from ? crease.joins[1] : crease.joins[1] === from ? crease.joins[0] : null;
      if (other === null || found.has(other)) continue;
      const upright = Math.abs(crease.from.xMm - crease.to.xMm) < 1e-9;
      const at = upright ? crease.from.xMm : crease.from.yMm;
      const mirror: Mirror = upright
        ? ({ xMm, yMm }) => ({ xMm: 2 * at - xMm, yMm })
        : ({ xMm, yMm }) => ({ xMm, yMm: 2 * at - yMm });
      found.set(other, made.has(crease.id) ? [...found.get(from)!, mirror] : found.get(from)!);
      waiting.push(other);
    }
  return new Map(
    [...found].map(([id, mirrors]) => [
      id,
      {
        // The crease nearest to the panel mirrors first; a mirror undoes itself.
        fold: (p: Point) => [...mirrors].reverse().reduce((q, m) => m(q), p),
        unfold: (p: Point) => mirrors.reduce((q, m) => m(q), p),
      },
    ]),
  );
}
