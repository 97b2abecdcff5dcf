import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import { drawCreaseLine } from '../../../src/stations/crease/drawCrease.ts';
import type { BlankEdge, FaceUp } from '../../../src/stations/crease/creaseLines.ts';
import { apply } from '../../../src/ground/geometry/affine.ts';
import { boxPath } from '../../../src/ground/geometry/path.ts';
import type { Job } from '../../../src/job/types.ts';
import type { Plan } from '../../../src/plan/planJob.ts';
import type { Shape } from '../../../src/ground/scene/types.ts';
import { groupsOf, labelsOf, pathsOf, sidesOf } from '../../drawn.ts';
import { inkedWith, plan, sized, workshop } from '../../support.ts';

const [W, H] = [180, 110];
const five = (job: Job): Plan => plan(job);
const ON_FIVE = [decide((job) => job.crease.boardId, 'five-board'), decide((job) => job.cut.order, 'cutFirst')];
/** Open 180 × 110, its fold 90 from either side. */
const side = five(inkedWith(...sized('sideFold', 90, 110), ...ON_FIVE));
const art = (what: string): readonly Shape[] => [
  { kind: 'path', role: 'art', path: boxPath({ xMm: 0, yMm: 0, widthMm: 1, heightMm: 1 }), fill: what },
];
const view = (textMm: number) => ({
  ...{ unit: 'mm' as const, textMm, stockColour: '#c9d8c0' },
  art: { outside: art('#111111'), inside: art('#222222') },
});
const drawn = (p: Plan, index: number, textMm = 2) => drawCreaseLine(p.size, p.crease, index, view(textMm));
/** The same card with another of its edges at the stop, or another face up. */
const laid = (edgeAtStop: BlankEdge, faceUp: FaceUp) => {
  const [line] = side.crease.lines;
  return drawCreaseLine(side.size, { ...side.crease, lines: [{ ...line!, edgeAtStop, faceUp }] }, 0, view(2));
};

