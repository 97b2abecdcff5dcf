import { expect } from 'chai';
import fc from 'fast-check';
import { lessonsFor } from '../../../src/stations/make/lessons.ts';
import { lossCosts } from '../../../src/plan/lossCosts.ts';
import { countLosses, lostAt, type LoggedRun } from '../../../src/stations/make/countLosses.ts';
import { meanwhile } from '../../../src/stations/make/meanwhile.ts';
import {
  decide,
  drawProof,
  drawStep,
  measurableAt,
  notesOf,
  measuredIn,
  SPOIL_CAUSES,
  type JobChange,
  type RunEvent,
} from '../../../src/index.ts';
import { timersOf } from '../../../src/stations/make/timers.ts';
import type { MakeStep } from '../../../src/stations/make/types.ts';
import { inkedWith, jobWith, plan as planned, sized, workshop } from '../../support.ts';

let pressed = 0;
const press = (kind: RunEvent['kind'], part: Partial<RunEvent> = {}): RunEvent => ({
  ...{ id: `e${(pressed += 1)}`, kind, cards: 1, cause: null, stepId: null, undoes: null },
  at: '2026-11-01T19:00:00.000Z',
  ...part,
});
const STEPS = [
  { id: 'print-front', kind: 'print' },
  { id: 'dry-1', kind: 'dry' },
  { id: 'cut-1', kind: 'cut' },
  { id: 'crease-1', kind: 'crease' },
  { id: 'pack', kind: 'pack' },
] as const;
const TOOLS = { print: 'gull/rear', cut: 'slider', crease: 'board' };

describe('where cards are lost', () => {
  it('is where the cause belongs, and else where it was seen', () => {
    const at = (cause: string | null, stepId: string | null) => lostAt({ cause, stepId }, STEPS);
    expect(at('crack', 'pack')).to.equal('crease');
    expect(at('upside-down', 'cut-1')).to.equal('print');
    expect([at('drift', 'print-front'), at('drift', 'crease-1')]).to.deep.equal(['print', 'cut']);
    expect([at('other', 'crease-1'), at(null, null), at('other', 'dry-1')]).to.deep.equal(['crease', 'pack', 'pack']);
  });

  it('counts who came to each stage: 10 good, 3 misfed, 2 miscut, one of them taken back', () => {
    const back = press('spoiled', { cause: 'miscut', stepId: 'cut-1' });
    const events = [
      press('good', { cards: 10 }),
      press('spoiled', { cause: 'misfeed', cards: 3, stepId: 'pack' }),
      press('spoiled', { cause: 'miscut', stepId: 'cut-1' }),
      back,
      press('undo', { undoes: back.id }),
    ];
    expect(countLosses([{ steps: STEPS, events, tools: TOOLS }])).to.deep.equal([
      { stage: 'print', toolId: 'gull/rear', came: 14, lost: 3, causes: { misfeed: 3 } },
      { stage: 'cut', toolId: 'slider', came: 11, lost: 1, causes: { miscut: 1 } },
      { stage: 'crease', toolId: 'board', came: 10, lost: 0, causes: {} },
      { stage: 'pack', toolId: null, came: 10, lost: 0, causes: {} },
    ]);
  });

  it('loses every spoiled card once, and what comes to a stage is what the one before let through', () => {
    const spoil = fc.record({
      cause: fc.constantFrom(...SPOIL_CAUSES, null),
      step: fc.constantFrom(...STEPS),
      cards: fc.integer({ min: 1, max: 9 }),
    });
    fc.assert(
      fc.property(fc.array(spoil, { maxLength: 12 }), fc.integer({ min: 0, max: 60 }), (spoils, good) => {
        const events = [
          ...(good > 0 ? [press('good', { cards: good })] : []),
          ...spoils.map(({ cause, step, cards }) => press('spoiled', { cause, stepId: step.id, cards })),
        ];
        const rows = countLosses([{ steps: STEPS, events, tools: TOOLS }]);
        const lost = rows.reduce((n, row) => n + row.lost, 0);
        const chained = rows.every((row, i) => i === 0 || row.came === rows[i - 1]!.came - rows[i - 1]!.lost);
        return lost === spoils.reduce((n, { cards }) => n + cards, 0) && chained;
      }),
    );
  });

  it('adds runs up tool by tool', () => {
    const run = (path: string): LoggedRun => ({
      steps: STEPS,
      events: [press('good', { cards: 5 })],
      tools: { ...TOOLS, print: path },
    });
    const prints = countLosses([run('a'), run('b'), run('a')]).filter(({ stage }) => stage === 'print');
    expect(prints.map(({ toolId, came }) => [toolId, came])).to.deep.equal([
      ['a', 10],
      ['b', 5],
    ]);
  });

  it('costs the more the later, and at the end no more than the card itself without envelope and post', () => {
    const job = inkedWith(
      ...sized('sideFold', 95, 139),
      decide((one) => one.brief.wanted, 64),
    );
    const plan = planned(job);
    const costs = lossCosts(plan, workshop, 64);
    expect(costs.print).to.be.above(0);
    expect(costs.cut).to.be.above(costs.print);
    expect(costs.pack).to.be.above(costs.crease);
    const worth = (id: string): number => plan.sell.parts.find((part) => part.id === id)?.perCardMinor ?? 0;
    const most = plan.sell.costMinor - worth('envelope') - worth('post') - worth('extras');
    expect(costs.pack).to.be.closeTo(most, 1e-6);
  });
});

