import type { Path } from '../geometry/path.ts';
import { IDENTITY } from '../geometry/affine.ts';
import type { Colour, Scene, Shape } from './types.ts';

/** Toner that foil is to hold to: nothing else on the page is printed, and nothing of it in grey. */
const TONER: Colour = '#000000';
const SUFFIX = '-foil';

/**
 * Art that shines: whatever of it is darker than half, in the colour of its foil. Toner foil holds to solid black or not
 * at all, so there is nothing between.
 * @param clip keeps it on its face; none where the art ends by itself
 */
export const inFoil = (art: readonly Shape[], colour: Colour, clip?: Path): Shape => ({
  kind: 'group',
  transform: IDENTITY,
  plate: 'foil',
  ...(clip ? { clip } : {}),
  children: art.map((shape) => solid(shape, colour)),
});

function solid(shape: Shape, ink: Colour): Shape {
  switch (shape.kind) {
    case 'path': {
      if (shape.role !== 'art') return shape;
      const { kind, role, path } = shape;
      return { kind, role, path, fill: ink };
    }
    case 'line':
      return { ...shape, colour: ink };
    case 'picture':
      return { ...shape, tint: null, opacity: 1, inked: { ink, only: 'dark' } };
    case 'tiles':
      return { ...shape, opacity: 1, inked: { ink, only: 'dark' } };
    case 'group':
      return { ...shape, children: shape.children.map((child) => solid(child, ink)) };
    case 'label':
    case 'use':
      return shape;
  }
}

/**
 * The page of black toner that a foil is pressed onto: what shines, solid, and the ticks and the slug; nothing that is
 * printed in colours.
 */
export function foilPlate({ box, symbols, shapes }: Scene): Scene {
  const plate = (all: readonly Shape[]): readonly Shape[] => all.flatMap((shape) => onPlate(shape, false));
  return {
    box,
    symbols: Object.fromEntries(
      Object.entries(symbols).map(([id, symbol]) => [`${id}${SUFFIX}`, { ...symbol, shapes: plate(symbol.shapes) }]),
    ),
    shapes: plate(shapes),
  };
}

function onPlate(shape: Shape, shines: boolean): readonly Shape[] {
  switch (shape.kind) {
    case 'group': {
      const children = shape.children.flatMap((child) => onPlate(child, shines || shape.plate === 'foil'));
      return children.length > 0 ? [{ ...shape, children }] : [];
    }
    case 'use':
      return [{ ...shape, symbol: `${shape.symbol}${SUFFIX}` }];
    case 'label':
      return [shape];
    case 'path':
      // Ticks are lines without a fill; art has one.
      return shines ? [solid(shape, TONER)] : shape.role !== 'art' && !shape.fill ? [shape] : [];
    case 'line':
    case 'picture':
    case 'tiles':
      return shines ? [solid(shape, TONER)] : [];
  }
}

/** What is printed in colours: everything but what shines. */
export function withoutFoil({ box, symbols, shapes }: Scene): Scene {
  const rest = (all: readonly Shape[]): readonly Shape[] =>
    all.flatMap((shape): readonly Shape[] =>
      shape.kind !== 'group' ? [shape] : shape.plate === 'foil' ? [] : [{ ...shape, children: rest(shape.children) }],
    );
  return {
    box,
    symbols: Object.fromEntries(
      Object.entries(symbols).map(([id, symbol]) => [id, { ...symbol, shapes: rest(symbol.shapes) }]),
    ),
    shapes: rest(shapes),
  };
}

/** Whether anything of some shapes shines. */
export const hasFoil = (shapes: readonly Shape[]): boolean =>
  shapes.some((shape) => shape.kind === 'group' && (shape.plate === 'foil' || hasFoil(shape.children)));
