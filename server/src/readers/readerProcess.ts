import { PictureRefused, readPicture } from '../pictures/readPicture.ts';
import { answerQuestions } from '../processes/answerQuestions.ts';
import { readOwnTypeface, TypefaceRefused } from '../typefaces/readOwnTypeface.ts';

const READ = { picture: readPicture, typeface: readOwnTypeface } as const;
export type Kind = keyof typeof READ;
export type Read = { readonly [K in Kind]: Awaited<ReturnType<(typeof READ)[K]>> };

/** What is asked of this process, and what it answers: one file at a time. */
export interface ToRead {
  readonly kind: Kind;
  readonly name: string;
  readonly bytes: Uint8Array;
}
export type Answer =
  | { readonly ok: true; readonly read: Read[Kind] }
  | { readonly ok: false; readonly refused: boolean; readonly message: string };

answerQuestions<ToRead, Answer>(({ kind, name, bytes }) =>
  READ[kind](name, Buffer.from(bytes)).then(
    (read): Answer => ({ ok: true, read }),
    (problem: Error): Answer => ({
      ok: false,
      refused: problem instanceof PictureRefused || problem instanceof TypefaceRefused,
      message: problem.message,
    }),
  ),
);
