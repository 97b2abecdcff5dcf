import { expect } from 'chai';
import fc from 'fast-check';
import { inSpace } from '../../../src/ground/fold/foldBlank.ts';
import { foldBlank } from '../../../src/ground/fold/foldBlank.ts';
import { move, type Vec3 } from '../../../src/ground/fold/space.ts';
import { readingPoses, shutState } from '../../../src/ground/fold/stages.ts';
import type { FoldedForm } from '../../../src/ground/fold/types.ts';
import { formOf, settleOptions } from '../../../src/stations/size/formats/index.ts';
import { runs } from '../../runs.ts';

const mm = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });
const anyBag = fc.record({
  ...{ w: mm(60, 200), h: mm(80, 240), deep: mm(0, 1), rise: mm(0, 1), handle: mm(0.2, 1), seam: mm(0, 1) },
});
type Asked = typeof anyBag extends fc.Arbitrary<infer T> ? T : never;

/** A bag whose options are shares of what they may be at most. */
function made(id: 'bag' | 'footBag', { w, h, deep, rise, handle, seam }: Asked): { form: FoldedForm; deepMm: number } {
  const finish = { widthMm: w, heightMm: h };
  const deepMm = 4 + deep * (Math.min(w, h) * 0.75 - 4);
  const { options, faults } = settleOptions(id, finish, {
    bagDeepMm: deepMm,
    topRiseMm: rise * Math.min(w * 0.4, h * 0.3),
    handleMm: handle * Math.min(w * 0.5, h * 0.4),
    wingMm: 4 + seam * (Math.min(w, h) * 0.3 - 4),
  });
  expect(faults).to.deep.equal([]);
  return { form: formOf(id, finish, options, { caliperMm: 0.3 }), deepMm };
}
const apart = (a: Vec3, b: Vec3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

describe('a bag', () => {
  it('by law opens square: the seam comes round to the back’s free edge and lies flat inside it', () => {
    fc.assert(
      fc.property(anyBag, (asked) => {
        const { form, deepMm } = made('bag', asked);
        const poses = foldBlank(form.blank, form.standing!, form.restingPanelId);
        const place = (panel: string, xMm: number, yMm: number) => move(poses.get(panel)!, inSpace({ xMm, yMm }));
        const box = (id: string) => form.blank.panels.find((p) => p.id === id)!.box;
        const foot = asked.h;
        const seam = box('seam');
        // Its crease is where the back begins, its free edge on the back.
        expect(apart(place('seam', seam.xMm, foot), place('back', 0, foot))).to.be.lessThan(1e-6);
        expect(apart(place('seam', seam.xMm + seam.widthMm, foot), place('back', seam.widthMm, foot))).to.be.lessThan(
          1e-6,
        );
        // Front and back are as far apart as it is deep, corner by corner.
        const front = box('front');
        expect(apart(place('front', front.xMm, foot), place('back', asked.w, foot))).to.be.closeTo(deepMm, 1e-6);
        expect(apart(place('front', front.xMm + asked.w, foot), place('back', 0, foot))).to.be.closeTo(deepMm, 1e-6);
        // The foot lies under it from the back to the front, and its tab stands up inside the front.
        const under = box('foot');
        const end = under.yMm + under.heightMm;
        const tip = box('tuck').yMm + box('tuck').heightMm;
        const [a, b] = [place('foot', asked.w / 2, end), place('back', asked.w / 2, foot)];
        expect(apart(a, b)).to.be.closeTo(under.heightMm, 1e-6);
        expect(deepMm - under.heightMm).to.be.within(0, 1 + 1e-9);
        expect(apart(a, place('front', front.xMm + asked.w / 2, foot))).to.be.closeTo(deepMm - under.heightMm, 1e-6);
        expect(
          apart(place('tuck', asked.w / 2, tip), place('front', front.xMm + asked.w / 2, foot - (tip - end))),
        ).to.be.closeTo(deepMm - under.heightMm, 1e-6);
        // The diagonal of its mouth: by Pythagoras a rectangle and no leaning one.
        expect(apart(place('front', front.xMm, foot), place('back', 0, foot))).to.be.closeTo(
          Math.hypot(asked.w, deepMm),
          1e-6,
        );
      }),
      { numRuns: runs(60) },
    );
  });

  for (const id of ['bag', 'footBag'] as const)
    it(`${id === 'bag' ? 'of pleated sides' : 'of a pleated foot'}, shut, keeps its seams inside it and its handle holes on each other, 6 mm and more off every edge`, () => {
      fc.assert(
        fc.property(anyBag, (asked) => {
          const { form } = made(id, asked);
          const poses = readingPoses(form, shutState(form));
          const shutOf = (panel: string, points: readonly { readonly xMm: number; readonly yMm: number }[]) =>
            points.map((p) => move(poses.get(panel)!, inSpace(p)));
          const panel = (name: string) => form.blank.panels.find((p) => p.id === name)!;
          const front = shutOf('front', panel('front').outline);
          const [left, right] = [Math.min(...front.map(([x]) => x)), Math.max(...front.map(([x]) => x))];
          for (const name of ['seam', 'leftSeam', 'rightSeam', 'leftBack', 'rightBack', 'footBack'])
            if (form.blank.panels.some((p) => p.id === name))
              for (const [x] of shutOf(name, panel(name).outline)) expect(x).to.be.within(left - 1e-6, right + 1e-6);
          const hole = (cut: string, on: string) => shutOf(on, form.blank.cuts.find((one) => one.id === cut)!.points);
          const [fore, aft] = [hole('frontHandle', 'front'), hole('backHandle', 'back')];
          for (const point of fore)
            expect(
              Math.min(...aft.map((other) => Math.hypot(point[0] - other[0], point[1] - other[1]))),
            ).to.be.lessThan(0.2);
          // To the nearest corner of the finely drawn top, and to both sides.
          const nearest = Math.min(
            ...fore.flatMap((point) => front.map((edge) => Math.hypot(point[0] - edge[0], point[1] - edge[1]))),
          );
          expect(nearest).to.be.at.least(6);
          for (const [x] of fore) expect(Math.min(x - left, right - x)).to.be.at.least(6);
        }),
        { numRuns: runs(60) },
      );
    });

  it('is 2 × (width + depth) and a seam, by hand', () => {
    const { options } = settleOptions('bag', { widthMm: 90, heightMm: 120 }, { bagDeepMm: 36, wingMm: 14 });
    const { blank } = formOf('bag', { widthMm: 90, heightMm: 120 }, options, { caliperMm: 0.3 });
    expect([blank.widthMm, blank.heightMm]).to.deep.equal([2 * (90 + 36) + 14, 120 + 35 + 18]);
    const upright = blank.creases.filter(({ from, to }) => from.xMm === to.xMm);
    expect(upright.map(({ from, direction }) => [from.xMm, direction])).to.deep.equal([
      [90, 'mountain'],
      [108, 'valley'],
      [126, 'mountain'],
      [216, 'mountain'],
      [234, 'valley'],
      [252, 'mountain'],
    ]);
    const pouch = settleOptions('footBag', { widthMm: 90, heightMm: 120 }, { bagDeepMm: 36, wingMm: 14 });
    const low = formOf('footBag', { widthMm: 90, heightMm: 120 }, pouch.options, { caliperMm: 0.3 }).blank;
    expect([low.widthMm, low.heightMm]).to.deep.equal([90 + 2 * 14, 2 * 120 + 36]);
  });
});
