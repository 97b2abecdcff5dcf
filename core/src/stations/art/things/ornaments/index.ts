import { anchor } from './anchor.ts';
import { gull } from './gull.ts';
import { heart } from './heart.ts';
import { knot } from './knot.ts';
import { lantern } from './lantern.ts';
import { shell } from './shell.ts';
import { sprig } from './sprig.ts';
import { star } from './star.ts';
import { wave } from './wave.ts';
import type { OrnamentId } from '../../../../job/ornaments.ts';
import type { Ornament } from './types.ts';

/** Every ornament, in the order in which they are offered. A new one is a file and a line here, and its name in the job’s list. */
export const ORNAMENTS: readonly Ornament[] = [wave, star, shell, lantern, sprig, gull, knot, heart, anchor];

const byId = new Map(ORNAMENTS.map((one) => [one.id, one]));
/** @throws RangeError for a name of the job’s list that no file has, which would be our mistake */
export function ornamentOf(id: OrnamentId): Ornament {
  const found = byId.get(id);
  if (!found) throw new RangeError(`ornamentOf: no ornament “${id}”`);
  return found;
}
