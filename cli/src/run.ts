import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { allSnags, pixelFault, type PixelQuestion } from '@zippy/core';
import { canExport, exportFiles, ExportRefused, EXPORTS, type ExportFormat } from '@zippy/server/exports';
import { UsageError } from './errors.ts';
import { loadJob, readJson } from './loadJob.ts';
import { up, type UpOptions } from './up.ts';

const USAGE = `zippy plan FILE | zippy check FILE | zippy export FILE --what ${Object.keys(EXPORTS).join('|')} --format pdf|svg|dxf|png|csv --out DIR (also --workshop FILE, --date DAY; for --what face --format png --pixels 1843x1311 --dpi 300 [--face front]) | zippy up --sheet 210x297mm --margins 5,5,5,5mm --piece 148x105mm --bleed 3mm --gutter 6mm [--no-turn] | zippy gang ORDER.json`;

export interface Options extends UpOptions {
  readonly what?: string | undefined;
  readonly format?: string | undefined;
  readonly out?: string | undefined;
  readonly workshop?: string | undefined;
  readonly date?: string | undefined;
  readonly pixels?: string | undefined;
  readonly dpi?: string | undefined;
  readonly face?: string | undefined;
}

/** @returns the exit code: 0 fine, 1 when a snag stops the job */
export async function run([command, file, ...rest]: readonly string[], options: Options): Promise<0 | 1> {
  if (command === 'up') {
    if (file) throw new UsageError(`up takes only options; got ${file}.`);
    console.log(up(options));
    return 0;
  }
  if (command === 'gang') {
    if (!file || rest.length > 0) throw new UsageError(`gang wants one order file. Usage: ${USAGE}`);
    const { gang } = await import('./gang.ts');
    console.log(await gang(file, await readJson(file, 'The order')));
    return 0;
  }
  if (!command || !['plan', 'check', 'export'].includes(command)) throw new UsageError(`Usage: ${USAGE}`);
  if (!file || rest.length > 0) throw new UsageError(`${command} wants one job file. Usage: ${USAGE}`);
  if (command === 'export') return exportJob(file, options);
  const { plan } = await loadJob(file, options);
  const snags = allSnags(plan);
  if (command === 'plan') console.log(JSON.stringify(plan, null, 2));
  else
    for (const snag of snags)
      console.log(`${snag.level.padEnd(4)}  ${snag.station.padEnd(8)}  ${snag.title}. ${snag.why}`);
  return snags.some((snag) => snag.level === 'stop') ? 1 : 0;
}

/** Exact pixels for a print house; nothing when none are asked. */
function readPixels(
  what: string,
  format: string,
  { pixels, dpi, face }: Options,
): { readonly pixels?: PixelQuestion; readonly faceId?: string } {
  if (pixels === undefined) {
    if (dpi !== undefined || face !== undefined)
      throw new UsageError('--dpi and --face go with --pixels; add --pixels.');
    return {};
  }
  if (what !== 'face' || format !== 'png') throw new UsageError('--pixels goes with --what face --format png.');
  const found = /^(\d{1,5})x(\d{1,5})$/.exec(pixels);
  const [widthPx, heightPx] = [Number(found?.[1]), Number(found?.[2])];
  const resolution = Number(dpi ?? 300);
  const wrong = pixelFault({ widthPx, heightPx, dpi: resolution });
  if (!found) throw new UsageError(`--pixels wants width x height such as 1843x1311; got ${pixels}.`);
  if (wrong) throw new UsageError(wrong.field === 'dpi' ? `--dpi ${wrong.why}.` : `--pixels ${wrong.why}.`);
  return { pixels: { widthPx, heightPx, dpi: resolution }, ...(face === undefined ? {} : { faceId: face }) };
}

async function exportJob(file: string, options: Options): Promise<0 | 1> {
  const { what = '', format = '', out = '.', date = null } = options;
  if (!(what in EXPORTS))
    throw new UsageError(`--what wants one of ${Object.keys(EXPORTS).join(', ')}; got ${what || 'nothing'}.`);
  if (!canExport(what, format))
    throw new UsageError(
      `--format wants one of ${EXPORTS[what as keyof typeof EXPORTS].join(', ')} for ${what}; got ${format || 'nothing'}.`,
    );
  const asked = readPixels(what, format, options);
  const loaded = await loadJob(file, options);
  try {
    const files = await exportFiles(what, format as ExportFormat, { ...loaded, date, ...asked });
    await mkdir(out, { recursive: true });
    for (const { name, bytes } of files) {
      await writeFile(join(out, name), bytes);
      console.log(join(out, name));
    }
  } catch (problem) {
    if (!(problem instanceof ExportRefused)) throw problem;
    console.error(problem.message);
    return 1;
  }
  return allSnags(loaded.plan).some((snag) => snag.level === 'stop') ? 1 : 0;
}
