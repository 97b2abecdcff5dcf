import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { layersOf } from '../../../src/ground/fold/layers.ts';
import { readFaces } from '../../../src/ground/fold/readFaces.ts';
import type { JobChange } from '../../../src/job/decide.ts';
import type { Job } from '../../../src/job/types.ts';
import { blankOf, buildEnvelope } from '../../../src/stations/envelope/build/buildEnvelope.ts';
import { compareStyles, sheetSizes } from '../../../src/stations/envelope/compareStyles.ts';
import { ENVELOPE_STYLES, envelopeStyle } from '../../../src/stations/envelope/styles/index.ts';
import { rounded } from '../../../src/stations/envelope/styles/parts.ts';
import type { EnvelopeMeasures, EnvelopeStyle } from '../../../src/stations/envelope/styles/types.ts';
import type { Point } from '../../../src/ground/geometry/types.ts';
import { fitEnvelope } from '../../../src/stations/size/fitEnvelope.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { jobWith, plan, sized, workshop } from '../../support.ts';
import { fromEdges, shoelace, shut, shutAll, within } from './byHand.ts';

describe('the flap', () => {
  it('is no longer than the envelope is high', () => {
    const made = (flapMm: number) =>
      jobWith(
        ...sized('flat', 140, 90),
        decide((job) => job.envelope, { make: true, stockId: 'reed-120-a4', easeMm: 6, seamMm: 18, flapMm }),
      );
    const { insideHeightMm } = plan(made(40)).envelope;
    const stops = (flapMm: number): readonly string[] => plan(made(flapMm)).envelope.snags.map(({ id }) => id);
    // It ends 3 mm short of the lower fold.
    expect(stops(insideHeightMm - 3)).to.not.include('envelope-flap-long');
    expect(stops(insideHeightMm - 2.9)).to.include('envelope-flap-long');
    const long = made(insideHeightMm + 20);
    const snag = plan(long).envelope.snags.find(({ id }) => id === 'envelope-flap-long')!;
    expect(snag.level).to.equal('stop');
    for (const { changes } of snag.remedies)
      expect(plan(changeJob(long, changes)).envelope.snags.map(({ id }) => id)).to.not.include('envelope-flap-long');
  });
});

/** Measures of an envelope, opening on the side that its style opens on. */
const measures = (
  style: EnvelopeStyle,
  {
    long = 150,
    short = 106,
    ...part
  }: Partial<EnvelopeMeasures> & { readonly long?: number; readonly short?: number } = {},
): EnvelopeMeasures => {
  const [insideWidthMm, insideHeightMm] = style.opens === 'long' ? [long, short] : [short, long];
  const plain = {
    insideWidthMm,
    insideHeightMm,
    depthMm: 12,
    seamMm: 18,
    throatMm: 10,
    cornerMm: 0,
    path: '',
    ...part,
  };
  return { ...plain, flapMm: part.flapMm ?? style.flapMm(plain) };
};

const anyMeasures = (style: EnvelopeStyle): fc.Arbitrary<EnvelopeMeasures> =>
  fc
    .record({
      long: fc.integer({ min: 100, max: 250 }),
      shape: fc.double({ min: 0.5, max: 1, noNaN: true }),
      depthMm: fc.integer({ min: 3, max: 25 }),
      seamMm: fc.integer({ min: 14, max: 28 }),
      throatMm: fc.integer({ min: 4, max: 14 }),
      cornerMm: fc.integer({ min: 0, max: 8 }),
    })
    .map(({ shape, ...rest }) => measures(style, { ...rest, short: Math.round(rest.long * shape) }));

