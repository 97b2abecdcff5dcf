import { PictureRefused, type ReadPicture } from '../pictures/readPicture.ts';
import { ProcessPool } from '../processes/processPool.ts';
import { program } from '../root.ts';
import { TypefaceRefused, type ReadTypeface } from '../typefaces/readOwnTypeface.ts';
import type { ScanAnswer, ScanAsked } from '@zippy/core/contract';
import type { Answer, Kind, Read, ToRead } from './readerProcess.ts';

/** Whatever a file does to its reader, there is an answer within ten seconds: this, a second’s wait and a start. */
const LIMITS = { limitMs: 7000, memoryMb: 1024, atOnce: 2, most: 8 };

const SCAN_LIMITS = { limitMs: 60_000, memoryMb: 2048, atOnce: 1, most: 3 };

/** Reads what makers bring in processes of their own; no file, however it was made, holds up a request or the server. */
export class Readers {
  private readonly pool = new ProcessPool<ToRead, Answer>(program('server/src/readers/readerProcess.ts'), LIMITS);
  private readonly scans = new ProcessPool<ToRead, Answer>(program('server/src/readers/readerProcess.ts'), SCAN_LIMITS);

  /** @throws PictureRefused with one sentence for the maker */
  async picture(name: string, bytes: Buffer): Promise<ReadPicture> {
    const answer = await this.pool.ask({ kind: 'picture', name, bytes });
    if (answer === null)
      throw new PictureRefused(
        `${name} takes longer to read, or more room, than any picture needs; simplify it, or save it as PNG, and try again.`,
      );
    const { ref, bytes: kept, preview } = readOf<'picture'>(answer, PictureRefused);
    return {
      ref,
      bytes: Buffer.from(kept),
      preview: { mime: preview.mime, bytes: Buffer.from(preview.bytes) },
    };
  }

  /** @throws PictureRefused with one sentence for the maker */
  async outline(name: string, bytes: Buffer, asked: NonNullable<ToRead['asked']>): Promise<{ readonly path: string }> {
    const answer = await this.pool.ask({ kind: 'outline', name, bytes, asked });
    if (answer === null)
      throw new PictureRefused(`${name} takes longer to cut round than any figure needs; simplify it, and try again.`);
    return readOf<'outline'>(answer, PictureRefused);
  }

  /**
   * Scans are ten times as large as pictures, and looked at dot by dot.
   * @throws PictureRefused with one sentence for the maker
   */
  async scan(bytes: Buffer, asked: ScanAsked): Promise<ScanAnswer> {
    const answer = await this.scans.ask({ kind: 'scan', name: 'The scan', bytes, asked });
    if (answer === null)
      throw new PictureRefused(
        'The scan takes longer to read than any should; scan at 300 dots to the inch, and try again.',
      );
    return readOf<'scan'>(answer, PictureRefused);
  }

  /** @throws TypefaceRefused with one sentence for the maker */
  async typeface(name: string, bytes: Buffer): Promise<ReadTypeface> {
    const answer = await this.pool.ask({ kind: 'typeface', name, bytes });
    if (answer === null)
      throw new TypefaceRefused(
        `${name} takes longer to read, or more room, than any typeface needs; fetch it again from where it came.`,
      );
    const read = readOf<'typeface'>(answer, TypefaceRefused);
    return { ...read, bytes: Buffer.from(read.bytes) };
  }
}

/** What was read. Its bytes come over as plain arrays of them. */
function readOf<K extends Kind>(answer: Answer, Refused: new (message: string) => Error): Read[K] {
  if (answer.ok) return answer.read as Read[K];
  throw answer.refused ? new Refused(answer.message) : new Error(answer.message);
}
