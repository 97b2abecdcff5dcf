import type { Measurings } from './measuring/types.ts';
import type { Sides } from '../ground/geometry/types.ts';
import type { Gsm, LengthUnit, Micron, Mm } from '../ground/length/types.ts';
import type { Minor } from '../ground/money.ts';
import type { Colour } from '../ground/scene/types.ts';
import type { Papers } from './region.ts';
import type { WorkTimes } from './calendar.ts';
import type { Calibration } from './calibration/types.ts';
import type { BenchLog } from './learnt/types.ts';

export const GRADES = ['cover', 'text', 'bond', 'index', 'bristol', 'tag'] as const;
export type Grade = (typeof GRADES)[number];
export const COATINGS = ['uncoated', 'textured', 'matte', 'gloss', 'pearl'] as const;
export type Coating = (typeof COATINGS)[number];

export const READY_STATES = ['flat', 'scored', 'folded'] as const;
export const READY_FOLDS = ['none', 'side', 'top'] as const;

/** Cards that are bought cut to size: each is a sheet of its own, as large as it is opened. */
export interface ReadyCut {
  /** Where its fold goes: across, down, or nowhere. */
  readonly fold: (typeof READY_FOLDS)[number];
  /** From the front’s open edge to the line, where it does not lie half way; the shorter part is the front. */
  readonly frontMm?: Mm;
  /** Whether the line is pressed already, or the card even folded; of one without a fold this says nothing. */
  readonly state: (typeof READY_STATES)[number];
  /** The side that the groove is seen on, where it has one and somebody looked. */
  readonly groove?: 'outside' | 'inside';
  /** One for each card, in the same pack. */
  readonly envelope?: { readonly insideWidthMm: Mm; readonly insideHeightMm: Mm };
}

export interface Stock {
  readonly id: string;
  readonly name: string;
  readonly gsm: Gsm;
  readonly grade: Grade;
  readonly caliperMicron: Micron;
  readonly coating: Coating;
  /** The sheet's edge that the fibres run along. */
  readonly grain: 'long' | 'short';
  readonly colour: Colour;
  readonly colourName: string;
  readonly sheetWidthMm: Mm;
  readonly sheetHeightMm: Mm;
  /** What a sheet costs that is bought singly; not read where a pack’s price stands. */
  readonly sheetPriceMinor: Minor;
  /** As it is bought: so many sheets for so much. */
  readonly pack?: { readonly sheets: number; readonly priceMinor: Minor };
  /** Other packs that it is sold in. */
  readonly alsoSoldAs?: readonly { readonly sheets: number; readonly priceMinor: Minor }[];
  /** The stock whose sheets it was cut from. */
  readonly offcutOf?: string;
  readonly onShelf: number;
  /** Readings of it by its maker; older workshops say nothing, which is none. */
  readonly measured?: Measurings;
  /** Left out for sheets that cards are cut from. */
  readonly readyCut?: ReadyCut;
}

export const WHITE_WAYS = ['inPass', 'before', 'after'] as const;
/** With the colours in one pass, as an ink of the page; or as a pass of its own, before or after them. */
export type WhiteWay = (typeof WHITE_WAYS)[number];

export interface FeedPath {
  readonly id: string;
  readonly name: string;
  readonly heaviestGsm: Gsm;
  readonly thickestMicron: Micron;
  readonly widestMm: Mm;
  readonly longestMm: Mm;
  /** The smallest sheet that its rollers carry; any, where nothing is said. */
  readonly narrowestMm?: Mm;
  readonly shortestMm?: Mm;
  /** Whether the sheet is bent on its way. Nothing said is not known. */
  readonly bends?: boolean;
  /** How the side that is to be printed lies when it is fed. Nothing said is not known. */
  readonly printSide?: 'up' | 'down';
  readonly marginsMm: Sides;
  readonly printsBothSides: boolean;
  /** Without a border its driver enlarges every page by this share, to reach past the edges; with one, by nothing. */
  readonly enlargesBy?: number;
  /** How it lays white, on a printer that has it; in the same pass when nothing is said. */
  readonly white?: WhiteWay;
  /** Oldest first; what is corrected follows from the newest of the stock’s weight. */
  readonly calibrations?: readonly Calibration[];
}

