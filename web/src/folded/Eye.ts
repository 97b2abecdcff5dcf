import { useThree } from '@react-three/fiber';
import { useEffect } from 'react';
import type { PerspectiveCamera, Vector3 } from 'three';

export const FIELD_OF_VIEW_DEG = 26;

/** Looks at the middle of the card from as far away as shows all of it. */
export function Eye({
  middle,
  reach,
  yawDeg,
  pitchDeg,
}: {
  readonly middle: Vector3;
  readonly reach: number;
  readonly yawDeg: number;
  readonly pitchDeg: number;
}): null {
  const camera = useThree((s) => s.camera) as PerspectiveCamera;
  const { width, height } = useThree((s) => s.size);
  const invalidate = useThree((s) => s.invalidate);
  useEffect(() => {
    const narrow = Math.min(1, width / Math.max(1, height));
    const away = (reach * 0.5) / Math.sin((FIELD_OF_VIEW_DEG * Math.PI) / 360) / narrow;
    const [yaw, pitch] = [(yawDeg * Math.PI) / 180, (pitchDeg * Math.PI) / 180];
    camera.position.set(
      middle.x - away * Math.sin(yaw) * Math.cos(pitch),
      middle.y + away * Math.sin(pitch),
      middle.z + away * Math.cos(yaw) * Math.cos(pitch),
    );
    // A little under the middle, so that the caption does not cover the card’s foot.
    camera.lookAt(middle.x, middle.y - reach * 0.03, middle.z);
    camera.updateProjectionMatrix();
    invalidate();
  }, [camera, middle, reach, yawDeg, pitchDeg, width, height, invalidate]);
  return null;
}
