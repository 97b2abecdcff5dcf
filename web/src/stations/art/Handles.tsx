import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import styled from 'styled-components';
import { idOf, isWholeOnFace, snap, type LaidItem, type Snapped } from '@zippy/core';
import type { BenchGeometry } from '../../bench/Bench.tsx';
import { ARROWS } from '../../keys/arrows.ts';
import { useView } from '../../stores/view.ts';
import type { StationProps } from '../parts.ts';
import { hundredth, isLocked, seenBox, useFace } from './useFace.ts';

/** Nearer than this on the screen a thing snaps; on the card that depends on the zoom. */
const REACH_PX = 7;
const SMALLEST_MM = 3;

interface Drag {
  readonly x: number;
  readonly y: number;
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  readonly key: string;
}

/** Invisible handles over the drawing: words, objects and the picture are dragged, or moved with the arrow keys. */
export function Handles({ geometry, ...props }: StationProps & { readonly geometry: BenchGeometry }): ReactNode {
  const hand = useFace(props);
  const { face, art, item: picked, setFace, setText, setObject, move, pick, remove } = hand;
  const set = useView((s) => s.set);
  const { pxPerMm, originPx } = geometry;
  const drag = useRef<Drag | null>(null);
  const [guides, setGuides] = useState<Snapped['guides']>([]);
  const at = (xMm: number, yMm: number, widthMm: number, heightMm: number) => ({
    left: originPx.x + xMm * pxPerMm,
    top: originPx.y + yMm * pxPerMm,
    width: widthMm * pxPerMm,
    height: heightMm * pxPerMm,
  });
  const ground = { widthMm: face.face.widthMm, heightMm: face.face.heightMm, safe: face.safe };
  const start = (event: PointerEvent, left: number, top: number, width = 0, height = 0): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { x: event.clientX, y: event.clientY, left, top, width, height, key: `drag-${event.timeStamp}` };
  };
  const stop = (): void => {
    drag.current = null;
    setGuides([]);
  };

  const moveItem = (event: PointerEvent, item: LaidItem): void => {
    const from = drag.current;
    if (!from || isLocked(item)) return;
    const thing = item.kind === 'text' ? item.block : item.object;
    const seen = seenBox(item);
    const want = {
      xMm: from.left + (event.clientX - from.x) / pxPerMm - thing.leftMm,
      yMm: from.top + (event.clientY - from.y) / pxPerMm - thing.topMm,
    };
    const there = { ...seen, xMm: seen.xMm + want.xMm, yMm: seen.yMm + want.yMm };
    const others = face.items.filter((other) => other !== item).map(seenBox);
    // Held with Alt, a thing goes exactly where it is put.
    const pull = event.altKey ? { dxMm: 0, dyMm: 0, guides: [] } : snap(there, others, ground, REACH_PX / pxPerMm);
    setGuides(pull.guides);
    move(new Map([[idOf(item), { xMm: want.xMm + pull.dxMm, yMm: want.yMm + pull.dyMm }]]), from.key);
  };
  const resize = (event: PointerEvent, item: LaidItem): void => {
    const from = drag.current;
    if (!from) return;
    const widthMm = Math.max(SMALLEST_MM, hundredth(from.width + (event.clientX - from.x) / pxPerMm));
    const heightMm = Math.max(
      item.kind === 'rule' ? 0.3 : SMALLEST_MM,
      hundredth(from.height + (event.clientY - from.y) / pxPerMm),
    );
    if (item.kind === 'text') setText(item.block.id, { widthMm }, from.key);
    else if (item.kind === 'code') {
      const side = Math.max(widthMm, heightMm);
      setObject(item.object.id, { widthMm: side, heightMm: side }, from.key);
    } else if (item.kind === 'ornament' && !event.shiftKey) {
      // An ornament keeps its shape; with Shift it is stretched.
      const scale = Math.max(widthMm / from.width, heightMm / from.height);
      setObject(
        item.object.id,
        { widthMm: hundredth(from.width * scale), heightMm: hundredth(from.height * scale) },
        from.key,
      );
    } else setObject(item.object.id, { widthMm, heightMm }, from.key);
  };
  const nudge = (event: KeyboardEvent, item: LaidItem): void => {
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      if (!isLocked(item)) remove(idOf(item));
      return;
    }
    const by = event.shiftKey ? 5 : 0.5;
    const [dx, dy] = ARROWS[event.key] ?? [0, 0];
    if (dx === 0 && dy === 0) return;
    event.preventDefault();
    event.stopPropagation();
    if (!isLocked(item)) move(new Map([[idOf(item), { xMm: dx * by, yMm: dy * by }]]), `nudge-${idOf(item)}`);
  };

  const slidePicture = (focusX: number, focusY: number, key: string): void => {
    if (!art.picture) return;
    const clamp = (v: number): number => Math.min(1, Math.max(0, v));
    setFace({ picture: { ...art.picture, focusX: clamp(focusX), focusY: clamp(focusY) } }, key);
  };
  /** How much of the picture is over its frame; below nought, how much of the frame is left over. */
  const leftOver = (): { readonly x: number; readonly y: number } => {
    const placed = face.picture?.box ?? face.bleed;
    const frame = art.picture && isWholeOnFace(art.picture) ? face.safe : face.bleed;
    return { x: placed.widthMm - frame.widthMm, y: placed.heightMm - frame.heightMm };
  };
  const movePicture = (event: PointerEvent): void => {
    const from = drag.current;
    if (!from) return;
    const over = leftOver();
    const slid = (start: number, deltaPx: number, overMm: number): number =>
      Math.abs(overMm) > 0.01 ? start - deltaPx / pxPerMm / overMm : start;
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
    const over = leftOver();
    slidePicture(
      art.picture.focusX - Math.sign(over.x) * dx * 0.02,
      art.picture.focusY - Math.sign(over.y) * dy * 0.02,
      'nudge-picture',
    );
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
            set({ itemId: null });
            start(event, picture.focusX, picture.focusY);
          }}
          onPointerMove={movePicture}
          onPointerUp={stop}
          onKeyDown={nudgePicture}
        />
      )}
      {face.items.map((item) => {
        const thing = item.kind === 'text' ? item.block : item.object;
        const high = item.kind === 'text' ? item.set.box.heightMm : item.object.heightMm;
        const chosen = picked === item;
        const place = roomy(at(thing.leftMm, thing.topMm, thing.widthMm, high));
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
              pick(thing.id);
              start(event, thing.leftMm, thing.topMm);
            }}
            onPointerMove={(event) => moveItem(event, item)}
            onPointerUp={stop}
            onFocus={() => pick(thing.id)}
            onKeyDown={(event) => nudge(event, item)}
          >
            {chosen && !isLocked(item) && (
              <Corner
                aria-hidden
                onPointerDown={(event) => {
                  event.stopPropagation();
                  start(event, thing.leftMm, thing.topMm, thing.widthMm, high);
                }}
                onPointerMove={(event) => {
                  event.stopPropagation();
                  resize(event, item);
                }}
                onPointerUp={stop}
              />
            )}
          </ItemHandle>
        );
      })}
      {guides.map(([from, to]) => (
        <GuideLine
          key={`${from.xMm} ${from.yMm}`}
          style={at(from.xMm, from.yMm, to.xMm - from.xMm, to.yMm - from.yMm)}
        />
      ))}
    </>
  );
}

