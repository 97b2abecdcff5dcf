import { expect } from 'chai';
import fc from 'fast-check';
import { normalFrom, randomFrom } from '../../../src/ground/random.ts';
import { sayStop } from '../../../src/stations/crease/sayStop.ts';
import { sayOff, setFence } from '../../../src/stations/cut/setFence.ts';
import { controlChart, saySignals } from '../../../src/workshop/learnt/chart.ts';
import { expectLosses } from '../../../src/workshop/learnt/expectLosses.ts';
import { paretoOf } from '../../../src/workshop/learnt/pareto.ts';
import { habitOf, habitOn } from '../../../src/workshop/learnt/habits.ts';
import { printSpreadOf } from '../../../src/workshop/learnt/printSpread.ts';
import type { StageLosses, ToolReading } from '../../../src/workshop/learnt/types.ts';
import { workshop } from '../../support.ts';

const trimmer = workshop.trimmers.find(({ kind }) => kind === 'sliding')!;
const reading = (offMm: number, part: Partial<ToolReading> = {}): ToolReading => ({
  ...{ on: 'trimmers', toolId: trimmer.id, wantedMm: 105, offMm, setBeyondMm: 0 },
  ...{ runId: 'r', at: '2026-11-01T19:00:00.000Z' },
  ...part,
});
const withPieces = (pieces: readonly ToolReading[]) => ({ ...workshop, spoilLog: { good: 0, spoiled: 0, pieces } });

describe('what the bench teaches of tools', () => {
  it('a habit from its readings, by hand', () => {
    // Mean −0.3; squares 0.01 + 0 + 0.01 + 0 + 0.01 + 0.01 = 0.04; (4 × 0.35² + 0.04) ÷ 9 = 0.05889.
    const habit = habitOf([-0.4, -0.3, -0.2, -0.3, -0.4, -0.2], 0.35);
    expect(habit.biasMm).to.be.closeTo(-0.3, 1e-12);
    expect(habit.spreadMm).to.be.closeTo(Math.sqrt(0.53 / 9), 1e-12);
    // Three standard errors are 3 × 0.2427 ÷ √6 = 0.2972, and it is just more than that.
    expect([habit.isLasting, habit.correctionMm]).to.deep.equal([true, 0.3]);
    expect(habitOf([-0.4, -0.3, -0.2, -0.3, -0.4], 0.35).isLasting).to.equal(false);
    expect(habitOf([], 0.35)).to.deep.include({ spreadMm: 0.35, correctionMm: 0 });
  });

  it('a bias that the fence made up for still stands, so that the next cut makes up for it too', () => {
    const before = [-0.5, -0.4, -0.6, -0.5, -0.5, -0.5, -0.4, -0.6].map((off) => reading(off));
    const after = [0, 0.1, -0.1, 0, 0, 0.1].map((off) => reading(off, { setBeyondMm: 0.5 }));
    const { setMm, says } = setFence(105, trimmer, withPieces([...before, ...after]));
    expect(setMm).to.be.closeTo(105.5, 1e-9);
    expect(says).to.equal(
      `0.5 mm more than 105 mm: on ${trimmer.name}, pieces come out 0.5 mm too short, 14 measured.`,
    );
  });

  it('recovers the bias and the spread of simulated makers within sampling error', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.8, max: 0.8, noNaN: true }),
        fc.double({ min: 0.1, max: 0.6, noNaN: true }),
        fc.integer({ min: 1, max: 1e6 }),
        (bias, sigma, seed) => {
          const normal = normalFrom(randomFrom(seed));
          const habit = habitOf(
            Array.from({ length: 30 }, () => bias + sigma * normal()),
            0.35,
          );
          // Five standard errors of a mean, and of a spread that starts from 0.35 mm worth four readings.
          const started = Math.sqrt((4 * 0.35 ** 2 + 29 * sigma ** 2) / 33);
          return (
            Math.abs(habit.biasMm - bias) < (5 * sigma) / Math.sqrt(30) &&
            Math.abs(habit.spreadMm - started) < (5 * sigma) / Math.sqrt(60)
          );
        },
      ),
    );
  });

  it('sets a fence against no chance: of makers without a bias hardly one is told to', () => {
    const normal = normalFrom(randomFrom(7));
    const told = Array.from({ length: 500 }, () =>
      habitOf(
        Array.from({ length: 12 }, () => 0.35 * normal()),
        0.35,
      ),
    ).filter(({ correctionMm }) => correctionMm !== 0);
    // 3 in 1000 for three standard errors, a little more where the spread is not known.
    expect(told.length).to.be.below(10);
  });

  it('goes by whoever cuts, once they have told enough', () => {
    const ada = Array.from({ length: 6 }, (_, i) => reading(0.4 + 0.01 * (i % 2), { by: 'Ada' }));
    const bo = Array.from({ length: 3 }, () => reading(-0.4, { by: 'Bo' }));
    const log = { pieces: [...ada, ...bo] };
    const ask = { on: 'trimmers', toolId: trimmer.id, usualMm: 0.35 } as const;
    expect(habitOn(log, { ...ask, by: 'Ada' })).to.deep.include({ by: 'Ada', readings: 6 });
    expect(habitOn(log, { ...ask, by: 'Bo' })).to.deep.include({ by: null, readings: 9 });
  });

  it('says how far a piece is off as its rule shows it', () => {
    expect([sayOff(-0.34), sayOff(0.04), sayOff(1.2)]).to.deep.equal(['0.3 mm too short', 'true', '1.2 mm too long']);
    // 25.4 ÷ 64 is 0.397 mm; two of them are a thirty-second, sixty-four of them an inch.
    expect([sayOff(-0.4, 'in'), sayOff(0.8, 'in'), sayOff(0.1, 'in'), sayOff(-25.4, 'in')]).to.deep.equal([
      ...['1/64 in too short', '1/32 in too long', 'true', '1 in too short'],
    ]);
  });

  it('moves a card from its groove by a strip at the stop, which goes one way only, and a mark on a plain rule either way', () => {
    const folds = (toolId: string, off: number) =>
      withPieces(Array.from({ length: 10 }, (_, i) => reading(off + 0.01 * (i % 2), { on: 'boards', toolId })));
    const grooved = { id: 'board', name: 'the board', grooveEveryMm: 3.175, longestMm: 300 };
    const rule = { ...grooved, id: 'rule', name: 'the rule', grooveEveryMm: 0.1 };
    // Folds too far from the stop: a strip there moves the card away from it, and so the fold nearer its edge.
    expect(sayStop(grooved, folds('board', 0.5))).to.match(
      /^Lay a strip 0\.5 mm thick at the stop: .*too far from the stop, 10 measured/,
    );
    expect(sayStop(grooved, folds('board', -0.5))).to.match(/^A groove cannot be moved: .*too near the stop/);
    expect(sayStop(rule, folds('rule', 0.5))).to.match(/^Mark 0\.5 mm nearer: /);
    expect(sayStop(rule, folds('rule', -0.5))).to.match(/^Mark 0\.5 mm farther out: /);
    expect(sayStop(grooved, folds('rule', 0.5))).to.equal(null);
  });

  it('leaves a machine and a blade’s own edge alone', () => {
    const pieces = Array.from({ length: 10 }, () => reading(0.5));
    const machine = { ...trimmer, machine: workshop.trimmers.find((one) => one.machine)!.machine! };
    expect(setFence(105, machine, withPieces(pieces)).correctionMm).to.equal(0);
    expect(setFence(0.4, trimmer, withPieces(pieces)).setMm).to.equal(0.4);
    expect(setFence(105, trimmer, withPieces(pieces)).setMm).to.be.closeTo(104.5, 1e-9);
  });

  it('a path’s spread is that of one side: backs over fronts stray by two', () => {
    const normal = normalFrom(randomFrom(11));
    const pieces = Array.from({ length: 30 }, () =>
      reading(0.5 + 0.6 * normal(), { on: 'paths', toolId: 'gull/rear', downMm: 0.6 * normal() }),
    );
    expect(printSpreadOf(withPieces(pieces), 'gull', 'rear')).to.be.closeTo(0.6 / Math.SQRT2, 0.08);
    expect(printSpreadOf(withPieces([]), 'gull', 'rear')).to.equal(0.25);
  });
});

