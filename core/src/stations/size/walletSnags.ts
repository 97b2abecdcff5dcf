import { formatLength } from '../../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
import { decide, decideEach } from '../../job/decide.ts';
import type { Remedy, Snag } from '../../job/findings.ts';
import type { FormatOptions } from '../../job/format.ts';
import { LIMITS } from '../../job/limits.ts';
import { HOLE_CLEAR_MM } from './formats/parts/roundHole.ts';
import { LEAST_POCKET_MM, pocketDeep, pocketInsideMm, slitInMm, slitOf } from './formats/parts/walletMeasures.ts';
import type { Finish } from './formats/types.ts';

/** Of a slit beyond its tab, at the least; less catches. Our starting value. */
const SLIT_EASE_MM = 1;
/** A slit keeps from every edge so many calipers, and never less than this, or the card tears there. Our starting values. */
const SLIT_CLEAR = { calipers: 20, leastMm: 5 } as const;
/** What slides into a pocket has this much room across besides its thickness on both sides. Our starting value. */
const SLIDES_MM = 1.5;
/** A pocket that covers less of what it holds lets it fall out. Our starting value. */
const HELD_SHARE = 0.4;

interface Wallet {
  readonly finish: Finish;
  readonly options: FormatOptions;
  /** The same before any was drawn in to its limits. */
  readonly asked: FormatOptions;
  readonly caliperMm: Mm;
  readonly unit: LengthUnit;
}

/** Up to a tenth of a millimetre: a remedy must be enough. */
const roundUp = (mm: Mm): Mm => Math.ceil(mm * 10 - 1e-9) / 10;
const roundDown = (mm: Mm): Mm => Math.floor(mm * 10 + 1e-9) / 10;

/** What of a wallet would tear, catch, or not take what it is for. */
export const walletSnags = (of: Wallet): readonly Snag[] => [
  ...(of.options.walletCloses === 'tab' ? [...tabSnags(of), ...slitSnags(of)] : []),
  ...heldSnags(of),
  ...holeSnags(of),
];

const stop = (id: string, title: string, why: string, remedies: readonly Remedy[]): Snag => ({
  ...{ id, station: 'size', level: 'stop', title, why, remedies },
});
const option = (part: Partial<FormatOptions>, label: string): Remedy => ({
  label,
  changes: decideEach((job) => job.size.options, part),
});

function tabSnags({ options, unit }: Wallet): readonly Snag[] {
  const slit = slitOf(options);
  if (slit >= options.tabMm + SLIT_EASE_MM - 1e-6) return [];
  return [
    stop(
      'size-wallet-tab',
      'The tab is longer than its slit',
      `A tab of ${formatLength(options.tabMm, unit)} wants a slit of ${formatLength(options.tabMm + SLIT_EASE_MM, unit)} and more; this one is ${formatLength(slit, unit)}.`,
      [option({ slitMm: null }, 'Let the slit follow the tab')],
    ),
  ];
}

function slitSnags({ finish: { widthMm, heightMm }, options, caliperMm, unit }: Wallet): readonly Snag[] {
  const clear = Math.max(SLIT_CLEAR.leastMm, SLIT_CLEAR.calipers * caliperMm);
  const inMm = slitInMm(options, { caliperMm });
  const ends = (heightMm - slitOf(options)) / 2;
  const nearest = Math.min(inMm, ends);
  if (nearest >= clear - 1e-6) return [];
  const shorter = roundDown(heightMm - 2 * clear - 2);
  const remedies =
    ends >= clear
      ? fartherOver(options.closeMm + 2 * (clear - inMm), widthMm)
      : shorter >= 8
        ? [option({ tabMm: shorter, slitMm: null }, `Make the tab ${formatLength(shorter, unit)}`)]
        : [];
  return [
    stop(
      'size-wallet-slit',
      'The slit is too near an edge',
      `It lies ${formatLength(Math.max(0, nearest), unit)} from it; this card wants ${formatLength(clear, unit)}, or it tears.`,
      remedies,
    ),
  ];
}

/** As far as a flap may come at all; a card too small for that wants a thinner stock. */
const fartherOver = (closeMm: Mm, widthMm: Mm): readonly Remedy[] =>
  closeMm <= widthMm * 0.7 ? [option({ closeMm: roundUp(closeMm) }, 'Bring the flap farther over the front')] : [];

function heldSnags({ finish, options, asked, unit }: Wallet): readonly Snag[] {
  const { contentWideMm: wide, contentHighMm: high, contentThickMm: thick, pocketMm } = options;
  if (pocketMm < LEAST_POCKET_MM) return [];
  const inside = pocketInsideMm(finish, options);
  const wants = wide + 2 * thick + SLIDES_MM;
  const snags: Snag[] = [];
  const say = (mm: Mm): string => formatLength(mm, unit);
  if (wide > 0 && inside < wants - 1e-6) {
    // On a wider one the wings and what it holds are as large as they were asked to be, not drawn in.
    const width = roundUp(finish.widthMm - pocketInsideMm(finish, asked) + wide + 2 * asked.contentThickMm + SLIDES_MM);
    snags.push(
      stop(
        'size-wallet-throat',
        'What it holds cannot pass between the wings',
        `${say(wide)} across wants ${say(wants)} to slide in; between the wings there is ${say(Math.max(0, inside))}.`,
        width <= LIMITS.size.finishedMm.most
          ? [{ label: `Make it ${say(width)} wide`, changes: [decide((job) => job.size.finishedWidthMm, width)] }]
          : [],
      ),
    );
  }
  if (high > finish.heightMm - SLIDES_MM) {
    const height = roundUp(high + SLIDES_MM);
    snags.push(
      stop(
        'size-wallet-high',
        'What it holds sticks out',
        `It is ${say(high)} high and the wallet ${say(finish.heightMm)}.`,
        height <= LIMITS.size.finishedMm.most
          ? [{ label: `Make it ${say(height)} high`, changes: [decide((job) => job.size.finishedHeightMm, height)] }]
          : [],
      ),
    );
  } else if (high > 0 && pocketMm < high * HELD_SHARE) {
    const deep = roundUp(high * 0.6);
    snags.push({
      ...stop(
        'size-wallet-shallow',
        'The pocket is too shallow to hold it',
        `It covers ${say(pocketMm)} of ${say(high)}: less than two fifths, and it falls out when the wallet is turned.`,
        [option({ pocketMm: deep }, `Make the pocket ${say(deep)} deep`)],
      ),
      level: 'warn',
    });
  }
  return snags;
}

function holeSnags({ finish: { heightMm }, options: { holePairs, holeMm, pocketMm }, unit }: Wallet): readonly Snag[] {
  if (holePairs === 0 || holeMm <= 0) return [];
  const room = heightMm - pocketDeep({ pocketMm });
  const apart = room / (holePairs + 1);
  // From the first hole to the top, and from the last to the pocket; between two there is as much, less one radius more.
  const left = Math.min(apart - holeMm / 2, apart - holeMm);
  if (left >= HOLE_CLEAR_MM - 1e-6) return [];
  const fewer = Math.max(0, Math.floor(room / (HOLE_CLEAR_MM + holeMm)) - 1);
  return [
    stop(
      'size-wallet-holes',
      'The holes are too near each other or an edge',
      `They want ${formatLength(HOLE_CLEAR_MM, unit)} of card round them; there is ${formatLength(Math.max(0, left), unit)}.`,
      [option({ holePairs: Math.min(fewer, holePairs - 1) }, fewer > 0 ? 'Make fewer holes' : 'Make no holes')],
    ),
  ];
}
