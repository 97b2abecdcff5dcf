import { expect } from 'chai';
import fc from 'fast-check';
import { changeJob } from '../../../src/job/changeJob.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import { EMPTY_FACE } from '../../../src/job/newJob.ts';
import { ENVELOPE_STYLE_IDS } from '../../../src/job/envelopeStyles.ts';
import type { Box, Point } from '../../../src/ground/geometry/types.ts';
import { cornerCuts, type CornerCut } from '../../../src/stations/cut/cornerCuts.ts';
import { sayCorners } from '../../../src/stations/cut/sayCorners.ts';
import { drawOnMachine } from '../../../src/stations/cut/planMachine.ts';
import { drawEnvelopePage } from '../../../src/stations/envelope/drawEnvelopePrint.ts';
import type { Plan } from '../../../src/plan/planJob.ts';
import { key, run } from '../../blindTrimmer.ts';
import { runs } from '../../runs.ts';
import { jobWith, plan, sized, typefaces, workshop } from '../../support.ts';
import { shoelace } from '../envelope/byHand.ts';

const pt = (xMm: number, yMm: number): Point => ({ xMm, yMm });

/** Where the marks of a cut lie on the box, once for each place it is told of: written again from the sentence alone. */
function marksOn({ at, marks }: CornerCut, w: number, h: number): readonly (readonly Point[])[] {
  const laid = (right: boolean, foot: boolean): readonly Point[] =>
    marks.map(({ acrossMm: a, downMm: d }) => pt(right ? w - a : a, foot ? h - d : d));
  return at.map((where) => {
    if (where.includes(' ')) {
      const [fromTop, fromLeft] = [where.startsWith('top'), where.endsWith('left')];
      return [...laid(!fromLeft, !fromTop), pt(fromLeft ? 0 : w, fromTop ? 0 : h)];
    }
    // From the nearer corner, and a notch in the middle has two that are as near.
    return where === 'left' || where === 'right' ? laid(where === 'right', false) : laid(false, where === 'bottom');
  });
}

const envelope = (...changes: readonly JobChange[]): Plan =>
  plan(
    jobWith(
      ...sized('flat', 140, 90),
      decide((job) => job.envelope.make, true),
      decide((job) => job.envelope.stockId, 'reed-120-a3'),
      ...changes,
    ),
  );

describe('cornerCuts', () => {
  it('tell a corner, a step and a notch by marks along the box’s edges', () => {
    // 100 × 60: 20 × 10 off the top left on the slant, a step of 15 × 5 at the bottom right, a V in the left side.
    const outline = [
      ...[pt(20, 0), pt(100, 0), pt(100, 55), pt(85, 55), pt(85, 60), pt(0, 60)],
      ...[pt(0, 40), pt(6, 35), pt(0, 30), pt(0, 10)],
    ];
    const cuts = cornerCuts(outline, { widthMm: 100, heightMm: 60 });
    expect([...sayCorners(cuts, 'mm')].sort()).to.deep.equal([
      'Off the bottom right corner: mark 15 mm across; 15 mm across and 5 mm up; 5 mm up. Cut from mark to mark with rule and knife.',
      'Off the top left corner: mark 20 mm across; 10 mm down. Cut from the one to the other.',
      'Out of the left: from the nearer corner mark 20 mm along; 25 mm along and 6 mm in; 30 mm along. Cut from mark to mark with rule and knife.',
    ]);
    expect(cornerCuts([pt(0, 0), pt(50, 0), pt(50, 30), pt(0, 30)], { widthMm: 50, heightMm: 30 })).to.deep.equal([]);
  });

  it('tell corners that are alike once, and know an arc from a row of corners', () => {
    const chopped = [pt(8, 0), pt(92, 0), pt(100, 5), pt(100, 55), pt(92, 60), pt(8, 60), pt(0, 55), pt(0, 5)];
    const [one, ...more] = cornerCuts(chopped, { widthMm: 100, heightMm: 60 });
    expect(more).to.deep.equal([]);
    expect(one!.at).to.have.members(['top left', 'top right', 'bottom left', 'bottom right']);
    expect(sayCorners([one!], 'in')[0]).to.match(/^Off all four corners: mark 5\/16 in across.*; 3\/16 in/);
    const round = Array.from({ length: 90 }, (_, i) => {
      const turn = (i * Math.PI) / 45;
      return pt(30 + 30 * Math.cos(turn), 30 + 30 * Math.sin(turn));
    });
    const arcs = cornerCuts(round, { widthMm: 60, heightMm: 60 });
    expect(arcs.every(({ isRounded }) => isRounded)).to.equal(true);
    expect(sayCorners(arcs, 'mm').join(' ')).to.match(/along its template/);
  });
});

