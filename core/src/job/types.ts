import type { OrnamentId } from './ornaments.ts';
import type { Mm } from '../ground/length/types.ts';
import type { Sides } from '../ground/geometry/types.ts';
import type { Minor } from '../ground/money.ts';
import type { Colour } from '../ground/scene/types.ts';
import type { BoughtFlapShape, EnvelopeStyleId } from './envelopeStyles.ts';
import type { LayerKind, Wrap } from './layerKinds.ts';
import type { PopUp } from './popUps.ts';
import type { WindowShape } from './windowShapes.ts';
import type { FormatId, FormatOptions } from './format.ts';
import type { Bead, Pressure } from '../workshop/measuring/types.ts';

export type EnvelopeOnHand =
  | { readonly kind: 'none' }
  | { readonly kind: 'shelf'; readonly envelopeId: string }
  | { readonly kind: 'typed'; readonly insideWidthMm: Mm; readonly insideHeightMm: Mm };

export interface Brief {
  readonly title: string;
  readonly purpose: 'give' | 'sell';
  readonly wanted: number;
  /** ISO 8601 day, or null for no date. */
  readonly dueDate: string | null;
  readonly envelope: EnvelopeOnHand;
  readonly notes: string;
}

/** Metal leaf that is pressed onto black toner by heat. */
export interface Foil {
  readonly name: string;
  /** As it is shown. */
  readonly colour: Colour;
}

/** Paper laid on a panel with an even reveal all round, or folded leaves laid in the fold. */
export interface LayerChoice {
  readonly id: string;
  readonly kind: LayerKind;
  /** Faces that carry it; what lies in the fold, goes round the card or hangs on it names none. */
  readonly faces: readonly string[];
  /** Shown of what lies beneath, on every side; each further layer steps in by as much again. */
  readonly revealMm: Mm;
  /** One stock for each layer, the lowest first. */
  readonly stockIds: readonly string[];
  /** Printed on the topmost of them before it is cut; bare stock when nothing is said. */
  readonly picture?: PicturePlacement | null;
  /** Printed behind that on a pop-up’s part that is seen from behind as well; bare when nothing is said. */
  readonly backPicture?: PicturePlacement | null;
  /** What prints that; what is nearest to the card’s own path and takes the stock when nothing is said. */
  readonly feed?: { readonly printerId: string; readonly pathId: string } | null;
  /** The dark parts of that picture shine, and nothing else of it is printed. */
  readonly foil?: Foil | null;
  /** What holds it; older jobs say nothing, which is whatever glue is at hand. */
  readonly adhesiveId?: string | null;
  /** What is asked of a tag, a band or a sleeve; the usual where nothing is said. */
  readonly wrap?: Partial<Wrap>;
  /** What is asked of a lid; the usual where nothing is said. */
  readonly lid?: Partial<LidChoice>;
  /** What is asked of a pop-up; a box step, and the usual, where nothing is said. */
  readonly popUp?: Partial<PopUp>;
}

/** An edge of a face as it is read. */
export const LID_HINGES = ['left', 'right', 'top', 'foot'] as const;
export type LidHinge = (typeof LID_HINGES)[number];

/** A lid in a rim that is glued down. */
export interface LidChoice {
  /** From the layer’s edge to the lid. */
  readonly rimMm: Mm;
  readonly hinge: LidHinge;
}

/** One thing from the shelf on a face of the card. */
export interface TrimmingChoice {
  readonly id: string;
  readonly trimmingId: string;
  readonly faceId: string;
  /** Its middle, from the face’s top left. */
  readonly xMm: Mm;
  readonly yMm: Mm;
  /** Clockwise; not at all when nothing is said. */
  readonly turnDeg?: number;
  /** Null for what holds by itself, as a brad does. */
  readonly adhesiveId: string | null;
}

/** A ribbon that is tied round the shut card, or through its holes. */
export interface RibbonChoice {
  readonly name: string;
  readonly colour: Colour;
  readonly widthMm: Mm;
  /** Through the card’s own holes, or round it: from side to side, from head to foot, both. */
  readonly way: 'holes' | 'across' | 'down' | 'both';
  /** Tied in a bow; a knot with two tails where not. */
  readonly bow: boolean;
  /** From the knot to the end of one loop. */
  readonly loopMm: Mm;
  readonly tailMm: Mm;
  /** As it is bought. */
  readonly roll: { readonly metres: number; readonly priceMinor: Minor };
}

