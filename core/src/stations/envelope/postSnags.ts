import { formatLength } from '../../ground/length/formatLength.ts';
import { fixed } from '../../ground/length/rounding.ts';
import type { Mm } from '../../ground/length/types.ts';
import { sayMoney } from '../../ground/money.ts';
import { changeJob } from '../../job/changeJob.ts';
import { decide, type JobChange } from '../../job/decide.ts';
import type { Remedy, Snag } from '../../job/findings.ts';
import { LIMITS } from '../../job/limits.ts';
import { stockOf } from '../../job/pick.ts';
import { sortedBy } from '../../job/sorted.ts';
import type { Job } from '../../job/types.ts';
import { layAdhesive } from '../../workshop/adhesives.ts';
import { adhesivesOf } from '../../workshop/putOn.ts';
import type { Workshop } from '../../workshop/types.ts';
import { shutCard } from '../size/shutCard.ts';
import { overBand, postSavings, type Packed, type Posted, type PostSaving } from './posted.ts';

/** Further off than this a saving is another card. Our starting values, mm and grams. */
const NEAR = { thickMm: 1.5, sideMm: 20, grams: 8 } as const;
/** Room beyond a band’s limit, so that a piece does not lie on it. */
const CLEAR = { mm: 0.1, grams: 0.2 } as const;

/** How the envelope goes with its card. */
interface Wrapped {
  /** It is made to the card, and smaller with a smaller one; one that was bought stays as it is. */
  readonly follows: boolean;
  readonly walls: boolean;
}

/** What a little less of one thing would save on every card, and that no band takes it. */
export function postSnags(
  job: Job,
  workshop: Workshop,
  { packed, posted, ...envelope }: { readonly packed: Packed; readonly posted: Posted | null } & Wrapped,
): readonly Snag[] {
  const { post, unit } = workshop;
  if (!post || post.bands.length === 0) return [];
  if (!posted) {
    const over = post.bands.map((band) => overBand(packed, band));
    const least = Math.min(...over.map(({ thickMm }) => thickMm));
    return [
      {
        id: 'envelope-post-none',
        station: 'envelope',
        level: 'note',
        title: 'No band of your tariff takes it',
        why: `${fixed(packed.grams, 1)} g, ${formatLength(packed.longMm, unit)} × ${formatLength(packed.shortMm, unit)}, ${formatLength(packed.thickMm, unit)} thick${least > 0 ? `: too thick for every one by ${formatLength(least, unit)} and more` : ''}. Ask your local post.`,
        remedies: [],
      },
    ];
  }
  return postSavings(packed, post)
    .filter(isNear)
    .slice(0, 2)
    .map((saving): Snag => {
      const saved = sayMoney(saving.savesMinor, workshop);
      return {
        id: `envelope-post-${saving.of}`,
        station: 'envelope',
        level: 'note',
        title: `${sayLess(saving, workshop)} would save ${saved} of post on each`,
        why: `It goes as ${posted.band.name} for ${sayMoney(posted.priceMinor, workshop)}. What counts, and how it is measured, differs: ask your local post.`,
        remedies: waysTo(saving, job, workshop, envelope),
      };
    });
}

function isNear({ of, by }: PostSaving): boolean {
  return by <= (of === 'grams' ? NEAR.grams : of === 'thickMm' ? NEAR.thickMm : NEAR.sideMm);
}

function sayLess({ of, by }: PostSaving, { unit }: Workshop): string {
  switch (of) {
    case 'grams':
      return `${fixed(by, 1)} g lighter`;
    case 'thickMm':
      return `${formatLength(by, unit)} thinner`;
    case 'longMm':
      return `${formatLength(by, unit)} shorter on the long side`;
    case 'shortMm':
      return `${formatLength(by, unit)} narrower`;
    case 'square':
      return `${formatLength(by, unit)} off one side, so that it is not square,`;
  }
}

/** Changes that bring it about: a smaller card, or one of another stock on the shelf; each measured before it is offered. */
function waysTo({ of, by }: PostSaving, job: Job, workshop: Workshop, { follows, walls }: Wrapped): readonly Remedy[] {
  const { unit } = workshop;
  const { finishedWidthMm: w, finishedHeightMm: h } = job.size;
  if (of === 'longMm' || of === 'shortMm' || of === 'square') {
    if (!follows) return [];
    const isWidth = w >= h === (of === 'longMm');
    const less = (isWidth ? w : h) - by - CLEAR.mm;
    const side: Mm = Math.floor(less * 10) / 10;
    if (side < LIMITS.size.finishedMm.least) return [];
    const change: JobChange = isWidth
      ? decide((at) => at.size.finishedWidthMm, side)
      : decide((at) => at.size.finishedHeightMm, side);
    return [{ label: `Make the card ${formatLength(side, unit)} ${isWidth ? 'wide' : 'high'}`, changes: [change] }];
  }
  const flatter = of === 'thickMm' && !walls ? flatterTrimmings(by, job, workshop) : [];
  const now = stockOf(job, workshop);
  // Walls are no lower than they can be folded, whatever is between them.
  if (now.readyCut || (walls && of === 'thickMm')) return flatter;
  const card = shutCard(job, workshop);
  const others = workshop.stocks.filter((one) => {
    if (one.readyCut || one.id === now.id || one.gsm >= now.gsm) return false;
    if (of === 'grams') {
      const { widthMm, heightMm } = card.form.blank;
      return ((now.gsm - one.gsm) * widthMm * heightMm) / 1e6 >= by + CLEAR.grams;
    }
    const other = shutCard(changeJob(job, [decide((at) => at.stock.stockId, one.id)]), workshop);
    return card.thicknessMm - other.thicknessMm >= by + CLEAR.mm;
  });
  const lighter = sortedBy(others, (one) => -one.gsm)
    .slice(0, 2)
    .map(({ id, name }) => ({ label: `Use ${name}`, changes: [decide((at) => at.stock.stockId, id)] }));
  return [...flatter, ...lighter];
}

/** What stands up, held by something thinner or left off, where that is enough. */
function flatterTrimmings(by: Mm, job: Job, workshop: Workshop): readonly Remedy[] {
  const { trimmings, thicknessMm } = shutCard(job, workshop);
  const enough = (changes: readonly JobChange[]): boolean =>
    thicknessMm - shutCard(changeJob(job, changes), workshop).thicknessMm >= by + CLEAR.mm;
  const [tallest] = [...trimmings.placed].sort((a, b) => b.standsMm - a.standsMm);
  if (!tallest) return [];
  const { trimming, adhesive, index, choice } = tallest;
  const name = trimming.name.toLowerCase();
  const thinner = adhesivesOf(workshop)
    .filter((other) => adhesive && other.thickMm < adhesive.thickMm && layAdhesive(other, trimming, trimming.grams).ok)
    .slice(0, 1)
    .map((other) => ({
      label: `Hold the ${name} with ${other.name}`,
      changes: [decide((at) => at.trimmings.at(index).adhesiveId, other.id)],
    }));
  const without = {
    label: `Leave the ${name} off`,
    changes: [
      decide(
        (at) => at.trimmings,
        job.trimmings!.filter(({ id }) => id !== choice.id),
      ),
    ],
  };
  return [...thinner, without].filter(({ changes }) => enough(changes));
}
