import { ProcessPool } from '../processes/processPool.ts';
import { program } from '../root.ts';
import { PictureRefused, type ReadPicture } from './readPicture.ts';
import type { Answer, ToRead } from './readerProcess.ts';

/** Whatever a file does to its reader, there is an answer within ten seconds: this, a second’s wait and a start. */
const LIMITS = { limitMs: 7000, memoryMb: 1024, atOnce: 2, most: 8 };

/** Reads what makers bring in processes of their own; no file, however it was made, holds up a request or the server. */
export class PictureReaders {
  private readonly pool = new ProcessPool<ToRead, Answer>(program('server/src/pictures/readerProcess.ts'), LIMITS);

  /** @throws PictureRefused with one sentence for the maker */
  async read(name: string, bytes: Buffer): Promise<ReadPicture> {
    const answer = await this.pool.ask({ name, bytes });
    if (answer === null)
      throw new PictureRefused(
        `${name} takes longer to read, or more room, than any picture needs; simplify it, or save it as PNG, and try again.`,
      );
    if (answer.ok) return onThisSide(answer.picture);
    throw answer.refused ? new PictureRefused(answer.message) : new Error(answer.message);
  }
}

/** Bytes come over as plain arrays of them. */
const onThisSide = ({ ref, bytes, preview }: ReadPicture): ReadPicture => ({
  ref,
  bytes: Buffer.from(bytes),
  preview: { mime: preview.mime, bytes: Buffer.from(preview.bytes) },
});
