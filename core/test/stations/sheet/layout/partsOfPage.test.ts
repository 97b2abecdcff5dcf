import { expect } from 'chai';
import fc from 'fast-check';
import { coverBox } from '../../../../src/stations/art/faces/layFace.ts';
import { likelyPage, partsOfPage } from '../../../../src/stations/sheet/layout/partsOfPage.ts';
import type { Point } from '../../../../src/ground/geometry/types.ts';
import { runs } from '../../../runs.ts';

const A4 = { widthMm: 210, heightMm: 297 };

describe('parts of a page', () => {
  it('by hand: A4 gives two panels of 105 × 148 by two, all upright', () => {
    const parts = partsOfPage(A4, { widthMm: 105, heightMm: 148 });
    expect(parts.map(({ onPage, turned }) => [onPage.xMm, onPage.yMm, turned])).to.deep.equal([
      [0, 0.5, false],
      [105, 0.5, false],
      [0, 148.5, false],
      [105, 148.5, false],
    ]);
  });

  it('turns some only where more fit: 100 × 140 is four either way; 90 × 200 is two upright but three across', () => {
    expect(partsOfPage(A4, { widthMm: 100, heightMm: 140 }).every(({ turned }) => !turned)).to.equal(true);
    const parts = partsOfPage(A4, { widthMm: 90, heightMm: 200 });
    expect(parts).to.have.length(3);
    expect(parts.every(({ turned }) => turned)).to.equal(true);
    expect(partsOfPage(A4, { widthMm: 211, heightMm: 298 })).to.deep.equal([]);
  });

  it('each placement shows just its part, at the page’s own size, whichever way it lies', () => {
    const mm = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(mm(60, 400), mm(60, 400), mm(20, 200), mm(20, 200), (wide, high, w, h) => {
        const page = { widthMm: wide, heightMm: high };
        const panel = { xMm: -3, yMm: -3, widthMm: w, heightMm: h };
        const parts = partsOfPage(page, panel);
        for (const { onPage, turned, placement } of parts) {
          const box = coverBox(
            // Pixels in the page’s very shape, so that what is left is the placement’s own doing.
            { widthPx: wide, heightPx: high },
            { pictureId: 'p', fade: 0, grey: false, ...placement },
            panel,
          );
          // A point of the page as it is drawn: straight, or turned a quarter clockwise within its box.
          const drawn = ({ xMm, yMm }: Point): Point =>
            turned
              ? { xMm: box.xMm + (1 - yMm / high) * box.widthMm, yMm: box.yMm + (xMm / wide) * box.heightMm }
              : { xMm: box.xMm + (xMm / wide) * box.widthMm, yMm: box.yMm + (yMm / high) * box.heightMm };
          const [a, b] = [
            drawn({ xMm: onPage.xMm, yMm: onPage.yMm }),
            drawn({ xMm: onPage.xMm + onPage.widthMm, yMm: onPage.yMm + onPage.heightMm }),
          ];
          expect(Math.min(a.xMm, b.xMm)).to.be.closeTo(panel.xMm, 1e-4);
          expect(Math.min(a.yMm, b.yMm)).to.be.closeTo(panel.yMm, 1e-4);
          expect(Math.max(a.xMm, b.xMm)).to.be.closeTo(panel.xMm + w, 1e-4);
          expect(Math.max(a.yMm, b.yMm)).to.be.closeTo(panel.yMm + h, 1e-4);
          expect(placement.zoom).to.be.at.least(1);
        }
        // No two parts share any of the page.
        parts.forEach(({ onPage: p }, i) =>
          parts.slice(i + 1).forEach(({ onPage: q }) => {
            const apart =
              p.xMm + p.widthMm <= q.xMm + 1e-5 ||
              q.xMm + q.widthMm <= p.xMm + 1e-5 ||
              p.yMm + p.heightMm <= q.yMm + 1e-5 ||
              q.yMm + q.heightMm <= p.yMm + 1e-5;
            expect(apart).to.equal(true);
          }),
        );
      }),
      { numRuns: runs(100) },
    );
  });

  it('takes a page for the paper of its shape', () => {
    expect(likelyPage({ widthPx: 2480, heightPx: 3508 }).widthMm).to.equal(210);
    expect(likelyPage({ widthPx: 3508, heightPx: 2480 }).widthMm).to.equal(297);
    expect(likelyPage({ widthPx: 3600, heightPx: 3600 }).widthMm).to.equal(304.8);
    expect(likelyPage({ widthPx: 850, heightPx: 1100 }).widthMm).to.equal(215.9);
    const odd = likelyPage({ widthPx: 1000, heightPx: 3000 });
    expect(odd.heightMm / odd.widthMm).to.be.closeTo(3, 1e-9);
  });

  it('of a PDF keep the size they had there, cropped or not, whatever their shape', () => {
    // 200 × 300 points, a tenth left out on the left: 180 points are 63.5 mm.
    const { widthMm, heightMm } = likelyPage({ widthPx: 750, heightPx: 1250, pageWidthMm: 63.5 });
    expect(widthMm).to.equal(63.5);
    expect(heightMm).to.be.closeTo((63.5 * 5) / 3, 1e-9);
  });
});