describe('an envelope’s blank cut by hand', () => {
  it('is its outline when a box is cut at the marks, in every style and size', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ENVELOPE_STYLE_IDS.filter((id) => id !== 'ownShape')),
        fc.integer({ min: 90, max: 190 }),
        fc.integer({ min: 70, max: 130 }),
        fc.integer({ min: 10, max: 20 }),
        fc.integer({ min: 0, max: 6 }),
        (style, w, h, seamMm, cornerMm) => {
          const made = envelope(
            ...sized('flat', w, h),
            decide((job) => job.envelope.style, style),
            decide((job) => job.envelope.seamMm, seamMm),
            decide((job) => job.envelope.cornerMm, cornerMm),
          );
          const { cuts, blank, up, cutting } = made.envelope;
          fc.pre(up > 0);
          const sharp = envelope(
            ...sized('flat', w, h),
            decide((job) => job.envelope.style, style),
            decide((job) => job.envelope.seamMm, seamMm),
          ).envelope.blank;
          const away = cuts.corners.flatMap((cut) => marksOn(cut, sharp.widthMm, sharp.heightMm));
          const left = sharp.widthMm * sharp.heightMm - away.reduce((sum, part) => sum + shoelace(part), 0);
          expect(left).to.be.closeTo(shoelace(sharp.outline), 1);
          expect(cutting.some((one) => one.startsWith('Round the free corners'))).to.equal(cornerMm > 0);
          expect(cuts.corners.every(({ isRounded }) => !isRounded)).to.equal(true);
          expect(blank.widthMm).to.be.closeTo(sharp.widthMm, 0.02);
        },
      ),
      { numRuns: runs(40) },
    );
  });

  it('keeps the square end of a notch that is as short as a chord of an arc', () => {
    // A deep envelope of 90 × 70: its relief is a step of half a millimetre by three, beside the throat.
    const { cuts } = envelope(
      ...sized('flat', 90, 70),
      decide((job) => job.envelope.style, 'deep'),
      decide((job) => job.envelope.seamMm, 10),
    ).envelope;
    const top = cuts.corners.find(({ at }) => at.some((where) => where.startsWith('top')))!;
    expect(top.isRounded).to.equal(false);
    const down = top.marks.map(({ acrossMm, downMm }) => `${acrossMm.toFixed(1)}/${downMm.toFixed(1)}`);
    expect(down).to.include.members(['13.5/31.0', '13.0/31.0', '13.0/34.0']);
  });

  it('comes off its sheet in a box when a blind trimmer follows the moves', () => {
    for (const style of ENVELOPE_STYLE_IDS) {
      if (style === 'ownShape') continue;
      const { envelope: made } = envelope(
        decide((job) => job.envelope.style, style),
        ...sized('flat', 90, 60),
      );
      expect(made.up, style).to.be.above(1);
      const { stock } = made;
      const whole = { left: 0, top: 0, right: stock.sheetWidthMm, bottom: stock.sheetHeightMm };
      const got = run(made.cuts.moves, whole).map(key);
      for (const { trim } of made.places) {
        const [right, bottom] = [trim.xMm + trim.widthMm, trim.yMm + trim.heightMm];
        expect(got, style).to.include(key({ left: trim.xMm, top: trim.yMm, right, bottom }));
      }
    }
  });

  it('is too long for a tool that is too short for its sheet, and what would cut it is named', () => {
    const short = {
      ...workshop,
      trimmers: workshop.trimmers.map((tool) => (tool.id === 'slider' ? { ...tool, longestCutMm: 250 } : tool)),
    };
    const job = changeJob(jobWith(...sized('flat', 100, 70)), [
      decide((at) => at.envelope.make, true),
      decide((at) => at.envelope.stockId, 'reed-120-a3'),
      decide((at) => at.cut.trimmerId, 'slider'),
    ]);
    const id = 'cut-layer-too-long-envelope';
    const snag = plan(job, short).envelope.snags.find((one) => one.id === id)!;
    // Every cut across A3 is 297 mm or more.
    expect(snag.why).to.match(/it cuts 250 mm/);
    for (const { label, changes } of snag.remedies)
      expect(
        plan(changeJob(job, changes), short).envelope.snags.map((one) => one.id),
        label,
      ).to.not.include(id);
    expect(
      plan(changeJob(job, [decide((at) => at.envelope.make, false)]), short).envelope.snags.map((one) => one.id),
    ).to.not.include(id);
  });

  it('stands as a step of its own before it is folded, with the blade’s caution', () => {
    const { make, envelope: made } = envelope();
    const at = make.steps.findIndex(({ id }) => id === 'envelope-cut');
    expect(make.steps[at + 1]!.id).to.equal('envelope');
    expect(make.steps[at]!.detail).to.include('Corners are marked with the inside up');
    for (const said of made.cutting) expect(make.steps[at]!.detail).to.include(said);
    expect(make.steps[at]!.caution).to.match(/Sharp blade|Latch/);
  });
});

