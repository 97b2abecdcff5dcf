import { type CutChoice } from '../../../src/job/types.ts';
import { expect } from 'chai';
import { draftMoves } from '../../../src/stations/cut/draftMoves.ts';
import { numberMoves } from '../../../src/stations/cut/numberMoves.ts';
import { LOOKING_S, machineSeconds, passesFor, drawMachineFile } from '../../../src/stations/cut/planMachine.ts';
import { knifePaths } from '../../../src/stations/cut/knifePaths.ts';
import type { DraftMove } from '../../../src/stations/cut/draftMoves.ts';
import type { Figure } from '../../../src/job/findings.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import type { Trimmer, Workshop } from '../../../src/workshop/types.ts';
import { pathsOf, sidesOf } from '../../drawn.ts';
import { inkedWith, plan, sized, workshop } from '../../support.ts';

const tool = (id: string): JobChange => decide((job) => job.cut.trimmerId, id);
const board = (id: string): JobChange => decide((job) => job.crease.boardId, id);
const order = (value: NonNullable<CutChoice['order']>): JobChange => decide((job) => job.cut.order, value);
const NO_SPARES: JobChange = decide((job) => job.sheet.spares, 0);
const wanted = (value: number): JobChange => decide((job) => job.brief.wanted, value);
const cutOf = (shop: Workshop, ...changes: readonly JobChange[]) => plan(inkedWith(...changes), shop).cut;
const withTools = (change: (t: Trimmer) => Partial<Trimmer>): Workshop => ({
  ...workshop,
  trimmers: workshop.trimmers.map((t) => ({ ...t, ...change(t) })),
});
const inputs = (figures: readonly Figure[], id: string) =>
  Object.fromEntries(figures.find((f) => f.id === id)!.working.inputs.map(({ label, value }) => [label, value]));
const valueOf = (figures: readonly Figure[], id: string) => figures.find((f) => f.id === id)!.value;

const draft = (part: Partial<DraftMove>): DraftMove => ({
  ...{ fenceMm: 40, atFence: 'left', fallsOff: 'card', makesTrueEdge: false, piece: 'the sheet' },
  ...{ stays: null, comesOff: null, beyond: [], piecesPerSheet: 1 },
  line: [
    { xMm: 40, yMm: 0 },
    { xMm: 40, yMm: 100 },
  ],
  ...part,
});
const lever = workshop.trimmers.find(({ id }) => id === 'lever')!;

describe('moves in words', () => {
  const say = (drafts: readonly DraftMove[], trimmer: Trimmer = lever) =>
    numberMoves(drafts, { sheets: 3, sheetsAtOnce: 2, trimmer, unit: 'mm' });

  it('set a fence and say what falls off', () => {
    const texts = say([
      draft({ atFence: 'right', fallsOff: 'waste', makesTrueEdge: true, fenceMm: 200 }),
      draft({ fallsOff: 'waste' }),
      draft({ fallsOff: 'strip', atFence: 'top' }),
      draft({}),
    ]).map(({ text }) => text);
    expect(texts).to.deep.equal([
      'Set the fence to 200 mm, right edge against it, front up. The waste falls off and the cut is a true edge.',
      'Set the fence to 40 mm, left edge against it, front up. The waste falls off.',
      'Set the fence to 40 mm, top edge against it, front up. A strip comes off; keep it.',
      'Set the fence to 40 mm, left edge against it, front up. A card comes off; keep it.',
    ]);
  });

  it('lay a rule where the tool has no fence', () => {
    for (const kind of ['knife', 'scissors'] as const)
      expect(say([draft({})], { ...lever, kind })[0]!.text).to.equal(
        'Lay the rule 40 mm from the left edge, front up. A card comes off; keep it.',
      );
    expect(say([draft({})], { ...lever, kind: 'rotary' as Trimmer['kind'] })[0]!.text).to.match(/^Set the fence/);
  });

  it('name the part once there are parts, and not for a true edge of the whole', () => {
    const moves = say([
      draft({ makesTrueEdge: true, fallsOff: 'waste' }),
      draft({ fallsOff: 'part', stays: 'part A', comesOff: 'part B' }),
      draft({ piece: 'part A' }),
    ]);
    expect(moves.map(({ number }) => number)).to.deep.equal([1, 2, 3]);
    expect(moves.map(({ text }) => text)).to.deep.equal([
      'Set the fence to 40 mm, left edge against it, front up. The waste falls off and the cut is a true edge.',
      'The sheet: set the fence to 40 mm, left edge against it, front up. The rest is now part A; what comes off is part B, with its edges true. Keep both.',
      'Part A: set the fence to 40 mm, left edge against it, front up. A card comes off; keep it.',
    ]);
  });

  it('turn from edge to edge: clockwise is the edge before, and strokes go by the stack', () => {
    const edges = ['top', 'left', 'bottom', 'bottom', 'left', 'right', 'top'] as const;
    const moves = say(edges.map((atFence, i) => draft({ atFence, piecesPerSheet: i + 1 })));
    expect(moves.map(({ turn }) => turn)).to.deep.equal([
      'To begin',
      'Quarter turn clockwise',
      'Quarter turn clockwise',
      'No turn',
      'Quarter turn anticlockwise',
      'Half turn',
      'Quarter turn clockwise',
    ]);
    // Three sheets of n pieces, two at once.
    expect(moves.map(({ strokes }) => strokes)).to.deep.equal([2, 3, 5, 6, 8, 9, 11]);
  });
});

