import { useEffect, useRef, useState } from 'react';

const GLIDE_MS = 480;

/** Moves a number to its new value in half a second, or at once for those who asked for less motion. */
export function useGlide(target: number): number {
  const [shown, setShown] = useState(target);
  const from = useRef(target);
  useEffect(() => {
    const start = from.current;
    const calm = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    if (calm || start === target) {
      from.current = target;
      setShown(target);
      return;
    }
    const began = performance.now();
    let frame = requestAnimationFrame(function tick(now) {
      const share = Math.min(1, (now - began) / GLIDE_MS);
      const eased = share * share * (3 - 2 * share);
      from.current = start + (target - start) * eased;
      setShown(from.current);
      if (share < 1) frame = requestAnimationFrame(tick);
    });
    return () => cancelAnimationFrame(frame);
  }, [target]);
  return shown;
}
