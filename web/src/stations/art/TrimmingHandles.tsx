import type { KeyboardEvent, ReactNode } from 'react';
import type { BenchGeometry } from '../../bench/Bench.tsx';
import { ARROWS } from '../../keys/arrows.ts';
import { useView } from '../../stores/view/index.ts';
import type { StationProps } from '../parts.ts';
import { ItemHandle } from './handles/parts.ts';
import { placeOnScreen, roomy } from './handles/places.ts';
import { useDrag } from './handles/useDrag.ts';
import { hundredth } from './useFace.ts';
import { useTrimmings } from './useTrimmings.ts';

/** Things from the shelf are dragged on their face, or moved with the arrow keys; they lie over all that is printed. */
export function TrimmingHandles({
  job,
  plan,
  faceId,
  geometry,
}: StationProps & { readonly faceId: string; readonly geometry: BenchGeometry }): ReactNode {
  const { set, remove } = useTrimmings(job);
  const itemIds = useView((s) => s.itemIds);
  const { pickItems } = useView.getState();
  const drag = useDrag(() => undefined);
  const placed = plan.size.trimmings.placed.filter((one) => one.faceId === faceId);
  return placed.map(({ choice, trimming, box }) => {
    const { id, xMm, yMm } = choice;
    const isPicked = itemIds.length === 1 && itemIds[0] === id;
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.key === 'Delete' || event.key === 'Backspace') {
        event.preventDefault();
        return remove(id, trimming.name);
      }
      if (event.key === 'Enter' || event.key === ' ') {
        event.preventDefault();
        return pickItems([id]);
      }
      const [dx, dy] = ARROWS[event.key] ?? [0, 0];
      if (dx === 0 && dy === 0) return;
      event.preventDefault();
      event.stopPropagation();
      const by = event.shiftKey ? 5 : 0.5;
      set(id, { xMm: hundredth(xMm + dx * by), yMm: hundredth(yMm + dy * by) }, `nudge-${id}`);
    };
    return (
      <ItemHandle
        key={id}
        role="button"
        tabIndex={0}
        aria-pressed={isPicked}
        aria-label={`${trimming.name}, fixed by hand. Drag or use the arrow keys to move`}
        style={roomy(placeOnScreen(geometry, box))}
        onPointerDown={(event) => {
          pickItems([id]);
          if (event.pointerType === 'touch' && (!isPicked || !event.isPrimary)) return drag.stop();
          drag.start(event, { left: xMm, top: yMm });
        }}
        onPointerMove={(event) => {
          const from = drag.held.current;
          if (!from) return;
          const { pxPerMm } = geometry;
          set(
            id,
            {
              xMm: hundredth(from.left + (event.clientX - from.x) / pxPerMm),
              yMm: hundredth(from.top + (event.clientY - from.y) / pxPerMm),
            },
            from.key,
          );
        }}
        onPointerUp={drag.stop}
        onPointerCancel={drag.stop}
        onFocus={(event) => {
          if (event.currentTarget.matches(':focus-visible')) pickItems([id]);
        }}
        onKeyDown={onKeyDown}
      />
    );
  });
}
