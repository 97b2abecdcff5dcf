import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import type { FigureValue } from '../../../src/job/findings.ts';
import fc from 'fast-check';
import { distanceToEdge, edgesOf, areaOf } from '../../../src/ground/geometry/polygon.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import type { Job, LayerChoice } from '../../../src/job/types.ts';
import { jobWith, plan, sized, workshop } from '../../support.ts';
import { runs } from '../../runs.ts';

const withLayer = (job: Job, part: Partial<LayerChoice>): Job =>
  changeJob(job, [
    decide(
      (job) => job.size.layers,
      [{ id: 'l', kind: 'mat', faces: ['front'], revealMm: 3, stockIds: ['reed-120-a4'], ...part }],
    ),
  ]);

describe('planLayers', () => {
  it('takes the reveal off every side, once more for every layer', () => {
    const job = withLayer(jobWith(...sized('sideFold', 100, 140)), { stockIds: ['reed-120-a4', 'shell-300-a4'] });
    const pieces = plan(job).size.layers;
    expect(pieces.map(({ blank }) => [blank.widthMm, blank.heightMm])).to.deep.equal([
      [94, 134],
      [88, 128],
    ]);
    expect(pieces.map((p) => [p.leftMm, p.topMm])).to.deep.equal([
      [3, 3],
      [6, 6],
    ]);
  });

  it('keeps the reveal even on slopes and curves: every corner of the mat is that far from the panel’s edge', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('cascade' as const, 'hingedShape' as const),
        fc.double({ min: 1, max: 9, noNaN: true }),
        (format, revealMm) => {
          const job = withLayer(jobWith(...sized(format, 80, 120)), { revealMm });
          const { size } = plan(job);
          const [mat] = size.layers;
          const { trim } = size.regions.front!;
          for (const corner of mat!.blank.outline) {
            const at = { xMm: corner.xMm + mat!.leftMm, yMm: corner.yMm + mat!.topMm };
            const off = Math.min(...edgesOf(trim).map((edge) => distanceToEdge(at, edge)));
            // Mitred corners of a slope lie farther in, never nearer.
            expect(off).to.be.at.least(revealMm - 0.01);
          }
          // On the curve itself, and not only at its corners.
          for (const [a, b] of edgesOf(mat!.blank.outline)) {
            const middle = { xMm: (a.xMm + b.xMm) / 2 + mat!.leftMm, yMm: (a.yMm + b.yMm) / 2 + mat!.topMm };
            const off = Math.min(...edgesOf(trim).map((edge) => distanceToEdge(middle, edge)));
            expect(off).to.be.closeTo(revealMm, 0.02);
          }
        },
      ),
      { numRuns: runs(12) },
    );
  });

  it('shortens nested leaves by a quarter turn of every caliper they lie inside', () => {
    const job = withLayer(
      jobWith(
        ...sized('sideFold', 100, 140),
        decide((job) => job.stock.stockId, 'shell-300-a4'),
      ),
      { kind: 'insert', faces: [], stockIds: ['reed-120-a4', 'reed-120-a4'] },
    );
    const [outer, inner] = plan(job).size.layers;
    // Card 0.37 mm: π/2 · 0.37 = 0.581 off the first leaf; the first leaf’s 0.15 mm takes 0.236 more off the second.
    expect(outer!.blank.widthMm).to.be.closeTo(2 * (97 - 0.5812), 1e-3);
    expect(inner!.blank.widthMm).to.be.closeTo(2 * (97 - 0.5812 - 0.2356), 1e-3);
    const half = outer!.blank.widthMm / 2;
    expect(outer!.blank.creases).to.deep.equal([
      { id: 'fold', from: { xMm: half, yMm: 0 }, to: { xMm: half, yMm: 134 } },
    ]);
    expect(outer!.blank.heightMm).to.equal(134);
  });

  it('shortens an insert within an insert by its own creep, also when they are separate layers', () => {
    const insert = (id: string, stockIds: readonly string[]): LayerChoice => ({
      id,
      kind: 'insert',
      faces: [],
      revealMm: 3,
      stockIds,
    });
    const of = (layers: readonly LayerChoice[]) =>
      plan(
        jobWith(
          ...sized('sideFold', 100, 140),
          decide((job) => job.size.layers, layers),
        ),
      ).size.layers.map(({ blank }) => blank.creases[0]!.from.xMm);
    const together = of([insert('a', ['reed-120-a4', 'shell-300-a4', 'reed-120-a4'])]);
    const apart = of([insert('a', ['reed-120-a4']), insert('b', ['shell-300-a4']), insert('c', ['reed-120-a4'])]);
    expect(apart).to.deep.equal(together);
    // Each by π/2 of the leaf outside it.
    const caliper = (id: string): number => workshop.stocks.find((s) => s.id === id)!.caliperMicron / 1000;
    expect(apart[0]! - apart[1]!).to.be.closeTo((Math.PI / 2) * caliper('reed-120-a4'), 1e-9);
    expect(apart[1]! - apart[2]!).to.be.closeTo((Math.PI / 2) * caliper('shell-300-a4'), 1e-9);
  });

  it('adds to the thickness, a folded insert twice and with the spring of its fold', () => {
    const job = jobWith(...sized('sideFold', 100, 140));
    const bare = plan(job).size.thicknessMm;
    const mat = plan(withLayer(job, {})).size.thicknessMm;
    const insert = plan(withLayer(job, { kind: 'insert', faces: [] })).size.thicknessMm;
    expect(mat - bare).to.be.closeTo(0.15, 1e-9);
    // Two leaves of 150 µm, sprung by a quarter.
    expect(insert - bare).to.be.closeTo(0.375, 1e-9);
  });

  it('has a working that gives its value, a spine’s caliper and what is laid in among it', () => {
    const millimetres = (value: FigureValue): number =>
      value.kind === 'length'
        ? value.mm
        : value.kind === 'ratio'
          ? value.ratio
          : value.kind === 'count'
            ? value.count
            : Number.parseFloat((value as { text: string }).text) / 1000;
    for (const format of ['sideFold', 'spineFold', 'gusset', 'zigzag'] as const)
      for (const layer of [{}, { kind: 'insert' as const, faces: [] }]) {
        const shut = plan(withLayer(jobWith(...sized(format, 100, 140)), layer)).size.figures.find(
          (f) => f.id === 'thickness',
        )!;
        const given = new Map(shut.working.inputs.map(({ label, value }) => [label, millimetres(value)]));
        const [layers, caliper] = [given.get('Layers')!, given.get('Caliper')!];
        const spring = given.get('Spring (1 pressed hard, 1.5 loose)')!;
        const apart = given.has('Held apart') ? given.get('Held apart')! + caliper : 0;
        const worked = Math.max(layers * caliper * spring, apart) + (given.get('Glued on or laid in') ?? 0);
        expect(millimetres(shut.value), format).to.be.closeTo(worked, 1e-6);
      }
  });

  it('says when no paper is left, and each remedy leaves some', () => {
    const job = withLayer(jobWith(...sized('sideFold', 60, 90)), { revealMm: 27 });
    const [snag] = plan(job).size.snags.filter((s) => s.id === 'size-layer-l');
    expect(snag!.title).to.contain('has no paper left');
    expect(snag!.remedies.map((r) => r.label)).to.deep.equal(['Set the reveal to 26 mm', 'Take this layer off']);
    for (const remedy of snag!.remedies)
      expect(plan(changeJob(job, remedy.changes)).size.snags.map((s) => s.id)).not.to.include('size-layer-l');
  });

  it('wants a single fold for an insert', () => {
    const job = withLayer(jobWith(...sized('gateFold', 90, 120)), { kind: 'insert', faces: [] });
    expect(plan(job).size.snags.map((s) => s.title)).to.include('A folded insert wants a card with one fold');
  });

  it('counts sheets of its own stock, and their price', () => {
    const job = withLayer(
      jobWith(
        ...sized('sideFold', 100, 140),
        decide((job) => job.brief.wanted, 40),
      ),
      {},
    );
    const made = plan(job);
    const [layer] = made.sheet.layers;
    // 94 × 134 on 210 × 297, edge to edge: 2 × 2.
    expect(layer!.up).to.equal(4);
    expect(layer!.sheets).to.equal(Math.ceil((40 + made.sheet.spares) / 4));
    expect(made.sell.parts.find((p) => p.id === 'layers')!.perCardMinor).to.be.closeTo(
      (layer!.sheets * layer!.piece.stock.sheetPriceMinor) / 40,
      1e-9,
    );
    expect(made.make.steps.map((s) => s.kind)).to.include('layer');
  });
});

