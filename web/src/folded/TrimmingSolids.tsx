import { useEffect, useMemo, type ReactNode } from 'react';
import { ExtrudeGeometry, Shape, Vector2 } from 'three';
import { apply, drawTrimming, type FoldedPiece, type PlacedTrimming } from '@zippy/core';

/** What stands on one panel: its own outline, as tall as it is, with what lifts it under it. */
export function TrimmingSolids({ size, panelId }: { readonly size: FoldedPiece; readonly panelId: string }): ReactNode {
  return size.trimmings.placed
    .filter(({ faceId }) => size.faces.find(({ id }) => id === faceId)!.panelId === panelId)
    .map((placed) => <Solid key={placed.choice.id} size={size} placed={placed} />);
}

function Solid({ size, placed }: { readonly size: FoldedPiece; readonly placed: PlacedTrimming }): ReactNode {
  const { trimming, adhesive, side, faceId } = placed;
  const thickMm = Math.max(trimming.thickMm, 0.05);
  const geometry = useMemo(() => {
    const { toBlank } = size.faces.find(({ id }) => id === faceId)!;
    const outlines = drawTrimming(placed).flatMap((shape) =>
      shape.kind === 'path' && shape.fill
        ? [shape.path.flatMap((part) => (part.kind === 'close' ? [] : [apply(toBlank, part.to)]))]
        : [],
    );
    // The blank’s y runs down and space’s up.
    const shapes = outlines.map((points) => new Shape(points.map(({ xMm, yMm }) => new Vector2(xMm, -yMm))));
    return new ExtrudeGeometry(shapes, { depth: thickMm, bevelEnabled: false });
  }, [size, placed, faceId, thickMm]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  const from = size.folding.caliperMm / 2 + (adhesive?.thickMm ?? 0);
  return (
    <mesh geometry={geometry} position={[0, 0, side === 'outside' ? from : -from - thickMm]} castShadow receiveShadow>
      <meshStandardMaterial color={trimming.colour} roughness={0.7} />
    </mesh>
  );
}
