import { readFileSync } from 'node:fs';
import { planJob, type Job, type Plan, type Workshop } from '@zippy/core';
import { readJobFile } from '@zippy/core/job-file';
import { loadFonts } from '../src/exports/fonts.ts';
import { readPicture, type ExportInput, type PictureBytes } from '../src/exports/index.ts';

export const workshop: Workshop = {
  ...(JSON.parse(readFileSync(new URL('../../demo/workshop.json', import.meta.url), 'utf8')) as Workshop),
  spoilLog: { good: 0, spoiled: 0 },
};

export async function planOf(job: Job, shop: Workshop = workshop): Promise<Plan> {
  const { book } = await loadFonts();
  return planJob(job, shop, { typefaces: book, today: null });
}

export const demo = new URL('../../demo/', import.meta.url);

/** A job of the demo with its pictures and without spares, ready to be written. */
export async function demoInput(
  file: string,
  { date = null, change = (job) => job }: { readonly date?: string | null; readonly change?: (job: Job) => Job } = {},
): Promise<ExportInput> {
  const read = readJobFile(JSON.parse(readFileSync(new URL(file, demo), 'utf8')), workshop);
  if (!read.ok) throw new Error(read.why);
  const pictures = new Map<string, PictureBytes>();
  const refs: Record<string, Job['pictures'][string]> = {};
  for (const [id, { name, source }] of Object.entries(read.value.pictures)) {
    if (source.kind !== 'file') continue;
    const picture = await readPicture(name, readFileSync(new URL(source.file, new URL(file, demo))));
    refs[id] = picture.ref;
    pictures.set(id, { mime: picture.ref.mime, bytes: picture.bytes });
  }
  const job = change({ ...read.value.job, pictures: refs, sheet: { ...read.value.job.sheet, spares: 0 } });
  return { job, plan: await planOf(job), workshop, fonts: await loadFonts(), pictures, date };
}
