import type { Request, RequestHandler } from 'express';
import { Refusal } from './refuse.ts';

/** Pictures travel in a job file as long strings; all that is not in strings is a job, which is small. */
const LIMITS = { bytes: 200 * 1024 * 1024, structure: 4 * 1024 * 1024, depth: 40 } as const;

const CODE = { quote: 0x22, backslash: 0x5c, open: [0x5b, 0x7b], close: [0x5d, 0x7d] } as const;

/** Follows JSON as it comes, byte by byte, without keeping any of it: how deep it is, and how much of it is no string. */
class Outline {
  private depth = 0;
  private structure = 0;
  private bytes = 0;
  private inString = false;
  private escaped = false;

  /** @returns what is wrong by now, or null */
  take(chunk: Buffer): string | null {
    this.bytes += chunk.length;
    if (this.bytes > LIMITS.bytes)
      return `is larger than ${LIMITS.bytes / 1048576} MB; save the job with smaller pictures.`;
    for (const byte of chunk) {
      if (this.inString) {
        if (this.escaped) this.escaped = false;
        else if (byte === CODE.backslash) this.escaped = true;
        else if (byte === CODE.quote) this.inString = false;
        continue;
      }
      this.structure += 1;
      if (byte === CODE.quote) this.inString = true;
      else if (byte === CODE.open[0] || byte === CODE.open[1]) this.depth += 1;
      else if (byte === CODE.close[0] || byte === CODE.close[1]) this.depth -= 1;
      if (this.depth > LIMITS.depth) return 'is nested deeper than any job; it is no job file.';
    }
    return this.structure > LIMITS.structure ? 'holds far more than a job does; it is no job file.' : null;
  }
}

/** The JSON of a job file, refused on its way in when it can be none: what is refused is not kept while it comes. */
export const jobFileBody: RequestHandler = (request, _response, next) => {
  if (!request.is('application/json')) return next();
  read(request).then(
    (text) => {
      try {
        request.body = JSON.parse(text) as unknown;
      } catch {
        return next(new Refusal(400, 'The body is not JSON; check its brackets and quotes.'));
      }
      next();
    },
    (problem: unknown) => next(problem),
  );
};

function read(request: Request): Promise<string> {
  const encoding = request.headers['content-encoding'];
  if (encoding !== undefined && encoding !== 'identity')
    return Promise.reject(new Refusal(415, 'A job file is sent as it is, in no encoding of its own.'));
  return new Promise((done, failed) => {
    const outline = new Outline();
    let chunks: Buffer[] = [];
    let refused: Refusal | null = null;
    request.on('data', (chunk: Buffer) => {
      // What is still on its way is let by, so that whoever sends it reads the answer.
      if (refused) return;
      const wrong = outline.take(chunk);
      if (wrong === null) return void chunks.push(chunk);
      chunks = [];
      failed((refused = new Refusal(413, `file ${wrong}`, 'file')));
    });
    request.once('end', () => done(Buffer.concat(chunks).toString('utf8')));
    request.once('error', failed);
    request.once('aborted', () => failed(new Refusal(400, 'The file broke off on its way; send it again.')));
  });
}
