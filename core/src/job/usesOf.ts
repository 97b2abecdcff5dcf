import type { Job } from './types.ts';

/** The lists of things that a workshop owns, as the workshop names them. */
export const SHELVES = [
  'stocks',
  'envelopes',
  'trimmings',
  'adhesives',
  'printers',
  'trimmers',
  'boards',
  'tools',
] as const;
export type Shelf = (typeof SHELVES)[number];

/** One thing of the workshop that a job names; a feed path beside its printer. */
export interface Use {
  readonly shelf: Shelf;
  readonly id: string;
  readonly pathId?: string;
}

/** The parts of a job that name things of the workshop. */
export interface HoldsThings {
  readonly brief: Pick<Job['brief'], 'envelope'>;
  readonly size: Pick<Job['size'], 'layers' | 'adhesiveId'>;
  readonly stock: Job['stock'];
  readonly cut: Pick<Job['cut'], 'trimmerId'>;
  readonly crease: Pick<Job['crease'], 'boardId'>;
  readonly envelope: Pick<Job['envelope'], 'make' | 'stockId' | 'liner' | 'adhesiveId'>;
  readonly trimmings?: Job['trimmings'];
}

/**
 * What a job would miss if it were taken out of the workshop, each thing once. The stock of an envelope that is not made
 * counts for nothing, though the job remembers it.
 */
export function usesOf({ brief, size, stock, cut, crease, envelope, trimmings = [] }: HoldsThings): readonly Use[] {
  const stocks = new Set([
    stock.stockId,
    ...size.layers.flatMap(({ stockIds }) => stockIds),
    ...(envelope.make ? [envelope.stockId] : []),
    ...(envelope.liner ? [envelope.liner.stockId] : []),
  ]);
  const adhesives = new Set(
    [
      ...trimmings.map(({ adhesiveId }) => adhesiveId),
      ...size.layers.map(({ adhesiveId }) => adhesiveId),
      envelope.make ? envelope.adhesiveId : null,
      size.adhesiveId,
    ].filter((id) => typeof id === 'string'),
  );
  return [
    ...[...stocks].map((id) => ({ shelf: 'stocks' as const, id })),
    ...(brief.envelope.kind === 'shelf' ? [{ shelf: 'envelopes' as const, id: brief.envelope.envelopeId }] : []),
    ...[...new Set(trimmings.map(({ trimmingId }) => trimmingId))].map((id) => ({ shelf: 'trimmings' as const, id })),
    ...[...adhesives].map((id) => ({ shelf: 'adhesives' as const, id })),
    ...feedsOf(size, stock).map(({ printerId, pathId }) => ({ shelf: 'printers' as const, id: printerId, pathId })),
    { shelf: 'trimmers', id: cut.trimmerId },
    { shelf: 'boards', id: crease.boardId },
  ];
}

/** The card’s way through a printer and those of its panels that have one of their own, each once. */
function feedsOf(
  { layers }: HoldsThings['size'],
  { printerId, pathId }: HoldsThings['stock'],
): readonly { readonly printerId: string; readonly pathId: string }[] {
  // Of a layer that is bare a choice of old waits, and nothing is missed without it.
  const own = layers.flatMap(({ picture, feed }) => (picture && feed ? [feed] : []));
  const feeds = [{ printerId, pathId }, ...own];
  return feeds.filter(
    (one, i) => feeds.findIndex((other) => other.printerId === one.printerId && other.pathId === one.pathId) === i,
  );
}
