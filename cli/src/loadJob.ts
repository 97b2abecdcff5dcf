import { readFile } from 'node:fs/promises';
import { dirname, resolve } from 'node:path';
import { planJob, type Job, type PictureRef, type Plan, type Workshop } from '@zippy/core';
import { checkWorkshop, readJobFile } from '@zippy/core/job-file';
import {
  loadFonts,
  loadInkLattice,
  PictureRefused,
  readPicture,
  root,
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
  const refs: Record<string, PictureRef> = {};
  const pictures = new Map<string, PictureBytes>();
  for (const [id, { name, source }] of Object.entries(read.value.pictures)) {
    if (source.kind === 'stored')
      throw new UsageError(
        `pictures.${id} names a stored picture; give it a file or its data so that it can be read here.`,
      );
    try {
      const raw =
        source.kind === 'data'
          ? Buffer.from(source.base64, 'base64')
          : await readFile(resolve(dirname(file), source.file));
      const picture = await readPicture(name, raw);
      refs[id] = picture.ref;
      pictures.set(id, { mime: picture.ref.mime, bytes: picture.bytes });
    } catch (problem) {
      if (problem instanceof PictureRefused) throw new UsageError(`pictures.${id}: ${problem.message}`);
      if ((problem as NodeJS.ErrnoException).code === 'ENOENT' && source.kind === 'file')
        throw new UsageError(
          `pictures.${id}.file ${source.file} is not beside the job file; put it there or correct the name.`,
        );
      throw problem;
    }
  }
  const job: Job = { ...read.value.job, pictures: refs };
  const fonts = await loadFonts();
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
