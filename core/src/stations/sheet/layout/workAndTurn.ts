import { mapBox } from '../../../ground/geometry/box.ts';
import { TOLERANCE_MM, type Box } from '../../../ground/geometry/types.ts';
import type { Affine } from '../../../ground/geometry/affine.ts';
import type { Placement, WorkAndTurn } from '../types.ts';

const isSame = (a: Box, b: Box): boolean =>
  Math.abs(a.xMm - b.xMm) < TOLERANCE_MM * 10 &&
  Math.abs(a.yMm - b.yMm) < TOLERANCE_MM * 10 &&
  Math.abs(a.widthMm - b.widthMm) < TOLERANCE_MM * 10 &&
  Math.abs(a.heightMm - b.heightMm) < TOLERANCE_MM * 10;

/**
 * One plate for both sides: fronts on one half, backs on the other, the same page printed again once the sheet is
 * turned over. Every place must fall on another place when the sheet is turned, never on itself.
 * @param turned the sheet turned over, as seen afterwards
 */
export function workAndTurn(placements: readonly Placement[], creases: number, turned: Affine): WorkAndTurn {
  if (creases > 0) return { ok: false, why: 'only flat pieces can share one plate for both sides' };
  if (placements.length < 2) return { ok: false, why: 'there is only one card on the sheet' };
  const fronts: number[] = [];
  const partners = new Set<number>();
  for (const [i, { trim }] of placements.entries()) {
    const falls = mapBox(turned, trim);
    const partner = placements.findIndex((p) => isSame(p.trim, falls));
    if (partner === -1) return { ok: false, why: 'the cards do not fall on each other when the sheet is turned' };
    if (partner === i)
      return { ok: false, why: 'a row of cards lies in the middle, where it falls on itself when the sheet is turned' };
    if (!partners.has(i)) {
      fronts.push(i);
      partners.add(partner);
    }
  }
  return { ok: true, fronts };
}
