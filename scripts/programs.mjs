import { existsSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
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
  await joined(PROGRAMS, fresh, [packagesToo], REQUIRE_FOR_PACKAGES);
  rmSync(root('built'), { recursive: true, force: true });
  try {
    renameSync(fresh, root('built'));
  } catch {
    // Somebody else built the same at the same moment.
    rmSync(fresh, { recursive: true, force: true });
  }
}

/**
 * Joins files of tests in the same way, each to be run from where it then lies, so that the translator is not started
 * anew with every few of them.
 * @param files as they lie in the project
 * @param folder within the project, where packages are found from
 * @returns where a file's tests are, by its own name
 */
export async function buildTests(files, folder) {
  await joined(files, folder, [ownCodeOnly, sourceKeepsItsPlace]);
  return (file) => `${folder}/${file.replace(/ts$/, 'js')}`;
}

const joined = (sources, outdir, plugins, banner = '') =>
  build({
    banner: { js: banner },
    entryPoints: sources.map((source) => root(source)),
    outbase: root('.'),
    outdir,
    absWorkingDir: root('.'),
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'linked',
    logLevel: 'warning',
    plugins,
  });

/** What a source finds beside itself it still finds once it is joined with others somewhere else. */
const sourceKeepsItsPlace = {
  name: 'source keeps its place',
  setup: ({ onLoad }) =>
    onLoad({ filter: /\/(core|server|web|cli|e2e)\/.*\.tsx?$/ }, ({ path }) => {
      const text = readFileSync(path, 'utf8');
      if (!text.includes('import.meta.url')) return undefined;
      const contents = text.replaceAll('import.meta.url', JSON.stringify(pathToFileURL(path).href));
      return { contents, loader: path.endsWith('x') ? 'tsx' : 'ts' };
    }),
};

/** Packages stay where npm put them. */
const ownCodeOnly = {
  name: 'own code only',
  setup: ({ onResolve }) =>
    onResolve({ filter: /^[^./]/ }, ({ kind, path }) =>
      kind === 'entry-point' || path.startsWith('@zippy/') ? undefined : { path, external: true },
    ),
};

/**
 * Packages that are not joined: they are compiled for this machine, or find files that lie beside their own code. Whatever
 * else a program needs is one file with it, since to look for a thousand files takes longer than to run them.
 */
const STAY = [
  ...['sharp', '@resvg/resvg-js', '@napi-rs/canvas', 'pg-native'],
  ...['highs', 'harfbuzzjs', 'heic-decode', 'pdfjs-dist', 'pdfkit', 'fontkit', 'svg-to-pdfkit', 'node-pg-migrate'],
];

const packagesToo = {
  name: 'packages too',
  setup: ({ onResolve }) =>
    onResolve({ filter: /^[^./]/ }, ({ path }) =>
      STAY.some((name) => path === name || path.startsWith(`${name}/`)) ? { path, external: true } : undefined,
    ),
};

/** Older packages ask for Node’s own modules in the older way. */
const REQUIRE_FOR_PACKAGES =
  "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);";