for (const style of ENVELOPE_STYLES)
  describe(`an envelope: ${style.name}`, () => {
    it('folds to exactly its inside: no part past an edge, none within the room of the card', () => {
      fc.assert(
        fc.property(anyMeasures(style), (m) => {
          const { panels } = style.parts(m);
          const depth = style.walls ? m.depthMm : 0;
          for (const panel of panels) {
            const points = panel.outline.map((at) => shut(panels, panel, at));
            for (const [x, y, z] of points) {
              expect(Math.max(-x, x - m.insideWidthMm, -y, y - m.insideHeightMm), panel.id).to.be.at.most(1e-6);
              expect(Math.max(-z, z - depth), panel.id).to.be.at.most(1e-6);
            }
            // A level part is the front, or lies at the depth; a wall stands on an edge of the front.
            const zs = points.map(([, , z]) => z);
            const isLevel = Math.max(...zs) - Math.min(...zs) < 1e-6;
            if (isLevel) expect(panel.id === 'front' ? zs[0] : zs[0]! - depth).to.be.closeTo(0, 1e-6);
            else
              for (const [x, y] of points)
                expect(
                  Math.min(Math.abs(x), Math.abs(x - m.insideWidthMm), Math.abs(y), Math.abs(y - m.insideHeightMm)),
                ).to.be.below(1e-6);
          }
          expect(buildEnvelope(style, m).past).to.deep.equal([]);
        }),
      );
    });

    it('covers all of its front', () => {
      fc.assert(
        fc.property(anyMeasures(style), fc.double({ noNaN: true, min: 0, max: 1 }), (m, off) => {
          const { panels } = style.parts(m);
          const depth = style.walls ? m.depthMm : 0;
          const level = panels
            .filter(({ id }) => id !== 'front')
            .map(({ id }) => shutAll(panels, id))
            .filter((points) => points.every(([, , z]) => Math.abs(z - depth) < 1e-6))
            .map((points) => points.map(([xMm, yMm]) => ({ xMm, yMm })));
          const bare: string[] = [];
          for (let i = 0; i < 24; i += 1)
            for (let k = 0; k < 18; k += 1) {
              const at = { xMm: ((i + off) / 24) * m.insideWidthMm, yMm: ((k + off) / 18) * m.insideHeightMm };
              // A fold that is eased leaves a slit of less than a millimetre.
              const near = level.some((part) => within(at, part) || fromEdges(at, part) < 1);
              if (!near) bare.push(`${at.xMm.toFixed(1)} ${at.yMm.toFixed(1)}`);
            }
          expect(bare).to.deep.equal([]);
          expect(buildEnvelope(style, m).gaps).to.deep.equal([]);
        }),
        { numRuns: 60 },
      );
    });

    it('is glued where card meets card, 2.8 mm off every edge of both, and never where the card slides', () => {
      fc.assert(
        fc.property(anyMeasures(style), (m) => {
          const parts = style.parts(m);
          const { blank, held } = buildEnvelope(style, m);
          // From the blank back into the front’s frame, by where the front’s corners have come to lie.
          const [o, across, , down] = fourCorners(blank.front);
          const back = (q: Point): Point => {
            const v = { x: q.xMm - o!.xMm, y: q.yMm - o!.yMm };
            const on = (e: Point, side: number): number => (v.x * (e.xMm - o!.xMm) + v.y * (e.yMm - o!.yMm)) / side;
            return { xMm: on(across!, m.insideWidthMm), yMm: on(down!, m.insideHeightMm) };
          };
          expect(blank.glue).to.have.length(parts.bonds.length);
          expect(held.every(({ holds }) => holds)).to.be.true;
          blank.glue.forEach(({ corners: spread, face }, i) => {
            const { over, under, glueOn } = parts.bonds[i]!;
            const on = parts.panels.find(({ id }) => id === (glueOn === 'over' ? over : under))!;
            // What faces the card is the inside of a part that nothing lies between; glue there meets another part first.
            expect(face).to.equal(glueOn === 'over' ? 'inside' : 'outside');
            const seen = (id: string) => shutAll(parts.panels, id).map(([xMm, yMm]) => ({ xMm, yMm }));
            for (const corner of spread) {
              const flat = back(corner);
              expect(within(flat, on.outline), `${style.id} ${on.id}`).to.be.true;
              const [xMm, yMm] = shut(parts.panels, on, flat);
              for (const id of [over, under]) {
                expect(within({ xMm, yMm }, seen(id)), id).to.be.true;
                expect(fromEdges({ xMm, yMm }, seen(id)), id).to.be.at.least(2.8);
              }
            }
          });
        }),
        { numRuns: 30 },
      );
    });

    it('is one outline round all its parts, and can be folded in its order', () => {
      fc.assert(
        fc.property(anyMeasures(style), (m) => {
          const { blank, form } = buildEnvelope(style, m);
          const whole = style.parts(m).panels.reduce((sum, { outline }) => sum + shoelace(outline), 0);
          expect(shoelace(blank.outline)).to.be.closeTo(whole, 1e-4 * whole);
          expect(Math.min(...blank.outline.map(({ xMm }) => xMm))).to.be.closeTo(0, 1e-9);
          expect(Math.min(...blank.outline.map(({ yMm }) => yMm))).to.be.closeTo(0, 1e-9);
          expect(blankOf(style, m).areaMm2).to.be.closeTo(whole, 1e-6);
          expect(blankOf(style, m).widthMm).to.be.closeTo(blank.widthMm, 1e-6);
          // What lies on a part when that is folded would have to be lifted first.
          expect(layersOf(form, 0.15).faults.filter(({ kind }) => kind === 'trapped')).to.deep.equal([]);
        }),
        { numRuns: 60 },
      );
    });

    it('is read from outside: front and back upright, the flap’s inside once it is opened', () => {
      const m = measures(style);
      const faces = new Map(readFaces(buildEnvelope(style, m).form).map((face) => [face.id, face]));
      expect([...faces.keys()]).to.deep.equal(['envelopeFront', 'envelopeBack', 'envelopeFlap', 'envelopeFlapInside']);
      const [a, b, c, d] = faces.get('envelopeFront')!.toBlank;
      expect([a, b, c, d]).to.deep.equal([1, 0, 0, 1]);
      // The flap is folded over its hinge: its outside lies head down beside the front, its inside as the front does.
      const flap = faces.get('envelopeFlap')!.toBlank;
      expect([flap[0], flap[3]]).to.deep.equal([-1, -1]);
      // Seen through the paper from outside, so it mirrors.
      const inside = faces.get('envelopeFlapInside')!.toBlank;
      expect([inside[0], inside[3]]).to.deep.equal([-1, 1]);
    });
  });

