import { useState } from 'react';

const KEPT_AS = 'zippy-at-bench';
const MOST_LETTERS = 40;

/** Whose hands are at this bench, as they said on this device; empty where nobody did. */
export function useWhoWorks(): readonly [string, (name: string) => void] {
  const [who, setWho] = useState(() => localStorage.getItem(KEPT_AS) ?? '');
  const keep = (name: string): void => {
    localStorage.setItem(KEPT_AS, name.slice(0, MOST_LETTERS));
    setWho(name.slice(0, MOST_LETTERS));
  };
  return [who, keep];
}
