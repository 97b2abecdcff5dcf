import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { drawCreaseLine } from '../../../src/stations/crease/drawCrease.ts';
import { isPlainRule } from '../../../src/job/plainRule.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import type { Job } from '../../../src/job/types.ts';
import { FORMAT_IDS } from '../../../src/job/format.ts';
import { inkedWith, plan, sized, workshop } from '../../support.ts';
import { runs } from '../../runs.ts';

/** On a board, one card at a time. */
const on = (board: string, job: Job): Job =>
  changeJob(job, [decide((job) => job.crease.boardId, board), decide((job) => job.cut.order, 'cutFirst')]);
const pleats = (panels: number, widthMm: number): Job =>
  inkedWith(
    ...sized('zigzag', widthMm, 90),
    decide((job) => job.size.options, { panels }),
  );

describe('creases in order', () => {
  it('a zigzag of five: mountains first, then turned over once for the valleys', () => {
    // 40 mm panels on the 5 mm board: 40 and 120 fold away, 80 and 160 toward.
    const { lines, verdict } = plan(on('five-board', pleats(5, 40))).crease;
    expect(lines.map((l) => [l.faceUp, l.grooveAtMm, l.turn])).to.deep.equal([
      ['outside', 40, 'To begin'],
      ['outside', 120, 'No turn'],
      ['inside', 80, 'Turn over, the same edge at the stop'],
      ['inside', 160, 'No turn'],
    ]);
    expect(verdict).to.contain('4 creases, turning the piece once');
  });

  it('changes every face up with the bead, and nothing else', () => {
    const job = on('five-board', pleats(4, 50));
    const into = changeJob(job, [decide((job) => job.crease.bead, 'intoGroove')]);
    const [inside, outside] = [plan(job).crease.lines, plan(into).crease.lines];
    const key = (l: { fromStopMm: number }): number => l.fromStopMm;
    const sorted = (lines: typeof inside) => [...lines].sort((a, b) => key(a) - key(b));
    sorted(inside).forEach((line, i) => {
      const other = sorted(outside)[i]!;
      expect(other.fromStopMm).to.equal(line.fromStopMm);
      expect(other.faceUp).not.to.equal(line.faceUp);
    });
  });

  it('measures from whichever edge lands better', () => {
    // Back 100 and front 75: the crease is 100 from the left, 75 from the right; on ⅛ in grooves 75 misses by
    // 1.2 mm (76.2) and 100 by 1.6 (101.6).
    const job = on(
      'inch-board',
      inkedWith(
        ...sized('sideFold', 100, 140),
        decide((job) => job.size.options, { shortFrontMm: 25 }),
      ),
    );
    const [line] = plan(job).crease.lines;
    expect(line).to.include({ edgeAtStop: 'right', fromStopMm: 75 });
    expect(line!.errorMm).to.be.closeTo(1.2, 1e-9);
    expect(line!.text).to.match(/^Front panel’s open edge to the stop/);
  });

  it('speaks of no stop and draws no groove on a plain rule, which has neither', () => {
    const onto = (boardId: string) => {
      const p = plan(on(boardId, inkedWith(...sized('zigzag', 50, 100))));
      const { shapes } = drawCreaseLine(p.size, p.crease, 0, {
        ...{ unit: 'mm' as const, textMm: 3, stockColour: '#ffffff', art: { outside: [], inside: [] } },
      });
      return {
        said: JSON.stringify([p.crease.lines, p.crease.figures, shapes.filter((s) => s.kind === 'label')]),
        grooves: shapes.filter((s) => s.kind === 'path' && s.role === 'printable').length,
      };
    };
    const plain = workshop.boards.find(isPlainRule)!;
    const grooved = workshop.boards.find((b) => !isPlainRule(b))!;
    expect(onto(plain.id).said).to.not.match(/\bstop\b|[Gg]roove at/);
    expect(onto(plain.id).said).to.match(/edge on the left, .* up\. Line at .* from it/);
    expect(onto(plain.id).grooves).to.equal(0);
    expect(onto(grooved.id).said).to.match(/edge to the stop/);
    expect(onto(grooved.id).grooves).to.be.above(0);
  });

  it('presses a line that bends both ways as one, and says to fold across it first', () => {
    const { lines, snags } = plan(inkedWith(...sized('quarterFold', 90, 120))).crease;
    expect(snags.map(({ id }) => id)).to.include('crease-mixed');
    expect(plan(inkedWith(...sized('zigzag', 70, 120))).crease.snags.map(({ id }) => id)).to.not.include(
      'crease-mixed',
    );
    expect(lines).to.have.length(2);
    const upright = lines.find((l) => l.upright)!;
    expect(upright.creaseIds).to.have.members(['uprightLower', 'uprightUpper']);
    expect(upright.lengthMm).to.equal(240);
    expect(upright.text).to.contain('Make the fold across it first');
    expect(lines.find((l) => !l.upright)!.text).not.to.contain('Make the fold across it first');
  });

  it('holds for every format and board: all creases once, the nearest groove, few turns', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FORMAT_IDS),
        fc.constantFrom(...workshop.boards),
        fc.double({ min: 50, max: 200, noNaN: true }),
        fc.double({ min: 50, max: 200, noNaN: true }),
        (format, board, w, h) => {
          const { size, crease } = plan(on(board.id, inkedWith(...sized(format, w, h))));
          expect(crease.lines.flatMap((l) => l.creaseIds).sort()).to.deep.equal(
            size.form.blank.creases.map((c) => c.id).sort(),
          );
          for (const line of crease.lines) {
            expect(Math.abs(line.errorMm)).to.be.at.most(
              line.fromStopMm < board.grooveEveryMm ? board.grooveEveryMm : board.grooveEveryMm / 2 + 1e-9,
            );
            expect(line.grooveAtMm / board.grooveEveryMm).to.be.closeTo(line.groove, 1e-9);
          }
          // One turn for every change of face or edge, and no more changes than there are groups.
          const groups = new Set(crease.lines.map((l) => `${l.faceUp} ${l.edgeAtStop}`)).size;
          const turns = crease.lines.filter((l, i) => i > 0 && l.turn !== 'No turn').length;
          expect(turns).to.equal(Math.max(0, groups - 1));
        },
      ),
      { numRuns: runs(80) },
    );
  });
});

