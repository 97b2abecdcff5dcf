import { expect } from 'chai';
import fc from 'fast-check';
import type { Sides } from '../../../../src/ground/geometry/types.ts';
import { draftMoves } from '../../../../src/stations/cut/draftMoves.ts';
import type { FromEdges } from '../../../../src/stations/sheet/layout/edges.ts';
import { layOutOnePiece, type LayOutQuestion } from '../../../../src/stations/sheet/layout/layOut.ts';
import { separable } from '../../../separable.ts';
import { runs } from '../../../runs.ts';

/**
 * The most pieces by trying every whole millimetre as a cut, to any depth, with every part known by where it lies: a piece
 * is put wherever in its part it keeps from all edges of the sheet what is asked of it.
 */
function bruteForce({
  sheetWidthMm: W,
  sheetHeightMm: H,
  pieceWidthMm,
  pieceHeightMm,
  fromEdgesMm,
  gutterMm: gutter,
  mayLie,
}: LayOutQuestion): number {
  const known = new Map<number, number>();
  const fits = (x0: number, y0: number, x1: number, y1: number, turned: boolean): boolean => {
    const { top, right, bottom, left } = fromEdgesMm[turned ? 'turned' : 'asDrawn'];
    const [w, h] = turned ? [pieceHeightMm, pieceWidthMm] : [pieceWidthMm, pieceHeightMm];
    return Math.min(x1, W - right) - Math.max(x0, left) >= w && Math.min(y1, H - bottom) - Math.max(y0, top) >= h;
  };
  const most = (x0: number, y0: number, x1: number, y1: number): number => {
    if (x1 <= x0 || y1 <= y0) return 0;
    const key = ((x0 * 64 + y0) * 64 + x1) * 64 + y1;
    const found = known.get(key);
    if (found !== undefined) return found;
    const one = (mayLie.asDrawn && fits(x0, y0, x1, y1, false)) || (mayLie.turned && fits(x0, y0, x1, y1, true));
    let best = one ? 1 : 0;
    for (let at = x0 + 1; at < x1; at += 1) best = Math.max(best, most(x0, y0, at, y1) + most(at + gutter, y0, x1, y1));
    for (let at = y0 + 1; at < y1; at += 1) best = Math.max(best, most(x0, y0, x1, at) + most(x0, at + gutter, x1, y1));
    known.set(key, best);
    return best;
  };
  return most(0, 0, W, H);
}

const sides = (most: number): fc.Arbitrary<Sides> => {
  const edge = fc.integer({ min: 0, max: most });
  return fc.record({ top: edge, right: edge, bottom: edge, left: edge });
};

describe('pieces whose edges keep from the sheet’s by how they lie', () => {
  const small = fc.record({
    sheetWidthMm: fc.integer({ min: 5, max: 15 }),
    sheetHeightMm: fc.integer({ min: 5, max: 15 }),
    pieceWidthMm: fc.integer({ min: 3, max: 8 }),
    pieceHeightMm: fc.integer({ min: 3, max: 8 }),
    fromEdgesMm: fc.record({ asDrawn: sides(3), turned: sides(3) }),
    gutterMm: fc.integer({ min: 0, max: 1 }),
    mayLie: fc.constantFrom({ asDrawn: true, turned: true }, { asDrawn: true, turned: false }),
  });

  it('are as many as brute force finds, with the proof', () => {
    fc.assert(
      fc.property(small, (question) => {
        const laid = layOutOnePiece(question);
        expect(laid.up).to.equal(bruteForce(question));
        expect(laid.bound).to.equal(laid.up);
      }),
      { numRuns: runs(1500) },
    );
  });

  it('keep from each edge what is asked of a piece that lies so, and come apart by cuts', () => {
    fc.assert(
      fc.property(
        fc.record({
          sheetWidthMm: fc.integer({ min: 90, max: 300 }),
          sheetHeightMm: fc.integer({ min: 90, max: 300 }),
          pieceWidthMm: fc.integer({ min: 30, max: 110 }),
          pieceHeightMm: fc.integer({ min: 30, max: 110 }),
          fromEdgesMm: fc.record({ asDrawn: sides(14), turned: sides(14) }),
          gutterMm: fc.constantFrom(0, 6),
          mayLie: fc.constant({ asDrawn: true, turned: true }),
        }),
        (question) => {
          const laid = layOutOnePiece(question, 900);
          expect(laid.pieces).to.have.length(laid.up);
          expect(laid.bound).to.equal(laid.up);
          for (const { trim, turned } of laid.pieces) {
            const kept = question.fromEdgesMm[turned ? 'turned' : 'asDrawn'];
            expect(trim.xMm).to.be.at.least(kept.left - 1e-6);
            expect(trim.yMm).to.be.at.least(kept.top - 1e-6);
            expect(trim.xMm + trim.widthMm).to.be.at.most(question.sheetWidthMm - kept.right + 1e-6);
            expect(trim.yMm + trim.heightMm).to.be.at.most(question.sheetHeightMm - kept.bottom + 1e-6);
          }
          expect(
            separable(
              laid.pieces.map(({ trim }) => trim),
              question.gutterMm - 2e-5,
            ),
          ).to.equal(true);
        },
      ),
      { numRuns: runs(200) },
    );
  });

  it('four lie where either way alone, or both as the wider of them asks, give three: one stands off an edge, the others need not', () => {
    const kept = (left: number): Sides => ({ top: 0, right: 0, bottom: 0, left });
    const fromEdgesMm: FromEdges = { asDrawn: kept(10), turned: kept(0) };
    const question: LayOutQuestion = {
      ...{ sheetWidthMm: 70, sheetHeightMm: 60, pieceWidthMm: 50, pieceHeightMm: 20, gutterMm: 0, fromEdgesMm },
      mayLie: { asDrawn: true, turned: true },
    };
    const laid = layOutOnePiece(question);
    // Turned alone: three columns of 20 in 70. Drawn alone: 10 + 50 leaves three rows. Both: 20 + 50 is 70 just, four.
    expect(laid.up).to.equal(4);
    expect(laid.pieces.filter(({ turned }) => turned)).to.have.length(1);
    expect(layOutOnePiece({ ...question, mayLie: { asDrawn: true, turned: false } }).up).to.equal(3);
    expect(layOutOnePiece({ ...question, mayLie: { asDrawn: false, turned: true } }).up).to.equal(3);
    const wider = { ...question, fromEdgesMm: { asDrawn: kept(10), turned: kept(10) } };
    expect(layOutOnePiece(wider).up).to.equal(3);
  });

  it('are cut from the sheet’s own edges where they reach them: two tents of a letter sheet by one cut', () => {
    const none: Sides = { top: 0, right: 0, bottom: 0, left: 0 };
    const laid = layOutOnePiece({
      ...{ sheetWidthMm: 215.9, sheetHeightMm: 279.4, pieceWidthMm: 139.7, pieceHeightMm: 215.9, gutterMm: 0 },
      fromEdgesMm: { asDrawn: none, turned: none },
      mayLie: { asDrawn: true, turned: true },
    });
    expect(laid.up).to.equal(2);
    const page = { xMm: 0, yMm: 0, widthMm: 215.9, heightMm: 279.4 };
    const moves = draftMoves(laid, page, { widthMm: 139.7, heightMm: 215.9, gutterMm: 0 }, 'down');
    expect(moves.map(({ fenceMm, atFence, fallsOff }) => [fenceMm, atFence, fallsOff])).to.deep.equal([
      [139.7, 'top', 'card'],
    ]);
  });
});
