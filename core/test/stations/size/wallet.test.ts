import { expect } from 'chai';
import fc from 'fast-check';
import { inSpace } from '../../../src/ground/fold/foldBlank.ts';
import { move } from '../../../src/ground/fold/space.ts';
import { apply } from '../../../src/ground/geometry/affine.ts';
import { readingPoses, shutState } from '../../../src/ground/fold/stages.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { decideEach, type JobChange } from '../../../src/job/decide.ts';
import type { FormatOptions } from '../../../src/job/format.ts';
import { formOf, settleOptions } from '../../../src/stations/size/formats/index.ts';
import { drawTemplate } from '../../../src/stations/size/drawTemplate.ts';
import { allSnags } from '../../../src/plan/planJob.ts';
import { jobWith, plan, sized } from '../../support.ts';

const walletOf = (widthMm: number, heightMm: number, part: Partial<FormatOptions>, caliperMm = 0.3) => {
  const finish = { widthMm, heightMm };
  const { options } = settleOptions('wallet', finish, part);
  return { options, form: formOf('wallet', finish, options, { caliperMm }) };
};
const job = (part: Partial<FormatOptions>, ...changes: readonly JobChange[]) =>
  jobWith(...sized('wallet', 120, 84), ...decideEach((at) => at.size.options, part), ...changes);

describe('a wallet', () => {
  it('is as large as its parts add up to', () => {
    // Contents 0.76 + three leaves of 0.3 + 0.5 = 2.16 apart; the flap’s strip two calipers wider, 2.76.
    const { form } = walletOf(120, 84, { closeMm: 45, pocketMm: 40, wingMm: 12 });
    expect(form.blank.widthMm).to.be.closeTo(45 + 2.76 + 120 + 2.16 + 120, 1e-9);
    expect(form.blank.heightMm).to.be.closeTo(84 + 40, 1e-9);
  });

  it('has its tab in its slit when it is shut: the tab passes the front there, and nowhere else', () => {
    fc.assert(
      fc.property(
        fc.record({
          w: fc.double({ min: 80, max: 200, noNaN: true }),
          h: fc.double({ min: 60, max: 200, noNaN: true }),
          closeMm: fc.double({ min: 30, max: 55, noNaN: true }),
          tabMm: fc.double({ min: 10, max: 30, noNaN: true }),
          contentThickMm: fc.double({ min: 0, max: 6, noNaN: true }),
          caliper: fc.double({ min: 0.1, max: 0.45, noNaN: true }),
        }),
        ({ w, h, caliper, ...part }) => {
          const { form, options } = walletOf(w, h, part, caliper);
          const poses = readingPoses(form, shutState(form));
          const panel = (id: string) => form.blank.panels.find((one) => one.id === id)!;
          const placed = (id: string) => panel(id).outline.map((at) => move(poses.get(id)!, inSpace(at)));
          // The front faces the reader, in a plane of its own.
          const z = placed('front')[0]![2];
          expect(Math.max(...placed('front').map((at) => Math.abs(at[2] - z)))).to.be.below(1e-9);
          const [a, b] = form.blank.cuts
            .find(({ id }) => id === 'slit')!
            .points.map((at) => move(poses.get('front')!, inSpace(at)));
          // Every edge of the tab that passes the plane passes it on the slit.
          const tab = placed('tab');
          const passes = tab.flatMap((from, i) => {
            const to = tab[(i + 1) % tab.length]!;
            if (from[2] > z === to[2] > z) return [];
            const t = (from[2] - z) / (from[2] - to[2]);
            return [[from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])] as const];
          });
          expect(passes).to.have.length(2);
          for (const [x, y] of passes) {
            expect(x).to.be.closeTo(a![0], 1e-6);
            expect(y).to.be.within(Math.min(a![1], b![1]), Math.max(a![1], b![1]));
          }
          // And the slit is as much longer than the tab as is said.
          expect(Math.abs(a![1] - b![1])).to.be.closeTo(options.tabMm + 1.5, 1e-9);
          // The flap lies on the front, over it.
          for (const at of placed('flap')) expect(at[2]).to.be.closeTo(z + 2 * caliper, 1e-9);
        },
      ),
    );
  });

  it('holds what it is for: back and front are as far apart as that and the leaves round it', () => {
    const { form } = walletOf(120, 84, { contentThickMm: 3 });
    const poses = readingPoses(form, shutState(form));
    const z = (id: string) =>
      move(poses.get(id)!, inSpace(form.blank.panels.find((one) => one.id === id)!.outline[0]!))[2];
    expect(z('front') - z('back')).to.be.closeTo(3 + 3 * 0.3 + 0.5, 1e-9);
    expect(z('pocket')).to.be.closeTo(z('back'), 1e-9);
  });

  it('has pairs of holes that lie on each other when it is shut, 6 mm of card round each', () => {
    const { form } = walletOf(120, 84, { holePairs: 2, holeMm: 5, pocketMm: 30 });
    const poses = readingPoses(form, shutState(form));
    const middle = (id: string, on: string) => {
      const { points } = form.blank.cuts.find((cut) => cut.id === id)!;
      const placed = points.map((at) => move(poses.get(on)!, inSpace(at)));
      return [0, 1].map((k) => placed.reduce((sum, at) => sum + at[k as 0 | 1], 0) / placed.length);
    };
    for (const i of [1, 2]) {
      const [front, back] = [middle(`frontHole${i}`, 'front'), middle(`backHole${i}`, 'back')];
      expect(front[0]).to.be.closeTo(back[0]!, 1e-6);
      expect(front[1]).to.be.closeTo(back[1]!, 1e-6);
    }
    const spine = form.blank.creases.find(({ id }) => id === 'spineFront')!.from.xMm;
    const xs = form.blank.cuts.find(({ id }) => id === 'frontHole1')!.points.map(({ xMm }) => xMm);
    expect(Math.min(...xs) - spine).to.be.closeTo(6, 1e-6);
  });

  it('leaves its pocket out when it is too shallow to be one', () => {
    expect(walletOf(120, 84, { pocketMm: 0 }).form.steps).to.have.length(2);
    expect(walletOf(120, 84, { pocketMm: 0 }).form.blank.heightMm).to.equal(84);
  });

  it('draws slit, holes and outline to be cut, and every fold as a crease', () => {
    const { shapes } = drawTemplate(plan(job({ holePairs: 1, holeMm: 5 })).size);
    const roles = (role: string) => shapes.filter((shape) => 'role' in shape && shape.role === role).length;
    expect(roles('cut')).to.equal(4);
    expect(roles('creaseAway')).to.equal(8);
  });
});

