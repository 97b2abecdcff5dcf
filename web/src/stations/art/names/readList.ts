import type { CellWords, ReadTables } from '@zippy/core';
import type { ListQuestion } from '../../../workers/list.worker.ts';

/** What stands in a list's file, read in a worker of its own: a spreadsheet may be long, or made to be. */
export function readList(bytes: Uint8Array, words: CellWords): Promise<ReadTables> {
  const worker = new Worker(new URL('../../../workers/list.worker.ts', import.meta.url), { type: 'module' });
  const question: ListQuestion = { bytes, words };
  return new Promise<ReadTables>((done) => {
    worker.onmessage = ({ data }: MessageEvent<ReadTables>) => done(data);
    worker.onerror = () => done({ ok: false, why: 'The server is away for the moment; try again when it is back.' });
    worker.postMessage(question);
  }).finally(() => worker.terminate());
}