describe('drafts by hand', () => {
  const PAGE = { xMm: 0, yMm: 0, widthMm: 100, heightMm: 80 };
  const pitch = { widthMm: 30, heightMm: 20, gutterMm: 4 };
  const grid = { kind: 'grid', columns: 2, rows: 1, turned: false } as const;

  it('cut nothing of waste, and no true edge where the sheet’s own is the card’s', () => {
    const none = { tree: { kind: 'waste' } as const, origin: { xMm: 0, yMm: 0 } };
    expect(draftMoves(none, PAGE, pitch, 'across')).to.deep.equal([]);
    const flush = draftMoves({ tree: grid, origin: { xMm: 0, yMm: 0 } }, PAGE, pitch, 'across');
    expect(flush.some(({ makesTrueEdge }) => makesTrueEdge)).to.equal(false);
    // Two cards across: the second’s waste, off the second, the gutter; then the waste below each of the two strips.
    expect(
      flush.map(({ fenceMm, atFence, fallsOff, piecesPerSheet }) => [fenceMm, atFence, fallsOff, piecesPerSheet]),
    ).to.deep.equal([
      [64, 'left', 'waste', 1],
      [34, 'left', 'strip', 1],
      [30, 'left', 'waste', 1],
      [20, 'top', 'waste', 2],
    ]);
    expect(flush.map(({ line: [a, b] }) => [a.xMm, a.yMm, b.xMm, b.yMm])).to.deep.equal([
      [64, 0, 64, 80],
      [34, 0, 34, 80],
      [30, 0, 30, 80],
      [0, 20, 64, 20],
    ]);
    expect(flush[1]!.beyond).to.deep.equal([{ xMm: 34, yMm: 0, widthMm: 30, heightMm: 80 }]);
  });

  it('make a true edge from the far edge of the sheet, with what lies before it as waste', () => {
    const inset = draftMoves({ tree: grid, origin: { xMm: 10, yMm: 6 } }, PAGE, pitch, 'down');
    const edges = inset.filter(({ makesTrueEdge }) => makesTrueEdge);
    expect(edges.map(({ fenceMm, atFence, beyond }) => [fenceMm, atFence, beyond])).to.deep.equal([
      [74, 'bottom', [{ xMm: 0, yMm: 0, widthMm: 100, heightMm: 6 }]],
      [90, 'right', [{ xMm: 0, yMm: 6, widthMm: 10, heightMm: 20 }]],
    ]);
    // Without strips left to cut, what comes off is a card.
    const bare = draftMoves(
      { tree: { ...grid, columns: 2 }, origin: { xMm: 0, yMm: 0 } },
      { ...PAGE, heightMm: 20 },
      pitch,
      'across',
    );
    expect(bare.map(({ fallsOff }) => fallsOff)).to.deep.equal(['waste', 'card', 'waste']);
  });

  it('give every part a letter, and its own cuts from its own true edges', () => {
    // Waste on the right of a card, and below it another: cut at 30, then 24.
    const card = { kind: 'grid', columns: 1, rows: 1, turned: false } as const;
    const tree = {
      ...{ kind: 'cut', axis: 'across', firstNm: 34e6 },
      first: { kind: 'cut', axis: 'down', firstNm: 24e6, first: card, second: card },
      second: { kind: 'waste' },
    };
    const moves = draftMoves({ tree, origin: { xMm: 5, yMm: 3 } } as never, PAGE, pitch, 'across');
    expect(
      moves.map(({ piece, stays, comesOff, fallsOff, fenceMm }) => [piece, stays, comesOff, fallsOff, fenceMm]),
    ).to.deep.equal([
      ['the sheet', null, null, 'waste', 95],
      ['the sheet', null, null, 'waste', 77],
      ['the sheet', 'part A', 'part B', 'part', 34],
      ['part A', 'part C', 'part D', 'part', 24],
      ['part C', null, null, 'waste', 30],
      ['part C', null, null, 'waste', 20],
      ['part D', null, null, 'waste', 30],
      ['part D', null, null, 'waste', 20],
    ]);
    expect(moves[2]!.beyond).to.deep.equal([{ xMm: 39, yMm: 3, widthMm: 61, heightMm: 77 }]);
    expect(moves[3]!.beyond).to.deep.equal([{ xMm: 5, yMm: 27, widthMm: 34, heightMm: 53 }]);
    expect(moves[3]!.line).to.deep.equal([{ xMm: 5, yMm: 27 }, { xMm: 39, yMm: 27 }]); // prettier-ignore
    expect(moves[2]!.makesTrueEdge).to.equal(false);
  });

  it('go the way that hands on fewer strips in every part, and the way asked for where both are alike', () => {
    const within = (columns: number, rows: number, firstAxis: 'across' | 'down') => {
      const part = { kind: 'grid', columns, rows, turned: false } as const;
      const tree = { kind: 'cut', axis: 'across', firstNm: 90e6, first: part, second: { kind: 'waste' } };
      const page = { xMm: 0, yMm: 0, widthMm: 100, heightMm: 100 };
      const moves = draftMoves({ tree, origin: { xMm: 0, yMm: 0 } } as never, page, pitch, firstAxis);
      return moves.filter(({ piece }) => piece === 'part A')[0]!.atFence;
    };
    // Two columns of four: 4 cuts and two strips of 8, or 8 and four strips of 4: columns first, whichever is asked.
    expect([within(2, 4, 'across'), within(2, 4, 'down')]).to.deep.equal(['left', 'left']);
    expect([within(2, 1, 'across'), within(2, 1, 'down')]).to.deep.equal(['top', 'top']);
    expect([within(2, 2, 'across'), within(2, 2, 'down')]).to.deep.equal(['left', 'top']);
  });
});

