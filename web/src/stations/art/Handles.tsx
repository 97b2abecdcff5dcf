import { useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import styled from 'styled-components';
import type { TextBlock } from '@zippy/core';
import type { BenchGeometry } from '../../bench/Bench.tsx';
import { useView } from '../../stores/view.ts';
import type { StationProps } from '../parts.ts';
import { useFace } from './useFace.ts';

/** Invisible handles over the drawing: words and the picture are dragged, or moved with the arrow keys. */
export function Handles({ geometry, ...props }: StationProps & { readonly geometry: BenchGeometry }): ReactNode {
  const { face, art, setFace, setText } = useFace(props);
  const { textId, set } = useView();
  const { pxPerMm, originPx } = geometry;
  const drag = useRef<{
    readonly x: number;
    readonly y: number;
    readonly left: number;
    readonly top: number;
    readonly key: string;
  } | null>(null);
  const at = (xMm: number, yMm: number, widthMm: number, heightMm: number) => ({
    left: originPx.x + xMm * pxPerMm,
    top: originPx.y + yMm * pxPerMm,
    width: widthMm * pxPerMm,
    height: heightMm * pxPerMm,
  });

  const start = (event: PointerEvent, left: number, top: number): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { x: event.clientX, y: event.clientY, left, top, key: `drag-${event.timeStamp}` };
  };
  const stop = (): void => {
    drag.current = null;
  };

  const moveText = (event: PointerEvent, block: TextBlock): void => {
    const from = drag.current;
    if (!from) return;
    const tenth = (mm: number): number => Math.round(mm * 10) / 10;
    setText(
      block.id,
      {
        leftMm: tenth(from.left + (event.clientX - from.x) / pxPerMm),
        topMm: tenth(from.top + (event.clientY - from.y) / pxPerMm),
      },
      from.key,
    );
  };
  const nudgeText = (event: KeyboardEvent, block: TextBlock): void => {
    const by = event.shiftKey ? 5 : 0.5;
    const [dx, dy] = ARROWS[event.key] ?? [0, 0];
    if (dx === 0 && dy === 0) return;
    event.preventDefault();
    event.stopPropagation();
    setText(block.id, { leftMm: block.leftMm + dx * by, topMm: block.topMm + dy * by }, `nudge-${block.id}`);
  };

  const slidePicture = (focusX: number, focusY: number, key: string): void => {
    if (!art.picture) return;
    const clamp = (v: number): number => Math.min(1, Math.max(0, v));
    setFace({ picture: { ...art.picture, focusX: clamp(focusX), focusY: clamp(focusY) } }, key);
  };
  const movePicture = (event: PointerEvent): void => {
    const from = drag.current;
    const placed = face.picture?.box;
    if (!from || !placed) return;
    const over = { x: placed.widthMm - face.bleed.widthMm, y: placed.heightMm - face.bleed.heightMm };
    const slid = (start: number, deltaPx: number, overMm: number): number =>
      overMm > 0.01 ? start - deltaPx / pxPerMm / overMm : start;
    slidePicture(
      slid(from.left, event.clientX - from.x, over.x),
      slid(from.top, event.clientY - from.y, over.y),
      from.key,
    );
  };
  const nudgePicture = (event: KeyboardEvent): void => {
    const [dx, dy] = ARROWS[event.key] ?? [0, 0];
    if (!art.picture || (dx === 0 && dy === 0)) return;
    event.preventDefault();
    event.stopPropagation();
    slidePicture(art.picture.focusX - dx * 0.02, art.picture.focusY - dy * 0.02, 'nudge-picture');
  };

  const { picture } = art;
  return (
    <>
      {picture && (
        <PictureHandle
          role="button"
          tabIndex={0}
          aria-label={`Picture ${props.job.pictures[picture.pictureId]?.name ?? ''}: drag or use the arrow keys to slide it`}
          style={at(face.bleed.xMm, face.bleed.yMm, face.bleed.widthMm, face.bleed.heightMm)}
          onPointerDown={(event) => {
            set({ textId: null });
            start(event, picture.focusX, picture.focusY);
          }}
          onPointerMove={movePicture}
          onPointerUp={stop}
          onKeyDown={nudgePicture}
        />
      )}
      {face.blocks.map((block) => {
        const text = art.texts.find((t) => t.id === block.blockId);
        if (!text) return null;
        return (
          <TextHandle
            key={block.blockId}
            role="button"
            tabIndex={0}
            aria-pressed={textId === block.blockId}
            aria-label={`Words: ${text.text.slice(0, 40)}. Drag or use the arrow keys to move`}
            style={roomy(at(text.leftMm, text.topMm, text.widthMm, block.box.heightMm))}
            onPointerDown={(event) => {
              set({ textId: text.id });
              start(event, text.leftMm, text.topMm);
            }}
            onPointerMove={(event) => moveText(event, text)}
            onPointerUp={stop}
            onFocus={() => set({ textId: text.id })}
            onKeyDown={(event) => nudgeText(event, text)}
          />
        );
      })}
    </>
  );
}

const SMALLEST_HANDLE_PX = 24;

interface Place {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** A line of small words still gives a finger something to take hold of. Source: WCAG 2.2, 2.5.8. */
function roomy({ left, top, width, height }: Place): Place {
  const [dx, dy] = [Math.max(0, SMALLEST_HANDLE_PX - width), Math.max(0, SMALLEST_HANDLE_PX - height)];
  return { left: left - dx / 2, top: top - dy / 2, width: width + dx, height: height + dy };
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const PictureHandle = styled.div`
  position: absolute;
  cursor: grab;
  touch-action: none;
`;
const TextHandle = styled.div`
  position: absolute;
  border: 1px dashed transparent;
  cursor: move;
  touch-action: none;
  &:hover {
    border-color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  &[aria-pressed='true'] {
    border-color: ${({ theme }) => theme.colour.marigold};
    box-shadow: 0 0 0 1px rgb(29 41 48 / 0.6);
  }
`;
