import { expect } from 'chai';
import fc from 'fast-check';
import { evenSides } from '../../../../src/ground/geometry/box.ts';
import { draftMoves } from '../../../../src/stations/cut/draftMoves.ts';
import { fenceSettings } from '../../../../src/stations/sheet/layout/fenceSettings.ts';
import { mostPieces, type CutTree } from '../../../../src/stations/sheet/layout/guillotine.ts';
import { insideMargins } from '../../../../src/stations/sheet/layout/edges.ts';
import { separable } from '../../../separable.ts';
import { layOutOnePiece, type LayOut, type LayOutQuestion } from '../../../../src/stations/sheet/layout/layOut.ts';
import { runs } from '../../../runs.ts';

/** The most pieces by trying every whole millimetre as a cut, to any depth; only for sheets of a hand’s breadth. */
function bruteForce(width: number, height: number, w: number, h: number, turn: boolean): number {
  const known = new Map<number, number>();
  const most = (x: number, y: number): number => {
    const key = x * 1000 + y;
    const found = known.get(key);
    if (found !== undefined) return found;
    let best = (x >= w && y >= h) || (turn && x >= h && y >= w) ? 1 : 0;
    for (let at = 1; at <= x / 2; at += 1) best = Math.max(best, most(at, y) + most(x - at, y));
    for (let at = 1; at <= y / 2; at += 1) best = Math.max(best, most(x, at) + most(x, y - at));
    known.set(key, best);
    return best;
  };
  return most(width, height);
}

const ask = (
  [sheetWidthMm, sheetHeightMm]: readonly [number, number],
  [pieceWidthMm, pieceHeightMm]: readonly [number, number],
  part: Partial<LayOutQuestion> = {},
): LayOut =>
  layOutOnePiece({
    sheetWidthMm,
    sheetHeightMm,
    pieceWidthMm,
    pieceHeightMm,
    fromEdgesMm: insideMargins(evenSides(0), 0),
    gutterMm: 0,
    mayLie: { asDrawn: true, turned: true },
    ...part,
  });