/** What a thing is, in a word or two and its own words. */
export function sayItem(item: LaidItem): string {
  switch (item.kind) {
    case 'text':
      return `Words: ${item.block.text.replaceAll('\n', ' ').slice(0, 40) || '(empty)'}`;
    case 'picture':
      return 'Picture in a frame';
    case 'code':
      return 'Code to scan';
    case 'rule':
      return 'Rule';
    case 'ornament':
      return `Ornament: ${item.object.ornament}`;
  }
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

const PictureHandle = styled.div`
  position: absolute;
  cursor: grab;
  touch-action: none;
`;
const ItemHandle = styled.div`
  position: absolute;
  border: 1px dashed transparent;
  cursor: move;
  touch-action: none;
  &[data-locked] {
    cursor: default;
  }
  &:hover {
    border-color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  &[aria-pressed='true'] {
    border-color: ${({ theme }) => theme.colour.marigold};
    box-shadow: 0 0 0 1px rgb(29 41 48 / 0.6);
  }
`;
const Corner = styled.div`
  position: absolute;
  right: -9px;
  bottom: -9px;
  width: 18px;
  height: 18px;
  border: 2px solid ${({ theme }) => theme.colour.ink};
  border-radius: 50%;
  background: ${({ theme }) => theme.colour.marigold};
  cursor: nwse-resize;
  touch-action: none;
`;
const GuideLine = styled.div`
  position: absolute;
  min-width: 1px;
  min-height: 1px;
  background: ${({ theme }) => theme.colour.marigold};
  box-shadow: 0 0 0 0.5px rgb(29 41 48 / 0.5);
  pointer-events: none;
`;
