import { expect } from 'chai';
import fc from 'fast-check';
import { boxAround } from '../../../../src/ground/geometry/box.ts';
import { areaOf, contains, distanceToEdge, edgesOf } from '../../../../src/ground/geometry/polygon.ts';
import type { Point } from '../../../../src/ground/geometry/types.ts';
import { decide, decideEach } from '../../../../src/job/decide.ts';
import type { LayerChoice } from '../../../../src/job/types.ts';
import { traceOutline } from '../../../../src/stations/size/popUps/traceOutline.ts';
import { jobWith, plan, workshop } from '../../../support.ts';
import { runs } from '../../../runs.ts';

/** How much of each pixel a figure covers, by looking at sixteen places in it. */
function drawn(wide: number, high: number, covers: (x: number, y: number) => boolean): Uint8Array {
  return Uint8Array.from({ length: wide * high }, (_, i) => {
    const [x, y] = [i % wide, Math.floor(i / wide)];
    let hit = 0;
    for (let k = 0; k < 16; k += 1) if (covers(x + ((k % 4) + 0.5) / 4, y + (Math.floor(k / 4) + 0.5) / 4)) hit += 1;
    return Math.round((hit * 255) / 16);
  });
}
const points = (path: string): readonly Point[] =>
  path
    .slice(1, -1)
    .split('L')
    .map((pair) => pair.split(' ').map(Number))
    .map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! }));
const traced = (...args: Parameters<typeof traceOutline>): readonly Point[] => {
  const answer = traceOutline(...args);
  if (!answer.ok) throw new Error(answer.why);
  return points(answer.path);
};
const SIZE = { widthPx: 120, heightPx: 100 };

