import { expect } from 'chai';
import { drawSlug, drawTicks, shortTitle, slugWidthMm } from '../../../../src/stations/sheet/draw/drawMarks.ts';
import { drawMark, markPlaces, markRoom, marginsWith } from '../../../../src/stations/sheet/layout/machineMarks.ts';
import { overlaps } from '../../../../src/ground/geometry/box.ts';
import { fenceSettings, largestRest } from '../../../../src/stations/sheet/layout/fenceSettings.ts';
import { isOwnPass, passesOf, sayPlate } from '../../../../src/stations/sheet/layout/passes.ts';
import { outOfReach } from '../../../../src/stations/sheet/layout/reach.ts';
import { expectedSpoilShare, sparesFor } from '../../../../src/stations/sheet/layout/spares.ts';
import { workAndTurn } from '../../../../src/stations/sheet/layout/workAndTurn.ts';
import type { Placement } from '../../../../src/stations/sheet/types.ts';
import { turnedLeftRight, turnedTopBottom } from '../../../../src/ground/geometry/affine.ts';
import type { Box } from '../../../../src/ground/geometry/types.ts';
import type { Shape } from '../../../../src/ground/scene/types.ts';
import { sidesOf } from '../../../drawn.ts';

const box = (xMm: number, yMm: number, widthMm: number, heightMm: number): Box => ({ xMm, yMm, widthMm, heightMm });
const PRINTABLE = box(5, 5, 190, 280);
const ticksAt = (shapes: readonly Shape[], role: 'mark' | 'creaseAway' = 'mark') =>
  shapes
    .filter((s): s is Extract<Shape, { kind: 'path' }> => s.kind === 'path' && s.role === role)
    .map(({ path }) => {
      const { left, top, right, bottom } = sidesOf(path);
      return [left, top, right, bottom];
    });

describe('ticks', () => {
  // Two cards side by side with a gutter of 6, each 50 × 70 from (20, 30), bleeding 3.
  const trims = [box(20, 30, 50, 70), box(76, 30, 50, 70)];
  const block = { bleedBox: box(17, 27, 112, 76), printable: PRINTABLE };

  it('stand in line with every trim, a hair clear of the bleed and four millimetres long', () => {
    const found = ticksAt(drawTicks(trims, [], block));
    expect(found).to.have.deep.members([
      ...[20, 70, 76, 126].flatMap((x) => [
        [x, 22.7, x, 26.7],
        [x, 103.3, x, 107.3],
      ]),
      ...[30, 100].flatMap((y) => [
        [12.7, y, 16.7, y],
        [129.3, y, 133.3, y],
      ]),
    ]);
  });

  it('are shorter where the printer’s margin is near, and none where a millimetre and a fifth is not left', () => {
    const near = (roomMm: number) => {
      // So much room on every side, hair and all.
      const printable = box(17 - roomMm, 27 - roomMm, 112 + 2 * roomMm, 76 + 2 * roomMm);
      return ticksAt(drawTicks(trims.slice(0, 1), [], { bleedBox: block.bleedBox, printable })).map(([l, t, r, b]) =>
        Number(Math.max(r! - l!, b! - t!).toFixed(3)),
      );
    };
    expect(near(3)).to.deep.equal(Array.from({ length: 8 }, () => 2.7));
    expect(near(1.5)).to.deep.equal(Array.from({ length: 8 }, () => 1.2));
    expect(near(1.49)).to.deep.equal([]);
    expect(near(10)).to.deep.equal(Array.from({ length: 8 }, () => 4));
  });

  it('of a fold stand before its own card and behind it, and not where another card lies between', () => {
    const upright = (xMm: number) => ({ line: box(xMm, 30, 0, 70), piece: trims[0]! });
    expect(ticksAt(drawTicks(trims, [upright(45)], block), 'creaseAway')).to.deep.equal([
      [45, 22.7, 45, 26.7],
      [45, 103.3, 45, 107.3],
    ]);
    // Two cards above each other: the upper one's fold has a tick above it alone, the lower one's below.
    const tall = [box(20, 30, 50, 70), box(20, 106, 50, 70)];
    const both = { bleedBox: box(17, 27, 56, 152), printable: PRINTABLE };
    const folds = tall.map((piece) => ({ line: box(45, piece.yMm, 0, 70), piece }));
    const one = (i: number) => ticksAt(drawTicks(tall, [folds[i]!], both), 'creaseAway');
    expect([one(0), one(1)]).to.deep.equal([[[45, 22.7, 45, 26.7]], [[45, 179.3, 45, 183.3]]]);
    // A level fold of two side by side: left of the first, right of the second.
    const level = trims.map((piece) => ({ line: box(piece.xMm, 60, 50, 0), piece }));
    const beside = (i: number) => ticksAt(drawTicks(trims, [level[i]!], block), 'creaseAway');
    expect([beside(0), beside(1)]).to.deep.equal([[[12.7, 60, 16.7, 60]], [[129.3, 60, 133.3, 60]]]);
    // A slope has no line to lay a rule to, and in line with a trim it is the cut that counts.
    expect(
      ticksAt(drawTicks(trims, [{ line: box(20, 30, 50, 70), piece: trims[0]! }], block), 'creaseAway'),
    ).to.deep.equal([]);
    expect(ticksAt(drawTicks(trims, [upright(20)], block), 'creaseAway')).to.deep.equal([]);
  });
});

