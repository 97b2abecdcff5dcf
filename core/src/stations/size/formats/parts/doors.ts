import type { Blank } from '../../../../ground/fold/types.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import { strip, type StripCrease, type StripPart } from './strip.ts';

/** Panels that all fold to the inside. */
export const doors = (heightMm: Mm, parts: readonly StripPart[], ids: readonly string[]): Blank =>
  strip(
    parts,
    ids.map((id): StripCrease => ({ id, direction: 'mountain' })),
    heightMm,
  );
