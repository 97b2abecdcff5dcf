import { expect } from 'chai';
import fc from 'fast-check';
import { changeJob } from '../../../../src/job/changeJob.ts';
import { decide, decideEach } from '../../../../src/job/decide.ts';
import type { Snag } from '../../../../src/job/findings.ts';
import type { MechanismId, PopUp } from '../../../../src/job/popUps.ts';
import type { Job, LayerChoice } from '../../../../src/job/types.ts';
import { fanAt, fanOpensDeg } from '../../../../src/stations/size/popUps/fanAt.ts';
import { planSize, type SizePlan } from '../../../../src/stations/size/planSize.ts';
import type { Stock, Workshop } from '../../../../src/workshop/types.ts';
import { jobWith, workshop } from '../../../support.ts';
import { runs } from '../../../runs.ts';

const WIDE = 148;
const HIGH = 105;
const paper: Stock = { ...workshop.stocks[0]!, id: 'paper', name: 'Paper', gsm: 80, caliperMicron: 100 };
const shelf: Workshop = { ...workshop, stocks: [...workshop.stocks, paper] };

const layer = (id: string, popUp: Partial<PopUp>): LayerChoice => ({
  ...{ id, kind: 'popUp', faces: [], revealMm: 0, stockIds: ['paper'], popUp },
});
/** A tent: two pages 105 mm deep that meet in a fold 148 mm long. */
const card = (...layers: readonly LayerChoice[]): Job =>
  jobWith(
    ...decideEach((job) => job.size, {
      format: 'tentFold',
      finishedWidthMm: WIDE,
      finishedHeightMm: HIGH,
      options: {},
    }),
    decide((job) => job.size.layers, layers),
  );
const planned = (job: Job): SizePlan => planSize({ job, workshop: shelf });
const about = (job: Job): readonly Snag[] => planned(job).snags.filter(({ id }) => id.startsWith('size-popup'));
const mm = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });

