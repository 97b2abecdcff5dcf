import { expect } from 'chai';
import sharp from 'sharp';
import { cleanSvg } from '../src/pictures/cleanSvg.ts';
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
  it('refuses with a sentence', async () => {
    expect(await refusal('notes.txt', Buffer.from('hello'))).to.match(/^notes\.txt is not a PNG, JPEG or SVG/);
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
