import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import sharp, { type Sharp } from 'sharp';
import { cleanSvg } from '../src/pictures/cleanSvg.ts';
import { profileOf } from '../src/pictures/readHeic.ts';
import { PictureRefused, readPicture } from '../src/pictures/readPicture.ts';

const refusal = async (name: string, bytes: Buffer): Promise<string> => {
  try {
    await readPicture(name, bytes);
  } catch (problem) {
    if (problem instanceof PictureRefused) return problem.message;
    throw problem;
  }
  return '';
};

describe('cleanSvg', () => {
  const dirty = `<?xml version="1.0"?><!DOCTYPE svg><svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"
    viewBox="0 0 40 20" onload="fetch('/x')"><script>alert(1)</script><style>@import url(http://e.test/a.css);.a{fill:url(#g)}.b{background:url(//e.test)}</style>
    <linearGradient id="g"><stop offset="0" stop-color="#14263c"/></linearGradient><image href="http://e.test/p.png"/><image xlink:href="data:image/svg+xml,x"/>
    <use href="http://e.test/s.svg#a"/><use xlink:href="#r"/><foreignObject><iframe src="http://e.test"/></foreignObject>
    <rect id="r" fill="url(#g)" onclick="x()" style="stroke:url('http://e.test/#h')" width="40" height="20"/><a href="javascript:x()"><text>hi</text></a></svg>`;

  it('leaves nothing that could run or fetch, and all of the drawing', () => {
    const clean = cleanSvg(dirty)!;
    expect(clean.text).not.to.match(/script|onload|onclick|e\.test|foreignObject|iframe|@import|data:image\/svg/i);
    expect(clean.text).to.contain('linearGradient').and.contain('url(#g)').and.contain('href="#r"');
    expect(clean).to.include({ widthPx: 40, heightPx: 20 });
  });
  it('knows what reaches out however it is spelt, and takes that alone', () => {
    const inner = (what: string): string =>
      cleanSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9">${what}</svg>`)!.text;
    for (const reaches of [
      'url(http://e.test/a)',
      "url( 'http://e.test/a' )",
      'URL(//e.test/a)',
      '\\75rl(http://e.test/a)',
      'u\\72 l(http://e.test/a)',
      '&#117;rl(http://e.test/a)',
      '\\000075 rl(http://e.test/a)',
      "image-set('http://e.test/a' 1x)",
      '-webkit-image-set(url(http://e.test/a) 1x)',
      "src('http://e.test/a')",
      'url(data:image/svg+xml,e.test)',
      'url(#ok) url(http://e.test/a)',
    ]) {
      const asAttribute = inner(`<rect id="r" width="9" height="9" fill="${reaches.replaceAll('"', '&quot;')}"/>`);
      expect(asAttribute, reaches).to.contain('<rect id="r" width="9" height="9">');
      expect(asAttribute, reaches).to.not.match(/e\.test/);
      const asStyle = inner(`<rect style="fill:${reaches};stroke:#123456" width="9"/>`);
      expect(asStyle, reaches).to.contain('stroke:#123456');
      expect(asStyle, reaches).to.not.match(/e\.test/);
      const asSheet = inner(`<style>.a{fill:${reaches}} .b{fill:#654321}</style><rect class="b"/>`);
      expect(asSheet, reaches).to.contain('.b{fill:#654321}');
      expect(asSheet, reaches).to.not.match(/e\.test/);
    }
    for (const rule of [
      '@import "http://e.test/a";',
      '@\\69mport url(http://e.test/a);',
      '@im/**/port "e.test";@import/**/"http://e.test/";',
      '@font-face{src:url(http://e.test/a)}',
    ])
      expect(inner(`<style>${rule} .b{fill:#654321}</style>`), rule).to.not.match(/http:\/\/e\.test/);
    expect(inner(`<style>@import "http://e.test/a"; .b{fill:#654321}</style>`)).to.contain('.b{fill:#654321}');
    // What stays inside stays as it was written, escapes and all.
    const sheet = '.\\31 23{fill:url(#g)} /* sea */ .a > .b{fill:url("#g")}';
    expect(inner(`<style>${sheet}</style>`)).to.contain(sheet.replaceAll('"', '&quot;').replaceAll('>', '&gt;'));
  });

  it('spells names as SVG does, keeps what wrappers hold, and no more noise than can be seen', () => {
    const { text } = cleanSvg(
      '<SVG viewbox="0 0 9 9"><lineargradient id="g" gradientunits="userSpaceOnUse"/><switch><g><path d="M0 0"/></g></switch>' +
        '<filter id="f"><feturbulence numoctaves="1000000"/></filter><metadata><rect/></metadata><x:y><circle/></x:y><text>a &lt; b<title>no</title></text></SVG>',
    )!;
    expect(text).to.contain(
      '<linearGradient id="g" gradientUnits="userSpaceOnUse"></linearGradient><g><path d="M0 0"></path></g>',
    );
    expect(text).to.contain('numOctaves="8"').and.contain('<text>a &lt; b</text>');
    expect(text).to.not.match(/rect|circle|title|switch/);
  });

  it('ends what was left open, and begins at the first drawing and ends with it', () => {
    const { text, drawn } = cleanSvg('words <b>bold</b><svg width="9" height="8"><g><rect width="4">')!;
    expect(text).to.match(/<g><rect width="4"><\/rect><\/g><\/svg>$/);
    expect(drawn).to.equal(3);
    expect(cleanSvg('<svg width="9" height="8"><rect/></svg><svg width="1"><circle/></svg><path/>')!.text).to.not.match(
      /circle|path/,
    );
  });

  it('takes twenty thousand shapes as they come', () => {
    const many = '<g fill="#14263c"><rect x="1" y="2" width="3" height="4"/></g>'.repeat(20_000);
    const { drawn, text } = cleanSvg(`<svg width="9" height="8">${many}</svg>`)!;
    expect(drawn).to.equal(40_001);
    expect(text.split('<rect').length).to.equal(20_001);
  });

  it('finds no drawing in other text', () => {
    expect(cleanSvg('<p>hello</p>')).to.equal(null);
    expect(cleanSvg('<svg xmlns="http://www.w3.org/2000/svg"><rect/></svg>')).to.equal(null);
  });
});

