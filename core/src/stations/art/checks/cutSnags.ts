import { isOpening } from '../../../ground/fold/blankCuts.ts';
import { apply, invert } from '../../../ground/geometry/affine.ts';
import { boxAround, grow, evenSides, isInside, overlaps } from '../../../ground/geometry/box.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import { formatLength } from '../../../ground/length/formatLength.ts';
import type { LengthUnit } from '../../../ground/length/types.ts';
import { decide } from '../../../job/decide.ts';
import type { Snag } from '../../../job/findings.ts';
import type { SizePlan } from '../../size/planSize.ts';
import { boxOf, type FacePlan, type LaidItem } from '../faces/items.ts';

/** Words, codes and things that a hole, slit or window of the card goes through, or comes nearer to than safe. */
export function cutSnags(face: FacePlan, size: SizePlan, unit: LengthUnit): readonly Snag[] {
  const back = invert(face.face.toBlank);
  return size.form.blank.cuts.flatMap((cut) => {
    const there = boxAround(cut.points.map((p) => apply(back, p)));
    const clear = grow(there, evenSides(size.safeMm));
    return face.items.flatMap((item): readonly Snag[] => {
      const box = inkOf(item);
      if (!box || !overlaps(box, clear)) return [];
      const below = { ...box, yMm: clear.yMm + clear.heightMm };
      const id = item.kind === 'text' ? item.block.id : item.object.id;
      return [
        {
          id: `art-cut-${cut.id}-${face.face.id}-${id}`,
          station: 'art',
          level: isOpening(cut) ? 'warn' : 'note',
          title: `The ${cut.name.toLowerCase()} ${overlaps(box, there) ? 'goes through' : 'comes close to'} ${nameOf(item)} on the ${face.face.name.toLowerCase()}`,
          why: `What is cut there takes a part of it away, or leaves it at a ragged edge; ${formatLength(size.safeMm, unit)} of clear card on every side keeps it whole.`,
          remedies: isInside(below, face.safe)
            ? [
                {
                  label: `Move it below the ${cut.name.toLowerCase()}`,
                  changes: [moveDown(face, item, below.yMm - box.yMm)],
                },
              ]
            : [],
        },
      ];
    });
  });
}

const inkOf = (item: LaidItem): Box | null => (item.kind === 'text' ? (item.set.ink ?? null) : boxOf(item.object));

const nameOf = (item: LaidItem): string =>
  item.kind === 'text' ? `“${item.block.text.split('\n')[0]!.slice(0, 28)}”` : `the ${item.object.kind}`;

function moveDown({ face, art }: FacePlan, item: LaidItem, byMm: number) {
  if (item.kind === 'text') {
    const index = art.texts.findIndex(({ id }) => id === item.block.id);
    return decide((job) => job.art.faces.at(face.id).texts.at(index).topMm, item.block.topMm + byMm);
  }
  const index = art.objects!.findIndex(({ id }) => id === item.object.id);
  return decide((job) => job.art.faces.at(face.id).objects.at(index).topMm, item.object.topMm + byMm);
}