export interface SizeChoice {
  readonly format: FormatId;
  /** What the format asks beside its size; those of other formats wait until they are wanted again. */
  readonly options: Partial<FormatOptions>;
  readonly layers: readonly LayerChoice[];
  /** What the format’s own seams are glued with; older jobs say nothing, which is whatever glue is at hand. */
  readonly adhesiveId?: string | null;
  /** Of what it holds; nought when nothing is said. */
  readonly contentGrams?: number;
  /** The folded card as the reader holds it. */
  readonly finishedWidthMm: Mm;
  readonly finishedHeightMm: Mm;
  readonly bleedMm: Mm;
  readonly safeMm: Mm;
  /** No ink comes nearer than this to an edge of the open card, and then nothing bleeds; older jobs say nothing, which is none. */
  readonly bareEdgeMm?: Mm;
}

/** A stored picture; vector pictures have no pixels to run out of. */
export interface PictureRef {
  readonly name: string;
  readonly sha256: string;
  readonly mime: 'image/png' | 'image/jpeg' | 'image/svg+xml';
  readonly widthPx: number;
  readonly heightPx: number;
  /** Four inks together in the heaviest hundredth of it, 1 for one ink laid solid; older jobs do not know. */
  readonly inkTotal?: number;
  /** As wide as the page it was taken from has it, in true size; pictures with no size of their own do not say. */
  readonly pageWidthMm?: Mm;
}

/** A typeface that the maker brought as a file, which is kept by what is in it. */
export interface OwnTypeface {
  readonly name: string;
  readonly sha256: string;
}

/** How a picture lies on a face or in a frame; its shape is never changed. */
export interface PicturePlacement {
  readonly pictureId: string;
  /** It covers its face and bleed, or its frame; or all of it is seen, on a face inside safe. Left out, it fills. */
  readonly fit?: 'fill' | 'whole';
  /** 1 just fills, or is just whole. */
  readonly zoom: number;
  /** Which part shows, 0 to 1: left or top edge to right or bottom edge. */
  readonly focusX: number;
  readonly focusY: number;
  /** 0 full strength, 1 gone. */
  readonly fade: number;
  readonly grey: boolean;
  /** Dark parts of the picture in this colour, light ones left light; grey is the same with black. */
  readonly tint?: Colour | null;
  /** Quarter turns clockwise. */
  readonly quarterTurns?: number;
  /** Faces of the same side that this picture runs on over, folds and all; they show it instead of their own. */
  readonly across?: readonly string[];
}

/** Where a thing lies on a face, and whether it is kept there. */
export interface ArtPlace {
  readonly id: string;
  readonly leftMm: Mm;
  readonly topMm: Mm;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly locked?: boolean;
  /** Stands for the maker: small, low and centred on the back. */
  readonly makersMark?: boolean;
}

/** A picture in a frame of its own; it fills the frame without being squashed. */
export interface PictureObject extends ArtPlace {
  readonly kind: 'picture';
  readonly picture: PicturePlacement;
}

export type CodeContent =
  | { readonly kind: 'link'; readonly url: string }
  | { readonly kind: 'text'; readonly text: string }
  | {
      readonly kind: 'wifi';
      readonly network: string;
      readonly password: string;
      readonly security: 'WPA' | 'WEP' | 'none';
    }
  | {
      readonly kind: 'contact';
      /** As it is read. */
      readonly name: string;
      /** Its parts, where they were given: telephones sort by the last. */
      readonly given?: string;
      readonly family?: string;
      readonly firm: string;
      readonly phone: string;
      readonly email: string;
      readonly url: string;
    };

/** A square code; its quiet zone is part of the square. */
export interface CodeObject extends ArtPlace {
  readonly kind: 'code';
  readonly content: CodeContent;
  readonly colour: Colour;
  /** What lies beneath it; null shows whatever is there. */
  readonly ground: Colour | null;
}

/** A line as long as its box, along the longer side of it. */
export interface RuleObject extends ArtPlace {
  readonly kind: 'rule';
  readonly colour: Colour;
  readonly weightPt: number;
}

export interface OrnamentObject extends ArtPlace {
  readonly kind: 'ornament';
  readonly ornament: OrnamentId;
  readonly colour: Colour;
}

export type ArtObject = PictureObject | CodeObject | RuleObject | OrnamentObject;

/** A band all round, inside the trim by the inset; without one it begins at the trim and is grown into the bleed. */
export interface Border {
  readonly widthMm: Mm;
  readonly insetMm: Mm;
  readonly colour: Colour;
}

