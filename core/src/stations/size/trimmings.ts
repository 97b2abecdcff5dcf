import { inSpace } from '../../ground/fold/foldBlank.ts';
import type { ReadFace } from '../../ground/fold/readFaces.ts';
import { move, turn, type Pose, type Vec3 } from '../../ground/fold/space.ts';
import { readingPoses, shutState } from '../../ground/fold/stages.ts';
import type { FoldedForm, PaperSide } from '../../ground/fold/types.ts';
import { apply } from '../../ground/geometry/affine.ts';
import { boxAround } from '../../ground/geometry/box.ts';
import { contains, type Polygon } from '../../ground/geometry/polygon.ts';
import type { Box } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { adhesiveById } from '../../job/pick.ts';
import type { Job, TrimmingChoice } from '../../job/types.ts';
import { layAdhesive, type Laying } from '../../workshop/adhesives.ts';
import { trimmingsOf } from '../../workshop/putOn.ts';
import type { Adhesive, Trimming, Workshop } from '../../workshop/types.ts';

/** A thing from the shelf as it lies on a face. */
export interface PlacedTrimming {
  readonly choice: TrimmingChoice;
  /** Where it stands in the job’s list. */
  readonly index: number;
  readonly trimming: Trimming;
  readonly faceId: string;
  readonly faceName: string;
  readonly side: PaperSide;
  /** As it lies on the face, turned; mm from the face’s top left. */
  readonly outline: Polygon;
  /** Round that. */
  readonly box: Box;
  /** Null where it holds by itself, or whatever glue is at hand is used. */
  readonly adhesive: Adhesive | null;
  readonly laying: Laying | null;
  /** How far its top is above the face. */
  readonly standsMm: Mm;
}

export interface Trimmings {
  readonly placed: readonly PlacedTrimming[];
  /** What they add to the shut card where it is thickest. */
  readonly addedMm: Mm;
  /** What those on its outside come to. */
  readonly outsideMm: Mm;
  /** What lies between panels and holds them apart. */
  readonly insideMm: Mm;
}

/** Of what carries none. */
export const NO_TRIMMINGS: Trimmings = { placed: [], addedMm: 0, outsideMm: 0, insideMm: 0 };

/** A box of a thing about its middle, turned clockwise. */
export function trimmingOutline(
  { widthMm, heightMm }: Pick<Trimming, 'widthMm' | 'heightMm'>,
  { xMm, yMm, turnDeg = 0 }: Pick<TrimmingChoice, 'xMm' | 'yMm' | 'turnDeg'>,
): Polygon {
  const [sin, cos] = [Math.sin((turnDeg * Math.PI) / 180), Math.cos((turnDeg * Math.PI) / 180)];
  return [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([across, down]) => {
    const [x, y] = [(across! * widthMm) / 2, (down! * heightMm) / 2];
    return { xMm: xMm + x * cos - y * sin, yMm: yMm + x * sin + y * cos };
  });
}

/**
 * Lays every trimming of a job on its face; those of faces that this format lacks wait for one that has them, and so do
 * those that the workshop lacks, which stop the job.
 */
export function placeTrimmings(job: Job, workshop: Workshop, form: FoldedForm, faces: readonly ReadFace[]): Trimmings {
  const placed = (job.trimmings ?? []).flatMap((choice, index): readonly PlacedTrimming[] => {
    const face = faces.find(({ id }) => id === choice.faceId);
    const trimming = trimmingsOf(workshop).find(({ id }) => id === choice.trimmingId);
    if (!face || !trimming) return [];
    const adhesive = adhesiveById(workshop, choice.adhesiveId, `trimmings.${index}.adhesiveId`);
    const outline = trimmingOutline(trimming, choice);
    return [
      {
        ...{ choice, index, trimming, faceId: face.id, faceName: face.name, side: face.side, outline },
        box: boxAround(outline),
        ...{ adhesive, laying: adhesive && layAdhesive(adhesive, trimming, trimming.grams) },
        standsMm: trimming.thickMm + (adhesive?.thickMm ?? 0),
      },
    ];
  });
  const shut = shutBoxes(placed, form, faces);
  return {
    placed,
    addedMm: thickestOf(shut),
    outsideMm: thickestOf(shut.filter(({ isBetween }) => !isBetween)),
    insideMm: thickestOf(shut.filter(({ isBetween }) => isBetween)),
  };
}

interface ShutBox {
  readonly box: { readonly left: number; readonly right: number; readonly low: number; readonly high: number };
  readonly standsMm: Mm;
  /** A panel of the shut card lies over it. */
  readonly isBetween: boolean;
}

/** Where each lies on the shut card, from its reader’s side. */
function shutBoxes(
  placed: readonly PlacedTrimming[],
  form: FoldedForm,
  faces: readonly ReadFace[],
): readonly ShutBox[] {
  const poses = readingPoses(form, shutState(form));
  return placed.map(({ outline, faceId, side, standsMm }) => {
    const face = faces.find(({ id }) => id === faceId)!;
    const pose = poses.get(face.panelId)!;
    const points = outline.map((p) => move(pose, inSpace(apply(face.toBlank, p))));
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
    return {
      box: { left: Math.min(...xs), right: Math.max(...xs), low: Math.min(...ys), high: Math.max(...ys) },
      standsMm,
      isBetween: side === 'inside' || isCovered(form, poses, face.panelId, points),
    };
  });
}

/** Outside panels that others are folded over, as the front of a wallet is under its flap. */
function isCovered(
  { blank }: FoldedForm,
  poses: ReadonlyMap<string, Pose>,
  panelId: string,
  points: readonly Vec3[],
): boolean {
  const middle = [0, 1, 2].map((k) => points.reduce((sum, at) => sum + at[k]!, 0) / points.length) as unknown as Vec3;
  const up = Math.sign(turn(poses.get(panelId)!, [0, 0, 1])[2]);
  return blank.panels.some(({ id, outline }) => {
    if (id === panelId) return false;
    const placed = outline.map((p) => move(poses.get(id)!, inSpace(p)));
    const over = placed.every((at) => (at[2] - middle[2]) * up > COVERS_MM);
    const flat: Polygon = placed.map(([xMm, yMm]) => ({ xMm, yMm }));
    return over && contains(flat, { xMm: middle[0], yMm: middle[1] });
  });
}
/** Panels in one plane do not cover each other. */
const COVERS_MM = 1e-3;

/**
 * The most that things come to that lie over each other. Where a pile is highest, some thing’s left edge and some thing’s
 * lower one are among those that bound it, so that these places are all that need be asked.
 */
function thickestOf(things: readonly ShutBox[]): Mm {
  let most = 0;
  for (const { box: across } of things)
    for (const { box: down } of things) {
      const here = things.filter(
        ({ box }) => box.left <= across.left && across.left < box.right && box.low <= down.low && down.low < box.high,
      );
      most = Math.max(
        most,
        here.reduce((sum, { standsMm }) => sum + standsMm, 0),
      );
    }
  return most;
}
