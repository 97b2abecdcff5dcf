import type { Colour, Scene, Shape } from './types.ts';

/** No colour of the screen: a plate of its own, which only files with spot colours can say. */
export const WHITE_INK = 'ink:white' satisfies Colour;

/**
 * The plate that a printer with white lays under the colours: everything that is art, solid, in the art’s own shape;
 * a picture’s clear parts stay clear. What is bare stock in the art is bare on the plate.
 * @param ink what the plate is drawn in: white itself, or black where it is a page of its own
 * @param marks ticks and slug are on it, as a page of its own needs them; a machine’s marks never are
 */
export function whitePlate(
  { box, symbols, shapes }: Scene,
  ink: Colour = WHITE_INK,
  { marks = false }: { readonly marks?: boolean } = {},
): Scene {
  const suffix = ink === WHITE_INK ? '-white' : '-plate';
  const plate = (all: readonly Shape[]): readonly Shape[] => plateOf(all, ink, { suffix, marks });
  const plated = Object.fromEntries(
    Object.entries(symbols).map(([id, symbol]) => [`${id}${suffix}`, { ...symbol, shapes: plate(symbol.shapes) }]),
  );
  return withoutEmpty({ box, symbols: plated, shapes: plate(shapes) });
}

/** A symbol of which nothing is left is not drawn: a file has no form for it to be drawn from. */
function withoutEmpty({ box, symbols, shapes }: Scene): Scene {
  // A symbol is looked into once, however often it is used.
  const known = new Map<string, readonly Shape[]>();
  const ofSymbol = (id: string): readonly Shape[] => {
    if (!known.has(id)) known.set(id, left(symbols[id]?.shapes ?? []));
    return known.get(id)!;
  };
  const left = (all: readonly Shape[]): readonly Shape[] =>
    all.flatMap((shape): readonly Shape[] => {
      if (shape.kind === 'use') return ofSymbol(shape.symbol).length > 0 ? [shape] : [];
      if (shape.kind !== 'group') return [shape];
      const children = left(shape.children);
      return children.length > 0 ? [{ ...shape, children }] : [];
    });
  const full = Object.entries(symbols)
    .map(([id, symbol]) => [id, { ...symbol, shapes: ofSymbol(id) }] as const)
    .filter(([, symbol]) => symbol.shapes.length > 0);
  return { box, symbols: Object.fromEntries(full), shapes: left(shapes) };
}

/**
 * The plate of some shapes. What is faded is pale on white ink, so its plate is as solid as any other.
 * @param suffix to the names of symbols, where those are plated too
 */
export function plateOf(
  all: readonly Shape[],
  ink: Colour,
  { suffix = '', marks = false }: { readonly suffix?: string; readonly marks?: boolean } = {},
): readonly Shape[] {
  return all.flatMap((shape): readonly Shape[] => {
    switch (shape.kind) {
      case 'path':
        if (shape.role === 'art') return [{ kind: 'path', role: 'art', path: shape.path, fill: ink }];
        return marks && !shape.fill ? [shape] : [];
      case 'line':
        return [{ ...shape, colour: ink }];
      case 'picture':
        return [{ ...shape, tint: null, opacity: 1, inked: { ink } }];
      case 'tiles':
        return [{ ...shape, opacity: 1, inked: { ink } }];
      case 'label':
        return marks ? [shape] : [];
      case 'group': {
        const children = plateOf(shape.children, ink, { suffix, marks });
        return children.length > 0 ? [{ ...shape, children }] : [];
      }
      case 'use':
        return [{ ...shape, symbol: `${shape.symbol}${suffix}` }];
    }
  });
}