describe('regions of a face', () => {
  it('bleed stops at a fold and reaches past every trim, on a shape as on a box', () => {
    const { size } = plan(jobWith(...sized('hingedShape', 80, 100)));
    const front = size.regions.front!;
    // The hinge is the front’s left edge: nothing bleeds over it.
    expect(Math.min(...front.bleed.outline.map((p) => p.xMm))).to.be.closeTo(0, 1e-3);
    expect(Math.max(...front.bleed.outline.map((p) => p.xMm))).to.be.closeTo(83, 1e-3);
    // Everywhere else its rim stands 3 mm off the trim.
    for (const p of front.bleed.outline.filter((q) => q.xMm > 8))
      expect(Math.min(...edgesOf(front.trim).map((edge) => distanceToEdge(p, edge)))).to.be.closeTo(3, 0.02);
  });

  it('an easel’s face bleeds on both sides of its narrow leg', () => {
    const { size } = plan(jobWith(...sized('easel', 120, 100)));
    const { bleed } = size.regions.front!;
    // Face and bleed: 126 × 106, less the 60 mm that the leg takes of the upper bleed.
    expect(areaOf(bleed.outline)).to.be.closeTo(126 * 106 - 60 * 3, 1);
  });
});

describe('a lining', () => {
  it('is cut as the box round its face and 5 mm more on every side, and is seen as its face is', () => {
    const job = jobWith(
      ...sized('hingedShape', 96, 104),
      decide((at) => at.size.options.shape, 'scallop'),
      decide(
        (at) => at.size.layers,
        [{ id: 'l', kind: 'lining', faces: ['insideBack'], revealMm: 3, stockIds: ['reed-120-a4'] }],
      ),
    );
    const { size, make } = plan(job);
    const face = size.faces.find(({ id }) => id === 'insideBack')!;
    const [piece] = size.layers;
    expect(piece!.blank.widthMm).to.be.closeTo(face.widthMm + 10, 1e-6);
    expect(piece!.blank.heightMm).to.be.closeTo(face.heightMm + 10, 1e-6);
    expect(piece!.blank.outline.length).to.equal(4);
    // What is left has the face’s own rim: every point of it within the face, and more than a box’s four.
    expect(piece!.trimmedTo!.length).to.be.greaterThan(40);
    for (const { xMm, yMm } of piece!.trimmedTo!) {
      expect(xMm).to.be.within(-1e-6, face.widthMm + 1e-6);
      expect(yMm).to.be.within(-1e-6, face.heightMm + 1e-6);
    }
    const bare = plan(changeJob(job, [decide((at) => at.size.layers, [])])).size.thicknessMm;
    expect(size.thicknessMm - bare).to.be.closeTo(piece!.stock.caliperMicron / 1000, 1e-9);
    // All of it is glued: a film of 0.2 mm, within the line that no further one fits beside.
    const wet = plan(changeJob(job, [decide((at) => at.size.layers.at(0).adhesiveId, 'quay-glue')])).make.adhesives[0]!;
    const film = (piece!.blank.widthMm * piece!.blank.heightMm * 0.2) / 1000;
    expect(wet.perCard).to.be.within(film * 0.95, film);
    const step = make.steps.find(({ title }) => title.startsWith('Cut, glue and trim flush'))!;
    expect(step.detail).to.contain('trim the lining flush');
    expect(step.caution).to.contain('blade').and.contain('glue');
  });
});
