import type { Readable } from 'node:stream';
import { randomUUID } from 'node:crypto';
import Joi from 'joi';
import type { Pool, PoolClient } from 'pg';
import { COUNTED_SHELVES, cutText, MOVEMENT_CAUSES, RUN_EVENT_KINDS, type Job } from '@zippy/core';
import { check, checkJob, checkWorkshop, type Checked, type StoredWorkshop } from '@zippy/core/job-file';
import { sha256, PictureRefused, type ReadPicture } from '../pictures/readPicture.ts';
import { ID as ROW_ID, INT32_MOST, inOurTime, VERSION } from '../fields.ts';
import { oddThing } from '../plainJson.ts';
import { addRevision, addWholeJob, hasJob, restoreJob, saysJob, type Revision, type WholeJob } from '../tables/jobs.ts';
import { addPicture, datePicture, missingPictures } from '../tables/pictures.ts';
import { addTypeface } from '../tables/typefaces.ts';
import { TypefaceRefused, type ReadTypeface } from '../typefaces/readOwnTypeface.ts';
import { addWholeRun, type WholeRun } from '../tables/runs.ts';
import { addWholeMovements, moveTo, type WholeMovement } from '../tables/movements.ts';
import { dateStudio, emptyStudio } from '../tables/studios.ts';
import { inTransaction } from '../tables/types.ts';
import { findWorkshop } from '../workshop/loadWorkshop.ts';
import { takeApart } from '../workshop/rows.ts';
import { openStudio, saveWorkshop } from '../workshop/saveWorkshop.ts';
import { addMissing, shelfKey } from './addMissing.ts';
import { readEntries } from './readEntries.ts';
import { runDetail } from '../runDetail.ts';
import { BackupRefused, FORMAT_VERSION, MOVEMENTS_SINCE, NAMES, STUDIO_FORMAT, type Counts } from './types.ts';

/** Beside what is there, or in its place. A studio that is not there yet is brought back as it was either way. */
export type RestoreMode = 'beside' | 'instead';

/** What came of it. */
export interface Restored {
  /** Jobs that were not here. */
  readonly jobs: number;
  /** Jobs that are here just so. */
  readonly same: number;
  /** Jobs that say something else here: each stands beside that one, as a job of its own. */
  readonly beside: number;
  readonly pictures: number;
  readonly runs: number;
  /** Things that the shelves lacked; none where the workshop came back as a whole. */
  readonly things: number;
  /** Pictures that could not be read any more. */
  readonly lost: readonly string[];
}

/** What reads again what makers once brought. */
interface Reading {
  picture(name: string, bytes: Buffer): Promise<ReadPicture>;
  typeface(name: string, bytes: Buffer): Promise<ReadTypeface>;
}

/**
 * Brings a backup back, all of it or nothing. What it holds is checked as if a stranger had sent it: documents by their
 * schema, pictures and typefaces by reading them again.
 * @throws BackupRefused with one sentence for the maker; nothing was changed then
 */
export function restoreBackup(
  pool: Pool,
  studioId: string,
  from: Readable,
  { mode, readers }: { readonly mode: RestoreMode; readonly readers: Reading },
): Promise<Restored> {
  return inTransaction(pool, async (client) => {
    const restoring = new Restoring(client, studioId, mode, readers);
    for await (const { name, mtime, bytes } of readEntries(from)) {
      const kind = KINDS.find(({ pattern }) => pattern.test(name));
      if (!kind)
        throw new BackupRefused(
          `This backup holds ${cutText(name, 80)}, which no backup of a studio holds; nothing was changed.`,
        );
      await kind.take(restoring, kind.pattern.exec(name)!.slice(1), bytes, mtime);
    }
    return restoring.result();
  });
}

