import { expect } from 'chai';
import fc from 'fast-check';
import { checkWorkshop } from '../../src/files/read/check.ts';
import { decide } from '../../src/job/decide.ts';
import { gaugeSheet } from '../../src/stations/stock/gaugeSheet.ts';
import { selfBucklingHeightMm } from '../../src/stations/stock/standing.ts';
import { drawGauge, layGauge } from '../../src/workshop/measuring/drawGauge.ts';
import { droop, droopDeg, lineDeg, SHARE_OF } from '../../src/workshop/measuring/droop.ts';
import { bendingLengthMm, measuredStock } from '../../src/workshop/measuring/measuredStock.ts';
import { GAUGE_LINES, type Measurings } from '../../src/workshop/measuring/types.ts';
import type { Box } from '../../src/ground/geometry/types.ts';
import { plan, jobWith, sized, workshop } from '../support.ts';

const none: Measurings = { stacks: [], weights: [], overhangs: [] };

/**
 * A rod of stiff links on springs, each loaded at its middle, let sink step by step until nothing moves: no calculus, and
 * nothing of the code that is tested.
 * @returns its end, in shares of its length
 */
function linksHang(load: number, links = 400): { readonly out: number; readonly down: number } {
  const long = 1 / links;
  let angles = Array.from({ length: links }, () => 0);
  for (let round = 0; round < 4000; round += 1) {
    const xs = [0];
    for (const a of angles) xs.push(xs.at(-1)! + long * Math.cos(a));
    // What hangs beyond each joint, and its lever, from the end inwards.
    const turns: number[] = [];
    let [weight, moment] = [0, 0];
    for (let i = links - 1; i >= 0; i -= 1) {
      weight += long;
      moment += long * ((xs[i]! + xs[i + 1]!) / 2);
      turns[i] = load * long * (moment - weight * xs[i]!);
    }
    let [at, moved] = [turns[0]! / 2, 0];
    const next = angles.map((old, i) => {
      if (i > 0) at += turns[i]!;
      const eased = old + 0.3 * (at - old);
      moved = Math.max(moved, Math.abs(eased - old));
      return eased;
    });
    angles = next;
    if (moved < 1e-10) break;
  }
  return {
    out: angles.reduce((sum, a) => sum + long * Math.cos(a), 0),
    down: angles.reduce((sum, a) => sum + long * Math.sin(a), 0),
  };
}

/** The load at which an upright chain of links on springs no longer rights itself, q·h³ ÷ D, by trying a small push. */
function linksBuckle(links = 120): number {
  const long = 1 / links;
  // Links lean by θ; joint i rights by (θi − θi−1) ÷ long, and what stands above it topples by its weight.
  const topples = (load: number): boolean => {
    // Cholesky of springs less weight: no longer positive where it buckles.
    const diagonal = Array.from({ length: links }, (_, i) => (i === 0 ? 2 : 1) / long + (i < links - 1 ? 1 : 0) / long);
    const own = diagonal.map((d, i) => d - load * long * long * (links - i - 0.5));
    let before = own[0]!;
    for (let i = 1; i < links; i += 1) {
      if (before <= 0) return true;
      before = own[i]! - 1 / long ** 2 / before;
    }
    return before <= 0;
  };
  let [low, high] = [1, 20];
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (topples(middle)) high = middle;
    else low = middle;
  }
  return low;
}

describe('a strip over an edge', () => {
  it('hangs as a chain of links does, light and heavy', () => {
    for (const load of [0.2, 1, 8, 20]) {
      const [end, links] = [droop(load).at(-1)!, linksHang(load)];
      expect(end.out, `${load}`).to.be.closeTo(links.out, 0.005);
      expect(end.down, `${load}`).to.be.closeTo(links.down, 0.005);
    }
  });

  it('sinks by an eighth of its load where that is small, as any beam does', () => {
    expect(droop(0.01).at(-1)!.down).to.be.closeTo(0.01 / 8, 1e-6);
    expect(droop(0).at(-1)!).to.deep.include({ down: 0 });
    expect(droop(0).at(-1)!.out).to.be.closeTo(1, 1e-12);
  });

  it('meets the half line at 41.5°, as the source has it', () => {
    expect(lineDeg('half')).to.be.closeTo(41.5, 0.05);
    for (const line of GAUGE_LINES) expect(lineDeg(line)).to.be.closeTo(droopDeg(1 / SHARE_OF[line] ** 3), 1e-12);
    expect(lineDeg('threeQuarters')).to.be.within(lineDeg('whole'), lineDeg('half'));
  });
});