export interface Printer {
  readonly id: string;
  readonly name: string;
  readonly ink: 'inkjet' | 'laser';
  /** Lays white under the colours; older workshops say nothing, which is no. */
  readonly printsWhite?: boolean;
  /** Most ink in one place by coating, 1 for one ink laid solid; the usual limits where nothing is said. */
  readonly inkLimits?: Readonly<Partial<Record<Coating, number>>>;
  readonly sidePriceMinor: Minor;
  readonly paths: readonly FeedPath[];
}

export const TRIMMER_KINDS = ['sliding', 'lever', 'knife', 'scissors', 'machine'] as const;
export type TrimmerKind = (typeof TRIMMER_KINDS)[number];

export interface MachineLine {
  readonly upToGsm: Gsm;
  readonly passes: number;
  /** Nothing said leaves it to the machine. */
  readonly force?: number;
}

/** A machine that cuts by itself, from a file, by marks that it finds on the print. */
export interface MachineFacts {
  /** Its eye and its rollers reach no nearer to the sheet’s edges than this. */
  readonly marginMm: Mm;
  /** On each side of a sheet as it is loaded, where they differ. */
  readonly marginsMm?: Sides;
  /** Whether it looks for the three marks of a printed sheet; one that does not cuts bare card alone. It does, unless said. */
  readonly findsMarks?: boolean;
  readonly widestMm: Mm;
  readonly speedMmPerS: number;
  /** Passes by weight, and the force to set, in the machine’s own units: the first line whose weight is not exceeded. */
  readonly passes: readonly MachineLine[];
}

export interface Trimmer {
  readonly id: string;
  readonly name: string;
  readonly kind: TrimmerKind;
  readonly longestCutMm: Mm;
  readonly thickestStackMm: Mm;
  /** The nearest to its blade that its fence or its clamp lets a strip be cut; any, where nothing is said. */
  readonly leastFenceMm?: Mm;
  /** How far its cuts stray from where they are set, one standard deviation; the kind’s own when left out. */
  readonly repeatabilityMm?: Mm;
  /** What only a cutting machine has. */
  readonly machine?: MachineFacts;
}

export interface Board {
  readonly id: string;
  readonly name: string;
  readonly grooveEveryMm: Mm;
  readonly longestMm: Mm;
}

/** What presses foil onto toner, hot. */
interface Heat {
  readonly id: string;
  readonly name: string;
  readonly widestMm: Mm;
  /** What goes through in one go, card and carrier together. */
  readonly thickestMm: Mm;
}
/** Hot rollers. */
export interface Laminator extends Heat {
  readonly kind: 'laminator';
}
/** A hot plate. */
export interface HeatPress extends Heat {
  readonly kind: 'press';
}
export type HeatTool = Laminator | HeatPress;

export interface Punch {
  readonly id: string;
  readonly name: string;
  readonly kind: 'punch';
  /** Across the holes that it makes, with every die that there is for it. */
  readonly holesMm: readonly Mm[];
  /** From the card’s edge to the middle of a hole, at most. */
  readonly reachMm: Mm;
  readonly thickestMm: Mm;
}

/** What is used beside printing, cutting and scoring. */
export type Tool = HeatTool | Punch;
export const TOOL_KINDS = ['laminator', 'press', 'punch'] as const satisfies readonly Tool['kind'][];
export type ToolKind = Tool['kind'];

export interface ShelfEnvelope {
  readonly id: string;
  readonly name: string;
  readonly insideWidthMm: Mm;
  readonly insideHeightMm: Mm;
  readonly colour: Colour;
  readonly priceMinor: Minor;
  readonly onShelf: number;
}

export const TRIMMING_KINDS = [
  'bow',
  'button',
  'gem',
  'brad',
  'photograph',
  'charm',
  'cutOut',
  'magnet',
  'sticker',
  'other',
] as const;
export type TrimmingKind = (typeof TRIMMING_KINDS)[number];

