import { expect } from 'chai';
import fc from 'fast-check';
import { allSnags, machineMargins, withMargins, type Plan } from '../../../src/index.ts';
import { boxAround } from '../../../src/ground/geometry/box.ts';
import { apply } from '../../../src/ground/geometry/affine.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { decide } from '../../../src/job/decide.ts';
import { inkedWith, jobWith, plan, sized, workshop } from '../../support.ts';
import { runs } from '../../runs.ts';
import type { MachineFacts, Trimmer, Workshop } from '../../../src/workshop/types.ts';

const petrel = workshop.trimmers.find((t) => t.id === 'petrel')!;
const withTrimmer = (trimmer: Trimmer): Workshop => ({
  ...workshop,
  trimmers: workshop.trimmers.map((t) => (t.id === trimmer.id ? trimmer : t)),
});
const onMachine = (part: Partial<MachineFacts>): Plan =>
  plan(
    inkedWith(
      ...sized('sideFold', 60, 80),
      decide((job) => job.cut.trimmerId, 'petrel'),
    ),
    withTrimmer({ ...petrel, machine: { ...petrel.machine!, ...part } }),
  );

describe('a cutting machine that finds no marks', () => {
  const blind = {
    ...petrel,
    id: 'blind',
    name: 'the blind cutter',
    machine: { ...petrel.machine!, findsMarks: false },
  };
  const shop: Workshop = { ...workshop, trimmers: [...workshop.trimmers, blind] };
  const cutBy = (trimmerId: string, printed: boolean): Plan => {
    const changes = [...sized('sideFold', 60, 80), decide((job) => job.cut.trimmerId, trimmerId)];
    return plan(printed ? inkedWith(...changes) : jobWith(...changes), shop);
  };

  it('is stopped from cutting what is printed, and a tool that can is offered', () => {
    const made = cutBy('blind', true);
    const [stop] = made.sheet.snags.filter(({ level }) => level === 'stop');
    expect(stop!.id).to.equal('sheet-machine-blind');
    expect(made.sheet.machineMarks).to.deep.equal([]);
    expect(made.cut.verdict).to.equal('The blind cutter finds no marks: what is printed is cut with another tool.');
    expect(stop!.remedies.length).to.be.above(0);
    for (const { changes, label } of stop!.remedies) {
      const mended = plan(changeJob(inkedWith(...sized('sideFold', 60, 80)), changes), shop);
      expect(
        mended.sheet.snags.filter(({ level }) => level === 'stop').map(({ id }) => id),
        label,
      ).to.deep.equal([]);
    }
  });

  it('cuts bare card as any other does, and one that finds them is not stopped', () => {
    const [bare, sighted] = [cutBy('blind', false), cutBy('petrel', false)];
    expect(bare.sheet.placements).to.deep.equal(sighted.sheet.placements);
    expect(bare.sheet.snags.map(({ id }) => id)).to.not.include('sheet-machine-blind');
    expect(bare.cut.machine).to.not.equal(null);
    expect(cutBy('petrel', true).sheet.snags.map(({ id }) => id)).to.not.include('sheet-machine-blind');
  });
});

describe('a cutting machine’s own margins', () => {
  it('are the same all round until they are told apart, and then the widest stands for them', () => {
    expect(machineMargins({ marginMm: 9 })).to.deep.equal({ top: 9, right: 9, bottom: 9, left: 9 });
    const told = withMargins(petrel.machine!, { top: 4, right: 5, bottom: 30, left: 6 });
    expect(machineMargins(told)).to.deep.equal({ top: 4, right: 5, bottom: 30, left: 6 });
    expect(told.marginMm).to.equal(30);
  });

  it('keep every card and every mark off, each side by its own', () => {
    const side = fc.integer({ min: 0, max: 40 });
    fc.assert(
      fc.property(side, side, side, side, (top, right, bottom, left) => {
        const { sheet, size } = onMachine({ marginsMm: { top, right, bottom, left } });
        const cards = sheet.placements.map(({ toSheet }) =>
          boxAround(size.form.blank.outline.map((p) => apply(toSheet, p))),
        );
        for (const { xMm, yMm, widthMm, heightMm } of cards) {
          expect(xMm).to.be.at.least(left - 1e-6);
          expect(yMm).to.be.at.least(top - 1e-6);
          expect(sheet.sheetWidthMm - xMm - widthMm).to.be.at.least(right - 1e-6);
          expect(sheet.sheetHeightMm - yMm - heightMm).to.be.at.least(bottom - 1e-6);
        }
        // Three marks: top left, top right and bottom left.
        for (const mark of sheet.machineMarks) {
          expect(mark.xMm).to.be.within(left, sheet.sheetWidthMm - right);
          expect(mark.yMm).to.be.within(top, sheet.sheetHeightMm - bottom);
        }
      }),
      { numRuns: runs(40) },
    );
    // One wide side costs less than the same all round.
    const wide = { top: 10, right: 10, bottom: 60, left: 10 };
    expect(onMachine({ marginsMm: wide }).sheet.up).to.be.above(onMachine({ marginMm: 60 }).sheet.up);
  });
});

describe('a cutting machine’s force', () => {
  it('is that of the stock’s weight, and is said at the bench; nothing is said where the machine sets its own', () => {
    const passes = [
      { upToGsm: 160, passes: 1, force: 90 },
      { upToGsm: 320, passes: 2, force: 210 },
    ];
    const told = onMachine({ passes });
    expect([told.cut.machine!.passes, told.cut.machine!.force]).to.deep.equal([2, 210]);
    const step = (p: Plan) => p.make.steps.find(({ kind }) => kind === 'machine')!.detail;
    expect(step(told)).to.include('2 passes at force 210, about');
    expect(told.cut.figures.map(({ id }) => id)).to.include('force');
    const silent = onMachine({});
    expect(silent.cut.machine!.force).to.equal(null);
    expect(step(silent)).to.not.include('force');
    expect(silent.cut.figures.map(({ id }) => id)).to.not.include('force');
  });
});

describe('a fence that comes no nearer', () => {
  it('stops a job whose strips are narrower, naming a tool that cuts them', () => {
    const job = inkedWith(
      ...sized('sideFold', 60, 80),
      decide((job) => job.cut.trimmerId, 'slider'),
    );
    const nearest = Math.min(...plan(job).cut.moves.map(({ fenceMm }) => fenceMm));
    const slider = workshop.trimmers.find((t) => t.id === 'slider')!;
    const at = (leastFenceMm: number) => {
      const shop = withTrimmer({ ...slider, leastFenceMm });
      return { shop, snag: allSnags(plan(job, shop)).find(({ id }) => id === 'cut-fence-too-near') };
    };
    expect(at(nearest).snag).to.equal(undefined);
    const { shop, snag } = at(nearest + 0.5);
    expect(snag!.level).to.equal('stop');
    expect(snag!.remedies.length).to.be.above(0);
    for (const { changes } of snag!.remedies)
      expect(allSnags(plan(changeJob(job, changes), shop)).map(({ id }) => id)).to.not.include('cut-fence-too-near');
    // A machine has no fence.
    expect(snag!.remedies.map(({ label }) => label).join()).to.not.include(petrel.name);
  });
});
