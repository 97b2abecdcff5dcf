import { expect } from 'chai';
import fc from 'fast-check';
import {
  allSnags,
  drawMachineFile,
  drawSheetPage,
  runMachine,
  svgFile,
  type Plan,
  type Scan,
  type Shape,
} from '../../../src/index.ts';
import { knifePaths } from '../../../src/stations/cut/knifePaths.ts';
import { apply, type Affine } from '../../../src/ground/geometry/affine.ts';
import type { Point } from '../../../src/ground/geometry/types.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import { FORMAT_IDS } from '../../../src/job/format.ts';
import { inkedWith, plan, sized, workshop } from '../../support.ts';
import { runs } from '../../runs.ts';

const petrel = workshop.trimmers.find((t) => t.id === 'petrel')!;
const facts = petrel.machine!;
const onMachine = (...changes: readonly JobChange[]): Plan =>
  plan(
    inkedWith(
      ...changes,
      decide((job) => job.cut.trimmerId, 'petrel'),
    ),
  );
const stopsOf = (made: Plan): readonly string[] =>
  allSnags(made).flatMap(({ level, id }) => (level === 'stop' ? [id] : []));
const file = (made: Plan): string =>
  svgFile(drawMachineFile(made.size, made.sheet), 'cut', { layers: true, pictureHref: () => '' });

const PX_PER_MM = 8;

/** The sheet’s black marks on white paper, sampled point by point, moved as a printer moves them. */
function scanOf(made: Plan, moved: Affine, dirt: readonly { x: number; y: number }[] = []): Scan {
  const { sheetWidthMm: w, sheetHeightMm: h } = made.sheet;
  const [widthPx, heightPx] = [Math.round(w * PX_PER_MM), Math.round(h * PX_PER_MM)];
  const grey = new Uint8Array(widthPx * heightPx).fill(255);
  const page = drawSheetPage(made.size, made.art, made.sheet, 'front', { title: 'x', date: null, sheetNumber: 1 });
  const marks = page.scene.shapes.filter(
    (s): s is Extract<Shape, { kind: 'path' }> => s.kind === 'path' && s.role === 'mark' && s.fill !== undefined,
  );
  for (const { path } of marks) {
    const points = path.flatMap((p) => (p.kind === 'close' ? [] : [apply(moved, p.to)]));
    const inside = (x: number, y: number): boolean =>
      points.every((p, i) => {
        const q = points[(i + 1) % points.length]!;
        return (q.xMm - p.xMm) * (y - p.yMm) - (q.yMm - p.yMm) * (x - p.xMm) >= 0;
      });
    const xs = points.map((p) => p.xMm);
    const ys = points.map((p) => p.yMm);
    for (let py = Math.floor(Math.min(...ys) * PX_PER_MM); py <= Math.max(...ys) * PX_PER_MM; py += 1)
      for (let px = Math.floor(Math.min(...xs) * PX_PER_MM); px <= Math.max(...xs) * PX_PER_MM; px += 1)
        if (inside((px + 0.5) / PX_PER_MM, (py + 0.5) / PX_PER_MM)) grey[py * widthPx + px] = 0;
  }
  for (const { x, y } of dirt)
    for (let py = Math.round((y - 4) * PX_PER_MM); py < (y + 4) * PX_PER_MM; py += 1)
      for (let px = Math.round((x - 4) * PX_PER_MM); px < (x + 4) * PX_PER_MM; px += 1) grey[py * widthPx + px] = 0;
  return { widthPx, heightPx, pxPerMm: PX_PER_MM, grey };
}

