import { memo, useId, useMemo, type ReactNode } from 'react';
import { svgNodes, svgText, type Job, type Scene } from '@zippy/core';
import { api } from '../api/client.ts';

/** One scene as SVG: written by the same writer as the files, so that what is seen is what is printed. */
export const SceneView = memo(function SceneView({
  scene,
  pictures,
  label,
  className,
}: {
  readonly scene: Scene;
  readonly pictures: Job['pictures'];
  /** What a screen reader hears; a drawing without one is decoration. */
  readonly label?: string;
  readonly className?: string;
}): ReactNode {
  const prefix = useId().replace(/[^\w]/g, '');
  const html = useMemo(
    () =>
      svgNodes(scene, {
        strokes: 'screen',
        idPrefix: prefix,
        pictureHref: (id) => (pictures[id] ? api.pictureUrl(pictures[id].sha256) : ''),
      })
        .map(svgText)
        .join(''),
    [scene, pictures, prefix],
  );
  const { xMm, yMm, widthMm, heightMm } = scene.box;
  return (
    <svg
      className={className}
      viewBox={`${xMm} ${yMm} ${widthMm} ${heightMm}`}
      preserveAspectRatio="xMidYMid meet"
      {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}
      dangerouslySetInnerHTML={{ __html: html }}
    />
  );
});