describe('board-friendly sizes', () => {
  it('every size offered does land, and loses no card', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FORMAT_IDS.filter((id) => id !== 'flat')),
        fc.constantFrom(...workshop.boards),
        fc.double({ min: 50, max: 140, noNaN: true }),
        (format, board, w) => {
          const job = on(board.id, inkedWith(...sized(format, w, 90)));
          const before = plan(job);
          for (const friendly of before.crease.friendly) {
            const after = plan(changeJob(job, [decide((job) => job.size[friendly.field], friendly.mm)]));
            expect(Math.max(...after.crease.lines.map((l) => Math.abs(l.errorMm))), format).to.be.at.most(0.1001);
            expect(after.sheet.up).to.be.at.least(before.sheet.up);
            expect(after.sheet.up).to.equal(friendly.up);
          }
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('by hand: 94 wide on the 5 mm board becomes 95 or 90, the nearer first', () => {
    const { friendly } = plan(on('five-board', inkedWith(...sized('sideFold', 94, 140)))).crease;
    // At 100 too: the back is bare, so its edge may be the sheet’s, and 2 · 100 + 3 + 3.4 is less than 210.
    expect(friendly.map((f) => f.mm)).to.deep.equal([95, 90, 100, 85, 80]);
    const loose = changeJob(on('five-board', inkedWith(...sized('sideFold', 104, 140))), [
      decide((job) => job.sheet.grain, 'ignore'),
      decide((job) => job.stock.stockId, 'shell-300-a3'),
    ]);
    const sizes = plan(loose).crease.friendly.map((f) => f.mm);
    expect(sizes).to.include(100);
    expect(plan(loose).crease.friendly.every((f) => f.mm % 5 === 0)).to.equal(true);
  });
});
