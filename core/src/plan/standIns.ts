import { decide, decideEach, type JobChange } from '../job/decide.ts';
import { changeJob } from '../job/changeJob.ts';
import type { Remedy, Snag } from '../job/findings.ts';
import type { Job } from '../job/types.ts';
import { adhesivesOf, trimmingsOf } from '../workshop/putOn.ts';
import type { Workshop } from '../workshop/types.ts';

/** No more than these of a shelf are offered; all of it stands in the station’s own list. */
const MOST_OFFERED = 4;

interface Named {
  readonly id: string;
  readonly name: string;
}

/** Something that a job names and the workshop does not have. */
interface Gone {
  readonly station: Snag['station'];
  readonly key: string;
  readonly what: string;
  readonly id: string;
  /** The plan leaves it out by itself, so that what stands beside it keeps its place. */
  readonly isLeftOut?: true;
  /** What there is instead, the first of which the plan goes on with. */
  readonly instead: readonly {
    /** As what the figures are those of: a name, or that there is none. */
    readonly name: string;
    readonly label: string;
    readonly changes: readonly JobChange[];
  }[];
}

/**
 * A job may name what is gone from the workshop, or never was in it: a sold printer, a job file of somebody else’s. It
 * is planned all the same, with the first of its kind standing in, and each such thing is a stop at its own station.
 * @returns the job as it is planned, and what to say
 */
export function standIns(job: Job, workshop: Workshop): { readonly job: Job; readonly snags: readonly Snag[] } {
  const gone = goneOf(job, workshop);
  if (gone.length === 0) return { job, snags: [] };
  let planned = job;
  // One after another: what stands in for one thing may move another to a different place.
  for (let next = gone.find(hasInstead); next; next = goneOf(planned, workshop).find(hasInstead))
    planned = changeJob(planned, next.instead[0]!.changes);
  return { job: planned, snags: gone.map(snagOf) };
}

const hasInstead = ({ instead, isLeftOut }: Gone): boolean => !isLeftOut && instead.length > 0;

function snagOf({ station, key, what, id, instead }: Gone): Snag {
  const [first] = instead;
  return {
    id: `${station}-gone-${key}`,
    station,
    level: 'stop',
    title: `The ${what} “${id}” is not in this workshop`,
    why: `It was taken out, or the job was made in another workshop. ${first ? `Until you choose, all figures are those of ${first.name}.` : 'There is none to take its place.'}`,
    remedies: instead.slice(0, MOST_OFFERED).map(({ label, changes }): Remedy => ({ label, changes })),
  };
}