describe('what is said at Cut', () => {
  const run: readonly JobChange[] = [...sized('flat', 85, 55), NO_SPARES, wanted(90)];

  it('of a run at the fence: moves, settings, turns, strokes and minutes, with their workings', () => {
    const made = plan(inkedWith(...run, tool('lever')), { ...workshop, pace: { ...workshop.pace, perStroke: 0.5 } });
    const { cut, sheet } = made;
    const distances = new Set(cut.moves.map(({ fenceMm }) => fenceMm.toFixed(3))).size;
    const turns = cut.moves.slice(1).filter(({ turn }) => turn !== 'No turn').length;
    expect([cut.settings, cut.turns, cut.telling]).to.deep.equal([distances, turns, `${distances} settings`]);
    expect(turns).to.be.above(0);
    expect(cut.verdict).to.equal(
      `${cut.moves.length} moves at ${distances} fence settings, ${cut.strokes} strokes for the run; each card then lies ready.`,
    );
    expect(cut.minutes).to.be.closeTo(cut.strokes * 0.5, 1e-9);
    expect(cut.figures.map(({ id }) => id)).to.deep.equal([
      'settings',
      'turns',
      'drift',
      'stack',
      'strokes',
      'minutes',
    ]);
    const moves = { kind: 'count', count: cut.moves.length };
    expect([inputs(cut.figures, 'settings'), inputs(cut.figures, 'turns')]).to.deep.equal([
      { Moves: moves },
      { Moves: moves },
    ]);
    expect(inputs(cut.figures, 'stack')).to.deep.equal({
      'Thickest stack': { kind: 'length', mm: 4 },
      Caliper: { kind: 'text', text: `${made.stock.stock.caliperMicron} µm` },
    });
    expect(inputs(cut.figures, 'strokes')).to.deep.equal({ Sheets: { kind: 'count', count: sheet.sheets } });
    expect(inputs(cut.figures, 'minutes')).to.deep.equal({
      Strokes: { kind: 'count', count: cut.strokes },
      'Cuts by hand': { kind: 'count', count: 0 },
      'Minutes for a stroke': { kind: 'text', text: '0.5' },
    });
    // 1.96 spreads of a cut of 0.25 from a true edge of 0.25.
    expect((valueOf(cut.figures, 'drift') as { mm: number }).mm).to.be.closeTo(1.96 * 0.25 * Math.SQRT2, 0.01);
    expect(inputs(cut.figures, 'drift')['One cut strays by (1 σ)']).to.deep.equal({ kind: 'text', text: '0.25 mm' });
    expect((inputs(cut.figures, 'drift')['Measured from the last cut instead'] as { mm: number }).mm).to.be.above(1);
  });

  it('of what comes after the cuts', () => {
    expect(cutOf(workshop, ...sized('sideFold', 60, 80), tool('lever'), board('five-board')).verdict).to.match(
      /; cut first, then crease single cards against the board’s stop\.$/,
    );
    expect(cutOf(workshop, ...sized('tentFold', 140, 60), board('rule-board'), tool('lever')).verdict).to.match(
      /; the sheet is scored first\.$/,
    );
    const cascade: readonly JobChange[] = [
      ...sized('cascade', 45, 150),
      decide((job) => job.size.options, { panels: 4, frontHeightMm: 80 }),
      tool('lever'),
    ];
    expect(cutOf(workshop, ...cascade).verdict).to.match(/; then the outline by hand\.$/);
  });

  it('of a cascade’s slopes: their marks, one measured again from the other end where two share it, and their strokes', () => {
    const made = (bleedMm: number, heightMm = 150) =>
      plan(
        inkedWith(
          ...sized('cascade', 45, heightMm),
          decide((job) => job.size.options, { panels: 4, frontHeightMm: 80 }),
          decide((job) => job.size.bleedMm, bleedMm),
          tool('lever'),
          NO_SPARES,
          wanted(8),
        ),
      );
    // Without bleed one cut makes both: 150 down one side and 80 down the other, of a cell of 230.
    const shared = made(0);
    expect(shared.cut.outlines.map(({ id, title, big }) => [id, title, big])).to.deep.equal([
      ['slope-1', 'Cut the slope', '150 mm · 80 mm'],
    ]);
    expect(shared.cut.outlines[0]!.text).to.equal(
      'Front up, creases upright. Mark 150 mm down the left edge; turn the piece half round and mark 150 mm down its left edge again. Cut from mark to mark with rule and knife: two bases.',
    );
    // With it, there is a band between them and a cut on either side of it.
    const apart = made(3);
    expect(apart.cut.outlines.map(({ id, title }) => [id, title])).to.deep.equal([
      ['slope-1', 'Cut slope 1 of 2'],
      ['slope-2', 'Cut slope 2 of 2'],
    ]);
    expect(apart.cut.outlines[1]!.text).to.match(/ 150 mm down the left edge and 80 mm down the right edge; /);
    for (const [p, slopes] of [
      [shared, 1],
      [apart, 2],
    ] as const) {
      const byHand = slopes * p.sheet.cells.length * p.sheet.sheets;
      expect(inputs(p.cut.figures, 'minutes')['Cuts by hand']).to.deep.equal({ kind: 'count', count: byHand });
      expect(p.cut.minutes).to.be.closeTo((p.cut.strokes + byHand) * workshop.pace.perStroke, 1e-9);
    }
  });

  it('of shapes by hand: part them, then round the line, leaving a hinge whole where there is one', () => {
    const shape = (format: 'hingedShape', size: number, ...more: readonly JobChange[]) =>
      plan(
        inkedWith(
          ...sized(format, size, size),
          decide((job) => job.size.options, { shape: 'oval' }),
          tool('lever'),
          ...more,
        ),
      );
    const many = shape('hingedShape', 60);
    expect(many.sheet.up).to.be.above(1);
    const [apart, round] = many.cut.outlines;
    expect([apart!.id, apart!.big, round!.id]).to.deep.equal(['apart', `${many.sheet.up} from a sheet`, 'outline']);
    expect(round!.text).to.match(/ Leave the hinge whole\.$/);
    expect(many.cut.telling).to.equal('by hand');
    expect(many.cut.verdict).to.match(/^Part the cards roughly, then cut each out round its line by hand/);
    expect(shape('hingedShape', 60, board('rule-board'), order('scoreFirst')).cut.verdict).to.match(
      /; the sheet is scored first, while it has straight edges\.$/,
    );
    expect(shape('hingedShape', 60, order('cutFirst')).cut.verdict).to.match(/by hand\.$/);
    expect(many.cut.offcuts).to.deep.equal([]);
    const none = plan(inkedWith(...sized('flat', 85, 55), tool('lever'))).cut;
    expect(none.outlines).to.deep.equal([]);
  });

  it('of nothing to cut: no card fits, or the card is the sheet', () => {
    const huge = cutOf(workshop, ...sized('flat', 400, 500), tool('lever'));
    expect([huge.verdict, huge.telling, huge.snags]).to.deep.equal([
      'There is nothing to cut until a card fits on the sheet.',
      'no cuts',
      [],
    ]);
    const bare = plan(
      inkedWith(
        ...sized('flat', 210, 297),
        decide((job) => job.art.faces, {}),
        decide((job) => job.size.bleedMm, 0),
        tool('lever'),
      ),
    );
    expect(bare.sheet.up).to.equal(1);
    expect([bare.cut.verdict, bare.cut.telling]).to.deep.equal([
      'The card is the whole sheet: there is nothing to cut.',
      'no cuts',
    ]);
    const machine = cutOf(workshop, ...sized('flat', 400, 500), tool('petrel'));
    expect([machine.machine, machine.verdict]).to.deep.equal([
      null,
      'There is nothing to cut until cards and marks fit on the sheet together.',
    ]);
  });

  it('of a blade that is too short: how long the cut is, and every other tool that makes it', () => {
    const long = (lengths: Readonly<Record<string, number>>) =>
      cutOf(
        withTools((t) => ({ longestCutMm: lengths[t.id] ?? 10 })),
        ...run,
        tool('lever'),
      );
    const need = Math.max(
      ...cutOf(workshop, ...run, tool('lever')).moves.map(
        ({ line: [a, b] }) => Math.abs(a.xMm - b.xMm) + Math.abs(a.yMm - b.yMm),
      ),
    );
    const short = long({ lever: 100, slider: 1000, knife: 1000 }).snags.find(({ id }) => id === 'cut-too-long')!;
    expect(short.level).to.equal('stop');
    expect(short.why).to.match(/^The longest cut is [\d.]+ mm; it cuts 100 mm\.$/);
    expect(short.remedies).to.deep.equal(
      ['slider', 'knife'].map((id) => ({
        label: `Cut with ${workshop.trimmers.find((t) => t.id === id)!.name}`,
        changes: [decide((job) => job.cut.trimmerId, id)],
      })),
    );
    expect(long({ lever: 1000 }).snags.map(({ id }) => id)).to.not.include('cut-too-long');
    expect(long({ lever: need }).snags.map(({ id }) => id)).to.not.include('cut-too-long');
  });

  it('of order, where there is something to score', () => {
    const why = (...changes: readonly JobChange[]) => cutOf(workshop, tool('lever'), ...changes).order.why;
    expect(why(...sized('flat', 85, 55))).to.equal('Nothing is scored.');
    expect(why(...sized('tentFold', 140, 60), board('inch-board'))).to.match(
      /^Cut first: the eighth-inch board has a stop|^Cut first: the eighth-inch board/,
    );
    const p = plan(inkedWith(...sized('tentFold', 140, 60), board('rule-board'), tool('lever')));
    const lines = p.crease.lines.length;
    expect(p.cut.order.why).to.equal(
      `Score first, while the sheet is square: the creases line up and it fits rule and bone folder; ${lines} ${lines === 1 ? 'line' : 'lines'} on the sheet instead of ${p.sheet.up} on single cards.`,
    );
    // A sheet of 297 on a board of so many.
    const on = (longestMm: number, ...more: readonly JobChange[]) =>
      plan(inkedWith(...sized('tentFold', 140, 60), board('rule-board'), tool('lever'), ...more), {
        ...workshop,
        boards: workshop.boards.map((b) => ({ ...b, longestMm })),
      }).cut.order;
    expect([on(297).now, on(296.9).now]).to.deep.equal(['scoreFirst', 'cutFirst']);
    expect(on(296.9).why).to.equal('Cut first: the sheet is 297 mm long and rule and bone folder 296.9 mm.');
    expect(on(296.9, order('scoreFirst')).why).to.match(
      /as you chose; the sheet is longer than rule and bone folder, so slide it along\.$/,
    );
    expect(on(297, order('scoreFirst')).why).to.match(/^Score first, as you chose: \d/);
    expect(on(297, order('cutFirst')).why).to.match(/^Cut first, as you chose/);
  });
});

