import { existsSync, renameSync, rmSync, statSync } from 'node:fs';
import { build } from 'esbuild';
import { newest } from './newest.mjs';
import { root } from './root.mjs';

/** Whatever runs in a process of its own, by where its source lies. */
const PROGRAMS = [
  'server/src/main.ts',
  'server/src/worker.ts',
  'server/src/drawings/drawerProcess.ts',
  'server/src/readers/readerProcess.ts',
  'server/src/backup/backupProcess.ts',
  'server/src/backup/restoreProcess.ts',
  'cli/src/main.ts',
];

/** Where what Node runs lies, for a program's source. */
export const built = (source) => root(`built/${source.replace(/ts$/, 'js')}`);

/**
 * Joins the sources of every program into a few files for Node, when they are not there or older than what they are made
 * from. A program starts in a third of the time: what took the rest was to find and translate four hundred files, in each
 * process anew.
 */
export async function buildPrograms() {
  const sources = ['core/src', 'server/src', 'cli/src'].map((folder) => newest(root(folder)));
  const latest = Math.max(...sources, statSync(root('package-lock.json')).mtimeMs);
  if (existsSync(built(PROGRAMS[0])) && statSync(root('built')).mtimeMs > latest) return;
  // Beside it and then in its place, so that nobody finds half of it.
  const fresh = root(`built-${process.pid}`);
  await build({
    entryPoints: PROGRAMS.map((source) => root(source)),
    outbase: root('.'),
    outdir: fresh,
    absWorkingDir: root('.'),
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'linked',
    logLevel: 'warning',
    plugins: [ownCodeOnly],
  });
  rmSync(root('built'), { recursive: true, force: true });
  try {
    renameSync(fresh, root('built'));
  } catch {
    // Somebody else built the same at the same moment.
    rmSync(fresh, { recursive: true, force: true });
  }
}

/** Packages stay where npm put them. */
const ownCodeOnly = {
  name: 'own code only',
  setup: ({ onResolve }) =>
    onResolve({ filter: /^[^./]/ }, ({ kind, path }) =>
      kind === 'entry-point' || path.startsWith('@zippy/') ? undefined : { path, external: true },
    ),
};
