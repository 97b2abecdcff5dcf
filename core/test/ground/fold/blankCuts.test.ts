import { expect } from 'chai';
import fc from 'fast-check';
import { cardAreaMm2, cutsOf } from '../../../src/ground/fold/blankCuts.ts';
import { flatten } from '../../../src/ground/geometry/polygon.ts';
import { decide } from '../../../src/job/decide.ts';
import { drawCutAndCrease } from '../../../src/stations/cut/drawCuts.ts';
import { drawMachineFile } from '../../../src/stations/cut/planMachine.ts';
import { drawBlank } from '../../../src/stations/size/drawBlank.ts';
import { drawTemplate } from '../../../src/stations/size/drawTemplate.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { runs } from '../../runs.ts';
import { jobWith, plan, sized, words, workshop } from '../../support.ts';

describe('a cut within a blank', () => {
  /** A tag of 50 × 90 mm with a hole 6 mm across, its rim 5 mm below the top edge. */
  const tag = (holeMm: number, trimmerId?: string) =>
    jobWith(
      ...sized('flat', 50, 90),
      decide((job) => job.size.options.holeMm, holeMm),
      ...(trimmerId ? [decide((job) => job.cut.trimmerId, trimmerId)] : []),
    );
  const machine = workshop.trimmers.find(({ kind }) => kind === 'machine')!;

  it('takes its area from the card: 50 · 90 − π · 3², to the flatness of its chords', () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 14, noNaN: true }), (holeMm) => {
        const { blank } = plan(tag(holeMm)).size.form;
        const circle = Math.PI * (holeMm / 2) ** 2;
        expect(cardAreaMm2(blank)).to.be.closeTo(50 * 90 - circle, Math.PI * holeMm * 0.005);
      }),
      { numRuns: runs(15) },
    );
    expect(cardAreaMm2(plan(tag(0)).size.form.blank)).to.equal(4500);
  });

  it('lies in the middle across and 5 mm in, on the one panel there is', () => {
    const { blank } = plan(tag(6)).size.form;
    const [hole] = cutsOf(blank, blank.panels[0]!);
    const xs = hole!.points.map(({ xMm }) => xMm);
    const ys = hole!.points.map(({ yMm }) => yMm);
    expect(Math.max(...xs) + Math.min(...xs)).to.be.closeTo(50, 1e-9);
    expect(Math.min(...ys)).to.be.closeTo(5, 0.01);
    expect(Math.max(...ys)).to.be.closeTo(11, 0.01);
  });

  it('is on the cut layer of the template and of the cut file, before the outline', () => {
    const { size, sheet, cut } = plan(tag(6));
    const rings = (scene: ReturnType<typeof drawTemplate>): readonly number[] =>
      scene.shapes.flatMap((s) =>
        s.kind === 'path' && s.role === 'cut' && s.path.at(-1)!.kind === 'close' ? [flatten(s.path)[0]!.length] : [],
      );
    const template = rings(drawTemplate(size));
    expect(template).to.have.length(2);
    expect(template[0]).to.be.greaterThan(11);
    expect(template[1]).to.equal(4);
    expect(rings(drawCutAndCrease(size, sheet, cut)).filter((corners) => corners > 11)).to.have.length(sheet.up);
  });

  it('is cut by a machine first, and its way and time count', () => {
    const [whole, holed] = [plan(tag(0, machine.id)), plan(tag(6, machine.id))];
    const more = holed.cut.machine!.cutMm - whole.cut.machine!.cutMm;
    expect(more / holed.sheet.up).to.be.closeTo(Math.PI * 6, 0.05);
    const cuts = drawMachineFile(holed.size, holed.sheet).shapes.filter((s) => s.kind === 'path' && s.role === 'cut');
    expect(cuts[0]!.kind === 'path' && cuts[0]!.path.length).to.be.greaterThan(11);
    expect(holed.make.steps.some(({ id }) => id === 'within-string')).to.equal(false);
  });

  it('by hand is a step of its own, with its caution and its time', () => {
    const [whole, holed] = [plan(tag(0)), plan(tag(6))];
    const step = holed.make.steps.find(({ id }) => id === 'within-string')!;
    expect(step.title).to.equal('Punch the hole');
    expect(step.caution).to.not.equal(null);
    const punched = holed.sheet.sheets * holed.sheet.up * workshop.pace.perStroke;
    expect(holed.cut.minutes - whole.cut.minutes).to.be.closeTo(punched, 1e-9);
  });

  it('leaves its opening bare where the blank is drawn', () => {
    const view = { side: 'outside', unit: 'mm', stockColour: '#ffffff', textMm: 3, art: [], names: false } as const;
    const stock = drawBlank(plan(tag(6)).size, { ...view, guides: false }).shapes.find(
      (s) => s.kind === 'path' && s.role === 'stock',
    )!;
    if (stock.kind !== 'path') throw new Error('no path');
    const [outer, inner] = flatten(stock.path);
    const turns = (ring: readonly { xMm: number; yMm: number }[]): number =>
      Math.sign(
        ring.reduce(
          (sum, a, i) => sum + a.xMm * ring[(i + 1) % ring.length]!.yMm - ring[(i + 1) % ring.length]!.xMm * a.yMm,
          0,
        ),
      );
    expect(turns(outer!)).to.equal(-turns(inner!));
  });

  it('is warned of where it goes through words, and they are moved below it', () => {
    const text = { ...words('For you', { leftMm: 10, topMm: 4, widthMm: 30, sizePt: 14 }), align: 'centre' as const };
    const job = changeJob(tag(6), [
      decide((job) => job.art.faces.at('front'), { background: null, picture: null, texts: [text] }),
    ]);
    const found = (of: typeof job) => plan(of).art.snags.find(({ id }) => id.startsWith('art-cut-string-front'));
    const snag = found(job)!;
    expect(snag.level).to.equal('warn');
    expect(snag.title).to.match(/^The string hole goes through “For you” on the front/);
    expect(found(changeJob(job, snag.remedies[0]!.changes))).to.equal(undefined);
    expect(found(changeJob(job, [decide((job) => job.size.options.holeMm, 0)]))).to.equal(undefined);
  });
});