describe('the slug’s place', () => {
  const slug = (bleedBox: Box, text = 'Lantern supper · front', more: Partial<Parameters<typeof drawSlug>[2]> = {}) => {
    const [label] = drawSlug(text, { bleedBox, printable: PRINTABLE }, { ticks: [], ...more });
    return label?.kind === 'label'
      ? [label.text, label.at.xMm, Number(label.at.yMm.toFixed(3)), label.turnDeg ?? 0]
      : null;
  };

  it('is the roomiest edge: below, above, left or right, four millimetres in', () => {
    // Room of 60 on one side and of 5 on the others; baselines as far in as letters need.
    expect(slug(box(10, 10, 180, 215))).to.deep.equal(['Lantern supper · front', 9, 285 - 0.72, 0]);
    expect(slug(box(10, 65, 180, 215))).to.deep.equal(['Lantern supper · front', 9, 7.4, 0]);
    expect(slug(box(65, 10, 125, 270))).to.deep.equal(['Lantern supper · front', 7.4, 281, -90]);
    expect(slug(box(10, 10, 125, 270))).to.deep.equal(['Lantern supper · front', 195 - 0.72, 281, -90]);
  });

  it('is none where no edge has three millimetres for it', () => {
    expect(slug(box(7.9, 7.9, 184.2, 274.2))).to.equal(null);
    expect(slug(box(8, 7.9, 184.1, 274.2))).to.deep.equal(['Lantern supper · front', 7.4, 281, -90]);
  });

  it('keeps clear of what must stay white, and off ticks where an edge has room for that', () => {
    const low = box(10, 10, 180, 215);
    // A mark in the corner: it begins four millimetres past it.
    expect(slug(low, 'Lantern supper · front', { keepClear: [box(5, 276, 9, 9)] })![1]).to.equal(18);
    const tick: Shape = { kind: 'path', role: 'mark', path: [{ kind: 'move', to: { xMm: 30, yMm: 279 } }, { kind: 'line', to: { xMm: 30, yMm: 285 } }] }; // prettier-ignore
    expect(slug(low, 'Lantern supper · front', { ticks: [tick] })![1]).to.equal(34);
    // Nowhere long enough off the ticks, it runs over them rather than be cut short.
    const comb = Array.from({ length: 18 }, (_, i): Shape => ({ kind: 'path', role: 'mark', path: [{ kind: 'move', to: { xMm: 10 + 10 * i, yMm: 5 } }, { kind: 'line', to: { xMm: 10 + 10 * i, yMm: 285 } }] })); // prettier-ignore
    const rungs = Array.from({ length: 27 }, (_, i): Shape => ({ kind: 'path', role: 'mark', path: [{ kind: 'move', to: { xMm: 5, yMm: 10 + 10 * i } }, { kind: 'line', to: { xMm: 195, yMm: 10 + 10 * i } }] })); // prettier-ignore
    expect(slug(low, 'Lantern supper · front', { ticks: [...comb, ...rungs] })).to.deep.equal(slug(low));
  });

  it('is cut short where no edge is long enough, and never runs past its edge', () => {
    const long = 'M'.repeat(200);
    const [text] = slug(box(10, 10, 180, 215), long)! as [string];
    // The longest run is the sheet’s side of 280, less four at either end.
    expect(text.endsWith('…')).to.equal(true);
    expect(slugWidthMm(text)).to.be.at.most(272);
    expect(slugWidthMm(`M${text}`)).to.be.above(272 - 2.6);
    expect([shortTitle('x'.repeat(48)), shortTitle('x'.repeat(49))]).to.deep.equal([
      'x'.repeat(48),
      `${'x'.repeat(47)}…`,
    ]);
    // Narrow letters, middling and wide ones, in sizes of 2.4 mm.
    expect(['i', 'n', 'm', 'W'].map((c) => slugWidthMm(c) / 2.4).map((v) => Number(v.toFixed(2)))).to.deep.equal([
      0.42, 0.68, 1.05, 1.05,
    ]);
  });
});

