import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import styled from 'styled-components';
import { cutText, idOf, isWholeOnFace, snap, type Box, type LaidItem, type Snapped } from '@zippy/core';
import type { BenchGeometry } from '../../bench/Bench.tsx';
import { ARROWS } from '../../keys/arrows.ts';
import type { StationProps } from '../parts.ts';
import { useArtKeys } from './useArtKeys.ts';
import { hundredth, isLocked, seenBox, thingOf, useFace } from './useFace.ts';

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

/** Things of a drag, where they lay when it began. */
interface Held extends Drag {
  readonly from: ReadonlyMap<string, { readonly leftMm: number; readonly topMm: number }>;
}

/**
 * Invisible handles over the drawing: words, objects and the picture are dragged, or moved with the arrow keys. A
 * finger moves only what was tapped before, so that swiping and pinching are about the bench and change nothing.
 */
export function Handles({ geometry, ...props }: StationProps & { readonly geometry: BenchGeometry }): ReactNode {
  const hand = useFace(props);
  const { face, art, picked, setFace, setText, setObject, move, pick, pickAlso, pickAll, placeOf, remove } = hand;
  const { pxPerMm, originPx } = geometry;
  const drag = useRef<Held | null>(null);
  const roomRef = useRef<HTMLDivElement>(null);
  const [guides, setGuides] = useState<Snapped['guides']>([]);
  const [frame, setFrame] = useState<Box | null>(null);
  // The face’s own picture, once a finger has tapped it.
  const [pictureHeld, setPictureHeld] = useState(false);
  const isPicked = (item: LaidItem): boolean => picked.some((one) => idOf(one) === idOf(item));
  useArtKeys(hand, props.job);
  const at = (xMm: number, yMm: number, widthMm: number, heightMm: number) => ({
    left: originPx.x + xMm * pxPerMm,
    top: originPx.y + yMm * pxPerMm,
    width: widthMm * pxPerMm,
    height: heightMm * pxPerMm,
  });
  const ground = { widthMm: face.face.widthMm, heightMm: face.face.heightMm, safe: face.safe };
  const start = (
    event: PointerEvent,
    left: number,
    top: number,
    width = 0,
    height = 0,
    ids: readonly string[] = [],
  ) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = {
      ...{ x: event.clientX, y: event.clientY, left, top, width, height, key: `drag-${event.timeStamp}` },
      from: new Map(
        ids.flatMap((id) => {
          const place = placeOf(id);
          return place ? [[id, place] as const] : [];
        }),
      ),
    };
  };
  const stop = (): void => {
    drag.current = null;
    setGuides([]);
    setFrame(null);
  };

  const takeHold = (event: PointerEvent, item: LaidItem): void => {
    const thing = thingOf(item);
    if (event.shiftKey || event.ctrlKey || event.metaKey) return pickAlso(thing.id);
    const already = isPicked(item);
    if (!already) pick(thing.id);
    if (event.pointerType === 'touch' && (!already || !event.isPrimary)) return stop();
    const ids = already ? picked.filter((one) => !isLocked(one)).map(idOf) : isLocked(item) ? [] : [thing.id];
    start(event, thing.leftMm, thing.topMm, 0, 0, ids);
  };
  const moveItem = (event: PointerEvent, item: LaidItem): void => {
    const from = drag.current;
    const thing = thingOf(item);
    const origin = from?.from.get(thing.id);
    if (!from || !origin) return;
    const want = { xMm: (event.clientX - from.x) / pxPerMm, yMm: (event.clientY - from.y) / pxPerMm };
    // Where its ink would come to lie, told from where the plan at hand has it.
    const seen = seenBox(item);
    const there = {
      ...seen,
      xMm: seen.xMm - thing.leftMm + origin.leftMm + want.xMm,
      yMm: seen.yMm - thing.topMm + origin.topMm + want.yMm,
    };
    const others = face.items.filter((other) => !from.from.has(idOf(other))).map(seenBox);
    // Held with Alt, a thing goes exactly where it is put.
    const pull = event.altKey ? { dxMm: 0, dyMm: 0, guides: [] } : snap(there, others, ground, REACH_PX / pxPerMm);
    setGuides(pull.guides);
    const shifts = [...from.from].flatMap(([id, place]) => {
      const lies = placeOf(id);
      if (!lies) return [];
      return [
        [
          id,
          {
            xMm: place.leftMm + want.xMm + pull.dxMm - lies.leftMm,
            yMm: place.topMm + want.yMm + pull.dyMm - lies.topMm,
          },
        ] as const,
      ];
    });
    move(new Map(shifts), from.key);
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
    const all = isPicked(item) ? picked : [item];
    const free = all.filter((one) => !isLocked(one)).map(idOf);
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      if (event.shiftKey || event.ctrlKey) pickAlso(idOf(item));
      else pick(idOf(item));
      return;
    }
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      if (free.length > 0) remove(free);
      return;
    }
    const by = event.shiftKey ? 5 : 0.5;
    const [dx, dy] = ARROWS[event.key] ?? [0, 0];
    if (dx === 0 && dy === 0) return;
    event.preventDefault();
    event.stopPropagation();
    if (free.length > 0) move(new Map(free.map((id) => [id, { xMm: dx * by, yMm: dy * by }])), `nudge-${free.join()}`);
  };

  const startFrame = (event: PointerEvent): void => {
    if (event.pointerType === 'touch') return;
    if (!event.shiftKey) pickAll([]);
    start(event, 0, 0);
  };
  const drawFrame = (event: PointerEvent): void => {
    const from = drag.current;
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
        onPointerUp={stop}
        onPointerCancel={stop}
      />
      {picture && (
        <PictureHandle
          role="button"
          tabIndex={0}
          data-held={pictureHeld || undefined}
          aria-label={`Picture ${props.job.pictures[picture.pictureId]?.name ?? ''}: drag or use the arrow keys to slide it`}
          style={at(face.bleed.xMm, face.bleed.yMm, face.bleed.widthMm, face.bleed.heightMm)}
          onPointerDown={(event) => {
            framing.current = event.shiftKey;
            if (framing.current) return startFrame(event);
            pick(null);
            if (event.pointerType === 'touch' && (!pictureHeld || !event.isPrimary)) return stop();
            start(event, picture.focusX, picture.focusY);
          }}
          onClick={(event) =>
            (event.nativeEvent as globalThis.PointerEvent).pointerType === 'touch' && setPictureHeld(true)
          }
          onPointerMove={(event) => (framing.current ? drawFrame(event) : movePicture(event))}
          onPointerUp={stop}
          onPointerCancel={stop}
          onKeyDown={nudgePicture}
        />
      )}
      {face.items.map((item) => {
        const thing = thingOf(item);
        const high = item.kind === 'text' ? item.set.box.heightMm : item.object.heightMm;
        const chosen = isPicked(item);
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
              setPictureHeld(false);
              takeHold(event, item);
            }}
            onPointerMove={(event) => moveItem(event, item)}
            onPointerUp={stop}
            onPointerCancel={stop}
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
                  start(event, thing.leftMm, thing.topMm, thing.widthMm, high);
                }}
                onPointerMove={(event) => {
                  event.stopPropagation();
                  resize(event, item);
                }}
                onPointerUp={stop}
                onPointerCancel={stop}
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
      {frame && <DraggedFrame style={at(frame.xMm, frame.yMm, frame.widthMm, frame.heightMm)} />}
    </>
  );
}