describe('a control chart', () => {
  it('of six values, by hand', () => {
    // Ranges 2, 1, 3, 1, 1: mean 1.6; limits 12 ± 2.6587 × 1.6; range limit 3.267 × 1.6.
    const chart = controlChart([11, 13, 12, 9 + 6, 14, 7])!;
    expect(chart.ranges).to.deep.equal([2, 1, 3, 1, 7]);
    const even = controlChart([11, 13, 12, 15, 14, 13])!;
    expect(even.ranges).to.deep.equal([2, 1, 3, 1, 1]);
    expect(even.mean).to.equal(13);
    expect(even.upper).to.be.closeTo(13 + 2.6587 * 1.6, 1e-3);
    expect(even.lower).to.be.closeTo(13 - 2.6587 * 1.6, 1e-3);
    expect(even.upperRange).to.be.closeTo(3.2665 * 1.6, 1e-3);
    expect(controlChart([1, 2])).to.equal(null);
  });

  it('names the piece that lies outside, the nine on one side, the six that fall and the two of three', () => {
    const steady = [0, 1, 0, 1, 0, 1, 0, 1, 0, 1];
    expect(saySignals(controlChart([...steady, 9])!)).to.include('Piece 11: one lies outside the limits.');
    const shifted = [...steady, ...Array.from({ length: 9 }, (_, i) => 1.6 + 0.2 * (i % 2))];
    expect(saySignals(controlChart(shifted)!)).to.include('Piece 19: nine in a row lie on one side of the mean.');
    expect(saySignals(controlChart([3, 5, 3, 5, 4.5, 4, 3.5, 3, 2.5])!)).to.include(
      'Piece 9: six in a row rise or fall.',
    );
    const far = controlChart([0, 1, 0, 1, 0, 1, 0, 1, 0, 1, 0, 1, 3.4, 0.4, 3.4])!;
    expect(far.signals.filter(({ rule }) => rule === 'twoOfThree').map(({ at }) => at)).to.deep.equal([14]);
    expect(controlChart(steady)!.signals).to.deep.equal([]);
  });
});

