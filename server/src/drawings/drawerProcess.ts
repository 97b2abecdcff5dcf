import { answerQuestions } from '../processes/answerQuestions.ts';
import { Refusal } from '../refusal.ts';
import { draw, type Drawn, type ToDraw } from './draw.ts';

export type Answer =
  | { readonly ok: true; readonly drawn: Drawn[ToDraw['kind']] }
  | { readonly ok: false; readonly refused: Pick<Refusal, 'status' | 'field'> | null; readonly message: string };

answerQuestions<ToDraw, Answer>((asked) =>
  draw(asked).then(
    (drawn): Answer => ({ ok: true, drawn }),
    (problem: Error): Answer => ({
      ok: false,
      refused: problem instanceof Refusal ? { status: problem.status, field: problem.field } : null,
      message: problem.message,
    }),
  ),
);
