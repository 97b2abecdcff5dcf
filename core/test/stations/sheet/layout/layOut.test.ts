import { expect } from 'chai';
import fc from 'fast-check';
import { evenSides, grow, isInside } from '../../../../src/ground/geometry/box.ts';
import type { Sides } from '../../../../src/ground/geometry/types.ts';
import { insideMargins } from '../../../../src/stations/sheet/layout/edges.ts';
import { layOutOnePiece, type LayOutQuestion } from '../../../../src/stations/sheet/layout/layOut.ts';
import { runs } from '../../../runs.ts';

const letter: LayOutQuestion = {
  sheetWidthMm: 215.9,
  sheetHeightMm: 279.4,
  fromEdgesMm: insideMargins(evenSides(0), 0),
  pieceWidthMm: 107.95,
  pieceHeightMm: 139.7,
  gutterMm: 0,
  mayLie: { asDrawn: true, turned: true },
};

describe('layOutOnePiece', () => {
  it('takes exactly four 4 1/4 × 5 1/2 in from 8 1/2 × 11 in without bleed', () => {
    expect(layOutOnePiece(letter).up).to.equal(4);
  });
  it('takes two with an eighth of an inch of bleed, and only because they may be turned', () => {
    // Upright: 2 × 107.95 + 4 × 3.175 = 228.6 is over 215.9, and 2 × 139.7 + 12.7 = 292.1 over 279.4: one.
    // Turned: 139.7 + 6.35 fits across, and 2 × 107.95 + 12.7 = 228.6 fits down: two.
    const bled = { ...letter, fromEdgesMm: insideMargins(evenSides(0), 3.175), gutterMm: 6.35 };
    expect(layOutOnePiece(bled).up).to.equal(2);
    expect(layOutOnePiece({ ...bled, mayLie: { asDrawn: true, turned: false } }).up).to.equal(1);
  });
  it('takes four A6 from A4 without bleed, two with, whichever way they lie', () => {
    const a4 = { ...letter, sheetWidthMm: 210, sheetHeightMm: 297, pieceWidthMm: 148, pieceHeightMm: 105 };
    expect(layOutOnePiece({ ...a4, pieceHeightMm: 105, pieceWidthMm: 148 }).up).to.equal(4);
    expect(layOutOnePiece({ ...a4, fromEdgesMm: insideMargins(evenSides(5), 3), gutterMm: 6 }).up).to.equal(2);
  });
  it('minds the grain', () => {
    const strip = { ...letter, pieceWidthMm: 200, pieceHeightMm: 50 };
    expect(layOutOnePiece({ ...strip, mayLie: { asDrawn: true, turned: false } }).up).to.equal(5);
    expect(layOutOnePiece({ ...strip, mayLie: { asDrawn: false, turned: true } }).up).to.equal(4);
  });

  const mm = fc.integer({ min: 200, max: 3000 }).map((n) => n / 10);
  const question = fc.record({
    sheetWidthMm: mm,
    sheetHeightMm: mm,
    marginsMm: fc.record({ top: margin(), right: margin(), bottom: margin(), left: margin() }),
    pieceWidthMm: mm.map((n) => n / 2),
    pieceHeightMm: mm.map((n) => n / 2),
    bleedMm: fc.integer({ min: 0, max: 50 }).map((n) => n / 10),
    mayLie: fc.record({ asDrawn: fc.boolean(), turned: fc.boolean() }),
  });
  function margin() {
    return fc.integer({ min: 0, max: 120 }).map((n) => n / 10);
  }

  const questionOf = ({
    marginsMm,
    bleedMm,
    ...sizes
  }: Omit<LayOutQuestion, 'fromEdgesMm' | 'gutterMm'> & {
    readonly marginsMm: Sides;
    readonly bleedMm: number;
  }): LayOutQuestion => ({ ...sizes, fromEdgesMm: insideMargins(marginsMm, bleedMm), gutterMm: 2 * bleedMm });

  it('keeps printed area inside the margins and trims a gutter apart, whatever is asked', () => {
    fc.assert(
      fc.property(question, (asked) => {
        const q = questionOf(asked);
        const { pieces, up, bound } = layOutOnePiece(q);
        expect(pieces).to.have.length(up);
        expect(bound).to.be.at.least(up);
        const usable = {
          xMm: asked.marginsMm.left,
          yMm: asked.marginsMm.top,
          widthMm: q.sheetWidthMm - asked.marginsMm.left - asked.marginsMm.right,
          heightMm: q.sheetHeightMm - asked.marginsMm.top - asked.marginsMm.bottom,
        };
        pieces.forEach(({ trim, turned }, i) => {
          expect(isInside(grow(trim, evenSides(asked.bleedMm)), usable)).to.be.true;
          expect(turned ? q.mayLie.turned : q.mayLie.asDrawn).to.be.true;
          for (const other of pieces.slice(i + 1)) {
            const gapX = Math.max(
              other.trim.xMm - trim.xMm - trim.widthMm,
              trim.xMm - other.trim.xMm - other.trim.widthMm,
            );
            const gapY = Math.max(
              other.trim.yMm - trim.yMm - trim.heightMm,
              trim.yMm - other.trim.yMm - other.trim.heightMm,
            );
            expect(Math.max(gapX, gapY)).to.be.at.least(q.gutterMm - 1e-5);
          }
        });
      }),
      { numRuns: runs(100) },
    );
  });

  it('takes at least what the best grid holds, and just that where pieces may lie one way only', () => {
    fc.assert(
      fc.property(question, (asked) => {
        const q = questionOf(asked);
        const { up } = layOutOnePiece(q);
        const most = (sheet: number, near: number, far: number, piece: number): number => {
          let n = 0;
          // In tenths, so that this count is exact.
          const [s, m, p, b] = [sheet, near + far, piece, asked.bleedMm].map((v) => Math.round(v * 20));
          while ((n + 1) * p! + n * 2 * b! + 2 * b! <= s! - m!) n += 1;
          return n;
        };
        const grid = (w: number, h: number): number =>
          most(q.sheetWidthMm, asked.marginsMm.left, asked.marginsMm.right, w) *
          most(q.sheetHeightMm, asked.marginsMm.top, asked.marginsMm.bottom, h);
        const wanted = Math.max(
          q.mayLie.asDrawn ? grid(q.pieceWidthMm, q.pieceHeightMm) : 0,
          q.mayLie.turned ? grid(q.pieceHeightMm, q.pieceWidthMm) : 0,
        );
        expect(up).to.be.at.least(wanted);
        if (!q.mayLie.asDrawn || !q.mayLie.turned) expect(up).to.equal(wanted);
      }),
      { numRuns: runs(100) },
    );
  });

  it('sits in the middle of the sheet, so that both sides fall on each other', () => {
    const { pieces } = layOutOnePiece({
      ...letter,
      pieceWidthMm: 90,
      pieceHeightMm: 120,
      fromEdgesMm: insideMargins(evenSides(5), 3),
      gutterMm: 6,
    });
    const left = Math.min(...pieces.map((p) => p.trim.xMm));
    const right = Math.max(...pieces.map((p) => p.trim.xMm + p.trim.widthMm));
    expect(left).to.be.closeTo(215.9 - right, 1e-5);
  });
});