const ID = '([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})';
const KINDS: readonly {
  readonly pattern: RegExp;
  readonly take: (into: Restoring, name: string[], bytes: Buffer, mtime: Date) => Promise<void> | void;
}[] = [
  { pattern: /^studio\.json$/, take: (into, _name, bytes) => into.studio(jsonOf(NAMES.studio, bytes)) },
  { pattern: /^workshop\.json$/, take: (into, _name, bytes) => into.workshop(jsonOf(NAMES.workshop, bytes)) },
  {
    pattern: /^pictures\/([0-9a-f]{64})\.(?:png|jpg|svg)$/,
    take: (into, [hash], bytes, mtime) => into.picture(hash!, bytes, mtime),
  },
  {
    pattern: /^typefaces\/([0-9a-f]{64})\.font$/,
    take: (into, [hash], bytes, mtime) => into.typeface(hash!, bytes, mtime),
  },
  {
    pattern: new RegExp(`^jobs/${ID}\\.json$`),
    take: (into, [id], bytes) => into.job(id!, jsonOf(NAMES.job(id!), bytes)),
  },
  {
    pattern: new RegExp(`^revisions/${ID}/(\\d+)\\.json$`),
    take: (into, [id, version], bytes) => into.revision(id!, jsonOf(NAMES.revision(id!, Number(version)), bytes)),
  },
  {
    pattern: new RegExp(`^runs/${ID}\\.json$`),
    take: (into, [id], bytes) => into.run(id!, jsonOf(NAMES.run(id!), bytes)),
  },
  {
    pattern: /^movements\/(\d+)\.json$/,
    take: (into, [part], bytes) => into.movements(jsonOf(NAMES.movements(Number(part)), bytes), Number(part)),
  },
  { pattern: /^end\.json$/, take: (into, _name, bytes) => into.end(jsonOf(NAMES.end, bytes)) },
];

function jsonOf(name: string, bytes: Buffer): unknown {
  let value: unknown;
  try {
    value = JSON.parse(bytes.toString('utf8'));
  } catch {
    throw new BackupRefused(`${name} in this backup is not JSON; nothing was changed.`);
  }
  const odd = oddThing(value);
  if (odd) throw new BackupRefused(`${name} in this backup cannot be used: ${odd.field} ${odd.why}.`);
  return value;
}

function taken<T>(name: string, checked: Checked<T>): T {
  if (checked.ok) return checked.value;
  throw new BackupRefused(`${name} in this backup cannot be used: ${checked.why} Nothing was changed.`);
}

// Raw, since Joi would round it to milliseconds.
const moment = Joi.string().isoDate().custom(inOurTime).raw();
const version = VERSION.required();
const count = Joi.number().integer().min(0).max(INT32_MOST).required();
const SHAPES = {
  studio: Joi.object({
    format: Joi.valid(STUDIO_FORMAT).required(),
    formatVersion: Joi.number().integer().required(),
    workshopVersion: version,
    createdAt: moment.required(),
  }),
  job: Joi.object({
    id: ROW_ID.required(),
    version,
    createdAt: moment.required(),
    updatedAt: moment.required(),
    putAwayAt: moment.allow(null).required(),
    document: Joi.object().required(),
  }),
  revision: Joi.object({ version, savedAt: moment.required(), document: Joi.object().required() }),
  run: Joi.object({
    id: ROW_ID.required(),
    jobId: ROW_ID.required(),
    wanted: count,
    startedAt: moment.required(),
    finishedAt: moment.allow(null).required(),
    steps: Joi.array().items(Joi.object()).required(),
    document: Joi.object().required(),
    workshop: Joi.object().allow(null).default(null),
    // Older backups know nothing of it.
    takes: Joi.array().items(Joi.object()).allow(null).optional().default(null),
    stageMinutes: Joi.object().allow(null).optional().default(null),
    lossCosts: Joi.object().allow(null).optional().default(null),
    events: Joi.array()
      .items(
        Joi.object({
          id: ROW_ID.required(),
          kind: Joi.valid(...RUN_EVENT_KINDS).required(),
          cards: count,
          cause: Joi.string().max(80).allow(null).required(),
          stepId: Joi.string().max(80).allow(null).required(),
          undoes: ROW_ID.allow(null).required(),
          at: moment.required(),
          detail: runDetail,
        }),
      )
      .required(),
  }),
  movements: Joi.array().items(
    Joi.object({
      id: ROW_ID.required(),
      shelf: Joi.valid(...COUNTED_SHELVES).required(),
      thingId: Joi.string().max(80).required(),
      cause: Joi.valid(...MOVEMENT_CAUSES).required(),
      change: Joi.number().integer().min(-INT32_MOST).max(INT32_MOST).required(),
      // Older backups know no run that took anything.
      runId: ROW_ID.allow(null).optional().default(null),
      // Nor what things cost, by which lot, and why.
      priceMinor: Joi.number().min(0).max(Number.MAX_SAFE_INTEGER).allow(null).optional().default(null),
      lot: Joi.string().max(80).allow(null).optional().default(null),
      note: Joi.string().max(300).allow(null).optional().default(null),
      at: moment.required(),
    }),
  ),
  end: Joi.object({
    ...{ pictures: count, jobs: count, revisions: count, runs: count },
    // Older backups have none.
    typefaces: count.optional().default(0),
    movements: count.optional().default(0),
  }),
};

