import type { Shape } from '../../../ground/scene/types.ts';
import type { Affine } from '../../../ground/geometry/affine.ts';
import type { Path } from '../../../ground/geometry/path.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import { MM_PER_POINT } from '../../../ground/length/types.ts';
import type { ReadFace } from '../../../ground/fold/readFaces.ts';
import type { ArtObject, FaceArt, PicturePlacement, RepeatPattern, TextBlock } from '../../../job/types.ts';
import type { Code } from '../things/codePath.ts';
import type { SetBlock } from '../words/setText.ts';

/** A picture where it lies, turned and all. */
export interface LaidPicture {
  readonly id: string;
  readonly placement: PicturePlacement;
  readonly box: Box;
  /** Null for drawings, which have no pixels to run out of. */
  readonly ppi: number | null;
  /** From the frame it is laid in to the face’s: another face’s frame where it runs on from there. */
  readonly map: Affine;
  /** The face whose picture it is. */
  readonly from: string;
}

/** Words or an object, with all that is derived of it. */
export type LaidItem =
  | {
      readonly kind: 'text';
      /** As typed, with its fields. */
      readonly block: TextBlock;
      readonly set: SetBlock;
      /** Set anew for every card, from the list of names. */
      readonly named: boolean;
    }
  | { readonly kind: 'picture'; readonly object: ArtObject & { kind: 'picture' }; readonly laid: LaidPicture | null }
  | { readonly kind: 'code'; readonly object: ArtObject & { kind: 'code' }; readonly code: Code | null }
  | { readonly kind: 'rule'; readonly object: ArtObject & { kind: 'rule' } }
  | { readonly kind: 'ornament'; readonly object: ArtObject & { kind: 'ornament' }; readonly path: Path };

export interface FacePlan {
  readonly face: ReadFace;
  readonly art: FaceArt;
  /** Face and bleed, in the face's frame: what a page of it shows. */
  readonly page: Box;
  readonly pageOutline: Polygon;
  /** Where its art goes: as far as the page, or in to where a bare edge begins. */
  readonly bleed: Box;
  readonly bleedOutline: Polygon;
  readonly trimOutline: Polygon;
  readonly safe: Box;
  readonly safeOutline: Polygon;
  readonly picture: LaidPicture | null;
  readonly tiles: (RepeatPattern & { readonly aspect: number }) | null;
  /** Where something is glued on, under it; left out where nothing is. */
  readonly marks?: readonly Shape[];
  /** Outline of the border; nothing where there is none. */
  readonly band: Path;
  readonly blocks: readonly SetBlock[];
  /** Words and objects from back to front. */
  readonly items: readonly LaidItem[];
}

export const isNamedItem = (item: LaidItem): boolean => item.kind === 'text' && item.named;

export const idOf = (item: LaidItem): string => (item.kind === 'text' ? item.block.id : item.object.id);

export const boxOf = ({ leftMm, topMm, widthMm, heightMm }: Omit<ArtObject, 'id' | 'kind'>): Box => ({
  xMm: leftMm,
  yMm: topMm,
  widthMm,
  heightMm,
});

/** A rule as it is drawn: along the longer side of its box, in the middle of the other, which it may be thicker than. */
export function ruleBox(rule: ArtObject & { readonly kind: 'rule' }): Box {
  const { xMm, yMm, widthMm, heightMm } = boxOf(rule);
  const weightMm = rule.weightPt * MM_PER_POINT;
  return widthMm >= heightMm
    ? { xMm, yMm: yMm + (heightMm - weightMm) / 2, widthMm, heightMm: weightMm }
    : { xMm: xMm + (widthMm - weightMm) / 2, yMm, widthMm: weightMm, heightMm };
}

/** All of it is to be seen on its own face; one that runs on over others fills them. */
export const isWholeOnFace = ({ fit, across = [] }: PicturePlacement): boolean =>
  fit === 'whole' && across.length === 0;
