import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import { drawCutAndCrease, drawCutMove } from '../../../src/stations/cut/drawCuts.ts';
import { drawDrift } from '../../../src/stations/cut/drawDrift.ts';
import { cutsThrough, partsAfter } from '../../../src/stations/cut/partsAfter.ts';
import type { CutMove } from '../../../src/stations/cut/types.ts';
import type { Box } from '../../../src/ground/geometry/types.ts';
import { formatLength } from '../../../src/ground/length/formatLength.ts';
import type { Plan } from '../../../src/plan/planJob.ts';
import { groupsOf, labelsOf, pathsOf, sidesOf, type Sides } from '../../drawn.ts';
import { inkedWith, plan, sized } from '../../support.ts';

const view = { unit: 'mm' as const, textMm: 2, stockColour: '#c9d8c0', art: [] };
/** 0.55 of a letter. */
const GAP = 1.1;
const sides = ({ xMm, yMm, widthMm, heightMm }: Box): Sides => ({
  left: xMm,
  top: yMm,
  right: xMm + widthMm,
  bottom: yMm + heightMm,
});
const area = ({ left, top, right, bottom }: Sides): number => (right - left) * (bottom - top);
const isUpright = ({ line: [a, b] }: CutMove): boolean => Math.abs(a.xMm - b.xMm) < 1e-6;

const move = (part: Partial<CutMove>): CutMove =>
  ({ fallsOff: 'card', atFence: 'left', makesTrueEdge: false, beyond: [], ...part }) as CutMove;
const upright = (xMm: number, from: number, to: number, part: Partial<CutMove> = {}): CutMove =>
  move({ line: [{ xMm, yMm: from }, { xMm, yMm: to }], ...part }); // prettier-ignore
const level = (yMm: number, from: number, to: number, part: Partial<CutMove> = {}): CutMove =>
  move({ line: [{ xMm: from, yMm }, { xMm: to, yMm }], atFence: 'top', ...part }); // prettier-ignore

describe('the sheet as it comes apart', () => {
  const PAGE: Box = { xMm: 0, yMm: 0, widthMm: 100, heightMm: 80 };

  it('is cut only where the blade falls inside a piece, along it', () => {
    const box: Box = { xMm: 20, yMm: 10, widthMm: 30, heightMm: 40 };
    const through = (m: CutMove) => cutsThrough(m, box);
    expect([19, 20, 20.1, 49.9, 50, 51].map((at) => through(upright(at, 0, 80)))).to.deep.equal(
      [false, false, true, true, false, false]); // prettier-ignore
    expect([9, 10, 10.1, 49.9, 50, 51].map((at) => through(level(at, 0, 100)))).to.deep.equal(
      [false, false, true, true, false, false]); // prettier-ignore
    // A cut of another part passes above it, below it, or ends at its edge.
    expect([through(upright(30, 0, 10)), through(upright(30, 50, 80)), through(upright(30, 45, 80))]).to.deep.equal(
      [false, false, true]); // prettier-ignore
    expect([through(level(30, 0, 20)), through(level(30, 50, 90)), through(level(30, 0, 25))]).to.deep.equal(
      [false, false, true]); // prettier-ignore
  });

  it('parts at each cut; what falls off on the fence’s far side is waste, or on its near side for a true edge', () => {
    const waste = { fallsOff: 'waste' as const };
    const moves = [
      upright(10, 0, 80, { ...waste, atFence: 'right', makesTrueEdge: true }),
      level(5, 10, 100, { ...waste, atFence: 'bottom', makesTrueEdge: true }),
      upright(90, 5, 80, { ...waste, atFence: 'left' }),
      level(70, 10, 90, { ...waste, atFence: 'top' }),
      upright(50, 5, 70),
    ];
    const after = (n: number) =>
      partsAfter(PAGE, moves.slice(0, n)).map(({ box, isWaste }) => ({ ...sides(box), isWaste }));
    expect(after(0)).to.deep.equal([{ left: 0, top: 0, right: 100, bottom: 80, isWaste: false }]);
    expect(after(5)).to.have.deep.members([
      { left: 0, top: 0, right: 10, bottom: 80, isWaste: true },
      { left: 10, top: 0, right: 100, bottom: 5, isWaste: true },
      { left: 90, top: 5, right: 100, bottom: 80, isWaste: true },
      { left: 10, top: 70, right: 90, bottom: 80, isWaste: true },
      { left: 10, top: 5, right: 50, bottom: 70, isWaste: false },
      { left: 50, top: 5, right: 90, bottom: 70, isWaste: false },
    ]);
    const gaps = partsAfter(PAGE, moves).map(({ box, gapsAcross, gapsDown }) => [
      box.xMm,
      box.yMm,
      gapsAcross,
      gapsDown,
    ]);
    expect(gaps).to.have.deep.members([
      [0, 0, 0, 0],
      [10, 0, 1, 0],
      [90, 5, 3, 1],
      [10, 70, 1, 2],
      [10, 5, 1, 1],
      [50, 5, 2, 1],
    ]);
  });

  it('counts one gap for one line, however many pieces it was cut through, and none for a cut beside it', () => {
    const moves = [level(40, 0, 100), upright(30, 0, 40), upright(30, 40, 80), upright(60, 40, 80)];
    const found = partsAfter(PAGE, moves).map(({ box, gapsAcross, gapsDown }) => [
      box.xMm,
      box.yMm,
      gapsAcross,
      gapsDown,
    ]);
    expect(found).to.have.deep.members([
      [0, 0, 0, 0],
      [30, 0, 1, 0],
      [0, 40, 0, 1],
      [30, 40, 1, 1],
      [60, 40, 2, 1],
    ]);
  });
});