describe('timers of a run', () => {
  const at = (minute: number): string => new Date(Date.UTC(2026, 10, 1, 19, minute)).toISOString();
  const start = (stepId: string, minutes: number, minute: number): RunEvent =>
    press('timer', { stepId, at: at(minute), detail: { kind: 'timer', minutes } });

  it('end so long after the press that began them, whoever looks', () => {
    const [first, second] = [start('dry-1', 30, 0), start('envelope', 10, 5)];
    expect(timersOf([first, second]).map(({ id, endsAt }) => [id, endsAt])).to.deep.equal([
      [second.id, Date.parse(at(15))],
      [first.id, Date.parse(at(30))],
    ]);
  });

  it('are over when they are stopped or their step is done, and a newer one of a step stands for it', () => {
    const [first, longer, other] = [start('dry-1', 30, 0), start('dry-1', 10, 25), start('dry-2', 30, 2)];
    expect(timersOf([first, longer, other]).map(({ id }) => id)).to.deep.equal([other.id, longer.id]);
    expect(timersOf([first, longer, other, press('undo', { undoes: longer.id })]).map(({ id }) => id)).to.deep.equal([
      first.id,
      other.id,
    ]);
    expect(timersOf([first, press('step', { stepId: 'dry-1' })])).to.deep.equal([]);
  });

  it('notes and measured pieces stand until they are taken back', () => {
    const note = press('note', { detail: { kind: 'note', about: 'weather', text: 'Damp' } });
    const piece = press('measured', {
      stepId: 'cut-1',
      detail: { kind: 'measured', on: 'trimmers', toolId: 'slider', wantedMm: 105, offMm: -0.3, setBeyondMm: 0 },
    });
    expect(notesOf([note, piece])).to.deep.equal([{ id: note.id, about: 'weather', text: 'Damp' }]);
    expect(measuredIn([note, piece])[0]).to.deep.include({ id: piece.id, stepId: 'cut-1', offMm: -0.3 });
    expect(measuredIn([piece, press('undo', { undoes: piece.id })])).to.deep.equal([]);
  });
});