describe('readPicture', () => {
  const jpeg = (width: number, height: number, orientation?: number): Promise<Buffer> => {
    const made = sharp({ create: { width, height, channels: 3, background: '#3f6f70' } }).jpeg();
    return (orientation ? made.withMetadata({ orientation }) : made).toBuffer();
  };

  it('goes by content, not by name', async () => {
    const picture = await readPicture('boat.png', await jpeg(40, 30));
    expect(picture.ref).to.include({ mime: 'image/jpeg', widthPx: 40, heightPx: 30 });
  });
  it('keeps an upright photograph to the byte and turns one that lies', async () => {
    const upright = await jpeg(40, 30);
    expect((await readPicture('a', upright)).bytes.equals(upright)).to.be.true;
    expect((await readPicture('b', await jpeg(40, 30, 6))).ref).to.include({ widthPx: 30, heightPx: 40 });
  });
  it('makes a small copy for the screen', async () => {
    const { preview } = await readPicture('large', await jpeg(4000, 3000));
    expect(await sharp(preview.bytes).metadata()).to.include({ width: 1600, height: 1200 });
  });
  describe('pictures as they come', () => {
    /** Four quarters: buoy, reed bed, lantern, ink; the last one clear where it is asked for. */
    const COLOURS = ['c2552f', '3f6f70', 'f2b01e', '1d2930'] as const;
    const quarters = (clear = false): Sharp => {
      const rects = COLOURS.slice(0, clear ? 3 : 4).map(
        (colour, i) => `<rect x="${(i % 2) * 48}" y="${i < 2 ? 0 : 32}" width="48" height="32" fill="#${colour}"/>`,
      );
      const drawn = sharp(
        Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="96" height="64">${rects.join('')}</svg>`),
      );
      return clear ? drawn : drawn.flatten();
    };
    /** The middle of each quarter, as it is kept. */
    const middles = async (bytes: Buffer): Promise<readonly (readonly number[])[]> => {
      const { data, info } = await sharp(bytes).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
      return [0, 1, 2, 3].map((i) => {
        const at = ((i < 2 ? 0.25 : 0.75) * info.height * info.width + (i % 2 ? 0.75 : 0.25) * info.width) * 4;
        return [...data.subarray(at, at + 4)];
      });
    };
    /** Within what packing a photograph changes. */
    const holds = async (name: string, raw: Buffer, mime: string, clear: boolean): Promise<void> => {
      const { ref, bytes, preview } = await readPicture(name, raw);
      expect(ref, name).to.include({ mime, widthPx: 96, heightPx: 64 });
      expect((await sharp(bytes).metadata()).format, name).to.equal(mime === 'image/png' ? 'png' : 'jpeg');
      expect(preview.mime, name).to.equal(mime);
      const seen = await middles(bytes);
      COLOURS.forEach((colour, i) => {
        if (clear && i === 3) return expect(seen[i]![3], name).to.equal(0);
        const wanted = [0, 2, 4].map((at) => parseInt(colour.slice(at, at + 2), 16));
        wanted.forEach((part, k) => expect(seen[i]![k], `${name}, quarter ${i}`).to.be.closeTo(part, 5));
        return expect(seen[i]![3], name).to.equal(255);
      });
    };

    it('takes WebP, AVIF, TIFF and GIF, with clear parts and without, as PNG or JPEG', async () => {
      await holds('a.webp', await quarters().webp({ quality: 95 }).toBuffer(), 'image/jpeg', false);
      await holds('b.webp', await quarters(true).webp({ lossless: true }).toBuffer(), 'image/png', true);
      await holds(
        'c.avif',
        await quarters().avif({ quality: 90, chromaSubsampling: '4:4:4' }).toBuffer(),
        'image/jpeg',
        false,
      );
      await holds('d.tiff', await quarters().tiff({ compression: 'lzw' }).toBuffer(), 'image/png', false);
      await holds('e.gif', await quarters().gif().toBuffer(), 'image/png', false);
      await holds('f.gif', await quarters(true).gif().toBuffer(), 'image/png', true);
    });

    it('takes the first picture of one that moves', async () => {
      const second = await sharp({ create: { width: 96, height: 64, channels: 3, background: '#ff00ff' } })
        .png()
        .toBuffer();
      const moving = await sharp([await quarters().png().toBuffer(), second], { join: { animated: true } })
        .gif()
        .toBuffer();
      expect((await sharp(moving, { animated: true }).metadata()).pages).to.equal(2);
      await holds('moving.gif', moving, 'image/png', false);
    });

    it('converts inks and wide colours to the screen’s, and turns what lies', async () => {
      const inks = await readPicture('inks.tiff', await quarters().toColourspace('cmyk').tiff().toBuffer());
      expect(await sharp(inks.bytes).metadata()).to.include({ format: 'png', space: 'srgb', channels: 3 });
      const wide = await quarters().withIccProfile('p3').webp({ lossless: true }).toBuffer();
      expect((await sharp(wide).metadata()).icc!.length).to.be.above(100);
      await holds('wide.webp', wide, 'image/jpeg', false);
      const lying = await quarters().rotate(270).withMetadata({ orientation: 6 }).tiff().toBuffer();
      await holds('lying.tiff', lying, 'image/png', false);
    });

    it('takes a telephone’s HEIC, in its own wide colours, and one with clear parts', async () => {
      // Written with a wide profile by another program; the numbers in it are not the colours’ own.
      const file = (name: string): Buffer => readFileSync(new URL(`files/${name}`, import.meta.url));
      expect(profileOf(file('quarters.heic'))!.toString('latin1', 36, 40)).to.equal('acsp');
      await holds('quarters.heic', file('quarters.heic'), 'image/jpeg', false);
      await holds('quarters-clear.heic', file('quarters-clear.heic'), 'image/png', true);
      const whole = file('quarters.heic');
      expect(await refusal('torn.heic', whole.subarray(0, whole.length * 0.8))).to.match(/is damaged/);
    });

    it('does not take the small copy that a camera writes before its raw pixels for the picture', async () => {
      for (const order of ['little', 'big'] as const) {
        const tiff = await quarters().tiff().toBuffer();
        // One directory of one entry: what follows is a smaller copy of another picture.
        const raw = Buffer.alloc(26 + tiff.length);
        const write = (at: number, value: number, bytes: 2 | 4): void =>
          void (order === 'little' ? raw.writeUIntLE(value, at, bytes) : raw.writeUIntBE(value, at, bytes));
        raw.write(order === 'little' ? 'II' : 'MM', 'latin1');
        write(2, 42, 2);
        write(4, 8, 4);
        write(8, 1, 2);
        write(10, 254, 2);
        write(12, 4, 2);
        write(14, 1, 4);
        write(18, 1, 4);
        expect(await refusal('raw', raw)).to.match(/^raw is a camera’s raw picture; open it in the program/);
        // The same, said to be the whole picture, is a TIFF: this one is damaged.
        write(18, 0, 4);
        expect(await refusal('whole', raw)).to.match(/^whole is damaged/);
      }
      expect(await refusal('stub.tif', Buffer.from('II*\0', 'latin1'))).to.match(/is damaged/);
    });

    it('says of other files what they are and what to do', async () => {
      const starts = (text: string): Buffer => Buffer.concat([Buffer.from(text, 'latin1'), Buffer.alloc(64)]);
      for (const [bytes, said] of [
        [starts('8BPS'), /is a layered picture \(PSD\); save a flattened copy of it as PNG\.$/],
        [starts('%!PS-Adobe'), /is a PostScript drawing/],
        [starts('%PDF-1.7'), /is a PDF; choose it at Art/],
        [starts('BM'), /is a BMP picture; open it in the program it was made with/],
        [starts('\0\0\0\x20ftypisom'), /is a film; save one picture of it/],
        [starts('PK\x03\x04'), /is a packed folder or an office document/],
        [starts('II*\0\x10\0\0\0CR\x02'), /is a camera’s raw picture/],
        [starts('\x89PNG'), /is no picture that can be read here/],
      ] as const)
        expect(await refusal('thing', bytes)).to.match(said);
    });
  });

  it('refuses with a sentence', async () => {
    expect(await refusal('notes.txt', Buffer.from('hello'))).to.match(
      /^notes\.txt is no picture that can be read here; save it as PNG, JPEG, WebP, AVIF, TIFF, GIF, HEIC or SVG\.$/,
    );
    expect(await refusal('empty.png', Buffer.alloc(0))).to.match(/is empty/);
    const half = await jpeg(400, 300);
    expect(await refusal('torn.jpg', half.subarray(0, half.length / 3))).to.match(/is damaged/);
    const bomb = await sharp({ create: { width: 12000, height: 11000, channels: 3, background: '#fff' } })
      .png({ compressionLevel: 9 })
      .toBuffer();
    expect(await refusal('huge.png', bomb)).to.match(/more than 120 million pixels/);
  });

  it('reads the profile of a picture: red that was stored for a wider screen comes back as red', async () => {
    const red = { create: { width: 40, height: 30, channels: 3 as const, background: '#ff0000' } };
    for (const make of [
      () => sharp(red).withIccProfile('p3').jpeg({ quality: 100, chromaSubsampling: '4:4:4' }).toBuffer(),
      () => sharp(red).withIccProfile('p3').png().toBuffer(),
    ]) {
      const wide = await make();
      // The file’s own numbers are not those of the screen’s red.
      const own = await sharp(await sharp(wide).keepIccProfile().raw().toBuffer(), {
        raw: { width: 40, height: 30, channels: 3 },
      }).stats();
      expect(own.channels[1]!.mean).to.be.above(20);
      const { bytes } = await readPicture('wide', wide);
      const { icc } = await sharp(bytes).metadata();
      expect(icc).to.equal(undefined);
      const { channels } = await sharp(bytes).stats();
      expect(channels.map(({ mean }) => Math.round(mean))[0]).to.be.at.least(253);
      expect(channels[1]!.mean).to.be.below(4);
    }
  });

  it('leaves a picture with the screen’s own profile as it came', async () => {
    const raw = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#336699' } })
      .withIccProfile('srgb')
      .png()
      .toBuffer();
    expect((await sharp(raw).metadata()).icc).to.not.equal(undefined);
    expect((await readPicture('own.png', raw)).bytes.equals(raw)).to.equal(true);
  });
});
