import { createHash } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import type { Plugin } from 'vite';

const SOURCE = fileURLToPath(new URL('src/offline/keeper.ts', import.meta.url));
/** Scripts of the bench card that are fetched as they are needed, beside those that it begins with. */
const AT_THE_BENCH = ['src/make/BenchCard.tsx', 'src/offline/keepForBench.ts', 'src/stores/keepSending.ts'];
/** The typefaces of the interface. */
const INTERFACE = /^assets\/(atkinson-hyperlegible-(next|mono)-latin-(400|700)-normal|.*nought).*\.woff2?$/i;
const PLANNING = /^assets\/plan\.worker-.*\.js$/;

/**
 * Builds the service worker that keeps the bench card, with the list of what it keeps: the first page, the bench, the
 * worker that plans, and the interface’s typefaces. It stands under one name, so that a newer one takes its place.
 */
export const keeper = (): Plugin => ({
  name: 'keeper',
  apply: 'build',
  async generateBundle(_options, bundle) {
    const files = Object.values(bundle);
    const chunks = files.filter((file) => file.type === 'chunk');
    const wanted = new Set<string>();
    const take = (name: string): void => {
      if (wanted.has(name)) return;
      wanted.add(name);
      const file = bundle[name];
      if (file?.type === 'chunk') {
        file.imports.forEach(take);
        file.viteMetadata?.importedCss.forEach(take);
      } else if (file && name.endsWith('.js')) {
        // A worker’s own scripts are files to this build; what they ask for stands in them by name.
        const named = String(file.source).matchAll(/["'`](?:\.\/|\/?assets\/)([\w.-]+\.(?:js|wasm))["'`]/g);
        for (const [, other] of named) if (bundle[`assets/${other!}`]) take(`assets/${other!}`);
      }
    };
    for (const { isEntry, fileName } of chunks) if (isEntry) take(fileName);
    for (const source of AT_THE_BENCH) {
      const chunk = chunks.find(({ moduleIds }) => moduleIds.some((id) => id.endsWith(`/web/${source}`)));
      if (!chunk) throw new Error(`keeper: nothing was built of ${source}`);
      take(chunk.fileName);
    }
    const workers = files.filter(({ fileName }) => PLANNING.test(fileName));
    if (workers.length === 0) throw new Error('keeper: there is no worker that plans');
    for (const { fileName } of workers) take(fileName);
    for (const { fileName } of files) if (INTERFACE.test(fileName)) take(fileName);
    const kept = [...wanted].sort().map((name) => `/${name}`);
    const all = JSON.stringify(['/mark.svg', '/shell.css', '/manifest.webmanifest', ...kept]);
    const mark = createHash('sha256').update(all).digest('hex').slice(0, 12);
    const { outputFiles } = await build({
      ...{ entryPoints: [SOURCE], bundle: true, write: false, minify: true, format: 'iife', target: 'es2022' },
      define: { FILES: all, BUILD: JSON.stringify(mark) },
    });
    this.emitFile({ type: 'asset', fileName: 'bench-keeper.js', source: outputFiles[0]!.text });
  },
});
