import { useRef, useState, type ReactNode } from 'react';
import type { Box, Snapped } from '@zippy/core';
import type { BenchGeometry } from '../../bench/Bench.tsx';
import type { StationProps } from '../parts.ts';
import { Backdrop, Corner, DraggedFrame, GuideLine, ItemHandle, PictureHandle } from './handles/parts.ts';
import { placeOnScreen, roomy } from './handles/places.ts';
import { sayItem } from './handles/sayItem.ts';
import { useDrag } from './handles/useDrag.ts';
import { useFrameDrag } from './handles/useFrameDrag.ts';
import { useItemDrag } from './handles/useItemDrag.ts';
import { usePictureDrag } from './handles/usePictureDrag.ts';
import { useArtKeys } from './useArtKeys.ts';
import { isLocked, thingOf, useFace } from './useFace.ts';

/**
 * Invisible handles over the drawing: words, objects and the picture are dragged, or moved with the arrow keys. A
 * finger moves only what was tapped before, so that swiping and pinching are about the bench and change nothing.
 */
export function Handles({ geometry, ...props }: StationProps & { readonly geometry: BenchGeometry }): ReactNode {
  const hand = useFace(props);
  const { face, art, picked, pick } = hand;
  const roomRef = useRef<HTMLDivElement>(null);
  const [guides, setGuides] = useState<Snapped['guides']>([]);
  const [frame, setFrame] = useState<Box | null>(null);
  // The face’s own picture, once a finger has tapped it.
  const [pictureHeld, setPictureHeld] = useState(false);
  useArtKeys(hand, props.job);
  const at = (box: Box) => placeOnScreen(geometry, box);
  const drag = useDrag(() => {
    setGuides([]);
    setFrame(null);
  });
  const { isPicked, takeHold, moveItem, resize, nudge } = useItemDrag(hand, drag, geometry.pxPerMm, setGuides);
  const { startFrame, drawFrame } = useFrameDrag(hand, drag, geometry, roomRef, setFrame);
  const { movePicture, nudgePicture } = usePictureDrag(hand, drag, geometry.pxPerMm);
  const { picture } = art;
  const framing = useRef(false);
  return (
    <>
      <Backdrop
        ref={roomRef}

        onPointerDown={(event) => {
          setPictureHeld(false);
          startFrame(event);
        }}
        onPointerMove={drawFrame}
        onPointerUp={drag.stop}
        onPointerCancel={drag.stop}
      />
      {picture && (
        <PictureHandle
          role="button"
          tabIndex={0}
          data-held={pictureHeld || undefined}
          aria-label={`Picture ${props.job.pictures[picture.pictureId]?.name ?? ''}: drag or use the arrow keys to slide it`}
          style={at(face.bleed)}
          onPointerDown={(event) => {
            framing.current = event.shiftKey;
            if (framing.current) return startFrame(event);
            pick(null);
            if (event.pointerType === 'touch' && (!pictureHeld || !event.isPrimary)) return drag.stop();
            const { focusX, focusY } = hand.pictureNow() ?? picture;
            drag.start(event, { left: focusX, top: focusY });
          }}
          onClick={(event) =>
            (event.nativeEvent as globalThis.PointerEvent).pointerType === 'touch' && setPictureHeld(true)
          }
          onPointerMove={(event) => (framing.current ? drawFrame(event) : movePicture(event))}
          onPointerUp={drag.stop}
          onPointerCancel={drag.stop}
          onKeyDown={nudgePicture}
        />
      )}
      {face.items.map((item) => {
        const thing = thingOf(item);
        const high = item.kind === 'text' ? item.set.box.heightMm : item.object.heightMm;
        const chosen = isPicked(item);
        const place = roomy(at({ xMm: thing.leftMm, yMm: thing.topMm, widthMm: thing.widthMm, heightMm: high }));
        return (
          <ItemHandle
            key={thing.id}
            role="button"
            tabIndex={0}
            aria-pressed={chosen}
            data-locked={isLocked(item) || undefined}
            aria-label={`${sayItem(item)}. ${isLocked(item) ? 'Locked' : 'Drag or use the arrow keys to move'}`}
            style={place}
            onPointerDown={(event) => {
              setPictureHeld(false);
              takeHold(event, item);
            }}
            onPointerMove={(event) => moveItem(event, item)}
            onPointerUp={drag.stop}
            onPointerCancel={drag.stop}
            onFocus={(event) => {
              // By the keyboard: a pointer has picked already, with or without others.
              if (event.currentTarget.matches(':focus-visible') && picked.length < 2) pick(thing.id);
            }}
            onKeyDown={(event) => nudge(event, item)}
          >
            {chosen && picked.length === 1 && !isLocked(item) && (
              <Corner
                aria-hidden
                onPointerDown={(event) => {
                  event.stopPropagation();
                  drag.start(event, { left: thing.leftMm, top: thing.topMm, width: thing.widthMm, height: high });
                }}
                onPointerMove={(event) => {
                  event.stopPropagation();
                  resize(event, item);
                }}
                onPointerUp={drag.stop}
                onPointerCancel={drag.stop}
              />
            )}
          </ItemHandle>
        );
      })}
      {guides.map(([from, to]) => (
        <GuideLine
          key={`${from.xMm} ${from.yMm}`}
          style={at({ xMm: from.xMm, yMm: from.yMm, widthMm: to.xMm - from.xMm, heightMm: to.yMm - from.yMm })}
        />
      ))}
      {frame && <DraggedFrame style={at(frame)} />}
    </>
  );
}
