import type { Context } from '../../job/context.ts';
import { listed } from '../../job/figures.ts';
import type { Snag } from '../../job/findings.ts';
import { sheetPriceOf } from '../../workshop/sheetPrice.ts';
import type { EnvelopePlan } from '../envelope/planEnvelope.ts';
import { piecesOf } from '../envelope/piecesOf.ts';
import { sidesPrinted } from '../sheet/pieces.ts';
import type { SheetPlan } from '../sheet/types.ts';

/** What a card needs and nobody has said the price of: it counts as nothing, and the maker should know. */
export function unpriced({
  job,
  workshop,
  sheet,
  envelope,
}: Context & { readonly sheet: SheetPlan; readonly envelope: EnvelopePlan }): readonly Snag[] {
  const pieces = piecesOf({ sheet, envelope });
  const free = pieces.filter(({ stock }) => sheetPriceOf(stock) === 0).map(({ stock }) => stock.name);
  const inks = pieces
    .filter((piece) => sidesPrinted(piece) > 0 && piece.print?.printer.sidePriceMinor === 0)
    .map(({ print }) => `printing on ${print!.printer.name}`);
  // A giver’s evening is a present.
  const hour = job.brief.purpose === 'sell' && workshop.hourlyMinor === 0 ? ['your hour'] : [];
  const what = [...new Set([...free, ...inks, ...hour])];
  if (what.length === 0) return [];
  return [
    {
      id: 'sell-unpriced',
      station: 'sell',
      level: 'note',
      title: what.length === 1 ? 'One thing has no price yet' : `${what.length} things have no price yet`,
      why: `${listed(what)} ${what.length === 1 ? 'counts' : 'count'} as nothing here. Put what you pay in Workshop, and the cost is true.`,
      remedies: [],
    },
  ];
}
