import { expect } from 'chai';
import { learnPace, type TimedRun } from '../../src/calendar/learnPace.ts';
import { normalFrom, randomFrom } from '../../src/ground/random.ts';
import type { RunEvent } from '../../src/stations/make/run.ts';

const START = Date.parse('2026-03-02T19:00:00Z');
const at = (minutes: number): string => new Date(START + minutes * 60_000).toISOString();
const press = (kind: RunEvent['kind'], minutes: number, part: Partial<RunEvent> = {}): RunEvent => ({
  ...{
    id: `${kind} ${minutes} ${part.stepId ?? ''}`,
    kind,
    cards: 1,
    cause: null,
    stepId: null,
    undoes: null,
    at: at(minutes),
  },
  ...part,
});
const run = (events: readonly RunEvent[], part: Partial<TimedRun> = {}): TimedRun => ({
  ...{ startedAt: at(0), wanted: 20, events },
  stageMinutes: { print: 20, cut: 30, crease: 40, assemble: 0, pack: 10 },
  steps: [
    { id: 'p', kind: 'print' },
    { id: 'd', kind: 'dry' },
    { id: 'c1', kind: 'cut' },
    { id: 'c2', kind: 'cut' },
    { id: 'f', kind: 'crease' },
  ],
  ...part,
});
/** 20 minutes of printing, an hour of drying, 20 and 40 of cutting; the crease is never pressed. */
const evening = [
  press('step', 20, { stepId: 'p' }),
  press('step', 80, { stepId: 'd' }),
  press('step', 100, { stepId: 'c1' }),
  press('good', 120, { cards: 20 }),
  press('step', 140, { stepId: 'c2' }),
];

describe('what runs teach of a pace', () => {
  it('is worked by hand: cutting took 60 minutes for 30, printing what it was to take, drying is nobody’s', () => {
    const { print, cut, crease } = learnPace([run(evening)]);
    expect(print!.times).to.be.closeTo(1, 1e-9);
    // One run beside one that went as the pace says: ln 2 ÷ 2, so √2 times as long.
    expect(cut).to.deep.include({ runs: 1 });
    expect(cut!.times).to.be.closeTo(Math.SQRT2, 1e-9);
    // ((ln 2 − m)² + 0.25² + m²) ÷ 2 with m = ln 2 ÷ 2.
    expect(cut!.strays).to.be.closeTo(Math.sqrt((2 * (Math.LN2 / 2) ** 2 + 0.0625) / 2), 1e-9);
    expect(crease).to.equal(undefined);
  });

  it('goes by how many cards were made, and what was taken back counts for nothing', () => {
    const half = evening.map((one) => (one.kind === 'good' ? { ...one, cards: 10 } : one));
    // Half of the cards in the same time: cutting took four times as long.
    expect(learnPace([run(half)]).cut!.times).to.be.closeTo(2, 1e-9);
    const undone = [...evening, press('step', 30, { stepId: 'c1', id: 'slip' }), press('undo', 31, { undoes: 'slip' })];
    expect(learnPace([run(undone)]).cut!.times).to.be.closeTo(Math.SQRT2, 1e-9);
  });

  it('learns nothing of a stage that was broken off over night', () => {
    const slept = evening.map((one) => (one.stepId === 'c2' ? { ...one, at: at(100 + 700) } : one));
    expect(learnPace([run(slept)]).cut).to.equal(undefined);
    expect(learnPace([run(slept)]).print!.runs).to.equal(1);
  });

  it('recovers a maker who takes 1.4 times as long and strays by 0.15', () => {
    const normal = normalFrom(randomFrom(11));
    const runs = Array.from({ length: 400 }, () => {
      const [p, c] = [20 * 1.4 * Math.exp(0.15 * normal()), 30 * 1.4 * Math.exp(0.15 * normal())];
      return run([
        press('step', p, { stepId: 'p' }),
        press('step', p + 60, { stepId: 'd' }),
        press('step', p + 60 + c / 3, { stepId: 'c1' }),
        press('step', p + 60 + c, { stepId: 'c2' }),
      ]);
    });
    const { cut, print } = learnPace(runs);
    expect(cut!.times).to.be.closeTo(1.4, 0.03);
    expect(print!.times).to.be.closeTo(1.4, 0.03);
    expect(cut!.strays).to.be.closeTo(0.15, 0.02);
  });

  it('knows nothing where there is nothing', () => {
    expect(learnPace([])).to.deep.equal({});
  });
});
