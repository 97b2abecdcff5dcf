import { expect } from 'chai';
import fc from 'fast-check';
import type { Point } from '../../../src/ground/geometry/types.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import { LID_HINGES, type LayerChoice, type LidHinge } from '../../../src/job/types.ts';
import { lidOf } from '../../../src/stations/size/lid.ts';
import { drawLayerTemplate } from '../../../src/stations/size/drawTemplate.ts';
import { runs } from '../../runs.ts';
import { jobWith, plan, sized } from '../../support.ts';
import { shoelace } from '../envelope/byHand.ts';

const pt = (xMm: number, yMm: number): Point => ({ xMm, yMm });
const box = (w: number, h: number) => [pt(0, 0), pt(w, 0), pt(w, h), pt(0, h)];
const oval = (w: number, h: number) =>
  Array.from({ length: 240 }, (_, i) => {
    const turn = (i * Math.PI) / 120;
    return pt((w / 2) * (1 + Math.cos(turn)), (h / 2) * (1 + Math.sin(turn)));
  });
const far = (a: Point, b: Point): number => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm);

const lid = (part: Partial<LayerChoice> = {}): JobChange =>
  decide(
    (job) => job.size.layers,
    [{ id: 'lid1', kind: 'lid', faces: ['front'], revealMm: 0, stockIds: ['shell-300-a4'], ...part }],
  );

