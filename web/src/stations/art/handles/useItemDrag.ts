import type { KeyboardEvent, PointerEvent } from 'react';
import { idOf, snap, type LaidItem, type Snapped } from '@zippy/core';
import { ARROWS } from '../../../keys/arrows.ts';
import { hundredth, isLocked, seenBox, thingOf, type useFace } from '../useFace.ts';
import type { Drag } from './useDrag.ts';

/** Nearer than this on the screen a thing snaps; on the card that depends on the zoom. */
const REACH_PX = 7;
const SMALLEST_MM = 3;

/**
 * Words, objects and frames of a face under a hand: taken hold of, moved with all that is picked, stretched at a corner,
 * and moved, picked or removed by keys. A finger moves only what was tapped before.
 */
export function useItemDrag(
  hand: ReturnType<typeof useFace>,
  drag: Drag,
  pxPerMm: number,
  setGuides: (guides: Snapped['guides']) => void,
) {
  const { face, picked, setText, setObject, move, pick, pickAlso, placeOf, remove } = hand;
  const isPicked = (item: LaidItem): boolean => picked.some((one) => idOf(one) === idOf(item));
  const ground = { widthMm: face.face.widthMm, heightMm: face.face.heightMm, safe: face.safe };

  const takeHold = (event: PointerEvent, item: LaidItem): void => {
    const thing = thingOf(item);
    if (event.shiftKey || event.ctrlKey || event.metaKey) return pickAlso(thing.id);
    const already = isPicked(item);
    if (!already) pick(thing.id);
    if (event.pointerType === 'touch' && (!already || !event.isPrimary)) return drag.stop();
    const ids = already ? picked.filter((one) => !isLocked(one)).map(idOf) : isLocked(item) ? [] : [thing.id];
    const places = ids.flatMap((id) => {
      const place = placeOf(id);
      return place ? [[id, place] as const] : [];
    });
    drag.start(event, { left: thing.leftMm, top: thing.topMm }, new Map(places));
  };
  const moveItem = (event: PointerEvent, item: LaidItem): void => {
    const from = drag.held.current;
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
    const from = drag.held.current;
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

  return { isPicked, takeHold, moveItem, resize, nudge };
}
