import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { inflateSync } from 'node:zlib';
import { FALLBACK_TYPEFACES, TYPEFACES, type Typeface } from '@zippy/core';
import { readTypeface } from '@zippy/core/typefaces';

const require = createRequire(import.meta.url);

export interface Fonts {
  readonly book: ReadonlyMap<string, Typeface>;
  readonly bytes: ReadonlyMap<string, Buffer>;
}

let loaded: Promise<Fonts> | null = null;

/** Reads the shipped fonts once for the life of the process. */
export function loadFonts(): Promise<Fonts> {
  loaded ??= (async () => {
    const files = await Promise.all(
      [...TYPEFACES.flatMap((entry) => [entry, entry.companion]), ...FALLBACK_TYPEFACES].map(
        async ({ id, file }) => [id, await readFile(require.resolve(file))] as const,
      ),
    );
    return {
      bytes: new Map(files),
      book: new Map(files.map(([id, bytes]) => [id, readTypeface(id, bytes, inflateSync)])),
    };
  })();
  return loaded;
}
