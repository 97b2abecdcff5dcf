import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project's folder, which is the one with the lock file; we may run from a source or from what was built of it. */
const ROOT = ((): string => {
  let folder = dirname(fileURLToPath(import.meta.url));
  while (!existsSync(join(folder, 'package-lock.json'))) {
    if (folder === dirname(folder)) throw new Error('The project’s own files are not where they belong: no lock file.');
    folder = dirname(folder);
  }
  return folder;
})();

/** A path within the project. */
export const root = (path: string): string => join(ROOT, path);

/**
 * Whether what was built is run: it is what we are ourselves, or somebody who runs our source has just built it, as the
 * tests do.
 */
const FROM_BUILT = fileURLToPath(import.meta.url).startsWith(root('built/')) || process.env.ZIPPY_BUILT === '1';

export interface Program {
  readonly file: string;
  /** What Node is given before the file. */
  readonly execArgv: readonly string[];
}

/**
 * How a program of ours is run as a process of its own: from what was built, or else from its source.
 * @param source from the project's folder, such as `server/src/worker.ts`
 */
export const program = (source: string): Program =>
  FROM_BUILT
    ? { file: root(`built/${source.replace(/ts$/, 'js')}`), execArgv: [] }
    : { file: root(source), execArgv: ['--import', 'tsx'] };
