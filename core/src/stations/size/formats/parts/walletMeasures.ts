import type { FormatOptions } from '../../../../job/format.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import type { Finish, Paper } from '../types.ts';

/** Leaves between back and front where it is thickest: pocket and wing under what it holds, and the wing again. */
const LEAVES_WITHIN = 3;
/** Room for what is held besides its own thickness. Our starting value. */
const LOOSE_MM = 0.5;
/** The pocket is this much narrower than the back on each side. Our starting value. */
export const POCKET_IN_MM = 1;
/** The tab is this long where the flap has room for it. Our starting value. */
export const TAB_LONG_MM = 12;
/** The flap lies this many calipers above the front. */
export const OVER_LEAVES = 2;
/** A narrower wing has no room for glue. Our starting value. */
export const LEAST_WING_MM = 3;
/** A shorter flap holds nothing back. Our starting value. */
export const LEAST_FLAP_MM = 6;
/** What lies over what is held has this much room over it. Our starting value. */
const FLAP_AIR_MM = 0.3;
/** A shallower pocket holds nothing. Our starting value. */
export const LEAST_POCKET_MM = 8;
/** Of a slit beyond the tab that goes through it, where nothing is said. */
export const SLIT_OVER_MM = 1.5;

export const hasTab = ({ walletCloses }: Pick<FormatOptions, 'walletCloses'>): boolean => walletCloses === 'tab';
export const hasFlap = ({ walletCloses }: Pick<FormatOptions, 'walletCloses'>): boolean => walletCloses !== 'noFlap';

export const innerPanels = ({ walletPanels }: Pick<FormatOptions, 'walletPanels'>): number => walletPanels - 2;

/** Between back and front when it is shut: what it holds, the leaves round that, and a little air. */
export const spineOf = (options: Pick<FormatOptions, 'contentThickMm' | 'walletPanels'>, { caliperMm }: Paper): Mm =>
  options.contentThickMm + (LEAVES_WITHIN + innerPanels(options)) * caliperMm + LOOSE_MM;

export const slitOf = ({ tabMm, slitMm }: Pick<FormatOptions, 'tabMm' | 'slitMm'>): Mm =>
  slitMm ?? tabMm + SLIT_OVER_MM;

/** Its flap lies so far above its front: over its own leaves, and over what keeps it shut. */
export const overOf = (
  { walletCloses, flapRoomMm }: Pick<FormatOptions, 'walletCloses' | 'flapRoomMm'>,
  { caliperMm }: Paper,
) => OVER_LEAVES * caliperMm + (walletCloses === 'other' ? flapRoomMm : 0);

type TabOptions = Pick<
  FormatOptions,
  'closeMm' | 'contentThickMm' | 'walletCloses' | 'flapRoomMm' | 'walletPanels' | 'topFlapMm'
>;

export const hasTopFlap = ({ topFlapMm }: Pick<FormatOptions, 'topFlapMm'>): boolean => topFlapMm >= LEAST_FLAP_MM;
/** From the back to the flap over what is held. */
export const topStripOf = ({ contentThickMm }: Pick<FormatOptions, 'contentThickMm'>, { caliperMm }: Paper): Mm =>
  contentThickMm + OVER_LEAVES * caliperMm + FLAP_AIR_MM;

/** How deep the tab’s tip dips below the flap, and how far from its neck it then passes the front. */
export function dipOf(options: TabOptions, paper: Paper) {
  const long = tabLong(options);
  const over = overOf(options, paper);
  // Down through the front, and half-way to what lies next: a flap over what is held, or the pocket.
  const room = hasTopFlap(options)
    ? spineOf(options, paper) - topStripOf(options, paper)
    : options.contentThickMm + LOOSE_MM;
  const deep = over + room / 2;
  return { long, over, deg: (Math.atan2(deep, long) * 180) / Math.PI, passesMm: (long * over) / deep };
}
const tabLong = ({ closeMm }: Pick<FormatOptions, 'closeMm'>): Mm => Math.min(TAB_LONG_MM, closeMm / 2);

/** From the front’s free edge to its slit. */
export const slitInMm = (options: TabOptions, paper: Paper): Mm =>
  options.closeMm - tabLong(options) + dipOf(options, paper).passesMm;

/** Wings that glue holds by. */
export const wingOf = ({ wingMm }: Pick<FormatOptions, 'wingMm'>): Mm => (wingMm < LEAST_WING_MM ? 0 : wingMm);

/** Between the wings, where what it holds slides in. */
export const pocketInsideMm = ({ widthMm }: Finish, options: Pick<FormatOptions, 'wingMm'>): Mm =>
  widthMm - 2 * POCKET_IN_MM - 2 * wingOf(options);

/** As deep as it is, or nought where it is left out. */
export const pocketDeep = ({ pocketMm }: Pick<FormatOptions, 'pocketMm'>): Mm =>
  pocketMm < LEAST_POCKET_MM ? 0 : pocketMm;
