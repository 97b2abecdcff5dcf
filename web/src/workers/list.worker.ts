import { readTables } from '@zippy/core/names-file';
import type { CellWords } from '@zippy/core';

export interface ListQuestion {
  readonly bytes: Uint8Array;
  readonly words: CellWords;
}

self.onmessage = ({ data: { bytes, words } }: MessageEvent<ListQuestion>) => {
  void readTables(bytes, words).then((read) => self.postMessage(read));
};
