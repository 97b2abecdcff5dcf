import { fixed } from '../../ground/length/rounding.ts';
import { plural } from '../../job/figures.ts';
import { ADHESIVE_UNITS, adhesivePriceOf } from '../../workshop/putOn.ts';
import type { Adhesive } from '../../workshop/types.ts';
import type { Laid } from '../../workshop/adhesives.ts';
import type { EnvelopePlan } from '../envelope/planEnvelope.ts';
import type { LayerPiece } from '../size/layers.ts';
import type { SizePlan } from '../size/planSize.ts';

/** Something on every card that is held by an adhesive that the job names. */
export interface Join {
  readonly what: string;
  readonly adhesive: Adhesive;
  readonly laid: Laid;
  /** Once for so many cards. */
  readonly perCards: number;
}

/** Everything that is glued on one card and its envelope, as far as the job says with what. */
export function joinsOf({ layers, trimmings, seams: own }: SizePlan, { made, seams }: EnvelopePlan): readonly Join[] {
  const asked: readonly (Pick<LayerPiece, 'adhesive' | 'laying' | 'perCards'> & { readonly what: string })[] = [
    ...own.map(({ name, adhesive, laying }) => ({ what: name, adhesive, laying })),
    ...layers.map(({ name, adhesive, laying, perCards = 1 }) => ({ what: name, adhesive, laying, perCards })),
    ...trimmings.placed.map(({ trimming, adhesive, laying }) => ({ what: trimming.name, adhesive, laying })),
    ...(made ? seams.map(({ name, adhesive, laying }) => ({ what: `Envelope, ${name}`, adhesive, laying })) : []),
  ];
  return asked.flatMap(({ what, adhesive, laying, perCards = 1 }) =>
    adhesive && laying?.ok ? [{ what, adhesive, laid: laying, perCards }] : [],
  );
}

/** An adhesive, and how much of it one card takes. */
export interface AdhesiveUse {
  readonly adhesive: Adhesive;
  /** Grams, metres or pieces. */
  readonly perCard: number;
  readonly perCardMinor: number;
}

export function adhesiveUses(joins: readonly Join[]): readonly AdhesiveUse[] {
  const kinds = new Map(joins.map(({ adhesive }) => [adhesive.id, adhesive]));
  return [...kinds.values()].map((adhesive) => {
    const perCard = joins
      .filter((join) => join.adhesive.id === adhesive.id)
      .reduce((sum, { laid, perCards }) => sum + laid.uses / perCards, 0);
    return { adhesive, perCard, perCardMinor: perCard * adhesivePriceOf(adhesive) };
  });
}

const sayPieces = (n: number): string => `${n} ${plural(n, 'piece')}`;

/** 12.4 m, 35 g, 256 pieces; never less than is needed. */
export function sayAmount({ kind }: Pick<Adhesive, 'kind'>, amount: number): string {
  const unit = ADHESIVE_UNITS[kind];
  return unit === 'pieces'
    ? sayPieces(Math.ceil(amount - 1e-9))
    : `${fixed(Math.ceil(amount * 10 - 1e-9) / 10, 1)} ${unit}`;
}
