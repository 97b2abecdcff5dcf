import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { apply } from '../../../src/ground/geometry/affine.ts';
import { areaOf, contains, distanceToEdge, edgesOf } from '../../../src/ground/geometry/polygon.ts';
import { cellOf, cellsOf } from '../../../src/stations/size/cell.ts';
import { formOf, settleOptions } from '../../../src/stations/size/formats/index.ts';
import { inkedWith, plan, sized } from '../../support.ts';

const cascade = (panels: number, w: number, h: number, low: number) => {
  const finish = { widthMm: w, heightMm: h };
  return formOf('cascade', finish, settleOptions('cascade', finish, { panels, frontHeightMm: low }).options, {
    caliperMm: 0.3,
  });
};

describe('cells', () => {
  it('nest two cascade bases so that both bleeds fit between them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 6 }),
        fc.double({ min: 40, max: 120, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (panels, low, bleed) => {
          const form = cascade(panels, 50, 140, low);
          const cell = cellOf(form, bleed, 2);
          const [a, b] = cell.blanks.map((map) => form.blank.outline.map((p) => apply(map, p)));
          for (const [one, other] of [
            [a!, b!],
            [b!, a!],
          ])
            for (const p of one!) {
              const off = Math.min(...edgesOf(other!).map((edge) => distanceToEdge(p, edge)));
              expect(off).to.be.at.least(2 * bleed - 1e-6);
              if (off > 1e-6) expect(contains(other!, p)).to.equal(false);
            }
          // Both stay inside the cell.
          for (const p of [...a!, ...b!]) {
            expect(p.xMm).to.be.within(-1e-9, cell.widthMm + 1e-9);
            expect(p.yMm).to.be.within(-1e-9, cell.heightMm + 1e-9);
          }
          if (bleed === 0) expect(areaOf(a!) + areaOf(b!)).to.be.closeTo(cell.widthMm * cell.heightMm, 1e-6);
        },
      ),
    );
  });

  it('cut without bleed from one mark, measured again from the opposite end', () => {
    const cell = cellOf(cascade(4, 50, 140, 80), 0, 2);
    expect(cell.slopes).to.have.length(1);
    const [{ leftMm, rightMm }] = cell.slopes as [{ leftMm: number; rightMm: number }];
    expect(leftMm).to.be.closeTo(140, 1e-9);
    expect(rightMm).to.be.closeTo(80, 1e-9);
    // Turned half round, the right mark is as far from the top as the left one was.
    expect(cell.heightMm - rightMm).to.be.closeTo(leftMm, 1e-9);
  });

  it('offer nothing to nest where nothing slopes', () => {
    const finish = { widthMm: 100, heightMm: 140 };
    const flat = formOf('sideFold', finish, settleOptions('sideFold', finish, {}).options, { caliperMm: 0.3 });
    expect(cellsOf(flat, 3)).to.have.length(1);
    expect(() => cellOf(flat, 3, 2)).to.throw(RangeError);
  });

  it('put both bases on the sheet, printed area inside the margins and apart', () => {
    const made = plan(
      inkedWith(
        ...sized('cascade', 45, 150),
        decide((job) => job.size.options, { panels: 4, frontHeightMm: 80 }),
      ),
    );
    expect(made.sheet.up).to.equal(2);
    expect(made.sheet.cells).to.have.length(1);
    expect(made.cut.outlines.map((o) => o.id)).to.deep.equal(['slope-1', 'slope-2']);
    const { printable } = made.sheet;
    for (const { toSheet } of made.sheet.placements)
      for (const p of made.size.bleedOutline.map((q) => apply(toSheet, q))) {
        expect(p.xMm).to.be.within(printable.xMm - 1e-6, printable.xMm + printable.widthMm + 1e-6);
        expect(p.yMm).to.be.within(printable.yMm - 1e-6, printable.yMm + printable.heightMm + 1e-6);
      }
  });
});
