import { corners, isInside } from '../../../ground/geometry/box.ts';
import { contains, isUprightBox, type Polygon } from '../../../ground/geometry/polygon.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import { formatLength } from '../../../ground/length/formatLength.ts';
import { decide, decideEach, type JobPlace } from '../../../job/decide.ts';
import type { Snag } from '../../../job/findings.ts';
import type { Job, TextBlock } from '../../../job/types.ts';
import type { Workshop } from '../../../workshop/types.ts';
import type { FacePlan } from '../faces/items.ts';
import type { SetBlock } from '../words/setText.ts';
import { SMALLEST_PT } from '../words/smallestType.ts';
import { TYPEFACES } from '../words/typefaces.ts';

/** A box inside a shape: its corners are, and a box needs no more to be asked. */
const isWithin = (outline: Polygon, box: Box): boolean =>
  isUprightBox(outline) || corners(box).every((corner) => contains(outline, corner));

const faceIn = (job: JobPlace, face: FacePlan) => job.art.faces.at(face.face.id);

/** Words of a face that are too small, lack letters, or come too near to where they would be cut. */
export function textSnags(job: Job, { unit }: Workshop, face: FacePlan): readonly Snag[] {
  return face.art.texts.flatMap((block, i) => blockSnags(job, unit, face, block, face.blocks[i]!, i));
}

// eslint-disable-next-line max-lines-per-function -- one check after another, each a sentence of its own
function blockSnags(
  job: Job,
  unit: Workshop['unit'],
  face: FacePlan,
  block: TextBlock,
  set: SetBlock,
  index: number,
): readonly Snag[] {
  const snags: Snag[] = [];
  const place = (job: JobPlace) => faceIn(job, face).texts.at(index);
  const quote = `“${block.text.split('\n')[0]!.slice(0, 28)}”`;
  const where = `on the ${face.face.name.toLowerCase()}`;
  const snag = (id: string, level: Snag['level'], title: string, why: string, remedies: Snag['remedies']): void =>
    void snags.push({ id: `art-${id}-${face.face.id}-${block.id}`, station: 'art', level, title, why, remedies });
  const script = TYPEFACES.find((t) => t.id === block.typefaceId)?.mood === 'script';
  const smallest = script ? SMALLEST_PT.fine : SMALLEST_PT.plain;
  if (block.sizePt < smallest)
    snag(
      'small',
      'warn',
      `${quote} is ${block.sizePt} pt ${where}`,
      `${script ? 'A fine script' : 'Type'} under ${smallest} pt fills in or breaks up on a home printer.`,
      [{ label: `Set it at ${smallest} pt`, changes: [decide((job) => place(job).sizePt, smallest)] }],
    );
  if (set.missing.length > 0)
    snag(
      'missing',
      'stop',
      `${quote} has letters this typeface lacks ${where}`,
      `No letter for ${set.missing.join(' ')}: it would print as an empty box.`,
      [
        {
          label: 'Use Atkinson Hyperlegible Next',
          changes: [decide((job) => place(job).typefaceId, 'atkinson-hyperlegible-next-400')],
        },
      ],
    );
  if (set.ink && isInside(set.ink, face.safe) && !isWithin(face.safeOutline, set.ink))
    snag(
      'safe',
      'warn',
      `${quote} crosses safe ${where}`,
      'It fits the box of this face but not its shape: a corner of the words reaches past the safe inset.',
      block.sizePt > smallest
        ? [
            {
              label: `Set it at ${Math.max(smallest, Math.floor(block.sizePt * 0.85))} pt`,
              changes: [decide((job) => place(job).sizePt, Math.max(smallest, Math.floor(block.sizePt * 0.85)))],
            },
          ]
        : [],
    );
  else if (set.ink && !isInside(set.ink, face.safe)) {
    const safe = face.safe;
    const over = Math.max(
      safe.xMm - set.ink.xMm,
      safe.yMm - set.ink.yMm,
      set.ink.xMm + set.ink.widthMm - safe.xMm - safe.widthMm,
      set.ink.yMm + set.ink.heightMm - safe.yMm - safe.heightMm,
    );
    const fits = set.ink.widthMm <= safe.widthMm && set.ink.heightMm <= safe.heightMm;
    const scale = Math.min(safe.widthMm / set.ink.widthMm, safe.heightMm / set.ink.heightMm);
    const smaller = Math.floor(block.sizePt * scale * 2) / 2;
    const slide = (at: number, extent: number, from: number, room: number): number =>
      at < from ? from - at : at + extent > from + room ? from + room - at - extent : 0;
    snag(
      'safe',
      'warn',
      `${quote} crosses safe ${where}`,
      `It reaches ${formatLength(over, unit)} over the safe inset of ${formatLength(job.size.safeMm, unit)}; a cut that drifts could clip it.`,
      [
        ...(fits
          ? [
              {
                label: 'Move it inside safe',
                changes: decideEach(place, {
                  leftMm: block.leftMm + slide(set.ink.xMm, set.ink.widthMm, safe.xMm, safe.widthMm),
                  topMm: block.topMm + slide(set.ink.yMm, set.ink.heightMm, safe.yMm, safe.heightMm),
                }),
              },
            ]
          : []),
        ...(!fits && smaller >= smallest
          ? [
              {
                label: `Set it at ${smaller} pt across the safe width`,
                changes: decideEach(place, { sizePt: smaller, leftMm: safe.xMm, widthMm: safe.widthMm }),
              },
            ]
          : []),
      ],
    );
  } else if (set.tooWide.length > 0)
    snag(
      'wide',
      'note',
      `${quote} is wider than its block ${where}`,
      'A line with no space to break at sticks out of the width it was given.',
      [
        {
          label: 'Widen the block to the safe width',
          changes: decideEach(place, { leftMm: face.safe.xMm, widthMm: face.safe.widthMm }),
        },
      ],
    );
  return snags;
}
