import { expect } from 'chai';
import fc from 'fast-check';
import { lightened } from '../../../../src/stations/art/checks/inkSnags.ts';
import { inkLimit, inkTotal, latticeValue, type InkLattice } from '../../../../src/stations/art/ink/inkTotal.ts';
import { changeJob } from '../../../../src/job/changeJob.ts';
import { planJob } from '../../../../src/plan/planJob.ts';
import type { FaceArt, Job } from '../../../../src/job/types.ts';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import type { Snag } from '../../../../src/job/findings.ts';
import type { Workshop } from '../../../../src/workshop/types.ts';
import { jobWith, sized, typefaces, workshop, plan } from '../../../support.ts';

/** Inks that keep nothing back: a colour asks for what it lacks of white, black for three of the four. */
const plainInks = (steps: number): InkLattice => ({
  steps,
  totals: Array.from({ length: steps ** 3 }, (_, i) =>
    [Math.floor(i / steps ** 2), Math.floor(i / steps) % steps, i % steps].reduce(
      (sum, step) => sum + 1 - latticeValue(step, steps) / 255,
      0,
    ),
  ),
});
const INKS = plainInks(9);
const colour = fc.tuple(...([0, 1, 2].map(() => fc.integer({ min: 0, max: 255 })) as never[])) as fc.Arbitrary<
  [number, number, number]
>;
const hex = (parts: readonly number[]): string => `#${parts.map((v) => v.toString(16).padStart(2, '0')).join('')}`;

const onPrinter = (printerId: string, ...changes: readonly JobChange[]): Job => {
  const printer = workshop.printers.find(({ id }) => id === printerId)!;
  return jobWith(
    ...sized('sideFold', 105, 148),
    decide((job) => job.stock.printerId, printer.id),
    decide((job) => job.stock.pathId, printer.paths.at(-1)!.id),
    ...changes,
  );
};
const faceOf = (id: string, art: Partial<FaceArt>): JobChange =>
  decide((job) => job.art.faces.at(id), { background: null, picture: null, texts: [], ...art });
const snags = (job: Job, shop: Workshop = workshop, inks: InkLattice | null = INKS): readonly Snag[] =>
  planJob(job, shop, { typefaces, today: null, inks }).art.snags;
const find = (id: string, job: Job, shop?: Workshop, inks?: InkLattice | null): Snag | undefined =>
  snags(job, shop, inks).find((snag) => snag.id.startsWith(id));
const inkjet = workshop.printers.find(({ ink }) => ink === 'inkjet')!;
const laser = workshop.printers.find(({ ink, printsWhite }) => ink === 'laser' && !printsWhite)!;
const uncoated = workshop.stocks.find(({ coating, gsm }) => coating === 'uncoated' && gsm > 170)!;
const onUncoated = decide((job) => job.stock.stockId, uncoated.id);

describe('ink that a colour asks for', () => {
  it('is the profile’s own at the crossings and in proportion between them', () => {
    expect(inkTotal('#ffffff', INKS)).to.equal(0);
    expect(inkTotal('#000000', INKS)).to.equal(3);
    // Inks that are a sum of their channels stay one between the crossings, but for crossings rounded to whole steps.
    fc.assert(
      fc.property(colour, (parts) => {
        const wanted = parts.reduce((sum, v) => sum + 1 - v / 255, 0);
        expect(inkTotal(hex(parts), INKS)).to.be.closeTo(wanted, 0.01);
      }),
    );
    expect(() => inkTotal('#000000', { steps: 3, totals: [1] })).to.throw(RangeError, '27 totals');
  });

  it('can always be brought down by lightening, and no further than it must', () => {
    fc.assert(
      fc.property(colour, fc.double({ min: 0.2, max: 2.9, noNaN: true }), (parts, limit) => {
        const lighter = lightened(hex(parts), limit, INKS);
        expect(inkTotal(lighter, INKS)).to.be.at.most(limit + 1e-9);
        const whole = parts.reduce((sum, v) => sum + 1 - v / 255, 0);
        if (whole > limit + 0.1) expect(inkTotal(lighter, INKS)).to.be.above(limit - 0.02 * whole - 0.03);
      }),
    );
  });
});