describe('the most pieces on a sheet', () => {
  it('equals brute force on every small case, with and without a gutter, turned or not', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 34 }),
        fc.integer({ min: 4, max: 34 }),
        fc.integer({ min: 2, max: 12 }),
        fc.integer({ min: 2, max: 12 }),
        fc.integer({ min: 0, max: 2 }),
        fc.boolean(),
        (W, H, w, h, gutterMm, turned) => {
          const laid = ask([W, H], [w, h], { gutterMm, mayLie: { asDrawn: true, turned } });
          expect(laid.up).to.equal(bruteForce(W + gutterMm, H + gutterMm, w + gutterMm, h + gutterMm, turned));
          expect(laid.bound).to.equal(laid.up);
        },
      ),
      { numRuns: runs(400) },
    );
  });

  it('lays them apart, inside, and so that a trimmer can part them', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 480, noNaN: true }),
        fc.double({ min: 60, max: 480, noNaN: true }),
        fc.double({ min: 25, max: 160, noNaN: true }),
        fc.double({ min: 25, max: 160, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (W, H, w, h, bleedMm) => {
          const gutterMm = 2 * bleedMm;
          const { pieces, up, bound } = ask([W, H], [w, h], {
            gutterMm,
            fromEdgesMm: insideMargins(evenSides(4), bleedMm),
          });
          const boxes = pieces.map((p) => p.trim);
          expect(boxes).to.have.length(up);
          expect(bound).to.equal(up);
          for (const b of boxes) {
            expect(b.xMm - bleedMm).to.be.at.least(4 - 1e-5);
            expect(b.yMm - bleedMm).to.be.at.least(4 - 1e-5);
            expect(b.xMm + b.widthMm + bleedMm).to.be.at.most(W - 4 + 1e-5);
            expect(b.yMm + b.heightMm + bleedMm).to.be.at.most(H - 4 + 1e-5);
          }
          expect(separable(boxes, gutterMm - 2e-5)).to.equal(true);
        },
      ),
      { numRuns: runs(200) },
    );
  });

  it('gains a card from two blocks where a grid leaves a strip wide enough for a turned one', () => {
    // 148 × 105 with a 6 mm gutter in 210 × 297 less 5 mm margins and 3 mm bleed: grids give 2; 194 × 281 is
    // usable, a column of two upright ones is 105 wide and leaves 83: still 2. On 230 × 310 it leaves room.
    const part = { gutterMm: 6, fromEdgesMm: insideMargins(evenSides(5), 3) };
    expect(ask([210, 297], [148, 105], part).up).to.equal(2);
    // 90 × 50 on 200 × 200, bare: grids give 2 × 4 = 8 and 4 × 2 = 8; ring-free blocks fit 8 at most by area (8.9).
    expect(ask([200, 200], [90, 50]).up).to.equal(8);
    // 70 × 30 on 100 × 100: grids give 3 of either way; three upright-less ones and a turned one beside them: 4.
    const mixed = ask([100, 100], [70, 30]);
    expect(mixed.up).to.equal(4);
    expect(mixed.blocks).to.be.greaterThan(1);
  });

  it('sets the fence as seldom as any layout of as many pieces that it knows, and counts settings as the moves do', () => {
    let gained = 0;
    fc.assert(
      fc.property(
        fc.integer({ min: 150, max: 340 }),
        fc.integer({ min: 150, max: 480 }),
        fc.integer({ min: 45, max: 150 }),
        fc.integer({ min: 45, max: 150 }),
        fc.integer({ min: 0, max: 3 }),
        (W, H, w, h, bleedMm) => {
          const gutterMm = 2 * bleedMm;
          const laid = ask([W, H], [w, h], { gutterMm, fromEdgesMm: insideMargins(evenSides(5), bleedMm) });
          const page = { xMm: 0, yMm: 0, widthMm: W, heightMm: H };
          const distances = (layout: Pick<LayOut, 'tree' | 'origin'>): number =>
            new Set(
              draftMoves(layout, page, { widthMm: w, heightMm: h, gutterMm }, 'across').map((m) =>
                Math.round(m.fenceMm * 1e4),
              ),
            ).size;
          expect(laid.settings).to.equal(laid.up === 0 ? 0 : distances(laid));
          const room = { widthNm: W - 10 - 2 * bleedMm + gutterMm, heightNm: H - 10 - 2 * bleedMm + gutterMm };
          const { trees } = mostPieces({
            ...{ widthNm: room.widthNm * 1e6, heightNm: room.heightNm * 1e6 },
            ...{ pieceWidthNm: (w + gutterMm) * 1e6, pieceHeightNm: (h + gutterMm) * 1e6 },
            ...{ asDrawn: true, turned: true },
          });
          const pitch = { widthNm: w * 1e6, heightNm: h * 1e6, gutterNm: gutterMm * 1e6 };
          const inner = (tree: CutTree): number =>
            fenceSettings(tree, { widthNm: W * 1e6, heightNm: H * 1e6 }, pitch).size;
          expect(trees.map(inner)).to.include(inner(laid.tree));
          if (inner(laid.tree) < inner(trees[0]!)) gained += 1;
        },
      ),
      { numRuns: runs(150) },
    );
    // Fewest blocks are not fewest settings: a good part of sheets gain from choosing.
    expect(gained).to.be.at.least(Math.floor(runs(150) / 15));
  });

  it('a fence set seven times instead of eighteen: ten 151 × 46 in two layouts of 221 × 464', () => {
    // One upright column beside a column of eight sets the fence for each of the eight; halves of quarters, all cut
    // at 46, 52, 98, 104, 151 … do not.
    const laid = ask([221, 464], [151, 46], { gutterMm: 6, fromEdgesMm: insideMargins(evenSides(5), 3) });
    expect(laid.up).to.equal(10);
    expect(laid.settings).to.be.at.most(9);
  });

  it('counts in nanometres: 2 × 4 1/4 in fit 8 1/2 in exactly, and one nanometre less does not', () => {
    expect(ask([215.9, 279.4], [107.95, 139.7]).up).to.equal(4);
    expect(ask([215.899999, 279.4], [107.95, 139.7]).up).to.equal(2);
  });

  it('answers at once with a grid and an honest bound when there are too many places to cut', () => {
    const laid = ask([1900, 1700], [23.7, 11.3]);
    expect(laid.bound).to.be.at.least(laid.up);
    expect(laid.up).to.be.greaterThan(11_000);
  });
});