/** One backup on its way in, entry by entry, within a transaction. */
class Restoring {
  private head: {
    readonly formatVersion: number;
    readonly workshopVersion: number;
    readonly createdAt: string;
  } | null = null;
  private seen = { pictures: 0, typefaces: 0, jobs: 0, revisions: 0, runs: 0, movements: 0 };
  private done = { jobs: 0, same: 0, beside: 0, pictures: 0, runs: 0, things: 0 };
  private readonly lost: string[] = [];
  /** Pictures that are stored under another content than they came with, because what reads them has changed since. */
  private readonly renamed = new Map<string, string>();
  /** Under which id the revisions of a job go; null where it is here already. */
  private readonly goesTo = new Map<string, string | null>();
  /** What the workshop says is on its shelves, to be had from the movements too. */
  private readonly promised = new Map<string, number>();
  private readonly moved = new Map<string, number>();
  /** The workshop that is to come of two. */
  private joined: StoredWorkshop | null = null;
  /** Things whose movements are taken; all of them where nothing is said. */
  private takesMovementsOf: ReadonlySet<string> | null = null;
  private whole = false;
  private hasWorkshop = false;

  constructor(
    private readonly client: PoolClient,
    private readonly studioId: string,
    private readonly mode: RestoreMode,
    private readonly readers: Reading,
  ) {}

  studio(value: unknown): void {
    const head = taken(NAMES.studio, check<NonNullable<typeof this.head>>(SHAPES.studio, value));
    if (head.formatVersion > FORMAT_VERSION)
      throw new BackupRefused(
        'This backup was written by a newer version of the application; bring this one up to date first.',
      );
    this.head = head;
  }

  async workshop(value: unknown): Promise<void> {
    if (!this.head) throw new BackupRefused('This file does not begin as a backup of a studio; nothing was changed.');
    const workshop = taken(NAMES.workshop, checkWorkshop(value));
    const { client, studioId } = this;
    const since = { version: this.head.workshopVersion, createdAt: this.head.createdAt };
    const countsFrom = this.tellsMovements() ? 'movements' : 'itsOwn';
    const here = await findWorkshop(client, studioId);
    if (!here) await openStudio(client, studioId, workshop, since, countsFrom);
    else if (this.mode === 'instead') {
      await emptyStudio(client, studioId);
      await this.save(workshop, here.version, countsFrom);
      await dateStudio(client, studioId, since);
    } else await this.addToShelves(here, workshop);
    for (const shelf of COUNTED_SHELVES)
      for (const { id, onShelf } of workshop[shelf]) this.promised.set(shelfKey(shelf, id), onShelf);
    this.hasWorkshop = true;
  }

  private tellsMovements(): boolean {
    return this.head!.formatVersion >= MOVEMENTS_SINCE;
  }

