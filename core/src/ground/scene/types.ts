import type { Affine } from '../geometry/affine.ts';
import type { Path } from '../geometry/path.ts';
import type { Box, Point } from '../geometry/types.ts';
import type { Mm } from '../length/types.ts';

/** What a shape is for; writers and the screen choose its look from this alone. */
export type Role =
  | 'art'
  | 'stock'
  | 'sheet'
  | 'printable'
  | 'trim'
  | 'bleed'
  | 'safe'
  | 'creaseAway'
  | 'creaseToward'
  | 'cut'
  | 'cutNow'
  | 'waste'
  | 'mark'
  | 'glue'
  | 'fence'
  | 'shade'
  | 'direction'
  | 'dimension'
  | 'label';

/** `#rrggbb` */
export type Colour = string;

/** A picture's shape alone, solid in one ink: what a plate under or over it holds. */
export interface Inked {
  readonly ink: Colour;
  /** Of that shape only what is darker than half; all of it where nothing is said. */
  readonly only?: 'dark';
}

export type Shape =
  | {
      readonly kind: 'path';
      readonly role: Role;
      readonly path: Path;
      readonly fill?: Colour;
      readonly fillOpacity?: number;
      /** So fine that on a press it is one ink where it can be. */
      readonly fine?: true;
      /** Instead of a flat fill: from one point to another, and on beyond both. */
      readonly gradient?: { readonly from: Colour; readonly to: Colour; readonly start: Point; readonly end: Point };
    }
  | {
      /** One line of set text, as glyphs for files with fonts and as an outline for all others. */
      readonly kind: 'line';
      readonly role: 'art';
      readonly typefaceId: string;
      readonly sizeMm: Mm;
      readonly colour: Colour;
      readonly text: string;
      readonly at: Point;
      readonly glyphs: readonly { readonly id: number; readonly xMm: Mm; readonly chars: string }[];
      /** SVG path data in millimetres, already placed. */
      readonly outline: string;
    }
  | {
      readonly kind: 'picture';
      readonly role: 'art';
      readonly pictureId: string;
      readonly box: Box;
      readonly opacity: number;
      /** Its dark parts in this colour; black makes it grey. */
      readonly tint: Colour | null;
      /** Its shape alone, instead of its own colours. */
      readonly inked?: Inked;
    }
  | {
      /** A small picture again and again, from the top left of an area; clipped by whoever holds it. */
      readonly kind: 'tiles';
      readonly role: 'art';
      readonly pictureId: string;
      /** Width ÷ height of the picture; what is over its square is left out. */
      readonly aspect: number;
      readonly tileMm: Mm;
      /** Every other row half a tile on. */
      readonly brick: boolean;
      readonly over: Box;
      readonly opacity: number;
      /** Its shape alone, as of a picture. */
      readonly inked?: Inked;
    }
  | {
      /** Words about the drawing, never art. */
      readonly kind: 'label';
      readonly role: 'label' | 'mark' | 'dimension';
      readonly text: string;
      readonly at: Point;
      readonly sizeMm: Mm;
      readonly anchor: 'start' | 'middle' | 'end';
      readonly turnDeg?: number;
    }
  | {
      readonly kind: 'group';
      readonly transform: Affine;
      readonly clip?: Path;
      /** Inks over inks, as when a sheet is held to the light; for looking only, never in a printed file. */
      readonly blend?: 'multiply';
      /** Laid in a pass of its own: shines in its foil, and is no part of the colours. */
      readonly plate?: 'foil';
      readonly children: readonly Shape[];
    }
  | {
      /** A symbol of the scene, drawn again without being stored again. */
      readonly kind: 'use';
      readonly symbol: string;
      readonly transform: Affine;
    };

export interface Scene {
  readonly box: Box;
  readonly symbols: Readonly<Record<string, { readonly box: Box; readonly shapes: readonly Shape[] }>>;
  readonly shapes: readonly Shape[];
}

/** A page of a printed file: a scene whose box is the sheet, and where the finished work lies on it. */
export interface Page {
  readonly scene: Scene;
  readonly trimBox: Box;
  readonly bleedBox: Box;
}
