import Ajv from 'ajv';
import { expect } from 'chai';
import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { readJobFile } from '../../../src/files/read/readJobFile.ts';
import { jobSchemaText } from '../../../../scripts/jobSchema.ts';
import { workshop } from '../../support.ts';
import { runs } from '../../runs.ts';

const root = new URL('../../../../', import.meta.url);
const kept = readFileSync(new URL('docs/job-file.schema.json', root), 'utf8');
const schemaSays = new Ajv({ strict: false }).compile(JSON.parse(kept));
const DEMO = ['demo/jobs/', 'demo/formats/'].flatMap((folder) =>
  readdirSync(new URL(folder, root)).map(
    (file) => [file, JSON.parse(readFileSync(new URL(`${folder}${file}`, root), 'utf8')) as unknown] as const,
  ),
);

/** Every place of a value, from the top. */
function* placesOf(value: unknown, path: readonly string[] = []): Generator<readonly string[]> {
  if (typeof value !== 'object' || value === null) return;
  for (const [key, own] of Object.entries(value)) {
    yield [...path, key];
    yield* placesOf(own, [...path, key]);
  }
}
/** A copy with one place changed. */
function withPlace(value: unknown, [key, ...deeper]: readonly string[], change: (own: unknown) => unknown): unknown {
  const copy = structuredClone(value) as Record<string, unknown>;
  copy[key!] = deeper.length > 0 ? withPlace(copy[key!], deeper, change) : change(copy[key!]);
  return copy;
}

describe('the schema of job files', () => {
  it('is made from what reads them', async () => {
    expect(kept).to.equal(await jobSchemaText());
  });

  for (const [file, document] of DEMO)
    it(`takes ${file}`, () => {
      expect(schemaSays(document), JSON.stringify(schemaSays.errors)).to.equal(true);
      expect(readJobFile(document, workshop).ok).to.equal(true);
    });

  it('refuses fields that are none, and values of another kind, where the reader does', () => {
    const slips: readonly (readonly [string, (own: unknown) => unknown])[] = [
      [
        'a field that is none',
        (own) => (typeof own === 'object' && own && !Array.isArray(own) ? { ...own, colr: 1 } : own),
      ],
      ['a list for a value', (own) => (Array.isArray(own) ? { a: 1 } : [own, own])],
      ['a yes for a value', (own) => (typeof own === 'boolean' ? 'perhaps' : true)],
      ['far too much', (own) => (typeof own === 'number' ? 1e12 : own)],
    ];
    const places = DEMO.flatMap(([, document]) => [...placesOf(document)].map((path) => ({ document, path })));
    let refused = 0;
    fc.assert(
      fc.property(fc.constantFrom(...places), fc.constantFrom(...slips), ({ document, path }, [name, slip]) => {
        const slipped = withPlace(document, path, slip);
        const [bySchema, byReader] = [schemaSays(slipped), readJobFile(slipped, workshop).ok];
        // The schema is never stricter than the reader; what it lets by are sums, and names that point nowhere.
        if (!bySchema)
          expect(byReader, `${name} at ${path.join('.')}: ${JSON.stringify(schemaSays.errors)}`).to.equal(false);
        if (!byReader && name !== 'far too much') expect(bySchema, `${name} at ${path.join('.')}`).to.equal(false);
        if (!bySchema) refused += 1;
      }),
      { numRuns: runs(400) },
    );
    expect(refused).to.be.at.least(Math.floor(runs(400) / 4));
  });
});
