import { TOLERANCE_MM, type Box } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { CutMove } from './types.ts';

/** A piece of the sheet once some cuts are made, where it was on the whole sheet. */
export interface Part {
  readonly box: Box;
  readonly isWaste: boolean;
  /** Cuts to its left and above it: pieces are drawn that many gaps apart. */
  readonly gapsAcross: number;
  readonly gapsDown: number;
}

const NEAR_MM = TOLERANCE_MM * 10;
const isUpright = ({ line: [a, b] }: CutMove): boolean => Math.abs(a.xMm - b.xMm) < NEAR_MM;
const placeOf = (move: CutMove): Mm => (isUpright(move) ? move.line[0].xMm : move.line[0].yMm);
const spanOf = (move: CutMove): readonly [Mm, Mm] => {
  const ends = isUpright(move) ? move.line.map((p) => p.yMm) : move.line.map((p) => p.xMm);
  return [Math.min(...ends), Math.max(...ends)];
};
const overlap = (a: readonly [Mm, Mm], b: readonly [Mm, Mm]): boolean =>
  Math.min(a[1], b[1]) - Math.max(a[0], b[0]) > NEAR_MM;

/** True when a move goes through a piece: the blade falls inside it, along it. */
export function cutsThrough(move: CutMove, { xMm, yMm, widthMm, heightMm }: Box): boolean {
  const at = placeOf(move);
  const [along, across]: readonly [readonly [Mm, Mm], readonly [Mm, Mm]] = isUpright(move)
    ? [
        [xMm, xMm + widthMm],
        [yMm, yMm + heightMm],
      ]
    : [
        [yMm, yMm + heightMm],
        [xMm, xMm + widthMm],
      ];
  return at > along[0] + NEAR_MM && at < along[1] - NEAR_MM && overlap(spanOf(move), across);
}

/** The sheet as it lies on the bench after the first moves: every piece, cards and waste alike. */
export function partsAfter(page: Box, moves: readonly CutMove[]): readonly Part[] {
  let parts: readonly { readonly box: Box; readonly isWaste: boolean }[] = [{ box: page, isWaste: false }];
  for (const move of moves)
    parts = parts.flatMap((part) => {
      if (part.isWaste || !cutsThrough(move, part.box)) return [part];
      const { xMm, yMm, widthMm, heightMm } = part.box;
      const at = placeOf(move);
      const [near, far]: readonly [Box, Box] = isUpright(move)
        ? [
            { xMm, yMm, widthMm: at - xMm, heightMm },
            { xMm: at, yMm, widthMm: xMm + widthMm - at, heightMm },
          ]
        : [
            { xMm, yMm, widthMm, heightMm: at - yMm },
            { xMm, yMm: at, widthMm, heightMm: yMm + heightMm - at },
          ];
      const nearFalls = move.atFence === 'right' || move.atFence === 'bottom';
      const waste = move.fallsOff === 'waste';
      return [
        { box: near, isWaste: waste && nearFalls },
        { box: far, isWaste: waste && !nearFalls },
      ];
    });
  return parts.map(({ box, isWaste }) => {
    const before = (upright: boolean): number => {
      const [edge, range] = upright
        ? [box.xMm, [box.yMm, box.yMm + box.heightMm] as const]
        : [box.yMm, [box.xMm, box.xMm + box.widthMm] as const];
      return new Set(
        moves
          .filter((m) => isUpright(m) === upright && placeOf(m) <= edge + NEAR_MM && overlap(spanOf(m), range))
          .map((m) => Math.round(placeOf(m) / NEAR_MM)),
      ).size;
    };
    return { box, isWaste, gapsAcross: before(true), gapsDown: before(false) };
  });
}
