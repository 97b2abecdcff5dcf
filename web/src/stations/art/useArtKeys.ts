import { useEffect } from 'react';
import { idOf, type Job } from '@zippy/core';
import { isBusy } from '../../keys/useKeys.ts';
import { useJob } from '../../stores/job.ts';
import { clipboard, laidAgain, takeThings, type Taken } from './clipboard.ts';
import { isLocked, type FaceInHand } from './useFace.ts';

/** A copy lies this much aside of what it was taken from. */
const ASIDE_MM = 4;

/** Copies, cuts, doubles and pastes what is picked out, on any face of any job. */
export function handleThings(hand: FaceInHand, job: Job) {
  const { art, picked, face } = hand;
  const taken = (): Taken => {
    const ids = new Set(picked.map(idOf));
    return takeThings(
      job,
      art.texts.filter(({ id }) => ids.has(id)),
      (art.objects ?? []).filter(({ id }) => ids.has(id)),
    );
  };
  const lay = (what: Taken): void => {
    const here = new Set(face.items.map(({ ...item }) => placeName(item.kind === 'text' ? item.block : item.object)));
    // Where a copy would lie exactly on a thing of this face, it lies a little aside.
    const hides = [...what.texts, ...what.objects].some((thing) => here.has(placeName(thing)));
    const { things, kept } = laidAgain(what, useJob.getState().job ?? job, hides ? ASIDE_MM : 0);
    hand.add(things, kept);
  };
  return {
    copy: () => picked.length > 0 && clipboard.put(taken()),
    cut: () => {
      if (picked.length === 0) return;
      clipboard.put(taken());
      hand.remove(picked.filter((item) => !isLocked(item)).map(idOf));
    },
    double: () => picked.length > 0 && lay(taken()),
    paste: () => {
      const what = clipboard.get();
      if (what) lay(what);
    },
  };
}

const placeName = ({ leftMm, topMm, widthMm }: { leftMm: number; topMm: number; widthMm: number }): string =>
  [leftMm, topMm, widthMm].join(' ');

/** The keys for it that every program has; in a field they are the field’s. */
export function useArtKeys(hand: FaceInHand, job: Job): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || event.altKey || event.shiftKey || !(event.ctrlKey || event.metaKey)) return;
      if (isBusy(event.target) || String(getSelection() ?? '') !== '') return;
      const does = handleThings(hand, job);
      const act = { c: does.copy, x: does.cut, v: does.paste, d: does.double }[event.key.toLowerCase()];
      if (event.key.toLowerCase() === 'a') hand.pickAll(hand.face.items.map(idOf));
      else if (act) act();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [hand, job]);
}
