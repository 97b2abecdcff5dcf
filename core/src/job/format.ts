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
  'hingedShape',
  'easel',
] as const;
export type FormatId = (typeof FORMAT_IDS)[number];

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
};