  private async save(workshop: StoredWorkshop, version: number, countsFrom: 'itsOwn' | 'movements'): Promise<void> {
    if ((await saveWorkshop(this.client, this.studioId, workshop, version, countsFrom)) === null)
      throw new BackupRefused('The workshop was changed while this backup came back; nothing was changed. Try again.');
  }

  private async addToShelves(
    here: { readonly workshop: StoredWorkshop; readonly version: number },
    theirs: StoredWorkshop,
  ): Promise<void> {
    const { workshop, added } = addMissing(here.workshop, theirs);
    this.takesMovementsOf = added;
    if (added.size === 0) return;
    this.done.things = added.size;
    const merged = taken(NAMES.workshop, checkWorkshop(workshop));
    // What came and has movements begins with none, and they follow; what was here keeps its count either way.
    const begun = this.tellsMovements() ? withoutCounts(merged, added) : merged;
    await this.save(begun, here.version, 'itsOwn');
    this.joined = merged;
  }

  async picture(hash: string, bytes: Buffer, mtime: Date): Promise<void> {
    this.needWorkshop();
    this.seen.pictures += 1;
    if (sha256(bytes) !== hash)
      throw new BackupRefused(`The picture ${hash.slice(0, 12)}… in this backup is damaged; nothing was changed.`);
    if ((await missingPictures(this.client, this.studioId, [hash])).length === 0) return;
    try {
      const picture = await this.readers.picture(`The picture ${hash.slice(0, 12)}…`, bytes);
      await addPicture(this.client, this.studioId, picture);
      await datePicture(this.client, this.studioId, picture.ref.sha256, mtime);
      if (picture.ref.sha256 !== hash) this.renamed.set(hash, picture.ref.sha256);
      this.done.pictures += 1;
    } catch (problem) {
      if (!(problem instanceof PictureRefused)) throw problem;
      this.lost.push(hash);
    }
  }

  async typeface(hash: string, bytes: Buffer, mtime: Date): Promise<void> {
    this.needWorkshop();
    this.seen.typefaces += 1;
    if (sha256(bytes) !== hash)
      throw new BackupRefused(`The typeface ${hash.slice(0, 12)}… in this backup is damaged; nothing was changed.`);
    try {
      const typeface = await this.readers.typeface(`Typeface ${hash.slice(0, 6)}`, bytes);
      await addTypeface(this.client, this.studioId, typeface, mtime);
    } catch (problem) {
      // Whatever is set in it is stood in for, and its job says so.
      if (!(problem instanceof TypefaceRefused)) throw problem;
    }
  }

  async job(id: string, value: unknown): Promise<void> {
    this.needWorkshop();
    this.seen.jobs += 1;
    const whole = taken(NAMES.job(id), check<WholeJob>(SHAPES.job, value));
    const document = taken(NAMES.job(id), checkJob(this.withPictures(whole.document)));
    const { client, studioId } = this;
    if (await addWholeJob(client, studioId, { ...whole, id, document })) {
      this.goesTo.set(id, id);
      this.done.jobs += 1;
    } else if (await saysJob(client, studioId, id, document)) {
      // Whoever brings it back wants to see it.
      if (whole.putAwayAt === null) await restoreJob(client, studioId, id);
      this.goesTo.set(id, null);
      this.done.same += 1;
    } else if (await hasJob(client, studioId, besides(document))) {
      // It stands beside already, from the last time.
      this.goesTo.set(id, null);
      this.done.same += 1;
    } else {
      const other = randomUUID();
      await addWholeJob(client, studioId, { ...whole, id: other, document: besides(document) });
      this.goesTo.set(id, other);
      this.done.beside += 1;
    }
  }

  async revision(id: string, value: unknown): Promise<void> {
    this.seen.revisions += 1;
    const name = NAMES.revision(id, 0);
    const revision = taken(name, check<Omit<Revision, 'jobId'>>(SHAPES.revision, value));
    const jobId = this.goesTo.get(id);
    if (jobId === undefined)
      throw new BackupRefused(`${name} in this backup belongs to no job in it; nothing was changed.`);
    if (jobId === null) return;
    await addRevision(this.client, this.studioId, {
      ...revision,
      jobId,
      document: this.withPictures(revision.document),
    });
  }

