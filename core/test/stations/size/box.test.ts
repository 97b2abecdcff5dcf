import { expect } from 'chai';
import { inSpace } from '../../../src/ground/fold/foldBlank.ts';
import { move } from '../../../src/ground/fold/space.ts';
import { readingPoses, shutState } from '../../../src/ground/fold/stages.ts';
import { decideEach } from '../../../src/job/decide.ts';
import { formOf, settleOptions } from '../../../src/stations/size/formats/index.ts';
import { jobWith, plan, sized } from '../../support.ts';

const finish = { widthMm: 110, heightMm: 155 };
const { options } = settleOptions('box', finish, { bagDeepMm: 25, closeMm: 40, wingMm: 12 });
const form = formOf('box', finish, options, { caliperMm: 0.3 });

describe('a box', () => {
  it('is as large as its parts add up to', () => {
    // Two of 110, two of 25 and a seam of 12; 155 and, above and below, a lid of 25 + 2 × 0.3 with a flap of 40.
    expect(form.blank.widthMm).to.be.closeTo(2 * 110 + 2 * 25 + 12, 1e-9);
    expect(form.blank.heightMm).to.be.closeTo(155 + 2 * (25.6 + 40), 1e-9);
  });

  it('shut, is a box: sides square, the lid over the ends and its flap over the front', () => {
    const poses = readingPoses(form, shutState(form));
    const at = (id: string) =>
      form.blank.panels.find((one) => one.id === id)!.outline.map((p) => move(poses.get(id)!, inSpace(p)));
    const spread = (id: string, axis: 0 | 1 | 2): number => {
      const all = at(id).map((v) => v[axis]);
      return Math.max(...all) - Math.min(...all);
    };
    const z = (id: string): number => at(id)[0]![2];
    expect(z('front') - z('back')).to.be.closeTo(25, 1e-9);
    expect(z('lidFlap') - z('front')).to.be.closeTo(0.6, 1e-9);
    expect(z('footFlap') - z('front')).to.be.closeTo(0.6, 1e-9);
    for (const id of ['left', 'right']) expect(spread(id, 0), id).to.be.closeTo(0, 1e-9);
    for (const id of ['lid', 'foot', 'lidLeft', 'footRight']) expect(spread(id, 1), id).to.be.closeTo(0, 1e-9);
    // The seam lies on the inside of the back, and the ends do not meet in the middle.
    expect(z('seam')).to.be.closeTo(z('back'), 1e-9);
    const right = Math.max(...at('lidLeft').map(([x]) => x));
    const left = Math.min(...at('lidRight').map(([x]) => x));
    expect(Math.abs(left - right)).to.be.above(0);
  });

  it('is as thick as it is deep, and asks for an envelope or a band that takes that', () => {
    const made = plan(jobWith(...sized('box', 110, 155), ...decideEach((job) => job.size.options, { bagDeepMm: 25 })));
    expect(made.size.thicknessMm).to.be.at.least(25);
    expect(made.size.snags.filter(({ level }) => level === 'stop')).to.deep.equal([]);
    // Posted as it is, it is as long as it is shut, not as its blank.
    expect(made.envelope.packed.longMm).to.be.closeTo(155, 1e-9);
  });
});
