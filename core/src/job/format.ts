import type { Mm } from '../ground/length/types.ts';

/** Names of the ways of folding, as job files write them; what each is stands in a file of its own at Size. */
export const FORMAT_IDS = [
  'flat',
  'sideFold',
  'tentFold',
  'placeCard',
  'quarterFold',
  'gateFold',
  'doubleGate',
  'zGate',
  'rollFold',
  'zigzag',
  'cascade',
  'spineFold',
  'gusset',
  'wallet',
  'bag',
  'footBag',
  'box',
  'hingedShape',
  'easel',
] as const;
export type FormatId = (typeof FORMAT_IDS)[number];

/** What keeps a wallet shut: a tab in a slit; a band, a magnet, a sticker or a ribbon on its flap; or it has no flap. */
export const WALLET_CLOSES = ['tab', 'other', 'noFlap'] as const;
export type WalletCloses = (typeof WALLET_CLOSES)[number];

export const SHAPE_IDS = ['oval', 'arch', 'scallop', 'heart', 'roundedSquare', 'own'] as const;
export type ShapeId = (typeof SHAPE_IDS)[number];

/** What a format may ask for beside its finished size. Null lets the application work it out. */
export interface FormatOptions {
  /** Panels of a roll, zigzag or cascade. */
  readonly panels: number;
  /** Left open between two doors. */
  readonly gapMm: Mm;
  /** The door that shuts over the front, where the other shuts behind. */
  readonly doorMm: Mm | null;
  /** Across a hole at the top, to hang a flat piece by; nought for none. */
  readonly holeMm: Mm;
  /** The front ends this much before the back. */
  readonly shortFrontMm: Mm;
  /** Taken off a panel for every wrap it lies inside. */
  readonly shortenMm: Mm | null;
  /** Between the two creases of a spine, or the two outer ones of a gusset. */
  readonly spineMm: Mm;
  /** The lowest edge of a cascade’s slope. */
  readonly frontHeightMm: Mm | null;
  readonly shape: ShapeId;
  /** SVG path data of one closed figure; its own size does not matter. */
  readonly path: string;
  readonly hinge: 'left' | 'top';
  /** How far into the shape the straight hinge is set. */
  readonly hingeInsetMm: Mm | null;
  /** Two creases a little apart, for a lid that opens above a fixed back. */
  readonly lid: boolean;
  readonly legWidthMm: Mm | null;
  /** How far back an easel leans from upright. */
  readonly leanDeg: number;
  /** Of what a wallet holds, as it lies in the pocket; nought where nothing is said. */
  readonly contentWideMm: Mm;
  readonly contentHighMm: Mm;
  readonly contentThickMm: Mm;
  /** Of a wallet’s pocket from its foot; nought for none. */
  readonly pocketMm: Mm;
  /** What a pocket is glued by, on each side; too narrow for glue, and it is a loose flap. */
  readonly wingMm: Mm;
  /** Of a wallet: back, front, and what rolls in behind the front. */
  readonly walletPanels: number;
  /** From the back’s upper edge down over what the wallet holds; nought for none. */
  readonly topFlapMm: Mm;
  readonly walletCloses: WalletCloses;
  /** Under a wallet’s flap, for what keeps it shut. */
  readonly flapRoomMm: Mm;
  /** How far a wallet’s flap comes over its front, tab and all. */
  readonly closeMm: Mm;
  readonly tabMm: Mm;
  /** Of the slit that the tab goes through. */
  readonly slitMm: Mm | null;
  /** Of holes for a ribbon, one in the back and one in the front. */
  readonly holePairs: number;
  /** Of a bag or a pouch from front to back, when it is open. */
  readonly bagDeepMm: Mm;
  /** A foot that is tucked in when it is opened. */
  readonly bagFoot: boolean;
  /** How far the middle of its top stands above its sides. */
  readonly topRiseMm: Mm;
  /** Across the hole that it is carried by. */
  readonly handleMm: Mm;
}
export type OptionId = keyof FormatOptions;

/** Where every option starts; each stands here and nowhere else. */
export const OPTION_DEFAULTS: FormatOptions = {
  panels: 4,
  gapMm: 0,
  doorMm: null,
  holeMm: 0,
  shortFrontMm: 0,
  shortenMm: null,
  spineMm: 8,
  frontHeightMm: null,
  shape: 'oval',
  path: '',
  hinge: 'left',
  hingeInsetMm: null,
  lid: false,
  legWidthMm: null,
  leanDeg: 18,
  // A card of the size ID-1. Source: ISO/IEC 7810.
  ...{ contentWideMm: 85.6, contentHighMm: 53.98, contentThickMm: 0.76 },
  pocketMm: 40,
  wingMm: 12,
  closeMm: 45,
  tabMm: 20,
  slitMm: null,
  holePairs: 0,
  ...{ walletPanels: 2, topFlapMm: 0, walletCloses: 'tab', flapRoomMm: 0 },
  ...{ bagDeepMm: 30, bagFoot: true, topRiseMm: 0, handleMm: 0 },
};