describe('an outline drawn round a picture', () => {
  it('of a disc is a circle, wherever it lies', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 15, max: 30, noNaN: true }),
        fc.double({ min: 45, max: 70, noNaN: true }),
        (radius, cx) => {
          const ring = traced(
            drawn(120, 100, (x, y) => Math.hypot(x - cx, y - 50) < radius),
            SIZE,
          );
          for (const [a, b] of edgesOf(ring))
            for (const p of [a, { xMm: (a.xMm + b.xMm) / 2, yMm: (a.yMm + b.yMm) / 2 }])
              expect(Math.hypot(p.xMm - cx, p.yMm - 50)).to.be.closeTo(radius, 0.25);
          expect(areaOf(ring)).to.be.closeTo(Math.PI * radius * radius, 0.02 * Math.PI * radius * radius);
        },
      ),
      { numRuns: runs(30) },
    );
  });

  it('is in the picture’s own pixels, whatever it was traced at, and closes at its edges', () => {
    const alpha = drawn(60, 50, (x) => x > 20);
    const box = boxAround(traced(alpha, { widthPx: 60, heightPx: 50 }, 10));
    expect(box.xMm).to.be.closeTo(200, 3);
    expect(box.xMm + box.widthMm).to.be.closeTo(600, 5.1);
    expect(box.heightMm).to.be.closeTo(500, 10.1);
  });

  it('leaves specks and holes out, and joins what lies near', () => {
    const two = (gap: number) =>
      drawn(120, 100, (x, y) => y > 30 && y < 70 && x > 20 && x < 100 && Math.abs(x - 60) > gap / 2);
    const speck = drawn(120, 100, (x, y) => Math.hypot(x - 60, y - 50) < 25 || (x < 2 && y < 2));
    expect(boxAround(traced(speck, SIZE)).xMm).to.be.above(30);
    const ring = drawn(120, 100, (x, y) => Math.abs(Math.hypot(x - 60, y - 50) - 22) < 5);
    expect(areaOf(traced(ring, SIZE))).to.be.closeTo(Math.PI * 27 * 27, 60);
    // Nothing of either half is cut off where they are joined.
    const joined = traced(two(4), SIZE);
    for (const p of [
      { xMm: 21, yMm: 31 },
      { xMm: 99, yMm: 69 },
    ])
      expect(contains(joined, p)).to.equal(true);
    expect(Math.min(...edgesOf(joined).map((edge) => distanceToEdge({ xMm: 60, yMm: 50 }, edge)))).to.be.above(10);
    expect(traceOutline(two(30), SIZE)).to.deep.equal({ ok: false, why: 'apart', pieces: 2 });
  });

  it('is none where all is clear, or nothing is', () => {
    expect(traceOutline(new Uint8Array(12_000), SIZE)).to.include({ ok: false, why: 'clear' });
    expect(traceOutline(new Uint8Array(12_000).fill(255), SIZE)).to.include({ ok: false, why: 'filled' });
  });

  /** A figure 40 mm high of a picture of 400 by 300, traced from 100/50 to 300/250. */
  const figured = (rimMm: number, path = 'M100 50L300 50L300 250L100 250Z') => {
    const figure: LayerChoice = {
      ...{ id: 'f', kind: 'popUp', faces: [], revealMm: 0, stockIds: [workshop.stocks[0]!.id] },
      picture: { pictureId: 'seal', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false },
      popUp: {
        ...{ mechanism: 'figure', pastMm: 30, heightMm: 40, widthMm: 25, shape: 'own', pathIn: 'picture', path, rimMm },
        on: { layerId: null, at: 'b' },
      },
    };
    const job = {
      ...jobWith(
        ...decideEach((at) => at.size, {
          format: 'sideFold',
          finishedWidthMm: 105,
          finishedHeightMm: 148,
          options: {},
        }),
        decide((at) => at.size.layers, [figure]),
      ),
      pictures: {
        seal: { name: 'Seal', sha256: 'a'.repeat(64), mime: 'image/png' as const, widthPx: 400, heightPx: 300 },
      },
    };
    const { size, art } = plan(job);
    return { piece: size.layers.find(({ id }) => id === 'f-1'), art: art.panels['f-1'], snags: size.snags };
  };

  it('lays its picture where it was drawn round it, as wide as its height has it, and without bleed', () => {
    const { piece, art } = figured(0);
    // 200 pixels are 40 mm: five to the millimetre.
    expect([piece!.blank.widthMm, piece!.blank.heightMm, piece!.bleedMm]).to.deep.equal([40, 40, 0]);
    expect(art!.picture.box).to.deep.equal({ xMm: -20, yMm: -10, widthMm: 80, heightMm: 60 });
    expect(art!.picture.ppi).to.be.closeTo(5 * 25.4, 1e-9);
  });

  it('keeps a rim of card as wide as is asked all round, within the height that is asked', () => {
    for (const rimMm of [1, 2, 5]) {
      const { piece, art } = figured(rimMm);
      const inner = 40 - 2 * rimMm;
      expect(piece!.blank.heightMm).to.be.closeTo(40, 0.02);
      expect(piece!.blank.widthMm).to.be.closeTo(40, 0.02);
      // The picture’s own corner of the figure, at 100/50 of its pixels, is the rim in from both edges.
      const { xMm, yMm, widthMm } = art!.picture.box;
      expect(widthMm).to.be.closeTo((400 * inner) / 200, 0.02);
      expect(xMm + (100 * inner) / 200).to.be.closeTo(rimMm, 0.02);
      expect(yMm + (50 * inner) / 200).to.be.closeTo(rimMm, 0.02);
      // A square and a rim, round at its corners.
      expect(areaOf(piece!.blank.outline)).to.be.closeTo(
        inner * inner + 4 * inner * rimMm + Math.PI * rimMm * rimMm,
        0.5,
      );
    }
  });

  it('is stopped where the rim leaves nothing of it, and where its path is none, with what mends it', () => {
    const wide = figured(20).snags.find(({ id }) => id === 'size-popup-f')!;
    expect(wide.why).to.match(/rim leaves nothing/);
    expect(wide.remedies.map(({ label }) => label)).to.include.members(['Leave no rim', 'Cut it as a box']);
    const none = figured(2, 'nonsense').snags.find(({ id }) => id === 'size-popup-f')!;
    expect(none.remedies.map(({ label }) => label))
      .to.include('Cut it as a box')
      .and.not.include('Leave no rim');
  });
});