/** What is put on a card by hand, beside paper. */
export interface Trimming {
  readonly id: string;
  readonly name: string;
  readonly kind: TrimmingKind;
  /** As it is looked at, upright. */
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** How far it stands off what it lies on. */
  readonly thickMm: Mm;
  readonly grams: number;
  readonly colour: Colour;
  /** As it is bought: so many of them for so much. */
  readonly pack: { readonly pieces: number; readonly priceMinor: Minor };
  readonly onShelf: number;
}

export const ADHESIVE_KINDS = ['wet', 'strongTape', 'tape', 'foam', 'dots', 'spray', 'hot'] as const;
export type AdhesiveKind = (typeof ADHESIVE_KINDS)[number];

/** What holds pieces together. Figures of its own packet come before our starting values. */
export interface Adhesive {
  readonly id: string;
  readonly name: string;
  readonly kind: AdhesiveKind;
  /** Across a laid line, a tape, a dot or a pad; of what is sprayed it says nothing. */
  readonly widthMm: Mm;
  /** How far it holds apart what it joins. */
  readonly thickMm: Mm;
  /** What a square centimetre of it holds for good, in grams. */
  readonly bearsGramsPerCm2: number;
  /** How long a piece laid on it can still be moved; nought for what grabs at once. */
  readonly openMinutes: number;
  /** Until what it joins can be handled. */
  readonly dryMinutes: number;
  /** Kept off the edges of what is joined, so that nothing shows or comes out. */
  readonly offEdgeMm: Mm;
  /** As it is bought: grams of what is wet, sprayed or melted, metres of tape, pieces of pads and dots. */
  readonly pack: { readonly holds: number; readonly priceMinor: Minor };
}

/** The maker's own pace, minutes. */
export interface Pace {
  readonly setUp: number;
  readonly perPrintedSide: number;
  readonly perStroke: number;
  readonly perCreasePass: number;
  readonly perFold: number;
  readonly perEnvelopeMade: number;
  /** A trimming fixed in its place, or a ribbon tied; older workshops say nothing, which is our starting value. */
  readonly perPieceFixed?: number;
  readonly perCardPacked: number;
}

/** What pieces of a size, thickness and weight cost to post. */
export interface PostBand {
  readonly id: string;
  readonly name: string;
  readonly upToGrams: number;
  readonly upToLongMm: Mm;
  readonly upToShortMm: Mm;
  readonly upToThickMm: Mm;
  readonly priceMinor: Minor;
}

/** What a post may ask more for. */
export const POST_EXTRAS = ['square', 'stiff', 'lumpy', 'transparent'] as const;
export type PostExtra = (typeof POST_EXTRAS)[number];

/** As the maker typed it in from their own post. */
export interface Tariff {
  readonly bands: readonly PostBand[];
  /** Nothing said costs nothing more. */
  readonly extras: Readonly<Partial<Record<PostExtra, Minor>>>;
}

/** What the maker owns and how they work. */
export interface Workshop {
  readonly studioName: string;
  /** ISO 4217. */
  readonly currency: string;
  /** ISO 3166 alpha-2: where the studio is, for how money and days are written; the United Kingdom when left out. */
  readonly region?: string;
  readonly unit: LengthUnit;
  /** Whose sheets and weights it buys; those of its region when left out. */
  readonly papers?: Papers;
  readonly hourlyMinor: Minor;
  readonly pace: Pace;
  /** When work is done, and by how many; older workshops say nothing, which is our starting value. */
  readonly times?: WorkTimes;
  readonly stocks: readonly Stock[];
  readonly printers: readonly Printer[];
  readonly trimmers: readonly Trimmer[];
  readonly boards: readonly Board[];
  /** For heat and for holes; may be none. */
  readonly tools: readonly Tool[];
  readonly envelopes: readonly ShelfEnvelope[];
  /** What is put on cards; may be none. */
  readonly trimmings: readonly Trimming[];
  /** What holds them, layers and seams; may be none. */
  readonly adhesives: readonly Adhesive[];
  /** Of the local post; none is known when left out. */
  readonly post?: Tariff;
  /** Offcuts narrower than this are not kept; the usual limit when left out. */
  readonly keepOffcutMm?: Mm;
  /** What all runs so far have told. */
  readonly spoilLog: BenchLog;
}
