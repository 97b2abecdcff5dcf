import { boxPath, drawFolded, seenPanels, seenSide, type Plan, type Scene } from '@zippy/core';

/** The card standing a little open, on nothing. */
export function cardScene(plan: Plan): Scene {
  const stockColour = plan.stock.stock.colour;
  const art = {
    outside: seenSide(plan.art, 'outside', stockColour),
    inside: seenSide(plan.art, 'inside', stockColour),
  };
  if (plan.size.form.blank.creases.length > 0)
    return drawFolded(plan.size, { open: 0.16, stockColour, art, prints: seenPanels(plan) });
  const { widthMm, heightMm } = plan.size.form.blank;
  const trim = { xMm: 0, yMm: 0, widthMm, heightMm };
  return {
    box: trim,
    symbols: {},
    shapes: [
      { kind: 'path', role: 'stock', path: boxPath(trim), fill: stockColour },
      { kind: 'group', transform: [1, 0, 0, 1, 0, 0], clip: boxPath(trim), children: art.outside },
    ],
  };
}
