import type { MakeStep } from './types.ts';

/** Of what lies drying at a step: the cards, or the envelopes beside them. */
const isOfEnvelopes = (step: MakeStep): boolean => step.kind === 'envelope';
/** Sheets of layers are printed apart from the cards; what is cut from them goes onto a card at once. */
const isApart = (step: MakeStep): boolean => isOfEnvelopes(step) || (step.kind === 'layer' && step.plate !== null);

/**
 * The next useful step while what another step left lies drying: of envelopes and of layers’ own sheets while cards dry,
 * of cards while envelopes do. Envelopes, and the sheets of one layer, keep their own order. Null where nothing but
 * waiting is left.
 */
export function meanwhile(steps: readonly MakeStep[], waiting: MakeStep, done: ReadonlySet<string>): MakeStep | null {
  const later = steps.slice(steps.indexOf(waiting) + 1).filter(({ id }) => !done.has(id));
  if (isOfEnvelopes(waiting)) return later.find((step) => !isOfEnvelopes(step) && step.kind !== 'pack') ?? null;
  // Ink on layers’ sheets dries with that of the cards.
  const inkDries = waiting.kind === 'dry' || waiting.kind === 'print';
  return (
    later.find((step) => isApart(step) && !(waiting.kind === 'layer' && !inkDries && step.kind === 'layer')) ?? null
  );
}
