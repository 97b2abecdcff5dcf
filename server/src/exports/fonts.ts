import { createHash } from 'node:crypto';
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

/** Typefaces of the maker's own, by what jobs call them. */
export type OwnFonts = ReadonlyMap<string, Buffer>;

/** The shipped fonts, and some of the maker's own. */
export function withOwn({ book, bytes }: Fonts, own: OwnFonts): Fonts {
  if (own.size === 0) return { book, bytes };
  return {
    bytes: new Map([...bytes, ...own]),
    book: new Map([...book, ...[...own].map(([id, font]) => [id, ownTypeface(id, font)] as const)]),
  };
}

/** Those read last, since one card is drawn many times over. */
const kept = new Map<string, Typeface>();
const MOST_KEPT = 12;

function ownTypeface(id: string, bytes: Buffer): Typeface {
  const key = `${id} ${createHash('sha256').update(bytes).digest('hex')}`;
  const known = kept.get(key) ?? readTypeface(id, bytes, inflateSync);
  kept.delete(key);
  kept.set(key, known);
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return known;
}
