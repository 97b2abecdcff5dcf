import { expect } from 'chai';
import fc from 'fast-check';
import { inSpace } from '../../../src/ground/fold/foldBlank.ts';
import { planFolding } from '../../../src/ground/fold/foldForm.ts';
import { move } from '../../../src/ground/fold/space.ts';
import { standOnTable } from '../../../src/ground/fold/stand.ts';
import { FORMAT_IDS } from '../../../src/job/format.ts';
import { formOf, settleOptions } from '../../../src/stations/size/formats/index.ts';
import { runs } from '../../runs.ts';

const stood = (id: (typeof FORMAT_IDS)[number], w: number, h: number) => {
  const finish = { widthMm: w, heightMm: h };
  const form = formOf(id, finish, settleOptions(id, finish, {}).options, { caliperMm: 0.3 });
  const poses = standOnTable(form, planFolding(form, 0.3));
  return {
    form,
    points: poses && form.blank.panels.flatMap((p) => p.outline.map((q) => move(poses.get(p.id)!, inSpace(q)))),
    poses,
  };
};

describe('standOnTable', () => {
  it('rests every standing card on the table, its weight over what it stands on', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FORMAT_IDS.filter((id) => id !== 'flat' && id !== 'wallet' && id !== 'footBag')),
        fc.double({ min: 50, max: 200, noNaN: true }),
        fc.double({ min: 50, max: 200, noNaN: true }),
        (id, w, h) => {
          const { points } = stood(id, w, h);
          expect(Math.min(...points!.map((p) => p[1]))).to.be.closeTo(0, 1e-6);
          const touching = points!.filter((p) => p[1] < 0.02);
          expect(touching.length).to.be.at.least(2);
          // Touching points reach from behind the middle to in front of it, but for a shape on its rim.
          if (id === 'hingedShape') return;
          const middle = points!.reduce((sum, p) => sum + p[2], 0) / points!.length;
          expect(Math.min(...touching.map((p) => p[2]))).to.be.at.most(middle + 1);
          expect(Math.max(...touching.map((p) => p[2]))).to.be.at.least(middle - 1);
        },
      ),
      { numRuns: runs(100) },
    );
  });

  it('stands an easel on the card’s foot and the leg’s, the card leaning back by what was asked', () => {
    const { form, poses } = stood('easel', 120, 100);
    const front = form.blank.panels.find((p) => p.id === 'front')!;
    const ys = front.box.yMm;
    const at = (yMm: number) => move(poses!.get('front')!, inSpace({ xMm: 60, yMm }));
    const [top, foot] = [at(ys), at(ys + 100)];
    expect(foot[1]).to.be.closeTo(0, 1e-6);
    const lean = (Math.atan2(foot[2] - top[2], top[1] - foot[1]) * 180) / Math.PI;
    expect(lean).to.be.closeTo(18, 0.01);
  });

  it('leaves what has no fold lying', () => expect(stood('flat', 100, 100).poses).to.equal(null));
});