describe('a machine’s marks', () => {
  it('lie in three corners, their white inside the margins', () => {
    const margins = { top: 10, right: 11, bottom: 12, left: 13 };
    expect(markPlaces({ widthMm: 210, heightMm: 297 }, margins)).to.deep.equal([
      { xMm: 17.5, yMm: 14.5 },
      { xMm: 194.5, yMm: 14.5 },
      { xMm: 17.5, yMm: 280.5 },
    ]);
    expect(markRoom({ xMm: 17.5, yMm: 14.5 })).to.deep.equal(box(13, 10, 9, 9));
    const mark = drawMark({ xMm: 20, yMm: 30 });
    expect(mark.kind === 'path' && sidesOf(mark.path)).to.deep.equal({ left: 17, top: 27, right: 23, bottom: 33 });
    // On its point: its corners lie in the middle of its sides.
    expect(
      mark.kind === 'path' && mark.path.slice(0, 4).map((p) => (p.kind === 'close' ? null : [p.to.xMm, p.to.yMm])),
    ).to.deep.equal([
      [20, 27],
      [23, 30],
      [20, 33],
      [17, 30],
    ]);
  });

  it('keep the wider of the printer’s margin and the machine’s own on every side', () => {
    expect(marginsWith({ marginMm: 10 } as never, { top: 3, right: 12, bottom: 10, left: 4 })).to.deep.equal({
      top: 10,
      right: 12,
      bottom: 10,
      left: 10,
    });
  });

  it('overlap what they share any of, and not what they touch', () => {
    const a = box(10, 10, 20, 20);
    const at = (x: number, y: number): boolean => overlaps(a, box(x, y, 5, 5));
    expect([
      at(5, 15),
      at(5.1, 15),
      at(30, 15),
      at(29.9, 15),
      at(15, 5),
      at(15, 5.1),
      at(15, 30),
      at(15, 29.9),
    ]).to.deep.equal([...[false, true, false, true, false, true, false, true]]);
  });
});

