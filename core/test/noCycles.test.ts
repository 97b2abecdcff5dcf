import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect } from 'chai';
import ts from 'typescript';

const root = fileURLToPath(new URL('../../', import.meta.url));

/** What each file of a folder imports of the project's own files, for its types too. */
function importsOf(folder: string): ReadonlyMap<string, readonly string[]> {
  const paths = readdirSync(join(root, folder), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
    .map((entry) => join(entry.parentPath, entry.name));
  return new Map(
    paths.map((path) => {
      const { importedFiles } = ts.preProcessFile(readFileSync(path, 'utf8'), true, true);
      const own = importedFiles.filter(({ fileName }) => fileName.startsWith('.'));
      return [relative(root, path), own.map(({ fileName }) => relative(root, resolve(dirname(path), fileName)))];
    }),
  );
}

/** The first way that comes back to where it began; null where none does. */
function cycleIn(imports: ReadonlyMap<string, readonly string[]>): readonly string[] | null {
  const done = new Set<string>();
  const walk = (file: string, way: readonly string[]): readonly string[] | null => {
    const before = way.indexOf(file);
    if (before >= 0) return [...way.slice(before), file];
    if (done.has(file)) return null;
    for (const next of imports.get(file) ?? []) {
      const found = walk(next, [...way, file]);
      if (found) return found;
    }
    done.add(file);
    return null;
  };
  for (const file of imports.keys()) {
    const found = walk(file, []);
    if (found) return found;
  }
  return null;
}

describe('files', () => {
  it('import in one direction: no way from one leads back to it, not even for a type', () => {
    for (const folder of ['core/src', 'server/src', 'web/src', 'cli/src']) {
      const imports = importsOf(folder);
      expect(imports.size, folder).to.be.above(5);
      expect(cycleIn(imports), folder).to.equal(null);
    }
  });

  it('would be seen if one did', () => {
    const ring = new Map([
      ['a', ['b', 'c']],
      ['b', ['c']],
      ['c', ['d', 'e']],
      ['d', []],
      ['e', ['b']],
    ]);
    expect(cycleIn(ring)).to.deep.equal(['b', 'c', 'e', 'b']);
  });
});
