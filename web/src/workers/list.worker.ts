import { readTables } from '@zippy/core/names-file';
import type { CellWords, ReadTables } from '@zippy/core';

const UNREADABLE = 'The list cannot be read; save it from its program as CSV and take that in.';

export interface ListQuestion {
  readonly bytes: Uint8Array;
  readonly words: CellWords;
}

self.onmessage = ({ data: { bytes, words } }: MessageEvent<ListQuestion>) => {
  readTables(bytes, words).then(
    (read) => self.postMessage(read),
    // A fault of ours in a file of somebody else’s; the page waits for an answer all the same.
    () => self.postMessage({ ok: false, why: UNREADABLE } satisfies ReadTables),
  );
};