describe('work while something dries', () => {
  const step = (id: string, work: object): MakeStep =>
    ({ id, title: id, big: '', detail: '', caution: null, waitMinutes: null, ...work }) as MakeStep;
  const dry = step('dry-1', { kind: 'dry' });
  const cut = step('cut-1', { kind: 'cut', move: 0 });
  const blanks = step('envelope-cut', { kind: 'envelope', work: 'cut' });
  const made = step('envelope', { kind: 'envelope', work: 'make' });
  const glued = step('layer-m', { kind: 'layer', pieceId: 'm', plate: null });
  const pack = step('pack', { kind: 'pack' });
  const steps = [dry, cut, glued, blanks, made, pack];

  it('is of what lies apart, in its own order', () => {
    expect(meanwhile(steps, dry, new Set())).to.equal(blanks);
    expect(meanwhile(steps, dry, new Set(['envelope-cut']))).to.equal(made);
    expect(meanwhile(steps, dry, new Set(['envelope-cut', 'envelope']))).to.equal(null);
  });

  it('is the cards’ while envelopes set, and never packing before all is done', () => {
    const early = [blanks, made, cut, pack];
    expect(meanwhile(early, made, new Set(['envelope-cut']))).to.equal(cut);
    expect(meanwhile(early, made, new Set(['envelope-cut', 'cut-1']))).to.equal(null);
  });

  it('prints layers’ sheets while cards dry, and glues none on', () => {
    const printed = step('print-layer-m', { kind: 'layer', pieceId: 'm', plate: 'colours' });
    expect(meanwhile([dry, printed, cut, glued, pack], dry, new Set())).to.equal(printed);
    expect(meanwhile([dry, cut, glued, pack], dry, new Set())).to.equal(null);
  });
});

describe('lessons of past runs', () => {
  const job = inkedWith();
  const past = (id: string, part: object) => ({
    ...{ id, jobId: 'other', title: id, stockId: null, tools: {}, startedAt: '2026-10-01T19:00:00Z' },
    notes: [{ about: 'differently' as const, text: `of ${id}` }],
    ...part,
  });
  const print = `${job.stock.printerId}/${job.stock.pathId}`;

  it('come again with the same card, stock or tool, the nearest first, and no others', () => {
    const runs = [
      past('board', { tools: { crease: job.crease.boardId } }),
      past('nothing', {}),
      past('printer', { tools: { print, crease: job.crease.boardId } }),
      past('stock', { stockId: job.stock.stockId }),
      past('card', { jobId: 'me' }),
      past('weather', { jobId: 'me', notes: [{ about: 'weather', text: 'Damp' }] }),
    ];
    expect(lessonsFor(runs, { jobId: 'me', job }).map(({ of, text }) => [of, text])).to.deep.equal([
      ['card', 'of card'],
      ['stock', 'of stock'],
      ['printer', 'of printer'],
      ['board', 'of board'],
    ]);
  });
});

describe('what is tried before the run', () => {
  const tried = decide((one) => one.make.testPrint, true);
  const back = decide((one) => one.art.faces.at('insideFront'), { background: '#1d5a68', picture: null, texts: [] });
  const kinds = (...changes: readonly JobChange[]) =>
    planned(inkedWith(...sized('sideFold', 95, 139), ...changes)).make.steps.map(({ kind, id }) => `${kind} ${id}`);

  it('is a thumbnail that folds, drawn as it is printed, and a sheet whose back is measured where it has one', () => {
    expect(kinds(tried).slice(0, 3)).to.deep.equal(['proof proof', 'print test-print', 'print print-front']);
    const plan = planned(inkedWith(...sized('sideFold', 95, 139), tried, back));
    const test = plan.make.steps.find(({ id }) => id === 'test-print')!;
    expect(measurableAt(test, job)).to.deep.equal({
      on: 'paths',
      toolId: `${job.stock.printerId}/${job.stock.pathId}`,
      wantedMm: 0,
    });
    expect(test.detail).to.match(/hold it to the light and measure/);
    const drawn = drawStep(plan, plan.make.steps[0]!, { unit: 'mm', textMm: 4 })!;
    expect(drawn).to.deep.equal(drawProof(plan, '', 'mm').scene);
  });

  it('is no thumbnail of a card without folds, and nothing unless it is asked for or nothing is printed', () => {
    const flat = planned(inkedWith(...sized('flat', 85, 55), tried)).make.steps;
    expect(flat.some(({ kind }) => kind === 'proof')).to.equal(false);
    expect(flat[0]!.id).to.equal('test-print');
    expect(measurableAt(flat[0]!, job)).to.equal(null);
    expect(kinds()[0]).to.equal('print print-front');
    expect(planned(jobWith(...sized('sideFold', 95, 139), tried)).make.steps[0]!.kind).to.not.equal('proof');
  });

  const job = inkedWith();
});
