import {
  drawPattern,
  sharedPictureId,
  sharedPieces,
  type GangSheet,
  type Job,
  type MixedPattern,
  type Plan,
  type SharedPiece,
} from '@zippy/core';
import { collect } from './collect.ts';
import { PdfFile, type PdfMaterials } from './pdfDocument.ts';
import type { PictureBytes } from './types.ts';

/** A job on a shared sheet, with the bytes of its pictures under their own names. */
export interface SharedJob {
  readonly id: string;
  readonly job: Job;
  readonly plan: Plan;
  readonly pictures: ReadonlyMap<string, PictureBytes>;
}

export interface SharedOrder {
  readonly sheets: readonly GangSheet[];
  readonly patterns: readonly MixedPattern[];
  readonly flipEdge: 'long' | 'short';
  readonly grain: 'respect' | 'ignore';
}

export const piecesOf = (jobs: readonly SharedJob[], grain: SharedOrder['grain']): readonly SharedPiece[] =>
  jobs.flatMap(({ id, job, plan }) => sharedPieces(id, job, plan, grain));

/**
 * Every pattern’s front, and its back where anything is printed there. Each stands once: its slug says how many
 * to print.
 */
export async function sharedPdf(
  jobs: readonly SharedJob[],
  { sheets, patterns, flipEdge, grain }: SharedOrder,
  fonts: PdfMaterials['fonts'],
  date: string | null,
): Promise<Buffer> {
  const pieces = piecesOf(jobs, grain);
  const pictures = new Map(
    jobs.flatMap((one) => [...one.pictures].map(([id, bytes]) => [sharedPictureId(one.id, id), bytes] as const)),
  );
  const file = new PdfFile('Shared sheets', { fonts, pictures });
  const bytes = collect(file.stream);
  for (const one of jobs)
    for (const { art } of one.plan.art.faces)
      if (art.picture?.grey) await file.prepareGrey(sharedPictureId(one.id, art.picture.pictureId));
  for (const [i, pattern] of patterns.entries()) {
    const sheet = sheets.find(({ id }) => id === pattern.sheetId)!;
    const label = { number: i + 1, of: patterns.length, date };
    file.addPage(drawPattern(pattern, sheet, pieces, 'front', flipEdge, label));
    const own = pieces.filter((piece) => pattern.placements.some((p) => p.id === piece.id));
    if (own.some((piece) => piece.shapes.inside.length > 0))
      file.addPage(drawPattern(pattern, sheet, pieces, 'back', flipEdge, label));
  }
  file.end();
  return bytes;
}
