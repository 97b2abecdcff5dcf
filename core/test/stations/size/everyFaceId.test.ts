import { expect } from 'chai';
import type { FormatOptions } from '../../../src/job/format.ts';
import { everyFaceId, FORMATS, settleOptions } from '../../../src/stations/size/formats/index.ts';

const finish = { widthMm: 120, heightMm: 90 };

describe('faces that any format can have', () => {
  it('are all found, whatever a format says its faces follow', () => {
    const known = new Set(everyFaceId());
    for (const { id, inputs, form } of FORMATS) {
      const bare = { ...settleOptions(id, finish, {}).options };
      const chosen: FormatOptions[] = [bare];
      for (const input of inputs) {
        if (input.kind === 'choice')
          chosen.push(...input.choices.map(({ id: choice }) => ({ ...bare, [input.id]: choice })));
        if (input.kind === 'yesNo') chosen.push(...[true, false].map((is) => ({ ...bare, [input.id]: is })));
        if (input.kind === 'number' && input.whole)
          chosen.push(...input.limits(finish).map((end) => ({ ...bare, [input.id]: end })));
      }
      for (const options of chosen)
        for (const face of form(finish, options, { caliperMm: 0.3 }).faces)
          expect(known.has(face.id), `${face.id} of ${id}`).to.equal(true);
    }
  });
});
