import { expect } from 'chai';
import fc from 'fast-check';
import sharp from 'sharp';
import { readNames } from '@zippy/core/names-file';
import { PictureRefused, readPicture } from '../src/pictures/readPicture.ts';

/** Taken, or refused with a sentence; anything else is a crash. */
async function takenOrRefused(name: string, bytes: Buffer): Promise<string | null> {
  try {
    const { ref } = await readPicture(name, bytes);
    expect(ref.widthPx).to.be.above(0);
    return null;
  } catch (problem) {
    if (!(problem instanceof PictureRefused)) throw problem;
    expect(problem.message).to.match(/^\S.*[.]$/);
    return problem.message;
  }
}

describe('uploads that are broken, lie or mean harm', () => {
  const field = { width: 90, height: 60, channels: 3 as const, background: '#3f6f70' };
  let whole: readonly Buffer[];
  before(async () => {
    whole = [
      await sharp({ create: field }).jpeg().toBuffer(),
      await sharp({ create: field }).png().toBuffer(),
      await sharp({ create: { ...field, channels: 4 } })
        .withMetadata({ orientation: 6 })
        .png()
        .toBuffer(),
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M0 0H9V9Z"/></svg>'),
    ];
  });

  it('cut off anywhere, or with any bytes changed, are taken or refused in a sentence', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.nat(3),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.array(fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.nat(255)), { maxLength: 12 }),
        async (which, length, flips) => {
          const bytes = Buffer.from(whole[which]!.subarray(0, Math.ceil(length * whole[which]!.length)));
          for (const [at, value] of flips) if (bytes.length > 0) bytes[Math.floor(at * (bytes.length - 1))] = value;
          await takenOrRefused('fuzz', bytes);
        },
      ),
      { numRuns: 250 },
    );
  });

  it('with an honest head and any tail, are taken or refused', async () => {
    const heads = [
      '\x89PNG\r\n\x1a\n',
      '\xff\xd8\xff\xe0',
      '<svg ',
      '<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg"',
      '%PDF-1.7\n',
    ];
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...heads), fc.uint8Array({ maxLength: 400 }), async (head, tail) => {
        await takenOrRefused('head', Buffer.concat([Buffer.from(head, 'latin1'), Buffer.from(tail)]));
      }),
      { numRuns: 150 },
    );
  });

  it('that claim more pixels than they carry are refused by what they claim', async () => {
    const png = Buffer.from(whole[1]!);
    png.writeUInt32BE(60_000, 16);
    png.writeUInt32BE(60_000, 20);
    expect(await takenOrRefused('claims.png', png)).to.match(/million pixels|damaged/);
  });

  const svg = (body: string, head = ''): Buffer =>
    Buffer.from(
      `${head}<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 10 10">${body}</svg>`,
    );

  it('whose entities swell are neither swollen nor fetched', async () => {
    const laughs = Array.from({ length: 12 }, (_, i) => `<!ENTITY l${i + 1} "${`&l${i};`.repeat(10)}">`).join('');
    await takenOrRefused(
      'laughs.svg',
      svg('<text>&l12;</text>', `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY l0 "ha">${laughs}]>`),
    );
    const away = svg(
      '<text>&away;</text>',
      '<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY away SYSTEM "file:///etc/hostname">]>',
    );
    const { bytes } = await readPicture('away.svg', away);
    expect(bytes.toString('utf8')).to.not.match(/ENTITY|file:/);
  });

  it('whose drawing uses itself ten times over, level on level, are refused before anything draws them', async () => {
    const levels = Array.from(
      { length: 10 },
      (_, i) => `<g id="l${i + 1}">${`<use xlink:href="#l${i}"/>`.repeat(10)}</g>`,
    ).join('');
    expect(
      await takenOrRefused(
        'uses.svg',
        svg(`<defs><rect id="l0" width="1" height="1"/>${levels}</defs><use href="#l10"/>`),
      ),
    ).to.match(/too much of itself/);
    expect(
      await takenOrRefused('ring.svg', svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>')),
    ).to.match(/too much of itself/);
    // Using one drawing a thousand times is what use is for.
    expect(
      await takenOrRefused('many.svg', svg(`<rect id="r" width="1" height="1"/>${'<use href="#r"/>'.repeat(1000)}`)),
    ).to.equal(null);
  });

  it('nested deeper than any drawing is, are refused', async () => {
    for (const tag of ['g', 'switch', 'foreignObject', 'nothing-of-ours'])
      expect(
        await takenOrRefused('deep.svg', svg(`${`<${tag}>`.repeat(60_000)}<rect/>${`</${tag}>`.repeat(60_000)}`)),
      ).to.match(/nested/);
    const row = Array.from({ length: 30_000 }, (_, i) => `<g id="r${i}"><use href="#r${i + 1}"/></g>`).join('');
    expect(await takenOrRefused('row.svg', svg(row))).to.match(/too much of itself/);
    // Tags without an end come to one.
    await takenOrRefused('open.svg', svg('<a'.repeat(2_000_000)));
    const deepEnough = 380;
    expect(
      await takenOrRefused('fine.svg', svg(`${'<g>'.repeat(deepEnough)}<rect/>${'</g>'.repeat(deepEnough)}`)),
    ).to.equal(null);
  });

  it('as lists of names are read or refused, whatever bytes they are', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 600 }), (bytes) => {
        const read = readNames(bytes);
        if (read.ok) for (const row of read.names.rows) expect(row).to.have.length(read.names.columns.length);
        else expect(read.why).to.match(/\.$/);
      }),
      { numRuns: 500 },
    );
  });
});