describe('small sums of a sheet', () => {
  const pitch = { widthNm: 50, heightNm: 30, gutterNm: 6 };
  const grid = (columns: number, rows: number, turned = false) => ({ kind: 'grid', columns, rows, turned }) as never;

  it('fence distances: each card’s start and end, and the end of the last only where something is left', () => {
    // Two across: 50, 56 and, with 110 of room, 106; two down: 30, 36, 66.
    expect([...fenceSettings(grid(2, 2), { widthNm: 110, heightNm: 70 }, pitch)].sort((a, b) => a - b)).to.deep.equal([
      30, 36, 50, 56, 66, 106,
    ]);
    expect([...fenceSettings(grid(2, 1), { widthNm: 106, heightNm: 30 }, pitch)].sort((a, b) => a - b)).to.deep.equal([
      50, 56,
    ]);
    // Without a gutter neighbours share a cut; turned, its sides change places.
    expect([...fenceSettings(grid(2, 1), { widthNm: 100, heightNm: 30 }, { ...pitch, gutterNm: 0 })]).to.deep.equal([
      50,
    ]);
    expect(
      [...fenceSettings(grid(2, 1, true), { widthNm: 70, heightNm: 50 }, pitch)].sort((a, b) => a - b),
    ).to.deep.equal([30, 36, 66]);
    const split = { kind: 'split', axis: 'across', firstNm: 56, first: grid(1, 1), second: grid(1, 1, true) } as never;
    expect([...fenceSettings(split, { widthNm: 100, heightNm: 60 }, pitch)].sort((a, b) => a - b)).to.deep.equal([
      30, 50, 56,
    ]);
    const down = { kind: 'split', axis: 'down', firstNm: 36, first: grid(1, 1), second: grid(1, 1) } as never;
    expect([...fenceSettings(down, { widthNm: 60, heightNm: 70 }, pitch)].sort((a, b) => a - b)).to.deep.equal([
      30, 36, 50,
    ]);
  });

  it('the largest piece left: beside the cards or below them', () => {
    // 200 − 2 · 56 = 88 beside them, all 70 down: 6160; 70 − 36 = 34 below, all across: 6800.
    expect(largestRest(grid(2, 1), { widthNm: 200, heightNm: 70 }, pitch)).to.equal(6800);
    expect(largestRest(grid(2, 1), { widthNm: 300, heightNm: 70 }, pitch)).to.equal(188 * 70);
    const split = { kind: 'split', axis: 'across', firstNm: 100, first: grid(1, 1), second: grid(1, 1, true) } as never;
    // 44 × 100 and 100 × 64 in the first; 64 × 100 and 100 × 44 in the second.
    expect(largestRest(split, { widthNm: 200, heightNm: 100 }, pitch)).to.equal(6400);
  });

  it('passes: a side after the other or both at once, and white before or after the colours of each', () => {
    const said = (...args: Parameters<typeof passesOf>) =>
      passesOf(...args).map(({ plate, sides }) => `${plate} ${sides.join('+')}`);
    expect(said([], false, 'before')).to.deep.equal([]);
    expect(said(['front', 'back'], false, null)).to.deep.equal(['colours front', 'colours back']);
    expect(said(['front', 'back'], true, 'inPass')).to.deep.equal(['colours front+back']);
    expect(said(['back'], true, null)).to.deep.equal(['colours back']);
    expect(said(['front', 'back'], false, 'before')).to.deep.equal([
      'white front',
      'colours front',
      'white back',
      'colours back',
    ]);
    expect(said(['front'], false, 'after')).to.deep.equal(['colours front', 'white front']);
    expect([null, 'inPass', 'before', 'after'].map((way) => isOwnPass(way as never))).to.deep.equal([
      false,
      false,
      true,
      true,
    ]);
    expect(sayPlate('white', 'inPass')).to.equal(null);
    expect([
      sayPlate('white', 'before'),
      sayPlate('white', 'after'),
      sayPlate('colours', 'before'),
      sayPlate('colours', 'after'),
    ]).to.deep.equal([
      'white ink, before the colours',
      'white ink, after the colours',
      'colours, after the white',
      'colours, before the white',
    ]);
  });

  it('what cannot be reached: the wider of both sides, each as it is fed', () => {
    const margins = { top: 1, right: 2, bottom: 12, left: 4 };
    const tall = { widthMm: 210, heightMm: 297 };
    expect(outOfReach(margins, tall, 'long', [])).to.deep.equal({ top: 0, right: 0, bottom: 0, left: 0 });
    expect(outOfReach(margins, tall, 'long', ['front'])).to.deep.equal(margins);
    expect(outOfReach(margins, tall, 'long', ['back'])).to.deep.equal({ ...margins, right: 4, left: 2 });
    expect(outOfReach(margins, tall, 'short', ['back'])).to.deep.equal({ ...margins, top: 12, bottom: 1 });
    expect(outOfReach(margins, tall, 'short', ['front', 'back'])).to.deep.equal({
      top: 12,
      right: 2,
      bottom: 12,
      left: 4,
    });
    expect(outOfReach(margins, { widthMm: 297, heightMm: 210 }, 'long', ['front', 'back'])).to.deep.equal({
      top: 12,
      right: 2,
      bottom: 12,
      left: 4,
    });
  });

  it('spares: none for none, and the share to expect is the log with one in twenty-five before it', () => {
    expect(sparesFor(0, { good: 0, spoiled: 9 })).to.equal(0);
    expect(expectedSpoilShare({ good: 0, spoiled: 0 })).to.equal(1 / 25);
    expect(expectedSpoilShare({ good: 66, spoiled: 9 })).to.equal(10 / 100);
  });

  it('one plate for both sides: every card must fall on another when the sheet is turned', () => {
    const cards = (...trims: readonly Box[]) => trims.map((trim) => ({ trim }) as Placement);
    const turn = turnedLeftRight(200);
    expect(workAndTurn(cards(box(10, 10, 80, 50), box(110, 10, 80, 50)), 0, turn)).to.deep.equal({
      ok: true,
      fronts: [0],
    });
    const why = (...args: Parameters<typeof workAndTurn>) => {
      const found = workAndTurn(...args);
      return found.ok ? 'ok' : found.why;
    };
    expect(why(cards(box(10, 10, 80, 50), box(110, 10, 80, 50)), 1, turn)).to.match(/only flat pieces/);
    expect(why(cards(box(60, 10, 80, 50)), 0, turn)).to.match(/only one card/);
    expect(why(cards(box(10, 10, 80, 50), box(111, 10, 80, 50)), 0, turn)).to.match(/do not fall on each other/);
    expect(why(cards(box(10, 10, 80, 50), box(110, 11, 80, 50)), 0, turn)).to.match(/do not fall on each other/);
    expect(why(cards(box(60, 10, 80, 50), box(60, 70, 80, 50)), 0, turn)).to.match(/falls on itself/);
    // Turned top to bottom the same two fall on each other.
    expect(workAndTurn(cards(box(60, 10, 80, 50), box(60, 70, 80, 50)), 0, turnedTopBottom(130))).to.deep.equal({
      ok: true,
      fronts: [0],
    });
    const four = cards(box(10, 10, 80, 50), box(110, 10, 80, 50), box(10, 70, 80, 50), box(110, 70, 80, 50));
    expect(workAndTurn(four, 0, turn)).to.deep.equal({ ok: true, fronts: [0, 2] });
  });
});
