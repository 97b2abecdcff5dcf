import { createHash } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { drawStep, STATIONS } from '@zippy/core';
import { exportFiles, EXPORTS, ExportRefused, type ExportFormat, type ExportWhat } from '@zippy/server/exports';
import { gang } from '../cli/src/gang.ts';
import { loadJob } from '../cli/src/loadJob.ts';

/**
 * Every plan, drawing and file that comes of the demo, in a folder, with a list of their sums: what is rebuilt without
 * changing what the application does gives the same list before and after (`diff` names each file that differs).
 */
const [out] = process.argv.slice(2);
if (!out) throw new Error('Usage: npx tsx scripts/outputs.ts FOLDER');
const DEMO = fileURLToPath(new URL('../demo/', import.meta.url));
const DAY = '2026-11-20';
const sums: string[] = [];

function keep(name: string, bytes: string | Uint8Array): void {
  const whole = join(out!, name);
  mkdirSync(join(whole, '..'), { recursive: true });
  writeFileSync(whole, bytes);
  sums.push(`${createHash('sha256').update(bytes).digest('hex').slice(0, 16)}  ${name}`);
}

for (const folder of ['jobs', 'formats'])
  for (const file of readdirSync(join(DEMO, folder)).sort()) {
    const job = file.replace('.json', '');
    const loaded = await loadJob(join(DEMO, folder, file), { date: DAY });
    for (const station of STATIONS) keep(`${job}/plan/${station}.json`, JSON.stringify(loaded.plan[station], null, 1));
    for (const unit of ['mm', 'in'] as const)
      for (const step of loaded.plan.make.steps)
        keep(
          `${job}/steps/${step.id}-${unit}.json`,
          JSON.stringify(drawStep(loaded.plan, step, { unit, textMm: 4 }), null, 1),
        );
    for (const what of Object.keys(EXPORTS) as ExportWhat[])
      for (const format of EXPORTS[what] as readonly ExportFormat[])
        try {
          const files = await exportFiles(what, format, { ...loaded, date: DAY });
          for (const { name, bytes } of files) keep(`${job}/${what}-${format}/${name}`, bytes);
        } catch (problem) {
          if (!(problem instanceof ExportRefused)) throw problem;
          keep(`${job}/${what}-${format}/refused.txt`, problem.message);
        }
    console.log(job);
  }
for (const file of readdirSync(join(DEMO, 'orders')).sort())
  keep(`orders/${file}`, await gang(file, JSON.parse(readFileSync(join(DEMO, 'orders', file), 'utf8'))));
writeFileSync(join(out, 'sums.txt'), `${sums.join('\n')}\n`);
