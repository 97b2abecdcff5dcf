import type { Deg, Mm } from '../../../ground/length/types.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Vec3 } from '../../../ground/fold/space.ts';

/** A panel that stands, as a plate: x across it, y up its slope from the lowest of it. */
export interface StandingPlate {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** From upright; above nought its outside faces down, and its weight bows it outwards. */
  readonly leanDeg: Deg;
  /** Edges that a table or a fold keeps from moving out of its plane. */
  readonly held: {
    readonly foot: boolean;
    readonly left: boolean;
    readonly right: boolean;
    /** A fold that runs level, so far up its slope; null where there is none. */
    readonly atMm: Mm | null;
  };
  /** Bending rigidity for each metre of width, newton metres: of strips that run up it, and across it. */
  readonly rigidityUpNm: number;
  readonly rigidityAcrossNm: number;
  /** Its own weight, newtons for each square metre. */
  readonly weightNm2: number;
  /** What it carries besides, newtons, and how far up its slope each hangs. */
  readonly carries: readonly { readonly newtons: number; readonly atMm: Mm }[];
}

/** Offsets out of a plate’s plane, mm, at even steps: rows from the foot up, each from left to right. */
export type Bow = readonly (readonly Mm[])[];

export interface PlateStands {
  /** What it carries, its own weight with it, could be this many times as much before it buckles. */
  readonly margin: number;
  readonly bow: Bow;
  /** The farthest that any of it is from its plane. */
  readonly bowMm: Mm;
}

export interface StandingPanel extends PlateStands {
  readonly panelId: string;
  readonly name: string;
  /** Where x and y of its plate lie on the blank, from its lowest left corner, each of length 1. */
  readonly corner: Point;
  readonly across: Point;
  readonly up: Point;
  readonly plate: StandingPlate;
}

/** A folded card on a table. */
export interface StandingCard {
  /** Those that stand up and are held; what only lies is left out. */
  readonly panels: readonly StandingPanel[];
  /** How much larger it could be every way before the weakest of them buckles; null where none stands. */
  readonly score: number | null;
  readonly weakest: StandingPanel | null;
  /** What bows the most. */
  readonly bowed: StandingPanel | null;
  /** How far it leans before it falls, and towards where; nought or less where it does not stand at all. */
  readonly falls: { readonly deg: Deg; readonly towards: Vec3 };
}