/** The front’s own corners, without the points between them that parts hang by. */
function fourCorners(front: readonly Point[]): readonly Point[] {
  return front.filter((at, i) => {
    const [a, b] = [front[(i + front.length - 1) % front.length]!, front[(i + 1) % front.length]!];
    return Math.abs((at.xMm - a.xMm) * (b.yMm - at.yMm) - (at.yMm - a.yMm) * (b.xMm - at.xMm)) > 1e-6;
  });
}

describe('blanks by hand', () => {
  const box = (id: EnvelopeStyle['id'], part = {}) => {
    const style = envelopeStyle(id);
    const { widthMm, heightMm } = buildEnvelope(style, measures(style, part)).blank;
    return [widthMm, heightMm];
  };

  it('come to the sums of their parts', () => {
    // 18 + 150 + 18; 45 + 106 + (106 − 10): the flap is 0.42 × 106 = 44.5, rounded.
    expect(box('sideSeam')).to.deep.equal([186, 247]);
    // 18 + 106 + 106 − 0.75; 33 + 150 + 18: the flap is 0.22 × 150.
    expect(box('pocket')).to.deep.equal([229.25, 201]);
    // 18 + 12 + 150 + 12 + 18; 45 + 12 + 106 + 12 + 96.
    expect(box('deep')).to.deep.equal([210, 271]);
    // (150 + 106) ÷ √2 + 18 = 181.0193 + 18, both ways.
    for (const side of box('pointed')) expect(side).to.be.closeTo(199.0193, 1e-4);
    // 150 + 2 × 70; 106 + 2 × 70: the flap is 0.66 × 106 = 69.96, rounded.
    for (const [i, side] of box('ownShape').entries()) expect(side).to.be.closeTo([290, 246][i]!, 1e-6);
  });

  it('have a square flap that is straight, a millimetre in at each side, and as deep as it is set', () => {
    const style = envelopeStyle('squareFlap');
    const { outline } = buildEnvelope(style, measures(style, { long: 140, short: 100, flapMm: 60 })).blank;
    const tip = outline.filter(({ yMm }) => yMm === 0).map(({ xMm }) => xMm);
    const fold = outline.filter(({ yMm }) => yMm === 60).map(({ xMm }) => xMm);
    // The front lies from 18 to 158 mm.
    expect(tip).to.have.members([19, 157]);
    expect(fold).to.have.members([18, 19, 157, 158]);
  });

  it('have pleats in walls from 6 mm up, which fold away', () => {
    const ways = (depthMm: number) => {
      const style = envelopeStyle('deep');
      return buildEnvelope(style, measures(style, { depthMm })).blank.creases.filter(({ way }) => way === 'away')
        .length;
    };
    expect([ways(5.9), ways(6)]).to.deep.equal([0, 3]);
  });

  it('lose to a rounded corner what an arc leaves of a square, and keep both ends of their crease', () => {
    const r = 5;
    const box = [
      { xMm: 0, yMm: 0 },
      { xMm: 40, yMm: 0 },
      { xMm: 40, yMm: 20 },
      { xMm: 0, yMm: 20 },
    ];
    const round = rounded(box, r);
    expect(round.slice(0, 2)).to.deep.equal(box.slice(0, 2));
    expect(shoelace(round)).to.be.closeTo(800 - 2 * (1 - Math.PI / 4) * r * r, 0.1);
    // No deeper than half of the shorter edge allows.
    expect(
      Math.min(
        ...rounded(box, 30)
          .slice(2)
          .map(({ yMm }) => yMm),
      ),
    ).to.be.closeTo(10, 1e-9);
  });
});

