import { compareStyles } from '@zippy/core';
import type { Numbered } from './useNewest.ts';

export interface StylesQuestion {
  readonly contents: Parameters<typeof compareStyles>[0];
  readonly choice: Parameters<typeof compareStyles>[1];
  readonly run: Parameters<typeof compareStyles>[2];
}

self.onmessage = ({ data: { number, contents, choice, run } }: MessageEvent<StylesQuestion & Numbered>) => {
  self.postMessage({ number, answer: compareStyles(contents, choice, run) });
};
