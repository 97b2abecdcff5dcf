import { inSpace } from './foldBlank.ts';
import { atState, type Folding } from './foldForm.ts';
import { chain, move, turnAbout, type Pose } from './space.ts';
import type { FoldedForm } from './types.ts';

/** A point of the card seen from its side: depth and height. */
interface SidePoint {
  readonly z: number;
  readonly y: number;
}

/**
 * The card as it stands on a table at y = 0, or null for what only lies. Seen from the side, a thing at
 * rest stands on the edge of its convex outline that lies under its middle; the card is tipped until that
 * edge is level. So a tent comes to stand on both feet and an easel on card and leg.
 */
export function standOnTable(form: FoldedForm, folding: Folding): ReadonlyMap<string, Pose> | null {
  if (!form.standing) return null;
  const poses = atState(form, folding, form.standing);
  const side = (placed: ReadonlyMap<string, Pose>): SidePoint[] =>
    form.blank.panels.flatMap((panel) =>
      panel.outline.map((p) => {
        const [, y, z] = move(placed.get(panel.id)!, inSpace(p));
        // Points above each other must share their depth exactly, or rounding would order them.
        return { z: Math.round(z * 1e6) / 1e6, y };
      }),
    );
  const points = side(poses);
  const middle = points.reduce((sum, p) => sum + p.z, 0) / points.length;
  const under = lowerHull(points);
  const edge = under.findIndex((p, i) => i + 1 < under.length && p.z <= middle && under[i + 1]!.z >= middle);
  const [a, b] = edge < 0 ? [under[0]!, under[0]!] : [under[edge]!, under[edge + 1]!];
  const tip = turnAbout([0, 0, 0], [1, 0, 0], b.z - a.z < 1e-9 ? 0 : Math.atan2(b.y - a.y, b.z - a.z));
  const tipped = new Map([...poses].map(([id, pose]) => [id, chain(tip, pose)]));
  const floor = Math.min(...side(tipped).map((p) => p.y));
  const raise: Pose = { ...turnAbout([0, 0, 0], [1, 0, 0], 0), shift: [0, -floor, 0] };
  return new Map([...tipped].map(([id, pose]) => [id, chain(raise, pose)]));
}

/** The underside of the convex outline, from the back to the front. Source: Andrew’s monotone chain, 1979. */
function lowerHull(points: readonly SidePoint[]): readonly SidePoint[] {
  const sorted = [...points].sort((a, b) => a.z - b.z || a.y - b.y);
  const hull: SidePoint[] = [];
  for (const p of sorted) {
    while (hull.length >= 2) {
      const [a, b] = [hull.at(-2)!, hull.at(-1)!];
      if ((b.z - a.z) * (p.y - a.y) - (b.y - a.y) * (p.z - a.z) > 1e-9) break;
      hull.pop();
    }
    hull.push(p);
  }
  return hull;
}
