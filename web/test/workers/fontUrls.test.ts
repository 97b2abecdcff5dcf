import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { TYPEFACES } from '@zippy/core';

describe('fontUrls', () => {
  // The file itself needs the builder to turn imports into addresses, so it is read as text.
  const text = readFileSync(new URL('../../src/workers/fontUrls.ts', import.meta.url), 'utf8');

  it('has an address for every typeface of the core, from the very file the core names', () => {
    for (const { id, file } of TYPEFACES.flatMap((entry) => [entry, entry.companion])) {
      const name = new RegExp(`'${id}': (\\w+),`).exec(text)?.[1];
      expect(name, `no line for ${id}`).to.be.a('string');
      expect(text, id).to.contain(`import ${name} from '${file}?url';`);
    }
  });
});
