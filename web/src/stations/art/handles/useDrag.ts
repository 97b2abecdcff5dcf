import { useRef, type PointerEvent, type RefObject } from 'react';

interface Corner {
  readonly left: number;
  readonly top: number;
  readonly width?: number;
  readonly height?: number;
}

/** A drag that goes on: where the pointer and what it holds were when it began. */
export interface Held {
  readonly x: number;
  readonly y: number;
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  /** Everything of one drag is one step of undo. */
  readonly key: string;
  /** Things that move with it, where they lay. */
  readonly from: ReadonlyMap<string, { readonly leftMm: number; readonly topMm: number }>;
}

export interface Drag {
  readonly held: RefObject<Held | null>;
  readonly start: (event: PointerEvent, corner: Corner, from?: Held['from']) => void;
  readonly stop: () => void;
}

/** One drag at a time, whatever is dragged. @param onStop once the pointer is let go */
export function useDrag(onStop: () => void): Drag {
  const held = useRef<Held | null>(null);
  return {
    held,
    start: (event, { left, top, width = 0, height = 0 }, from = new Map()) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      const key = `drag-${event.timeStamp}`;
      held.current = { x: event.clientX, y: event.clientY, left, top, width, height, key, from };
    },
    stop: () => {
      held.current = null;
      onStop();
    },
  };
}
