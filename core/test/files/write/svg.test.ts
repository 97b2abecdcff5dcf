import { expect } from 'chai';
import { boxPath } from '../../../src/ground/geometry/path.ts';
import { num, svgFile } from '../../../src/files/write/svg.ts';
import { rgb } from '../../../src/files/write/pdfCalls.ts';
import { drawFolded } from '../../../src/stations/size/drawFolded.ts';
import { jobWith, plan, sized } from '../../support.ts';

describe('svgFile', () => {
  it('is in true size and escapes what people type', () => {
    const svg = svgFile(
      {
        box: { xMm: 0, yMm: 0, widthMm: 210, heightMm: 297 },
        symbols: {},
        shapes: [{ kind: 'path', role: 'cut', path: boxPath({ xMm: 10, yMm: 20, widthMm: 30, heightMm: 40 }) }],
      },
      'Ebb & <flow>',
      { pictureHref: () => '' },
    );
    expect(svg).to.contain('width="210mm" height="297mm" viewBox="0 0 210 297"');
    expect(svg).to.contain('<title>Ebb &amp; &lt;flow&gt;</title>');
    expect(svg).to.contain('M10 20L40 20L40 60L10 60Z');
  });
  it('refuses numbers that are not finite', () => expect(() => num(Number.NaN)).to.throw(RangeError, /finite/));
  it('writes colours as parts of one', () => {
    expect(rgb('#ff0080')).to.equal('1 0 0.502');
    expect(() => rgb('red')).to.throw(RangeError);
  });
});

describe('drawFolded', () => {
  it('seen straight on and shut, is exactly the finished card', () => {
    const { size } = plan(jobWith(...sized('tentFold', 148, 105)));
    const scene = drawFolded(size, {
      open: 0,
      stockColour: '#ffffff',
      art: { outside: [], inside: [] },
      yawDeg: 0,
      pitchDeg: 0,
    });
    const pad = 148 * 0.06;
    expect(scene.box.widthMm).to.be.closeTo(148 + 2 * pad, 1e-6);
    expect(scene.box.heightMm).to.be.closeTo(105 + 2 * pad, 1e-6);
  });
});
