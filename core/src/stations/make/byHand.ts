import { wantedOf } from '../../job/namesList.ts';
import type { Job } from '../../job/types.ts';
import { perPieceFixed } from '../../workshop/putOn.ts';
import type { Pace } from '../../workshop/types.ts';
import type { EnvelopePlan } from '../envelope/planEnvelope.ts';
import type { SheetPlan } from '../sheet/types.ts';
import type { SizePlan } from '../size/planSize.ts';

/** What a job has besides its cards. */
export interface Besides {
  readonly size: Pick<SizePlan, 'trimmings' | 'ribbon' | 'popUps'>;
  readonly sheet: Pick<SheetPlan, 'layers'>;
  readonly envelope: Pick<EnvelopePlan, 'liner'>;
}

/**
 * Pieces that are put where they belong by hand, over the run: trimmings and ribbons, what pops up where it is glued,
 * layers glued on or laid in, tags tied, bands and sleeves put round, envelopes lined. Spares are not finished.
 */
export function piecesFixed(job: Job, { size, sheet, envelope }: Besides): number {
  const cards = wantedOf(job);
  const onEach = size.trimmings.placed.length + (size.ribbon ? 1 : 0) + (size.popUps?.spots.length ?? 0);
  const layers = sheet.layers
    // A pop-up’s parts count where they are glued.
    .filter(({ piece, up }) => up > 0 && piece.kind !== 'popUp')
    .reduce((sum, { piece }) => sum + Math.ceil(cards / (piece.perCards ?? 1)), 0);
  return cards * (onEach + (envelope.liner && envelope.liner.up > 0 ? 1 : 0)) + layers;
}

export const minutesFixing = (job: Job, besides: Besides, pace: Pace): number =>
  piecesFixed(job, besides) * perPieceFixed(pace);

/** Minutes to crease and fold what goes on, in or round the cards, spares too: each line is one pass and one fold. */
export function minutesCreasingParts({ sheet, envelope }: Besides, pace: Pace): number {
  const layers = sheet.layers
    .filter(({ up }) => up > 0)
    .reduce((sum, { made, blank }) => sum + made * blank.creases.length, 0);
  const { liner } = envelope;
  const lined = liner && liner.up > 0 ? liner.onSheets.made * liner.blank.creases.length : 0;
  return (layers + lined) * (pace.perCreasePass + pace.perFold);
}
