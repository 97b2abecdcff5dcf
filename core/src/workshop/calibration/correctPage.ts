import { mapBox } from '../../ground/geometry/box.ts';
import type { Page } from '../../ground/scene/types.ts';
import type { InForce } from './chooseCalibration.ts';

/** The page as it must be sent to a printer whose faults are known, so that it lands as it was drawn. */
export function correctPage(page: Page, inForce: InForce | null, side: 'front' | 'back'): Page {
  if (!inForce) return page;
  const transform = inForce.corrections[side];
  return {
    scene: { ...page.scene, shapes: [{ kind: 'group', transform, children: page.scene.shapes }] },
    trimBox: mapBox(transform, page.trimBox),
    bleedBox: mapBox(transform, page.bleedBox),
  };
}
