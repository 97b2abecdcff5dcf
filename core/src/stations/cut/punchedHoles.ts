import type { BlankCut, FlatBlank } from '../../ground/fold/types.ts';
import { boxAround } from '../../ground/geometry/box.ts';
import { distanceToEdge } from '../../ground/geometry/polygon.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import { MICRON_PER_MM, type Mm } from '../../ground/length/types.ts';
import { decide } from '../../job/decide.ts';
import { plural } from '../../job/figures.ts';
import type { Job } from '../../job/types.ts';
import type { Remedy, Snag } from '../../job/findings.ts';
import { isOf } from '../size/formats/index.ts';
import { punchesOf, punchFor } from '../../workshop/tools.ts';
import type { Stock, Workshop } from '../../workshop/types.ts';

/** A round hole: how wide it is, and from its middle to the nearest edge of the card. */
export function holeOf(cut: BlankCut, { outline }: FlatBlank): { readonly acrossMm: Mm; readonly fromEdgeMm: Mm } {
  const { xMm, yMm, widthMm, heightMm } = boxAround(cut.points);
  const middle = { xMm: xMm + widthMm / 2, yMm: yMm + heightMm / 2 };
  const away = outline.map((from, i) => distanceToEdge(middle, [from, outline[(i + 1) % outline.length]!]));
  return { acrossMm: widthMm, fromEdgeMm: Math.min(...away) };
}

/** How a hole is punched with what is on the bench; null where nothing there makes it. */
export function sayPunched(
  cut: BlankCut,
  blank: FlatBlank,
  { caliperMicron }: Stock,
  workshop: Workshop,
): string | null {
  const hole = holeOf(cut, blank);
  const punch = punchFor(workshop, { ...hole, caliperMicron });
  if (!punch) return null;
  const atOnce = Math.max(1, Math.floor((punch.thickestMm * MICRON_PER_MM) / caliperMicron));
  const { unit } = workshop;
  return `With ${punch.name}, ${formatLength(hole.acrossMm, unit)} across, its middle ${formatLength(hole.fromEdgeMm, unit)} from the edge, by the template; ${atOnce === 1 ? 'one card' : `up to ${atOnce} ${plural(atOnce, 'card')}`} at a time.`;
}

/** Holes that no punch on the bench makes, though there is one; of one size the one that is farthest in speaks for all. */
export function punchSnags(job: Job, workshop: Workshop, blank: FlatBlank, { caliperMicron }: Stock): readonly Snag[] {
  const punches = punchesOf(workshop);
  if (punches.length === 0) return [];
  const { unit } = workshop;
  const missed = blank.cuts
    .filter(({ kind, byHand }) => kind === 'hole' && byHand.tool === 'punch')
    .map((cut) => ({ cut, hole: holeOf(cut, blank) }))
    .filter(({ hole }) => !punchFor(workshop, { ...hole, caliperMicron }))
    .sort((a, b) => b.hole.fromEdgeMm - a.hole.fromEdgeMm);
  const sizesOf = ({ hole }: (typeof missed)[number]): number => Math.round(hole.acrossMm * 100);
  const farthest = missed.filter((one, i) => missed.findIndex((other) => sizesOf(other) === sizesOf(one)) === i);
  return farthest.flatMap(({ cut, hole }): readonly Snag[] => {
    const sizes = [...new Set(punches.flatMap(({ holesMm }) => holesMm))].sort(
      (a, b) => Math.abs(a - hole.acrossMm) - Math.abs(b - hole.acrossMm) || a - b,
    );
    // The hole keeps its distance from the edge, so its middle moves with its width.
    const remedies = sizes
      .filter((acrossMm) =>
        punchFor(workshop, {
          ...{ acrossMm, caliperMicron },
          fromEdgeMm: hole.fromEdgeMm + (acrossMm - hole.acrossMm) / 2,
        }),
      )
      .slice(0, 2)
      .map((acrossMm): Remedy => ({
        label: `Make it ${formatLength(acrossMm, unit)} across`,
        changes: [decide((job) => job.size.options.holeMm, acrossMm)],
      }));
    return [
      {
        ...{ id: `cut-no-punch-${cut.id}`, station: 'cut', level: 'warn' },
        title: `No punch on the bench makes a hole of ${formatLength(hole.acrossMm, unit)}`,
        why: `In card of ${caliperMicron} µm, ${formatLength(hole.fromEdgeMm, unit)} in from the edge. Yours make ${sizes.map((mm) => formatLength(mm, unit)).join(', ')}; a hollow punch and a mallet on a cutting mat make any.`,
        remedies: isOf(job.size.format, 'holeMm') ? remedies : [],
      },
    ];
  });
}