describe('the card on the board', () => {
  it('lies with its edge at the stop on the left, turned as hands would turn it there', () => {
    // Corners of the blank as drawn: top left, top right, bottom right, bottom left, and where each comes to lie.
    // prettier-ignore
    const wanted: Readonly<Record<FaceUp, Readonly<Record<BlankEdge, readonly (readonly [number, number])[]>>>> = {
      outside: {
        left: [[0, 0], [W, 0], [W, H], [0, H]],
        right: [[W, H], [0, H], [0, 0], [W, 0]],
        top: [[0, W], [0, 0], [H, 0], [H, W]],
        bottom: [[H, 0], [H, W], [0, W], [0, 0]],
      },
      // Turned over square to the edge first, so that the edge itself stays where it is.
      inside: {
        left: [[0, H], [W, H], [W, 0], [0, 0]],
        right: [[W, 0], [0, 0], [0, H], [W, H]],
        top: [[0, 0], [0, W], [H, W], [H, 0]],
        bottom: [[H, W], [H, 0], [0, 0], [0, W]],
      },
    };
    for (const [faceUp, edges] of Object.entries(wanted))
      for (const [edge, corners] of Object.entries(edges)) {
        const scene = laid(edge as BlankEdge, faceUp as FaceUp);
        const [card] = groupsOf(scene);
        const found = [
          [0, 0],
          [W, 0],
          [W, H],
          [0, H],
        ].map(([xMm, yMm]) => apply(card!.transform, { xMm: xMm!, yMm: yMm! }));
        found.forEach(({ xMm, yMm }, i) => {
          expect(xMm, `${faceUp} ${edge} ${i}`).to.be.closeTo(corners[i]![0], 1e-9);
          expect(yMm, `${faceUp} ${edge} ${i}`).to.be.closeTo(corners[i]![1], 1e-9);
        });
        const [wide, high] = edge === 'left' || edge === 'right' ? [W, H] : [H, W];
        const lies = { left: 0, top: 0, right: wide, bottom: high };
        for (const role of ['stock', 'trim'] as const)
          expect(sidesOf(pathsOf(scene, role)[0]!.path)).to.deep.equal(lies);
        const inner = card!.children[0] as Extract<Shape, { kind: 'group' }>;
        expect((inner.children[0] as { fill: string }).fill).to.equal(faceUp === 'outside' ? '#111111' : '#222222');
      }
  });

  it('shows the line where the fold is, the groove that is nearest, and how far that is from the stop', () => {
    // 93 mm panels: the fold lies 93 from the stop and the nearest groove of five at 95.
    const off = five(inkedWith(...sized('sideFold', 93, 110), ...ON_FIVE));
    const scene = drawn(off, 0);
    expect(sidesOf(pathsOf(scene, 'creaseAway')[0]!.path)).to.deep.equal({ left: 93, top: 0, right: 93, bottom: 110 });
    // The groove stands out of the card by three fifths of a letter at either end.
    expect(sidesOf(pathsOf(scene, 'cutNow')[0]!.path)).to.deep.equal({ left: 95, top: -1.2, right: 95, bottom: 111.2 });
    const [measured, stop, up] = labelsOf(scene);
    expect(measured!.text).to.equal('95 mm');
    expect([measured!.at.xMm, measured!.sizeMm]).to.deep.equal([47.5, 2.4]);
    expect(measured!.at.yMm).to.be.below(0);
    expect([stop!.text, stop!.anchor, up!.text, up!.anchor]).to.deep.equal(['stop', 'start', 'outside up', 'end']);
    // Beside the stop at the foot of the board, and under the card's far corner.
    const board = sidesOf(pathsOf(scene, 'sheet')[0]!.path);
    expect(stop!.at).to.deep.equal({ xMm: 0.4, yMm: board.bottom - 1 });
    expect(up!.at).to.deep.equal({ xMm: 186 - 0.6, yMm: 110 + 2.6 });
  });

  it('lies on a board that is seen all round it, behind a stop, with every groove that can be told apart', () => {
    const scene = drawn(side, 0);
    const board = sidesOf(pathsOf(scene, 'sheet')[0]!.path);
    // The board is longer than the card: as much is shown as lets the card be large, 1.4 of its width.
    expect(side.crease.board.longestMm).to.be.above(W * 1.4);
    expect(board).to.deep.equal({ left: -2.4, top: -5.6, right: 254.4, bottom: -5.6 + H + 9.6 });
    expect(sidesOf(pathsOf(scene, 'fence')[0]!.path)).to.deep.equal({
      left: -1.4,
      top: board.top,
      right: 0,
      bottom: board.bottom,
    });
    const { xMm, yMm, widthMm, heightMm } = scene.box;
    [xMm, yMm, xMm + widthMm, yMm + heightMm].forEach((at, i) =>
      expect(at).to.be.closeTo([board.left - 2, board.top - 2, board.right + 2, board.bottom + 2][i]!, 1e-9),
    );
    const grooves = pathsOf(scene, 'printable').map(({ path }) => sidesOf(path));
    // Every five millimetres, short of the board's width less two letters.
    const count = Math.ceil((board.right - board.left - 4) / 5) - 1;
    expect(grooves.map(({ left }) => left)).to.deep.equal(Array.from({ length: count }, (_, i) => 5 * (i + 1)));
    for (const { left, right, top, bottom } of grooves)
      expect([right - left, top, bottom]).to.deep.equal([0, -4.4, 112.8]);
    // A shorter board is shown whole.
    const shop = { ...workshop, boards: workshop.boards.map((b) => ({ ...b, longestMm: 200 })) };
    const whole = plan(inkedWith(...sized('sideFold', 90, 110), ...ON_FIVE), shop);
    expect(sidesOf(pathsOf(drawn(whole, 0), 'sheet')[0]!.path).right).to.equal(-2.4 + 200 + 4.8);
  });

  it('has its grooves drawn by the ten where letters are twice as high as they are apart', () => {
    const firstGroove = (textMm: number) => sidesOf(pathsOf(drawn(side, 0, textMm), 'printable')[0]!.path).left;
    expect([firstGroove(10), firstGroove(10.1)]).to.deep.equal([5, 50]);
  });

  it('shows its other creases as they bend with this face up, and not the one that is pressed', () => {
    // A zigzag of four 40 mm panels: mountain, valley, mountain.
    const zigzag = five(
      inkedWith(
        ...sized('zigzag', 40, 90),
        decide((job) => job.size.options, { panels: 4 }),
        ...ON_FIVE,
      ),
    );
    for (const [i, line] of zigzag.crease.lines.entries()) {
      const scene = drawn(zigzag, i);
      const away = pathsOf(scene, 'creaseAway').map(({ path }) => sidesOf(path).left);
      const toward = pathsOf(scene, 'creaseToward').map(({ path }) => sidesOf(path).left);
      expect(away.length + toward.length, 'each crease once').to.equal(3);
      // From the left: 40 and 120 fold away from the outside, 80 toward it; seen from the inside the other way.
      const level = line.edgeAtStop === 'left' ? [40, 120] : [120, 40];
      expect([...(line.faceUp === 'outside' ? away : toward)].sort((a, b) => a - b)).to.deep.equal(
        [...level].sort((a, b) => a - b),
      );
      expect(line.faceUp === 'outside' ? toward : away).to.deep.equal([80]);
      // The pressed one is drawn last, over the others.
      const last = scene.shapes.filter((s) => s.kind === 'path' && s.role.startsWith('crease')).at(-1)!;
      expect(sidesOf((last as { path: Parameters<typeof sidesOf>[0] }).path).left).to.equal(line.fromStopMm);
    }
  });

  it('is shown without a line where there is none left to press', () => {
    const scene = drawn(side, 7);
    expect([pathsOf(scene, 'cutNow').length, labelsOf(scene).length]).to.deep.equal([0, 0]);
    expect(pathsOf(scene, 'creaseAway')).to.have.length(1);
    expect(sidesOf(pathsOf(scene, 'stock')[0]!.path)).to.deep.equal({ left: 0, top: 0, right: W, bottom: H });
  });
});
