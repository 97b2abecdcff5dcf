import { foilPlate, whitePlate, withoutFoil, type PlateKind, type Scene } from '@zippy/core';

/** What one plate of a page holds. */
export function plateOfPage(scene: Scene, plate: PlateKind): Scene {
  switch (plate) {
    case 'foil':
      return foilPlate(scene);
    case 'white':
      return whitePlate(withoutFoil(scene), '#000000', { marks: true });
    case 'colours':
      return withoutFoil(scene);
  }
}
