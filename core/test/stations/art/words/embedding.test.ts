import { expect } from 'chai';
import { embeddingOf, mayEmbed, mayTravel } from '../../../../src/stations/art/words/embedding.ts';

/** An OS/2 table of ninety-six bytes that says nothing but this. Source: ISO/IEC 14496-22, OS/2: fsType is its fifth word */
const os2 = (fsType: number): Uint8Array => {
  const table = new Uint8Array(96);
  table[8] = fsType >> 8;
  table[9] = fsType & 0xff;
  return table;
};
const read = (fsType: number): readonly [string, boolean, boolean] => {
  const embedding = embeddingOf(os2(fsType));
  return [embedding.level, mayEmbed(embedding), mayTravel(embedding)];
};

describe('embeddingOf', () => {
  it('reads each level, and what follows from it for files and for jobs that are handed on', () => {
    expect(read(0x0000)).to.deep.equal(['installable', true, true]);
    expect(read(0x0002)).to.deep.equal(['none', false, false]);
    expect(read(0x0004)).to.deep.equal(['print', true, false]);
    expect(read(0x0008)).to.deep.equal(['editable', true, true]);
  });

  it('takes the least restrictive of several, as fonts of the first versions set them', () => {
    expect(read(0x0006)[0]).to.equal('print');
    expect(read(0x000e)[0]).to.equal('editable');
  });

  it('keeps a font out of files that may stand in them only whole, or only as bitmaps', () => {
    expect(read(0x0100)).to.deep.equal(['installable', false, true]);
    expect(read(0x0200)).to.deep.equal(['none', false, false]);
    // Bits that are set aside mean nothing.
    expect(read(0x0001)).to.deep.equal(['installable', true, true]);
  });

  it('takes a font that says nothing no further than into print', () => {
    expect(embeddingOf(undefined).level).to.equal('print');
    expect(embeddingOf(new Uint8Array(9)).level).to.equal('print');
  });
});
