import { expect } from 'chai';
import fc from 'fast-check';
import { newAdhesive } from '../../src/workshop/newThings.ts';
import { layAdhesive } from '../../src/workshop/adhesives.ts';
import { ADHESIVE_KINDS, type Adhesive } from '../../src/workshop/types.ts';
import { sayLaid } from '../../src/stations/make/sayLaid.ts';
import { sayAmount } from '../../src/stations/make/joins.ts';
import { runs } from '../runs.ts';

const tape: Adhesive = { id: 't', ...newAdhesive('strongTape'), widthMm: 6, bearsGramsPerCm2: 150, offEdgeMm: 3 };
const pads: Adhesive = { id: 'p', ...newAdhesive('foam'), widthMm: 5, bearsGramsPerCm2: 60, offEdgeMm: 3 };
const glue: Adhesive = { id: 'g', ...newAdhesive('wet'), widthMm: 3, bearsGramsPerCm2: 400, offEdgeMm: 3 };

describe('an adhesive', () => {
  it('is laid in strips along both long edges, 3 mm inside them', () => {
    // 90 × 60 less 3 on every side: strips of 84; one along each long edge, no third within 60 mm.
    const laid = layAdhesive(tape, { widthMm: 90, heightMm: 60 }, 2);
    expect(laid).to.deep.include({ ok: true, runs: 2, runMm: 84 });
    expect(laid.ok && laid.uses).to.be.closeTo(0.168, 1e-9);
    // 2 × 8.4 cm × 0.6 cm × 150 g.
    expect(laid.ok && laid.bearsGrams).to.be.closeTo(1512, 1e-6);
    expect(laid.ok && sayLaid(tape, laid, 'mm')).to.equal('2 strips of 84 mm');
    // The same turned on its side.
    expect(layAdhesive(tape, { widthMm: 60, heightMm: 90 }, 2)).to.deep.equal(laid);
    // 80 more across leave room for a third between them.
    expect(layAdhesive(tape, { widthMm: 160, heightMm: 140 }, 2)).to.deep.include({ runs: 4 });
  });

  it('goes as pads, as many as a load wants and as lie side by side', () => {
    // 34 × 19 inside: two along, two across.
    const light = layAdhesive(pads, { widthMm: 40, heightMm: 25 }, 0.9);
    expect(light).to.deep.include({ ok: true, runs: 4, uses: 4 });
    // A pad holds 0.25 cm² × 60 = 15 g; 30 g taken three times ask for six.
    expect(layAdhesive(pads, { widthMm: 40, heightMm: 25 }, 30)).to.deep.include({ ok: true, runs: 6 });
    // 6 × 3 pads are all there is room for: 270 g, which holds 90 g and no more.
    expect(layAdhesive(pads, { widthMm: 40, heightMm: 25 }, 90)).to.deep.include({ ok: true, runs: 18 });
    expect(layAdhesive(pads, { widthMm: 40, heightMm: 25 }, 90.1)).to.deep.equal({
      ...{ ok: false, reason: 'tooHeavy', bearsGrams: 270 },
    });
  });

  it('is refused where none of it fits, save what flows', () => {
    // A sixth of 8 is kept free on both sides.
    const small = layAdhesive(tape, { widthMm: 8, heightMm: 30 }, 0.1);
    expect(small.ok).to.equal(false);
    expect(!small.ok && small.reason === 'tooNarrow' && small.roomMm).to.be.closeTo(8 - (2 * 8) / 6, 1e-9);
    expect(layAdhesive(glue, { widthMm: 4, heightMm: 4 }, 0.05)).to.deep.include({ ok: true, runs: 1 });
    // Exactly as wide as its room: two thirds of 9, or 8 less 1 on both sides.
    expect(layAdhesive(tape, { widthMm: 9, heightMm: 30 }, 0.1).ok).to.equal(true);
    expect(layAdhesive(tape, { widthMm: 8.9, heightMm: 30 }, 0.1).ok).to.equal(false);
    expect(layAdhesive({ ...tape, offEdgeMm: 1 }, { widthMm: 8, heightMm: 30 }, 0.1).ok).to.equal(true);
  });

  it('is counted in what it is bought in, never less than is needed', () => {
    // Two lines of 84 × 3 mm, a film of 200 g/m².
    const laid = layAdhesive(glue, { widthMm: 90, heightMm: 60 }, 2);
    expect(laid.ok && laid.uses).to.be.closeTo((2 * 84 * 3 * 200) / 1e6, 1e-9);
    expect(sayAmount(glue, 2.71)).to.equal('2.8 g');
    expect(sayAmount(tape, 12)).to.equal('12.0 m');
    expect(sayAmount(pads, 255.2)).to.equal('256 pieces');
  });

  it('by law lies inside what it joins, and holds three times the load or says that it does not', () => {
    const mm = fc.double({ min: 2, max: 200, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom(...ADHESIVE_KINDS),
        fc.record({ widthMm: mm, heightMm: mm }),
        fc.double({ min: 0, max: 500, noNaN: true }),
        (kind, box, load) => {
          const adhesive: Adhesive = { id: kind, ...newAdhesive(kind) };
          const laid = layAdhesive(adhesive, box, load);
          if (!laid.ok) {
            expect(load > 0 || laid.reason === 'tooNarrow').to.equal(true);
            return;
          }
          expect(laid.bearsGrams).to.be.at.least(3 * load - 1e-6);
          const area = kind === 'spray' ? 0 : laid.runs * laid.runMm * Math.min(adhesive.widthMm, laid.runMm);
          const [long, short] = [Math.max(box.widthMm, box.heightMm), Math.min(box.widthMm, box.heightMm)];
          if (kind !== 'wet' && kind !== 'hot') expect(area).to.be.at.most(long * short + 1e-6);
          expect(laid.runMm).to.be.at.most(long);
          expect(laid.uses).to.be.greaterThan(0);
        },
      ),
      { numRuns: runs(500) },
    );
  });
});
