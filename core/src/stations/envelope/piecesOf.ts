import type { PieceOnSheets } from '../sheet/pieces.ts';
import type { SheetPlan } from '../sheet/types.ts';
import type { EnvelopePlan } from './planEnvelope.ts';

/** Every piece of a job on its sheets: the card, its layers, and the envelope where it is made. */
export const piecesOf = ({
  sheet,
  envelope,
}: {
  readonly sheet: Pick<SheetPlan, 'pieces'>;
  readonly envelope: Pick<EnvelopePlan, 'pieces'>;
}): readonly PieceOnSheets[] => [...sheet.pieces, ...envelope.pieces];