  async run(id: string, value: unknown): Promise<void> {
    this.seen.runs += 1;
    const run = taken(NAMES.run(id), check<WholeRun>(SHAPES.run, value));
    if (!this.goesTo.has(run.jobId))
      throw new BackupRefused(`${NAMES.run(id)} in this backup belongs to no job in it; nothing was changed.`);
    const added = await addWholeRun(this.client, this.studioId, {
      ...run,
      id,
      document: this.withPictures(run.document),
    });
    if (added) this.done.runs += 1;
  }

  async movements(value: unknown, part: number): Promise<void> {
    this.needWorkshop();
    const movements = taken(NAMES.movements(part), check<readonly WholeMovement[]>(SHAPES.movements, value));
    this.seen.movements += movements.length;
    for (const { shelf, thingId, change } of movements) {
      const key = shelfKey(shelf, thingId);
      this.moved.set(key, (this.moved.get(key) ?? 0) + change);
    }
    const only = this.takesMovementsOf;
    const wanted = movements.filter(({ shelf, thingId }) => !only || only.has(shelfKey(shelf, thingId)));
    await addWholeMovements(this.client, this.studioId, wanted);
  }

  async end(value: unknown): Promise<void> {
    const counts = taken(NAMES.end, check<Counts>(SHAPES.end, value));
    for (const kind of Object.keys(this.seen) as (keyof Counts)[])
      if (counts[kind] !== this.seen[kind])
        throw new BackupRefused(
          `This backup should hold ${counts[kind]} ${kind} and holds ${this.seen[kind]}; nothing was changed. Choose another.`,
        );
    if (this.tellsMovements()) this.balance();
    // What was taken off the shelf here since the backup has gone in the books, and comes back.
    if (this.joined) await moveTo(this.client, this.studioId, takeApart(this.joined).counts);
    this.whole = true;
  }

  /** What came and went must come to what is on the shelf. */
  private balance(): void {
    for (const key of new Set([...this.promised.keys(), ...this.moved.keys()])) {
      const [said, come] = [this.promised.get(key) ?? 0, this.moved.get(key) ?? 0];
      if (said !== come)
        throw new BackupRefused(
          `${NAMES.workshop} in this backup says ${said} of ${key.split(' ').slice(1).join(' ')} and its movements come to ${come}; nothing was changed. Choose another.`,
        );
    }
  }

  result(): Restored {
    if (!this.whole)
      throw new BackupRefused(
        'This backup breaks off before its end, so nothing was changed; choose another, or copy it again.',
      );
    return { ...this.done, lost: this.lost };
  }

  private needWorkshop(): void {
    if (!this.hasWorkshop)
      throw new BackupRefused('This file does not begin as a backup of a studio; nothing was changed.');
  }

  /** A document that names pictures as they are stored here. */
  private withPictures<T>(document: T): T {
    if (this.renamed.size === 0) return document;
    return JSON.parse(
      JSON.stringify(document).replace(/"([0-9a-f]{64})"/g, (all, hash: string) => {
        const now = this.renamed.get(hash);
        return now ? `"${now}"` : all;
      }),
    ) as T;
  }
}

const besides = (job: Job): Job => ({
  ...job,
  brief: { ...job.brief, title: cutText(`${job.brief.title} (from the backup)`, 120) },
});

function withoutCounts(workshop: StoredWorkshop, of: ReadonlySet<string>): StoredWorkshop {
  const uncounted = <T extends { readonly id: string; readonly onShelf: number }>(
    shelf: string,
    things: readonly T[],
  ) => things.map((thing) => (of.has(shelfKey(shelf, thing.id)) ? { ...thing, onShelf: 0 } : thing));
  return {
    ...workshop,
    stocks: uncounted('stocks', workshop.stocks),
    envelopes: uncounted('envelopes', workshop.envelopes),
    trimmings: uncounted('trimmings', workshop.trimmings),
  };
}