// eslint-disable-next-line max-lines-per-function -- one thing after another that a job may name
function goneOf(job: Job, workshop: Workshop): readonly Gone[] {
  const { stocks, printers, trimmers, boards, envelopes } = workshop;
  const [trimmings, adhesives] = [trimmingsOf(workshop), adhesivesOf(workshop)];
  const has = (things: readonly Named[], id: string): boolean => things.some((thing) => thing.id === id);
  const instead = <T extends Named>(things: readonly T[], changes: (thing: T) => readonly JobChange[]) =>
    things.map((thing) => ({ name: thing.name, label: `Use ${thing.name}`, changes: changes(thing) }));
  const holding = (change: (id: string | null) => JobChange) => [
    { name: 'whatever glue is at hand', label: 'Leave it to what is at hand', changes: [change(null)] },
    ...instead(adhesives, ({ id }) => [change(id)]),
  ];
  const { stockId, printerId, pathId } = job.stock;
  const printer = printers.find(({ id }) => id === printerId);
  const found: Gone[] = [];
  if (job.brief.envelope.kind === 'shelf' && !has(envelopes, job.brief.envelope.envelopeId))
    found.push({
      ...{ station: 'brief', key: 'envelope', what: 'envelope', id: job.brief.envelope.envelopeId },
      instead: [
        {
          ...{ name: 'a card without an envelope', label: 'Do without' },
          changes: [decide((job) => job.brief.envelope, { kind: 'none' })],
        },
        ...instead(envelopes, ({ id }) => [decide((job) => job.brief.envelope, { kind: 'shelf', envelopeId: id })]),
      ],
    });
  job.size.layers.forEach(({ stockIds, picture, feed }, layer) => {
    const own = printers.find(({ id }) => id === feed?.printerId);
    if (picture && feed && !(own && has(own.paths, feed.pathId)))
      found.push({
        ...{ station: 'size', key: `layer-${layer}-feed`, what: 'printer of a layer' },
        id: own ? `${own.name}, ${feed.pathId}` : feed.printerId,
        instead: [
          {
            ...{ name: 'the nearest that takes it', label: 'Use the nearest that takes it' },
            changes: [decide((job) => job.size.layers.at(layer).feed, null)],
          },
        ],
      });
    stockIds.forEach((id, i) => {
      if (!has(stocks, id))
        found.push({
          ...{ station: 'size', key: `layer-${layer}-${i}`, what: 'stock of a layer', id },
          instead: instead(stocks, (stock) => [decide((job) => job.size.layers.at(layer).stockIds.at(i), stock.id)]),
        });
    });
  });
  (job.trimmings ?? []).forEach((choice, i) => {
    if (!has(trimmings, choice.trimmingId))
      found.push({
        ...{ station: 'art', key: `trimming-${choice.id}`, what: 'trimming', id: choice.trimmingId, isLeftOut: true },
        instead: [
          {
            ...{ name: 'a card without it', label: 'Take it off' },
            changes: [
              decide(
                (job) => job.trimmings,
                job.trimmings!.filter(({ id }) => id !== choice.id),
              ),
            ],
          },
          ...instead(trimmings, ({ id }) => [decide((job) => job.trimmings.at(i).trimmingId, id)]),
        ],
      });
    else if (choice.adhesiveId !== null && !has(adhesives, choice.adhesiveId))
      found.push({
        ...{ station: 'art', key: `adhesive-${choice.id}`, what: 'adhesive of a trimming', id: choice.adhesiveId },
        instead: holding((id) => decide((job) => job.trimmings.at(i).adhesiveId, id)),
      });
  });
  job.size.layers.forEach(({ adhesiveId }, layer) => {
    if (typeof adhesiveId === 'string' && !has(adhesives, adhesiveId))
      found.push({
        ...{ station: 'size', key: `layer-${layer}-adhesive`, what: 'adhesive of a layer', id: adhesiveId },
        instead: holding((id) => decide((job) => job.size.layers.at(layer).adhesiveId, id)),
      });
  });
  if (typeof job.size.adhesiveId === 'string' && !has(adhesives, job.size.adhesiveId))
    found.push({
      ...{ station: 'size', key: 'adhesive', what: 'adhesive of the card’s seams', id: job.size.adhesiveId },
      instead: holding((id) => decide((job) => job.size.adhesiveId, id)),
    });
  if (typeof job.envelope.adhesiveId === 'string' && !has(adhesives, job.envelope.adhesiveId))
    found.push({
      ...{ station: 'envelope', key: 'adhesive', what: 'adhesive of the seams', id: job.envelope.adhesiveId },
      instead: holding((id) => decide((job) => job.envelope.adhesiveId, id)),
    });
  if (!has(stocks, stockId))
    found.push({
      ...{ station: 'stock', key: 'stock', what: 'stock', id: stockId },
      instead: instead(stocks, ({ id }) => [decide((job) => job.stock.stockId, id)]),
    });
  if (!printer)
    found.push({
      ...{ station: 'stock', key: 'printer', what: 'printer', id: printerId },
      instead: instead(printers, ({ id, paths }) =>
        decideEach((job) => job.stock, { printerId: id, pathId: paths[0]!.id }),
      ),
    });
  else if (!has(printer.paths, pathId))
    found.push({
      ...{ station: 'stock', key: 'path', what: `feed path of ${printer.name}`, id: pathId },
      instead: instead(printer.paths, ({ id }) => [decide((job) => job.stock.pathId, id)]),
    });
  if (!has(trimmers, job.cut.trimmerId))
    found.push({
      ...{ station: 'cut', key: 'trimmer', what: 'trimmer', id: job.cut.trimmerId },
      instead: instead(trimmers, ({ id }) => [decide((job) => job.cut.trimmerId, id)]),
    });
  if (!has(boards, job.crease.boardId))
    found.push({
      ...{ station: 'crease', key: 'board', what: 'board', id: job.crease.boardId },
      instead: instead(boards, ({ id }) => [decide((job) => job.crease.boardId, id)]),
    });
  if (!has(stocks, job.envelope.stockId))
    found.push({
      ...{ station: 'envelope', key: 'stock', what: 'stock of the envelopes', id: job.envelope.stockId },
      instead: instead(stocks, ({ id }) => [decide((job) => job.envelope.stockId, id)]),
    });
  if (job.envelope.liner && !has(stocks, job.envelope.liner.stockId))
    found.push({
      ...{ station: 'envelope', key: 'liner', what: 'stock of the liners', id: job.envelope.liner.stockId },
      instead: [
        ...instead(stocks, ({ id }) => [decide((job) => job.envelope.liner.stockId, id)]),
        {
          ...{ name: 'an envelope without a liner', label: 'Do without' },
          changes: [decide((job) => job.envelope.liner, null)],
        },
      ],
    });
  return found;
}
