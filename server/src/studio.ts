import { randomUUID } from 'node:crypto';
import type { Request, RequestHandler, Response } from 'express';
import type { Pool } from 'pg';
import { HOME_STUDIO_ID } from '@zippy/core/contract';
import { isId } from './fields.ts';
import { Refusal } from './refusal.ts';
import { hasStudio, listDoors } from './tables/studios.ts';
import type { Db } from './tables/types.ts';

export { HOME_STUDIO_ID };

/** Says whose studio a request is for. */
export type FindStudio = (request: Request) => string;

/** A request that names no studio is for the first one; until there is sign-in, whoever reaches the server may enter. */
export const atHome: FindStudio = () => HOME_STUDIO_ID;

/** Settles the studio of a request, before any route reads or writes. */
export const settleStudio =
  (find: FindStudio): RequestHandler =>
  (request, response, next) => {
    response.locals.studioId = find(request);
    next();
  };

/** Settles the studio of a request that names it in its address, which a page does for as long as it lives. */
export function settleNamedStudio(pool: Pool): RequestHandler<{ studioId: string }> {
  // No studio ever goes away, so one that was found is not looked for again.
  const known = new Set<string>();
  return async (request, response, next) => {
    const { studioId } = request.params;
    if (!known.has(studioId)) {
      if (!isId(studioId) || !(await hasStudio(pool, studioId)))
        throw new Refusal(404, 'There is no such studio here; open the page again.');
      known.add(studioId);
    }
    response.locals.studioId = studioId;
    next();
  };
}

/** The studio that commands without a page are for: the one that pages open, or the first. */
export async function studioInUse(db: Db): Promise<string> {
  return (await listDoors(db))[0]?.id ?? HOME_STUDIO_ID;
}

/**
 * The studio that a backup is brought back into where nobody named one: the one in use; a new one where the only one is
 * there to be looked round in and nobody chose it.
 */
export async function studioToFill(db: Db): Promise<string> {
  const [first] = await listDoors(db);
  return first && !first.entered ? randomUUID() : (first?.id ?? HOME_STUDIO_ID);
}

/**
 * The studio that this request is for; every row it touches is of it.
 * @throws RangeError where none was settled, which would be our mistake
 */
export function studioOf(response: Response): string {
  const id: unknown = (response.locals as { readonly studioId?: unknown }).studioId;
  if (typeof id !== 'string') throw new RangeError('studioOf: the request has no studio; settle it before its routes');
  return id;
}