describe('too much ink', () => {
  const dark = faceOf('front', { background: '#101820' });

  it('is said with both figures, and its remedy takes it away', () => {
    const job = onPrinter(inkjet.id, onUncoated, dark);
    const snag = find('art-ink-total', job)!;
    // 3 − (16 + 24 + 32) / 255 = 2.72
    expect(snag.title).to.include('272 %').and.include('220 %');
    expect(find('art-test-print', job), 'one word about one fault').to.equal(undefined);
    // 1.24 of the limit: a driver mixes its own inks, so it is a note with a test print as its first remedy.
    expect(snag.level).to.equal('note');
    expect(snag.remedies[0]!.label).to.equal('Print one sheet first');
    for (const { label, changes } of snag.remedies)
      expect(find('art-ink-total', changeJob(job, changes)), label).to.equal(undefined);
    const first = plan(changeJob(job, snag.remedies[0]!.changes)).make.steps.slice(0, 2);
    expect(first.map(({ id }) => id)).to.deep.equal(['proof', 'test-print']);
    const mended = changeJob(job, snag.remedies[0]!.changes);
    expect(find('art-ink-total', mended)).to.equal(undefined);
  });

  it('of several places is said once, the heaviest first, and one press eases them all', () => {
    const job = onPrinter(inkjet.id, onUncoated, dark, faceOf('back', { background: '#202830' }));
    const all = snags(job).filter(({ id }) => id.startsWith('art-ink-total'));
    expect(all).to.have.length(1);
    expect(all[0]!.title).to.match(/^2 places ask for up to 272 % of ink; uncoated card takes about 220 %$/);
    expect(all[0]!.why).to.match(/^The background of the front 272 %, the background of the back 253 %\. /);
    const [, both, one] = all[0]!.remedies;
    expect(find('art-ink-total', changeJob(job, both!.changes))).to.equal(undefined);
    expect(find('art-ink-total', changeJob(job, one!.changes))!.title).to.include('The background of the back asks');
  });

  it('is judged by the printer’s own limit where the maker has one', () => {
    const job = onPrinter(inkjet.id, onUncoated, dark);
    const patient: Workshop = {
      ...workshop,
      printers: workshop.printers.map((p) => (p.id === inkjet.id ? { ...p, inkLimits: { uncoated: 3 } } : p)),
    };
    expect(find('art-ink-total', job, patient)).to.equal(undefined);
    expect(
      inkLimit(
        patient.printers.find(({ id }) => id === inkjet.id)!,
        'uncoated',
      ),
    ).to.equal(3);
    expect(find('art-ink-total', job, workshop, null), 'nothing is said without a profile').to.equal(undefined);
  });

  it('counts pictures by their heaviest hundredth, less what is faded', () => {
    const pictured = (fade: number, inkTotalOf: number | undefined): Job =>
      onPrinter(
        inkjet.id,
        onUncoated,
        decide((job) => job.pictures, {
          p: {
            ...{ name: 'p.png', sha256: 'a'.repeat(64), mime: 'image/png', widthPx: 4000, heightPx: 5000 },
            ...(inkTotalOf === undefined ? {} : { inkTotal: inkTotalOf }),
          },
        }),
        faceOf('front', {
          picture: { pictureId: 'p', zoom: 1, focusX: 0.5, focusY: 0.5, fade, grey: false },
        }),
      );
    const snag = find('art-ink-total', pictured(0, 2.75))!;
    expect(snag.remedies[1]!.label).to.include('20 %');
    expect(find('art-ink-total', changeJob(pictured(0, 2.75), snag.remedies[1]!.changes))).to.equal(undefined);
    // Half as much again as the limit helps no driver: a warning, and no test print takes it away.
    const far = find('art-ink-total', pictured(0, 3.3))!;
    expect(far.level).to.equal('warn');
    expect(far.remedies.map(({ label }) => label)).to.not.include('Print one sheet first');
    expect(
      find('art-ink-total', changeJob(pictured(0, 3.3), [decide((job) => job.make.testPrint, true)]))!.level,
    ).to.equal('warn');
    expect(find('art-ink-total', pictured(0.25, 2.75))).to.equal(undefined);
    expect(find('art-ink-total', pictured(0, undefined))).to.equal(undefined);
  });
});

describe('ink over a fold', () => {
  const both = [faceOf('front', { background: '#14263c' }), faceOf('back', { background: '#14263c' })];

  it('is a warning where it is dark toner, and a printer whose ink soaks in is offered', () => {
    const job = onPrinter(laser.id, onUncoated, ...both);
    const snag = find('art-over-fold', job)!;
    expect(snag.level).to.equal('warn');
    expect(snag.title).to.match(/over a fold: (front and back|back and front)/);
    for (const { changes } of snag.remedies)
      expect(find('art-over-fold', changeJob(job, changes))?.level ?? 'note').to.equal('note');
    expect(snag.remedies).to.have.length(1);
  });

  it('is not said of the side that is pressed together, nor of pale ink', () => {
    const inside = [faceOf('insideLeft', { background: '#14263c' }), faceOf('insideRight', { background: '#14263c' })];
    expect(find('art-over-fold', onPrinter(laser.id, onUncoated, ...inside))).to.equal(undefined);
    const pale = [faceOf('front', { background: '#f4efe4' }), faceOf('back', { background: '#f4efe4' })];
    expect(find('art-over-fold', onPrinter(laser.id, onUncoated, ...pale))).to.equal(undefined);
    const setIn = { border: { widthMm: 6, insetMm: 8, colour: '#14263c' } };
    expect(find('art-over-fold', onPrinter(laser.id, onUncoated, faceOf('front', setIn)))).to.equal(undefined);
  });

  it('names one face where only one reaches the fold', () => {
    const snag = find('art-over-fold', onPrinter(laser.id, onUncoated, both[0]!))!;
    expect(snag.title).to.include('up to a fold: front');
  });
});
