import type { PointerEvent, RefObject } from 'react';
import { idOf, type Box } from '@zippy/core';
import type { BenchGeometry } from '../../../bench/Bench.tsx';
import { seenBox, type useFace } from '../useFace.ts';
import { overlapOf } from './places.ts';
import type { Drag } from './useDrag.ts';

/** A frame drawn round things picks them; a finger's drag is about the bench. */
export function useFrameDrag(
  { face, pickAll }: ReturnType<typeof useFace>,
  drag: Drag,
  { pxPerMm, originPx }: BenchGeometry,
  roomRef: RefObject<HTMLDivElement | null>,
  setFrame: (frame: Box) => void,
) {
  const startFrame = (event: PointerEvent): void => {
    if (event.pointerType === 'touch') return;
    if (!event.shiftKey) pickAll([]);
    drag.start(event, { left: 0, top: 0 });
  };
  const drawFrame = (event: PointerEvent): void => {
    const from = drag.held.current;
    const room = roomRef.current?.getBoundingClientRect();
    if (!from || !room) return;
    const box = {
      xMm: (Math.min(from.x, event.clientX) - room.left - originPx.x) / pxPerMm,
      yMm: (Math.min(from.y, event.clientY) - room.top - originPx.y) / pxPerMm,
      widthMm: Math.abs(event.clientX - from.x) / pxPerMm,
      heightMm: Math.abs(event.clientY - from.y) / pxPerMm,
    };
    setFrame(box);
    pickAll(face.items.filter((item) => overlapOf(seenBox(item), box)).map(idOf));
  };

  return { startFrame, drawFrame };
}