const jobs: Readonly<Record<string, Plan>> = {
  'two columns of five': plan(inkedWith(...sized('flat', 95, 50))),
  'blocks turned against each other': plan(
    inkedWith(
      ...sized('flat', 50, 70),
      decide((job) => job.sheet.grain, 'ignore'),
    ),
  ),
  'side folds': plan(inkedWith(...sized('sideFold', 60, 80))),
};

describe('a move as it is drawn', () => {
  for (const [name, { size, sheet, cut }] of Object.entries(jobs))
    it(`shows every piece where it lies, and the blade and fence on each that is cut: ${name}`, () => {
      const page = { xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
      expect(cut.moves.length).to.be.above(6);
      for (let index = 0; index <= cut.moves.length; index += 1) {
        const scene = drawCutMove(size, sheet, cut, index, view);
        const now = cut.moves[index];
        const parts = partsAfter(page, cut.moves.slice(0, index));
        const pieces = groupsOf(scene).map(({ clip, transform: [, , , , x, y] }) => {
          const { left, top, right, bottom } = sidesOf(clip!);
          return { left: left + x, top: top + y, right: right + x, bottom: bottom + y, x, y };
        });
        // They are all of the sheet, and none lies on another.
        expect(pieces.reduce((sum, p) => sum + area(p), 0)).to.be.closeTo(page.widthMm * page.heightMm, 0.5);
        pieces.forEach((a, i) =>
          pieces.slice(i + 1).forEach((b) => {
            const over = Math.min(
              Math.min(a.right, b.right) - Math.max(a.left, b.left),
              Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top),
            );
            // Cut apart, they lie a gap apart at least.
            expect(over, `${index}`).to.be.at.most(-GAP + 0.01);
          }),
        );
        parts.forEach(({ gapsAcross, gapsDown }, i) => {
          expect(pieces[i]!.x).to.be.closeTo(gapsAcross * GAP, 1e-9);
          expect(pieces[i]!.y).to.be.closeTo(gapsDown * GAP, 1e-9);
        });
        const near = (s: Sides): string => [s.left, s.top, s.right, s.bottom].map((v) => v.toFixed(2)).join();
        expect(pathsOf(scene, 'printable').map(({ path }) => near(sidesOf(path)))).to.deep.equal(pieces.map(near));
        expect(pathsOf(scene, 'waste').map(({ path }) => near(sidesOf(path)))).to.deep.equal(
          pieces.filter((_, i) => parts[i]!.isWaste).map(near),
        );
        // The ground has room for letters, and for the gaps.
        const room = sides(scene.box);
        expect(room.left).to.be.closeTo(-5.2, 1e-9);
        expect(room.top).to.be.closeTo(-5.2, 1e-9);
        expect(room.right).to.be.closeTo(Math.max(...pieces.map((p) => p.right)) + 5.2, 0.01);
        expect(room.bottom).to.be.closeTo(Math.max(...pieces.map((p) => p.bottom)) + 5.2, 0.01);

        const blades = pathsOf(scene, 'cutNow').map(({ path }) => sidesOf(path));
        const fences = pathsOf(scene, 'fence').map(({ path }) => sidesOf(path));
        if (!now) {
          expect([blades.length, fences.length, labelsOf(scene).length]).to.deep.equal([0, 0, 0]);
          continue;
        }
        expect(blades).to.have.length(now.piecesPerSheet);
        expect(fences).to.have.length(now.piecesPerSheet);
        const [from, to] = isUpright(now) ? (['left', 'right'] as const) : (['top', 'bottom'] as const);
        const [start, end] = isUpright(now) ? (['top', 'bottom'] as const) : (['left', 'right'] as const);
        blades.forEach((blade, i) => {
          const fence = fences[i]!;
          const piece = pieces.find(
            (p) => p[from] < blade[from] && p[to] > blade[from] && Math.abs(p[start] - blade[start]) < 0.01,
          )!;
          expect(blade[to]).to.equal(blade[from]);
          expect(blade[end]).to.be.closeTo(piece[end], 0.01);
          expect([fence[start], fence[end]]).to.deep.equal([blade[start], blade[end]]);
          expect(fence[to] - fence[from]).to.be.closeTo(1.4, 0.002);
          // The bar lies outside its edge, and from that edge to the blade is what the fence is set to.
          const edge = now.atFence === from ? fence[to] : fence[from];
          expect(Math.abs(blade[from] - edge)).to.be.closeTo(now.fenceMm, 0.002);
          expect(now.atFence === from ? edge < blade[from] : edge > blade[from]).to.equal(true);
          if (parts.every((part) => !part.isWaste) || now.makesTrueEdge) return;
          expect(edge).to.be.closeTo(piece[now.atFence as 'left'], 0.01);
        });
        // The number stands once, midway between edge and blade, above or left of everything.
        const labels = labelsOf(scene);
        expect(labels.map(({ text }) => text)).to.deep.equal([formatLength(now.fenceMm, 'mm')]);
        expect(labels[0]!.sizeMm).to.be.closeTo(2.4, 1e-9);
        const middle =
          (Math.min(fences[0]![to], fences[0]![from], blades[0]![from]) +
            Math.max(fences[0]![from], fences[0]![to], blades[0]![from])) /
          2;
        const { xMm, yMm } = labels[0]!.at;
        expect(isUpright(now) ? xMm : yMm).to.be.closeTo(middle, 0.71);
        expect(isUpright(now) ? yMm : xMm).to.be.closeTo(-1.6 - 0.72, 1e-6);
      }
    });

  it('shows cards and their trims on the stock’s colour', () => {
    const { size, sheet, cut } = jobs['side folds']!;
    const [whole] = groupsOf(drawCutMove(size, sheet, cut, 0, view));
    const inside = { shapes: whole!.children };
    expect(pathsOf(inside, 'sheet')[0]!.fill).to.equal('#c9d8c0');
    expect(whole!.children.filter(({ kind }) => kind === 'use')).to.have.length(sheet.placements.length);
    expect(pathsOf(inside, 'trim').map(({ path }) => sidesOf(path))).to.deep.equal(
      sheet.placements.map(({ trim }) => {
        const { left, top, right, bottom } = sides(trim);
        const round = (mm: number): number => Math.round(mm * 1000) / 1000;
        return { left: round(left), top: round(top), right: round(right), bottom: round(bottom) };
      }),
    );
  });
});

