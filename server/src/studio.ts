import type { Request, RequestHandler, Response } from 'express';

/** The studio that is there before anybody signs in. */
export const HOME_STUDIO_ID = '00000000-0000-4000-8000-000000000001';

/** Says whose studio a request is for. */
export type FindStudio = (request: Request) => string;

/** Until there is sign-in, everyone who reaches the server is at home. */
export const atHome: FindStudio = () => HOME_STUDIO_ID;

/** Settles the studio of a request, before any route reads or writes. */
export const settleStudio =
  (find: FindStudio): RequestHandler =>
  (request, response, next) => {
    response.locals.studioId = find(request);
    next();
  };

/**
 * The studio that this request is for; every row it touches is of it.
 * @throws RangeError where none was settled, which would be our mistake
 */
export function studioOf(response: Response): string {
  const id: unknown = (response.locals as { readonly studioId?: unknown }).studioId;
  if (typeof id !== 'string') throw new RangeError('studioOf: the request has no studio; settle it before its routes');
  return id;
}
