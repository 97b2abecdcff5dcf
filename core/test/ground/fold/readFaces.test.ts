import { expect } from 'chai';
import fc from 'fast-check';
import { apply } from '../../../src/ground/geometry/affine.ts';
import { foldBlank, inSpace } from '../../../src/ground/fold/foldBlank.ts';
import { readFaces } from '../../../src/ground/fold/readFaces.ts';
import { readingPoses } from '../../../src/ground/fold/stages.ts';
import { move } from '../../../src/ground/fold/space.ts';
import { formOf, settleOptions } from '../../../src/stations/size/formats/index.ts';
import type { FormatId } from '../../../src/job/format.ts';

const form = (id: FormatId, widthMm: number, heightMm: number) => {
  const finish = { widthMm, heightMm };
  return formOf(id, finish, settleOptions(id, finish, {}).options, { caliperMm: 0.3 });
};

describe('readFaces', () => {
  it('puts the back of a tent fold upside-down on the outside, and both insides upside-down seen through', () => {
    const faces = new Map(readFaces(form('tentFold', 148, 105)).map((face) => [face.id, face]));
    // Front: the lower half, as it is read. A face's own top left lands on the panel's top left.
    expect(faces.get('front')!.toBlank).to.deep.equal([1, 0, 0, 1, 0, 105]);
    // Back: half a turn, so its top left lands on its panel's bottom right corner.
    expect(faces.get('back')!.toBlank).to.deep.equal([-1, 0, 0, -1, 148, 105]);
    // The front is lifted over the fold: seen from outside its inside is mirrored top to bottom.
    expect(faces.get('insideFront')!.toBlank).to.deep.equal([1, 0, 0, -1, 0, 210]);
    expect(faces.get('insideBack')!.toBlank).to.deep.equal([1, 0, 0, -1, 0, 105]);
  });

  it('keeps every face of a side fold upright and mirrors only the insides', () => {
    const faces = new Map(readFaces(form('sideFold', 105, 148)).map((face) => [face.id, face]));
    expect(faces.get('front')!.toBlank).to.deep.equal([1, 0, 0, 1, 105, 0]);
    expect(faces.get('back')!.toBlank).to.deep.equal([1, 0, 0, 1, 0, 0]);
    expect(faces.get('insideFront')!.toBlank).to.deep.equal([-1, 0, 0, 1, 210, 0]);
    expect(faces.get('insideBack')!.toBlank).to.deep.equal([-1, 0, 0, 1, 105, 0]);
  });

  it('opens a side fold to the left and a tent fold upwards, the back staying on the table', () => {
    for (const [id, axis, sign] of [
      ['sideFold', 0, -1],
      ['tentFold', 1, 1],
    ] as const) {
      const made = form(id, 100, 70);
      const open = readingPoses(made, {});
      const middle = (panelId: string) => {
        const { box } = made.blank.panels.find((p) => p.id === panelId)!;
        return move(open.get(panelId)!, inSpace({ xMm: box.xMm + box.widthMm / 2, yMm: box.yMm + box.heightMm / 2 }));
      };
      expect(Math.sign(middle('front')[axis] - middle('back')[axis])).to.equal(sign);
    }
  });

  it('keeps lengths while it turns', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (folded) => {
        const made = form('sideFold', 60, 90);
        const pose = foldBlank(made.blank, { spine: folded * 180 }, 'back').get('front')!;
        const [a, b] = [move(pose, inSpace({ xMm: 60, yMm: 0 })), move(pose, inSpace({ xMm: 120, yMm: 90 }))];
        expect(Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2])).to.be.closeTo(Math.hypot(60, 90), 1e-9);
        // The crease itself does not move.
        expect(a[0]).to.be.closeTo(60, 1e-9);
        expect(a[2]).to.be.closeTo(0, 1e-9);
      }),
    );
  });

  it('refuses a face that nobody could read as stated', () => {
    const made = form('sideFold', 60, 90);
    const wrong = {
      ...made,
      faces: made.faces.map((face) => (face.id === 'front' ? { ...face, readFrom: 'behind' as const } : face)),
    };
    expect(() => readFaces(wrong)).to.throw(RangeError, /“front” is turned away/);
  });

  it('maps a point of the front where a ruler would find it', () => {
    const front = readFaces(form('sideFold', 105, 148)).find((f) => f.id === 'front')!;
    expect(apply(front.toBlank, { xMm: 10, yMm: 20 })).to.deep.equal({ xMm: 115, yMm: 20 });
  });
});