describe('a cutting machine', () => {
  it('keeps its marks inside its margins and clear of every card’s bleed, for any format', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FORMAT_IDS),
        fc.double({ min: 40, max: 150, noNaN: true }),
        fc.double({ min: 40, max: 150, noNaN: true }),
        (format, w, h) => {
          const { sheet, size } = onMachine(...sized(format, w, h));
          for (const mark of sheet.machineMarks) {
            const [right, bottom] = [sheet.sheetWidthMm - mark.xMm, sheet.sheetHeightMm - mark.yMm];
            expect(Math.min(mark.xMm, mark.yMm, right, bottom) - 3).to.be.at.least(facts.marginMm);
            for (const { trim } of sheet.cells) {
              const dx = Math.max(trim.xMm - mark.xMm, mark.xMm - trim.xMm - trim.widthMm);
              const dy = Math.max(trim.yMm - mark.yMm, mark.yMm - trim.yMm - trim.heightMm);
              expect(Math.max(dx, dy)).to.be.at.least(size.bleedMm + 3 - 1e-9);
            }
          }
          if (sheet.up > 0 && sheet.machineMarks.length === 0)
            expect(
              allSnags(
                plan(
                  inkedWith(
                    ...sized(format, w, h),
                    decide((job) => job.cut.trimmerId, 'petrel'),
                  ),
                ),
              ).map((s) => s.id),
            ).to.include('sheet-no-machine-marks');
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('takes its passes from the weight: 300 gsm three times, 120 gsm once', () => {
    expect(onMachine(...sized('flat', 100, 70)).cut.machine?.passes).to.equal(3);
    expect(
      onMachine(
        ...sized('flat', 100, 70),
        decide((job) => job.stock.stockId, 'reed-120-a4'),
      ).cut.machine?.passes,
    ).to.equal(1);
  });

  it('knows how long it takes: 4 outlines of 340 mm, three times at 60 mm/s, is 68 s and the way between', () => {
    const { cut, sheet } = onMachine(
      ...sized('flat', 100, 70),
      decide((job) => job.size.bleedMm, 3),
    );
    expect(cut.machine!.cutMm).to.be.closeTo(sheet.up * 340, 1e-6);
    const down = (sheet.up * 340 * 3) / 60;
    expect(cut.machine!.secondsPerSheet).to.be.within(down + 12, down + 12 + 10);
  });

  it('cuts an edge that cards share once: 2 × 2 of 60 × 40 without bleed are three lines of 80 and three of 120', () => {
    const square = (x: number, y: number): readonly Point[] =>
      [
        [x, y],
        [x + 60, y],
        [x + 60, y + 40],
        [x, y + 40],
      ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! }));
    const paths = knifePaths([square(10, 10), square(70, 10), square(10, 50), square(70, 50)]);
    const length = paths.reduce(
      (sum, path) =>
        sum + path.slice(1).reduce((n, q, i) => n + Math.hypot(q.xMm - path[i]!.xMm, q.yMm - path[i]!.yMm), 0),
      0,
    );
    // Not 4 · 200 = 800: the cross in the middle, 80 + 120, is in it once.
    expect(length).to.be.closeTo(3 * 80 + 3 * 120, 1e-9);
    expect(paths.map((path) => path.length)).to.deep.equal([5, 4, 4, 3]);
    // In a plan without bleed or gutter the file is shorter than its outlines by what they share.
    const { cut, sheet } = onMachine(
      ...sized('flat', 90, 55),
      decide((job) => job.size.bleedMm, 0),
    );
    expect(cut.machine!.cutMm).to.be.below(sheet.up * 290 - 90);
  });

  it('leaves nothing out: every point of every outline lies on some path, whatever touches', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(5), fc.nat(5), fc.integer({ min: 1, max: 4 })), { maxLength: 8 }), (all) => {
        const outlines = all.map(([x, y, s]) =>
          [
            [x, y],
            [x + s, y],
            [x + s, y + 1],
            [x, y + 1],
          ].map(([xMm, yMm]) => ({ xMm: xMm! * 10, yMm: yMm! * 10 })),
        );
        const edges = knifePaths(outlines).flatMap((path) => path.slice(1).map((q, i) => [path[i]!, q] as const));
        const unit = new Set<string>();
        for (const outline of outlines)
          outline.forEach((p, i) => {
            const q = outline[(i + 1) % 4]!;
            const n = (Math.abs(q.xMm - p.xMm) + Math.abs(q.yMm - p.yMm)) / 10;
            for (let k = 0; k < n; k += 1)
              unit.add(
                [p.xMm + ((q.xMm - p.xMm) * (k + 0.5)) / n, p.yMm + ((q.yMm - p.yMm) * (k + 0.5)) / n].join(' '),
              );
          });
        const onEdge = ([p, q]: readonly [Point, Point], x: number, y: number): boolean =>
          Math.abs(
            Math.hypot(p.xMm - x, p.yMm - y) +
              Math.hypot(q.xMm - x, q.yMm - y) -
              Math.hypot(p.xMm - q.xMm, p.yMm - q.yMm),
          ) < 1e-6;
        for (const at of unit) {
          const [x, y] = at.split(' ').map(Number) as [number, number];
          expect(edges.filter((edge) => onEdge(edge, x, y))).to.have.length(1);
        }
      }),
      { numRuns: runs(200) },
    );
  });

  it('finds the print wherever the printer put it, and cuts round the cards as printed', () => {
    const made = onMachine(...sized('sideFold', 74, 105));
    const turn = 0.01;
    const moved: Affine = [Math.cos(turn), Math.sin(turn), -Math.sin(turn), Math.cos(turn), 1.8, -1.1];
    const report = runMachine(file(made), scanOf(made, moved), facts, 3);
    if (!report.ok) throw new Error(report.why);
    expect(report.cuts).to.have.length(made.sheet.up);
    const outline = made.size.form.blank.outline.map((p) => apply(moved, apply(made.sheet.placements[0]!.toSheet, p)));
    outline.forEach((p, i) => {
      const q = report.cuts[0]![i]!;
      // A pixel of this scan is an eighth of a millimetre.
      expect(Math.hypot(p.xMm - q.xMm, p.yMm - q.yMm)).to.be.below(0.08);
    });
    expect(report.seconds).to.be.closeTo(made.cut.machine!.secondsPerSheet, 1);
  });

  it('says which mark it cannot find: smudged, or the sheet the wrong way round', () => {
    const made = onMachine(...sized('sideFold', 74, 105));
    const [, second] = made.sheet.machineMarks;
    const smudged = runMachine(
      file(made),
      scanOf(made, [1, 0, 0, 1, 0, 0], [{ x: second!.xMm, y: second!.yMm }]),
      facts,
      3,
    );
    expect(smudged.ok).to.equal(false);
    if (!smudged.ok) expect(smudged.why).to.match(/^Mark 2 was not found/);
    const { sheetWidthMm: w, sheetHeightMm: h } = made.sheet;
    const round = runMachine(file(made), scanOf(made, [-1, 0, 0, -1, w, h]), facts, 3);
    if (!round.ok) expect(round.why).to.match(/^Mark 1 was not found.*right way round/);
    expect(round.ok).to.equal(false);
  });

  it('refuses what is no cut file, and a sheet wider than its rollers', () => {
    const made = onMachine(...sized('sideFold', 74, 105));
    const blank = scanOf(made, [1, 0, 0, 1, 0, 0]);
    expect(runMachine('<svg/>', blank, facts, 1)).to.deep.include({ ok: false });
    const wide = runMachine(file(made), blank, { ...facts, widestMm: 150 }, 1);
    if (!wide.ok) expect(wide.why).to.match(/210 mm wide and the machine takes 150/);
    expect(wide.ok).to.equal(false);
  });

  it('does not take a sheet that is wider than its rollers, and says what cuts it', () => {
    const shop = {
      ...workshop,
      trimmers: workshop.trimmers.map((t) => (t.machine ? { ...t, machine: { ...t.machine, widestMm: 200 } } : t)),
    };
    const job = inkedWith(
      ...sized('flat', 90, 60),
      decide((at) => at.cut.trimmerId, 'petrel'),
    );
    // A4 is 210 mm across.
    const snag = plan(job, shop).cut.snags.find(({ id }) => id === 'cut-machine-wide')!;
    expect(snag.level).to.equal('stop');
    expect(snag.why).to.match(/210 mm.*200 mm/);
    for (const { changes } of snag.remedies) expect(stopsOf(plan(changeJob(job, changes), shop))).to.deep.equal([]);
    expect(plan(job).cut.snags.map(({ id }) => id)).to.not.include('cut-machine-wide');
  });
});
