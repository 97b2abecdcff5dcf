import { expect } from 'chai';
import fc from 'fast-check';
import { apply, compose, drawSheetPage, pageMap, type Affine, type Plan, type Shape } from '../../../../src/index.ts';
import { changeJob } from '../../../../src/job/changeJob.ts';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import { jobWith, plan, sized, words } from '../../../support.ts';
import { runs } from '../../../runs.ts';

const bothSides: readonly JobChange[] = ['front', 'back'].map((face) =>
  decide((job) => job.art.faces.at(face), { background: '#1d5a68', picture: null, texts: [words(face)] }),
);
const onePlate: JobChange = decide((job) => job.sheet.working, 'workAndTurn');

const usesOn = (made: Plan, side: 'front' | 'back') =>
  drawSheetPage(made.size, made.art, made.sheet, side, { title: 'x', date: null, sheetNumber: 1 }).scene.shapes.filter(
    (s): s is Extract<Shape, { kind: 'use' }> => s.kind === 'use',
  );
const centreUnder = (map: Affine, { size }: Plan): string => {
  const { widthMm, heightMm } = size.form.blank;
  const p = apply(map, { xMm: widthMm / 2, yMm: heightMm / 2 });
  return `${p.xMm.toFixed(3)} ${p.yMm.toFixed(3)}`;
};

describe('one plate for both sides', () => {
  it('prints every card’s front on one side of the paper and its back on the other, in register', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 100 }),
        fc.integer({ min: 40, max: 140 }),
        fc.constantFrom('long', 'short'),
        (w, h, flipEdge) => {
          const made = plan(
            jobWith(
              ...sized('flat', w, h),
              ...bothSides,
              onePlate,
              decide((job) => job.sheet.flipEdge, flipEdge),
            ),
          );
          if (!made.sheet.onePlate) return;
          // The very same page, fed twice.
          expect(usesOn(made, 'front')).to.deep.equal(usesOn(made, 'back'));
          const over = pageMap(made.sheet, 'back');
          const first = usesOn(made, 'front').map((u) => ({ ...u, at: centreUnder(u.transform, made) }));
          const second = usesOn(made, 'back').map((u) => ({
            ...u,
            paper: compose(over, u.transform),
            at: centreUnder(compose(over, u.transform), made),
          }));
          expect(first).to.have.length(made.sheet.up);
          for (const one of first) {
            const behind = second.find((u) => u.at === one.at)!;
            expect([one.symbol, behind.symbol].sort()).to.deep.equal(['inside', 'outside']);
            // Both are drawn on one and the same blank, seen from the front and through the paper.
            for (const corner of [
              { xMm: 0, yMm: 0 },
              { xMm: w, yMm: 0 },
              { xMm: 0, yMm: h },
            ]) {
              const [a, b] = [apply(one.transform, corner), apply(behind.paper, corner)];
              expect(Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)).to.be.below(1e-6);
            }
          }
        },
      ),
      { numRuns: runs(80) },
    );
  });

  it('is offered where it can be, and says why where it cannot', () => {
    const flat = jobWith(...sized('flat', 90, 130), ...bothSides);
    const ids = (made: Plan): readonly string[] => made.sheet.snags.map((s) => s.id);
    const offered = plan(flat);
    expect(ids(offered)).to.include('sheet-one-plate');
    const remedy = offered.sheet.snags.find((s) => s.id === 'sheet-one-plate')!.remedies[0]!;
    const taken = plan(changeJob(flat, remedy.changes));
    expect(taken.sheet.onePlate).to.have.length(taken.sheet.up / 2);
    expect(taken.make.steps.filter((s) => s.kind === 'print').map((s) => s.title)).to.deep.equal([
      'Print the plate',
      'Print it again',
    ]);
    // Three across: the middle column falls on itself.
    const odd = plan(changeJob(flat, [onePlate, ...sized('flat', 60, 90)]));
    expect(odd.sheet.onePlate).to.equal(null);
    expect(odd.sheet.snags.find((s) => s.id === 'sheet-no-plate')!.why).to.match(/falls on itself/);
    const folded = plan(changeJob(flat, [onePlate, ...sized('sideFold', 60, 90)]));
    expect(folded.sheet.onePlate).to.equal(null);
  });
});
