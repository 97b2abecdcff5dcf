import type { FacePlan, FoldedPiece, OnStock, Plan } from '@zippy/core';

/** Every face that may carry art: the card’s, then those of its envelope where there is one. */
export const facesOf = ({ art, envelope }: Plan): readonly FacePlan[] => [
  ...art.faces,
  ...(envelope.atHand ? envelope.art.faces : []),
  ...(envelope.liner?.art.faces ?? []),
];

/** What a face is a part of, as far as drawing it goes. */
export interface Home {
  readonly piece: FoldedPiece;
  readonly colour: string;
  readonly onStock: OnStock;
  readonly isEnvelope: boolean;
}

export function homeOf({ size, stock, art, envelope }: Plan, faceId: string): Home {
  const { liner } = envelope;
  if (liner && liner.art.faces.some(({ face: { id } }) => id === faceId))
    return { piece: liner.piece, colour: liner.art.colour, onStock: liner.art.onStock, isEnvelope: true };
  const isEnvelope = art.faces.every(({ face: { id } }) => id !== faceId);
  return isEnvelope
    ? { piece: envelope.art.piece, colour: envelope.art.colour, onStock: envelope.art.onStock, isEnvelope }
    : { piece: size, colour: stock.stock.colour, onStock: art.onStock, isEnvelope };
}