describe('a machine in figures', () => {
  const facts = workshop.trimmers.find(({ id }) => id === 'petrel')!.machine!;

  it('has passes by weight, the first line that takes it, whatever order they were written in', () => {
    const passes = [
      { upToGsm: 300, passes: 2 },
      { upToGsm: 160, passes: 1 },
      { upToGsm: 450, passes: 4 },
    ];
    const of = (gsm: number) => passesFor({ ...facts, passes }, gsm);
    expect([of(100), of(160), of(161), of(300), of(301), of(900)]).to.deep.equal([1, 1, 2, 2, 4, 4]);
  });

  it('takes its time over outlines, and a third of that through the air', () => {
    const path = (...points: readonly (readonly [number, number])[]) => points.map(([xMm, yMm]) => ({ xMm, yMm }));
    // 100 down, from a start 50 away; then 30 through the air from (30, 140) to (60, 140) and 60 down: at 10 mm/s.
    const seconds = machineSeconds([path([30, 40], [30, 140]), path([60, 140], [60, 80])], 2, {
      ...facts,
      speedMmPerS: 10,
    });
    expect(seconds).to.be.closeTo(LOOKING_S + (2 * 160) / 10 + (50 + 30) / 30, 1e-9);
  });

  it('says how many passes, how long, and whether there are marks to find', () => {
    const made = (gsm: number, ...more: readonly JobChange[]) =>
      plan(inkedWith(...sized('flat', 60, 60), tool('petrel'), NO_SPARES, ...more), {
        ...workshop,
        stocks: workshop.stocks.map((s) => ({ ...s, gsm })),
      });
    const light = made(160);
    expect(light.cut.telling).to.equal('1 pass');
    expect(light.cut.verdict).to.match(
      /^The Petrel cutting machine finds three marks and cuts every outline in 1 pass, .* a sheet\.$/,
    );
    const heavy = made(300);
    expect(heavy.cut.telling).to.equal('3 passes');
    expect(heavy.cut.verdict).to.match(/ every outline in 3 passes, /);
    expect(heavy.cut.minutes).to.be.closeTo((heavy.cut.machine!.secondsPerSheet * heavy.sheet.sheets) / 60, 1e-9);
    const bare = made(
      160,
      decide((job) => job.art.faces, {}),
    );
    expect(bare.cut.verdict).to.match(/ cuts bare card from its loaded corner, no marks to find: every outline/);
    expect(bare.cut.machine).to.not.equal(null);
    expect(heavy.cut.figures.map(({ id }) => id)).to.deep.equal([
      ...['settings', 'passes', 'path', 'machine-minutes', 'turns', 'drift', 'stack', 'strokes', 'minutes'],
    ]);
    expect((valueOf(heavy.cut.figures, 'machine-minutes') as { minutes: number }).minutes).to.be.closeTo(
      heavy.cut.machine!.secondsPerSheet / 60,
      1e-9,
    );
    expect(inputs(heavy.cut.figures, 'machine-minutes')).to.deep.equal({
      Speed: { kind: 'text', text: '60 mm/s' },
      Passes: { kind: 'count', count: 3 },
    });
    expect(inputs(heavy.cut.figures, 'passes')).to.deep.equal({ Stock: { kind: 'text', text: '300 gsm' } });
    // Every edge strays as the machine does.
    for (const piece of heavy.cut.drift.pieces)
      for (const edge of Object.values(piece)) expect(edge).to.deep.equal({ fromTrueMm: 0.2, chainedMm: 0.2 });
  });

  it('has no passes for card beyond its list, and offers two tools that are none', () => {
    const snag = (gsm: number) =>
      plan(inkedWith(...sized('flat', 60, 60), tool('petrel')), {
        ...workshop,
        stocks: workshop.stocks.map((s) => ({ ...s, gsm })),
      }).cut.snags.find(({ id }) => id === 'cut-machine-heavy');
    expect(snag(400)).to.equal(undefined);
    expect(snag(401)!.why).to.match(/ends at 400 gsm/);
    expect(snag(401)!.remedies).to.deep.equal(
      ['slider', 'lever'].map((id) => ({
        label: `Cut with ${workshop.trimmers.find((t) => t.id === id)!.name}`,
        changes: [decide((job) => job.cut.trimmerId, id)],
      })),
    );
  });

  it('is given closed outlines, and folds by the way they bend', () => {
    const made = plan(
      inkedWith(
        ...sized('zigzag', 40, 60),
        decide((job) => job.size.options, { panels: 4 }),
        tool('petrel'),
      ),
    );
    const scene = drawMachineFile(made.size, made.sheet);
    expect(made.sheet.up).to.be.above(0);
    const folds = (direction: string) =>
      made.size.form.blank.creases.filter((c) => c.direction === direction).length * made.sheet.up;
    expect(pathsOf(scene, 'creaseAway')).to.have.length(folds('mountain'));
    expect(pathsOf(scene, 'creaseToward')).to.have.length(folds('valley'));
    for (const { path } of pathsOf(scene, 'creaseAway')) {
      const { left, right, top, bottom } = sidesOf(path);
      expect(Math.max(right - left, bottom - top)).to.be.closeTo(60, 0.01);
    }
    const cuts = pathsOf(scene, 'cut');
    // Apart from each other, every card is one closed outline of four corners.
    expect(cuts).to.have.length(made.sheet.up);
    for (const { path } of cuts)
      expect(path.map(({ kind }) => kind)).to.deep.equal(['move', 'line', 'line', 'line', 'close']);
    // Two that share an edge: the second is open, and no corner of it is left out.
    const box = (x: number) => [[x, 0], [x + 10, 0], [x + 10, 10], [x, 10]].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! })); // prettier-ignore
    const paths = knifePaths([box(0), box(10)]);
    const total = paths.reduce(
      (sum, p) => sum + p.slice(1).reduce((n, q, i) => n + Math.hypot(q.xMm - p[i]!.xMm, q.yMm - p[i]!.yMm), 0),
      0,
    );
    expect(total).to.be.closeTo(70, 1e-9);
  });
});
