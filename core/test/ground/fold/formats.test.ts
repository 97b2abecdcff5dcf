import { expect } from 'chai';
import fc from 'fast-check';
import { collisions } from '../../../src/ground/fold/collisions.ts';
import { inSpace } from '../../../src/ground/fold/foldBlank.ts';
import { atOpening, atStep, planFolding } from '../../../src/ground/fold/foldForm.ts';
import { readFaces } from '../../../src/ground/fold/readFaces.ts';
import { move, type Pose, type Vec3 } from '../../../src/ground/fold/space.ts';
import { afterSteps, opened, readingPoses } from '../../../src/ground/fold/stages.ts';
import type { FoldedForm } from '../../../src/ground/fold/types.ts';
import { apply, determinant } from '../../../src/ground/geometry/affine.ts';
import { areaOf, signedArea, type Polygon } from '../../../src/ground/geometry/polygon.ts';
import type { Point } from '../../../src/ground/geometry/types.ts';
import { FORMATS, formOf, settleOptions } from '../../../src/stations/size/formats/index.ts';
import { SHAPE_IDS, type FormatId, type FormatOptions } from '../../../src/job/format.ts';
import { type Finish } from '../../../src/stations/size/formats/types.ts';
import { foldOnPaper, type OnPaper } from '../../foldOnPaper.ts';
import { runs } from '../../runs.ts';

const mm = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });

interface Case {
  readonly finish: Finish;
  readonly form: FoldedForm;
  readonly options: FormatOptions;
  readonly caliperMm: number;
}

/** Any card a maker could ask of a format, its options drawn within their limits. */
const anyCase = (format: FormatId, caliper: fc.Arbitrary<number> = mm(0.05, 0.45)): fc.Arbitrary<Case> =>
  fc
    .record({
      widthMm: mm(40, 300),
      heightMm: mm(40, 300),
      caliperMm: caliper,
      shares: fc.array(mm(0, 1), { minLength: 18, maxLength: 18 }),
      shape: fc.constantFrom(...SHAPE_IDS),
      hinge: fc.constantFrom<('left' | 'top')[]>('left', 'top'),
      lid: fc.boolean(),
    })
    .map(({ widthMm, heightMm, caliperMm, shares, shape, hinge, lid }) => {
      const finish = { widthMm, heightMm };
      const entry = FORMATS.find((f) => f.id === format)!;
      const chosen: Record<string, unknown> = {};
      entry.inputs.forEach((input, i) => {
        if (input.kind === 'length' || input.kind === 'number') {
          // What is worked out from the paper is left to be; what is asked is drawn anywhere in its limits.
          if (input.kind === 'length' && input.mayBeNull && input.id !== 'frontHeightMm' && input.id !== 'legWidthMm')
            return;
          const [least, most] = input.limits(finish);
          const value = least + shares[i]! * (most - least);
          chosen[input.id] = input.kind === 'number' && input.whole ? Math.round(value) : value;
        } else if (input.id === 'shape') chosen.shape = shape;
        else if (input.id === 'hinge') chosen.hinge = hinge;
        else if (input.id === 'lid') chosen.lid = lid;
        else if (input.kind === 'choice')
          chosen[input.id] = input.choices[Math.floor(shares[i]! * 0.999 * input.choices.length)]!.id;
        else if (input.id === 'path') chosen.path = 'M10 0 C40 -10 60 30 50 60 L0 55 Q-12 20 10 0 Z';
      });
      const { options, faults } = settleOptions(format, finish, chosen);
      expect(faults).to.deep.equal([]);
      return { finish, options, caliperMm, form: formOf(format, finish, options, { caliperMm }) };
    });

const spread = (form: FoldedForm, poses: ReadonlyMap<string, Pose>, axis: 0 | 1 | 2): number => {
  const at = form.blank.panels.flatMap((p) => p.outline.map((q) => move(poses.get(p.id)!, inSpace(q))[axis]));
  return Math.max(...at) - Math.min(...at);
};
const gap = (a: Vec3, b: Vec3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
const near = (a: Point, b: Point): boolean => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm) < 1e-3;

