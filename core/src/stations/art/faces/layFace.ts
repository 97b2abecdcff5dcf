import { compose, IDENTITY, invert, type Affine } from '../../../ground/geometry/affine.ts';
import { boxAround, corners, mapBox } from '../../../ground/geometry/box.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { ReadFace } from '../../../ground/fold/readFaces.ts';
import { EMPTY_FACE } from '../../../job/newJob.ts';
import type {
  ArtObject,
  FaceArt,
  Job,
  NamesList,
  PicturePlacement,
  PictureRef,
  TextBlock,
} from '../../../job/types.ts';
import { MM_PER_INCH } from '../../../ground/length/types.ts';
import type { FoldedPiece } from '../../size/planSize.ts';
import { borderBand } from './borderBand.ts';
import { codeOf } from '../things/code.ts';
import type { Code } from '../things/codePath.ts';
import { boxOf, idOf, isNamedItem, isWholeOnFace, type FacePlan, type LaidItem, type LaidPicture } from './items.ts';
import { ornamentPath } from '../things/ornamentPath.ts';
import { fillFields, fillLines, isNamed } from '../../../job/namesList.ts';
import { setText } from '../words/setText.ts';
import type { TypefaceBook } from '../words/typefaces.ts';

/**
 * Where a picture lies so that it covers a box, or is whole in it, without changing its shape.
 * The scale is the larger, or the smaller, of the two that fit a side, times the maker's zoom; the focus slides what
 * is over, or within what is left.
 */
export function coverBox(
  picture: Pick<PictureRef, 'widthPx' | 'heightPx'>,
  { fit = 'fill', zoom, focusX, focusY, quarterTurns = 0 }: PicturePlacement,
  over: Box,
): Box {
  const [wide, high] =
    quarterTurns % 2 === 1 ? [picture.heightPx, picture.widthPx] : [picture.widthPx, picture.heightPx];
  const sides = [over.widthMm / wide, over.heightMm / high] as const;
  const mmPerPx = (fit === 'fill' ? Math.max(...sides) : Math.min(...sides)) * zoom;
  const widthMm = wide * mmPerPx;
  const heightMm = high * mmPerPx;
  return {
    xMm: over.xMm - (widthMm - over.widthMm) * focusX,
    yMm: over.yMm - (heightMm - over.heightMm) * focusY,
    widthMm,
    heightMm,
  };
}

/** Pixels per printed inch, once placed. */
export const effectivePpi = (picture: Pick<PictureRef, 'widthPx'>, placed: Box): number =>
  (picture.widthPx / placed.widthMm) * MM_PER_INCH;

export function layPicture(
  job: Pick<Job, 'pictures'>,
  placement: PicturePlacement,
  over: Box,
  from: string,
  map: Affine = IDENTITY,
): LaidPicture | null {
  const ref = job.pictures[placement.pictureId];
  if (!ref) return null;
  const box = coverBox(ref, placement, over);
  const across = (placement.quarterTurns ?? 0) % 2 === 1 ? { widthPx: ref.heightPx } : ref;
  return {
    id: placement.pictureId,
    placement,
    box,
    ppi: ref.mime === 'image/svg+xml' ? null : effectivePpi(across, box),
    map,
    from,
  };
}

const artOf = (job: Job, face: ReadFace): FaceArt => job.art.faces[face.id] ?? EMPTY_FACE;

/** The face whose picture runs on over this one, if any. The first of the card’s faces leads, or two would show each other’s. */
function leaderOf(job: Job, size: FoldedPiece, face: ReadFace): ReadFace | null {
  const led = new Map<string, ReadFace>();
  for (const leader of size.faces) {
    if (led.has(leader.id)) continue;
    for (const id of artOf(job, leader).picture?.across ?? []) {
      const other = size.faces.find((f) => f.id === id);
      if (other && other !== leader && other.side === leader.side && !led.has(id)) led.set(id, leader);
    }
  }
  return led.get(face.id) ?? null;
}

/** Nothing but the middle where no safe area is left. */
export const safeBox = (size: FoldedPiece, face: ReadFace): Box =>
  size.regions[face.id]!.safe?.box ?? {
    xMm: face.widthMm / 2,
    yMm: face.heightMm / 2,
    widthMm: 0,
    heightMm: 0,
  };

