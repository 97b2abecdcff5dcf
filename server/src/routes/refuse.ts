import type { ErrorRequestHandler, RequestHandler } from 'express';
import type Joi from 'joi';
import { check, type Checked } from '@zippy/core/job-file';
import { Refusal } from '../refusal.ts';
import { oddThing } from '../plainJson.ts';
import { PictureRefused } from '../pictures/readPicture.ts';
import { PictureLost } from '../placed.ts';
import { TypefaceRefused } from '../typefaces/readOwnTypeface.ts';

export { Refusal };

export const notFound = (what: string): Refusal =>
  new Refusal(404, `There is no such ${what}; it may have been removed.`);

/** The value, or a 400 that names the field. */
export function accept<T>(checked: Checked<T>): T {
  if (!checked.ok) throw new Refusal(400, checked.why, checked.field);
  return checked.value;
}

/** What was sent, as the schema knows it; or a 400 that names the field. */
export function body<T>(schema: Joi.Schema, value: unknown): T {
  if (value === undefined)
    throw new Refusal(400, 'The body wants JSON; send it with Content-Type: application/json.', null);
  const odd = oddThing(value);
  if (odd) throw new Refusal(400, `${odd.field} ${odd.why}.`, odd.field);
  return accept(check<T>(schema, value));
}

export const noSuchPlace: RequestHandler = (request) => {
  throw new Refusal(404, `Nothing is served at ${request.path}.`);
};

/** Source: PostgreSQL, appendix A, error codes. */
const DISK_FULL = '53100';

const SAID: Readonly<Record<number, string>> = {
  400: 'The request is not written as requests are; check its address and its body.',
  415: 'The body is in a charset or an encoding that is not read here; send UTF-8, plain or gzip.',
};

export const answerErrors: ErrorRequestHandler = (problem: unknown, _request, response, next) => {
  if (response.headersSent) return next(problem);
  if (problem instanceof Refusal)
    return void response
      .status(problem.status)
      .json({ message: problem.message, field: problem.field, ...problem.extra });
  if (problem instanceof PictureRefused || problem instanceof PictureLost)
    return void response.status(422).json({ message: problem.message, field: 'picture' });
  if (problem instanceof TypefaceRefused)
    return void response.status(422).json({ message: problem.message, field: 'typeface' });
  const type = (problem as { type?: string }).type;
  if (type === 'entity.parse.failed')
    return void response
      .status(400)
      .json({ message: 'The body is not JSON; check its brackets and quotes.', field: null });
  if (type === 'entity.too.large')
    return void response
      .status(413)
      .json({ message: 'That is larger than is taken here; send something smaller.', field: null });
  // What Express and its readers of bodies refuse by themselves: a bad percent sign, an unknown charset or encoding.
  const { status } = problem as { status?: unknown };
  if (typeof status === 'number' && status >= 400 && status < 500)
    return void response.status(status).json({ message: SAID[status] ?? SAID[400], field: null });
  const code = (problem as { code?: string }).code ?? '';
  if (
    /^(ECONN|57P|08)/.test(code) ||
    /timeout exceeded when trying to connect|Connection terminated|not queryable/.test((problem as Error).message ?? '')
  )
    return void response.status(503).json({
      message: 'The database is away for the moment; your work is kept here and will be sent when it is back.',
      field: null,
    });
  if (code === DISK_FULL || code === 'ENOSPC')
    return void response.status(507).json({
      message: 'The disk that the studio’s data lies on is full; free some, your work is kept here and is sent then.',
      field: null,
    });
  console.error(problem);
  response.status(500).json({ message: 'Something failed on our side; your work is kept. Try again.', field: null });
};