describe('a lid that opens inside a rim', () => {
  it('is cut round three sides of a rectangle, hinged twice on the fourth', () => {
    // 100 × 140 with a rim of 12: from 12/12 round by 88/12 and 88/128 back to 12/128, the hinge between.
    const laid = lidOf(box(100, 140), { rimMm: 12, hinge: 'left' }, 0.3);
    if (!laid.ok) throw new Error(laid.why);
    const { cut, creases, widthMm, heightMm } = laid.lid;
    expect(cut.kind).to.equal('slit');
    const keys = (points: readonly Point[]) => points.map(({ xMm, yMm }) => `${xMm.toFixed(3)}/${yMm.toFixed(3)}`);
    const round = keys(cut.points);
    expect([round, [...round].reverse()]).to.deep.include([
      '12.000/12.000',
      '88.000/12.000',
      '88.000/128.000',
      '12.000/128.000',
    ]);
    expect([widthMm, heightMm].map((mm) => Math.round(mm * 1000) / 1000)).to.deep.equal([76, 116]);
    // Two calipers of 0.3 apart.
    expect(creases.map(({ from }) => Math.round(from.xMm * 1000) / 1000)).to.deep.equal([12, 12.6]);
    expect(creases.every(({ way }) => way === 'toward')).to.equal(true);
  });

  it('hangs by a sound share of any lid, its hinge between the ends of its cut, a rim’s width from every edge', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('box' as const, 'oval' as const),
        fc.double({ min: 60, max: 160, noNaN: true }),
        fc.double({ min: 60, max: 160, noNaN: true }),
        fc.double({ min: 4, max: 18, noNaN: true }),
        fc.constantFrom<LidHinge>(...LID_HINGES),
        (shape, w, h, rimMm, hinge) => {
          // A rim wider than an oval’s ends are round leaves a point there, and less than it is long.
          fc.pre(shape === 'box' || rimMm < Math.min((w * w) / h, (h * h) / w) / 2.1);
          const outline = shape === 'box' ? box(w, h) : oval(w, h);
          const laid = lidOf(outline, { rimMm, hinge }, 0.3);
          if (!laid.ok) throw new Error(`${laid.why} for ${shape}`);
          const { cut, creases } = laid.lid;
          const [first, second] = creases as [(typeof creases)[number], (typeof creases)[number]];
          const ends = [cut.points[0]!, cut.points.at(-1)!];
          // The slit ends where the hinge does.
          expect(Math.min(far(ends[0]!, first.from), far(ends[0]!, first.to))).to.be.below(0.01);
          expect(Math.min(far(ends[1]!, first.from), far(ends[1]!, first.to))).to.be.below(0.01);
          const upright = hinge === 'left' || hinge === 'right';
          const reach = upright ? h - 2 * rimMm : w - 2 * rimMm;
          expect(far(first.from, first.to)).to.be.at.least(0.38 * reach - 0.05);
          const at = (p: Point): number => (upright ? p.xMm : p.yMm);
          expect(Math.abs(at(second.from) - at(first.from))).to.be.closeTo(0.6, 1e-6);
          // On the side that it is called by, and the second crease on the lid’s own side of the first.
          const near = hinge === 'left' || hinge === 'top';
          const whole = upright ? w : h;
          expect(at(first.from) < whole / 2).to.equal(near);
          expect(at(second.from) > at(first.from)).to.equal(near);
          // No nearer to the piece’s edge than the rim is wide: an oval’s is measured point by point.
          for (const p of cut.points) {
            const off =
              shape === 'box'
                ? Math.min(p.xMm, p.yMm, w - p.xMm, h - p.yMm)
                : Math.min(...outline.map((q) => far(p, q)));
            expect(off).to.be.closeTo(Math.max(rimMm, off), 0.06);
          }
          if (shape === 'box') expect(shoelace(cut.points)).to.be.closeTo((w - 2 * rimMm) * (h - 2 * rimMm), 0.1);
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('is a layer of a hinged shape, cut within, creased and glued by its rim, with a step that says so', () => {
    const job = jobWith(
      ...sized('hingedShape', 100, 120),
      decide((at) => at.size.options, { shape: 'oval' }),
      lid({ lid: { rimMm: 14, hinge: 'left' }, adhesiveId: 'strong-tape' }),
    );
    const made = plan(job);
    expect(made.size.snags.filter(({ id }) => id.startsWith('size-layer')).map(({ title }) => title)).to.deep.equal([]);
    const [piece] = made.size.layers;
    expect([piece!.blank.cuts.length, piece!.blank.creases.length]).to.deep.equal([1, 2]);
    const roles = drawLayerTemplate(piece!).shapes.map((s) => (s.kind === 'path' ? s.role : ''));
    // What is within is cut before the outline.
    expect(roles).to.deep.equal(['creaseToward', 'creaseToward', 'cut', 'cut']);
    const ends = drawLayerTemplate(piece!).shapes.map((s) => s.kind === 'path' && s.path.at(-1)!.kind === 'close');
    expect(ends.slice(-2)).to.deep.equal([false, true]);
    const step = made.make.steps.find(({ id }) => id === `layer-${piece!.id}`)!;
    expect(step.detail).to.match(/Cut round the lid: .*Crease both lines of its hinge, .*Glue the rim alone\./);
    expect(step.caution).to.match(/Sharp blade/);
    // By machine the lid is cut before its outline, and in the same file.
    const cutter = plan(changeJob(job, [decide((at) => at.cut.trimmerId, 'petrel')]));
    const [by] = cutter.cut.layers;
    expect(by!.machine!.on.blank.cuts).to.have.length(1);
    expect(by!.machine!.cutMm).to.be.above(made.size.layers[0]!.blank.widthMm);
  });

  it('says that a rim leaves none, and every remedy does', () => {
    const small = jobWith(...sized('flat', 60, 60), lid({ lid: { rimMm: 25, hinge: 'top' } }));
    const snag = plan(small).size.snags.find(({ id }) => id === 'size-layer-lid1-lid')!;
    expect(snag.title).to.equal('The rim leaves no lid on the front');
    expect(snag.level).to.equal('stop');
    expect(snag.remedies.map(({ label }) => label)).to.include('Make the rim 12 mm');
    for (const { label, changes } of snag.remedies)
      expect(
        plan(changeJob(small, changes)).size.snags.map(({ id }) => id),
        label,
      ).to.not.include('size-layer-lid1-lid');
  });
});
