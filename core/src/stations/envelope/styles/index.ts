import type { EnvelopeStyleId } from '../../../job/envelopeStyles.ts';
import { deep } from './deep.ts';
import { ownShape } from './ownShape.ts';
import { pocket } from './pocket.ts';
import { pointed } from './pointed.ts';
import { sideSeam } from './sideSeam.ts';
import { squareFlap } from './squareFlap.ts';
import type { EnvelopeStyle } from './types.ts';

/** Every way of making an envelope. A new one is a file and a line here, and its name in the job’s list. */
export const ENVELOPE_STYLES: readonly EnvelopeStyle[] = [sideSeam, squareFlap, pointed, pocket, deep, ownShape];

const byId = new Map(ENVELOPE_STYLES.map((style) => [style.id, style]));
/** @throws RangeError for a name of the job’s list that no file has, which would be our mistake */
export function envelopeStyle(id: EnvelopeStyleId): EnvelopeStyle {
  const found = byId.get(id);
  if (!found) throw new RangeError(`envelopeStyle: no style “${id}”`);
  return found;
}
