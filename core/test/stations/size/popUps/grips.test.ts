import { expect } from 'chai';
import fc from 'fast-check';
import { decide, decideEach } from '../../../../src/job/decide.ts';
import type { PopUp } from '../../../../src/job/popUps.ts';
import type { LayerChoice } from '../../../../src/job/types.ts';
import { planSize } from '../../../../src/stations/size/planSize.ts';
import { gripsOf, movedBy, type Grip } from '../../../../src/stations/size/popUps/grips.ts';
import { jobWith, workshop } from '../../../support.ts';
import { runs } from '../../../runs.ts';

const layer = (id: string, popUp: Partial<PopUp>): LayerChoice => ({
  ...{ id, kind: 'popUp', faces: [], revealMm: 0, stockIds: [workshop.stocks[0]!.id], popUp },
});
const gripsIn = (format: 'sideFold' | 'tentFold', layers: readonly LayerChoice[]): readonly Grip[] => {
  const job = jobWith(
    ...decideEach((at) => at.size, { format, finishedWidthMm: 150, finishedHeightMm: 150, options: {} }),
    decide((at) => at.size.layers, layers),
  );
  return gripsOf(planSize({ job, workshop }).popUps!);
};
const STEP = layer('step', { mechanism: 'boxStep', alongMm: 40, widthMm: 60, depthMm: 30, heightMm: 40 });
const onStep = { layerId: 'step', at: 'front' };
const half = fc.integer({ min: -8, max: 8 }).map((n) => n / 2);

describe('what pops up, moved by hand', () => {
  const things: readonly (readonly [string, Partial<PopUp>, 'x' | 'y' | 'both'])[] = [
    ['a step along the fold', { mechanism: 'boxStep', alongMm: 60, widthMm: 30 }, 'y'],
    ['a cut-in step', { mechanism: 'cutIn', alongMm: 60, widthMm: 30 }, 'y'],
    ['a V along the fold alone', { mechanism: 'vFold', alongMm: 70, pieceDeg: 45 }, 'y'],
    ['a fan along the fold', { mechanism: 'fan', alongMm: 70, heightMm: 40 }, 'y'],
    ['a figure on a page', { mechanism: 'figure', pastMm: 60, on: { layerId: null, at: 'b' } }, 'both'],
    ['a figure on the front of a step', { mechanism: 'figure', pastMm: 8, on: onStep }, 'both'],
    ['a lid on the first page', { mechanism: 'lid', pastMm: 40, on: { layerId: null, at: 'a' } }, 'both'],
    ['a wheel', { mechanism: 'wheel', pastMm: 75, on: { layerId: null, at: 'a' } }, 'both'],
  ];
  for (const [what, popUp, freely] of things)
    it(`${what} goes where it was moved, as it lies on the open pages`, () => {
      fc.assert(
        fc.property(fc.constantFrom('sideFold' as const, 'tentFold' as const), half, half, (format, xMm, yMm) => {
          const before = gripsIn(format, [STEP, layer('p', popUp)]).find(({ layerId }) => layerId === 'p')!;
          const next = movedBy(before, { xMm, yMm });
          const after = gripsIn(format, [STEP, layer('p', { ...popUp, ...next })]).find(
            ({ layerId }) => layerId === 'p',
          )!;
          expect(after.box.yMm - before.box.yMm).to.be.closeTo(yMm, 1e-3);
          if (freely === 'both') expect(after.box.xMm - before.box.xMm).to.be.closeTo(xMm, 1e-3);
          // Moved out from the fold a step’s foot goes, and its other one stays.
          else if ('depthMm' in next) {
            expect(after.box.xMm - before.box.xMm).to.be.closeTo(xMm, 1e-3);
            expect(after.box.xMm + after.box.widthMm).to.be.closeTo(before.box.xMm + before.box.widthMm, 1e-3);
          } else expect(after.box.xMm).to.be.closeTo(before.box.xMm, 1e-3);
        }),
        { numRuns: runs(8) },
      );
    });

  it('comes to rest on half millimetres, and never past its limits', () => {
    const [grip] = gripsIn('sideFold', [STEP]);
    expect(movedBy(grip!, { xMm: -0.7, yMm: 0.2 })).to.deep.equal({ alongMm: 40, depthMm: 30.5 });
    expect(movedBy(grip!, { xMm: 900, yMm: 2000 })).to.deep.equal({ alongMm: 900, depthMm: 3 });
  });

  it('is no strap, and nothing on a wall that stands up from the open pages', () => {
    const grips = gripsIn('sideFold', [
      layer('tent', { mechanism: 'tent', alongMm: 20, depthMm: 20, otherDepthMm: 20, heightMm: 60 }),
      layer('f', { mechanism: 'figure', on: { layerId: 'tent', at: 'front' } }),
      layer('lid', { mechanism: 'lid', pastMm: 50, on: { layerId: null, at: 'b' } }),
      layer('pull', { mechanism: 'pull', on: { layerId: null, at: 'a' }, to: { layerId: 'lid', at: 'lid' } }),
    ]);
    expect(grips.map(({ layerId }) => layerId)).to.include.members(['tent', 'lid']);
    expect(grips.find(({ layerId }) => layerId === 'pull')).to.equal(undefined);
    // Its front rises at about 70°: up on it is no way on the page, along it is.
    const figure = grips.find(({ layerId }) => layerId === 'f')!;
    expect(figure.moves.map(({ id }) => id)).to.deep.equal(['alongMm']);
  });
});
