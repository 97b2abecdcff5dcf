import { formatLength } from '../../ground/length/formatLength.ts';
import { plural } from '../../job/figures.ts';
import type { Adhesive, TrimmingKind, Workshop } from '../../workshop/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { PlacedTrimming } from '../size/trimmings.ts';
import { CAUTIONS } from './cautions.ts';
import { sayLaid } from './sayLaid.ts';
import type { MakeStep } from './types.ts';

/** Things that a small child could swallow. */
const SMALL: ReadonlySet<TrimmingKind> = new Set(['button', 'gem', 'brad', 'charm', 'bow']);

/** What wants no glue. */
const HOLD_THEMSELVES: ReadonlySet<TrimmingKind> = new Set(['brad', 'sticker']);

/** What is said of what holds a piece; nothing of dry tapes, pads and dots. */
export function cautionOf(adhesive: Adhesive | null): string | null {
  switch (adhesive?.kind) {
    case 'hot':
      return CAUTIONS.hotGlue;
    case 'spray':
      return CAUTIONS.sprayGlue;
    case 'wet':
    case undefined:
      return CAUTIONS.glue;
    default:
      return null;
  }
}

/** How long a piece can still be moved, and how long it is left alone. */
export function sayHolding({ openMinutes, dryMinutes }: Adhesive): string {
  const moves =
    openMinutes > 0
      ? `It can be moved for ${openMinutes < 1 ? `${Math.round(openMinutes * 60)} s` : `${openMinutes} min`}.`
      : 'It grabs at once: lay one edge first.';
  return dryMinutes > 0 ? `${moves} Leave it lying flat until it is dry.` : moves;
}

/** Things of one kind on one face, held in one way, are one piece of work. */
export function trimmingSteps({ trimmings }: SizePlan, { unit }: Workshop): readonly MakeStep[] {
  const groups = new Map<string, PlacedTrimming[]>();
  for (const one of trimmings.placed) {
    const key = JSON.stringify([one.faceId, one.trimming.id, one.adhesive?.id ?? null]);
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups.values()].map((group): MakeStep => {
    const { trimming, adhesive, laying, faceName, faceId } = group[0]!;
    const places = group.map(({ choice: { xMm, yMm, turnDeg } }) => {
      const turned = turnDeg ? `, turned ${Math.round(turnDeg)}° clockwise` : '';
      return `${formatLength(xMm, unit)} from the left and ${formatLength(yMm, unit)} from the top${turned}`;
    });
    const laid = adhesive && laying?.ok ? `${sayLaid(adhesive, laying, unit)} of ${adhesive.name}` : null;
    const how = laid
      ? `Hold ${group.length > 1 ? 'each' : 'it'} with ${laid}. ${sayHolding(adhesive!)}`
      : trimming.kind === 'brad'
        ? 'Prick the hole on a mat, push the legs through and open them out inside.'
        : trimming.kind === 'sticker'
          ? 'Peel it and lay it with its middle on the place, once all that goes in is in.'
          : trimming.kind === 'magnet'
            ? 'Try which sides draw each other, mark them, and glue it so that they face.'
            : 'Hold it with glue or tape that bears it.';
    const cautions = [
      ...(adhesive || !HOLD_THEMSELVES.has(trimming.kind)
        ? [cautionOf(adhesive)]
        : [trimming.kind === 'brad' ? CAUTIONS.pricking : null]),
      trimming.kind === 'magnet' ? CAUTIONS.magnets : null,
      SMALL.has(trimming.kind) ? CAUTIONS.smallParts : null,
    ].filter((one) => one !== null);
    return {
      id: `trimming-${faceId}-${trimming.id}${adhesive ? `-${adhesive.id}` : ''}`,
      kind: 'trimming',
      faceId,
      title: `${group.length > 1 ? `Fix ${group.length} of` : 'Fix'} ${trimming.name} on the ${faceName.toLowerCase()}`,
      big:
        group.length > 1
          ? `${group.length} ${plural(group.length, 'place')}`
          : `${formatLength(group[0]!.choice.xMm, unit)} · ${formatLength(group[0]!.choice.yMm, unit)}`,
      detail: `${group.length > 1 ? 'Their middles' : 'Its middle'}: ${places.join('; ')}. ${how}`,
      caution: cautions.length > 0 ? cautions.join(' ') : null,
      waitMinutes: adhesive && adhesive.dryMinutes > 0 ? adhesive.dryMinutes : null,
    };
  });
}
