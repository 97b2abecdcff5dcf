import { translation } from '../ground/geometry/affine.ts';
import { polygon } from '../ground/geometry/path.ts';
import type { Mm } from '../ground/length/types.ts';
import type { SharedPiece } from './sharedPieces.ts';

/** A rectangle that belongs to no job: a tag, a liner, a spacer, cut from bare stock. */
export interface OwnPiece {
  readonly id: string;
  readonly name: string;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly wanted: number;
  readonly stockId: string;
  /** Otherwise its height lies along the fibres. */
  readonly mayTurn: boolean;
}

/** What pieces of one’s own have in the place of a job. */
export const OWN_JOB = 'own';

export function ownPiece({ id, name, widthMm, heightMm, wanted, stockId, mayTurn }: OwnPiece): SharedPiece {
  const outline = [
    { xMm: 0, yMm: 0 },
    { xMm: widthMm, yMm: 0 },
    { xMm: widthMm, yMm: heightMm },
    { xMm: 0, yMm: heightMm },
  ];
  return {
    id: `${OWN_JOB}/${id}`,
    jobId: OWN_JOB,
    name: name.trim() || 'Piece',
    kind: 'own',
    stockId,
    widthMm,
    heightMm,
    wanted,
    mayTurn,
    bleedMm: 0,
    box: { xMm: 0, yMm: 0, widthMm, heightMm },
    shapes: { outside: [{ kind: 'path', role: 'printable', path: polygon(outline) }], inside: [] },
    folds: [],
    toPiece: translation(0, 0),
  };
}
