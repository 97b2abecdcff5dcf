import { decide } from '../src/job/decide.ts';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import {
  changeJob,
  newJob,
  planJob,
  TYPEFACES,
  type Job,
  type JobChange,
  type Plan,
  type TextBlock,
  type Typeface,
  type Workshop,
} from '../src/index.ts';
import type { InkOnBlank } from '../src/stations/art/faces/inkOnBlank.ts';
import { readTypeface } from '../src/stations/art/words/readTypeface.ts';

const require = createRequire(import.meta.url);

export const workshop: Workshop = {
  ...(JSON.parse(readFileSync(new URL('../../demo/workshop.json', import.meta.url), 'utf8')) as Workshop),
  spoilLog: { good: 0, spoiled: 0 },
};

export const typefaces: ReadonlyMap<string, Typeface> = new Map(
  TYPEFACES.flatMap((entry) => [entry, entry.companion]).map(({ id, file }) => [
    id,
    readTypeface(id, readFileSync(require.resolve(file))),
  ]),
);

/** Ink that runs off every edge of a blank, on the sides of its sheet that are named. */
export function bleeding(...sides: readonly ('front' | 'back')[]): InkOnBlank {
  const all = { top: 'bleeds', right: 'bleeds', bottom: 'bleeds', left: 'bleeds' } as const;
  return {
    outside: sides.includes('front') ? all : null,
    inside: sides.includes('back') ? all : null,
    bleeds: sides.length > 0,
  };
}

export const plan = (job: Job, shop: Workshop = workshop): Plan => planJob(job, shop, { typefaces, today: null });

/** A new job with some places set, its grain along its folds unless a test says otherwise. */
export const jobWith = (...changes: readonly JobChange[]): Job =>
  changeJob(newJob('Harbour lights', workshop), [decide((job) => job.sheet.grain, 'respect'), ...changes]);

/** A colour all over the front: something is printed, so bleed and the printer’s margins count. */
export const INKED: JobChange = decide((job) => job.art.faces.at('front'), {
  background: '#cfe6e4',
  picture: null,
  texts: [],
});
/** A new printed job with some places set. */
export const inkedWith = (...changes: readonly JobChange[]): Job => jobWith(INKED, ...changes);

export const sized = (format: Job['size']['format'], widthMm: number, heightMm: number): readonly JobChange[] => [
  decide((job) => job.size.format, format),
  decide((job) => job.size.finishedWidthMm, widthMm),
  decide((job) => job.size.finishedHeightMm, heightMm),
];

export const words = (text: string, part: Partial<TextBlock> = {}): TextBlock => ({
  id: 'w',
  text,
  typefaceId: 'eb-garamond-400',
  sizePt: 12,
  align: 'left',
  lineSpacing: 1.2,
  colour: '#1d2930',
  leftMm: 10,
  topMm: 10,
  widthMm: 60,
  ...part,
});
