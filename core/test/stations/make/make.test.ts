import { decide, type JobChange } from '../../../src/job/decide.ts';
import type { LayerKind } from '../../../src/job/layerKinds.ts';
import { expect } from 'chai';
import { countRun, type RunEvent } from '../../../src/stations/make/run.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { progressOf } from '../../../src/plan/progress.ts';
import { allSnags } from '../../../src/plan/planJob.ts';
import { jobWith, plan, sized, words } from '../../support.ts';

const press = (id: string, kind: RunEvent['kind'], part: Partial<RunEvent> = {}): RunEvent => ({
  id,
  kind,
  cards: 1,
  cause: null,
  stepId: null,
  undoes: null,
  at: null,
  ...part,
});

describe('countRun', () => {
  it('counts cards, causes and steps, and nothing that was taken back', () => {
    const count = countRun([
      press('a', 'good', { cards: 20 }),
      press('b', 'good'),
      press('c', 'spoiled', { cause: 'drift' }),
      press('d', 'spoiled', { cause: 'drift', cards: 2 }),
      press('e', 'spoiled', { cause: 'crack' }),
      press('f', 'undo', { undoes: 'e' }),
      press('g', 'step', { stepId: 'cut-1' }),
      press('h', 'step', { stepId: 'cut-2' }),
      press('i', 'undo', { undoes: 'h' }),
    ]);
    expect(count).to.deep.equal({ good: 21, spoiled: 3, causes: { drift: 3 }, stepsDone: new Set(['cut-1']) });
  });
});

describe('planMake', () => {
  const twoSided = jobWith(
    ...sized('sideFold', 96, 136),
    decide((job) => job.art.faces, {
      front: { background: '#14263c', picture: null, texts: [] },
      insideBack: { background: null, picture: null, texts: [words('Ebb')] },
    }),
    decide((job) => job.envelope.make, true),
    decide((job) => job.make.dryMinutes, 25),
  );

  it('goes in the order of the work', () => {
    const kinds = plan(twoSided).make.steps.map((step) => step.kind);
    expect(kinds.filter((kind, i) => kind !== kinds[i - 1])).to.deep.equal([
      'print',
      'dry',
      'print',
      'dry',
      'cut',
      'crease',
      'fold',
      'envelope',
      'pack',
    ]);
    expect(plan(twoSided).make.waitMinutes).to.equal(50);
  });

  it('gives every step its own id, a big word and a sentence', () => {
    const { steps } = plan(twoSided).make;
    expect(new Set(steps.map((s) => s.id)).size).to.equal(steps.length);
    for (const step of steps) {
      expect(step.big.length, step.id).to.be.greaterThan(0);
      expect(step.detail, step.id).to.match(/[.!]$/);
    }
  });

  it('warns of the blade at the first cut and of glue at the envelope', () => {
    const cautions = plan(twoSided).make.steps.filter((s) => s.caution);
    expect(cautions.map((s) => s.id)).to.deep.equal(['cut-1', 'envelope-cut', 'envelope']);
    expect(cautions[0]!.caution).to.match(/Sharp blade/);
  });

  it('prints both sides at once where the path can', () => {
    const light = changeJob(twoSided, [
      decide((job) => job.stock, { stockId: 'reed-120-a4', printerId: 'gull', pathId: 'cassette' }),
    ]);
    const prints = plan(light).make.steps.filter((s) => s.kind === 'print');
    expect(prints).to.have.length(1);
    expect(prints[0]!.detail).to.contain('flip on the long edge');
  });

  it('adds up its minutes from the maker’s own pace', () => {
    const { make, cut, crease, sheet } = plan(twoSided);
    // Set-up 15, sides × 0.6, cutting, creasing, 12 envelopes at 4 and 12 cards packed at half a minute.
    const wanted = 15 + sheet.sheets * 2 * 0.6 + cut.minutes + crease.minutes + 12 * 4 + 12 * 0.5;
    expect(make.workMinutes).to.be.closeTo(wanted, 1e-9);
  });

  it('counts what else is pressed and put in its place: mats, bands, tags and liners', () => {
    const besides = (...changes: readonly JobChange[]) => {
      const { make, cut } = plan(changeJob(twoSided, changes));
      return make.workMinutes - cut.minutes;
    };
    const layers = (...kinds: readonly LayerKind[]): JobChange =>
      decide(
        (job) => job.size.layers,
        kinds.map((kind) => ({ id: kind, kind, faces: ['front'], revealMm: 5, stockIds: ['reed-120-a4'] })),
      );
    const bare = besides();
    // 12 cards, no spares; 0.75 to fix one, a crease pressed for 0.08 and folded for 0.25.
    const spares = decide((job) => job.sheet.spares, 0);
    expect(besides(spares, layers('mat')) - besides(spares)).to.be.closeTo(12 * 0.75, 1e-9);
    expect(besides(spares, layers('insert')) - besides(spares)).to.be.closeTo(12 * (0.75 + 0.33), 1e-9);
    // Round a card as thin as this a band has two turns; a tag has no crease.
    expect(besides(spares, layers('band')) - besides(spares)).to.be.closeTo(12 * (0.75 + 2 * 0.33), 1e-9);
    expect(besides(spares, layers('tag')) - besides(spares)).to.be.closeTo(12 * 0.75, 1e-9);
    // A lining of paper is slid in and creased where the flap hangs.
    const liner = decide((job) => job.envelope.liner, { stockId: 'reed-120-a4', insetMm: 3 });
    expect(besides(liner) - bare).to.be.closeTo(12 * (0.75 + 0.33), 1e-9);
  });
});

describe('progressOf', () => {
  const none = { good: 0, open: false };
  it('stands at a bare card, then at what stops it, then at the bench, then at the price', () => {
    const bare = jobWith(...sized('flat', 139, 95));
    expect(progressOf(plan(bare), 12, none)).to.include({ station: 'art', level: 'go' });
    const painted = changeJob(bare, [
      decide((job) => job.art.faces.at('front'), { background: '#cfe6e4', picture: null, texts: [] }),
    ]);
    expect(progressOf(plan(painted), 12, none)).to.include({ station: 'make', reason: 'Ready to print' });
    const tooLarge = plan(changeJob(painted, sized('flat', 500, 400)));
    expect(progressOf(tooLarge, 12, none)).to.include({ station: 'sheet', level: 'stop' });
    expect(progressOf(plan(painted), 12, { good: 5, open: true })).to.include({
      station: 'make',
      reason: '5 of 12 good',
    });
    expect(progressOf(plan(painted), 12, { good: 12, open: false })).to.include({ station: 'sell', level: 'done' });
  });
});

describe('allSnags', () => {
  it('puts what stops the job first', () => {
    const levels = allSnags(
      plan(
        jobWith(
          ...sized('flat', 500, 400),
          decide((job) => job.brief.wanted, 5000),
        ),
      ),
    ).map((s) => s.level);
    expect(levels[0]).to.equal('stop');
    expect(levels).to.deep.equal(
      [...levels].sort((a, b) => ['stop', 'warn', 'note'].indexOf(a) - ['stop', 'warn', 'note'].indexOf(b)),
    );
  });
});
