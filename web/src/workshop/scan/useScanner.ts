import { useState } from 'react';
import { type ScanFrame } from '@zippy/core';
import type { ScanAnswer, ScanAsked } from '@zippy/core/contract';
import { api } from '../../api/client.ts';

const KEPT_AS = 'zippy-scanner';

interface Scanner {
  /** Dots to the inch that it was set to, where its files do not say. */
  readonly dpi: number | null;
  /** Its own scale and skew, from a card of known size; and on which day. */
  readonly frame: ScanFrame | null;
  readonly day: string | null;
}

const UNKNOWN: Scanner = { dpi: null, frame: null, day: null };

const keptScanner = (): Scanner => {
  try {
    return { ...UNKNOWN, ...(JSON.parse(localStorage.getItem(KEPT_AS) ?? '{}') as Partial<Scanner>) };
  } catch {
    return UNKNOWN;
  }
};

/** The scanner at this place, as far as this browser knows it, and what it is asked. */
export function useScanner(): {
  readonly scanner: Scanner;
  readonly set: (part: Partial<Scanner>) => void;
  readonly busy: boolean;
  readonly problem: string | null;
  /** @returns null where it could not be read; the problem then says why */
  readonly read: (
    files: readonly Blob[],
    asked: { readonly kind: 'frame' | 'cards' } | Pick<Extract<ScanAsked, { kind: 'calibration' }>, 'kind' | 'of'>,
  ) => Promise<ScanAnswer | null>;
} {
  const [scanner, setScanner] = useState(keptScanner);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  return {
    ...{ scanner, busy, problem },
    set: (part) => {
      const next = { ...scanner, ...part };
      localStorage.setItem(KEPT_AS, JSON.stringify(next));
      setScanner(next);
    },
    read: async (files, asked) => {
      setBusy(true);
      setProblem(null);
      try {
        const frame = asked.kind === 'frame' ? null : scanner.frame;
        return await api.readScan(files, { ...asked, dpi: scanner.dpi, frame });
      } catch (why) {
        setProblem((why as Error).message);
        return null;
      } finally {
        setBusy(false);
      }
    },
  };
}
