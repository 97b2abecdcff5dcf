import { expect } from 'chai';
import { Readers } from '../src/readers/readers.ts';
import { PictureRefused } from '../src/pictures/readPicture.ts';

const svg = (inner: string): Buffer =>
  Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="400" height="400">${inner}</svg>`);
/** A few letters again and again, each time a smear as wide as all of it: what no program draws to its end. */
const endless = svg(
  `<filter id="f"><feMorphology operator="dilate" radius="9000"/><feGaussianBlur stdDeviation="100000"/></filter>${'<rect width="400" height="400" filter="url(#f)"/>'.repeat(5000)}`,
);

describe('readers of pictures', () => {
  const readers = new Readers();

  it('give up on a file that comes to no end, and others go on meanwhile', async () => {
    const refused = readers.picture('smear.svg', endless).then(
      () => null,
      (problem: Error) => problem,
    );
    const others = await Promise.all(
      Array.from({ length: 6 }, (_, i) =>
        readers.picture(`plain-${i}.svg`, svg(`<rect width="${i + 9}" height="9"/>`)),
      ),
    );
    expect(others.map(({ ref }) => ref.name)).to.deep.equal(others.map((_, i) => `plain-${i}.svg`));
    expect(others[0]!.bytes.toString()).to.include('<rect');
    const problem = await refused;
    expect(problem).to.be.instanceOf(PictureRefused);
    expect(problem!.message).to.match(/^smear\.svg takes longer to read/);
    // Whoever comes after it finds a reader.
    expect((await readers.picture('after.svg', svg('<circle r="4"/>'))).ref.mime).to.equal('image/svg+xml');
  });

  it('let nobody wait behind files that come to no end, however many there are', async () => {
    let refused = 0;
    const stuck = Array.from({ length: 4 }, (_, i) =>
      readers.picture(`smear-${i}.svg`, endless).then(
        () => expect.fail('it was read'),
        () => (refused += 1),
      ),
    );
    expect((await readers.picture('plain.svg', svg('<rect width="9" height="9"/>'))).ref.name).to.equal('plain.svg');
    expect(refused).to.equal(0);
    await Promise.all(stuck);
    expect(refused).to.equal(4);
  });

  it('say why they refuse what can be read and is not taken', async () => {
    for (const [name, bytes, why] of [
      ['words.txt', Buffer.from('harbour'), /is no picture that can be read here; save it as PNG, JPEG/],
      ['nothing.png', Buffer.alloc(0), /is empty/],
    ] as const) {
      const problem = await readers.picture(name, bytes).then(
        () => null,
        (refused: Error) => refused,
      );
      expect(problem).to.be.instanceOf(PictureRefused);
      expect(problem!.message).to.match(why);
    }
  });
});