describe('cut and crease lines for other programs', () => {
  it('are every cut, every trim and every fold, where they lie', () => {
    const { size, sheet, cut } = plan(
      inkedWith(
        ...sized('zigzag', 40, 60),
        decide((job) => job.size.options, { panels: 4 }),
      ),
    );
    const scene = drawCutAndCrease(size, sheet, cut);
    expect(sidesOf(pathsOf(scene, 'sheet')[0]!.path)).to.deep.equal(sides(scene.box));
    expect(pathsOf(scene, 'cut').map(({ path }) => sidesOf(path))).to.deep.equal(
      cut.moves.map(({ line: [a, b] }) => sidesOf([{ kind: 'move', to: a }, { kind: 'line', to: b }])), // prettier-ignore
    );
    expect(pathsOf(scene, 'trim')).to.have.length(sheet.up);
    const folds = (direction: string) =>
      size.form.blank.creases.filter((c) => c.direction === direction).length * sheet.up;
    expect(pathsOf(scene, 'creaseAway')).to.have.length(folds('mountain'));
    expect(pathsOf(scene, 'creaseToward')).to.have.length(folds('valley'));
    expect(folds('mountain')).to.not.equal(folds('valley'));
    // Folds run right across their own card.
    const trims = sheet.placements.map(({ trim }) => sides(trim));
    for (const { path } of [...pathsOf(scene, 'creaseAway'), ...pathsOf(scene, 'creaseToward')]) {
      const { left, top, right, bottom } = sidesOf(path);
      const own = trims.find(
        (t) => left > t.left - 0.01 && right < t.right + 0.01 && top > t.top - 0.01 && bottom < t.bottom + 0.01,
      )!;
      expect(Math.max(right - left, bottom - top)).to.be.closeTo(
        left === right ? own.bottom - own.top : own.right - own.left,
        0.01,
      );
    }
  });
});

