import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** What is made from the rest: it says nothing of how old the rest is. */
const MADE = new Set(['built', 'dist', 'node_modules']);

/** When something under a folder was last written, in milliseconds of the epoch; nought for an empty one. */
export function newest(folder) {
  let latest = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (MADE.has(entry.name)) continue;
    const path = join(folder, entry.name);
    latest = Math.max(latest, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }
  return latest;
}
