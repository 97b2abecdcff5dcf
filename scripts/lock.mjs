import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { whatIs } from './processes.mjs';
import { roomFor } from './room.mjs';

/**
 * Two at once would share one cluster, and the first to stop would take it from the other.
 * @throws Error with one sentence where the folder takes nothing
 * @returns null when the folder is ours now; else the process that has it
 */
export function takeFolder(folder) {
  const path = join(folder, 'running');
  const pid = Number(readOr(path, '').trim());
  // Whatever a crash left, an empty file or a number that is another program's by now, holds nothing.
  if (pid !== process.pid && isStart(whatIs(pid))) return pid;
  try {
    mkdirSync(folder, { recursive: true });
    writeFileSync(path, String(process.pid));
  } catch (problem) {
    if (problem.code === 'ENOSPC') roomFor(folder);
    throw new Error(
      `${folder} cannot be written to (${problem.code}); make it writable, or name another in ZIPPY_DATA.`,
      {
        cause: problem,
      },
    );
  }
  return null;
}

export const leaveFolder = (folder) => rmSync(join(folder, 'running'), { force: true });

/** What else takes the folder for itself: a backup made, or brought back, while the application does not run. */
const isStart = (found) =>
  found !== null && found.command.some((word) => /(^|\/)(start|backup|restore)\.mjs$/.test(word));

function readOr(path, otherwise) {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    return otherwise;
  }
}
