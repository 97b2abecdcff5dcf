import { sortedBy } from '../../job/sorted.ts';
import type { ShelfEnvelope, Workshop } from '../../workshop/types.ts';
import { fitEnvelope } from './fitEnvelope.ts';

/** Envelopes on the shelf that a card goes into well, or tightly; good fits first, and the closest of them. */
export const suitingEnvelopes = (
  card: Parameters<typeof fitEnvelope>[0],
  { envelopes }: Workshop,
): readonly ShelfEnvelope[] =>
  sortedBy(
    envelopes.filter((envelope) => ['good', 'tight'].includes(fitEnvelope(card, envelope).word)),
    (envelope) => (fitEnvelope(card, envelope).word === 'good' ? 0 : 1),
    (envelope) => envelope.insideWidthMm * envelope.insideHeightMm,
  );
