import { expect } from 'chai';
import fc from 'fast-check';
import { inSpace } from '../../../../src/ground/fold/foldBlank.ts';
import { move, turn, undo, type Vec3 } from '../../../../src/ground/fold/space.ts';
import { decide, decideEach } from '../../../../src/job/decide.ts';
import { POP_UP_STARTS, type MechanismId, type PopUp } from '../../../../src/job/popUps.ts';
import type { LayerChoice } from '../../../../src/job/types.ts';
import { drawFolded, posesAt } from '../../../../src/stations/size/drawFolded.ts';
import { planSize, type SizePlan } from '../../../../src/stations/size/planSize.ts';
import { standing } from '../../../../src/stations/size/popUps/standing.ts';
import { jobWith, plan, workshop } from '../../../support.ts';
import { runs } from '../../../runs.ts';

const stockIds = [workshop.stocks[0]!.id];
const layer = (id: string, popUp: Partial<PopUp>): LayerChoice => ({
  ...{ id, kind: 'popUp', faces: [], revealMm: 0, stockIds, popUp },
});
const jobOf = (format: 'sideFold' | 'tentFold', layers: readonly LayerChoice[], shortFrontMm = 0) =>
  jobWith(
    ...decideEach((job) => job.size, {
      ...{ format, finishedWidthMm: 148, finishedHeightMm: 148, options: { shortFrontMm } },
    }),
    decide((job) => job.size.layers, layers),
  );
const sizeOf = (...args: Parameters<typeof jobOf>): SizePlan => planSize({ job: jobOf(...args), workshop });
const at = (size: SizePlan, open: number) => {
  const poses = posesAt(size, { open });
  return { poses, ...standing(size.popUps!, size, poses) };
};
/** Where a corner of a part stands, on a panel of the card’s blank: how far off it, too. */
function onPage(size: SizePlan, page: 'a' | 'b', point: Vec3, poses: ReturnType<typeof posesAt>) {
  const panelId = size.popUps!.spread.panelIds[page];
  return move(undo(poses.get(panelId)!), point);
}