describe('drift as it is drawn', () => {
  const p = plan(
    inkedWith(
      ...sized('flat', 90, 120),
      decide((job) => job.cut.trimmerId, 'lever'),
    ),
  );

  it('is a band about every trim, four times as wide as where the blade lands 95 times in 100', () => {
    for (const measured of ['fromTrue', 'chained'] as const) {
      const scene = drawDrift(p.size, p.sheet, p.cut, view, measured);
      const bands = pathsOf(scene, 'waste').map(({ path }) => sidesOf(path));
      const half = (mm: number): number => 1.96 * mm * 4;
      const wanted = p.sheet.cells.flatMap(({ trim }, i) => {
        const { left, top, right, bottom } = sides(trim);
        const of = (edge: keyof Sides): number => {
          const { fromTrueMm, chainedMm } = p.cut.drift.pieces[i]![edge];
          return half(measured === 'fromTrue' ? fromTrueMm : chainedMm);
        };
        return [
          { left, right: right, top: top - of('top'), bottom: top + of('top') },
          { left: right - of('right'), right: right + of('right'), top, bottom },
          { left, right, top: bottom - of('bottom'), bottom: bottom + of('bottom') },
          { left: left - of('left'), right: left + of('left'), top, bottom },
        ];
      });
      expect(bands).to.have.length(wanted.length);
      bands.forEach((band, i) => {
        for (const side of ['left', 'top', 'right', 'bottom'] as const)
          expect(band[side], `${measured} ${i} ${side}`).to.be.closeTo(wanted[i]![side], 0.06);
      });
    }
  });

  it('has its true half width once beside every line of the sheet, in turn nearer and farther from it', () => {
    const scene = drawDrift(p.size, p.sheet, p.cut, view, 'chained');
    const labels = labelsOf(scene);
    const lines = (upright: boolean): readonly number[] =>
      [
        ...new Set(
          p.sheet.cells.flatMap(({ trim }) => {
            const { left, top, right, bottom } = sides(trim);
            return (upright ? [left, right] : [top, bottom]).map((mm) => Math.round(mm * 100) / 100);
          }),
        ),
      ].sort((a, b) => a - b);
    const across = labels.filter(({ anchor }) => anchor === 'middle');
    const down = labels.filter(({ anchor }) => anchor === 'end');
    expect(across.map(({ at }) => at.xMm)).to.deep.equal(lines(true));
    across.forEach(({ at }, i) => expect(at.yMm).to.be.closeTo(-1.8 * (i % 2 === 0 ? 0.5 : 1.65), 1e-9));
    lines(false).forEach((mm, i) => {
      expect(down[i]!.at.yMm).to.be.closeTo(mm + 0.54, 1e-9);
      expect(down[i]!.at.xMm).to.be.closeTo(-1.8 * (i % 2 === 0 ? 0.5 : 3.1), 1e-9);
    });
    // The widest of the cards that share the line.
    const first = p.sheet.cells.map(
      ({ trim }, i) => [Math.round(trim.xMm * 100) / 100, p.cut.drift.pieces[i]!.left.chainedMm] as const,
    );
    const widest = Math.max(...first.filter(([at]) => at === lines(true)[0]).map(([, mm]) => mm));
    expect(across[0]!.text).to.equal(`±${(1.96 * widest).toFixed(1)}`);
    expect(scene.box.xMm).to.equal(-8);
    expect(scene.shapes.filter(({ kind }) => kind === 'use')).to.have.length(p.sheet.up);
    expect(pathsOf(scene, 'trim').map(({ path }) => sidesOf(path).left)).to.deep.equal(
      p.sheet.placements.map(({ trim }) => Math.round(trim.xMm * 1000) / 1000),
    );
  });

  it('has no band where nothing is cut', () => {
    const bare = {
      ...p.cut,
      drift: {
        ...p.cut.drift,
        pieces: p.cut.drift.pieces.map((piece) => ({ ...piece, left: { fromTrueMm: 0, chainedMm: 0 } })),
      },
    };
    const scene = drawDrift(p.size, p.sheet, bare, view, 'fromTrue');
    expect(pathsOf(scene, 'waste')).to.have.length(3 * p.sheet.cells.length);
  });
});
