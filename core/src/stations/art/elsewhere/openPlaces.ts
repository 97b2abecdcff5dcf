import { compose } from '../../../ground/geometry/affine.ts';
import { boxAround, corners, evenSides, grow, mapBox } from '../../../ground/geometry/box.ts';
import { TOLERANCE_MM, type Box } from '../../../ground/geometry/types.ts';
import type { PaperSide } from '../../../ground/fold/types.ts';
import { viewOf } from '../../size/drawBlank.ts';
import type { SizePlan } from '../../size/planSize.ts';

/** How one picture covers a whole side of the open card, as it lies in front of its maker. */
export interface OpenPlace {
  readonly side: PaperSide;
  /** The open card with its bleed. */
  readonly box: Box;
  /** The face that has the picture, and those of its side that it runs on over. */
  readonly faceId: string;
  readonly across: readonly string[];
  /** Clockwise, by which it is turned on that face so that it is upright on the open card. */
  readonly quarterTurns: number;
}

/** Sides of the open card that their faces cover together; one that some panel has no face on is not. */
export function openPlaces(size: SizePlan): readonly OpenPlace[] {
  const { widthMm, heightMm } = size.form.blank;
  const box = grow({ xMm: 0, yMm: 0, widthMm, heightMm }, evenSides(size.bleedMm));
  return (['outside', 'inside'] as const).flatMap((side): readonly OpenPlace[] => {
    const faces = size.faces.filter((face) => face.side === side);
    const [leader, ...others] = faces;
    if (!leader || others.length === 0) return [];
    const covered = boxAround(
      faces.flatMap(({ id, toBlank }) => corners(mapBox(toBlank, size.regions[id]!.bleed.box))),
    );
    if (!isSame(covered, box)) return [];
    // How the face lies on the card as it is seen; y runs down, so a turn of the axes is clockwise.
    const [a, b] = compose(viewOf(size, side), leader.toBlank);
    const lies = Math.round(Math.atan2(b, a) / (Math.PI / 2));
    return [{ side, box, faceId: leader.id, across: others.map(({ id }) => id), quarterTurns: (8 - lies) % 4 }];
  });
}

const isSame = (a: Box, b: Box): boolean =>
  [a.xMm - b.xMm, a.yMm - b.yMm, a.widthMm - b.widthMm, a.heightMm - b.heightMm].every(
    (mm) => Math.abs(mm) < TOLERANCE_MM,
  );
