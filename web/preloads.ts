import type { Plugin } from 'vite';

/** Which addresses of the page show what, by the source that is fetched for it; the first that fits counts. */
const STATIONS = ['brief', 'size', 'art', 'stock', 'sheet', 'cut', 'crease', 'envelope', 'make', 'sell'];
const named = (station: string): string => `${station[0]!.toUpperCase()}${station.slice(1)}`;
const PLACES: readonly { readonly place: string; readonly sources: readonly string[] }[] = [
  ...STATIONS.map((station) => ({
    place: `^/jobs/[^/]+/${station}/?$`,
    sources: ['src/jobs/JobPage.tsx', `src/stations/${station}/${named(station)}.tsx`],
  })),
  { place: '^/jobs/[^/]+/?$', sources: ['src/jobs/JobPage.tsx', 'src/stations/brief/Brief.tsx'] },
  { place: '^/shared/?$', sources: ['src/shared/SharedPage.tsx'] },
  { place: '^/workshop/?$', sources: ['src/workshop/WorkshopPage.tsx'] },
  { place: '^/bench/', sources: ['src/make/BenchCard.tsx'] },
];

/**
 * Writes down, beside the page, which scripts each of its addresses needs: a browser that hears of them with the page
 * asks for them together with the first script, and not after it.
 */
export const preloads = (): Plugin => ({
  name: 'preloads',
  apply: 'build',
  generateBundle(_options, bundle) {
    const chunks = Object.values(bundle).filter((file) => file.type === 'chunk');
    const all = new Map(chunks.map((chunk) => [chunk.fileName, chunk]));
    const withImports = (name: string, into: Set<string>): Set<string> => {
      if (into.has(name)) return into;
      into.add(name);
      for (const needed of all.get(name)?.imports ?? []) withImports(needed, into);
      return into;
    };
    const first = new Set<string>();
    for (const { isEntry, fileName } of chunks) if (isEntry) withImports(fileName, first);
    const places = PLACES.map(({ place, sources }) => {
      const files = new Set<string>();
      for (const source of sources) {
        const chunk = chunks.find(({ facadeModuleId }) => facadeModuleId?.endsWith(`/web/${source}`));
        if (!chunk) throw new Error(`preloads: nothing was built of ${source}`);
        withImports(chunk.fileName, files);
      }
      return { place, files: [...files].filter((file) => !first.has(file)) };
    });
    this.emitFile({ type: 'asset', fileName: 'preloads.json', source: JSON.stringify(places) });
  },
});
