import { fileStem } from './fileStem.ts';
import { KINDS } from './kinds/index.ts';
import type { Exporter, ExportFile, ExportFormat, ExportInput, ExportWhat } from './types.ts';
import { PageCount, writeDraft } from './write.ts';

export { fileStem } from './fileStem.ts';
export { loadFonts, withOwn, type Fonts, type OwnFonts } from './fonts.ts';
export {
  canExport,
  EXPORTS,
  ExportRefused,
  type ExportFile,
  type ExportFormat,
  type ExportInput,
  type ExportWhat,
  type PictureBytes,
} from './types.ts';
export { heaviestInk, loadInkLattice } from '../pictures/fourInks.ts';
export { root } from '../root.ts';
export { readPicture, PictureRefused, type ReadPicture } from '../pictures/readPicture.ts';
export { readOwnTypeface, TypefaceRefused } from '../typefaces/readOwnTypeface.ts';

/**
 * Writes one piece of a job in one format: its kind says which files there are and what is in them, and they are
 * written one after the other.
 * @throws ExportRefused when the plan has nothing of the kind to write
 */
export async function exportFiles(
  what: ExportWhat,
  format: ExportFormat,
  input: ExportInput,
): Promise<readonly ExportFile[]> {
  const drafts = KINDS[what] as Exporter<ExportFormat>;
  const count = new PageCount(input.onProgress);
  const files: ExportFile[] = [];
  for await (const draft of drafts(input, format, fileStem(input.job.brief.title)))
    files.push(await writeDraft(draft, format, input, count));
  return files;
}