function backPicture(job: Job, size: FoldedPiece, face: ReadFace): LaidPicture | null {
  const leader = leaderOf(job, size, face) ?? face;
  const { picture } = artOf(job, leader);
  if (!picture) return null;
  const between = (from: ReadFace, to: ReadFace): Affine => compose(invert(to.toBlank), from.toBlank);
  if (isWholeOnFace(picture)) return layPicture(job, picture, safeBox(size, face), face.id);
  const run = size.faces.filter((other) => other.side === leader.side && picture.across?.includes(other.id));
  const over = boxAround([
    ...corners(size.regions[leader.id]!.bleed.box),
    ...run.flatMap((other) => corners(mapBox(between(other, leader), size.regions[other.id]!.bleed.box))),
  ]);
  return layPicture(job, picture, over, leader.id, leader === face ? IDENTITY : between(leader, face));
}

/**
 * @param row of the list of names, for the words that ask for it; null leaves their fields as typed
 * @throws RangeError when a text block names a typeface that is not in the book
 */
export function layFace(
  job: Job,
  size: FoldedPiece,
  face: ReadFace,
  book: TypefaceBook,
  row: number | null = null,
): FacePlan {
  const art = artOf(job, face);
  const { page, bleed: region, safe, trim } = size.regions[face.id]!;
  const blocks = art.texts.map((text) => {
    try {
      return setText(row !== null && isNamed(text, job.names) ? filled(text, job.names!, row) : text, book);
    } catch (problem) {
      throw new RangeError(`art.faces.${face.id}.texts: ${(problem as Error).message}`, { cause: problem });
    }
  });
  const items: readonly LaidItem[] = [
    ...(art.objects ?? []).map((object): LaidItem => {
      switch (object.kind) {
        case 'picture': {
          const box = boxOf(object);
          return { kind: 'picture', object, laid: layPicture(job, object.picture, box, face.id) };
        }
        case 'code':
          return { kind: 'code', object, code: codeOrNull(object) };
        case 'rule':
          return { kind: 'rule', object };
        case 'ornament':
          return { kind: 'ornament', object, path: ornamentPath(object.ornament, boxOf(object)) };
      }
    }),
    ...art.texts.map((block, i): LaidItem => ({
      kind: 'text',
      block,
      set: blocks[i]!,
      named: isNamed(block, job.names),
    })),
  ];
  const tile = art.pattern ? job.pictures[art.pattern.pictureId] : undefined;
  return {
    face,
    art,
    page: page.box,
    pageOutline: page.outline,
    bleed: region.box,
    bleedOutline: region.outline,
    trimOutline: trim,
    safe: safeBox(size, face),
    safeOutline: safe?.outline ?? [],
    picture: backPicture(job, size, face),
    // Where edges are kept bare, a border is counted from where art begins.
    band: art.border ? borderBand(size.bareEdgeMm > 0 ? region.outline : trim, region.outline, art.border) : [],
    tiles: tile && art.pattern ? { ...art.pattern, aspect: tile.widthPx / tile.heightPx } : null,
    blocks,
    items: inOrder(items, art.order),
  };
}

/**
 * Things of a face as they lie on each other.
 * @param order their ids from back to front; what it does not name lies before the rest, as it came
 * @returns them from back to front
 */
export function inOrder(items: readonly LaidItem[], order: readonly string[] = []): readonly LaidItem[] {
  const rank = (item: LaidItem): number => {
    const at = order.indexOf(idOf(item));
    return at < 0 ? Infinity : at;
  };
  return [...items].sort((a, b) => {
    // What differs from card to card is printed over what they share.
    if (isNamedItem(a) !== isNamedItem(b)) return isNamedItem(a) ? 1 : -1;
    const [p, q] = [rank(a), rank(b)];
    return p === q ? 0 : p - q;
  });
}

/** A block with one row’s words in it. */
export const filled = (block: TextBlock, names: NamesList, row: number | null): TextBlock => ({
  ...block,
  text: (block.closesUp ? fillLines : fillFields)(block.text, names, row),
});

/** More words than a code can hold make no code; the checks say so. */
function codeOrNull(object: ArtObject & { kind: 'code' }): Code | null {
  try {
    return codeOf(object.content, Math.min(object.widthMm, object.heightMm));
  } catch (problem) {
    if (problem instanceof Error && /capacity|overflow|too/i.test(problem.message)) return null;
    throw problem;
  }
}