describe('what the bench teaches of losses', () => {
  const losses: readonly StageLosses[] = [
    { stage: 'print', toolId: 'gull/rear', came: 100, lost: 5, causes: { misfeed: 4, smudge: 1 } },
    { stage: 'cut', toolId: trimmer.id, came: 95, lost: 2, causes: { miscut: 2 } },
    { stage: 'crease', toolId: 'board', came: 93, lost: 3, causes: { crack: 3 } },
    { stage: 'pack', toolId: null, came: 90, lost: 0, causes: {} },
  ];
  const log = { good: 90, spoiled: 10, losses };
  const all = losses.map(({ stage, toolId }) => ({ stage, toolId }));

  it('is just what was counted where everything went the same way', () => {
    const { good, spoiled, stages } = expectLosses(log, all);
    // The shares that come through multiply to 90 ÷ 100, of 100 cards that were begun.
    expect(spoiled / (good + spoiled)).to.be.closeTo(0.1, 1e-12);
    expect(good + spoiled).to.be.closeTo(100, 1e-9);
    expect(stages.map(({ cause }) => cause)).to.deep.equal(['misfeed', 'miscut', 'crack', null]);
  });

  it('leaves out a stage that a job does not have, and starts an unknown tool from its stage', () => {
    const unfolded = expectLosses(
      log,
      all.filter(({ stage }) => stage !== 'crease'),
    );
    expect(unfolded.spoiled / (unfolded.spoiled + unfolded.good)).to.be.closeTo(1 - (95 / 100) * (93 / 95), 1e-12);
    const other = expectLosses(log, [{ stage: 'print', toolId: 'tern/tray' }]);
    expect(other.stages[0]!.share).to.be.closeTo(0.05, 1e-12);
    expect(expectLosses({ good: 3, spoiled: 1 }, all)).to.deep.equal({ good: 3, spoiled: 1, stages: [] });
  });

  it('believes a tool the more, the more cards it has had', () => {
    const two = (came: number) =>
      expectLosses(
        {
          ...log,
          losses: [
            { stage: 'print', toolId: 'a', came, lost: 0, causes: {} },
            { stage: 'print', toolId: 'b', came: 100, lost: 20, causes: { misfeed: 20 } },
          ],
        },
        [{ stage: 'print', toolId: 'a' }],
      ).stages[0]!.share;
    expect(two(10)).to.be.above(two(50)).and.below(0.2);
    expect(two(500)).to.be.below(0.01);
  });
});

describe('what causes cost', () => {
  const costs = { print: 10, cut: 20, crease: 30, assemble: 40, pack: 50 };
  const run = (
    good: number,
    losses: readonly (readonly ['print' | 'cut' | 'crease', string, number])[],
    priced = true,
  ) => ({
    good,
    spoiled: losses.reduce((n, [, , cards]) => n + cards, 0),
    losses: losses.map(([stage, cause, cards]) => ({ stage, cause, cards })),
    costs: priced ? costs : null,
  });

  it('puts the dearest first, though it took fewer cards, and adds up to all', () => {
    // 4 misfeeds at 10 are 40; 2 cracks at 30 are 60.
    const { causes, costMinor, cards } = paretoOf([
      run(20, [
        ['print', 'misfeed', 4],
        ['crease', 'crack', 2],
      ]),
    ]);
    expect(causes.map(({ cause, costMinor: cost, upTo }) => [cause, cost, upTo])).to.deep.equal([
      ['crack', 60, 0.6],
      ['misfeed', 40, 1],
    ]);
    expect([costMinor, cards, causes[0]!.before]).to.deep.equal([100, 6, null]);
  });

  it('holds the newest four runs against those before', () => {
    const now = run(49, [['print', 'misfeed', 1]]);
    const then = run(45, [['print', 'misfeed', 5]]);
    const [misfeed] = paretoOf([now, now, now, now, then, then]).causes;
    expect([misfeed!.now, misfeed!.before]).to.deep.equal([2, 10]);
  });

  it('counts cards where no run knows what one cost', () => {
    const { causes, unpriced } = paretoOf([
      run(
        9,
        [
          ['print', 'misfeed', 1],
          ['cut', 'miscut', 3],
        ],
        false,
      ),
    ]);
    expect(causes.map(({ cause, upTo }) => [cause, upTo])).to.deep.equal([
      ['miscut', 0.75],
      ['misfeed', 1],
    ]);
    expect(unpriced).to.equal(4);
    expect(paretoOf([run(9, [])]).causes).to.deep.equal([]);
  });
});
