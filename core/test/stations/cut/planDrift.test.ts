import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { planDrift } from '../../../src/stations/cut/planDrift.ts';
import type { CutMove } from '../../../src/stations/cut/types.ts';
import { FORMAT_IDS } from '../../../src/job/format.ts';
import { inkedWith, plan, sized } from '../../support.ts';
import { runs } from '../../runs.ts';

const three = plan(
  inkedWith(
    ...sized('flat', 60, 200),
    decide((job) => job.size.bleedMm, 2),
    decide((job) => job.cut.trimmerId, 'lever'),
    decide((job) => job.sheet.grain, 'ignore'),
  ),
);

/** A maker with a shaking hand: every cut lands a little off, measured from where the edge at the fence really is. */
function shake(moves: readonly CutMove[], random: () => number, sd: number, chained: boolean): Map<string, number> {
  const landed = new Map<string, number>();
  const isUpright = (m: CutMove): boolean => m.line[0].xMm === m.line[1].xMm;
  const at = (m: CutMove): number => (isUpright(m) ? m.line[0].xMm : m.line[0].yMm);
  const key = (upright: boolean, place: number): string => `${upright ? 'x' : 'y'}${place.toFixed(3)}`;
  for (const upright of [true, false]) {
    const own = moves.filter((m) => isUpright(m) === upright);
    const origin = own.find((m) => m.makesTrueEdge)!;
    landed.set(key(upright, at(origin)), random() * sd);
    const rest = own.filter((m) => !m.makesTrueEdge).sort((a, b) => at(a) - at(b));
    let before = landed.get(key(upright, at(origin)))!;
    for (const move of rest) {
      const base = chained ? before : landed.get(key(upright, at(origin)))!;
      before = base + random() * sd;
      landed.set(key(upright, at(move)), before);
    }
  }
  return landed;
}

/** Even numbers made normal. Source: Box and Muller, 1958 */
function normals(seed: number): () => number {
  let state = seed;
  const even = (): number => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return (state + 0.5) / 2_147_483_648;
  };
  return () => Math.sqrt(-2 * Math.log(even())) * Math.cos(2 * Math.PI * even());
}

describe('planDrift', () => {
  it('is the tool’s own spread at the true edge, √2 of it from there, and grows only along a chain', () => {
    const { cells } = three.sheet;
    const drift = planDrift(
      three.cut.moves,
      cells.map((c) => c.trim),
      0.3,
    );
    const row = cells.map((c, i) => ({ x: c.trim.xMm, d: drift[i]! })).sort((a, b) => a.x - b.x);
    expect(row).to.have.length(3);
    expect(row[0]!.d.left.fromTrueMm).to.be.closeTo(0.3, 1e-9);
    for (const { d } of row) expect(d.right.fromTrueMm).to.be.closeTo(0.3 * Math.SQRT2, 1e-9);
    // Five cuts after the true edge: 1 + 1, 1 + 2, … 1 + 5 spreads, added as squares.
    const chained = row.flatMap(({ d }) => [d.left.chainedMm, d.right.chainedMm]);
    chained.forEach((sd, k) => expect(sd).to.be.closeTo(0.3 * Math.sqrt(k + 1), 1e-9));
  });

  it('agrees with a thousand sheets cut by a shaking hand', () => {
    const cells = three.sheet.cells.map((c) => c.trim);
    const drift = planDrift(three.cut.moves, cells, 0.3);
    for (const chained of [false, true]) {
      const random = normals(7);
      const runs = Array.from({ length: 4000 }, () => shake(three.cut.moves, random, 0.3, chained));
      cells.forEach((trim, i) => {
        const seen = runs.map((run) => run.get(`x${(trim.xMm + trim.widthMm).toFixed(3)}`)!);
        const sd = Math.sqrt(seen.reduce((sum, v) => sum + v * v, 0) / seen.length);
        const said = chained ? drift[i]!.right.chainedMm : drift[i]!.right.fromTrueMm;
        // Sampling error of a spread from 4000 is about 1.1 %.
        expect(sd / said).to.be.within(0.95, 1.05);
      });
    }
  });

  it('never says that a chain is better, and nothing strays with a perfect tool', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FORMAT_IDS),
        fc.double({ min: 40, max: 120, noNaN: true }),
        fc.double({ min: 40, max: 140, noNaN: true }),
        (format, w, h) => {
          const { sheet, cut } = plan(
            inkedWith(
              ...sized(format, w, h),
              decide((job) => job.cut.trimmerId, 'lever'),
            ),
          );
          const trims = sheet.cells.map((c) => c.trim);
          for (const piece of planDrift(cut.moves, trims, 0.25))
            for (const { fromTrueMm, chainedMm } of Object.values(piece)) {
              expect(chainedMm).to.be.at.least(fromTrueMm - 1e-9);
              expect(fromTrueMm === 0 || fromTrueMm >= 0.25 - 1e-9).to.equal(true);
            }
          for (const piece of planDrift(cut.moves, trims, 0))
            for (const edge of Object.values(piece)) expect(edge).to.deep.equal({ fromTrueMm: 0, chainedMm: 0 });
        },
      ),
      { numRuns: runs(60) },
    );
  });
});
