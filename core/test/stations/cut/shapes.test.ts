import { type CutChoice } from '../../../src/job/types.ts';
import { expect } from 'chai';
import { apply } from '../../../src/ground/geometry/affine.ts';
import { contains } from '../../../src/ground/geometry/polygon.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import { throughCreases } from '../../../src/stations/sheet/layout/throughCreases.ts';
import { inkedWith, plan, sized, workshop } from '../../support.ts';

const tool = (id: string): JobChange => decide((job) => job.cut.trimmerId, id);
const order = (value: NonNullable<CutChoice['order']>): JobChange => decide((job) => job.cut.order, value);
const cascade = (panels: number) => [
  ...sized('cascade', 180 / panels, 150),
  decide((job) => job.size.options, { panels, frontHeightMm: 80 }),
];

describe('sheets of slopes and shapes', () => {
  it('are not scored whole where a line would cross any face, however little of it', () => {
    const p = plan(inkedWith(...sized('sideFold', 50, 100)));
    // Two creases in line with so much face between them; a third of a millimetre at either end is no mark.
    const withGap = (gapMm: number) => {
      const [crease] = p.size.form.blank.creases;
      const [top, foot] = [crease!.from, crease!.to].map((q) => q.yMm).sort((a, b) => a - b);
      const part = (from: number, to: number) => ({
        ...crease!,
        from: { ...crease!.from, yMm: from },
        to: { ...crease!.to, yMm: to },
      });
      const creases = [part(top!, 50 - gapMm / 2), part(50 + gapMm / 2, foot!)];
      const blank = { ...p.size.form.blank, creases };
      return throughCreases({ ...p.size, form: { ...p.size.form, blank } }, p.sheet).ok;
    };
    expect(withGap(0.5)).to.equal(true);
    expect(withGap(0.8)).to.equal(false);
    expect(withGap(40)).to.equal(false);
  });

  it('score a cascade’s sheet whole where its folds agree: the lines lie on creases of both of a pair, and on no face', () => {
    // Four panels: mountain, valley, mountain from either end, so that turned half round each fold meets its like.
    const p = plan(inkedWith(...cascade(4), order('scoreFirst')));
    expect(p.sheet.cell.blanks).to.have.length(2);
    expect(p.cut.order).to.include({ now: 'scoreFirst' });
    expect(p.crease.onSheet).to.equal(true);
    const kinds = p.make.steps.map(({ kind }) => kind);
    expect(kinds.lastIndexOf('crease')).to.be.below(kinds.indexOf('cut'));
    expect(kinds.lastIndexOf('cut')).to.be.below(kinds.indexOf('outline'));
    const { creases, outline } = p.size.form.blank;
    if (!p.cut.order.through.ok) throw new Error('no lines');
    for (const line of p.cut.order.through.creases) {
      const upright = line.from.xMm === line.to.xMm;
      for (const { toSheet } of p.sheet.placements) {
        const shape = outline.map((q) => apply(toSheet, q));
        const own = creases.map((c) => [apply(toSheet, c.from), apply(toSheet, c.to)] as const);
        for (let i = 1; i < 200; i += 1) {
          const q = {
            xMm: line.from.xMm + ((line.to.xMm - line.from.xMm) * i) / 200,
            yMm: line.from.yMm + ((line.to.yMm - line.from.yMm) * i) / 200,
          };
          if (!contains(shape, q)) continue;
          const onOwn = own.some(([a, b]) =>
            upright
              ? Math.abs(a.xMm - q.xMm) < 0.01 &&
                q.yMm >= Math.min(a.yMm, b.yMm) - 0.3 &&
                q.yMm <= Math.max(a.yMm, b.yMm) + 0.3
              : Math.abs(a.yMm - q.yMm) < 0.01 &&
                q.xMm >= Math.min(a.xMm, b.xMm) - 0.3 &&
                q.xMm <= Math.max(a.xMm, b.xMm) + 0.3,
          );
          expect(onOwn).to.equal(true);
        }
      }
    }
  });

  it('does not offer it where the pair’s folds bend against each other, and says why', () => {
    const { cut } = plan(inkedWith(...cascade(5), order('scoreFirst')));
    expect(cut.order.through.ok).to.equal(false);
    expect(cut.order.now).to.equal('cutFirst');
    expect(cut.order.why).to.match(/some cards fold away and some toward you/);
  });

  const shell = (...more: readonly JobChange[]) =>
    plan(
      inkedWith(
        ...sized('hingedShape', 90, 90),
        decide((job) => job.size.options, { shape: 'oval' }),
        ...more,
      ),
    );

  it('scores a shape on the sheet before a machine cuts it out; steps, text and verdict agree', () => {
    const p = shell(tool('petrel'));
    const kinds = p.make.steps.map(({ kind }) => kind);
    expect(kinds.indexOf('crease')).to.be.below(kinds.indexOf('machine'));
    for (const { text } of p.crease.lines) expect(text).to.match(/sheet’s .* edge to the stop/);
    expect(p.crease.verdict).to.not.match(/cut out/);
    expect(p.cut.order.why).to.match(/has no straight edge to measure from/);
  });

  it('creases end to end of its fold what is cut out first, by a machine or by hand, with no edge at a stop', () => {
    for (const cutter of ['petrel', 'scissors']) {
      const p = shell(tool(cutter), order('cutFirst'));
      const steps = p.make.steps.map(({ kind }) => kind);
      expect(steps.indexOf('crease'), cutter).to.be.above(steps.indexOf(cutter === 'petrel' ? 'machine' : 'outline'));
      expect(p.crease.byEnds).to.equal(true);
      for (const line of p.crease.lines)
        expect(line.text)
          .to.match(/Lay a rule from one end of the fold to the other/)
          .and.not.match(/to the stop/);
      expect(p.make.steps.find(({ kind }) => kind === 'crease')!.big).to.equal('End to end');
      expect(JSON.stringify(p.crease)).to.not.match(/straight edges/);
    }
  });

  it('parts cards that are cut out by hand roughly, at no fence', () => {
    const p = shell(tool('slider'));
    expect(p.cut.moves).to.deep.equal([]);
    expect(p.cut.outlines.map(({ id }) => id)).to.deep.equal(p.sheet.up > 1 ? ['apart', 'outline'] : ['outline']);
    expect(p.cut.settings).to.equal(0);
    // What the hand strays by counts, whatever the trimmer could do.
    expect(p.cut.drift.worst.fromTrueMm).to.be.at.least(0.5);
  });

  it('warns of card beyond the last line of a machine’s passes', () => {
    const heavy = (gsm: number) =>
      plan(inkedWith(...sized('flat', 60, 60), tool('petrel')), {
        ...workshop,
        stocks: workshop.stocks.map((s, i) => (i === 0 ? { ...s, gsm } : s)),
      }).cut.snags.map(({ id }) => id);
    expect(heavy(250)).to.not.include('cut-machine-heavy');
    expect(heavy(900)).to.include('cut-machine-heavy');
  });
});
