import { expect } from 'chai';
import fc from 'fast-check';
import {
  alignmentShift,
  alignmentShifts,
  evenShifts,
  evenSpan,
  freeTop,
  snap,
  type Ground,
} from '../../../../src/stations/art/faces/arrange.ts';
import { OCCASIONS, WORDINGS } from '../../../../src/stations/art/words/wordingSet.ts';
import { wordFace } from '../../../../src/stations/art/words/wordings.ts';
import { PAIRINGS } from '../../../../src/stations/art/words/typefaces.ts';
import { setText } from '../../../../src/stations/art/words/setText.ts';
import { isInside } from '../../../../src/ground/geometry/box.ts';
import type { Box } from '../../../../src/ground/geometry/types.ts';
import { typefaces } from '../../../support.ts';
import { runs } from '../../../runs.ts';

const ground: Ground = { widthMm: 100, heightMm: 70, safe: { xMm: 5, yMm: 5, widthMm: 90, heightMm: 60 } };
const box = (xMm: number, yMm: number, widthMm: number, heightMm: number): Box => ({ xMm, yMm, widthMm, heightMm });

describe('snap', () => {
  it('pulls to the centre, the safe edges and other things, the nearest of them, and shows the line', () => {
    // Its middle is 0.4 left of the face’s.
    expect(snap(box(39.6, 30.1, 20, 9), [], ground, 1)).to.deep.equal({
      dxMm: 50 - 49.6,
      dyMm: 35 - 34.6,
      guides: [
        [
          { xMm: 50, yMm: 0 },
          { xMm: 50, yMm: 70 },
        ],
        [
          { xMm: 0, yMm: 35 },
          { xMm: 100, yMm: 35 },
        ],
      ],
    });
    expect(snap(box(4.5, 20, 20, 9), [], ground, 1).dxMm).to.be.closeTo(0.5, 1e-9);
    expect(snap(box(20, 20, 11, 9), [box(30.6, 50, 8, 8)], ground, 1).dxMm).to.be.closeTo(-0.4, 1e-9);
    expect(snap(box(20, 20, 11, 9), [], ground, 1)).to.deep.equal({ dxMm: 0, dyMm: 0, guides: [] });
  });

  it('makes gaps even: between two, and after them', () => {
    const [a, b] = [box(40, 10, 20, 6), box(40, 40, 20, 6)];
    // 24 between; 8 high leaves 8 on either side: from 16 + 8 = 24.
    expect(snap(box(41, 24.3, 20, 8), [a, b], ground, 0.5).dyMm).to.be.closeTo(-0.3, 1e-9);
    const [c, d] = [box(40, 10, 20, 6), box(40, 20, 20, 6)];
    // Four between them, so four after: from 30.
    expect(
      snap(box(42, 30.35, 15, 5), [c, d], { ...ground, heightMm: 300, safe: box(5, 5, 90, 290) }, 0.5).dyMm,
    ).to.be.closeTo(-0.35, 1e-9);
  });

  it('never moves a thing further than its reach, and lines up what it moves', () => {
    const mm = fc.double({ min: 0, max: 60, noNaN: true });
    const any = fc
      .tuple(mm, mm, fc.double({ min: 1, max: 30, noNaN: true }), fc.double({ min: 1, max: 30, noNaN: true }))
      .map(([x, y, w, h]) => box(x, y, w, h));
    fc.assert(
      fc.property(any, fc.array(any, { maxLength: 5 }), (moving, others) => {
        const { dxMm, dyMm, guides } = snap(moving, others, ground, 1.5);
        expect(Math.max(Math.abs(dxMm), Math.abs(dyMm))).to.be.at.most(1.5);
        for (const [from, to] of guides) {
          const upright = from.xMm === to.xMm;
          const [at, start, size] = upright
            ? [from.xMm, moving.xMm + dxMm, moving.widthMm]
            : [from.yMm, moving.yMm + dyMm, moving.heightMm];
          const off = Math.min(...[start, start + size / 2, start + size].map((v) => Math.abs(v - at)));
          expect(off).to.be.below(1e-9);
        }
      }),
      { numRuns: runs(300) },
    );
  });
});

describe('arranging', () => {
  it('stands a thing at the safe edges or in the middle', () => {
    const own = box(20, 20, 30, 10);
    expect(alignmentShift(own, 'left', ground)).to.deep.equal({ xMm: -15, yMm: 0 });
    expect(alignmentShift(own, 'right', ground)).to.deep.equal({ xMm: 45, yMm: 0 });
    expect(alignmentShift(own, 'centre', ground)).to.deep.equal({ xMm: 15, yMm: 0 });
    expect(alignmentShift(own, 'middle', ground)).to.deep.equal({ xMm: 0, yMm: 10 });
    expect(alignmentShift(own, 'top', ground)).to.deep.equal({ xMm: 0, yMm: -15 });
    expect(alignmentShift(own, 'bottom', ground)).to.deep.equal({ xMm: 0, yMm: 35 });
  });

  it('makes every gap the same and leaves the outermost where they are', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 0, max: 90, noNaN: true }), fc.double({ min: 1, max: 9, noNaN: true })), {
          minLength: 3,
          maxLength: 7,
        }),
        (list) => {
          const boxes = list.map(([y, h]) => box(0, y, 10, h));
          const shifts = evenShifts(boxes);
          const after = boxes.map((b, i) => ({ ...b, yMm: b.yMm + shifts[i]! }));
          const order = boxes.map((_, i) => i).sort((a, b) => boxes[a]!.yMm - boxes[b]!.yMm);
          expect(shifts[order[0]!]).to.equal(0);
          expect(shifts[order.at(-1)!]).to.equal(0);
          const gaps = order.slice(1).map((i, k) => after[i]!.yMm - after[order[k]!]!.yMm - after[order[k]!]!.heightMm);
          for (const gap of gaps) expect(gap).to.be.closeTo(gaps[0]!, 1e-9);
        },
      ),
    );
    expect(evenShifts([box(0, 0, 1, 1), box(0, 9, 1, 1)])).to.deep.equal([0, 0]);
  });
});

