import type { ScanAsked } from '@zippy/core/contract';
import { PictureRefused, readPicture } from '../pictures/readPicture.ts';
import { readScan } from '../pictures/readScan.ts';
import { tracePicture } from '../pictures/tracePicture.ts';
import { answerQuestions } from '../processes/answerQuestions.ts';
import { readOwnTypeface, TypefaceRefused } from '../typefaces/readOwnTypeface.ts';

/** What is brought is read; what is kept already is traced. */
const READ = {
  picture: (name: string, bytes: Buffer) => readPicture(name, bytes),
  typeface: (name: string, bytes: Buffer) => readOwnTypeface(name, bytes),
  outline: (name: string, bytes: Buffer, asked: Asked) => tracePicture(name, bytes, asked as TraceAsked),
  scan: (name: string, bytes: Buffer, asked: Asked) => readScan(name, bytes, asked as ScanAsked),
} as const;
type TraceAsked = Parameters<typeof tracePicture>[2];
type Asked = TraceAsked | ScanAsked;
export type Kind = keyof typeof READ;
export type Read = { readonly [K in Kind]: Awaited<ReturnType<(typeof READ)[K]>> };

/** What is asked of this process, and what it answers: one file at a time. */
export interface ToRead {
  readonly kind: Kind;
  readonly name: string;
  readonly bytes: Uint8Array;
  /** Of an outline and a scan. */
  readonly asked?: Asked;
}
export type Answer =
  | { readonly ok: true; readonly read: Read[Kind] }
  | { readonly ok: false; readonly refused: boolean; readonly message: string };

answerQuestions<ToRead, Answer>(({ kind, name, bytes, asked = { widthPx: 1 } }) =>
  READ[kind](name, Buffer.from(bytes), asked).then(
    (read): Answer => ({ ok: true, read }),
    (problem: Error): Answer => ({
      ok: false,
      refused: problem instanceof PictureRefused || problem instanceof TypefaceRefused,
      message: problem.message,
    }),
  ),
);
