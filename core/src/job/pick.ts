import { adhesivesOf } from '../workshop/putOn.ts';
import type { Adhesive, Board, FeedPath, Printer, ShelfEnvelope, Stock, Trimmer, Workshop } from '../workshop/types.ts';
import type { Job } from './types.ts';

/** @throws RangeError when it is not there: planJob puts something in its place before any station asks */
function pick<T extends { readonly id: string }>(from: readonly T[], id: string, field: string, what: string): T {
  const found = from.find((thing) => thing.id === id);
  if (!found) throw new RangeError(`${field} wanted a ${what} of this workshop, got “${id}”`);
  return found;
}

export const stockById = (workshop: Workshop, id: string, field: string): Stock =>
  pick(workshop.stocks, id, field, 'stock');
export const stockOf = (job: Job, workshop: Workshop): Stock =>
  pick(workshop.stocks, job.stock.stockId, 'stock.stockId', 'stock');
export const envelopeStockOf = (job: Job, workshop: Workshop): Stock =>
  pick(workshop.stocks, job.envelope.stockId, 'envelope.stockId', 'stock');
/** Null where envelopes have no liner. */
export const linerStockOf = ({ envelope: { liner } }: Job, workshop: Workshop): Stock | null =>
  liner ? pick(workshop.stocks, liner.stockId, 'envelope.liner.stockId', 'stock') : null;
/** Null where a job leaves it to whatever glue is at hand. */
export const adhesiveById = (workshop: Workshop, id: string | null | undefined, field: string): Adhesive | null =>
  typeof id === 'string' ? pick(adhesivesOf(workshop), id, field, 'adhesive') : null;
export const printerOf = (job: Job, workshop: Workshop): Printer =>
  pick(workshop.printers, job.stock.printerId, 'stock.printerId', 'printer');
export const pathOf = (job: Job, workshop: Workshop): FeedPath =>
  pick(printerOf(job, workshop).paths, job.stock.pathId, 'stock.pathId', 'feed path');
/** A ready-cut card has no outline for a machine to follow and no room for its marks: it then cuts nothing by itself. */
export function trimmerOf(job: Job, workshop: Workshop): Trimmer {
  const { machine, ...trimmer } = pick(workshop.trimmers, job.cut.trimmerId, 'cut.trimmerId', 'trimmer');
  return machine && !stockOf(job, workshop).readyCut ? { ...trimmer, machine } : trimmer;
}
export const boardOf = (job: Job, workshop: Workshop): Board =>
  pick(workshop.boards, job.crease.boardId, 'crease.boardId', 'board');

/** Null when the brief names no envelope. */
export function envelopeOnHand(
  job: Job,
  workshop: Workshop,
): {
  readonly name: string;
  readonly insideWidthMm: number;
  readonly insideHeightMm: number;
  readonly shelf: ShelfEnvelope | null;
} | null {
  const chosen = job.brief.envelope;
  // One that is made to fit stands in for what lies in the pack.
  const inPack = job.envelope.make ? undefined : stockOf(job, workshop).readyCut?.envelope;
  if (chosen.kind === 'none') return inPack ? { ...inPack, name: 'the envelope of its pack', shelf: null } : null;
  if (chosen.kind === 'typed') return { ...chosen, name: 'your envelope', shelf: null };
  const shelf = pick(workshop.envelopes, chosen.envelopeId, 'brief.envelope.envelopeId', 'envelope');
  return { name: shelf.name, insideWidthMm: shelf.insideWidthMm, insideHeightMm: shelf.insideHeightMm, shelf };
}
