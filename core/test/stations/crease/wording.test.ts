import { expect } from 'chai';
import { orderLines, worstErrorMm } from '../../../src/stations/crease/creaseLines.ts';
import type { Blank, Crease } from '../../../src/ground/fold/types.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { isPlainRule } from '../../../src/job/plainRule.ts';
import type { Board, Workshop } from '../../../src/workshop/types.ts';
import type { Job } from '../../../src/job/types.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import { inkedWith, plan, sized, workshop } from '../../support.ts';

const board = (part: Partial<Board> = {}): Board => ({
  ...workshop.boards.find(({ id }) => id === 'five-board')!,
  ...part,
});
const upright = (id: string, xMm: number, direction: Crease['direction'] = 'mountain'): Crease =>
  ({ id, direction, from: { xMm, yMm: 0 }, to: { xMm, yMm: 100 } }) as Crease;
const level = (id: string, yMm: number, direction: Crease['direction'] = 'mountain'): Crease =>
  ({ id, direction, from: { xMm: 0, yMm }, to: { xMm: 200, yMm } }) as Crease;
/** A piece of 200 × 100 with some creases and nothing else to it. */
const piece = (...creases: readonly Crease[]): Blank => ({
  widthMm: 200,
  heightMm: 100,
  outline: [],
  panels: [],
  cuts: [],
  creases,
});
const byOutside = (direction: Crease['direction']) => (direction === 'mountain' ? 'outside' : 'inside');
const held = (...creases: readonly Crease[]) =>
  orderLines(piece(...creases), board(), byOutside).map(({ faceUp, edge, fromStopMm, turn }) => [
    faceUp,
    edge,
    fromStopMm,
    turn,
  ]);

describe('how lines are held and turned', () => {
  it('lines of one face and one edge come together, nearest first', () => {
    // Each of these lands on a groove from the left alone: from the right 200 − 43 is 157, as far off as 43 is.
    expect(held(upright('a', 120), upright('b', 40), upright('c', 80))).to.deep.equal([
      ['outside', 'left', 40, 'To begin'],
      ['outside', 'left', 80, 'No turn'],
      ['outside', 'left', 120, 'No turn'],
    ]);
  });

  it('the nearer of two edges is kept where it lands better, and either where they land alike', () => {
    // A piece of 203: a line at 51 is 1 off from the left and 2 off (152) from the right.
    const odd = { ...piece(upright('a', 51)), widthMm: 203 };
    expect(orderLines(odd, board(), byOutside)[0]).to.include({ edge: 'left', errorMm: -1 });
    // At 52 it is 2 off from the left and 1 off (151) from the right.
    const other = { ...piece(upright('a', 52)), widthMm: 203 };
    expect(orderLines(other, board(), byOutside)[0]).to.include({ edge: 'right', errorMm: -1 });
    expect(worstErrorMm(odd, board())).to.equal(1);
    // Of 200, 52 and 148 are both 2 off.
    expect(worstErrorMm(piece(upright('a', 52), upright('b', 40)), board())).to.equal(2);
    expect(worstErrorMm(piece(), board())).to.equal(0);
  });

  it('a quarter turn lies between upright and level lines, a turn over between faces, and both where both change', () => {
    expect(held(upright('a', 40), level('b', 40)).map(([, , , turn]) => turn)).to.deep.equal([
      'To begin',
      'Quarter turn',
    ]);
    expect(held(upright('a', 40), upright('b', 80, 'valley')).map(([, , , turn]) => turn)).to.deep.equal([
      'To begin',
      'Turn over, the same edge at the stop',
    ]);
    expect(held(upright('a', 40), level('b', 40, 'valley')).map(([, , , turn]) => turn)).to.deep.equal([
      'To begin',
      'Turn over, then a quarter turn',
    ]);
    // Upright and level on both faces: over and a quarter by turns, never both at once.
    const four = held(upright('a', 40), level('b', 40), upright('c', 80, 'valley'), level('d', 60, 'valley'));
    expect(four.map(([, , , turn]) => turn)).to.deep.equal([
      'To begin',
      'Quarter turn',
      'Turn over, the same edge at the stop',
      'Quarter turn',
    ]);
  });

  it('half a turn lies between lines that land from one edge and from the other', () => {
    // On a piece of 203, 51 lands better from the left and 52 from the right.
    const lines = orderLines({ ...piece(upright('a', 51), upright('b', 52)), widthMm: 203 }, board(), byOutside);
    expect(lines.map(({ edge, turn }) => [edge, turn])).to.deep.equal([
      ['left', 'To begin'],
      ['right', 'Half turn'],
    ]);
    const valley = orderLines(
      { ...piece(upright('a', 51), upright('b', 52, 'valley')), widthMm: 203 },
      board(),
      byOutside,
    );
    expect(valley[1]!.turn).to.equal('Turn over, the other edge to the stop');
  });

  it('creases in one line are one, as long as from the first end to the last', () => {
    const upper = { ...upright('a', 40), to: { xMm: 40, yMm: 45 } };
    const lower = { ...upright('b', 40, 'valley'), from: { xMm: 40, yMm: 55 } };
    const [line, none] = orderLines(piece(upper, lower), board(), byOutside);
    expect([line!.line.creases.map(({ id }) => id), line!.line.lengthMm, line!.line.mixed, none]).to.deep.equal([
      ['a', 'b'],
      100,
      true,
      undefined,
    ]);
    const low = { ...upright('a', 40), from: { xMm: 40, yMm: 30 }, to: { xMm: 40, yMm: 90 } };
    expect(orderLines(piece(low), board(), byOutside)[0]!.line.lengthMm).to.equal(60);
    expect(orderLines(piece(), board(), byOutside)).to.deep.equal([]);
  });
});

