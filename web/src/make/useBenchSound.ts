import { useCallback, useEffect, useRef, useState } from 'react';

const KEPT_AS = 'zippy-bench-sound';
/** Two notes a fourth apart, soft enough for a kitchen at night. */
const NOTES_HZ = [587, 784] as const;
const NOTE_S = 0.32;
const LOUD = 0.18;

/** A sound when time is up. Browsers let a page sound only after it was touched, so it is made ready at a press. */
export function useBenchSound(): {
  readonly isOn: boolean;
  readonly setOn: (on: boolean) => void;
  readonly ready: () => void;
  readonly ring: () => void;
} {
  const [isOn, setIsOn] = useState(() => localStorage.getItem(KEPT_AS) !== 'off');
  const context = useRef<AudioContext | null>(null);
  useEffect(() => () => void context.current?.close(), []);
  const ready = useCallback(() => {
    context.current ??= new AudioContext();
    void context.current.resume();
  }, []);
  const ring = useCallback(() => {
    const { current } = context;
    if (!isOn || current?.state !== 'running') return;
    NOTES_HZ.forEach((hertz, i) => {
      const [note, gain] = [current.createOscillator(), current.createGain()];
      const from = current.currentTime + i * NOTE_S;
      note.frequency.value = hertz;
      gain.gain.setValueAtTime(0, from);
      gain.gain.linearRampToValueAtTime(LOUD, from + 0.03);
      gain.gain.exponentialRampToValueAtTime(0.001, from + NOTE_S * 2);
      note.connect(gain).connect(current.destination);
      note.start(from);
      note.stop(from + NOTE_S * 2);
    });
  }, [isOn]);
  const setOn = useCallback((on: boolean) => {
    localStorage.setItem(KEPT_AS, on ? 'on' : 'off');
    setIsOn(on);
  }, []);
  return { isOn, setOn, ready, ring };
}