describe('an envelope’s blank cut by machine', () => {
  const petrel = decide((job) => job.cut.trimmerId, 'petrel');
  const inked = decide((job) => job.art.faces.at('envelopeFront'), {
    ...EMPTY_FACE,
    background: '#3a6ea5',
  });
  const { machine: facts } = workshop.trimmers.find(({ id }) => id === 'petrel')!;
  const pathsOf = ({ envelope: { cuts } }: Plan, role: string) =>
    drawOnMachine(cuts.machine!.on).shapes.flatMap((shape) =>
      shape.kind === 'path' && shape.role === role
        ? [shape.path.flatMap((part) => (part.kind === 'close' ? [] : [part.to]))]
        : [],
    );

  it('has three marks where it is printed, in the file and on the page, and no blank in their white', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ENVELOPE_STYLE_IDS.filter((id) => id !== 'ownShape')),
        fc.integer({ min: 60, max: 150 }),
        fc.integer({ min: 50, max: 110 }),
        (style, w, h) => {
          const made = envelope(
            petrel,
            inked,
            ...sized('flat', w, h),
            decide((job) => job.envelope.style, style),
          );
          const { machineMarks, cuts, places, bleedMm, stock, up } = made.envelope;
          fc.pre(up > 0 && cuts.machine !== null);
          expect(machineMarks).to.have.length(3);
          // 4.5 mm each way round a mark are white.
          for (const { xMm, yMm } of machineMarks)
            for (const { trim } of places) {
              const apart = (at: number, from: number, size: number): number =>
                Math.max(from - bleedMm - at, at - from - size - bleedMm);
              expect(Math.max(apart(xMm, trim.xMm, trim.widthMm), apart(yMm, trim.yMm, trim.heightMm))).to.be.at.least(
                4.5 - 1e-6,
              );
            }
          const page = drawEnvelopePage(made.envelope, 'front', { job: jobWith(), typefaces }, null);
          const marks = page.scene.shapes.filter((s) => s.kind === 'path' && s.role === 'mark' && s.fill);
          expect(marks).to.have.length(3);
          expect(pathsOf(made, 'mark')).to.have.length(3);
          const margin = facts!.marginMm;
          for (const { xMm, yMm } of pathsOf(made, 'cut').flat()) {
            expect(xMm).to.be.within(margin - 1e-6, stock.sheetWidthMm - margin + 1e-6);
            expect(yMm).to.be.within(margin - 1e-6, stock.sheetHeightMm - margin + 1e-6);
          }
        },
      ),
      { numRuns: runs(20) },
    );
  });

  it('is cut bare from the corner that is loaded, and printed ones by hand where no mark is found', () => {
    const bare = envelope(petrel, ...sized('flat', 100, 70));
    expect(bare.envelope.machineMarks).to.deep.equal([]);
    expect(bare.envelope.cutting.join(' ')).to.match(/the bare sheet square in its corner/);
    // All its outlines, mirrored: the file lies outside up and the blank inside up.
    const [first] = bare.envelope.places;
    const { blank } = bare.envelope;
    const box = (points: readonly Point[]): Box => {
      const [xs, ys] = [points.map((p) => p.xMm), points.map((p) => p.yMm)];
      return { xMm: Math.min(...xs), yMm: Math.min(...ys), widthMm: Math.max(...xs), heightMm: Math.max(...ys) };
    };
    expect(pathsOf(bare, 'cut')).to.have.length(bare.envelope.up);
    const cut = box(pathsOf(bare, 'cut')[0]!);
    expect(cut.xMm).to.be.closeTo(first!.trim.xMm, 1e-6);
    expect(cut.yMm).to.be.closeTo(first!.trim.yMm, 1e-6);
    expect(pathsOf(bare, 'creaseAway')).to.have.length(bare.envelope.up * blank.creases.length);
    const blind = {
      ...workshop,
      trimmers: workshop.trimmers.map((tool) =>
        tool.id === 'petrel' ? { ...tool, machine: { ...tool.machine!, findsMarks: false } } : tool,
      ),
    };
    const job = changeJob(jobWith(...sized('flat', 100, 70), petrel, inked), [
      decide((at) => at.envelope.make, true),
      decide((at) => at.envelope.stockId, 'reed-120-a3'),
    ]);
    const made = plan(job, blind);
    expect(made.envelope.cuts.machine).to.equal(null);
    expect(made.envelope.cutting).to.deep.equal(['Cut round the outline by its template.']);
    expect(made.make.steps.find(({ id }) => id === 'envelope-cut')!.caution).to.match(/steel rule/);
  });
});