for (const { id, inputs } of FORMATS)
  describe(`format ${id}`, () => {
    const few = { numRuns: runs(id === 'hingedShape' ? 40 : 60) };

    it('shut, measures its finished size to a hundredth of a millimetre', () => {
      fc.assert(
        fc.property(anyCase(id, fc.constant(0)), ({ form, finish }) => {
          const shut = readingPoses(form, afterSteps(form, form.steps.length));
          expect(spread(form, shut, 0)).to.be.closeTo(finish.widthMm, 0.01);
          expect(spread(form, shut, 1)).to.be.closeTo(finish.heightMm, 0.01);
        }),
        few,
      );
    });

    it('is tiled by its panels, which all run the same way round', () => {
      fc.assert(
        fc.property(anyCase(id), ({ form: { blank } }) => {
          const sum = blank.panels.reduce((n, p) => n + areaOf(p.outline), 0);
          expect(sum).to.be.closeTo(areaOf(blank.outline), 1e-4 * areaOf(blank.outline));
          expect(new Set(blank.panels.map((p) => Math.sign(signedArea(p.outline)))).size).to.equal(1);
        }),
        few,
      );
    });

    it('stays whole: both panels of every crease agree where it is, at every stage', () => {
      fc.assert(
        fc.property(anyCase(id), mm(0, 1), ({ form }, share) => {
          for (const state of [afterSteps(form, share * form.steps.length), opened(form, share)]) {
            const poses = readingPoses(form, state);
            for (const crease of form.blank.creases)
              for (const end of [crease.from, crease.to]) {
                const [a, b] = crease.joins.map((panel) => move(poses.get(panel)!, inSpace(end)));
                expect(gap(a!, b!), crease.id).to.be.lessThan(1e-6);
              }
          }
        }),
        few,
      );
    });

    it('puts no panel through another, folding step by step or opening', () => {
      fc.assert(
        fc.property(anyCase(id), mm(0, 1), ({ form, caliperMm }, share) => {
          const folding = planFolding(form, caliperMm);
          expect(folding.faults).to.deep.equal([]);
          const give = 0.05 + 2 * caliperMm;
          expect(collisions(form.blank, atStep(form, folding, share * form.steps.length), give)).to.deep.equal([]);
          expect(collisions(form.blank, atOpening(form, folding, share), give)).to.deep.equal([]);
        }),
        few,
      );
    });

    it('covers every face upright, whole and unmirrored on its own side', () => {
      fc.assert(
        fc.property(anyCase(id), ({ form }) => {
          const faces = readFaces(form);
          expect(new Set(faces.map((f) => f.id)).size).to.equal(faces.length);
          for (const face of faces) {
            const panel = form.blank.panels.find((p) => p.id === face.panelId)!;
            expect(Math.sign(determinant(face.toBlank))).to.equal(face.side === 'outside' ? 1 : -1);
            for (const corner of [
              { xMm: 0, yMm: 0 },
              { xMm: face.widthMm, yMm: face.heightMm },
            ]) {
              const at = apply(face.toBlank, corner);
              expect(at.xMm).to.be.within(panel.box.xMm - 1e-6, panel.box.xMm + panel.box.widthMm + 1e-6);
              expect(at.yMm).to.be.within(panel.box.yMm - 1e-6, panel.box.yMm + panel.box.heightMm + 1e-6);
            }
          }
        }),
        few,
      );
    });

    // Folds that lie flat can be made with coordinates alone: a second, plainer account of where faces end up.
    if (id !== 'spineFold' && id !== 'hingedShape' && id !== 'wallet' && id !== 'box')
      it('reads the same when it is folded as flat paper, line by line', () => {
        fc.assert(
          fc.property(anyCase(id), ({ form }) => {
            const read = new Map(readFaces(form).map((face) => [face.id, face]));
            for (const rule of form.faces) {
              const face = read.get(rule.id)!;
              const paper = foldOnPaper(form, rule.afterSteps);
              const lies = paper.get(rule.panelId)!;
              const flip = paper.get(form.restingPanelId)!;
              const upright = readerUp(lies, flip, form, rule.readFrom);
              // The face’s own top edge must lie on the reader’s upper side, its left on the reader’s left.
              const seen = (p: Point): Point => upright(apply(face.toBlank, p));
              const [o, x, y] = [seen({ xMm: 0, yMm: 0 }), seen({ xMm: 1, yMm: 0 }), seen({ xMm: 0, yMm: 1 })];
              expect(x.xMm - o.xMm, `${rule.id}: right`).to.be.closeTo(1, 1e-6);
              expect(y.yMm - o.yMm, `${rule.id}: down`).to.be.closeTo(1, 1e-6);
            }
          }),
          { numRuns: runs(20) },
        );
      });

    it('draws options out of reach within reach, and says which', () => {
      const asks = inputs.find((input) => input.kind === 'length' || input.kind === 'number');
      if (!asks || (asks.kind !== 'length' && asks.kind !== 'number')) return;
      const finish = { widthMm: 100, heightMm: 140 };
      const [, most] = asks.limits(finish);
      const { options, faults } = settleOptions(id, finish, { [asks.id]: most + 500 });
      expect(faults).to.have.length(1);
      expect(faults[0]).to.include({ option: asks.id, nearest: most, given: most + 500 });
      expect(() => formOf(id, finish, options, { caliperMm: 0.3 })).not.to.throw();
    });
  });