const overlapOf = (a: Box, b: Box): boolean =>
  a.xMm < b.xMm + b.widthMm && b.xMm < a.xMm + a.widthMm && a.yMm < b.yMm + b.heightMm && b.yMm < a.yMm + a.heightMm;

/** What a thing is, in a word or two and its own words. */
export function sayItem(item: LaidItem): string {
  switch (item.kind) {
    case 'text':
      return `Words: ${cutText(item.block.text.replaceAll('\n', ' '), 40) || '(empty)'}`;
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

/** Frames are dragged from here: all round the face, and on it where no picture lies. */
const Backdrop = styled.div`
  position: absolute;
  inset: 0;
`;
const PictureHandle = styled.div`
  position: absolute;
  cursor: grab;
  touch-action: pan-x pan-y pinch-zoom;
  &[data-held] {
    outline: 2px solid ${({ theme }) => theme.colour.marigold};
    touch-action: none;
  }
`;
const ItemHandle = styled.div`
  position: absolute;
  border: 1px dashed transparent;
  cursor: move;
  touch-action: pan-x pan-y pinch-zoom;
  &[data-locked] {
    cursor: default;
  }
  &:hover {
    border-color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  &[aria-pressed='true'] {
    touch-action: none;
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
const DraggedFrame = styled.div`
  position: absolute;
  border: 1px dashed ${({ theme }) => theme.colour.marigold};
  background: rgb(242 176 30 / 0.12);
  pointer-events: none;
`;
const GuideLine = styled.div`
  position: absolute;
  min-width: 1px;
  min-height: 1px;
  background: ${({ theme }) => theme.colour.marigold};
  box-shadow: 0 0 0 0.5px rgb(29 41 48 / 0.5);
  pointer-events: none;
`;