describe('wordings', () => {
  it('are of their own id, with one line that is read first, and no occasion that nobody would look for', () => {
    expect(new Set(WORDINGS.map(({ id }) => id)).size).to.equal(WORDINGS.length);
    for (const { lines, id } of WORDINGS)
      expect(
        lines.filter(([weight]) => weight === 'large'),
        id,
      ).to.have.length(1);
    // A short one and a longer one of what is written most.
    for (const occasion of ['Wedding', 'Anniversary', 'A child’s party', 'Retirement', 'Sympathy', 'Reply card']) {
      const lengths = WORDINGS.filter((one) => one.occasion === occasion).map(({ lines }) => lines.length);
      expect(Math.max(...lengths) - Math.min(...lengths), occasion).to.be.at.least(1);
    }
    expect(OCCASIONS).to.include.members(['Naming day', 'Coming of age', 'New home', 'Get well']);
  });

  it('fill any face inside its safe box, the important line the largest, none under 6 pt', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...WORDINGS),
        fc.constantFrom(...PAIRINGS),
        fc.double({ min: 70, max: 200, noNaN: true }),
        fc.double({ min: 50, max: 200, noNaN: true }),
        (wording, pairing, widthMm, heightMm) => {
          const safe = box(4, 4, widthMm - 8, heightMm - 8);
          const blocks = wordFace(wording, safe, { pairing, colour: '#000000', idOf: (i) => `w${i}` });
          const set = blocks.map((block) => setText(block, typefaces));
          for (const one of set) if (one.ink) expect(isInside(one.ink, safe), JSON.stringify(one.ink)).to.equal(true);
          const sizes = blocks.map((b, i) => b.sizePt * set[i]!.fitted);
          expect(Math.min(...sizes)).to.be.at.least(6);
          const large = wording.lines.findIndex(([weight]) => weight === 'large');
          expect(sizes[large]).to.equal(Math.max(...sizes));
          // One below the other, none over another.
          blocks
            .slice(1)
            .forEach((b, i) => expect(b.topMm).to.be.at.least(blocks[i]!.topMm + set[i]!.box.heightMm - 0.2));
        },
      ),
      { numRuns: runs(150) },
    );
  });
});

describe('several things together', () => {
  it('line up across each for itself, and up and down as one', () => {
    const boxes = [box(20, 20, 40, 6), box(30, 30, 20, 6)];
    expect(alignmentShifts(boxes, 'centre', ground)).to.deep.equal([
      { xMm: 10, yMm: 0 },
      { xMm: 10, yMm: 0 },
    ]);
    expect(alignmentShifts([box(5, 20, 40, 6), boxes[1]!], 'left', ground)).to.deep.equal([
      { xMm: 0, yMm: 0 },
      { xMm: -25, yMm: 0 },
    ]);
    // Sixteen high together: from 20 to the top at 5.
    expect(alignmentShifts(boxes, 'top', ground)).to.deep.equal([
      { xMm: 0, yMm: -15 },
      { xMm: 0, yMm: -15 },
    ]);
  });

  it('are spaced by their baselines where they are words, so that tails make no line sit lower', () => {
    // Three lines of one size at 20, 31 and 40; the middle one has a tail that hangs to 33.
    const lines = [
      { ink: box(10, 16, 40, 4), at: 20 },
      { ink: box(10, 27, 40, 6), at: 31 },
      { ink: box(10, 36, 40, 4), at: 40 },
    ];
    const spans = lines.map(({ ink, at }) => evenSpan(ink, [at], true));
    const even = evenShifts(spans).map((by, i) => lines[i]!.at + by);
    expect(even).to.deep.equal([20, 30, 40]);
    // Beside a picture what counts is from the top of the letters to the last baseline.
    expect(evenSpan(box(10, 27, 40, 12), [31, 37], false)).to.deep.equal(box(10, 27, 40, 10));
    expect(evenSpan(box(10, 27, 40, 12), [], true)).to.deep.equal(box(10, 27, 40, 12));
  });

  it('leave room for a new one where it hides none, as near as can be to where it was wanted', () => {
    const safe = ground.safe;
    expect(freeTop([], safe, { topMm: 28, heightMm: 8 })).to.equal(28);
    // A block from 26 to 34: above it by two is 16, below it 36; 28 is nearer to 36 than to 16.
    expect(freeTop([box(5, 26, 90, 8)], safe, { topMm: 28, heightMm: 8 })).to.equal(36);
    const mm = fc.double({ min: 0, max: 60, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(mm, fc.double({ min: 1, max: 12, noNaN: true })), { maxLength: 4 }),
        mm,
        (taken, want) => {
          const boxes = taken.map(([y, h]) => box(5, y, 90, h));
          const top = freeTop(boxes, safe, { topMm: want, heightMm: 6 });
          expect(top).to.be.within(safe.yMm - 1e-9, safe.yMm + safe.heightMm - 6 + 1e-9);
          const hides = (y: number): boolean =>
            boxes.some((b) => y < b.yMm + b.heightMm - 1e-6 && b.yMm < y + 6 - 1e-6);
          // It hides one only where every place is taken.
          if (hides(top))
            for (let y = 5; y <= 59; y += 0.25)
              expect(
                hides(y) || boxes.some((b) => Math.abs(y - b.yMm - b.heightMm) < 1.6 || Math.abs(b.yMm - y - 6) < 1.6),
              ).to.equal(true);
        },
      ),
    );
  });
});