describe('a wallet of more parts', () => {
  it('rolls a third and a fourth panel in behind its front, each shorter than what it lies in, with slits on each other', () => {
    // Caliper 0.3: a wrap is max(1, 2 × 0.3 + 0.5, π/4 × (k + 1) × 0.3) = 1.1 for both.
    const { form, options } = walletOf(120, 84, { walletPanels: 4 });
    const width = (id: string) => form.blank.panels.find((one) => one.id === id)!.box.widthMm;
    expect(width('third')).to.be.closeTo(120 - 1.1, 1e-9);
    expect(width('fourth')).to.be.closeTo(120 - 2.2, 1e-9);
    const slits = form.blank.cuts.filter(({ kind }) => kind === 'slit');
    expect(slits).to.have.length(3);
    const poses = readingPoses(form, shutState(form));
    const on = ['front', 'third', 'fourth'];
    const xs = slits.map(({ points }, i) => points.map((at) => move(poses.get(on[i]!)!, inSpace(at))));
    for (const placed of xs.slice(1))
      for (const [k, at] of placed.entries()) {
        expect(at[0]).to.be.closeTo(xs[0]![k]![0], 1e-6);
        expect(at[1]).to.be.closeTo(xs[0]![k]![1], 1e-6);
      }
    // And the spine has room for two leaves more: 0.76 + 5 × 0.3 + 0.5.
    const z = (id: string) =>
      move(poses.get(id)!, inSpace(form.blank.panels.find((one) => one.id === id)!.outline[0]!))[2];
    expect(z('front') - z('back')).to.be.closeTo(0.76 + 5 * 0.3 + 0.5, 1e-9);
    expect(options.walletPanels).to.equal(4);
  });

  it('has flaps over the top and, without wings, at the foot, that lie over what it holds', () => {
    const { form } = walletOf(120, 84, {
      topFlapMm: 25,
      pocketMm: 30,
      wingMm: 0,
      contentThickMm: 4,
      walletCloses: 'noFlap',
    });
    expect(form.blank.panels.map(({ id }) => id)).to.have.members([
      ...['back', 'spine', 'front', 'pocket', 'topStrip', 'topFlap'],
    ]);
    // 25 + 4 + 2 × 0.3 + 0.3 above the back, 30 below it; no flap at the side.
    expect(form.blank.heightMm).to.be.closeTo(84 + 25 + 4.9 + 30, 1e-9);
    expect(form.blank.widthMm).to.be.closeTo(120 + (4 + 3 * 0.3 + 0.5) + 120, 1e-9);
    expect(Math.min(...form.blank.outline.map(({ yMm }) => yMm))).to.equal(0);
    const poses = readingPoses(form, shutState(form));
    const z = (id: string) =>
      move(poses.get(id)!, inSpace(form.blank.panels.find((one) => one.id === id)!.outline.at(-2)!))[2];
    expect(z('topFlap') - z('back')).to.be.closeTo(4.9, 1e-9);
    expect(z('front')).to.be.above(z('topFlap'));
  });

  it('says that a flap without a tab is kept shut by nothing, and each remedy keeps it shut', () => {
    const open = job({ walletCloses: 'other' });
    const snag = plan(open).size.snags.find(({ id }) => id === 'size-wallet-shuts')!;
    expect(snag.remedies.map(({ label }) => label)).to.deep.equal([
      'Put two of Dot magnet under it',
      'Put Shell clasp sticker over its end',
      'Put a band round it',
      'Shut it by a tab in a slit',
    ]);
    for (const { label, changes } of snag.remedies) {
      const made = plan(changeJob(open, changes));
      expect(
        allSnags(made)
          .filter(({ level }) => level !== 'note')
          .map(({ id }) => id),
        label,
      ).to.not.include.members(['size-wallet-shuts']);
      expect(
        made.size.snags.map(({ id }) => id),
        label,
      ).to.not.include('size-wallet-shuts');
      expect(
        made.art.snags.filter(({ id }) => id.startsWith('art-trimming')),
        label,
      ).to.deep.equal([]);
    }
  });

  it('has its magnets on each other when it is shut, in the room under the flap', () => {
    const open = job({ walletCloses: 'other' });
    const [magnets, sticker] = plan(open).size.snags.find(({ id }) => id === 'size-wallet-shuts')!.remedies;
    const { size, make } = plan(changeJob(open, magnets!.changes));
    const { form, trimmings } = size;
    const poses = readingPoses(form, shutState(form));
    const [one, other] = trimmings.placed.map(({ choice, faceId }) => {
      const face = size.faces.find(({ id }) => id === faceId)!;
      return move(poses.get(face.panelId)!, inSpace(apply(face.toBlank, choice)));
    });
    expect(one![0]).to.be.closeTo(other![0], 0.11);
    expect(one![1]).to.be.closeTo(other![1], 0.11);
    // 1 mm each, and the flap two calipers and those above the front.
    const caliper = size.folding.caliperMm;
    expect(Math.abs(one![2] - other![2])).to.be.closeTo(2 + 2 * caliper, 1e-6);
    expect([trimmings.insideMm, trimmings.outsideMm]).to.deep.equal([2, 0]);
    expect(
      make.steps.filter(({ kind }) => kind === 'trimming').map(({ caution }) => /Magnets/.test(caution ?? '')),
    ).to.deep.equal([true, true]);
    // A sticker lies across the flap’s end: its middle on the edge.
    const stuck = plan(changeJob(open, sticker!.changes));
    const [placed] = stuck.size.trimmings.placed;
    const flap = stuck.size.faces.find(({ id }) => id === 'flap')!;
    expect(Math.min(Math.abs(placed!.choice.xMm), Math.abs(placed!.choice.xMm - flap.widthMm))).to.be.below(0.06);
    expect(stuck.make.steps.find(({ kind }) => kind === 'trimming')!.detail).to.match(/Peel it/);
  });
});

