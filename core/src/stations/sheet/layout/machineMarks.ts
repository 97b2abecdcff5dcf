import { machineMargins } from '../../../workshop/machineMargins.ts';
import { polygon } from '../../../ground/geometry/path.ts';
import { evenSides, grow, overlaps } from '../../../ground/geometry/box.ts';
import type { Box, Point, Sides } from '../../../ground/geometry/types.ts';
import type { MachineFacts } from '../../../workshop/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { Shape } from '../../../ground/scene/types.ts';

/** From the middle of a mark to each of its four points. */
export const MARK_REACH_MM = 3;
/** White that a machine’s eye needs round a mark. */
export const MARK_QUIET_MM = 1.5;
/** What one mark takes of the sheet, each way. */
export const MARK_ROOM_MM = 2 * (MARK_REACH_MM + MARK_QUIET_MM);

/** Three of four corners: which one is missing says which way round the sheet lies. */
export function markPlaces(
  sheet: { readonly widthMm: Mm; readonly heightMm: Mm },
  { top, right, bottom, left }: Sides,
): readonly [Point, Point, Point] {
  const half = MARK_ROOM_MM / 2;
  return [
    { xMm: left + half, yMm: top + half },
    { xMm: sheet.widthMm - right - half, yMm: top + half },
    { xMm: left + half, yMm: sheet.heightMm - bottom - half },
  ];
}

/** The printer prints no nearer to an edge than its margin, and the machine sees no nearer than its own. */
export function marginsWith(machine: MachineFacts, { top, right, bottom, left }: Sides): Sides {
  const own = machineMargins(machine);
  return {
    top: Math.max(top, own.top),
    right: Math.max(right, own.right),
    bottom: Math.max(bottom, own.bottom),
    left: Math.max(left, own.left),
  };
}

/** A machine that looks for marks, or one that cuts bare card from its loaded corner alone. */
export const looksForMarks = ({ findsMarks }: MachineFacts): boolean => findsMarks !== false;

/** True where no piece, with its bleed round it, lies in the room of a mark. */
export const clearOf = (marks: readonly Point[], trims: readonly Box[], bleedMm: Mm): boolean =>
  marks.every((mark) => trims.every((trim) => !overlaps(markRoom(mark), grow(trim, evenSides(bleedMm)))));

/**
 * What printed area keeps off beside its own ink: what a machine wants; or that and a strip for marks along two sides.
 * @param margins what neither printer nor machine reaches
 */
export function roomsFor(margins: Sides, machine: MachineFacts | undefined, forMarks: boolean): readonly Sides[] {
  const kept = machine ? machineMargins(machine) : evenSides(0);
  if (!forMarks) return [kept];
  const { top, right, bottom, left } = margins;
  return [
    kept,
    { ...kept, top: top + MARK_ROOM_MM, bottom: bottom + MARK_ROOM_MM },
    { ...kept, left: left + MARK_ROOM_MM, right: right + MARK_ROOM_MM },
  ];
}

export const markRoom = ({ xMm, yMm }: Point): Box => ({
  xMm: xMm - MARK_ROOM_MM / 2,
  yMm: yMm - MARK_ROOM_MM / 2,
  widthMm: MARK_ROOM_MM,
  heightMm: MARK_ROOM_MM,
});

/** A solid square on its point: its middle is found well even by a poor eye. */
export const drawMark = ({ xMm, yMm }: Point): Shape => ({
  kind: 'path',
  role: 'mark',
  path: polygon([
    { xMm, yMm: yMm - MARK_REACH_MM },
    { xMm: xMm + MARK_REACH_MM, yMm },
    { xMm, yMm: yMm + MARK_REACH_MM },
    { xMm: xMm - MARK_REACH_MM, yMm },
  ]),
  fill: '#000000',
});
