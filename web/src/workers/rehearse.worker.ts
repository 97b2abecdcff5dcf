import { rehearse, type DriftModel, type RehearsedFace } from '@zippy/core';
import type { Numbered } from './useNewest.ts';

export interface RehearseQuestion {
  readonly faces: readonly RehearsedFace[];
  readonly model: DriftModel;
}

self.onmessage = ({ data: { number, faces, model } }: MessageEvent<RehearseQuestion & Numbered>) => {
  self.postMessage({ number, answer: rehearse(faces, model) });
};