describe('an envelope that cannot be', () => {
  const made = (...changes: readonly JobChange[]) =>
    jobWith(
      ...sized('flat', 140, 90),
      decide((job) => job.envelope.make, true),
      ...changes,
    );
  const stops = (job: Job): readonly string[] => plan(job).envelope.snags.map(({ id }) => id);
  /** Each remedy settles it. */
  const settled = (job: Job, id: string): void => {
    const snag = plan(job).envelope.snags.find((one) => one.id === id)!;
    expect(snag, `${id} of ${stops(job).join(', ')}`).to.not.equal(undefined);
    expect(snag.level).to.equal('stop');
    expect(snag.remedies.length).to.be.at.least(1);
    for (const { label, changes } of snag.remedies) expect(stops(changeJob(job, changes)), label).to.not.include(id);
  };
  const style = (id: EnvelopeStyle['id']) => decide((job) => job.envelope.style, id);

  it('says that a path is none, or does not go round the front', () => {
    settled(
      made(
        style('ownShape'),
        decide((job) => job.envelope.path, 'about here'),
      ),
      'envelope-path',
    );
    // A triangle on its foot leaves out both upper corners.
    settled(
      made(
        style('ownShape'),
        decide((job) => job.envelope.path, 'M0 60L40 0L80 60Z'),
      ),
      'envelope-path',
    );
    expect(
      stops(
        made(
          style('ownShape'),
          decide((job) => job.envelope.path, 'M0 0H80V60H0Z'),
        ),
      ),
    ).to.not.include('envelope-path');
  });

  it('says that flaps leave a gap', () => {
    settled(
      made(
        style('ownShape'),
        decide((job) => job.envelope.flapMm, 30),
      ),
      'envelope-gap',
    );
  });

  it('says that a seam is too narrow to be glued', () => {
    // Less 3 mm on both sides, 2 mm are left.
    settled(made(decide((job) => job.envelope.seamMm, 8)), 'envelope-hold');
    expect(stops(made(decide((job) => job.envelope.seamMm, 14)))).to.not.include('envelope-hold');
  });

  it('says that a window is too near a fold, and cuts one that is not', () => {
    const window = { leftMm: 20, topMm: 40, widthMm: 80, heightMm: 30, cornerMm: 8 };
    settled(made(decide((job) => job.envelope.window, { ...window, leftMm: 70 })), 'envelope-window');
    const { envelope } = plan(made(decide((job) => job.envelope.window, window)));
    expect(envelope.snags).to.deep.equal([]);
    const [cut] = envelope.blank.cuts;
    // Seen with the inside up, left and right have changed places; 18 mm of seam and the flap come before it.
    const xs = cut!.points.map(({ xMm }) => xMm - 18);
    const ys = cut!.points.map(({ yMm }) => yMm - envelope.flapMm);
    expect(Math.max(...xs)).to.be.closeTo(envelope.insideWidthMm - 20, 1e-6);
    expect(Math.min(...xs)).to.be.closeTo(envelope.insideWidthMm - 100, 1e-6);
    expect([Math.min(...ys), Math.max(...ys)].map((y) => Math.round(y * 1e6) / 1e6)).to.deep.equal([40, 70]);
    expect(shoelace(cut!.points)).to.be.closeTo(80 * 30 - (4 - Math.PI) * 64, 0.3);
    expect(envelope.cutting.at(-1)).to.equal('Cut the window.');
  });
});