describe('what readings of a stock come to', () => {
  const card = { gsm: 300, caliperMicron: 370 };
  it('is worked by hand: a stack, a scale, two strips', () => {
    const found = measuredStock({
      ...card,
      measured: {
        // 3.7 and 3.8 mm of ten: 370 and 380 µm; four A4 sheets of 74.8 g: 74.8 ÷ 0.24948 m².
        stacks: [
          { sheets: 10, heightMm: 3.7 },
          { sheets: 10, heightMm: 3.8 },
        ],
        weights: [{ sheets: 4, widthMm: 210, heightMm: 297, grams: 74.8 }],
        overhangs: [
          { fibres: 'along', line: 'whole', overhangMm: 170 },
          { fibres: 'along', line: 'threeQuarters', overhangMm: 232 },
          { fibres: 'across', line: 'half', overhangMm: 272 },
        ],
      },
    });
    expect(found.caliperMicron).to.deep.equal({ mean: 375, spread: Math.sqrt(50), readings: 2 });
    expect(found.gsm!.mean).to.be.closeTo(299.82, 0.01);
    expect(found.gsm!.spread).to.equal(null);
    // 170 and ¾ · 232 = 174: 172 ± 2.83; 0.29982 · 9.81 · 0.172³ = 0.014966 N·m; twelve of that over 0.375³ mm³.
    expect(found.along!.lengthMm.mean).to.equal(172);
    expect(found.along!.lengthMm.spread).to.be.closeTo(2.828, 0.001);
    expect(found.along!.rigidityNm).to.be.closeTo(0.014966, 1e-6);
    expect(found.along!.rigiditySpreadNm).to.be.closeTo((3 * 0.014966 * 2.828) / 172, 1e-6);
    expect(found.along!.modulusPa / 1e9).to.be.closeTo(3.4056, 0.001);
    expect(found.across!.lengthMm).to.deep.equal({ mean: 136, spread: null, readings: 1 });
  });

  it('is the stiffness of the card that hangs there, whichever line it is hung to', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.0002, max: 0.05, noNaN: true }),
        fc.integer({ min: 60, max: 400 }),
        fc.constantFrom(...GAUGE_LINES),
        (rigidityNm, gsm, line) => {
          // Where its end meets the line is found by letting it hang, farther and farther.
          const weight = (gsm / 1000) * 9.81;
          const angle = (overhangM: number): number => droopDeg((weight * overhangM ** 3) / rigidityNm);
          let [low, high] = [0, Math.cbrt((20 * rigidityNm) / weight)];
          for (let i = 0; i < 40; i += 1) {
            const middle = (low + high) / 2;
            if (angle(middle) > lineDeg(line)) high = middle;
            else low = middle;
          }
          const measured = { ...none, overhangs: [{ fibres: 'along' as const, line, overhangMm: 1000 * low }] };
          const found = measuredStock({ gsm, caliperMicron: 300, measured }).along!;
          expect(found.rigidityNm / rigidityNm).to.be.closeTo(1, 1e-4);
        },
      ),
      { numRuns: 15 },
    );
  });

  it('stands in for the other way by the usual ratio, and card at large where nothing is measured', () => {
    const one: Measurings = { ...none, overhangs: [{ fibres: 'across', line: 'whole', overhangMm: 100 }] };
    expect(bendingLengthMm({ ...card, measured: one }, 'across')).to.deep.equal({ mm: 100, from: 'measured' });
    const along = bendingLengthMm({ ...card, measured: one }, 'along');
    expect(along.from).to.equal('otherWay');
    expect(along.mm).to.be.closeTo(100 * 2 ** (1 / 3), 1e-9);
    // 3.5 GPa · 0.37³ ÷ 12 = 0.014774 N·m over 2.943 N/m².
    expect(bendingLengthMm(card, 'along').from).to.equal('starting');
    expect(bendingLengthMm(card, 'along').mm).to.be.closeTo(171.23, 0.05);
  });

  it('buckles as a chain of links does', () => {
    const { mm } = selfBucklingHeightMm(card, 'along');
    const c = bendingLengthMm(card, 'along').mm;
    expect((mm / c) ** 3).to.be.closeTo(linksBuckle(), 0.02 * 7.84);
  });

  it('decides whether a card stands', () => {
    const tall = jobWith(
      ...sized('tentFold', 100, 200),
      decide((job) => job.sheet.grain, 'ignore'),
    );
    const { stockId } = tall.stock;
    const hung = (overhangMm: number) => ({
      ...workshop,
      stocks: workshop.stocks.map((stock) =>
        stock.id === stockId
          ? {
              ...stock,
              measured: {
                ...none,
                overhangs: (['along', 'across'] as const).map((fibres) => ({
                  fibres,
                  line: 'whole' as const,
                  overhangMm,
                })),
              },
            }
          : stock,
      ),
    });
    // ∛7.8373 · 100 = 198.6 under its 200; · 210 = 417 over twice it.
    expect(plan(tall, hung(100)).stock.stand).to.equal('flops');
    expect(plan(tall, hung(210)).stock.stand).to.equal('sturdy');
    const inputs = plan(tall, hung(210)).stock.figures.find(({ id }) => id === 'stand')!.working.inputs;
    expect(JSON.stringify(inputs)).to.contain('measured on this stock');
  });
});

