import {
  allSnags,
  lossCosts,
  planJob,
  standIns,
  takesOf,
  wantedOf,
  type CalibrationSheet,
  type GaugeSheet,
  type Job,
  type LossCosts,
  type MakeStep,
  type MixedPattern,
  type PixelQuestion,
  type Plan,
  type Take,
  type Workshop,
} from '@zippy/core';
import { calibrationPdf } from '../exports/calibration.ts';
import { gaugePdf } from '../exports/gauge.ts';
import { exportFiles, ExportRefused, loadFonts, withOwn, type OwnFonts } from '../exports/index.ts';
import { piecesOf, sharedPdf, type SharedJob, type SharedPrint } from '../exports/shared.ts';
import type { Placed } from '../placed.ts';
import { Refusal } from '../refusal.ts';
import { drawPixels, type PixelsAsked } from './drawPixels.ts';

/** A job, and the bytes of its pictures and its own typefaces. */
export interface Whole extends Placed {
  readonly job: Job;
}

/** What is planned and drawn while somebody waits for it; everything it needs is handed over. */
export type ToDraw =
  | { readonly kind: 'steps'; readonly job: Job; readonly workshop: Workshop; readonly typefaces: OwnFonts }
  | ({
      readonly kind: 'face';
      readonly workshop: Workshop;
      readonly faceId: string;
      readonly pixels: PixelQuestion;
      readonly plate: 'art' | 'white';
    } & Whole)
  | ({ readonly kind: 'pixels'; readonly workshop: Workshop } & PixelsAsked & Whole)
  | { readonly kind: 'calibration'; readonly page: CalibrationSheet }
  | { readonly kind: 'gauge'; readonly sheet: GaugeSheet }
  | {
      readonly kind: 'shared';
      readonly workshop: Workshop;
      readonly feed: { readonly printerId: string; readonly pathId: string };
      readonly jobs: readonly ({ readonly id: string } & Whole)[];
      readonly order: SharedPrint;
      readonly date: string;
    };

export interface Drawn {
  readonly steps: {
    readonly stop: string | null;
    readonly steps: readonly MakeStep[];
    readonly takes: readonly Take[];
    readonly stageMinutes: Plan['make']['stageMinutes'];
    readonly lossCosts: LossCosts;
  };
  readonly face: { readonly name: string; readonly bytes: Uint8Array };
  readonly pixels: { readonly name: string; readonly bytes: Uint8Array };
  readonly calibration: Uint8Array;
  readonly gauge: Uint8Array;
  readonly shared: Uint8Array;
}

/** Pieces are worked out anew here; a plan made from an older job is not printed. */
const OLD_MM = 0.02;

/** @throws Refusal with one sentence for the maker */
export async function draw(asked: ToDraw): Promise<Drawn[ToDraw['kind']]> {
  const fonts = withOwn(await loadFonts(), typefacesOf(asked));
  const planned = (job: Job, workshop: Workshop, today: string | null = null): Plan =>
    planJob(job, workshop, { typefaces: fonts.book, today });
  switch (asked.kind) {
    case 'steps': {
      const plan = planned(asked.job, asked.workshop);
      const stop = allSnags(plan).find(({ level }) => level === 'stop');
      return {
        stop: stop?.title ?? null,
        steps: plan.make.steps,
        takes: takesOf(asked.job, plan),
        stageMinutes: plan.make.stageMinutes,
        lossCosts: lossCosts(plan, asked.workshop, wantedOf(asked.job)),
      };
    }
    case 'face':
      return drawFace(asked, planned(asked.job, asked.workshop), fonts);
    case 'pixels': {
      const { job, workshop, pictures } = asked;
      return drawPixels({ job, plan: planned(job, workshop) }, asked, { pictures, fonts }).catch(refusing('dpi'));
    }
    case 'calibration':
      return calibrationPdf(asked.page, fonts);
    case 'gauge':
      return gaugePdf(asked.sheet, fonts);
    case 'shared': {
      const { workshop, feed, order, date } = asked;
      const printer = workshop.printers.find(({ id }) => id === feed.printerId);
      const path = printer?.paths.find(({ id }) => id === feed.pathId);
      if (!printer || !path)
        throw new Refusal(404, 'This printer or feed path is not in the workshop any more; choose another.', 'feed');
      // A shared sheet has no place of its own for a snag: nothing is printed on what only stands in.
      for (const { job } of asked.jobs) {
        const [gone] = standIns(job, workshop).snags;
        if (gone) throw new Refusal(422, `${job.brief.title}: ${gone.title}. Open it and choose another.`);
      }
      const jobs = asked.jobs.map((one): SharedJob => ({ ...one, plan: planned(one.job, workshop, date) }));
      checkPatterns(order.patterns, order, jobs);
      return sharedPdf(jobs, order, { printer, path, stocks: workshop.stocks }, fonts, date).catch(refusing('feed'));
    }
  }
}

/** Own typefaces of all that is drawn together: the same name is the same typeface in every job of a studio. */
function typefacesOf(asked: ToDraw): OwnFonts {
  if (asked.kind === 'calibration' || asked.kind === 'gauge') return new Map();
  const all = asked.kind === 'shared' ? asked.jobs.map(({ typefaces }) => typefaces) : [asked.typefaces];
  // Bytes come over as plain arrays of them.
  return new Map(all.flatMap((fonts) => [...fonts].map(([id, bytes]) => [id, Buffer.from(bytes)] as const)));
}

async function drawFace(
  { job, workshop, pictures, faceId, pixels, plate }: ToDraw & { readonly kind: 'face' },
  plan: Plan,
  fonts: Awaited<ReturnType<typeof loadFonts>>,
): Promise<Drawn['face']> {
  try {
    const files = await exportFiles('face', 'png', {
      job,
      workshop,
      plan,
      fonts,
      pictures,
      date: null,
      pixels,
      faceId,
    });
    // Where white is laid, and it is asked for, its plate is the second picture.
    const file = plate === 'white' ? files[1] : files[0];
    if (!file) throw new Refusal(422, 'plate wants white, and no white is laid on this card; leave it out.', 'plate');
    return { name: file.name, bytes: file.bytes };
  } catch (problem) {
    return refusing('width')(problem);
  }
}

/** What a file cannot hold is the maker’s to mend; anything else is a mistake of ours. */
const refusing =
  (field: string) =>
  (problem: unknown): never => {
    if (!(problem instanceof ExportRefused)) throw problem;
    throw new Refusal(422, problem.message, field);
  };

function checkPatterns(patterns: readonly MixedPattern[], order: SharedPrint, jobs: readonly SharedJob[]): void {
  const pieces = new Map(piecesOf(jobs, order).map((piece) => [piece.id, piece]));
  for (const { sheetId, placements } of patterns) {
    if (!order.sheets.some(({ id }) => id === sheetId))
      throw new Refusal(400, `sheetId names “${sheetId}”, which is not among the sheets.`, 'patterns');
    for (const p of placements) {
      const piece = pieces.get(p.id);
      const [w, h] = p.turned ? [piece?.heightMm, piece?.widthMm] : [piece?.widthMm, piece?.heightMm];
      if (!piece || Math.abs(w! - p.widthMm) > OLD_MM || Math.abs(h! - p.heightMm) > OLD_MM)
        throw new Refusal(409, 'A job was changed since these sheets were laid out; lay them out again.', 'patterns');
    }
  }
}
