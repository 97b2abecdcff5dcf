import { useMemo, useRef, type KeyboardEvent, type ReactNode } from 'react';
import {
  apply,
  compose,
  decide,
  formatLength,
  gripsOf,
  invert,
  mapBox,
  movedBy,
  viewOf,
  type Grip,
  type LayerChoice,
  type Point,
} from '@zippy/core';
import type { BenchGeometry } from '../../bench/Bench.tsx';
import { ARROWS } from '../../keys/arrows.ts';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view/index.ts';
import { ItemHandle } from '../art/handles/parts.ts';
import { placeOnScreen, roomy } from '../art/handles/places.ts';
import { useDrag } from '../art/handles/useDrag.ts';
import type { StationProps } from '../parts.ts';

/** What pops up is dragged on the open inside, or moved with the arrow keys; the one in hand is framed. */
export function PopUpHandles({
  job,
  plan,
  workshop,
  geometry,
}: StationProps & { readonly geometry: BenchGeometry }): ReactNode {
  const change = useJob((s) => s.change);
  const inHand = useView((s) => s.popUpInHand);
  const takePopUp = useView((s) => s.takePopUp);
  const drag = useDrag(() => undefined);
  // As it was when it was taken hold of: what it is moved by is reckoned from there.
  const taken = useRef<Grip | null>(null);
  const { popUps } = plan.size;
  const grips = useMemo(() => (popUps ? gripsOf(popUps) : []), [popUps]);
  if (!popUps) return null;
  const toView = compose(viewOf(plan.size, 'inside'), popUps.spread.toBlank);
  const back = invert(toView);
  /** A way on the screen as one on the open pages. */
  const onPages = (dx: number, dy: number): Point => {
    const [from, to] = [apply(back, { xMm: 0, yMm: 0 }), apply(back, { xMm: dx, yMm: dy })];
    return { xMm: to.xMm - from.xMm, yMm: to.yMm - from.yMm };
  };
  // The job as it is at that moment: the one that was drawn may be a few presses old.
  const newest = (): readonly LayerChoice[] => (useJob.getState().job ?? job).size.layers;
  const moved = (grip: Grip, by: Point, key: string): void => {
    const at = newest().findIndex(({ id }) => id === grip.layerId);
    if (at < 0) return;
    const popUp = { ...newest()[at]!.popUp, ...movedBy(grip, by) };
    change([decide((job) => job.size.layers.at(at).popUp, popUp)], key);
  };
  return grips.map((grip) => {
    const { layerId, name } = grip;
    const isPicked = inHand === layerId;
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.key === 'Enter' || event.key === ' ') {
        event.preventDefault();
        return takePopUp(layerId);
      }
      const [dx, dy] = ARROWS[event.key] ?? [0, 0];
      if (dx === 0 && dy === 0) return;
      event.preventDefault();
      event.stopPropagation();
      const by = event.shiftKey ? 5 : 0.5;
      const popUp = { ...grip.popUp, ...newest().find(({ id }) => id === layerId)?.popUp };
      moved({ ...grip, popUp }, onPages(dx * by, dy * by), `nudge-${layerId}`);
    };
    return (
      <ItemHandle
        key={layerId}
        role="button"
        tabIndex={0}
        aria-pressed={isPicked}
        aria-label={`${name}, ${sayPlace(grip, workshop.unit)}. Drag or use the arrow keys to move`}
        style={roomy(placeOnScreen(geometry, mapBox(toView, grip.box)))}
        onPointerDown={(event) => {
          takePopUp(layerId);
          if (event.pointerType === 'touch' && (!isPicked || !event.isPrimary)) return drag.stop();
          taken.current = grip;
          drag.start(event, { left: 0, top: 0 });
        }}
        onPointerMove={(event) => {
          const from = drag.held.current;
          if (!from || !taken.current) return;
          const { pxPerMm } = geometry;
          moved(
            taken.current,
            onPages((event.clientX - from.x) / pxPerMm, (event.clientY - from.y) / pxPerMm),
            from.key,
          );
        }}
        onPointerUp={drag.stop}
        onPointerCancel={drag.stop}
        onKeyDown={onKeyDown}
      />
    );
  });
}

const SAID = { alongMm: 'along', depthMm: 'out from the fold', pastMm: 'up' } as const;

const sayPlace = ({ moves, popUp }: Grip, unit: StationProps['workshop']['unit']): string =>
  moves.map(({ id }) => `${formatLength(popUp[id], unit)} ${SAID[id]}`).join(', ');