/** From one colour to another; 0° runs down, 90° to the left. */
export interface Gradient {
  readonly from: Colour;
  readonly to: Colour;
  readonly angleDeg: number;
}

/** A small picture again and again. */
export interface RepeatPattern {
  readonly pictureId: string;
  readonly tileMm: Mm;
  /** Every other row half a tile on. */
  readonly brick: boolean;
  readonly fade: number;
}

export interface TextBlock {
  readonly id: string;
  readonly text: string;
  readonly typefaceId: string;
  readonly sizePt: number;
  readonly align: 'left' | 'centre' | 'right';
  /** Baseline to baseline, in type sizes. */
  readonly lineSpacing: number;
  readonly colour: Colour;
  /** Top left of the block from the face's top left; the block is as tall as its lines. */
  readonly leftMm: Mm;
  readonly topMm: Mm;
  readonly widthMm: Mm;
  /** Added between letters, in type sizes. */
  readonly letterSpacingEm?: number;
  readonly smallCaps?: boolean;
  /** Sets 1/2, 3/8 and the like as fractions. */
  readonly fractions?: boolean;
  /** No line breaks by itself, and the size follows the block’s width: smaller where need be, or always. */
  readonly fit?: 'none' | 'shrink' | 'fill';
  /** Typed lines, counted from nought, that stand out: larger, in a typeface that goes with the other. */
  readonly emphasis?: { readonly lines: readonly number[]; readonly scale: number; readonly typefaceId: string };
  /** The first baseline runs round a circle of this radius, bent up in the middle; below nought, down. */
  readonly arcMm?: Mm | null;
  /** Kept where it is until it is let go. */
  readonly locked?: boolean;
  /** Stands for the maker: small, low and centred on the back. */
  readonly makersMark?: boolean;
  /** A line of which the list has no word for a card is left out there, and what follows moves up. */
  readonly closesUp?: boolean;
}

export interface FaceArt {
  /** Null leaves the stock bare. */
  readonly background: Colour | null;
  readonly picture: PicturePlacement | null;
  readonly texts: readonly TextBlock[];
  /** Over the flat colour, under the picture. */
  readonly gradient?: Gradient | null;
  readonly pattern?: RepeatPattern | null;
  readonly border?: Border | null;
  readonly objects?: readonly ArtObject[];
  /** Ids of words and objects from back to front; what is not named lies before, objects first. */
  readonly order?: readonly string[];
}

/** A list with headings; every row has a cell for every column. */
export interface NamesList {
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** How many cards it has decides how many are made; older lists say nothing, which is that. */
  readonly decides?: boolean;
  /** Rows, from nought, whose names spare cards repeat in turn; none leaves spares bare. */
  readonly repeat?: readonly number[];
}

export interface StockChoice {
  readonly stockId: string;
  readonly printerId: string;
  readonly pathId: string;
}

export interface SheetChoice {
  /** Null prints on the stock's own sheet; a size means it is cut down first. */
  readonly cutDown: { readonly widthMm: Mm; readonly heightMm: Mm } | null;
  /** Whether fibres must run along the folds, should where it costs no card, or may run either way. */
  readonly grain: 'respect' | 'prefer' | 'ignore';
  readonly flipEdge: 'long' | 'short';
  /** Null lets the spoil log decide. */
  readonly spares: number | null;
  readonly marks: boolean;
  /** Both faces on one plate, printed twice, for flat pieces; older jobs say nothing, which is sheetwise. */
  readonly working?: 'sheetwise' | 'workAndTurn';
  /** Neighbours of one flat colour need one bleed between them, not two; older jobs say nothing, which is two. */
  readonly sharedBleed?: boolean;
}

export interface CutChoice {
  readonly trimmerId: string;
  /** Which comes first; left to the plan, a board means cut first. Older jobs say nothing, which is the same. */
  readonly order?: 'byTools' | 'cutFirst' | 'scoreFirst';
}

export interface CreaseChoice {
  readonly boardId: string;
  readonly pressure: 'byCoating' | Pressure;
  readonly bead: Bead;
  /** The share of folds that may crack; a tenth where nothing is said. */
  readonly cracksUpTo?: number;
}

/** An opening in the front of an envelope, as who reads the front sees it. */
export interface WindowChoice {
  readonly leftMm: Mm;
  readonly topMm: Mm;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** Radius of a box’s corners. */
  readonly cornerMm: Mm;
  /** As it is seen from outside; older jobs say nothing, which is a box. */
  readonly shape?: WindowShape;
  /** SVG path data of a shape of one’s own; its own size does not matter. */
  readonly path?: string;
}

