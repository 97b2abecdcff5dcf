import { readFile } from 'node:fs/promises';
import { dirname, resolve } from 'node:path';
import { planJob, type Job, type OwnTypeface, type PictureRef, type Plan, type Workshop } from '@zippy/core';
import { checkWorkshop, readJobFile, type Source } from '@zippy/core/job-file';
import {
  loadFonts,
  loadInkLattice,
  PictureRefused,
  readOwnTypeface,
  readPicture,
  root,
  TypefaceRefused,
  withOwn,
  type Fonts,
  type PictureBytes,
} from '@zippy/server/exports';
import { UsageError } from './errors.ts';

const DEMO_WORKSHOP = root('demo/workshop.json');

export interface LoadedJob {
  readonly job: Job;
  readonly workshop: Workshop;
  readonly plan: Plan;
  readonly fonts: Fonts;
  readonly pictures: ReadonlyMap<string, PictureBytes>;
}

export async function readJson(path: string, what: string): Promise<unknown> {
  let text: string;
  try {
    text = await readFile(path, 'utf8');
  } catch (problem) {
    const why =
      (problem as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file' : (problem as Error).message;
    throw new UsageError(`${what} ${path} cannot be read: ${why}.`);
  }
  try {
    return JSON.parse(text);
  } catch (problem) {
    throw new UsageError(`${what} ${path} is not JSON: ${(problem as Error).message}.`);
  }
}

/** A job file with its pictures and its plan, made by the same code as the page’s. */
export async function loadJob(
  file: string,
  options: { readonly workshop?: string | undefined; readonly date?: string | undefined },
): Promise<LoadedJob> {
  if (options.date !== undefined && Number.isNaN(Date.parse(options.date)))
    throw new UsageError(`--date wants a day such as 2026-12-03; got ${options.date}.`);
  const stored = checkWorkshop(await readJson(options.workshop ?? DEMO_WORKSHOP, 'The workshop file'));
  if (!stored.ok) throw new UsageError(`Workshop: ${stored.why}`);
  const workshop: Workshop = { ...stored.value, spoilLog: { good: 0, spoiled: 0 } };
  const read = readJobFile(await readJson(file, 'The job file'), workshop);
  if (!read.ok) throw new UsageError(read.why);
  const bytesOf = (field: string, source: Source<unknown>): Promise<Buffer> => bytesFrom(field, source, dirname(file));
  const refs: Record<string, PictureRef> = {};
  const pictures = new Map<string, PictureBytes>();
  for (const [id, { name, source }] of Object.entries(read.value.pictures)) {
    const raw = await bytesOf(`pictures.${id}`, source);
    const picture = await refusing(`pictures.${id}`, readPicture(name, raw));
    refs[id] = picture.ref;
    pictures.set(id, { mime: picture.ref.mime, bytes: picture.bytes });
  }
  const own = new Map<string, Buffer>();
  const typefaces: Record<string, OwnTypeface> = {};
  for (const [id, { name, source }] of Object.entries(read.value.typefaces)) {
    // One that its makers keep out of job files is stood in for, and said to be.
    if (source.kind === 'stored') {
      typefaces[id] = source.ref;
      continue;
    }
    const { ref, bytes } = await refusing(
      `typefaces.${id}`,
      readOwnTypeface(name, await bytesOf(`typefaces.${id}`, source)),
    );
    typefaces[id] = ref;
    own.set(id, bytes);
  }
  const job: Job = {
    ...read.value.job,
    pictures: refs,
    ...(Object.keys(typefaces).length > 0 ? { typefaces } : {}),
  };
  const fonts = withOwn(await loadFonts(), own);
  try {
    return {
      job,
      workshop,
      fonts,
      pictures,
      plan: planJob(job, workshop, {
        typefaces: fonts.book,
        today: options.date ?? null,
        inks: await loadInkLattice(),
      }),
    };
  } catch (problem) {
    if (problem instanceof RangeError) throw new UsageError(`${problem.message}.`);
    throw problem;
  }
}

/** @throws UsageError when it is not to be had */
async function bytesFrom(field: string, source: Source<unknown>, folder: string): Promise<Buffer> {
  if (source.kind === 'data') return Buffer.from(source.base64, 'base64');
  if (source.kind === 'stored')
    throw new UsageError(`${field} names a stored picture; give it a file or its data so that it can be read here.`);
  try {
    return await readFile(resolve(folder, source.file));
  } catch (problem) {
    if ((problem as NodeJS.ErrnoException).code !== 'ENOENT') throw problem;
    throw new UsageError(`${field}.file ${source.file} is not beside the job file; put it there or correct the name.`);
  }
}

/** What is read of a file that a job names, or the sentence why not. */
const refusing = <T>(field: string, reading: Promise<T>): Promise<T> =>
  reading.catch((problem: unknown) => {
    if (problem instanceof PictureRefused || problem instanceof TypefaceRefused)
      throw new UsageError(`${field}: ${problem.message}`);
    throw problem;
  });
