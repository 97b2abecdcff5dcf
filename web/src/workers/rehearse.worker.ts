import { rehearse, type DriftModel, type Misprint, type RehearsedFace } from '@zippy/core';
import type { Numbered } from './useNewest.ts';

export interface RehearseQuestion {
  readonly faces: readonly RehearsedFace[];
  readonly model: DriftModel;
  readonly misprints: readonly Misprint[];
}

self.onmessage = ({ data: { number, faces, model, misprints } }: MessageEvent<RehearseQuestion & Numbered>) => {
  self.postMessage({ number, answer: rehearse(faces, model, misprints) });
};