/** A sheet that lines the front and the flap. */
export interface LinerChoice {
  readonly stockId: string;
  /** From the front’s edges. */
  readonly insetMm: Mm;
}

/** The flap of an envelope that is bought, as a ruler finds it. */
export interface BoughtFlap {
  readonly shape: BoughtFlapShape;
  /** From its fold to its tip; null where nobody has measured it, which is as most are. */
  readonly depthMm: Mm | null;
  /** Which side of the envelope it closes. */
  readonly opens: 'long' | 'short';
}

/** What cannot be told from the piece itself about how it is posted. */
export interface PostChoice {
  /** The maker pays for it, so that it is part of what a card costs. */
  readonly paid: boolean;
  /** It does not bend as the post wants letters to. */
  readonly stiff?: boolean;
  /** Uneven, so that machines cannot sort it. */
  readonly lumpy?: boolean;
}

export interface EnvelopeChoice {
  readonly make: boolean;
  /** Older jobs say nothing, which is a side seam. */
  readonly style?: EnvelopeStyleId;
  readonly stockId: string;
  readonly easeMm: Mm;
  readonly seamMm: Mm;
  /** Null follows the height. */
  readonly flapMm: Mm | null;
  /** How far the back stops short of the opening; older jobs say nothing, which is a centimetre. */
  readonly throatMm?: Mm;
  /** Radius of the free corners; older jobs say nothing, which is none. */
  readonly cornerMm?: Mm;
  /** An outline of one’s own, as SVG path data. */
  readonly path?: string;
  readonly window?: WindowChoice | null;
  readonly liner?: LinerChoice | null;
  /** Of one that is bought; older jobs say nothing, which is a leaning one on the long side. */
  readonly boughtFlap?: BoughtFlap;
  /** Older jobs say nothing, which is that nobody pays for post here. */
  readonly post?: PostChoice;
  /** What its seams are glued with; older jobs say nothing, which is whatever glue is at hand. */
  readonly adhesiveId?: string | null;
  /** Before it is cut and folded, or on the ready envelope, one a page; older jobs say nothing, which is before. */
  readonly printOn?: 'blank' | 'envelope';
  /** How far clockwise a ready envelope is turned to be fed; older jobs say nothing, which is not. */
  readonly feedTurn?: 0 | 90 | 270;
  /** What an address keeps off the edges of the front, for stamps and for what the post prints there. */
  readonly clearMm?: Sides;
}

export interface MakeChoice {
  /** Minutes to let ink dry before handling. */
  readonly dryMinutes: number;
  /** One sheet is printed and looked at before the run; older jobs say nothing, which is no. */
  readonly testPrint?: boolean;
  /** ISO 8601 day before which the work is not begun; older jobs say nothing, which is none. */
  readonly beginOn?: string | null;
}

export interface Extra {
  readonly name: string;
  readonly perCardMinor: Minor;
}

export interface SellChoice {
  readonly extras: readonly Extra[];
  readonly singlePriceMinor: Minor | null;
  readonly packOf: number;
  readonly packPriceMinor: Minor | null;
  /** Share of the price left after cost that a suggested price aims for. */
  readonly wantedMargin: number;
}

/** Everything the maker decided, and nothing that can be derived from it. */
export interface Job {
  readonly format: 'zippy-crease-job';
  readonly version: 1;
  readonly brief: Brief;
  readonly size: SizeChoice;
  readonly pictures: Readonly<Record<string, PictureRef>>;
  /** Those of the maker’s own that words are set in, by names that begin with `own-`; older jobs have none. */
  readonly typefaces?: Readonly<Record<string, OwnTypeface>>;
  readonly art: { readonly faces: Readonly<Record<string, FaceArt>> };
  /** Words in braces on a face are taken from here, one row a card; older jobs have no list. */
  readonly names?: NamesList | null;
  /** What is put on its faces by hand; older jobs have none. */
  readonly trimmings?: readonly TrimmingChoice[];
  /** Older jobs say nothing, which is none. */
  readonly ribbon?: RibbonChoice | null;
  readonly stock: StockChoice;
  readonly sheet: SheetChoice;
  readonly cut: CutChoice;
  readonly crease: CreaseChoice;
  readonly envelope: EnvelopeChoice;
  readonly make: MakeChoice;
  readonly sell: SellChoice;
}
