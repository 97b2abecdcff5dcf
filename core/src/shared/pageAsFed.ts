import type { Affine } from '../ground/geometry/affine.ts';
import { mapBox } from '../ground/geometry/box.ts';
import type { Page } from '../ground/scene/types.ts';
import type { SharedSheet } from './types.ts';

/** Size of a sheet as the printer draws it in. */
export const sheetAsFed = ({
  widthMm,
  heightMm,
  quarterTurned,
}: SharedSheet): { readonly widthMm: number; readonly heightMm: number } =>
  quarterTurned ? { widthMm: heightMm, heightMm: widthMm } : { widthMm, heightMm };

/**
 * A page of a shared sheet as the printer draws the sheet in. Sheets are laid out with their fibres upright; one
 * that was given a quarter turn clockwise for that is turned back, so that unprintable margins and the corrections
 * of a calibration fall where they were measured. Either side takes the same turn: with T the turn over on the
 * same edge before and after, T′·R⁻¹·T = R⁻¹.
 */
export function pageAsFed({ scene, trimBox, bleedBox }: Page, sheet: SharedSheet): Page {
  if (!sheet.quarterTurned) return { scene, trimBox, bleedBox };
  const back: Affine = [0, -1, 1, 0, 0, sheet.widthMm];
  return {
    scene: {
      ...scene,
      box: mapBox(back, scene.box),
      shapes: [{ kind: 'group', transform: back, children: scene.shapes }],
    },
    trimBox: mapBox(back, trimBox),
    bleedBox: mapBox(back, bleedBox),
  };
}