describe('a window of another shape', () => {
  const window = { leftMm: 20, topMm: 20, widthMm: 60, heightMm: 40, cornerMm: 0 } as const;
  const windowed = (part: object, ...more: readonly JobChange[]): Job =>
    jobWith(
      ...sized('flat', 148, 105),
      decide((job) => job.envelope.make, true),
      decide((job) => job.envelope.stockId, 'reed-120-a3'),
      decide((job) => job.envelope.window, { ...window, ...part }),
      ...more,
    );

  it('is an oval of its box, and mirrors a path of one’s own, since the blank lies inside up', () => {
    const { envelope } = plan(windowed({ shape: 'oval' }));
    expect(shoelace(envelope.blank.cuts[0]!.points)).to.be.closeTo((Math.PI / 4) * 60 * 40, 3);
    // Twice as high on its left as on its right, seen from outside.
    const own = plan(windowed({ shape: 'own', path: 'M0 0 L60 20 L60 40 L0 40 Z' })).envelope;
    const { points } = own.blank.cuts[0]!;
    const xs = points.map(({ xMm }) => xMm);
    const highAt = (x: number): number => {
      const ys = points.filter((p) => Math.abs(p.xMm - x) < 1e-6).map(({ yMm }) => yMm);
      return Math.max(...ys) - Math.min(...ys);
    };
    expect(highAt(Math.max(...xs))).to.be.closeTo(40, 1e-6);
    expect(highAt(Math.min(...xs))).to.be.closeTo(20, 1e-6);
    // It begins 20 mm from the front’s left as it is seen, which is its right here.
    const front = Math.max(...own.blank.front.map(({ xMm }) => xMm));
    expect(front - Math.max(...xs)).to.be.closeTo(20, 1e-6);
  });

  it('says that a path cannot be read, and an oval stands in for it', () => {
    const bad = windowed({ shape: 'own', path: 'M0 0 L nothing' });
    const made = plan(bad).envelope;
    const snag = made.snags.find(({ id }) => id === 'envelope-window-path')!;
    expect(snag.level).to.equal('stop');
    expect(made.blank.cuts[0]!.points.length).to.be.above(20);
    expect(plan(changeJob(bad, snag.remedies[0]!.changes)).envelope.snags.map(({ id }) => id)).to.not.include(
      'envelope-window-path',
    );
  });
});

describe('styles side by side', () => {
  const contents = { widthMm: 105, heightMm: 148, thicknessMm: 0.6 };
  const { envelope: choice } = jobWith();
  const marginsMm = { top: 5, right: 5, bottom: 5, left: 5 };
  const sheets = [
    { widthMm: 210, heightMm: 297, stockIds: [] },
    { widthMm: 297, heightMm: 420, stockIds: [] },
  ];
  const rows = compareStyles(contents, choice, { sheets, wanted: 30, marginsMm });
  const row = (id: EnvelopeStyle['id']) => rows.find(({ styleId }) => styleId === id)!;

  it('say how many come out of a sheet, how many sheets, and what is left over', () => {
    // Inside 152.6 × 109.6; with two seams of 18, and a flap of 46: 188.6 × (46 + 109.6 + 99.6) = 255.2, so one of A4.
    const [a4] = row('sideSeam').on;
    expect([a4!.up, a4!.sheets]).to.deep.equal([1, 30]);
    // 152.6 × 109.6 + 151.1 × 99.6 + 2 × 18 × 104.8 + 46 × 142.8 = 42,119 of 62,370 mm².
    expect(a4!.waste).to.be.closeTo(0.325, 0.003);
    // A square of (152.6 + 109.6) ÷ √2 + 18 = 203.4 is too wide for 200 between the margins of A4; two are 406.8 of A3’s 410.
    expect(row('pointed').on.map(({ up }) => up)).to.deep.equal([0, 2]);
    expect(row('pointed').on[0]).to.include({ sheets: 0, waste: 1 });
  });

  it('say the largest card that a sheet could take: that one fits and a larger one does not', () => {
    // Four points: (long + short + 2 × 4.6) ÷ √2 + 18 = 200 between A4’s margins; long is 148 ÷ 105 of short.
    const short = ((200 - 18) * Math.SQRT2 - 9.2) / (1 + 148 / 105);
    const { largest } = row('pointed').on[0]!;
    expect(largest!.widthMm).to.be.closeTo(short, 0.02);
    expect(largest!.heightMm / largest!.widthMm).to.be.closeTo(148 / 105, 1e-9);
    for (const { styleId, on } of rows)
      for (const [i, { largest: most }] of on.entries()) {
        const ups = (by: number) =>
          compareStyles({ ...contents, widthMm: most!.widthMm * by, heightMm: most!.heightMm * by }, choice, {
            sheets,
            wanted: 1,
            marginsMm,
          }).find((one) => one.styleId === styleId)!.on[i]!.up;
        expect(ups(1), styleId).to.be.at.least(1);
        expect(ups(1.02), styleId).to.equal(0);
      }
  });

  it('are for each size of sheet on the shelf once, and for no ready-cut card', () => {
    const sizes = sheetSizes(workshop.stocks);
    const ids = sizes.flatMap(({ stockIds }) => stockIds);
    expect(new Set(ids).size).to.equal(ids.length);
    expect(ids).to.have.members(workshop.stocks.filter(({ readyCut }) => !readyCut).map(({ id }) => id));
  });
});

