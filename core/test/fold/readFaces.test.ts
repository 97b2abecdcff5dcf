import { expect } from 'chai';
import fc from 'fast-check';
import { apply, determinant } from '../../src/geometry/affine.ts';
import { corners, mapBox } from '../../src/geometry/box.ts';
import { foldBlank, inSpace } from '../../src/fold/foldBlank.ts';
import { readFaces, readingPoses, shutState } from '../../src/fold/readFaces.ts';
import { move } from '../../src/fold/space.ts';
import { FORMATS } from '../../src/size/formats.ts';
import type { FormatId } from '../../src/job/types.ts';

const size = fc.double({ min: 30, max: 400, noNaN: true });
const formats = Object.keys(FORMATS) as FormatId[];

describe('readFaces', () => {
  it('puts the back of a tent fold upside-down on the outside, and both insides upside-down seen through', () => {
    const faces = new Map(readFaces(FORMATS.tentFold.form(148, 105)).map((face) => [face.id, face]));
    // Front: the lower half, as it is read. A face's own top left lands on the panel's top left.
    expect(faces.get('front')!.toBlank).to.deep.equal([1, 0, 0, 1, 0, 105]);
    // Back: half a turn, so its top left lands on its panel's bottom right corner.
    expect(faces.get('back')!.toBlank).to.deep.equal([-1, 0, 0, -1, 148, 105]);
    // The front is lifted over the fold: seen from outside its inside is mirrored top to bottom.
    expect(faces.get('insideFront')!.toBlank).to.deep.equal([1, 0, 0, -1, 0, 210]);
    expect(faces.get('insideBack')!.toBlank).to.deep.equal([1, 0, 0, -1, 0, 105]);
  });

  it('keeps every face of a side fold upright and mirrors only the insides', () => {
    const faces = new Map(readFaces(FORMATS.sideFold.form(105, 148)).map((face) => [face.id, face]));
    expect(faces.get('front')!.toBlank).to.deep.equal([1, 0, 0, 1, 105, 0]);
    expect(faces.get('back')!.toBlank).to.deep.equal([1, 0, 0, 1, 0, 0]);
    expect(faces.get('insideFront')!.toBlank).to.deep.equal([-1, 0, 0, 1, 210, 0]);
    expect(faces.get('insideBack')!.toBlank).to.deep.equal([-1, 0, 0, 1, 105, 0]);
  });

  for (const id of formats) {
    it(`${id}: every face covers its own panel and nothing else`, () => {
      fc.assert(
        fc.property(size, size, (w, h) => {
          const form = FORMATS[id].form(w, h);
          for (const face of readFaces(form)) {
            const panel = form.blank.panels.find((p) => p.id === face.panelId)!.box;
            const covered = mapBox(face.toBlank, { xMm: 0, yMm: 0, widthMm: face.widthMm, heightMm: face.heightMm });
            for (const side of ['xMm', 'yMm', 'widthMm', 'heightMm'] as const)
              expect(covered[side]).to.be.closeTo(panel[side], 1e-9);
            expect(determinant(face.toBlank)).to.be.closeTo(face.side === 'outside' ? 1 : -1, 1e-12);
          }
        }),
      );
    });

    it(`${id}: shut, it measures exactly its finished size; panels tile the blank`, () => {
      fc.assert(
        fc.property(size, size, (w, h) => {
          const form = FORMATS[id].form(w, h);
          const poses = readingPoses(form, shutState(form));
          const points = form.blank.panels.flatMap((panel) =>
            corners(panel.box).map((p) => move(poses.get(panel.id)!, inSpace(p))),
          );
          const extent = (axis: 0 | 1 | 2): number =>
            Math.max(...points.map((p) => p[axis])) - Math.min(...points.map((p) => p[axis]));
          expect(extent(0)).to.be.closeTo(w, 1e-6);
          expect(extent(1)).to.be.closeTo(h, 1e-6);
          expect(extent(2)).to.be.closeTo(0, 1e-6);
          const area = form.blank.panels.reduce((sum, p) => sum + p.box.widthMm * p.box.heightMm, 0);
          expect(area).to.be.closeTo(form.blank.widthMm * form.blank.heightMm, 1e-6 * area);
        }),
      );
    });
  }

  it('opens a side fold to the left and a tent fold upwards, the back staying on the table', () => {
    for (const [id, axis, sign] of [
      ['sideFold', 0, -1],
      ['tentFold', 1, 1],
    ] as const) {
      const form = FORMATS[id].form(100, 70);
      const open = readingPoses(form, {});
      const middle = (panelId: string) => {
        const { box } = form.blank.panels.find((p) => p.id === panelId)!;
        return move(open.get(panelId)!, inSpace({ xMm: box.xMm + box.widthMm / 2, yMm: box.yMm + box.heightMm / 2 }));
      };
      expect(Math.sign(middle('front')[axis] - middle('back')[axis])).to.equal(sign);
    }
  });

  it('keeps lengths while it turns', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (folded) => {
        const form = FORMATS.sideFold.form(60, 90);
        const pose = foldBlank(form.blank, { spine: folded }, 'back').get('front')!;
        const [a, b] = [move(pose, inSpace({ xMm: 60, yMm: 0 })), move(pose, inSpace({ xMm: 120, yMm: 90 }))];
        expect(Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2])).to.be.closeTo(Math.hypot(60, 90), 1e-9);
        // The crease itself does not move.
        expect(a[0]).to.be.closeTo(60, 1e-9);
        expect(a[2]).to.be.closeTo(0, 1e-9);
      }),
    );
  });

  it('refuses a face that nobody could read as stated', () => {
    const form = FORMATS.sideFold.form(60, 90);
    const wrong = {
      ...form,
      faces: form.faces.map((face) => (face.id === 'front' ? { ...face, readFrom: 'behind' as const } : face)),
    };
    expect(() => readFaces(wrong)).to.throw(RangeError, /“front” is turned away/);
  });

  it('maps a point of the front where a ruler would find it', () => {
    const front = readFaces(FORMATS.sideFold.form(105, 148)).find((f) => f.id === 'front')!;
    expect(apply(front.toBlank, { xMm: 10, yMm: 20 })).to.deep.equal({ xMm: 115, yMm: 20 });
  });
});
