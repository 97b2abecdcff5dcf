import { answerQuestions } from '../processes/answerQuestions.ts';
import { PictureRefused, readPicture } from './readPicture.ts';

/** What is asked of this process, and what it answers: one picture at a time. */
export interface ToRead {
  readonly name: string;
  readonly bytes: Uint8Array;
}
export type Answer =
  | { readonly ok: true; readonly picture: Awaited<ReturnType<typeof readPicture>> }
  | { readonly ok: false; readonly refused: boolean; readonly message: string };

answerQuestions<ToRead, Answer>(({ name, bytes }) =>
  readPicture(name, Buffer.from(bytes)).then(
    (picture): Answer => ({ ok: true, picture }),
    (problem: Error): Answer => ({ ok: false, refused: problem instanceof PictureRefused, message: problem.message }),
  ),
);