describe('pop-ups of a card', () => {
  it('a step 30 mm high that stands 20 mm out lies in a page 105 mm deep; one of 60 and 50 pokes out by 5 mm', () => {
    expect(about(card(layer('step', { mechanism: 'boxStep', depthMm: 20, heightMm: 30 })))).to.deep.equal([]);
    // Shut, its ridge lies depth and height from the fold.
    const [snag, ...others] = about(card(layer('step', { mechanism: 'boxStep', depthMm: 50, heightMm: 60 })));
    expect(others).to.deep.equal([]);
    expect(snag!.title).to.equal('Box step pokes out by 5 mm at the foot');
    expect(snag!.level).to.equal('stop');
    // Two millimetres are kept inside the edge: 7 off the height, or off the depth.
    expect(snag!.remedies.map(({ label }) => label)).to.include.members([
      'Set “Height” to 53 mm',
      'Set “Stands out by” to 43 mm',
    ]);
  });

  it('says by how much whatever pokes out does, as another projection of it says', () => {
    /** How far each reaches from the fold when shut, in its own sum. */
    const reach: Partial<Record<MechanismId, (p: PopUp) => number>> = {
      boxStep: ({ depthMm, heightMm }) => depthMm + heightMm,
      tent: ({ depthMm, heightMm }) => depthMm + heightMm,
      bridge: ({ depthMm, otherDepthMm }) => depthMm + otherDepthMm,
      floating: ({ depthMm, heightMm, pastMm }) => depthMm + heightMm + Math.max(0, pastMm),
    };
    fc.assert(
      fc.property(
        fc.constantFrom<MechanismId>('boxStep', 'tent', 'bridge', 'floating'),
        fc.record({
          ...{ depthMm: mm(20, 80), otherDepthMm: mm(20, 80), heightMm: mm(20, 80), pastMm: mm(0, 20) },
          ...{ alongMm: mm(-30, 150), widthMm: mm(10, 60) },
        }),
        (mechanism, part) => {
          const asked = { ...part, mechanism, otherDepthMm: mechanism === 'tent' ? part.depthMm : part.otherDepthMm };
          const job = card(layer('p', asked));
          const far = reach[mechanism]!({ tabMm: 8, ...asked } as PopUp) - HIGH;
          const over = Math.max(far, -part.alongMm, part.alongMm + part.widthMm - WIDE);
          const snag = about(job).find(({ id }) => id === 'size-popup-out-p');
          if (over < -2.1) expect(snag).to.equal(undefined);
          if (over > -1.9) expect(snag?.level).to.equal(over > 0.05 ? 'stop' : over < 0 ? 'warn' : snag?.level);
          const said = /pokes out by ([\d.]+) mm/.exec(snag?.title ?? '');
          // Past a corner it is farther than past either edge.
          const both = [far, -part.alongMm, part.alongMm + part.widthMm - WIDE].filter((v) => v > 0);
          if (said) expect(Number(said[1])).to.be.closeTo(Math.hypot(...both), 0.06);
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('a V’s top lies where its two angles say when it is shut', () => {
    fc.assert(
      fc.property(mm(30, 70), mm(80, 100), mm(20, 60), mm(60, 90), (glueDeg, pieceDeg, heightMm, alongMm) => {
        const job = card(layer('v', { mechanism: 'vFold', glueDeg, pieceDeg, heightMm, alongMm, glueMm: 20 }));
        const { popUps } = planned(job);
        // From the head of the fold the crease lies at both angles together, away from the fold.
        const deg = ((glueDeg + pieceDeg) * Math.PI) / 180;
        const top = { x: -heightMm * Math.sin(deg), y: alongMm - heightMm * Math.cos(deg) };
        const near = Math.min(
          ...popUps!.shut.flatMap(({ outline }) => outline.map(({ xMm, yMm }) => Math.hypot(xMm - top.x, yMm - top.y))),
        );
        expect(near).to.be.below(0.01);
      }),
      { numRuns: runs(20) },
    );
  });

  it('counts sheets place by place', () => {
    // Front and top of a step lie on each other; a second step over them makes four where both are.
    const one = layer('a', { mechanism: 'boxStep', depthMm: 20, heightMm: 30, alongMm: 20, widthMm: 40, tabMm: 5 });
    expect(planned(card(one)).popUps!.bulk).to.include({ sheets: 2 });
    const two = layer('b', { mechanism: 'boxStep', depthMm: 30, heightMm: 40, alongMm: 40, widthMm: 40, tabMm: 5 });
    expect(planned(card(one, two)).popUps!.bulk).to.include({ sheets: 4 });
    // Beside each other they are not.
    const beside = layer('b', { mechanism: 'boxStep', depthMm: 30, heightMm: 40, alongMm: 70, widthMm: 40, tabMm: 5 });
    expect(planned(card(one, beside)).popUps!.bulk).to.include({ sheets: 2 });
  });

  it('a fan of twenty pleats of 20 mm in paper of 0.1 mm is 4 mm thick, its radius half a pleat, its strip 400 mm', () => {
    const fan = layer('f', { mechanism: 'fan', pleats: 20, pleatMm: 20, heightMm: 60, alongMm: 2, fan: 'half' });
    const size = planned(card(fan));
    // Folded in half across its pleats: forty sheets on each other.
    expect(size.popUps!.bulk.sheets).to.equal(40);
    expect(size.popUps!.bulk.mm).to.be.closeTo(4, 1e-9);
    const strips = size.layers.filter(({ kind }) => kind === 'popUp');
    // 120 mm long pleats; 400 mm is longer than a sheet of 297: eleven pleats and ten, one of them shared.
    expect(strips.map(({ blank }) => [blank.widthMm, blank.heightMm])).to.deep.equal([
      [220, 120],
      [200, 120],
    ]);
    const pleats = strips.flatMap(({ blank }) => [blank.creases.map(({ way }) => way)]);
    // Alternately away and towards, on through the joint.
    expect(pleats[0]!.every((way, i) => way === (i % 2 === 0 ? 'away' : 'toward'))).to.equal(true);
    expect(pleats[1]!.every((way, i) => way === (i % 2 === 0 ? 'away' : 'toward'))).to.equal(true);
    expect(about(card(fan)).map(({ id }) => id)).to.deep.equal(['size-popup-bulk']);
  });

  it('says of a fan with too few pleats how far it opens, and how many reach', () => {
    const few = card(
      layer('f', { mechanism: 'fan', pleats: 6, pleatMm: 10, heightMm: 60, alongMm: 2, fan: 'quarter' }),
    );
    const snag = about(few).find(({ id }) => id === 'size-popup-fan-f')!;
    // Two free pleats of 10 mm, whose ends at the fold are 10 mm apart: they reach √(60² − 5²) = 59.79 mm, and each spans
    // 2 · asin(5 / 59.79) = 9.59°. Beside a page a pleat’s glued crease stays 5 mm off, which leaves a chord of √75 mm: 8.28°.
    expect(snag.title).to.equal('The fan is taut at about 36°');
    // Half a circle wants (180 − 2 · 8.28) ÷ 9.59 = 17.04, so 18; with two beside the pages and two on them 22.
    expect(snag.remedies[0]!.label).to.equal('Make it of 22 pleats');
    expect(about(changeJob(few, snag.remedies[0]!.changes)).map(({ id }) => id)).not.to.include(snag.id);
  });

  it('a fan keeps every pleat’s edges as long as they were cut, at every opening, and joins page to page', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 14 }),
        mm(8, 25),
        mm(30, 90),
        mm(0, 1),
        (half, pleatMm, lengthMm, share) => {
          fc.pre(lengthMm > pleatMm * 1.5);
          const fan = { pleats: 2 * half, pleatMm, lengthMm };
          const openDeg = share * fanOpensDeg(fan);
          const { creases, taut } = fanAt(fan, openDeg);
          expect(taut).to.equal(false);
          const ends = creases.map(({ deg, innerMm, outerMm, reachMm }) => {
            const rad = (deg * Math.PI) / 180;
            return { inner: [0, 0, innerMm], outer: [reachMm * Math.cos(rad), reachMm * Math.sin(rad), outerMm] };
          });
          const far = (p: readonly number[], q: readonly number[]) => Math.hypot(...p.map((v, i) => v - q[i]!));
          ends.forEach(({ inner, outer }, i) => {
            expect(far(inner, outer)).to.be.closeTo(lengthMm, 0.01);
            if (i === 0) return;
            expect(far(inner, ends[i - 1]!.inner)).to.be.closeTo(pleatMm, 0.01);
            expect(far(outer, ends[i - 1]!.outer), `pleat ${i} at ${openDeg}`).to.be.closeTo(pleatMm, 0.01);
          });
          expect(creases.at(-1)!.deg).to.be.closeTo(openDeg, 1e-9);
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('finds what goes through what, and moves it apart', () => {
    const job = card(
      layer('step', { mechanism: 'boxStep', depthMm: 30, heightMm: 30, alongMm: 30, widthMm: 50 }),
      layer('vee', { mechanism: 'vFold', alongMm: 60, glueMm: 30, heightMm: 40 }),
    );
    const jam = about(job).find(({ id }) => id.startsWith('size-popup-jam'))!;
    expect(jam.level).to.equal('stop');
    const moved = jam.remedies.filter(({ label }) => label.startsWith('Move'));
    expect(moved).to.have.length.at.least(1);
    for (const { changes } of moved)
      expect(about(changeJob(job, changes)).filter(({ id }) => id.startsWith('size-popup-jam'))).to.deep.equal([]);
  });

  it('says when two things are glued to one place, and not when they are beside each other', () => {
    const at = (alongMm: number) =>
      card(
        layer('a', { mechanism: 'boxStep', depthMm: 30, heightMm: 30, alongMm: 20, widthMm: 30 }),
        layer('b', { mechanism: 'boxStep', depthMm: 32, heightMm: 40, alongMm, widthMm: 30 }),
      );
    expect(about(at(40)).map(({ id }) => id)).to.include('size-popup-glue-a-b');
    expect(about(at(51)).map(({ id }) => id)).not.to.include('size-popup-glue-a-b');
  });

  it('says when glue has no card under it: above a step’s front, beside it, and past a short front', () => {
    const step = layer('step', { mechanism: 'boxStep', depthMm: 30, heightMm: 30, alongMm: 40, widthMm: 40 });
    const figureAt = (pastMm: number) =>
      card(
        step,
        layer('figure', {
          ...{ mechanism: 'figure', on: { layerId: 'step', at: 'front' }, alongMm: 0, widthMm: 20, heightMm: 30 },
          ...{ pastMm, tabMm: 10 },
        }),
      );
    const off = (job: Job) => about(job).find(({ id }) => id.startsWith('size-popup-off'));
    // The front is 30 mm high: a strip of 10 that begins 20 up ends at its edge, one that begins 26 up goes 6 past it.
    expect(off(figureAt(20))).to.equal(undefined);
    expect(off(figureAt(26))!.title).to.equal('Figure is glued past the edge of the box step');
    expect(off(figureAt(26))!.why).to.match(/goes 6 mm past it/);
    // A step on the foot of that one, whose front runs from 40 to 80 mm along the fold.
    const nested = (alongMm: number) =>
      card(
        step,
        layer('second', {
          ...{ mechanism: 'boxStep', on: { layerId: 'step', at: 'foot' }, depthMm: 12, heightMm: 12 },
          ...{ alongMm, widthMm: 20 },
        }),
      );
    expect(off(nested(60))).to.equal(undefined);
    expect(off(nested(65))!.why).to.match(/goes 5 mm past it/);
    expect(off(nested(65))!.remedies.map(({ label }) => label)).to.include('Set “From its head” to 60 mm');
    // The upper page is the front’s inside: 105 mm deep, and here 60 shorter.
    const short = changeJob(
      card(layer('tall', { mechanism: 'boxStep', depthMm: 20, heightMm: 50, alongMm: 40, widthMm: 40 })),
      [decide((job) => job.size.options.shortFrontMm, 60)],
    );
    expect(off(short)!.title).to.equal('Box step is glued past the edge of the inside top');
  });

  it('says at which angle a tent that is too short goes taut, and lengthens it', () => {
    const job = card(layer('t', { mechanism: 'tent', depthMm: 40, otherDepthMm: 40, heightMm: 30 }));
    const snag = about(job).find(({ id }) => id === 'size-popup-strain-t')!;
    // 2 · 40 · sin(θ/2) = 60 at 97.18°, and glue gives a little.
    expect(snag.title).to.match(/^Tent pulls taut at about 9[78]° and tears past it$/);
    expect(planned(job).figures.find(({ id }) => id === 'opens')!.value).to.deep.equal({
      kind: 'text',
      text: snag.title.match(/\d+°/)![0],
    });
    expect(about(changeJob(job, snag.remedies[0]!.changes)).map(({ id }) => id)).not.to.include(snag.id);
  });

  it('lays a fan on the gutter that carries it, and offers lighter paper only to what lies where most does', () => {
    const step = layer('step', { mechanism: 'boxStep', depthMm: 50, heightMm: 50, alongMm: 40, widthMm: 40 });
    const heavy = { ...step, stockIds: [workshop.stocks[0]!.id] };
    const fan: LayerChoice = {
      ...layer('fan', {
        mechanism: 'fan',
        on: { layerId: 'step', at: 'foot' },
        pleats: 16,
        pleatMm: 10,
        heightMm: 20,
        alongMm: 45,
      }),
      stockIds: [workshop.stocks[0]!.id],
    };
    const size = planned(card(heavy, fan));
    const lies = size.popUps!.shut.find(({ partId }) => partId === 'fan-1')!;
    // Its gutter is the step’s foot, 50 mm from the card’s fold: it reaches 20 mm on from there.
    expect(Math.max(...lies.outline.map(({ xMm }) => xMm))).to.be.closeTo(-50, 1e-9);
    expect(Math.min(...lies.outline.map(({ xMm }) => xMm))).to.be.closeTo(-70, 1e-9);
    const beside = { ...layer('far', { mechanism: 'boxStep', alongMm: 110, widthMm: 20 }), stockIds: heavy.stockIds };
    const bulk = about(card(heavy, fan, beside)).find(({ id }) => id === 'size-popup-bulk')!;
    expect(bulk.remedies.map(({ label }) => label)).to.deep.equal([
      'Make the box step 1 of Paper',
      'Make the fan of pleats of Paper',
    ]);
  });

  it('prints a picture of a layer upright as the pages are read, whatever else lies in its list of stocks', () => {
    const picture = { pictureId: 'sea', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false };
    const printed = (format: 'tentFold' | 'sideFold') => {
      const step = { ...layer('s', { mechanism: 'boxStep' }), stockIds: ['paper', 'paper'], picture };
      const job = changeJob(card(step), [
        decide((job) => job.size.format, format),
        decide((job) => job.pictures, {
          sea: { name: 'Sea', sha256: 'a'.repeat(64), mime: 'image/png', widthPx: 100, heightPx: 100 },
        }),
      ]);
      return planned(job).layers[0]!.picture!.quarterTurns ?? 0;
    };
    // Across a level fold the strip lies on its side.
    expect(printed('tentFold')).to.equal(1);
    expect(printed('sideFold')).to.equal(0);
  });

  it('says of a card without a fold that closes on itself that nothing can pop up in it', () => {
    const flat = changeJob(
      card(layer('a', { mechanism: 'boxStep' })),
      decideEach((job) => job.size, { format: 'flat' }),
    );
    const [snag] = about(flat);
    expect(snag!.id).to.equal('size-popup-fold');
    expect(about(changeJob(flat, snag!.remedies[0]!.changes)).map(({ id }) => id)).not.to.include('size-popup-fold');
  });

  it('settles by any remedy the stop that it is for', () => {
    const popUp = (id: string, on: PopUp['on']) =>
      fc
        .record({
          mechanism: fc.constantFrom<MechanismId>(
            'boxStep',
            'tent',
            'bridge',
            'vFold',
            'angledFold',
            'floating',
            'fan',
          ),
          ...{ alongMm: mm(-10, 150), widthMm: mm(10, 80), depthMm: mm(10, 60), otherDepthMm: mm(10, 60) },
          ...{ heightMm: mm(10, 80), pastMm: mm(0, 20), glueDeg: mm(20, 150), otherGlueDeg: mm(20, 150) },
          ...{ pieceDeg: mm(20, 140), glueMm: mm(10, 50), lean: fc.constantFrom('fro' as const, 'to' as const) },
          ...{ pleats: fc.integer({ min: 4, max: 20 }), pleatMm: mm(8, 25) },
        })
        .map((part) => layer(id, { ...part, on }));
    const figure = fc
      .record({
        mechanism: fc.constantFrom<MechanismId>('figure', 'lid'),
        ...{ alongMm: mm(-60, 60), pastMm: mm(-10, 90), widthMm: mm(10, 60), heightMm: mm(10, 90) },
        on: fc.constantFrom({ layerId: null, at: 'b' }, { layerId: 'a', at: 'front' }, { layerId: 'a', at: 'left' }),
      })
      .map((part) => layer('c', part));
    let settled = 0;
    fc.assert(
      fc.property(
        popUp('a', { layerId: null, at: 'fold' }),
        fc.constantFrom('fold', 'foot').chain((at) => popUp('b', { layerId: at === 'fold' ? null : 'a', at })),
        figure,
        (...layers) => {
          const job = card(...layers);
          for (const snag of about(job)) {
            if (snag.level === 'note') continue;
            for (const { label, changes } of snag.remedies) {
              const left = about(changeJob(job, changes)).find(({ id }) => id === snag.id);
              // Lighter stock makes less of a bulk that may still be too much.
              if (snag.id === 'size-popup-bulk') continue;
              expect(left?.level === snag.level, `${snag.id} ${snag.title}: ${label}`).to.equal(false);
              settled += 1;
            }
          }
        },
      ),
      { numRuns: runs(24) },
    );
    expect(settled).to.be.above(runs(24));
  });
});