describe('pop-ups where the card stands', () => {
  it('names the page on the left first, or the lower one of a level fold, and measures from the head or from the left', () => {
    const step = layer('s', { mechanism: 'boxStep', alongMm: 10, widthMm: 30, depthMm: 20, heightMm: 40, tabMm: 5 });
    const upright = sizeOf('sideFold', [step]);
    const level = sizeOf('tentFold', [step]);
    // Opened like a book the front’s inside is on the left; a tent’s front is lifted up and away.
    expect(upright.popUps!.spread.faceIds).to.deep.equal({ a: 'insideFront', b: 'insideBack' });
    expect(level.popUps!.spread.faceIds).to.deep.equal({ a: 'insideBack', b: 'insideFront' });
    for (const size of [upright, level]) {
      // Its tab on the first page is 20 mm from the fold, on the second 40; both lie behind it.
      const [a, b] = size.popUps!.spots;
      expect(Math.max(...a!.area.map(({ xMm }) => xMm))).to.be.closeTo(-15, 1e-6);
      expect(Math.max(...b!.area.map(({ xMm }) => xMm))).to.be.closeTo(40, 1e-6);
      // Read by its reader, 10 mm from the head of an upright fold, from the left end of a level one.
      const face = size.faces.find(({ id }) => id === size.popUps!.spread.faceIds.a)!;
      const { toBlank } = size.popUps!.spread;
      const corner = { xMm: -20, yMm: 10 };
      const blank = [
        toBlank[0] * corner.xMm + toBlank[2] * corner.yMm + toBlank[4],
        toBlank[1] * corner.xMm + toBlank[3] * corner.yMm + toBlank[5],
      ] as const;
      const [fa, fb, fc_, fd, fe, ff] = face.toBlank;
      const det = fa * fd - fb * fc_;
      const read = [
        (fd * (blank[0] - fe) - fc_ * (blank[1] - ff)) / det,
        (-fb * (blank[0] - fe) + fa * (blank[1] - ff)) / det,
      ];
      if (size === upright) expect(read.map((v) => Math.round(v * 1e6) / 1e6)).to.deep.equal([148 - 20, 10]);
      else expect(read.map((v) => Math.round(v * 1e6) / 1e6)).to.deep.equal([10, 20]);
    }
  });

  it('folds every crease the way that it is said to be creased', () => {
    for (const mechanism of ['boxStep', 'tent', 'bridge', 'vFold', 'angledFold', 'floating'] as const)
      for (const part of [
        {},
        { tabs: 'showing' as const },
        { lean: 'to' as const, glueDeg: 70, otherGlueDeg: 60, pieceDeg: 40 },
      ]) {
        const size = sizeOf('sideFold', [layer('p', { ...POP_UP_STARTS[mechanism as MechanismId], ...part })]);
        expect(size.popUps!.parts, mechanism).to.have.length.at.least(1);
        for (const { state, openDeg, gapsMm } of size.popUps!.motion) {
          if (openDeg < 9 || openDeg > 120 || Object.values(gapsMm).some((mm) => mm > 0.01)) continue;
          for (const [id, folds] of Object.entries(state))
            for (const [crease, deg] of Object.entries(folds))
              expect(deg, `${mechanism} ${JSON.stringify(part)} ${id} ${crease} at ${openDeg}`).to.be.within(
                -0.1,
                180.1,
              );
        }
      }
  });

  it('stays glued to both pages of the card as it opens, upright and level', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('sideFold' as const, 'tentFold' as const),
        fc.constantFrom<MechanismId>('boxStep', 'vFold', 'floating', 'tent'),
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        (format, mechanism, open) => {
          const size = sizeOf(format, [layer('p', { mechanism, tabMm: 6 })]);
          const { poses, panels } = at(size, open);
          for (const { partId, panelId, on, own } of size.popUps!.spots) {
            if (on.partId !== null) continue;
            const { pose } = panels.find((one) => one.partId === partId && one.panelId === panelId)!;
            for (const corner of own) {
              const [, , off] = onPage(size, on.panelId as 'a' | 'b', move(pose, inSpace(corner)), poses);
              // On the inside, as far off as half of both are thick; between two moments folds are in proportion, and card
              // is lifted by a caliper when it is shut.
              const thickMm = workshop.stocks[0]!.caliperMicron / 1000;
              expect(-off, `${panelId} at ${open}`).to.be.closeTo(thickMm, 0.6);
            }
          }
        },
      ),
      { numRuns: runs(30) },
    );
  });

  it('lies on a table before its reader: a level fold’s lower page flat, an upright one’s both risen alike', () => {
    const step = [layer('s', { mechanism: 'boxStep' })];
    const level = sizeOf('tentFold', step);
    const up = (size: SizePlan, page: 'a' | 'b', open: number): Vec3 =>
      // The inside is what is looked at.
      turn(posesAt(size, { open }).get(size.popUps!.spread.panelIds[page])!, [0, 0, -1]);
    for (const open of [0, 0.25, 0.5, 1]) expect(up(level, 'a', open)[1]).to.be.closeTo(1, 1e-6);
    // Opened at a right angle the other stands behind it and looks at who reads.
    expect(up(level, 'b', 0.5)[2]).to.be.closeTo(1, 1e-6);
    const book = sizeOf('sideFold', step);
    const [a, b] = [up(book, 'a', 0.5), up(book, 'b', 0.5)];
    expect(a[1]).to.be.closeTo(Math.SQRT1_2, 1e-6);
    expect(b[1]).to.be.closeTo(Math.SQRT1_2, 1e-6);
    expect(a[0]).to.be.closeTo(Math.SQRT1_2, 1e-6);
    expect(b[0]).to.be.closeTo(-Math.SQRT1_2, 1e-6);
    // Shut it lies on its back, not on its spine.
    expect(up(book, 'b', 0)[1]).to.be.closeTo(1, 1e-6);
    expect(up(book, 'a', 0)[1]).to.be.closeTo(-1, 1e-6);
  });

  it('lets a lid lie until its strap pulls, and lifts it by as much as was asked when the card lies open', () => {
    const size = sizeOf('tentFold', [
      layer('lid', { mechanism: 'lid', on: { layerId: null, at: 'a' }, pastMm: 30, heightMm: 30, widthMm: 30 }),
      layer('strap', {
        ...{ mechanism: 'pull', on: { layerId: null, at: 'b' }, to: { layerId: 'lid', at: 'lid' } },
        ...{ riseMm: 40, otherRiseMm: 25, liftDeg: 70 },
      }),
    ]);
    const angle = (openDeg: number): number =>
      size.popUps!.motion.find((moment) => moment.openDeg === openDeg)!.state['lid-1']!.hinge!;
    expect(angle(0)).to.be.closeTo(0, 1e-9);
    expect(angle(90)).to.be.closeTo(0, 1e-9);
    expect(angle(180)).to.be.closeTo(70, 0.05);
  });

  it('is not said to poke out of a short front where the back covers it', () => {
    const step = layer('s', { mechanism: 'boxStep', depthMm: 50, heightMm: 60 });
    const about = (size: SizePlan) => size.snags.filter(({ id }) => id.startsWith('size-popup-out'));
    // Shut it reaches 110 mm from the fold: past a front of 98, within a back of 148.
    expect(about(sizeOf('sideFold', [step], 50))).to.deep.equal([]);
    expect(
      about(sizeOf('sideFold', [layer('s', { mechanism: 'boxStep', depthMm: 80, heightMm: 80 })], 50)),
    ).to.have.length(1);
  });

  it('marks on a printed page where each tab is glued, and leaves a bare side bare', () => {
    const step = layer('s', { mechanism: 'boxStep', alongMm: 10, widthMm: 30, depthMm: 20, heightMm: 40, tabMm: 8 });
    const bare = plan(jobOf('sideFold', [step]));
    expect(bare.art.faces.flatMap(({ marks = [] }) => marks)).to.deep.equal([]);
    const inked = plan(
      jobWith(
        ...decideEach((job) => job.size, {
          format: 'sideFold',
          finishedWidthMm: 148,
          finishedHeightMm: 148,
          options: {},
        }),
        decide((job) => job.size.layers, [step]),
        decide((job) => job.art.faces.at('insideBack'), { background: '#cfe6e4', picture: null, texts: [] }),
      ),
    );
    const face = inked.art.faces.find(({ face: { id } }) => id === 'insideBack')!;
    const points = face.marks!.flatMap((shape) =>
      shape.kind === 'path' ? shape.path.flatMap((part) => (part.kind === 'close' ? [] : [part.to])) : [],
    );
    // The right page’s fold is its left edge: the tab lies behind the step, 32 to 40 mm from it and 10 to 40 mm from the head.
    expect(Math.min(...points.map(({ xMm }) => xMm))).to.be.within(32, 34);
    expect(Math.max(...points.map(({ xMm }) => xMm))).to.be.within(38, 40);
    expect(Math.min(...points.map(({ yMm }) => yMm))).to.be.within(10, 16);
    expect(Math.max(...points.map(({ yMm }) => yMm))).to.be.within(34, 40);
  });

  it('is drawn before the pages it stands on, which are larger, and behind the back of the one that is shut over it', () => {
    const front = '#123456';
    for (const format of ['sideFold', 'tentFold'] as const) {
      const size = sizeOf(format, [
        layer('s', { mechanism: 'boxStep', alongMm: 40, widthMm: 60, depthMm: 30, heightMm: 25 }),
      ]);
      const orderAt = (open: number): readonly ('page' | 'part')[] =>
        drawFolded(size, { open, stockColour: front, art: { outside: [], inside: [] } }).shapes.flatMap((shape) =>
          shape.kind === 'path' && shape.role === 'stock' ? [shape.fill === front ? 'page' : 'part'] : [],
        );
      // Opened like an L both pages lie behind every part: the lower one’s middle is nearer to who looks than the step’s.
      for (const open of [0.4, 0.5, 0.7]) {
        const order = orderAt(open);
        expect(order.slice(0, 2), `${format} ${open}`).to.deep.equal(['page', 'page']);
        expect(order.slice(2).every((one) => one === 'part')).to.equal(true);
      }
      expect(orderAt(0.03).at(-1), format).to.equal('page');
    }
  });
});