/**
 * The reader’s view of folded paper: the resting panel lies as the shut card’s front has it, and whoever
 * reads from behind turns the card like a page.
 */
function readerUp(lies: OnPaper, rest: OnPaper, form: FoldedForm, readFrom: 'front' | 'behind'): (p: Point) => Point {
  const shut = foldOnPaper(form, form.steps.length);
  const [front, restShut] = [shut.get(form.frontPanelId)!, shut.get(form.restingPanelId)!];
  // The shut card is held so that the front lies as on the blank; opening keeps the resting panel there.
  const hold = (p: Point): Point => front.unfold(restShut.fold(rest.unfold(p)));
  return (p) => {
    const at = hold(lies.fold(p));
    return readFrom === 'front' ? at : { xMm: -at.xMm, yMm: at.yMm };
  };
}

describe('cascade bases', () => {
  const finish = { widthMm: 60, heightMm: 150 };
  const made = (panels: number, frontHeightMm: number): FoldedForm => {
    const { options } = settleOptions('cascade', finish, { panels, frontHeightMm });
    return formOf('cascade', finish, options, { caliperMm: 0 });
  };
  const sameSet = (a: Polygon, b: Polygon): boolean =>
    a.length === b.length && a.every((p) => b.some((q) => near(p, q)));

  it('two come out of one sheet: alike under half a turn, and their areas add up to it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 6 }), mm(20, 140), (panels, low) => {
        const { blank } = made(panels, low);
        const [w, h] = [panels * 60, 150 + low];
        const lower = blank.outline.map(({ xMm, yMm }) => ({ xMm, yMm: yMm + h - 150 }));
        const upper = lower.map(({ xMm, yMm }) => ({ xMm: w - xMm, yMm: h - yMm }));
        // The sloped edge of one is the sloped edge of the other, so nothing is left between them.
        expect(lower.filter((p) => upper.some((q) => near(p, q)))).to.have.length(2);
        expect(areaOf(lower) + areaOf(upper)).to.be.closeTo(w * h, 1e-6);
        // By hand: a trapezoid of parallel sides low and 150, w apart.
        expect(areaOf(lower)).to.be.closeTo((w * (low + 150)) / 2, 1e-6);
      }),
    );
  });

  it('turned over instead of round, the second folds into the mirror image of the first', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 6 }), mm(20, 140), (panels, low) => {
        const form = made(panels, low);
        const w = panels * 60;
        const mirror = (p: Point): Point => ({ xMm: w - p.xMm, yMm: p.yMm });
        // Over about a level line: the upper base, half a turn of the lower, comes to stand left for right.
        const upper = form.blank.outline.map(({ xMm, yMm }) => ({ xMm: w - xMm, yMm: 150 - yMm }));
        const over = upper.map(({ xMm, yMm }) => ({ xMm, yMm: 150 - yMm }));
        expect(sameSet(over, form.blank.outline.map(mirror))).to.equal(true);
        const mirrored: FoldedForm = {
          ...form,
          blank: {
            ...form.blank,
            panels: form.blank.panels.map((p) => ({
              ...p,
              outline: p.outline.map(mirror),
              box: { ...p.box, xMm: w - p.box.xMm - p.box.widthMm },
            })),
            creases: form.blank.creases.map((c) => ({ ...c, from: mirror(c.from), to: mirror(c.to) })),
          },
        };
        const [a, b] = [form, mirrored].map((f) => readingPoses(f, afterSteps(f, f.steps.length)));
        for (const panel of form.blank.panels)
          for (const point of panel.outline) {
            const [x, y, z] = move(a!.get(panel.id)!, inSpace(point));
            const other = move(b!.get(panel.id)!, inSpace(mirror(point)));
            expect(gap([w - x, y, z], other)).to.be.lessThan(1e-6);
          }
      }),
      { numRuns: runs(30) },
    );
  });

  it('shows every panel behind the last: each top is higher than the one before it', () => {
    const { blank } = made(4, 80);
    // Slope 70 mm over 240: each panel’s lowest edge rises by 17.5 mm.
    expect(
      blank.panels.map((p) => Math.max(...p.outline.filter((q) => q.yMm < 149).map((q) => 150 - q.yMm))),
    ).to.deep.equal([97.5, 115, 132.5, 150]);
  });
});

