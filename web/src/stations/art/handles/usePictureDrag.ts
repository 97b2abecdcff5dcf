import type { KeyboardEvent, PointerEvent } from 'react';
import { isWholeOnFace } from '@zippy/core';
import { ARROWS } from '../../../keys/arrows.ts';
import type { FaceInHand } from '../useFace.ts';
import type { Drag } from './useDrag.ts';

/** The face’s own picture slides within its frame, by a drag or by the arrow keys. */
export function usePictureDrag({ face, art, pictureNow, setFace }: FaceInHand, drag: Drag, pxPerMm: number) {
  const slidePicture = (focusX: number, focusY: number, key: string): void => {
    const now = pictureNow();
    if (!now) return;
    const clamp = (v: number): number => Math.min(1, Math.max(0, v));
    setFace({ picture: { ...now, focusX: clamp(focusX), focusY: clamp(focusY) } }, key);
  };
  /** How much of the picture is over its frame; below nought, how much of the frame is left over. */
  const leftOver = (): { readonly x: number; readonly y: number } => {
    const placed = face.picture?.box ?? face.bleed;
    const frame = art.picture && isWholeOnFace(art.picture) ? face.safe : face.bleed;
    return { x: placed.widthMm - frame.widthMm, y: placed.heightMm - frame.heightMm };
  };
  const movePicture = (event: PointerEvent): void => {
    const from = drag.held.current;
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
    const now = pictureNow();
    if (!now || (dx === 0 && dy === 0)) return;
    event.preventDefault();
    event.stopPropagation();
    const over = leftOver();
    slidePicture(
      now.focusX - Math.sign(over.x) * dx * 0.02,
      now.focusY - Math.sign(over.y) * dy * 0.02,
      'nudge-picture',
    );
  };

  return { movePicture, nudgePicture };
}