describe('a wallet that would not work', () => {
  const settled = (part: Partial<FormatOptions>, id: string, changes: readonly JobChange[] = []): void => {
    const made = job(part, ...changes);
    const snag = plan(made).size.snags.find((one) => one.id === id)!;
    expect(snag, id).to.not.equal(undefined);
    expect(snag.remedies.length, id).to.be.at.least(1);
    for (const { changes, label } of snag.remedies)
      expect(
        plan(changeJob(made, changes)).size.snags.map((one) => one.id),
        `${id}: ${label}`,
      ).to.not.include(id);
  };

  it('is none when it is left as it begins', () => {
    const begun = plan(job({})).size.snags.filter(({ id }) => id.startsWith('size-wallet'));
    expect(begun).to.deep.equal([]);
  });
  it('says that the tab is longer than its slit', () => settled({ tabMm: 20, slitMm: 20.5 }, 'size-wallet-tab'));
  it('says that the slit is too near an edge', () => {
    // 50 high less a slit of 40: 5 mm at each end, where card of 0.35 mm wants 7.
    settled({ tabMm: 30, slitMm: 40, pocketMm: 20, contentHighMm: 40 }, 'size-wallet-slit', sized('wallet', 120, 50));
  });
  it('says that what it holds cannot pass the throat, or sticks out', () => {
    settled({ contentWideMm: 100 }, 'size-wallet-throat');
    settled({ contentHighMm: 90 }, 'size-wallet-high');
    settled({ pocketMm: 12 }, 'size-wallet-shallow');
  });
  it('says that holes are too near each other', () =>
    settled({ holePairs: 3, holeMm: 8, pocketMm: 60 }, 'size-wallet-holes'));
});
