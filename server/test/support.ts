import { readFileSync } from 'node:fs';
import { planJob, type Job, type Plan, type Workshop } from '@zippy/core';
import { loadFonts } from '../src/exports/fonts.ts';

export const workshop: Workshop = {
  ...(JSON.parse(readFileSync(new URL('../../demo/workshop.json', import.meta.url), 'utf8')) as Workshop),
  spoilLog: { good: 0, spoiled: 0 },
};

export async function planOf(job: Job, shop: Workshop = workshop): Promise<Plan> {
  const { book } = await loadFonts();
  return planJob(job, shop, { typefaces: book, today: null });
}