const ON_FIVE: readonly JobChange[] = [
  decide((job) => job.crease.boardId, 'five-board'),
  decide((job) => job.cut.order, 'cutFirst'),
];
const creaseOf = (job: Job, shop: Workshop = workshop) => plan(job, shop).crease;

describe('what is said at Crease', () => {
  it('of a size nearby: which way, how much and by which remedy', () => {
    // 94 on grooves of five: 95 is one more, 90 four less.
    const job = inkedWith(...sized('sideFold', 94, 140), ...ON_FIVE);
    const snag = creaseOf(job).snags.find(({ id }) => id === 'crease-groove')!;
    expect(snag.remedies.slice(0, 2).map(({ label }) => label)).to.deep.equal([
      'Make the card 95 mm wide, 1 mm more',
      'Make the card 90 mm wide, 4 mm less',
    ]);
    expect(snag.title).to.equal('No groove lands on the fold: 1.0 mm off');
    const tall = inkedWith(...sized('tentFold', 140, 94), ...ON_FIVE);
    const up = creaseOf(tall).snags.find(({ id }) => id === 'crease-groove')!;
    expect(up.remedies[0]!.label).to.match(/^Make the card 95 mm high, 1 mm more$/);
    const zigzag = inkedWith(...sized('zigzag', 47, 120), ...ON_FIVE);
    const { lines, snags } = creaseOf(zigzag);
    const worst = Math.max(...lines.map(({ errorMm }) => Math.abs(errorMm)));
    const first = lines.find(({ errorMm }) => Math.abs(errorMm) === worst)!;
    expect(snags.find(({ id }) => id === 'crease-groove')!.title).to.equal(
      `No groove lands on crease ${first.number}: ${worst.toFixed(1)} mm off`,
    );
  });

  it('of another board: the best that lands, and none where none does or only the one in use', () => {
    const other = (id: string, grooveEveryMm: number): Board => board({ id, name: `the ${id}`, grooveEveryMm });
    const offered = (...boards: readonly Board[]) =>
      creaseOf(inkedWith(...sized('sideFold', 94, 140), ...ON_FIVE), { ...workshop, boards: [board(), ...boards] })
        .snags.find(({ id }) => id === 'crease-groove')!
        .remedies.filter(({ label }) => label.startsWith('Crease on'));
    // 94 is 31⅓ threes (a third of three off, 1 mm), 23½ fours (2 off), 47 twos; and 0.25 off grooves of 94.25.
    expect(offered(other('threes', 3))).to.deep.equal([]);
    expect(offered(other('fair', 94.25), other('twos', 2), other('fours', 4))).to.deep.equal([
      { label: 'Crease on the twos', changes: [decide((job) => job.crease.boardId, 'twos')] },
    ]);
    expect(offered(other('fair', 94.25)).map(({ label }) => label)).to.deep.equal(['Crease on the fair']);
    expect(offered()).to.deep.equal([]);
  });

  it('of the time: every pass over every piece pressed, and every fold of every card', () => {
    const pace = { ...workshop.pace, perCreasePass: 0.5, perFold: 0.2 };
    const run: readonly JobChange[] = [
      decide((job) => job.brief.wanted, 12),
      decide((job) => job.sheet.spares, 3),
      decide((job) => job.crease.pressure, 'firm'),
    ];
    const zigzag = inkedWith(...sized('zigzag', 45, 120), ...run, ...ON_FIVE);
    const { lines, minutes, figures } = creaseOf(zigzag, { ...workshop, pace });
    const { form } = plan(zigzag).size;
    // 15 cards: as many passes as each line wants at half a minute, and a fifth of a minute a fold.
    const passes = lines.reduce((n, l) => n + l.passes, 0);
    expect(minutes).to.be.closeTo(15 * passes * 0.5 + 15 * form.steps.length * 0.2, 1e-9);
    const inputs = figures.find(({ id }) => id === 'crease-minutes')!.working.inputs;
    expect(inputs.map(({ label, value }) => [label, (value as { count: number }).count])).to.deep.equal([
      ['Cards', 15],
      ['Pieces pressed', 15],
      ['Lines', lines.length],
      ['Passes', lines[0]!.passes],
      ['Folds', form.steps.length],
    ]);
    // Scored on the sheet, its sheets are pressed, and still every card is folded.
    const rule = workshop.boards.find(isPlainRule)!;
    const whole = inkedWith(
      ...sized('tentFold', 140, 60),
      ...run,
      decide((job) => job.crease.boardId, rule.id),
    );
    const scored = plan(whole, { ...workshop, pace });
    expect(scored.crease.onSheet).to.equal(true);
    const all = scored.crease.lines.reduce((n, l) => n + l.passes, 0);
    expect(scored.crease.minutes).to.be.closeTo(
      scored.sheet.sheets * all * 0.5 + 15 * scored.size.form.steps.length * 0.2,
      1e-9,
    );
    expect([scored.crease.piece.widthMm, scored.crease.piece.heightMm]).to.deep.equal([
      scored.sheet.sheetWidthMm,
      scored.sheet.sheetHeightMm,
    ]);
    expect(scored.crease.piece.art).to.have.length(scored.sheet.placements.length);
    expect(scored.crease.piece.outline).to.deep.include({
      xMm: scored.sheet.sheetWidthMm,
      yMm: scored.sheet.sheetHeightMm,
    });
    expect(scored.crease.friendly).to.deep.equal([]);
    expect(scored.crease.lines.map(({ number }) => number)).to.deep.equal(scored.crease.lines.map((_, i) => i + 1));
  });

  it('of each line: its number, its edge by the panel that ends there, its passes', () => {
    const side = creaseOf(inkedWith(...sized('sideFold', 95, 136), ...ON_FIVE)).lines[0]!;
    expect(side.text).to.match(
      /^(Back|Front)(’s| panel’s) open edge to the stop, outside up\. Groove at 95 mm: \d passes, the whole length/,
    );
    // A tent’s fold ends at two panels; a quarter fold’s edges are shared by two of them.
    const quarter = creaseOf(inkedWith(...sized('quarterFold', 90, 120), ...ON_FIVE)).lines;
    expect(quarter.map(({ text }) => text.split('.')[0]).join()).to.match(
      /The open edge of [a-z ]+ and [a-z ]+ to the stop/,
    );
    const once: Workshop = {
      ...workshop,
      stocks: workshop.stocks.map((s) => ({ ...s, gsm: 120, caliperMicron: 150 })),
    };
    for (const shop of [once, workshop]) {
      const { lines, verdict } = creaseOf(inkedWith(...sized('sideFold', 95, 136), ...ON_FIVE), shop);
      const { passes, text } = lines[0]!;
      expect(text).to.contain(passes === 1 ? ': 1 pass, the' : `: ${passes} passes, the`);
      expect(verdict).to.match(passes === 1 ? /1 (firm|light) pass\.$/ : /\d (firm|light) passes\.$/);
    }
    const off = creaseOf(inkedWith(...sized('sideFold', 94, 136), ...ON_FIVE));
    expect(off.verdict).to.match(/passes; the groove is 1\.0 mm off the fold\.$/);
    const worst = creaseOf(inkedWith(...sized('zigzag', 47, 120), ...ON_FIVE));
    expect(worst.verdict).to.match(/ each; the worst groove is \d\.\d mm off its fold\.$/);
  });

  it('of a shape that is cut out first: from end to end, its face, how far in, and no groove', () => {
    const shape = inkedWith(
      ...sized('hingedShape', 90, 90),
      decide((job) => job.size.options, { shape: 'oval' }),
      decide((job) => job.cut.trimmerId, 'scissors'),
      ...ON_FIVE,
    );
    const { byEnds, lines, verdict, telling, figures, friendly, snags } = creaseOf(shape);
    expect([byEnds, telling, friendly]).to.deep.equal([true, 'end to end', []]);
    expect(verdict).to.match(/^Crease from end to end of the fold, \d (firm|light) passes: cut out/);
    expect(lines[0]!.text).to.match(
      /^Outside up\. Lay a rule from one end of the fold to the other, [\d.]+ mm apart and 90 mm from the outermost point of the (left|right|top|foot): /,
    );
    expect(figures.map(({ id }) => id)).to.deep.equal(['tip', 'cracks', 'crease-minutes']);
    expect(snags.map(({ id }) => id)).to.not.include('crease-groove');
    const into = creaseOf(changeJob(shape, [decide((job) => job.crease.bead, 'intoGroove')]));
    expect(into.lines[0]!.text).to.match(/^Inside up\. /);
  });
});