describe('strips and gauge', () => {
  it('lie on their sheet beside each other, long enough to hang', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 500 }),
        fc.integer({ min: 100, max: 500 }),
        fc.constantFrom('long' as const, 'short' as const),
        (widthMm, heightMm, grain) => {
          const laid = layGauge({ widthMm, heightMm, grain, marginMm: 8 });
          if (!laid) return;
          const all: readonly Box[] = [laid.gauge, ...laid.upright, ...laid.level];
          for (const [i, box] of all.entries()) {
            expect(Math.min(box.xMm, box.yMm)).to.be.at.least(8);
            expect(box.xMm + box.widthMm).to.be.at.most(widthMm - 8 + 1e-9);
            expect(box.yMm + box.heightMm).to.be.at.most(heightMm - 8 + 1e-9);
            for (const other of all.slice(i + 1))
              expect(
                box.xMm + box.widthMm <= other.xMm ||
                  other.xMm + other.widthMm <= box.xMm ||
                  box.yMm + box.heightMm <= other.yMm ||
                  other.yMm + other.heightMm <= box.yMm,
              ).to.equal(true);
          }
          for (const strip of [...laid.upright, ...laid.level])
            expect(Math.max(strip.widthMm, strip.heightMm)).to.be.at.least(120);
        },
      ),
    );
    // Fibres of a long-grain A4 run upright, of a short-grain one level.
    expect(layGauge({ widthMm: 210, heightMm: 297, grain: 'long', marginMm: 8 })!.uprightFibres).to.equal('along');
    expect(layGauge({ widthMm: 210, heightMm: 297, grain: 'short', marginMm: 8 })!.uprightFibres).to.equal('across');
    expect(layGauge({ widthMm: 297, heightMm: 210, grain: 'long', marginMm: 8 })!.uprightFibres).to.equal('across');
    expect(layGauge({ widthMm: 100, heightMm: 150, grain: 'long', marginMm: 8 })).to.equal(null);
    expect(() => drawGauge({ widthMm: 100, heightMm: 150, grain: 'long', marginMm: 8, about: '' })).to.throw(
      RangeError,
    );
  });
});

describe('a sheet to print strips on', () => {
  it('keeps clear of what any way that takes the stock leaves white, and of no other', () => {
    const stock = workshop.stocks.find(({ id }) => id === 'reed-120-a4')!;
    const { printers } = workshop;
    const path = printers[0]!.paths[0]!;
    const only = (part: Partial<typeof path>) => ({
      ...workshop,
      printers: [{ ...printers[0]!, paths: [{ ...path, ...part }] }],
    });
    const marginsMm = { top: 5, right: 5, bottom: 12.7, left: 5 };
    expect(gaugeSheet(stock, only({ marginsMm })).marginMm).to.equal(12.7);
    expect(gaugeSheet(stock, only({ marginsMm, heaviestGsm: 90 })).marginMm).to.equal(8);
  });
});

describe('readings in a workshop', () => {
  it('are kept as they were taken, and what no ruler can say is refused by name', () => {
    const { spoilLog: _counted, ...stored } = workshop;
    const withReading = (heightMm: number) =>
      checkWorkshop({
        ...stored,
        stocks: stored.stocks.map((stock, i) =>
          i === 0 ? { ...stock, measured: { ...none, stacks: [{ sheets: 10, heightMm }] } } : stock,
        ),
      });
    const kept = withReading(3.1);
    expect(kept.ok && kept.value.stocks[0]!.measured!.stacks).to.deep.equal([{ sheets: 10, heightMm: 3.1 }]);
    const refused = withReading(-1);
    expect(!refused.ok && refused.why).to.match(/heightMm/);
  });
});
