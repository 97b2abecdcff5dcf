import type { OrnamentId } from '../../../../job/ornaments.ts';

/** A small device, drawn for this application: all there is to know of it, in one file. */
export interface Ornament {
  readonly id: OrnamentId;
  readonly name: string;
  /** SVG path data of moves, lines, curves and closes, in a square of a hundred; y runs down. */
  readonly drawing: string;
}
