import { expect } from 'chai';
import { decide } from '../../../../src/job/decide.ts';
import { changeJob } from '../../../../src/job/changeJob.ts';
import type { Job } from '../../../../src/job/types.ts';
import { drawStanding } from '../../../../src/stations/stock/stands/drawStanding.ts';
import { jobWith, plan, sized, workshop } from '../../../support.ts';

const standing = (job: Job) => plan(job).stock.standing!;
const tan = (deg: number): number => Math.tan((deg * Math.PI) / 180);

describe('a card on a table', () => {
  it('falls where its middle of weight passes its feet: a tent worked by hand', () => {
    // 200 wide, 100 high, each panel 25° from upright: feet 84.52 apart, half of that is 42.26, middle 45.32 up.
    const { falls, panels } = standing(jobWith(...sized('tentFold', 200, 100)));
    expect(falls.deg).to.be.closeTo((Math.atan(42.26 / 45.32) * 180) / Math.PI, 0.3);
    for (const { plate } of panels) expect(Math.abs(plate.leanDeg)).to.be.closeTo(25, 1e-6);
    for (const { plate } of panels) expect(plate.held).to.deep.include({ foot: true, left: false, right: false });
    expect(panels[0]!.plate.held.atMm).to.be.closeTo(100, 0.5);
  });

  it('of a narrow tent falls sideways: its middle is half its width from either end', () => {
    // 40 wide and 100 high: 20 to its end and 45.32 up.
    const { falls } = standing(jobWith(...sized('tentFold', 40, 100)));
    expect(tan(falls.deg)).to.be.closeTo(20 / 45.32, 0.01);
    expect(Math.abs(falls.towards[0])).to.be.closeTo(1, 1e-6);
  });

  it('is held by the folds that it has', () => {
    const held = (format: Job['size']['format']) =>
      standing(jobWith(...sized(format, 90, 120))).panels.map(({ plate: { held: h } }) => [
        h.foot,
        h.left,
        h.right,
        h.atMm !== null,
      ]);
    expect(held('sideFold')).to.deep.equal([
      [true, false, true, false],
      [true, true, false, false],
    ]);
    expect(held('zigzag')[1]).to.deep.equal([true, true, true, false]);
    expect(held('easel')).to.deep.equal([
      [true, false, false, true],
      [true, false, false, true],
    ]);
  });

  it('only lies, where it is made to', () => {
    for (const format of ['flat', 'wallet'] as const) {
      const { stock } = plan(jobWith(...sized(format, 90, 120)));
      expect(stock.standing, format).to.equal(null);
      expect(stock.figures.map(({ id }) => id)).not.to.include('stand');
    }
  });

  it('with a weight high in front of an easel tips forward sooner, and says what takes it off', () => {
    const easel = jobWith(...sized('easel', 60, 150));
    const heavy = { ...workshop.trimmings[0]!, id: 'anchor', grams: 60, widthMm: 10, heightMm: 10 };
    const shop = { ...workshop, trimmings: [...workshop.trimmings, heavy] };
    const decked = changeJob(easel, [
      decide(
        (job) => job.trimmings,
        [{ id: 't', trimmingId: 'anchor', adhesiveId: null, faceId: 'front', xMm: 30, yMm: 10 }],
      ),
    ]);
    const [bare, with60] = [plan(easel, shop).stock, plan(decked, shop).stock];
    expect(with60.standing!.falls.deg).to.be.below(bare.standing!.falls.deg);
    expect(with60.standing!.score!).to.be.below(bare.standing!.score!);
  });

  it('is drawn as bowed as it is told', () => {
    const { size, stock } = plan(
      jobWith(
        ...sized('tentFold', 100, 148),
        decide((job) => job.stock.stockId, 'reed-120-a4'),
      ),
    );
    const scene = drawStanding(size, stock.standing!, { stockColour: '#ffffff', unit: 'mm', textMm: 4 });
    const texts = scene.shapes.flatMap((shape) => (shape.kind === 'label' ? [shape.text] : []));
    expect(texts[0]).to.match(/from flat$/);
    // The longest rib up a panel is as far from its chord as the bow, seen foreshortened.
    const ribs = scene.shapes.flatMap((shape) =>
      shape.kind === 'path' && shape.role === 'printable' ? [shape.path] : [],
    );
    const sag = Math.max(
      ...ribs.map((path) => {
        const points = path.flatMap((part) => ('to' in part ? [part.to] : []));
        const [a, b] = [points[0]!, points.at(-1)!];
        const long = Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm);
        return Math.max(
          ...points.map((p) => Math.abs((p.xMm - a.xMm) * (b.yMm - a.yMm) - (p.yMm - a.yMm) * (b.xMm - a.xMm)) / long),
        );
      }),
    );
    const { bowMm } = stock.standing!.bowed!;
    expect(sag).to.be.within(bowMm * 0.3, bowMm * 1.01);
  });
});
