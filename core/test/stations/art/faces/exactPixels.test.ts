import { decide } from '../../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { drawFaceInPixels, fitPixels, pixelFault } from '../../../../src/index.ts';
import { jobWith, plan, sized } from '../../../support.ts';
import { runs } from '../../../runs.ts';

describe('pixels for a print house', () => {
  it('works the bleed out on each axis: 1843 × 1311 px at 300 dpi round 150 × 105 mm', () => {
    // 1843 ÷ 300 × 25.4 = 156.04 mm, (156.04 − 150) ÷ 2 = 3.02; 1311 is 110.998 mm, (110.998 − 105) ÷ 2 = 3.00.
    const fit = fitPixels({ widthMm: 150, heightMm: 105 }, { widthPx: 1843, heightPx: 1311, dpi: 300 });
    if (!fit.ok) throw new Error(fit.why);
    expect(fit.bleedAcrossMm).to.be.closeTo(3.0203, 1e-3);
    expect(fit.bleedDownMm).to.be.closeTo(2.999, 1e-3);
    expect(fit.bled).to.equal(true);
  });

  it('keeps axes that differ apart, and tells the trimmed size from a bled one', () => {
    const uneven = fitPixels({ widthMm: 127, heightMm: 177.8 }, { widthPx: 1575, heightPx: 2175, dpi: 300 });
    // 133.35 and 184.15 mm: 3.175 on either axis; a hundred pixels more across are 4.233 more on each side.
    expect(uneven).to.deep.include({ ok: true, bled: true });
    const wide = fitPixels({ widthMm: 127, heightMm: 177.8 }, { widthPx: 1675, heightPx: 2100, dpi: 300 });
    if (!wide.ok) throw new Error(wide.why);
    expect([wide.bleedAcrossMm.toFixed(2), wide.bleedDownMm.toFixed(2)]).to.deep.equal(['7.41', '0.00']);
    expect(fitPixels({ widthMm: 127, heightMm: 177.8 }, { widthPx: 1500, heightPx: 2100, dpi: 300 })).to.deep.include({
      ok: true,
      bled: false,
    });
  });

  it('refuses a picture smaller than the card, and says what it would be', () => {
    const small = fitPixels({ widthMm: 150, heightMm: 105 }, { widthPx: 1700, heightPx: 1311, dpi: 300 });
    if (small.ok) throw new Error('1700 px are too few');
    expect(small.why).to.match(/^1700 pixels at 300 dpi are 143\.9 mm wide and the face is 150\.0 mm/);
    expect(pixelFault({ widthPx: 0, heightPx: 100, dpi: 300 })).to.deep.include({ field: 'widthPx' });
    expect(pixelFault({ widthPx: 100, heightPx: 10.5, dpi: 300 })).to.deep.include({ field: 'heightPx' });
    expect(pixelFault({ widthPx: 100, heightPx: 100, dpi: Number.NaN })).to.deep.include({ field: 'dpi' });
  });

  it('draws a scene exactly as large as its pixels, the face in its middle, art to every edge', () => {
    const { art } = plan(
      jobWith(
        ...sized('sideFold', 105, 148),
        decide((job) => job.art.faces.at('front'), { background: '#1d5a68', picture: null, texts: [] }),
      ),
    );
    const front = art.faces.find(({ face }) => face.id === 'front')!;
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 0, max: 400 }),
        fc.constantFrom(150, 300, 350, 600),
        (more, taller, dpi) => {
          const widthPx = Math.ceil((105 / 25.4) * dpi) + more;
          const heightPx = Math.ceil((148 / 25.4) * dpi) + taller;
          const { box, shapes } = drawFaceInPixels(front, {}, { widthPx, heightPx, dpi });
          expect(box.widthMm).to.be.closeTo((widthPx / dpi) * 25.4, 1e-9);
          expect(box.heightMm).to.be.closeTo((heightPx / dpi) * 25.4, 1e-9);
          expect(box.xMm).to.be.closeTo((105 - box.widthMm) / 2, 1e-9);
          const [group] = shapes;
          if (group?.kind !== 'group') throw new Error('a face is one group');
          const [ground] = group.children;
          if (ground?.kind !== 'path') throw new Error('the background comes first');
          const xs = ground.path.flatMap((p) => (p.kind === 'close' ? [] : [p.to.xMm]));
          const ys = ground.path.flatMap((p) => (p.kind === 'close' ? [] : [p.to.yMm]));
          expect(Math.min(...xs)).to.be.at.most(box.xMm + 1e-9);
          expect(Math.max(...xs)).to.be.at.least(box.xMm + box.widthMm - 1e-9);
          expect(Math.min(...ys)).to.be.at.most(box.yMm + 1e-9);
          expect(Math.max(...ys)).to.be.at.least(box.yMm + box.heightMm - 1e-9);
        },
      ),
      { numRuns: runs(100) },
    );
  });
});