describe('roll folds and double gates', () => {
  const jam = (format: 'rollFold' | 'doubleGate', panels: number, shortenMm: number | null, caliperMm: number) => {
    const finish = { widthMm: 100, heightMm: 150 };
    const { options } = settleOptions(format, finish, { panels, shortenMm });
    const form = formOf(format, finish, options, { caliperMm });
    return planFolding(form, caliperMm).faults;
  };

  it('jam when the shortening is taken away, for any number of panels and any paper', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('rollFold' as const, 'doubleGate' as const),
        fc.integer({ min: 3, max: 6 }),
        mm(0.06, 0.5),
        (format, panels, caliper) => {
          const faults = jam(format, panels, 0, caliper);
          expect(faults.length).to.be.greaterThan(0);
          for (const fault of faults) expect(fault.kind).to.equal('tooLong');
          expect(jam(format, panels, null, caliper)).to.deep.equal([]);
        },
      ),
    );
  });

  it('says how much too long, from the bend’s own half circle', () => {
    // Three panels of 0.4 mm: one sheet lies in the last bend, π/4 · (0.4 + 0.4) = 0.628 mm on each side.
    const [fault] = jam('rollFold', 3, 0, 0.4);
    expect(fault).to.include({ kind: 'tooLong', panelId: 'roll1', step: 1 });
    expect((fault as { byMm: number }).byMm).to.be.closeTo(Math.PI * 0.2, 1e-9);
    // Half a millimetre short of full: 0.128 mm is still missing.
    expect((jam('rollFold', 3, 0.5, 0.4)[0] as { byMm: number }).byMm).to.be.closeTo(Math.PI * 0.2 - 0.5, 1e-9);
    expect(jam('rollFold', 3, 0.64, 0.4)).to.deep.equal([]);
  });

  it('pass through themselves in space when a rolled panel is longer than the one it lies on', () => {
    const finish = { widthMm: 100, heightMm: 150 };
    const { options } = settleOptions('rollFold', finish, { panels: 3 });
    const form = formOf('rollFold', finish, options, { caliperMm: 0.3 });
    // The innermost panel made 6 mm longer than its neighbour.
    const longer: FoldedForm = {
      ...form,
      blank: {
        ...form.blank,
        panels: form.blank.panels.map((p) =>
          p.id === 'roll1' ? { ...p, outline: p.outline.map((q) => (q.xMm === 0 ? { ...q, xMm: -7.1 } : q)) } : p,
        ),
      },
    };
    const folding = planFolding(longer, 0.3);
    expect(folding.faults.map((f) => f.kind)).to.include('tooLong');
    const hits = collisions(longer.blank, atStep(longer, folding, 1.5), 0.05);
    expect(hits.map((h) => [...h.panelIds].sort())).to.deep.include(['front', 'roll1']);
  });
});

describe('layers of a pile', () => {
  it('a panel under another cannot be turned: a double gate shut before its doors traps one', () => {
    const finish = { widthMm: 60, heightMm: 80 };
    const form = formOf('doubleGate', finish, settleOptions('doubleGate', finish, {}).options, { caliperMm: 0.2 });
    const says = '';
    const wrong: FoldedForm = {
      ...form,
      steps: [
        { creaseIds: ['spine'], says },
        { creaseIds: ['hingeRight'], says },
        { creaseIds: ['hingeLeft'], says },
      ],
    };
    expect(planFolding(form, 0.2).faults).to.deep.equal([]);
    expect(planFolding(wrong, 0.2).faults).to.deep.include({
      kind: 'trapped',
      step: 1,
      panelId: 'doorRight',
      underPanelId: 'doorLeft',
    });
  });

  it('counts a zigzag of seven as seven sheets and a gate as two', () => {
    const finish = { widthMm: 60, heightMm: 80 };
    const sheets = (format: FormatId, chosen: Partial<FormatOptions>): number => {
      const { options } = settleOptions(format, finish, chosen);
      const levels = Object.values(
        planFolding(formOf(format, finish, options, { caliperMm: 0.2 }), 0.2).levels.at(-1)!,
      );
      return Math.max(...levels) - Math.min(...levels) + 1;
    };
    expect(sheets('zigzag', { panels: 7 })).to.equal(7);
    expect(sheets('gateFold', {})).to.equal(2);
    // One door before the centre and one behind it: three levels, though nowhere three sheets.
    expect(sheets('zGate', {})).to.equal(3);
    expect(sheets('quarterFold', {})).to.equal(4);
    expect(sheets('rollFold', { panels: 5 })).to.equal(5);
    expect(sheets('gusset', {})).to.equal(4);
    expect(sheets('flat', {})).to.equal(1);
  });
});