describe('a style', () => {
  it('is chosen like anything else, and its envelope holds the same card', () => {
    const of = (style: 'sideSeam' | 'squareFlap') =>
      plan(
        jobWith(
          ...sized('sideFold', 96, 136),
          decide((job) => job.envelope.make, true),
          decide((job) => job.envelope.style, style),
        ),
      ).envelope;
    const [side, square] = [of('sideSeam'), of('squareFlap')];
    expect([square.insideWidthMm, square.insideHeightMm]).to.deep.equal([side.insideWidthMm, side.insideHeightMm]);
    expect(square.flapMm).to.equal(Math.round(square.insideHeightMm * 0.6));
    expect(square.verdict).to.match(/square-flap envelopes?/);
  });

  it('holds the card with its thickness and ease: as a tube, or between walls', () => {
    for (const style of ENVELOPE_STYLES) {
      const { envelope, size } = plan(
        jobWith(
          ...sized('sideFold', 96, 136),
          decide((job) => job.envelope.make, true),
          decide((job) => job.envelope.style, style.id),
        ),
      );
      const room = [envelope.insideWidthMm, envelope.insideHeightMm].sort((a, b) => a - b);
      // Round a card w wide and t thick an empty tube of inside W gives way by W − w − t.
      const taken = style.walls ? 0 : size.thicknessMm;
      expect(room[0]! - 96 - taken, style.id).to.be.closeTo(4, 1e-9);
      expect(room[1]! - 136 - taken, style.id).to.be.closeTo(4, 1e-9);
      if (style.walls) expect(envelope.depthMm).to.be.at.least(size.thicknessMm + 1);
    }
  });
});

describe('planEnvelope', () => {
  const job = jobWith(
    ...sized('sideFold', 96, 136),
    decide((job) => job.envelope.make, true),
    decide((job) => job.envelope.stockId, 'reed-120-a4'),
  );

  it('fits its card well, thickness and all', () => {
    const { envelope, size } = plan(job);
    const fit = fitEnvelope({ widthMm: 96, heightMm: 136, thicknessMm: size.thicknessMm }, envelope);
    expect(fit.word).to.equal('good');
    expect(fit.slackWidthMm).to.be.closeTo(4, 1e-9);
    expect(envelope.up).to.equal(1);
  });

  it('says which sheet would do when the blank is too large, and the remedies do', () => {
    const large = changeJob(job, sized('sideFold', 148, 190));
    const { envelope } = plan(large);
    const snag = envelope.snags.find((s) => s.id === 'envelope-sheet')!;
    expect(envelope.up).to.equal(0);
    expect(snag.why).to.match(/smallest sheet that would do is (A3|tabloid)/);
    expect(snag.remedies.length).to.be.greaterThan(0);
    for (const remedy of snag.remedies)
      expect(plan(changeJob(large, remedy.changes)).envelope.up, remedy.label).to.be.greaterThan(0);
  });
});
